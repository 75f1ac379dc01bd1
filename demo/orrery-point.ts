import { button, fir, grain, hills, rect, stars, svg, text, type Type } from './drawing'

const display = 'Marcellus',
  serif = "'Source Serif 4'"
const cream = '#f4efe6',
  ink = '#1f2430',
  night = '#131c35',
  copper = '#b4572f',
  gold = '#f0cf98'

const body = (color = '#3b4050'): Type => ({ font: serif, size: 34, color, line: 52 })

/** A moon with seas and craters, lit from one side. @param lit 0 new to 1 full */
function moon(id: string, x: number, y: number, r: number, tone: [string, string, string], lit = 1): string {
  const seas = [
    [-0.3, -0.35, 0.34],
    [0.12, -0.2, 0.26],
    [0.34, 0.2, 0.22],
    [-0.2, 0.3, 0.3],
    [0.02, 0.55, 0.16],
  ]
    .map(
      ([dx, dy, k]) =>
        `<ellipse cx="${x + dx! * r}" cy="${y + dy! * r}" rx="${k! * r}" ry="${k! * r * 0.78}" fill="${tone[2]}" opacity="0.34"/>`,
    )
    .join('')
  const craters = [
    [0.45, -0.45, 0.07],
    [-0.55, 0.05, 0.06],
    [0.1, 0.12, 0.05],
    [0.55, -0.05, 0.05],
    [-0.1, -0.66, 0.06],
    [0.28, 0.62, 0.07],
    [-0.45, 0.58, 0.05],
  ]
    .map(
      ([dx, dy, k]) =>
        `<circle cx="${x + dx! * r}" cy="${y + dy! * r}" r="${k! * r}" fill="${tone[2]}" opacity="0.5"/><circle cx="${x + dx! * r - k! * r * 0.2}" cy="${y + dy! * r - k! * r * 0.2}" r="${k! * r * 0.8}" fill="${tone[0]}" opacity="0.35"/>`,
    )
    .join('')
  const shade =
    lit >= 1
      ? ''
      : `<path d="M${x},${y - r} A${r},${r} 0 0 0 ${x},${y + r} A${r * Math.abs(1 - 2 * lit)},${r} 0 0 ${lit > 0.5 ? 0 : 1} ${x},${y - r}Z" fill="${night}" opacity="0.9"/>`
  return `<radialGradient id="${id}" cx="0.38" cy="0.34" r="0.75"><stop offset="0" stop-color="${tone[0]}"/><stop offset="0.62" stop-color="${tone[1]}"/><stop offset="1" stop-color="${tone[2]}"/></radialGradient><clipPath id="${id}c"><circle cx="${x}" cy="${y}" r="${r}"/></clipPath><g clip-path="url(#${id}c)"><circle cx="${x}" cy="${y}" r="${r}" fill="url(#${id})"/>${seas}${craters}${shade}</g>`
}

/** The observatory on its hill: dome with an open slit, the tower, a lit window. */
const dome = (x: number, y: number, k: number, fill: string, edge: string): string =>
  `<g transform="translate(${x} ${y}) scale(${k})"><path d="M-90,0 A90,92 0 0 1 90,0 Z" fill="${fill}"/><path d="M-14,-91 L22,-89 L30,0 L-6,0 Z" fill="#0b1124"/><path d="M4,-90 L52,-150" stroke="${edge}" stroke-width="9"/><rect x="-100" y="0" width="200" height="16" fill="${edge}"/><path d="M-86,16 H86 L96,150 H-96Z" fill="${fill}"/><rect x="-18" y="70" width="36" height="80" rx="18" fill="${gold}"/><rect x="44" y="60" width="20" height="28" fill="${gold}" opacity="0.8"/><path d="M-86,16 H-30 V150 H-96Z" fill="#000" opacity="0.16"/></g>`

