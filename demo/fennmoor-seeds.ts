import { button, grain, hills, random, rect, svg, text, type Type } from './drawing'

const slab = "'Young Serif'",
  sans = 'Karla'
const paper = '#faf5ea',
  moss = '#3f5a36',
  leaf = '#6f8f4e',
  beet = '#8c2f4b',
  ink = '#2b2a24',
  straw = '#e6c66b'
const body = (color = '#4d4b42'): Type => ({ font: sans, size: 34, color, line: 52 })

const leafPath = (x: number, y: number, l: number, turn: number, fill: string) =>
  `<g transform="translate(${x} ${y}) rotate(${turn})"><path d="M0,0 C${l * 0.3},${-l * 0.34} ${l * 0.8},${-l * 0.3} ${l},0 C${l * 0.8},${l * 0.3} ${l * 0.3},${l * 0.34} 0,0Z" fill="${fill}"/><path d="M0,0 L${l * 0.9},0" stroke="#ffffff" stroke-opacity="0.35" stroke-width="2"/></g>`

/** A plant: a stem with leaves by turns, and a head. */
function plant(
  x: number,
  bottom: number,
  h: number,
  seed: number,
  head: 'bean' | 'poppy' | 'umbel' | 'beet',
): string {
  const r = random(seed)
  const bend = (r() - 0.5) * 60
  let out = `<path d="M${x},${bottom} Q${x + bend},${bottom - h * 0.5} ${x + bend * 0.4},${bottom - h}" stroke="${moss}" stroke-width="7" fill="none" stroke-linecap="round"/>`
  for (let i = 1; i < 7; i++) {
    const u = i / 7.5,
      px = x + bend * (2 * u * (1 - u) + 0.4 * u * u),
      side = i % 2 ? 1 : -1
    out += leafPath(
      px,
      bottom - h * u,
      h * (0.26 - u * 0.12),
      side > 0 ? -28 - r() * 20 : 208 + r() * 20,
      i % 3 ? leaf : '#557a43',
    )
  }
  const tx = x + bend * 0.4,
    ty = bottom - h
  if (head === 'poppy')
    out +=
      [0, 72, 144, 216, 288]
        .map(
          (a) =>
            `<ellipse cx="${tx}" cy="${ty - 30}" rx="34" ry="46" fill="#c8452f" opacity="0.9" transform="rotate(${a} ${tx} ${ty})"/>`,
        )
        .join('') + `<circle cx="${tx}" cy="${ty}" r="20" fill="#26221c"/>`
  if (head === 'umbel')
    out += Array.from({ length: 11 }, (_, i) => {
      const a = ((i - 5) / 5) * 1.1
      const ex = tx + Math.sin(a) * 88,
        ey = ty - Math.cos(a) * 64
      return (
        `<path d="M${tx},${ty} L${ex},${ey}" stroke="${moss}" stroke-width="3"/>` +
        Array.from(
          { length: 6 },
          () =>
            `<circle cx="${ex + (r() - 0.5) * 30}" cy="${ey + (r() - 0.5) * 22}" r="6" fill="#fbf6e4" stroke="#d9cf9f"/>`,
        ).join('')
      )
    }).join('')
  if (head === 'bean')
    out += [0, 1, 2]
      .map(
        (i) =>
          `<path d="M${tx + i * 26 - 30},${ty + 10 + i * 22} q28,60 4,128" stroke="#7a9a3f" stroke-width="18" fill="none" stroke-linecap="round"/>`,
      )
      .join('')
  if (head === 'beet')
    out += [-40, -20, 0, 20, 40]
      .map((a) => leafPath(tx, ty + 20, 120, a - 90, a % 40 ? leaf : '#557a43'))
      .join('')
  return out
}

function hero(y: number, h: number): string {
  return `<linearGradient id="dawn" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#f7e3b5"/><stop offset="0.6" stop-color="#f3cf9b"/><stop offset="1" stop-color="#dba678"/></linearGradient><g filter="url(#tooth)">${rect(0, y, 1200, h, 'url(#dawn)')}</g><circle cx="985" cy="${y + 240}" r="130" fill="#fff2cf"/><path d="${hills(0, 1200, y + h - 250, 150, y + h, 4)}" fill="#b7a56a"/><path d="${hills(0, 1200, y + h - 150, 120, y + h, 17)}" fill="#8a8a4c"/>
  ${rect(0, y + h - 120, 1200, 120, '#4a3626')}${Array.from({ length: 34 }, (_, i) => `<ellipse cx="${20 + i * 36}" cy="${y + h - 104 + (i % 3) * 30}" rx="26" ry="7" fill="#5d4632"/>`).join('')}
  ${plant(90, y + h - 90, 300, 3, 'bean')}${plant(250, y + h - 84, 300, 8, 'beet')}${plant(720, y + h - 88, 360, 12, 'poppy')}${plant(870, y + h - 80, 430, 21, 'umbel')}${plant(1010, y + h - 90, 320, 33, 'poppy')}${plant(1130, y + h - 84, 400, 44, 'bean')}
  ${text(90, y + 190, ['Sow it', 'on a Sunday'], { font: slab, size: 104, color: ink, line: 118 })}${text(94, y + 386, 'The spring letter of the seed library', { font: sans, size: 34, color: '#5b4a2d' })}`
}

