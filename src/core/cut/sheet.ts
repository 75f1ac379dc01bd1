import { difference, hexOf, packed, type Raster } from './raster'

/** A sheet on a page of another colour: where it stands, design px, and the colour of the page beside it. */
export interface Sheet {
  x: number
  w: number
  page: string
}

/** What the page leaves beside a sheet: at least so much, px of the email, and at most this share of the design's width. */
const LEAST = 6
const MOST = 0.25
/** Both sides are alike within this, px of the email. */
const EVEN = 3
/** So much of a margin is of the page's colour: a line or a strip may run over it. */
const PLAIN = 0.97
/** And along so much of its height the sheet is told from the page, this far inside its edge, px of the email: an edge alone makes no sheet. */
const TOLD = 0.75
const INSIDE = 3
/** In a design without noise a sheet is told from its page by colours that hardly differ, channel difference. */
const HARDLY = 2
const NOISY = 10
/** Where the page runs across for so much between the first and the last of a sheet, px of the email, there are boxes on it and no sheet. */
const ACROSS = 12

/**
 * The sheet that a design's content stands on, where a page shows at both of its sides from top to bottom, as most designs have it whose email is a card. Null where bands reach
 * from edge to edge.
 * @param scale design px for each px of the email @param noise channel difference that is still one colour
 */
export function sheetOf(raster: Raster, scale: number, noise: number): Sheet | null {
  const { width, height } = raster
  const px = packed(raster)
  const page = px[(height >> 1) * width]!
  const step = Math.max(1, Math.floor(height / 600))
  /** The share of a column that is of the page's colour. */
  const plain = (x: number): number => {
    let same = 0,
      seen = 0
    for (let y = 0; y < height; y += step, seen++) if (difference(px[y * width + x]!, page) <= noise) same++
    return same / seen
  }
  const most = Math.floor(MOST * width)
  let left = 0,
    right = width
  while (left < most && plain(left) >= PLAIN) left++
  while (right > width - most && plain(right - 1) >= PLAIN) right--
  const margins = [left, width - right]
  if (Math.min(...margins) < LEAST * scale || Math.max(...margins) >= most) return null
  if (Math.abs(margins[0]! - margins[1]!) > EVEN * scale) return null
  // Columns of words begin anywhere; the edge of a sheet is one line.
  const inside = Math.round(INSIDE * scale)
  const least = noise > NOISY ? noise : HARDLY
  const other = (x: number, y: number) => difference(px[y * width + x]!, page) > least
  const edges = [left + inside, right - 1 - inside]
  const rows = Array.from({ length: height }, (_, y) => y)
  const told = rows.filter((y) => edges.every((x) => other(x, y)))
  if (told.length < TOLD * height) return null
  let across = 0
  for (let y = told[0]!; y < told.at(-1)!; y++) {
    let x = left
    while (x < right && !other(x, y)) x += 2
    across = x < right ? 0 : across + 1
    if (across >= ACROSS * scale) return null
  }
  return { x: left, w: right - left, page: hexOf(page) }
}

/** A stretch of columns of a design as a design of its own. */
export function columnsOnly({ width, height, data }: Raster, x: number, w: number): Raster {
  const out = new Uint8ClampedArray(w * height * 4)
  for (let y = 0; y < height; y++)
    out.set(data.subarray((y * width + x) * 4, (y * width + x + w) * 4), y * w * 4)
  return { width: w, height, data: out }
}