function hero(y: number, h: number): string {
  return `<linearGradient id="sky" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#0d142b"/><stop offset="0.55" stop-color="#24325a"/><stop offset="0.86" stop-color="#6b4f63"/><stop offset="1" stop-color="#a8674f"/></linearGradient>
  <radialGradient id="halo"><stop offset="0" stop-color="#e8925a" stop-opacity="0.65"/><stop offset="0.5" stop-color="#c5693f" stop-opacity="0.22"/><stop offset="1" stop-color="#c5693f" stop-opacity="0"/></radialGradient>
  <g filter="url(#film)">${rect(0, y, 1200, h, 'url(#sky)')}</g>${stars(0, y, 1200, h * 0.7, 260, 7)}
  <circle cx="880" cy="${y + 340}" r="400" fill="url(#halo)"/>${moon('m1', 880, y + 340, 206, ['#f3b27c', '#c2653a', '#6f2f23'])}
  ${text(90, y + 172, 'Total eclipse of the moon', { font: serif, size: 32, color: gold, spacing: 2 })}
  ${text(86, y + 300, ['The moon', 'goes copper', 'at ten'], { font: display, size: 112, color: '#fff7ea', line: 122 })}
  ${text(90, y + 628, 'Friday 4 December, from half past seven', { font: serif, size: 34, color: '#e9dcc8' })}
  <path d="${hills(0, 1200, y + h - 110, 190, y + h, 12)}" fill="#2b2740"/><path d="${hills(0, 1200, y + h - 40, 170, y + h, 31)}" fill="#171a2e"/>
  ${dome(250, y + h - 190, 0.86, '#39344f', '#564a5c')}
  ${[430, 470, 520, 590, 1010, 1060, 1120, 1160, 60, 110].map((x, i) => fir(x, y + h + 6, 90 + ((i * 37) % 70), '#0f1223')).join('')}`
}

/** Seven hours of one evening: the moon wanes into the shadow, glows, and comes back. */
function phases(y: number): string {
  const steps: [string, string, number, [string, string, string]][] = [
    ['20:33', 'Shadow touches', 1, ['#fffaf0', '#e2d9c6', '#a59b88']],
    ['21:02', 'A bite is gone', 0.7, ['#fdf4e2', '#ddd0b8', '#9a8d78']],
    ['21:31', 'Half', 0.46, ['#f8e6cc', '#d3b894', '#8d7459']],
    ['22:00', 'Copper', 1, ['#f3b27c', '#c2653a', '#6f2f23']],
    ['23:07', 'Out again', 0.62, ['#fdf4e2', '#ddd0b8', '#9a8d78']],
  ]
  return (
    rect(0, y, 1200, 520, night) +
    stars(0, y, 1200, 500, 90, 19) +
    text(600, y + 100, 'One evening, five looks up', {
      font: display,
      size: 52,
      color: '#fff7ea',
      anchor: 'middle',
    }) +
    `<path d="M110,${y + 330} C350,${y + 190} 850,${y + 190} 1090,${y + 330}" fill="none" stroke="${gold}" stroke-width="2" stroke-dasharray="2 12" opacity="0.7"/>` +
    steps
      .map(([at, what, lit, tone], i) => {
        const x = 130 + i * 235,
          my = y + 318 - Math.sin(((i + 0.35) / 4.7) * Math.PI) * 78
        return (
          moon(`p${i}`, x, my, i === 3 ? 74 : 60, tone, lit) +
          text(x, y + 420, at, { font: display, size: 34, color: gold, anchor: 'middle' }) +
          text(x, y + 462, what, { font: serif, size: 26, color: '#c9cfdf', anchor: 'middle' })
        )
      })
      .join('')
  )
}

