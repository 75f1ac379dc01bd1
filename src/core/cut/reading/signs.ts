import { plainOf, textOf } from '../../email/richtext'
import { middle } from '../ink'
import type { Cut } from '../plan'
import { difference, hexOf, packed, packHex, type Raster, type Rect } from '../raster'

/** Signs as tables have them: what a row has, and what it lacks. */
export type Sign = '✓' | '✕'

/** A sign is no larger than this, and no smaller, px of the email. */
const MOST = 28
const LEAST = 6
/** What stands off its ground by more than this, 0 to 255, is its ink. */
const OFF = 60
/** Signs are compared by what of each part of so many each way is ink. */
const GRID = 12
/** A shape that covers more of its box may be a plate with the sign on it. */
const PLATE = 0.5
/** From this likeness on (the correlation of what is inked) a shape is a sign. */
const LIKE = 0.62
/** What a sign is easily read as. */
const MISREAD = /^[vVyYJxX×✓✔✕✗✘√/\\]{1,2}$/u

type Point = readonly [number, number]
/** Strokes from end to end, in parts of the box: ticks with their corner a little further left or right, crosses that stand upright or lean. */
const shapes: readonly { sign: Sign; strokes: readonly (readonly [Point, Point])[] }[] = [
  ...[0.3, 0.38, 0.45].map((corner) => ({
    sign: '✓' as const,
    strokes: [
      [
        [0.04, 0.55],
        [corner, 0.92],
      ],
      [
        [corner, 0.92],
        [0.96, 0.08],
      ],
    ] as const,
  })),
  {
    sign: '✓',
    strokes: [
      [
        [0.12, 0.5],
        [0.22, 0.85],
      ],
      [
        [0.22, 0.85],
        [0.85, 0.05],
      ],
    ],
  },
  {
    sign: '✕',
    strokes: [
      [
        [0.05, 0.05],
        [0.95, 0.95],
      ],
      [
        [0.05, 0.95],
        [0.95, 0.05],
      ],
    ],
  },
  {
    sign: '✕',
    strokes: [
      [
        [0.25, 0.05],
        [0.75, 0.78],
      ],
      [
        [0.08, 0.92],
        [0.88, 0.04],
      ],
    ],
  },
]
const WIDTHS = [0.14, 0.22, 0.32, 0.42]

function distanceTo([x, y]: Point, [[x0, y0], [x1, y1]]: readonly [Point, Point]): number {
  const [dx, dy] = [x1 - x0, y1 - y0]
  const t = Math.max(0, Math.min(1, ((x - x0) * dx + (y - y0) * dy) / (dx * dx + dy * dy)))
  return Math.hypot(x - x0 - t * dx, y - y0 - t * dy)
}

const templates = shapes.flatMap(({ sign, strokes }) =>
  WIDTHS.map((width) => ({
    sign,
    grid: Array.from({ length: GRID * GRID }, (_, i): number => {
      const at: Point = [((i % GRID) + 0.5) / GRID, (Math.floor(i / GRID) + 0.5) / GRID]
      const near = Math.min(...strokes.map((s) => distanceTo(at, s)))
      return Math.max(0, Math.min(1, (width / 2 - near) * GRID + 0.5))
    }),
  })),
)

/** The correlation of two lists (Pearson). */
function correlation(a: readonly number[], b: readonly number[]): number {
  const mean = (v: readonly number[]) => v.reduce((s, x) => s + x, 0) / v.length
  const [ma, mb] = [mean(a), mean(b)]
  let [ab, aa, bb] = [0, 0, 0]
  a.forEach((x, i) => {
    ab += (x - ma) * (b[i]! - mb)
    aa += (x - ma) ** 2
    bb += (b[i]! - mb) ** 2
  })
  return aa && bb ? ab / Math.sqrt(aa * bb) : 0
}

/** What stands off a ground: its box, what of each part of it is inked, and of all of it. */
interface Shape {
  box: Rect
  grid: number[]
  share: number
}

function shapeOff(raster: Raster, rect: Rect, ground: number): Shape | null {
  const px = packed(raster)
  const inked = (x: number, y: number) => difference(px[y * raster.width + x]!, ground) > OFF
  let [left, right, top, bottom] = [Infinity, -1, Infinity, -1]
  for (let y = rect.y; y < rect.y + rect.h; y++)
    for (let x = rect.x; x < rect.x + rect.w; x++)
      if (inked(x, y)) {
        left = Math.min(left, x)
        right = Math.max(right, x)
        top = Math.min(top, y)
        bottom = Math.max(bottom, y)
      }
  if (right < 0) return null
  const box = { x: left, y: top, w: right - left + 1, h: bottom - top + 1 }
  const sums = new Array<number>(GRID * GRID).fill(0)
  const counts = new Array<number>(GRID * GRID).fill(0)
  let all = 0
  for (let y = 0; y < box.h; y++)
    for (let x = 0; x < box.w; x++) {
      const i = Math.floor((y * GRID) / box.h) * GRID + Math.floor((x * GRID) / box.w)
      counts[i]!++
      if (inked(box.x + x, box.y + y)) {
        sums[i]!++
        all++
      }
    }
  return { box, grid: sums.map((s, i) => (counts[i] ? s / counts[i] : 0)), share: all / (box.w * box.h) }
}

