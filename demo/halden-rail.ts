import { button, fir, grain, hills, rect, stars, svg, text, type Type } from './drawing'

const heads = "'Barlow Condensed'",
  sans = 'Barlow'
const deep = '#12343b',
  teal = '#1f6f6b',
  amber = '#ffcf70',
  pale = '#eef3ef',
  ink = '#17282c'
const body = (color = '#3d5055'): Type => ({ font: sans, size: 32, color, line: 50 })

function carriage(x: number, y: number, w: number, first: boolean): string {
  const windows = Array.from({ length: 6 }, (_, i) =>
    rect(
      x + 40 + i * ((w - 70) / 6),
      y + 34,
      (w - 70) / 6 - 26,
      58,
      i % 3 === 1 ? '#31555a' : '#ffd98a',
      'rx="8"',
    ),
  ).join('')
  return (
    (first
      ? `<path d="M${x},${y + 150} V${y + 60} Q${x + 6},${y} ${x + 90},${y} H${x + w} V${y + 150}Z" fill="#a83a2c"/>`
      : rect(x, y, w, 150, '#a83a2c', 'rx="10"')) +
    rect(x, y + 108, w, 14, '#f2e3c4') +
    windows +
    [0.14, 0.26, 0.74, 0.86]
      .map(
        (u) =>
          `<circle cx="${x + u * w}" cy="${y + 156}" r="20" fill="#101a1c"/><circle cx="${x + u * w}" cy="${y + 156}" r="8" fill="#56666a"/>`,
      )
      .join('')
  )
}

function hero(y: number, h: number): string {
  const rail = y + h - 150
  return `<linearGradient id="dusk" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#0c2530"/><stop offset="0.5" stop-color="#1d5660"/><stop offset="0.78" stop-color="#5d8c86"/><stop offset="1" stop-color="#d9b98a"/></linearGradient><radialGradient id="lune"><stop offset="0" stop-color="#fff3d0"/><stop offset="0.8" stop-color="#fbe6b4"/><stop offset="1" stop-color="#f3d794"/></radialGradient>
  <g filter="url(#film)">${rect(0, y, 1200, h, 'url(#dusk)')}</g>${stars(0, y, 1200, 380, 150, 5)}<circle cx="250" cy="${y + 210}" r="84" fill="url(#lune)"/>
  <path d="${hills(0, 1200, y + 560, 320, y + h, 8, 0.2)}" fill="#1b4a52"/><path d="${hills(0, 1200, y + 640, 190, y + h, 23)}" fill="#123a41"/>
  ${rect(0, y + 590, 1200, h - 590, '#0e3038')}<g opacity="0.55">${Array.from({ length: 26 }, (_, i) => rect(140 + ((i * 97) % 230), y + 606 + i * 7, 60 + ((i * 53) % 120), 3, '#f5dfa8', `opacity="${(1 - i / 30).toFixed(2)}"`)).join('')}</g>
  ${rect(0, rail + 26, 1200, 124, '#0a2127')}${rect(0, rail + 20, 1200, 8, '#7d8f8c')}${Array.from({ length: 40 }, (_, i) => rect(i * 31, rail + 30, 18, 10, '#33484a')).join('')}
  ${carriage(150, rail - 152, 340, true)}${carriage(504, rail - 152, 340, false)}${carriage(858, rail - 152, 342, false)}<path d="M0,${rail - 60} L150,${rail - 96} V${rail - 40} Z" fill="#ffe9ad" opacity="0.5"/>
  ${[20, 70, 1110, 1160, 1040].map((x, i) => fir(x, y + h, 150 + i * 22, '#07191d')).join('')}
  ${text(1110, y + 200, ['Asleep', 'by Norrbrink'], { font: heads, size: 128, weight: 700, color: '#ffffff', line: 124, anchor: 'end' })}${text(1110, y + 400, 'The winter timetable of the night train', { font: sans, size: 34, color: '#ffe3b0', anchor: 'end' })}`
}

function table(y: number): string {
  const rows: [string, string, string, string][] = [
    ['Halden', '21:40', '21:10', '30 min earlier'],
    ['Norrbrink', '23:55', '23:05', 'now before midnight'],
    ['Aldersund', '04:20', '04:50', 'quiet until five'],
    ['Port Vessel', '07:36', '07:12', 'breakfast on the quay'],
  ]
  const columns = [90, 420, 620, 830]
  const cell = (i: number, at: number, s: string, t: Partial<Type>) =>
    text(columns[i]!, at, s, { font: sans, size: 32, color: ink, ...t })
  return (
    text(90, y + 120, 'What changes on 13 December', { font: heads, size: 64, weight: 700, color: ink }) +
    rect(90, y + 170, 1020, 72, deep) +
    ['Station', 'Until now', 'New', 'Which means']
      .map((s, i) => cell(i, y + 217, s, { color: '#ffffff', weight: 600, size: 30 }))
      .join('')
      .replaceAll(`x="90"`, `x="114"`) +
    rows
      .map((r, k) => {
        const top = y + 242 + k * 84
        return (
          rect(90, top, 1020, 84, k % 2 ? '#ffffff' : pale) +
          text(114, top + 53, r[0], { font: sans, size: 32, weight: 600, color: ink }) +
          cell(1, top + 53, r[1], { color: '#5b696b' }) +
          cell(2, top + 53, r[2], { weight: 700, color: teal }) +
          cell(3, top + 53, r[3], { size: 29 })
        )
      })
      .join('')
  )
}