function walk(
  x: number,
  y: number,
  seed: number,
  tones: [string, string, string, string],
  lamp: boolean,
): string {
  const id = `w${seed}`
  return `<linearGradient id="${id}" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="${tones[0]}"/><stop offset="1" stop-color="${tones[1]}"/></linearGradient><clipPath id="${id}c"><rect x="${x}" y="${y}" width="500" height="320"/></clipPath><g clip-path="url(#${id}c)"><g filter="url(#film)">${rect(x, y, 500, 320, `url(#${id})`)}</g>${stars(x, y, 500, 160, 60, seed)}<path d="${hills(x, 500, y + 250, 150, y + 320, seed + 1)}" fill="${tones[2]}"/><path d="${hills(x, 500, y + 300, 90, y + 320, seed + 2)}" fill="${tones[3]}"/>${lamp ? `<path d="M${x + 210},${y + 320} C${x + 240},${y + 280} ${x + 300},${y + 270} ${x + 330},${y + 236} C${x + 344},${y + 220} ${x + 330},${y + 206} ${x + 350},${y + 190}" stroke="${gold}" stroke-width="5" fill="none" opacity="0.85"/>` : `<path d="M${x + 40},${y + 300} h110 m-100,-2 v22 m90,-22 v22" stroke="#1c1712" stroke-width="9"/><path d="M${x + 330},${y + 300} h120 m-108,-2 v22 m96,-22 v22" stroke="#1c1712" stroke-width="9"/>`}${[0.08, 0.16, 0.86, 0.93].map((u, i) => fir(x + u * 500, y + 322, 100 + i * 18, tones[3])).join('')}</g>`
}

/** Eclipse night: the invitation of an observatory to its neighbours. */
export function orreryPoint(): { height: number; svg: string } {
  let y = 0,
    out = ''
  const band = (h: number, draw: (y: number) => string) => {
    out += draw(y)
    y += h
  }
  band(
    150,
    (t) =>
      rect(0, t, 1200, 150, cream) +
      `<g transform="translate(104 ${t + 75})" fill="none" stroke="${copper}" stroke-width="4"><circle r="34"/><ellipse rx="34" ry="12" transform="rotate(-28)"/><circle r="7" fill="${copper}" stroke="none"/></g>` +
      text(160, t + 90, 'Orrery Point', { font: display, size: 46, color: ink }) +
      text(1110, t + 88, 'Nights    Visit    Map', {
        font: serif,
        size: 28,
        color: '#5b5f6b',
        anchor: 'end',
      }),
  )
  band(960, (t) => hero(t, 960))
  band(
    640,
    (t) =>
      rect(0, t, 1200, 640, '#ffffff') +
      text(90, t + 130, 'Bring a coat and a flask', { font: display, size: 60, color: ink }) +
      text(
        90,
        t + 220,
        [
          'The dome opens at half past seven. By nine the shadow of the',
          'earth has reached the rim, and at ten the whole moon hangs over',
          'the valley the colour of an old coin. We keep the lamps off.',
        ],
        body(),
      ) +
      button(90, t + 440, 380, 96, 'Keep two places', copper, {
        font: serif,
        size: 34,
        weight: 600,
        color: '#ffffff',
      }),
  )
  band(520, phases)
  band(
    860,
    (t) =>
      rect(0, t, 1200, 860, cream) +
      text(600, t + 116, 'Two ways up the hill', { font: display, size: 56, color: ink, anchor: 'middle' }) +
      walk(90, t + 180, 41, ['#1b2748', '#6a5468', '#2b2a45', '#141729'], true) +
      walk(610, t + 180, 63, ['#2a3558', '#b0765a', '#4a3a48', '#1f1c2e'], false) +
      text(90, t + 570, 'The ridge walk', { font: display, size: 44, color: ink }) +
      text(
        90,
        t + 630,
        ['Forty minutes from the chapel', 'gate, by the marked stones.', 'No lamps after the stile.'],
        body(),
      ) +
      text(610, t + 570, 'The lower field', { font: display, size: 44, color: ink }) +
      text(
        610,
        t + 630,
        ['Level ground with benches and', 'room for wheels. Soup from the', 'hatch until eleven.'],
        body(),
      ),
  )
  band(
    330,
    (t) =>
      rect(0, t, 1200, 330, copper) +
      text(600, t + 130, 'Cloud over the valley?', {
        font: display,
        size: 52,
        color: '#fff7ea',
        anchor: 'middle',
      }) +
      text(
        600,
        t + 200,
        [
          'We decide at four in the afternoon and write to everyone',
          'who has kept a place. Bring the children anyway.',
        ],
        { ...body('#ffeeda'), anchor: 'middle' },
      ),
  )
  band(
    360,
    (t) =>
      rect(0, t, 1200, 360, ink) +
      text(90, t + 96, 'Orrery Point Observatory', { font: display, size: 34, color: gold }) +
      text(
        90,
        t + 156,
        [
          'Chapel Lane 9, Upper Tarn, TN4 2OP',
          'You get this letter because you asked for news of our public nights.',
        ],
        { font: serif, size: 26, color: '#aab0c0', line: 42 },
      ) +
      text(90, t + 276, 'Unsubscribe     Choose what we send     See it in a browser', {
        font: serif,
        size: 26,
        color: gold,
      }),
  )
  return { height: y, svg: svg(y, grain('film', 0.28, 3), out) }
}
