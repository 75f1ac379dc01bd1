import { blended, BoxSides, hairline, looksFlat, ONE_COLOR, type Corners } from './box-sides'
import { radiusOf } from './radius'
import type { Bar } from './frames'
import { difference, hexOf, packed, packHex, type Raster, type Rect } from './raster'

/**
 * A filled rectangle, perhaps with round corners and a border, as a button or a card has it. In design px.
 */
export interface Box {
  color: string
  radius: number
  borderWidth?: number
  borderColor?: string
  /** Solid where it is left out. */ borderStyle?: 'dashed' | 'dotted'
  /** A strip along one side. */ bar?: Bar
}

/**
 * Reads a rectangle as a box: its sides are one colour along their whole length, save the corners. Null where
 * they are not. The box may lie a few pixels inside, where the ringing of JPEG or a soft shadow has widened
 * what differs from the ground.
 * @param ground the colour around it @param noise channel difference that is still one colour, 0 to 255
 * @param corners that its radius is read from
 */
export function boxOf(
  raster: Raster,
  rect: Rect,
  ground: string,
  noise: number,
  corners: Corners = 'all',
): { rect: Rect; box: Box } | null {
  for (const by of noise > 10 ? [0, 2, 4, 6] : [0, 2]) {
    const at = { x: rect.x + by, y: rect.y + by, w: rect.w - 2 * by, h: rect.h - 2 * by }
    const read = (r: Rect) =>
      r.w >= 8 && r.h >= 8 ? readBox(raster, r, packHex(ground), Math.max(14, noise), corners) : null
    const box = read(at)
    if (!box) continue
    const edge = packHex(box.borderColor ?? box.color)
    if (noise > 10) return { rect: by ? grown(raster, at, edge, by, noise + 14) : rect, box }
    const fit = grown(raster, snug(raster, at, edge), edge, by, 24)
    return { rect: fit, box: read(fit) ?? box }
  }
  return null
}

/**
 * A rectangle without the last rows and columns of a shadow: those of which nothing has the colour of the
 * box. The same one where there are none.
 */
function snug(raster: Raster, r: Rect, color: number): Rect {
  const px = packed(raster)
  const off = (x: number, y: number) => difference(px[y * raster.width + x]!, color) > 14
  const probes = [0.35, 0.5, 0.65]
  const depth = (outside: (k: number, p: number) => boolean) => {
    let n = 0
    while (n < 3 && probes.every((p) => outside(n, p))) n++
    return n
  }
  const top = depth((k, p) => off(r.x + Math.floor(p * r.w), r.y + k)),
    bottom = depth((k, p) => off(r.x + Math.floor(p * r.w), r.y + r.h - 1 - k))
  const left = depth((k, p) => off(r.x + k, r.y + Math.floor(p * r.h))),
    right = depth((k, p) => off(r.x + r.w - 1 - k, r.y + Math.floor(p * r.h)))
  return top + bottom + left + right
    ? { x: r.x + left, y: r.y + top, w: r.w - left - right, h: r.h - top - bottom }
    : r
}

/** Side by side, outwards again as far as the colour of the box goes. */
function grown(raster: Raster, r: Rect, color: number, most: number, noise: number): Rect {
  const px = packed(raster)
  const is = (x: number, y: number) =>
    x >= 0 &&
    y >= 0 &&
    x < raster.width &&
    y < raster.height &&
    difference(px[y * raster.width + x]!, color) <= noise
  const [cx, cy] = [r.x + (r.w >> 1), r.y + (r.h >> 1)]
  const reach = (dx: number, dy: number, x: number, y: number) => {
    let n = 0
    while (n < most && is(x + dx * (n + 1), y + dy * (n + 1))) n++
    return n
  }
  const [left, right, top, bottom] = [
    reach(-1, 0, r.x, cy),
    reach(1, 0, r.x + r.w - 1, cy),
    reach(0, -1, cx, r.y),
    reach(0, 1, cx, r.y + r.h - 1),
  ]
  return { x: r.x - left, y: r.y - top, w: r.w + left + right, h: r.h + top + bottom }
}

function readBox(raster: Raster, rect: Rect, g: number, near: number, corners: Corners): Box | null {
  const depth = Math.min(2, Math.floor(Math.min(rect.w, rect.h) / 4))
  if (!looksFlat(raster, rect, depth, near)) return null
  // On a clean design a box is flat to the last shade; a shadow around one is not.
  const flat = near > 14 ? near : 4
  const sides = new BoxSides(raster, rect, corners, flat)
  const outer = sides.ring(depth)
  if (outer.share < ONE_COLOR || sides.endsDiffer(depth, outer.color)) return null
  const line = hairline(sides, depth, g, outer.color, flat)
  if (line) {
    // The line tells where a corner is round: the box may be nearly of the colour around it.
    return {
      color: hexOf(outer.color),
      radius: radiusOf(raster, rect, g, line.color, 0.65, corners),
      borderWidth: line.width,
      borderColor: hexOf(line.color),
    }
  }
  const filled = fillOf(sides, rect, { depth, ground: g, outer: outer.color, near })
  return (
    filled && {
      color: hexOf(filled.color),
      radius: radiusOf(raster, rect, g, outer.color, near > 14 ? 0.3 : 0.02, corners),
      ...(filled.border ? { borderWidth: filled.border, borderColor: hexOf(outer.color) } : {}),
    }
  )
}

/**
 * What a box is filled with inside its sides, and how wide its border is, px; null where it is no box.
 * @param outer colour of the sides at `depth`
 */
function fillOf(
  sides: BoxSides,
  rect: Rect,
  { depth, ground, outer, near }: { depth: number; ground: number; outer: number; near: number },
): { color: number; border?: number } | null {
  const deepest = Math.min(14, Math.floor(Math.min(rect.w, rect.h) / 3))
  for (let d = depth + 1; d <= deepest; d++) {
    if (difference(sides.ring(d).color, outer) <= near) continue
    // A border that gives way to a fill: the fill has to hold on.
    const fill = sides.ring(Math.min(deepest, d + 2))
    if (fill.share < 0.9 || difference(fill.color, outer) <= near) break
    // What is no border: the ground beside a box that ringing has widened, and the rim that JPEG blends.
    if (difference(outer, ground) <= (near > 14 ? near : 3)) return null
    return near > 14 && blended(outer, ground, fill.color)
      ? { color: fill.color }
      : { color: fill.color, border: d }
  }
  // Where the ring is the ground itself, what stands there is no box but a loose mark; and a frame around a
  // picture has another colour inside.
  if (difference(outer, ground) <= 3) return null
  return difference(sides.ring(Math.min(deepest, depth + 4)).color, outer) > near ? null : { color: outer }
}