function packet(
  x: number,
  y: number,
  name: string,
  note: string,
  tint: string,
  head: 'bean' | 'poppy' | 'umbel' | 'beet',
  seed: number,
): string {
  return (
    rect(x, y, 320, 400, tint) +
    rect(x, y, 320, 46, '#00000018') +
    `<path d="M${x},${y + 46} h320" stroke="#ffffff" stroke-opacity="0.6" stroke-width="3" stroke-dasharray="10 8"/><clipPath id="k${seed}"><rect x="${x + 30}" y="${y + 76}" width="260" height="294"/></clipPath>${rect(x + 30, y + 76, 260, 294, paper)}<g clip-path="url(#k${seed})">${plant(x + 160, y + 372, 210, seed, head)}</g>` +
    text(x, y + 462, name, { font: slab, size: 34, color: ink }) +
    text(x, y + 508, note, { font: sans, size: 28, color: '#6a675b' })
  )
}

/** The spring sowing letter of a seed library. */
export function fennmoorSeeds(): { height: number; svg: string } {
  let y = 0,
    out = ''
  const band = (h: number, draw: (y: number) => string) => {
    out += draw(y)
    y += h
  }
  band(
    160,
    (t) =>
      rect(0, t, 1200, 160, paper) +
      leafPath(104, t + 96, 70, -58, moss) +
      leafPath(112, t + 98, 54, -14, leaf) +
      text(190, t + 98, 'Fennmoor Seed Library', { font: slab, size: 44, color: moss }),
  )
  band(900, (t) => hero(t, 900))
  band(
    600,
    (t) =>
      rect(0, t, 1200, 600, paper) +
      text(90, t + 130, 'Borrow a packet, bring back two', { font: slab, size: 56, color: ink }) +
      text(
        90,
        t + 216,
        [
          'The drawers are full again: four hundred and twelve kinds, dried and',
          'counted over the winter. Take what you can look after. In October you',
          'bring back the seed of your best plants, twice what you took.',
        ],
        body(),
      ) +
      button(
        90,
        t + 410,
        370,
        94,
        'Look in the drawers',
        beet,
        { font: sans, size: 34, weight: 700, color: '#ffffff' },
        4,
      ),
  )
  band(
    1300,
    (t) =>
      rect(0, t, 1200, 1300, '#eef0df') +
      packet(90, t + 90, 'Tarn runner', 'Climbs, bears late', '#d8dfb9', 'bean', 51) +
      packet(440, t + 90, 'Ember poppy', 'Scatter, do not bury', '#f0cdb8', 'poppy', 62) +
      packet(790, t + 90, 'Lace carrot', 'For the soil and bees', '#d7e2da', 'umbel', 73) +
      packet(90, t + 680, 'Cellar beet', 'Sweet by the first frost', '#e7c3cd', 'beet', 84) +
      packet(440, t + 680, 'Marsh pea', 'Wants wet feet', '#cfe0d6', 'bean', 95) +
      packet(790, t + 680, 'Old Hob poppy', 'Lent for sixty years', '#ecd9ac', 'poppy', 36),
  )
  band(
    720,
    (t) =>
      rect(0, t, 1200, 720, moss) +
      text(600, t + 110, 'How to save a bean, in two minutes', {
        font: slab,
        size: 52,
        color: '#f6f2df',
        anchor: 'middle',
      }) +
      `<linearGradient id="clip" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#c9b483"/><stop offset="1" stop-color="#6d5a38"/></linearGradient><g filter="url(#tooth)">${rect(200, t + 170, 800, 450, 'url(#clip)')}</g>` +
      `<clipPath id="cl"><rect x="200" y="${t + 170}" width="800" height="450"/></clipPath><g clip-path="url(#cl)">${Array.from(
        { length: 46 },
        (_, i) => {
          const r = random(i + 5)
          return `<ellipse cx="${230 + r() * 740}" cy="${t + 420 + r() * 190}" rx="40" ry="24" transform="rotate(${r() * 180} ${600} ${t + 500})" fill="${['#8c2f4b', '#efe3c8', '#5d3a2a', '#c9764f'][i % 4]}"/>`
        },
      ).join(
        '',
      )}</g><circle cx="600" cy="${t + 395}" r="74" fill="#ffffff" opacity="0.92"/><path d="M576,${t + 352} L644,${t + 395} L576,${t + 438}Z" fill="${beet}"/>`,
  )
  band(
    320,
    (t) =>
      rect(0, t, 1200, 320, ink) +
      text(
        90,
        t + 92,
        [
          'Fennmoor Seed Library, The Old Weighhouse, Mill Green, Fennmoor',
          'You are a reader of the library. We write four times a year.',
        ],
        { font: sans, size: 26, color: '#b8b39f', line: 44 },
      ) +
      text(90, t + 222, 'Unsubscribe     Give your seed back', { font: sans, size: 26, color: straw }),
  )
  return { height: y, svg: svg(y, grain('tooth', 0.3, 2), out) }
}
