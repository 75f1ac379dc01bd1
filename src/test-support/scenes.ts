import { createCanvas, type SKRSContext2D } from '@napi-rs/canvas'
import sharp from 'sharp'
import { random, type Random } from '../../demo/drawing'
import type { Raster, Rect } from '@/core/cut/raster'
import { lendCanvasFonts } from '@/server/fonts/canvas'

lendCanvasFonts()

/**
 * Designs made by code from a seed, so that what they are made of is known: bands, columns, parts, colours
 * and words. Every measure is in px of the email; they are drawn at any density. Seeds 1 to 8 were looked at
 * while the autocut was tuned, 9 to 16 were not.
 */
export type SceneKind = 'picture' | 'words' | 'button' | 'rule' | 'icons'
export interface ScenePart extends Rect {
  kind: SceneKind
  /** The colour it stands on. */
  ground: string
  words?: {
    lines: string[]
    size: number
    line: number
    color: string
    bold: boolean
    align: 'left' | 'center' | 'right'
    font: string
    /** Whether it is an item of a list, behind a point. */
    point?: boolean
  }
  button?: { label: string; background: string; color: string; radius: number }
}
export interface SceneBand {
  y: number
  h: number
  ground: string
  columns: number
  parts: ScenePart[]
}

export interface Scene {
  name: string
  seed: number
  width: number
  height: number
  bands: SceneBand[]
  svg: (scale: number) => string
}

export const TUNED = [1, 2, 3, 4, 5, 6, 7, 8],
  UNSEEN = [9, 10, 11, 12, 13, 14, 15, 16]

const sentences = [
  'The dome opens at nine and closes when the last visitor has seen Saturn.',
  'Bring warm clothes, since the platform stands in the wind.',
  'Our night train leaves the harbour at ten past eight.',
  'Sow the beans in two rows when the soil has warmed.',
  'Members may reserve one berth for each journey.',
  'Every packet holds seed for about four metres of bed.',
  'The guide speaks slowly and answers every question.',
  'A telescope is lent out for one week at a time.',
  'Breakfast is served from six in the dining car.',
  'Water in the evening and keep the slugs away.',
  'Old varieties grow slower but taste of something.',
  'The path to the tower is lit until midnight.',
]
const titles = [
  'A night of three moons',
  'The north line returns',
  'Seeds for a late spring',
  'Sleep through the valley',
  'Look up on Friday',
  'What to sow in March',
  'Berths with a window',
  'The dome is open',
]
const labels = [
  'Reserve a place',
  'See the timetable',
  'Order seeds',
  'Read more',
  'Find your berth',
  'Open the map',
]
const names = ['Black kale', 'Window berth', 'Star chart', 'Field bean', 'Night ticket', 'Moon map']
const pick = <T>(r: Random, list: readonly T[]): T => list[Math.floor(r() * list.length)]!
const between = (r: Random, low: number, high: number): number => Math.round(low + r() * (high - low))

const canvas: SKRSContext2D = createCanvas(8, 8).getContext('2d')
const widthOf = (text: string, size: number, bold: boolean, font: string): number => {
  canvas.font = `${bold ? 'bold ' : ''}${size}px ${font}`
  return canvas.measureText(text).width
}

interface Type {
  size: number
  line: number
  color: string
  bold: boolean
  align: 'left' | 'center' | 'right'
  font: string
}

/** Breaks words into lines of at most a width. */
function wrap(text: string, width: number, t: Type): string[] {
  const out: string[] = []
  for (const word of text.split(' ')) {
    const last = out.at(-1)
    if (last !== undefined && widthOf(`${last} ${word}`, t.size, t.bold, t.font) <= width)
      out[out.length - 1] = `${last} ${word}`
    else out.push(word)
  }
  return out
}

/** Colours of a design. */
export type Palette = (typeof palettes)[number]
const palettes = [
  { page: '#ffffff', soft: '#f4efe6', deep: '#1d3557', accent: '#b4452f', ink: '#222222', quiet: '#5a5a5a' },
  { page: '#fffdf8', soft: '#e6ece4', deep: '#22382f', accent: '#2b7a68', ink: '#1f2a25', quiet: '#55605a' },
  { page: '#ffffff', soft: '#eef1f7', deep: '#2a2148', accent: '#6a3fb0', ink: '#201c2e', quiet: '#5d5870' },
  { page: '#f9f6f0', soft: '#ffffff', deep: '#3a2418', accent: '#c7651a', ink: '#2c211a', quiet: '#6b5d52' },
]

