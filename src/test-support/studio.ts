import { random } from '../../demo/drawing'
import { body, FACE, head, Pen, type Palette, type Scene, type SceneBand } from './scenes'

/**
 * Designs of the sort that studios send, drawn by code, with what a good developer would make of each: the tiles that say what
 * is meant. Those that were not looked at while the build was tuned say so.
 */
export interface StudioDesign extends Scene {
  expected: Expected
  /** Whether it was looked at while the build was tuned. */
  tuned: boolean
}

/** What a build must hold. */
export interface Expected {
  /** Rows and columns of each table. */
  tables?: readonly (readonly [rows: number, columns: number])[]
  /** How many small pictures stand in each row of marks. */
  marks?: readonly number[]
  /** Entries of each menu. */
  menus?: readonly number[]
  /** Items of each list. */
  lists?: readonly number[]
  /** How often somebody is quoted. */
  quotes?: number
}

export type Draw = (pen: Pen, top: number) => number
export interface Part {
  ground: string
  columns?: number
  draw: Draw
}

export const sans = FACE ?? 'Arimo, Arial, Helvetica, sans-serif'
export const serif = FACE ?? 'Tinos, Times New Roman, serif'
const hebrew = 'DejaVu Sans, Verdana, sans-serif'
const W = 600

export const day: Palette = {
  page: '#ffffff',
  soft: '#f3efe6',
  deep: '#243b53',
  accent: '#b4452f',
  ink: '#22262b',
  quiet: '#5b6168',
}

/** A design of bands below each other. @param width px */
export function design(
  name: string,
  seed: number,
  page: string,
  expected: Expected,
  tuned: boolean,
  parts: readonly Part[],
  width = W,
): StudioDesign {
  const r = random(seed)
  const bands: SceneBand[] = []
  let y = 0,
    all = ''
  for (const [i, { ground, columns = 1, draw }] of parts.entries()) {
    const pen = new Pen(r, ground, `${name.slice(0, 2)}${i}`)
    const h = Math.round(draw(pen, 0))
    all += `<g transform="translate(0 ${y})"><rect width="${width}" height="${h}" fill="${ground}"/>${pen.body}</g>`
    bands.push({ y, h, ground, columns, parts: pen.parts.map((p) => ({ ...p, y: p.y + y })) })
    y += h
  }
  return {
    name,
    seed,
    width,
    height: y,
    bands,
    expected,
    tuned,
    svg: (scale) =>
      `<svg xmlns="http://www.w3.org/2000/svg" width="${width * scale}" height="${y * scale}" viewBox="0 0 ${width} ${y}"><rect width="100%" height="100%" fill="${page}"/>${all}</svg>`,
  }
}

/** A mark of 120 by 40 px in the middle: a disc, a ring and two bars. */
export const logo =
  (color: string): Draw =>
  (pen) => {
    const x = (W - 120) / 2
    pen.body += `<circle cx="${x + 20}" cy="48" r="20" fill="${color}"/><circle cx="${x + 62}" cy="48" r="16" fill="none" stroke="${color}" stroke-width="8"/><path d="M${x + 94},28 h26 v12 h-26 Z M${x + 94},56 h26 v12 h-26 Z" fill="${color}"/>`
    pen.parts.push({ kind: 'picture', x, y: 28, w: 120, h: 40, ground: pen.ground })
    return 96
  }

/** A disc with a name beside it. */
export const named =
  (color: string, name: string, x = 48): Draw =>
  (pen) => {
    pen.body += `<circle cx="${x + 18}" cy="46" r="18" fill="${color}"/><path d="M${x + 10},52 l8,-14 l8,14 Z" fill="#ffffff"/><text x="${x + 46}" y="54" font-family="${serif}" font-size="24" font-weight="700" fill="${color}">${name}</text>`
    pen.parts.push({
      kind: 'picture',
      x,
      y: 28,
      w: 46 + Math.round(name.length * 12.2),
      h: 36,
      ground: pen.ground,
    })
    return 92
  }

export const footer =
  (p: Palette, line: string, ink = '#c9d0d8'): Draw =>
  (pen, top) => {
    const y = pen.words(60, top + 32, 480, line, body({ ink }, sans, 13, { align: 'center', line: 20 }))
    return (
      pen.words(
        60,
        y + 8,
        480,
        'Unsubscribe at any time',
        body({ ink }, sans, 13, { align: 'center', line: 20 }),
      ) + 32
    )
  }

