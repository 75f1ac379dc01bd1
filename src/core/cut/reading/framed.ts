import type { BoxLook } from '../plan'
import { difference, hexOf, packed, packHex, type Raster, type Rect } from '../raster'

/** What a button with an edge measures, px of the email. */
const SIZE = { w: [44, 420], h: [20, 80] } as const
/** A line that stands in the middle is off it by no more than this, of what holds it. */
const MIDDLE = { x: 0.16, y: 0.2 }
/** The edge differs from the ground at least by this in a channel, 0 to 255. */
const EDGE = 20
/** And is drawn along so much of each side, without its corners. */
const DRAWN = 0.85
/** Widest edge, px of the email. */
const WIDEST = 4

/**
 * The edge that is drawn around a single line, as an outlined button has it; null where there is none. @param rect what was seen, from edge to edge @param line its words
 */
export function framedIn(
  raster: Raster,
  rect: Rect,
  line: Rect,
  ground: string,
  scale: number,
): BoxLook | null {
  const [w, h] = [rect.w / scale, rect.h / scale]
  if (w < SIZE.w[0] || w > SIZE.w[1] || h < SIZE.h[0] || h > SIZE.h[1]) return null
  const off = (from: number, size: number, at: number, of: number) =>
    Math.abs(at + of / 2 - from - size / 2) / size
  if (off(rect.x, rect.w, line.x, line.w) > MIDDLE.x || off(rect.y, rect.h, line.y, line.h) > MIDDLE.y)
    return null
  const px = packed(raster)
  const behind = packHex(ground)
  const at = (x: number, y: number) => px[y * raster.width + x]!
  const inked = (x: number, y: number) => difference(at(x, y), behind) > EDGE
  // Corners may be as round as half its height.
  const [from, to] = [rect.x + Math.ceil(rect.h / 2), rect.x + rect.w - Math.ceil(rect.h / 2)]
  const along = (y: number) => {
    let n = 0
    for (let x = from; x < to; x++) if (inked(x, y)) n++
    return n / Math.max(1, to - from)
  }
  const [top, bottom] = [0, 1, 2]
    .map((k) => [along(rect.y + k), along(rect.y + rect.h - 1 - k)] as const)
    .reduce(([a, b], [c, d]) => [Math.max(a, c), Math.max(b, d)] as const, [0, 0] as const)
  if (top < DRAWN || bottom < DRAWN) return null
  const middle = rect.x + (rect.w >> 1)
  // From the outermost row on: as many as are inked, and of them the colour that stands off most.
  let [width, colour] = [0, behind]
  for (let y = rect.y; y < rect.y + 2 * WIDEST * scale && (inked(middle, y) || !width); y++) {
    if (!inked(middle, y)) continue
    width++
    if (difference(at(middle, y), behind) > difference(colour, behind)) colour = at(middle, y)
  }
  if (width > WIDEST * scale) return null
  return {
    background: ground,
    radius: Math.min(200, Math.round(radiusOf(rect, inked) / scale)),
    borderWidth: Math.max(1, Math.round(width / scale)),
    borderColor: hexOf(colour),
  }
}

/** How round its corners are, px of the design: the first row of an edge begins where its corner ends. */
function radiusOf(rect: Rect, inked: (x: number, y: number) => boolean): number {
  const most = Math.floor(Math.min(rect.w, rect.h) / 2)
  let begins = 0
  const row = [0, 1, 2].map((k) => rect.y + k).find((y) => inked(rect.x + (rect.w >> 1), y)) ?? rect.y
  while (begins < most && !inked(rect.x + begins, row)) begins++
  return begins >= 0.8 * most ? most : begins
}
