import type { ReadLine } from './lines'
import { around, differs, packed, type Raster, type Rect } from '../raster'

/** Ink differs from its ground by more than this in a channel, 0 to 255. */
const INK = 32
/** Around a line there may be ink of its own for so much of its letters' size. */
const AROUND = 0.3

/** Where the ink of lines may lie. */
export const boxesOf = (lines: readonly ReadLine[]): Rect[] =>
  lines.map((l) => {
    const by = AROUND * l.size
    return { x: l.x - by, y: l.y - by, w: l.w + 2 * by, h: l.h + 2 * by }
  })

/** Calls for each pixel of a place that is no ground. @param see told whether nothing explains it @param ground packed */
function eachInk(
  raster: Raster,
  place: Rect,
  explained: readonly Rect[],
  ground: number,
  see: (x: number, y: number, left: boolean) => void,
): void {
  const px = packed(raster)
  for (let y = place.y; y < Math.min(raster.height, place.y + place.h); y++) {
    const here = explained.filter((b) => y >= b.y && y < b.y + b.h)
    for (let x = place.x; x < Math.min(raster.width, place.x + place.w); x++)
      if (differs(px[y * raster.width + x]!, ground, INK))
        see(x, y, !here.some((b) => x >= b.x && x < b.x + b.w))
  }
}

/** The share of the ink of a place that no line explains, 0 to 1. @param ground packed */
export function shareLeft(raster: Raster, place: Rect, lines: readonly ReadLine[], ground: number): number {
  let [all, rest] = [0, 0]
  eachInk(raster, place, boxesOf(lines), ground, (_x, _y, left) => {
    all++
    if (left) rest++
  })
  return all ? rest / all : 0
}

/** The things in a place that are not explained: what is of ink and nearer to each other than some px. @param one design px */
export function thingsLeft(
  raster: Raster,
  cut: Rect,
  explained: readonly Rect[],
  ground: number,
  one: number,
): Rect[] {
  const across = Math.ceil(cut.w / one)
  const down = Math.ceil(cut.h / one)
  // Each square of a grid with the ink that lies in it.
  const squares: (Rect | undefined)[] = Array.from({ length: across * down })
  eachInk(raster, cut, explained, ground, (x, y, left) => {
    if (!left) return
    const k = Math.floor((y - cut.y) / one) * across + Math.floor((x - cut.x) / one)
    squares[k] = squares[k] ? around([squares[k], { x, y, w: 1, h: 1 }]) : { x, y, w: 1, h: 1 }
  })
  const things: Rect[] = []
  for (const [k, first] of squares.entries()) {
    if (!first) continue
    const group = [first]
    const todo = [k]
    squares[k] = undefined
    for (let at = todo.pop(); at !== undefined; at = todo.pop())
      for (const [dx, dy] of NEIGHBOURS) {
        const [x, y] = [(at % across) + dx, Math.floor(at / across) + dy]
        const next = y * across + x
        if (x < 0 || x >= across || y < 0 || y >= down || !squares[next]) continue
        group.push(squares[next])
        squares[next] = undefined
        todo.push(next)
      }
    things.push(around(group))
  }
  return things
}

const NEIGHBOURS = [-1, 0, 1].flatMap((dx) => [-1, 0, 1].map((dy) => [dx, dy] as const))