/** A table of words. @param lefts of the columns, px; the last ends at 552 */
export function grid(
  pen: Pen,
  top: number,
  rows: readonly (readonly string[])[],
  lefts: readonly number[],
  p: Palette,
  look: { right?: boolean; line?: string; zebra?: string; size?: number } = {},
): number {
  const high = 40,
    size = look.size ?? 15
  rows.forEach((row, i) => {
    const y = top + i * high
    if (look.zebra && i % 2 === 1)
      pen.body += `<rect x="48" y="${y}" width="504" height="${high}" fill="${look.zebra}"/>`
    row.forEach((said, k) => {
      const from = lefts[k]!,
        to = (lefts[k + 1] ?? 552) - 12
      const type = { ...body(p, sans, size), bold: i === 0, line: 20 }
      pen.words(from, y + 10, to - from, said, look.right && k > 0 ? { ...type, align: 'right' } : type)
    })
    if (look.line && i < rows.length - 1) pen.rule(48, y + high - 1, 504, look.line)
  })
  return top + rows.length * high
}

export const button = (pen: Pen, y: number, label: string, p: Palette, x = 48, w = 180) =>
  pen.button(x, y, label, {
    background: p.accent,
    color: '#ffffff',
    size: 16,
    h: 46,
    radius: 4,
    font: sans,
    w,
  })

export const stars = (pen: Pen, x: number, y: number, n: number, color: string) => {
  for (let i = 0; i < n; i++) {
    const [cx, cy] = [x + i * 26 + 10, y + 10]
    const points = Array.from({ length: 10 }, (_, k) => {
      const [a, r] = [(k * Math.PI) / 5 - Math.PI / 2, k % 2 ? 4.2 : 10]
      return `${(cx + r * Math.cos(a)).toFixed(1)},${(cy + r * Math.sin(a)).toFixed(1)}`
    })
    pen.body += `<polygon points="${points.join(' ')}" fill="${color}"/>`
  }
  pen.parts.push({ kind: 'icons', x, y, w: n * 26 - 6, h: 20, ground: pen.ground })
  return y + 20
}

/** Goods side by side: picture, name, price. */
export function goods(
  pen: Pen,
  top: number,
  names: readonly (readonly [string, string])[],
  p: Palette,
): number {
  const w = (504 - 24 * (names.length - 1)) / names.length
  let bottom = 0
  names.forEach(([name, price], i) => {
    const x = 48 + i * (w + 24)
    let y = pen.photo(x, top, w, 130)
    y = pen.words(x, y + 12, w, name, head(p, sans, 17))
    y = pen.words(x, y + 4, w, price, body(p, sans, 15, { color: p.quiet }))
    bottom = Math.max(bottom, y)
  })
  return bottom
}

const night: Palette = {
  page: '#12161d',
  soft: '#1b212b',
  deep: '#0b0e13',
  accent: '#c7651a',
  ink: '#f1ede4',
  quiet: '#a9b1bb',
}

