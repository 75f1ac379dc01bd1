import { difference, packed, type Raster, type Rect } from './raster'
import { PLAIN } from './rows'

/** Places where content begins or ends inside an area, design px: the clean edges that a cut may snap to. */
export interface ContentEdges {
  x: number[]
  y: number[]
}

/** Least run of flat columns or rows that counts as an edge, px: less is the space between letters. */
const CLEAR = 12

/**
 * Finds where an area's rows and columns turn from flat to content and back. A column is flat where it never
 * changes downwards; a row where it never changes along.
 * @param clear least run of flat columns or rows that counts, px
 */
export function contentEdges(raster: Raster, rect: Rect, clear = CLEAR): ContentEdges {
  const px = packed(raster)
  const right = Math.min(rect.x + rect.w, raster.width),
    bottom = Math.min(rect.y + rect.h, raster.height)
  const flatColumn = new Uint8Array(right - rect.x).fill(1),
    flatRow = new Uint8Array(bottom - rect.y).fill(1)
  for (let y = rect.y; y < bottom; y++) {
    const row = y * raster.width
    for (let x = rect.x; x < right; x++) {
      const p = px[row + x]!
      if (flatColumn[x - rect.x] && y > rect.y && difference(p, px[rect.y * raster.width + x]!) > PLAIN)
        flatColumn[x - rect.x] = 0
      if (flatRow[y - rect.y] && x > rect.x && difference(p, px[row + rect.x]!) > PLAIN)
        flatRow[y - rect.y] = 0
    }
  }
  return { x: turns(flatColumn, rect.x, clear), y: turns(flatRow, rect.y, clear) }
}

/** Borders of the flat runs that are long enough, within the area. */
function turns(flat: Uint8Array, from: number, clear: number): number[] {
  const out: number[] = []
  for (let i = 0; i < flat.length;) {
    let end = i
    while (end < flat.length && flat[end] === flat[i]) end++
    if (flat[i] && end - i >= clear) {
      if (i > 0) out.push(from + i)
      if (end < flat.length) out.push(from + end)
    }
    i = end
  }
  return out
}