function berth(
  x: number,
  y: number,
  name: string,
  price: string,
  lines: string[],
  beds: number,
  tint: string,
): string {
  const bunks = Array.from({ length: beds }, (_, i) => {
    const by = y + 236 - i * (beds > 2 ? 66 : 92)
    return (
      rect(x + 34, by, 252, 22, '#f6f0e2', 'rx="6"') +
      rect(x + 34, by - 18, 64, 24, '#ffffff', 'rx="10"') +
      rect(x + 104, by - 12, 180, 18, tint, 'rx="6"')
    )
  }).join('')
  return (
    rect(x, y, 320, 620, '#ffffff', 'rx="12"') +
    `<clipPath id="b${x}"><rect x="${x}" y="${y}" width="320" height="290" rx="12"/></clipPath><g clip-path="url(#b${x})">${rect(x, y, 320, 290, deep)}${rect(x + 206, y + 30, 90, 66, '#2b6269', 'rx="10"')}<circle cx="${x + 262}" cy="${y + 56}" r="14" fill="#fbe6b4"/>${bunks}${rect(x, y + 262, 320, 28, '#0b2328')}</g>` +
    text(x + 30, y + 352, name, { font: heads, size: 44, weight: 700, color: ink }) +
    text(x + 30, y + 412, lines, { ...body(), size: 27, line: 40 }) +
    text(x + 30, y + 582, price, { font: heads, size: 40, weight: 600, color: teal })
  )
}

/** The winter timetable of a sleeper train. */
export function haldenRail(): { height: number; svg: string } {
  let y = 0,
    out = ''
  const band = (h: number, draw: (y: number) => string) => {
    out += draw(y)
    y += h
  }
  band(
    140,
    (t) =>
      rect(0, t, 1200, 140, deep) +
      `<g transform="translate(90 ${t + 42})"><path d="M0,56 V14 Q0,0 14,0 H50 Q64,0 64,14 V56Z" fill="${amber}"/><path d="M40,10 a18,18 0 1 0 12,30 a14,14 0 1 1 -12,-30" fill="${deep}"/></g>` +
      text(176, t + 88, 'HALDEN NIGHT RAIL', {
        font: heads,
        size: 46,
        weight: 600,
        color: '#ffffff',
        spacing: 4,
      }) +
      text(1110, t + 86, 'Winter 26/27', { font: sans, size: 28, color: '#a9c4c1', anchor: 'end' }),
  )
  band(980, (t) => hero(t, 980))
  band(
    560,
    (t) =>
      rect(0, t, 1200, 560, '#ffffff') +
      text(90, t + 130, 'Leave a little earlier, sleep a lot longer', {
        font: heads,
        size: 66,
        weight: 700,
        color: ink,
      }) +
      text(
        90,
        t + 216,
        [
          'From 13 December the sleeper leaves Halden half an hour earlier and',
          'stands still at Aldersund until the kitchen wakes. Nobody is shunted',
          'before five any more; we have asked, and the signalmen agreed.',
        ],
        body(),
      ) +
      button(
        90,
        t + 400,
        350,
        92,
        'See your train',
        amber,
        { font: sans, size: 32, weight: 600, color: ink },
        46,
      ),
  )
  band(700, (t) => rect(0, t, 1200, 700, '#ffffff') + rect(90, t, 1020, 2, '#d5dedb') + table(t))
  band(
    900,
    (t) =>
      rect(0, t, 1200, 900, pale) +
      text(600, t + 120, 'Choose how you lie', {
        font: heads,
        size: 64,
        weight: 700,
        color: ink,
        anchor: 'middle',
      }) +
      berth(
        90,
        t + 190,
        'The nook',
        'from 39 a night',
        ['A bunk in six, a curtain,', 'a light and a shelf'],
        3,
        '#c9764f',
      ) +
      berth(
        440,
        t + 190,
        'The pair',
        'from 68 a night',
        ['Two bunks, one door,', 'a basin and two towels'],
        2,
        amber,
      ) +
      berth(
        790,
        t + 190,
        'The room',
        'from 119 a night',
        ['A real bed, a window', 'of your own, breakfast'],
        1,
        '#7fb0a6',
      ),
  )
  band(
    340,
    (t) =>
      rect(0, t, 1200, 340, teal) +
      text(600, t + 130, 'Berths open on Monday at nine', {
        font: heads,
        size: 60,
        weight: 700,
        color: '#ffffff',
        anchor: 'middle',
      }) +
      button(
        425,
        t + 184,
        350,
        92,
        'Keep a berth',
        '#ffffff',
        { font: sans, size: 32, weight: 600, color: deep },
        46,
      ),
  )
  band(
    300,
    (t) =>
      rect(0, t, 1200, 300, ink) +
      text(
        90,
        t + 90,
        [
          'Halden Night Rail, Platform House, Station Rise 1, Halden',
          'You ride with us now and then, so we tell you when the times change.',
        ],
        { font: sans, size: 26, color: '#9db3b2', line: 44 },
      ) +
      text(90, t + 214, 'Unsubscribe     Your journeys', { font: sans, size: 26, color: amber }),
  )
  return { height: y, svg: svg(y, grain('film', 0.26, 9), out) }
}