/** The ten designs that the build was tuned on, but for those that say otherwise. */
export function studioDesigns(): StudioDesign[] {
  return [
    design('magazine', 101, day.page, { marks: [3] }, true, [
      { ground: day.page, draw: logo(day.deep) },
      { ground: day.page, draw: (pen) => pen.photo(0, 0, W, 280) },
      {
        ground: day.page,
        draw: (pen) => {
          let y = pen.words(48, 36, 504, 'Six nights under one slow comet', head(day, serif, 38))
          y = pen.words(
            48,
            y + 12,
            504,
            'We followed it from the ridge until the moon drowned it, and kept a diary of the cold, the soup and the silence between the hills.',
            body(day, serif, 18),
          )
          return button(pen, y + 20, 'Read the diary', day) + 40
        },
      },
      {
        ground: day.soft,
        columns: 2,
        draw: (pen) => {
          pen.photo(48, 40, 240, 180)
          let y = pen.words(312, 44, 240, 'The keeper of the lamp', head(day, serif, 24))
          y = pen.words(
            312,
            y + 8,
            240,
            'For forty years she has climbed the tower at dusk to set the light for the last boat.',
            body(day, serif, 16),
          )
          return Math.max(220, y) + 40
        },
      },
      {
        ground: day.deep,
        draw: (pen) => {
          const y = pen.icons((W - 3 * 28 - 2 * 18) / 2, 32, 3, 28, 18, '#e8a33d')
          return footer(day, 'Lamp and Ridge, 9 Chapel Lane, Upper Tarn')(pen, y - 8)
        },
      },
    ]),
    design('ticket', 102, day.soft, { tables: [[3, 2]] }, true, [
      { ground: day.soft, draw: logo(day.accent) },
      {
        ground: day.soft,
        draw: (pen) => {
          pen.panel(40, 0, 520, 330, '#ffffff', 12)
          let y = pen.words(
            72,
            32,
            456,
            'Your berth is kept',
            head(day, sans, 28, { align: 'center' }),
            '#ffffff',
          )
          const rows = [
            ['Train', 'Night line 204'],
            ['Coach and berth', '12, lower'],
            ['Leaves Halden', '21:40, track 3'],
          ]
          y += 24
          for (const [a, b] of rows as [string, string][]) {
            pen.words(72, y + 8, 180, a, body(day, sans, 15, { line: 20, color: day.quiet }), '#ffffff')
            pen.words(300, y + 8, 228, b, body(day, sans, 15, { line: 20, bold: true }), '#ffffff')
            y += 36
          }
          pen.button(
            210,
            y + 24,
            'Show the ticket',
            { background: day.deep, color: '#ffffff', size: 16, h: 48, radius: 6, font: sans, w: 180 },
            '#ffffff',
          )
          return 362
        },
      },
      { ground: day.deep, draw: footer(day, 'Halden Night Rail, 2 Quay Street, Halden') },
    ]),
    design('schedule', 103, day.page, { tables: [[5, 4]] }, true, [
      { ground: day.deep, draw: logo('#ffffff') },
      {
        ground: day.page,
        draw: (pen) => {
          let y = pen.words(48, 40, 504, 'The winter timetable', head(day, sans, 30))
          y = pen.words(
            48,
            y + 10,
            504,
            'All trains run daily from the first of December.',
            body(day, sans, 16),
          )
          y = grid(
            pen,
            y + 24,
            [
              ['Train', 'Halden', 'Tarn', 'Arrives'],
              ['Night 204', '21:40', '02:15', '07:55'],
              ['Night 206', '22:50', '03:20', '09:05'],
              ['Day 12', '09:12', '12:40', '16:48'],
              ['Day 18', '13:30', '17:02', '21:10'],
            ],
            [60, 220, 330, 440],
            day,
            { line: '#d6cfc2' },
          )
          return button(pen, y + 28, 'All the lines', day) + 44
        },
      },
      { ground: day.deep, draw: footer(day, 'Halden Night Rail, 2 Quay Street, Halden') },
    ]),
    design('shop', 104, day.page, { menus: [4], marks: [4] }, true, [
      { ground: day.page, draw: logo(day.deep) },
      {
        ground: day.soft,
        columns: 4,
        draw: (pen) => {
          ;['Seeds', 'Tools', 'Letters', 'Visit'].forEach((said, i) =>
            pen.words(72 + i * 130, 14, 70, said, body(day, sans, 15, { line: 20, align: 'center' })),
          )
          return 48
        },
      },
      {
        ground: day.page,
        columns: 3,
        draw: (pen) => {
          let y = pen.words(48, 40, 504, 'For the cold frame', head(day, sans, 28, { align: 'center' }))
          y = goods(
            pen,
            y + 24,
            [
              ['Black kale', '3.20'],
              ['Winter leek', '2.80'],
              ['Corn salad', '2.40'],
            ],
            day,
          )
          y = goods(
            pen,
            y + 28,
            [
              ['Field bean', '3.60'],
              ['Red chard', '2.90'],
              ['Spinach', '2.60'],
            ],
            day,
          )
          return button(pen, y + 28, 'See all seeds', day, 210) + 44
        },
      },
      {
        ground: day.deep,
        draw: (pen) => {
          const y = pen.icons((W - 4 * 30 - 3 * 16) / 2, 32, 4, 30, 16, '#e8a33d')
          return footer(day, 'Fennmoor Seed Library, 4 Mill Row, Fennmoor')(pen, y - 8)
        },
      },
    ]),
    design('comparison', 105, day.page, { tables: [[4, 3]] }, true, [
      { ground: day.page, draw: named(day.accent, 'Halden Rail') },
      {
        ground: day.page,
        draw: (pen) => {
          let y = pen.words(48, 32, 504, 'Which berth suits you?', head(day, sans, 30, { align: 'center' }))
          y = grid(
            pen,
            y + 24,
            [
              ['', 'Nook', 'Cabin'],
              ['Beds', 'One', 'Two'],
              ['Window', 'Small', 'Wide'],
              ['Breakfast', 'Tea', 'Full'],
            ],
            [60, 260, 420],
            day,
            { zebra: day.soft },
          )
          return button(pen, y + 28, 'Keep a berth', day, 210) + 44
        },
      },
      { ground: day.deep, draw: footer(day, 'Halden Night Rail, 2 Quay Street, Halden') },
    ]),
    design('receipt', 106, day.page, { tables: [[5, 3]] }, true, [
      { ground: day.page, draw: named(day.deep, 'Fennmoor') },
      {
        ground: day.page,
        draw: (pen) => {
          let y = pen.words(48, 24, 504, 'Thank you for your order', head(day, sans, 26))
          y = pen.words(48, y + 8, 504, 'Order 20418 leaves the mill on Thursday.', body(day, sans, 16))
          y = grid(
            pen,
            y + 20,
            [
              ['Packet', 'Number', 'Price'],
              ['Black kale', '2', '6.40'],
              ['Winter leek', '1', '2.80'],
              ['Postage', '1', '3.10'],
              ['In all', '4', '12.30'],
            ],
            [60, 300, 430],
            day,
            { right: true, line: '#dedede' },
          )
          return y + 40
        },
      },
      { ground: day.soft, draw: footer(day, 'Fennmoor Seed Library, 4 Mill Row, Fennmoor', '#4d535a') },
    ]),
    design('invitation', 107, day.deep, {}, false, [
      { ground: day.deep, draw: logo('#e8a33d') },
      {
        ground: day.deep,
        draw: (pen) => {
          let y = pen.words(
            60,
            40,
            480,
            'You are asked to dine under the dome',
            head({ ink: '#ffffff' }, serif, 40, { align: 'center' }),
          )
          y = pen.words(
            60,
            y + 14,
            480,
            'Saturday the fourth, at half past seven',
            body({ ink: '#dfe5ee' }, serif, 20, { align: 'center' }),
          )
          return button(pen, y + 26, 'Say yes', day, 210) + 56
        },
      },
      { ground: day.deep, draw: footer(day, 'Orrery Point Observatory, Chapel Lane 9') },
    ]),
    design('long letter', 108, day.page, { lists: [3] }, true, [
      { ground: day.page, draw: logo(day.deep) },
      {
        ground: day.page,
        draw: (pen) => {
          let y = pen.words(48, 28, 504, 'A letter from the moor', head(day, serif, 32))
          const paragraphs = [
            'Dear friend, the beds are black again and the last of the leeks stand in the frost like soldiers.',
            'We have counted the packets twice, and there are enough of the old bean for every member who asks before the new year.',
            'Here is what the shed needs done before the snow comes down from the ridge:',
          ]
          for (const said of paragraphs) y = pen.words(48, y + 14, 504, said, body(day, serif, 17))
          for (const said of ['Mend the cold frame', 'Turn the compost', 'Write the labels']) {
            pen.body += `<circle cx="60" cy="${y + 21}" r="3" fill="${day.ink}"/>`
            y = pen.words(74, y + 8, 478, said, body(day, serif, 17))
            pen.parts.at(-1)!.words!.point = true
          }
          y = pen.words(48, y + 14, 504, 'With cold hands and warm thanks,', body(day, serif, 17))
          return pen.words(48, y + 4, 504, 'Ida of the moor', body(day, serif, 17)) + 40
        },
      },
      { ground: day.soft, draw: footer(day, 'Fennmoor Seed Library, 4 Mill Row, Fennmoor', '#4d535a') },
    ]),
    design('dark', 109, night.page, { marks: [5] }, false, [
      { ground: night.deep, draw: logo('#f1ede4') },
      {
        ground: night.page,
        draw: (pen) => {
          let y = pen.words(48, 44, 504, 'What they said of the dome', head(night, sans, 30))
          y = stars(pen, 48, y + 14, 5, '#e8a33d')
          y = pen.words(
            48,
            y + 10,
            504,
            'The quietest two hours of my year, and the only ones I spent looking up.',
            body(night, sans, 17),
          )
          return button(pen, y + 22, 'Come along', night) + 44
        },
      },
      { ground: night.deep, draw: footer(night, 'Orrery Point Observatory, Chapel Lane 9', '#a9b1bb') },
    ]),
    design('right to left', 110, day.page, {}, false, [
      { ground: day.page, draw: logo(day.accent) },
      {
        ground: day.page,
        columns: 2,
        draw: (pen) => {
          pen.photo(312, 32, 240, 170)
          let y = pen.words(48, 36, 240, 'לילה בהרים', head(day, hebrew, 24, { align: 'right' }))
          y = pen.words(
            48,
            y + 8,
            240,
            'הרכבת יוצאת בערב ומגיעה עם אור ראשון אל הים',
            body(day, hebrew, 16, { align: 'right' }),
          )
          return Math.max(202, y) + 40
        },
      },
      { ground: day.deep, draw: footer(day, 'Halden Night Rail, 2 Quay Street, Halden') },
    ]),
  ]
}