/** Draws the parts of one band and remembers what they are. */
export class Pen {
  body = ''
  parts: ScenePart[] = []
  constructor(
    readonly r: Random,
    readonly ground: string,
    readonly id: string,
  ) {}

  /** Words from a top; gives back where they end. */
  words(x: number, y: number, w: number, text: string, t: Type, ground = this.ground): number {
    const lines = wrap(text, w, t)
    const widths = lines.map((l) => widthOf(l, t.size, t.bold, t.font))
    const from = (i: number) =>
      t.align === 'left' ? x : t.align === 'center' ? x + (w - widths[i]!) / 2 : x + w - widths[i]!
    lines.forEach((l, i) => {
      this.body += `<text x="${from(i).toFixed(2)}" y="${(y + i * t.line + t.line / 2 + t.size * 0.35).toFixed(2)}" font-family="${t.font}" font-size="${t.size}" font-weight="${t.bold ? 700 : 400}" fill="${t.color}">${l}</text>`
    })
    const left = Math.min(...lines.map((_, i) => from(i)))
    this.parts.push({
      kind: 'words',
      x: left,
      y: y + t.line / 2 - t.size * 0.4,
      w: Math.max(...lines.map((_, i) => from(i) + widths[i]!)) - left,
      h: (lines.length - 1) * t.line + t.size * 0.95,
      ground,
      words: { lines, ...t },
    })
    return y + lines.length * t.line
  }

  button(
    x: number,
    y: number,
    label: string,
    o: {
      background: string
      color: string
      size: number
      h: number
      radius: number
      font: string
      w?: number
      line?: string
    },
    ground = this.ground,
  ): number {
    const w = o.w ?? Math.round(widthOf(label, o.size, true, o.font) + 56)
    this.body += `<rect x="${x}" y="${y}" width="${w}" height="${o.h}" rx="${o.radius}" fill="${o.background}"/><text x="${x + w / 2}" y="${y + o.h / 2 + o.size * 0.35}" text-anchor="middle" font-family="${o.font}" font-size="${o.size}" font-weight="700" fill="${o.color}">${label}</text>`
    this.parts.push({
      kind: 'button',
      x,
      y,
      w,
      h: o.h,
      ground,
      button: { label, background: o.background, color: o.color, radius: o.radius },
    })
    return y + o.h
  }

  rule(x: number, y: number, w: number, color: string, h = 1): number {
    this.body += `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${color}"/>`
    this.parts.push({ kind: 'rule', x, y, w, h, ground: this.ground })
    return y + h
  }

  /** Something like a photograph: slopes of light, blobs and grain. */
  photo(x: number, y: number, w: number, h: number, ground = this.ground): number {
    const { r } = this
    const id = `${this.id}p${this.parts.length}`
    let blobs = ''
    for (let i = 0; i < 26; i++)
      blobs += `<circle cx="${(x + r() * w).toFixed(1)}" cy="${(y + r() * h).toFixed(1)}" r="${(8 + r() * h * 0.28).toFixed(1)}" fill="hsl(${Math.floor(r() * 360)},${20 + Math.floor(r() * 40)}%,${20 + Math.floor(r() * 45)}%)" opacity="${(0.2 + r() * 0.4).toFixed(2)}"/>`
    this.body += `<defs><linearGradient id="g${id}" x1="0" y1="0" x2="0.6" y2="1"><stop offset="0" stop-color="hsl(${Math.floor(r() * 360)},30%,${30 + Math.floor(r() * 30)}%)"/><stop offset="1" stop-color="hsl(${Math.floor(r() * 360)},35%,${20 + Math.floor(r() * 30)}%)"/></linearGradient><clipPath id="c${id}"><rect x="${x}" y="${y}" width="${w}" height="${h}"/></clipPath><filter id="n${id}" x="0" y="0" width="1" height="1"><feTurbulence baseFrequency="0.6" numOctaves="2" seed="${Math.floor(r() * 999)}"/><feColorMatrix values="0 0 0 0 0.5  0 0 0 0 0.5  0 0 0 0 0.5  0.2 0 0 0 0"/></filter></defs><g clip-path="url(#c${id})"><rect x="${x}" y="${y}" width="${w}" height="${h}" fill="url(#g${id})"/>${blobs}<rect x="${x}" y="${y}" width="${w}" height="${h}" filter="url(#n${id})"/></g>`
    this.parts.push({ kind: 'picture', x, y, w, h, ground })
    return y + h
  }

