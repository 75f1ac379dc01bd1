import type { NewId } from '../../email/defaults'
import type { ReadLine } from './lines'
import { around, overlap, type Raster, type Rect } from '../raster'
import { blocksOf, type TextBlock } from '../reflow'

/** A line belongs to what holds this share of it. */
export const INSIDE = 0.8

/** What the words of a design are read against. */
export interface WordedBy {
  lines: readonly ReadLine[]
  raster: Raster
  /** Design px for each px of the email. */
  scale: number
  id?: NewId
}

/** The share of a rectangle that lies in another, 0 to 1. */
export const share = (line: Rect, of: Rect): number => {
  const common = overlap(line, of)
  return common ? (common.w * common.h) / (line.w * line.h) : 0
}

/** The lines of each block, and the rectangle around their ink. */
export function linesOfBlocks(
  lines: readonly ReadLine[],
  width?: number,
): { block: TextBlock; lines: ReadLine[]; ink: Rect }[] {
  return blocksOf(lines, width).flatMap((block) => {
    const own = lines.filter(
      (l) => share({ ...l, y: l.base - 1, h: 1 }, { ...block, x: block.x - 1, w: block.w + 2 }) > INSIDE,
    )
    if (!own.length) return []
    return [{ block, lines: own, ink: inkAround(own) }]
  })
}

/** The rectangle around the ink of some lines, in whole px. */
export function inkAround(lines: readonly ReadLine[]): Rect {
  const { x, y, w, h } = around(lines)
  return { x: Math.floor(x), y: Math.floor(y), w: Math.ceil(w) + 1, h: Math.ceil(h) + 1 }
}