interface Found {
  sign: Sign
  box: Rect
  color: string
}

/** The sign that stands in a place, alone or on a plate, with its colour; null where none is told. */
export function signIn(raster: Raster, rect: Rect, ground: string): Found | null {
  const behind = packHex(ground)
  const seen = shapeOff(raster, rect, behind)
  if (!seen) return null
  const alone = signOf(raster, seen, behind)
  if (alone || seen.share < PLATE) return alone
  const plate = plateOf(raster, seen.box, behind)
  const { x, y, w, h } = seen.box
  // Round corners of the plate are none of the sign.
  const inset = Math.floor(0.16 * Math.min(w, h))
  const on = shapeOff(raster, { x: x + inset, y: y + inset, w: w - 2 * inset, h: h - 2 * inset }, plate)
  return on && signOf(raster, on, plate)
}

function signOf(raster: Raster, { box, grid }: Shape, ground: number): Found | null {
  if (Math.max(box.w, box.h) > 2 * Math.min(box.w, box.h)) return null
  const best = templates
    .map(({ sign, grid: other }) => ({ sign, like: correlation(grid, other) }))
    .reduce((a, b) => (b.like > a.like ? b : a))
  return best.like >= LIKE ? { sign: best.sign, box, color: inkIn(raster, box, ground) } : null
}

/** The colour that most of what stands off a ground has. */
function plateOf(raster: Raster, { x, y, w, h }: Rect, ground: number): number {
  const px = packed(raster)
  const counts = new Map<number, { color: number; n: number }>()
  for (let row = y; row < y + h; row++)
    for (let column = x; column < x + w; column++) {
      const color = px[row * raster.width + column]!
      if (difference(color, ground) <= OFF) continue
      // Colours of a JPEG are the same but for their last bits.
      const key = color & 0xf8f8f8
      const found = counts.get(key)
      if (found) found.n++
      else counts.set(key, { color, n: 1 })
    }
  return [...counts.values()].reduce((a, b) => (b.n > a.n ? b : a)).color
}

/** The colour furthest from the ground, as the cores of strokes have it. */
function inkIn(raster: Raster, { x, y, w, h }: Rect, ground: number): string {
  const px = packed(raster)
  let best = px[y * raster.width + x]!
  for (let row = y; row < y + h; row++)
    for (let column = x; column < x + w; column++) {
      const p = px[row * raster.width + column]!
      if (difference(p, ground) > difference(best, ground)) best = p
    }
  return hexOf(best)
}

/** A sign fills this part of its letters' size (usual proportions of text faces; common practice, no source). */
const FILLS = 0.72

/**
 * Ticks and crosses in the columns of a table as the signs they are: small pictures, or what was read as a letter, of which at least two stand beneath each other, each on a row with words. They
 * say what they say, and a table of them is one. @param scale design px for each px of the email
 */
export function withSigns(cuts: readonly Cut[], raster: Raster, scale: number): Cut[] {
  const small = cuts.flatMap((cut) => {
    const size = Math.max(cut.w, cut.h)
    const lone =
      cut.kind === 'picture' ||
      (cut.kind === 'words' && (!cut.words || MISREAD.test(plainOf(cut.words).trim())))
    if (
      !lone ||
      !cut.ground ||
      size < LEAST * scale ||
      Math.min(cut.w, cut.h) > MOST * scale ||
      cut.h > MOST * scale
    )
      return []
    const found = signIn(raster, cut, cut.ground)
    return found && Math.max(found.box.w, found.box.h) <= MOST * scale ? [{ cut, ...found }] : []
  })
  const centre = (r: Rect) => r.x + r.w / 2
  const level = (a: Rect, b: Rect) =>
    Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y) > 0.5 * Math.min(a.h, b.h)
  const inTable = small.filter(
    (s) =>
      small.filter((o) => Math.abs(centre(o.box) - centre(s.box)) <= 4 * scale).length >= 2 &&
      cuts.some((c) => c.kind === 'words' && !small.some((o) => o.cut === c) && level(c, s.cut)),
  )
  if (!inTable.length) return [...cuts]
  const size = Math.round(middle(inTable.map((s) => Math.max(s.box.h, s.box.w) / FILLS)) / scale)
  const signs = new Map(inTable.map((s) => [s.cut.id, s]))
  return cuts.map((cut): Cut => {
    const found = signs.get(cut.id)
    if (!found) return cut
    const { sign, color } = found
    return {
      ...cut,
      kind: 'words',
      alt: null,
      words: textOf(sign),
      seen: { part: 'words', sure: 0.8 },
      lettering: { size: Math.max(8, Math.min(32, size)), color, bold: false },
    }
  })
}