  /** A flat drawing: a hill, a moon and a tower. */
  drawing(x: number, y: number, w: number, h: number, colors: string[]): number {
    this.body += `<circle cx="${x + w * 0.7}" cy="${y + h * 0.28}" r="${h * 0.28}" fill="${colors[0]}"/><path d="M${x},${y + h} Q${x + w * 0.3},${y + h * 0.3} ${x + w * 0.6},${y + h * 0.7} T${x + w},${y + h * 0.6} V${y + h} Z" fill="${colors[1]}"/><path d="M${x + w * 0.2},${y + h * 0.62} v-${h * 0.5} h${w * 0.08} v${h * 0.5} Z" fill="${colors[2]}"/>`
    this.parts.push({ kind: 'picture', x, y: y, w, h, ground: this.ground })
    return y + h
  }

  icons(x: number, y: number, n: number, size: number, gap: number, color: string): number {
    for (let i = 0; i < n; i++) {
      const cx = x + i * (size + gap) + size / 2,
        cy = y + size / 2
      this.body +=
        `<circle cx="${cx}" cy="${cy}" r="${size / 2}" fill="${color}"/>` +
        [
          `<path d="M${cx - size * 0.2},${cy + size * 0.2} L${cx},${cy - size * 0.25} L${cx + size * 0.2},${cy + size * 0.2} Z" fill="#ffffff"/>`,
          `<rect x="${cx - size * 0.2}" y="${cy - size * 0.2}" width="${size * 0.4}" height="${size * 0.4}" fill="#ffffff"/>`,
          `<circle cx="${cx}" cy="${cy}" r="${size * 0.2}" fill="#ffffff"/>`,
        ][i % 3]!
    }
    this.parts.push({ kind: 'icons', x, y, w: n * size + (n - 1) * gap, h: size, ground: this.ground })
    return y + size
  }

  panel(x: number, y: number, w: number, h: number, color: string, radius: number, line?: string): void {
    this.body = `${this.body}<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="${radius}" fill="${color}"${line ? ` stroke="${line}"` : ''}/>`
  }
}

type Section = (
  r: Random,
  c: (typeof palettes)[number],
  font: string,
  id: string,
) => { pen: Pen; h: number; columns: number }

const W = 600
export const body = (c: { ink: string }, font: string, size: number, more: Partial<Type> = {}): Type => ({
  size,
  line: Math.round(size * 1.5),
  color: c.ink,
  bold: false,
  align: 'left',
  font,
  ...more,
})
export const head = (c: { ink: string }, font: string, size: number, more: Partial<Type> = {}): Type => ({
  size,
  line: Math.round(size * 1.22),
  color: c.ink,
  bold: true,
  align: 'left',
  font,
  ...more,
})

const sections: Record<string, Section> = {
  header: (r, c, font, id) => {
    const pen = new Pen(r, c.soft, id)
    const h = between(r, 64, 96)
    pen.words(32, h / 2 - 16, 240, pick(r, ['Orrery Point', 'Halden Rail', 'Fennmoor']), head(c, font, 24))
    pen.words(
      330,
      h / 2 - 11,
      238,
      pick(r, ['Nights   Map   Shop', 'Lines   Fares', 'Seeds   Beds   Letters']).replace(
        / {3}/g,
        '\u2003\u2003',
      ),
      body(c, font, 14, { line: 22, align: 'right', color: c.quiet }),
    )
    return { pen, h, columns: 2 }
  },
  hero: (r, c, font, id) => {
    const pen = new Pen(r, c.deep, id)
    const align = pick(r, ['left', 'center'] as const),
      pad = between(r, 40, 72)
    let y = pen.words(
      48,
      pad,
      504,
      pick(r, titles),
      head({ ink: '#ffffff' }, font, between(r, 36, 46), { align }),
    )
    y = pen.words(
      48,
      y + between(r, 12, 20),
      504,
      `${pick(r, sentences)} ${pick(r, sentences)}`,
      body({ ink: '#dfe5ee' }, font, 17, { align }),
    )
    y += between(r, 20, 28)
    const label = pick(r, labels),
      w = Math.round(widthOf(label, 16, true, font) + 56)
    y = pen.button(align === 'center' ? Math.round((W - w) / 2) : 48, y, label, {
      background: c.accent,
      color: '#ffffff',
      size: 16,
      h: between(r, 44, 52),
      radius: pick(r, [0, 4, 8, 24]),
      font,
      w,
    })
    return { pen, h: y + pad, columns: 1 }
  },
  photo: (r, c, _font, id) => {
    const pen = new Pen(r, c.page, id)
    const h = between(r, 240, 380)
    pen.photo(0, 0, W, h)
    return { pen, h, columns: 1 }
  },
  letter: (r, c, font, id) => {
    const pen = new Pen(r, c.page, id)
    const pad = between(r, 40, 56),
      size = between(r, 15, 18)
    let y = pen.words(48, pad, 504, pick(r, titles), head(c, font, between(r, 24, 32)))
    y = pen.words(48, y + 14, 504, [0, 1, 2, 3].map(() => pick(r, sentences)).join(' '), body(c, font, size))
    if (r() < 0.6)
      y = pen.button(48, y + between(r, 18, 26), pick(r, labels), {
        background: c.accent,
        color: '#ffffff',
        size: 15,
        h: 44,
        radius: pick(r, [0, 4, 22]),
        font,
      })
    return { pen, h: y + pad, columns: 1 }
  },
  pair: (r, c, font, id) => {
    const pen = new Pen(r, pick(r, [c.page, c.soft]), id)
    const pad = between(r, 36, 52),
      flip = r() < 0.5,
      pw = between(r, 220, 250),
      ph = between(r, 200, 260)
    pen.photo(flip ? W - 40 - pw : 40, pad, pw, ph)
    const x = flip ? 40 : 40 + pw + 28,
      w = W - 80 - pw - 28
    let y = pen.words(x, pad + 6, w, pick(r, titles), head(c, font, 23))
    y = pen.words(x, y + 10, w, pick(r, sentences), body(c, font, 15))
    y = pen.button(x, y + 16, pick(r, labels), {
      background: c.deep,
      color: '#ffffff',
      size: 14,
      h: 40,
      radius: 4,
      font,
    })
    return { pen, h: Math.max(pad + ph, y) + pad, columns: 2 }
  },
  grid: (r, c, font, id) => {
    const pen = new Pen(r, c.page, id)
    const n = pick(r, [2, 3]),
      gap = between(r, 16, 24),
      pad = 44
    const w = Math.floor((W - 80 - gap * (n - 1)) / n)
    let bottom = 0
    for (let i = 0; i < n; i++) {
      const x = 40 + i * (w + gap)
      let y = pen.photo(x, pad, w, Math.round(w * 0.8))
      y = pen.words(x, y + 12, w, names[(i + Math.floor(r() * 3)) % names.length]!, head(c, font, 17))
      y = pen.words(
        x,
        y + 4,
        w,
        pick(r, sentences).split(' ').slice(0, 7).join(' '),
        body(c, font, 14, { color: c.quiet }),
      )
      bottom = Math.max(bottom, y)
    }
    return { pen, h: bottom + pad, columns: n }
  },
  card: (r, c, font, id) => {
    const pen = new Pen(r, c.soft, id)
    const inner =
      c.page === '#ffffff' || c.soft === '#ffffff'
        ? c.soft === '#ffffff'
          ? '#efe7da'
          : '#ffffff'
        : '#ffffff'
    const text = pick(r, sentences),
      t = body(c, font, 16, { align: 'center' }),
      title = pick(r, titles),
      th = head(c, font, 24, { align: 'center' })
    const h =
      36 +
      wrap(title, 420, th).length * th.line +
      10 +
      wrap(`${text} ${sentences[3]}`, 420, t).length * t.line +
      20 +
      44 +
      36
    pen.panel(50, 44, 500, h, inner, pick(r, [0, 8, 16]))
    let y = pen.words(90, 44 + 36, 420, title, th, inner)
    y = pen.words(90, y + 10, 420, `${text} ${sentences[3]}`, t, inner)
    const label = pick(r, labels),
      w = Math.round(widthOf(label, 15, true, font) + 56)
    pen.button(
      Math.round(300 - w / 2),
      y + 20,
      label,
      { background: c.accent, color: '#ffffff', size: 15, h: 44, radius: 6, font, w },
      inner,
    )
    return { pen, h: h + 88, columns: 1 }
  },
  columns: (r, c, font, id) => {
    const pen = new Pen(r, c.soft, id)
    const pad = 44
    let bottom = 0
    for (const x of [40, 316]) {
      let y = pen.words(x, pad, 244, pick(r, titles), head(c, font, 20))
      y = pen.words(x, y + 8, 244, pick(r, sentences), body(c, font, 15))
      bottom = Math.max(bottom, y)
    }
    return { pen, h: bottom + pad, columns: 2 }
  },
  scene: (r, c, font, id) => {
    const pen = new Pen(r, c.page, id)
    const pad = 44
    let y = pen.drawing(150, pad, 300, between(r, 140, 190), [c.accent, c.deep, c.quiet])
    y = pen.words(60, y + 22, 480, pick(r, titles), head(c, font, 26, { align: 'center' }))
    y = pen.words(60, y + 8, 480, pick(r, sentences), body(c, font, 16, { align: 'center' }))
    return { pen, h: y + pad, columns: 1 }
  },
  notes: (r, c, font, id) => {
    const pen = new Pen(r, c.page, id)
    let y = 44
    for (let i = 0; i < 2; i++) {
      if (i) y = pen.rule(48, y + 22, 504, '#d6cfc2', 1) + 22
      y = pen.words(48, y, 504, pick(r, sentences), body(c, font, 16))
    }
    return { pen, h: y + 44, columns: 1 }
  },
  footer: (r, c, font, id) => {
    const pen = new Pen(r, c.deep, id)
    const n = between(r, 3, 5),
      size = 28,
      gap = between(r, 14, 22)
    let y = pen.icons(Math.round((W - n * size - (n - 1) * gap) / 2), 36, n, size, gap, c.accent)
    y = pen.words(
      60,
      y + 20,
      480,
      'You receive this letter because you asked for it. Leave the list at any time.',
      body({ ink: '#c9d0d8' }, font, 13, { align: 'center', line: 20 }),
    )
    return { pen, h: y + 36, columns: 1 }
  },
}

const fonts = [
  'Arimo, Arial, Helvetica, sans-serif',
  'Tinos, Times New Roman, serif',
  'DejaVu Sans, Verdana, sans-serif',
]

/**
 * The one face that all designs are drawn in, instead of those they were tuned in (`MOSAICUS_FACE`): the build knows none of them by name, so what it makes must
 * not depend on it. bin/test --long draws all in another; what does not come out right yet is named in `otherFaces`.
 */
export const FACE: string | undefined = process.env.MOSAICUS_FACE || undefined

/** Designs that do not come out right in another face yet: what the work on designs of any designer has to bring right. */
export const wrongIn = (face: string | undefined): ReadonlySet<string> =>
  new Set(
    face === 'Fira Sans'
      ? ['schedule', 'receipt', 'long letter', 'bulletin', 'members', 'supper', 'guests', 'berths', 'paired']
      : [],
  )

/** The design of a seed. @param face instead of its own */
export function sceneOf(seed: number, face = FACE): Scene {
  const r = random(seed * 7919)
  const c = palettes[seed % palettes.length]!,
    font = face ?? fonts[seed % 5 === 3 ? 1 : seed % 7 === 5 ? 2 : 0]!
  const middle = ['photo', 'letter', 'pair', 'grid', 'card', 'columns', 'scene', 'notes', 'letter', 'pair']
  const order = ['header', 'hero']
  while (order.length < between(r, 6, 8)) {
    const next = pick(r, middle)
    if (next !== order.at(-1)) order.push(next)
  }
  order.push('footer')
  let y = 0,
    all = ''
  const bands: SceneBand[] = []
  for (const [i, name] of order.entries()) {
    const { pen, h, columns } = sections[name]!(r, c, font, `s${i}`)
    all += `<g transform="translate(0 ${y})"><rect width="${W}" height="${h}" fill="${pen.ground}"/>${pen.body}</g>`
    const parts = pen.parts.map((p) => ({ ...p, y: p.y + y }))
    bands.push({ y, h, ground: pen.ground, columns, parts })
    y += h
  }
  return {
    name: face ? `scene ${seed}, ${face}` : `scene ${seed}`,
    seed,
    width: W,
    height: y,
    bands,
    svg: (scale) =>
      `<svg xmlns="http://www.w3.org/2000/svg" width="${W * scale}" height="${y * scale}" viewBox="0 0 ${W} ${y}"><rect width="100%" height="100%" fill="${c.page}"/>${all}</svg>`,
  }
}

const drawn = new Map<string, Promise<Buffer>>()
/** A scene as PNG. */
export function scenePng(scene: Scene, scale: number): Promise<Buffer> {
  const key = `${scene.name}@${scale}`
  if (!drawn.has(key))
    drawn.set(
      key,
      sharp(Buffer.from(scene.svg(scale)))
        .flatten({ background: '#ffffff' })
        .png({ compressionLevel: 1 })
        .toBuffer(),
    )
  return drawn.get(key)!
}

/** A scene's pixels; through a lossy format first where a quality is given. */
export async function sceneRaster(
  scene: Scene,
  scale: number,
  quality?: number,
  format: 'jpeg' | 'webp' | 'avif' = 'jpeg',
): Promise<Raster> {
  let image = sharp(await scenePng(scene, scale))
  if (quality) image = sharp(await image.toFormat(format, { quality, effort: 2 }).toBuffer())
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data }
}
