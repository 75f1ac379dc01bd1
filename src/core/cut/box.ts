import { toRgb } from '../color/hex'
import type { Bar } from './frames'
import { difference, hexOf, packed, packHex, type Raster, type Rect } from './raster'

/** Which corners of a rectangle are round: of a card under a picture only the lower ones are its own. */
type Corners = 'all' | 'lower'

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
  const px = packed(raster)
  const { x, y, w, h } = rect
  const corner = Math.min(Math.floor(h * 0.5) - 1, Math.floor(w * 0.25), Math.max(6, Math.floor(h * 0.45)))
  // Of a long side every few points tell.
  const across = Math.max(1, Math.floor(w / 200)),
    down = Math.max(1, Math.floor(h / 200))
  /** Visits points of the four sides at a depth. */
  const visit = (depth: number, see: (p: number, upright: boolean) => void) => {
    const [upper, lower] = [(y + depth) * raster.width, (y + h - 1 - depth) * raster.width]
    for (let i = x + corner; i < x + w - corner; i += across) {
      if (corners === 'all') see(px[upper + i]!, false)
      see(px[lower + i]!, false)
    }
    for (let j = y + corner; j < y + h - corner; j += down) {
      see(px[j * raster.width + x + depth]!, true)
      see(px[j * raster.width + x + w - 1 - depth]!, true)
    }
  }
  // On a clean design a box is flat to the last shade; a shadow around one is not.
  const flat = near > 14 ? near : 4
  /**
   * The colour that most of the sides have at a depth (Boyer and Moore's majority vote), and how much of them
   * has it.
   */
  const ring = (depth: number): { color: number; share: number } => {
    let color = 0,
      votes = 0,
      all = 0,
      alike = 0
    visit(depth, (p) => {
      if (votes === 0) {
        color = p
        votes = 1
      } else votes += p === color ? 1 : -1
      all++
    })
    visit(depth, (p) => {
      if (p === color || difference(p, color) <= flat) alike++
    })
    return { color, share: alike / Math.max(1, all) }
  }
  const depth = Math.min(2, Math.floor(Math.min(w, h) / 4))
  // Most of what is looked at is no box, and eight points tell.
  const at = (u: number, v: number) =>
    px[
      Math.floor(y + depth + v * (h - 1 - 2 * depth)) * raster.width +
        Math.floor(x + depth + u * (w - 1 - 2 * depth))
    ]!
  const points = [
    at(0.35, 0),
    at(0.65, 0),
    at(0.35, 1),
    at(0.65, 1),
    at(0, 0.5),
    at(1, 0.5),
    at(0.5, 0),
    at(0.5, 1),
  ]
  if (!points.some((p) => points.filter((q) => difference(p, q) <= near).length >= 6)) return null
  const outer = ring(depth)
  if (outer.share < 0.93) return null
  // Of a long box the ends are few of these points, and may all lie outside it.
  let ends = 0,
    alike = 0
  visit(depth, (p, upright) => {
    if (upright) {
      ends++
      if (difference(p, outer.color) <= flat) alike++
    }
  })
  if (ends && alike < 0.5 * ends) return null
  const line = hairline(ring, depth, g, outer.color, flat)
  if (line) {
    // The line tells where a corner is round: the box may be nearly of the colour around it.
    return {
      color: hexOf(outer.color),
      radius: radiusOf(raster, rect, g, line.color, 0.65, corners),
      borderWidth: line.width,
      borderColor: hexOf(line.color),
    }
  }
  let color = outer.color,
    borderWidth: number | undefined,
    borderColor: string | undefined
  const deepest = Math.min(14, Math.floor(Math.min(w, h) / 3))
  for (let d = depth + 1; d <= deepest; d++) {
    const next = ring(d)
    if (difference(next.color, outer.color) <= near) continue
    // A border that gives way to a fill: the fill has to hold on.
    const fill = ring(Math.min(deepest, d + 2))
    if (fill.share < 0.9 || difference(fill.color, outer.color) <= near) break
    color = fill.color
    // What is no border: the ground beside a box that ringing has widened, and the rim that JPEG blends.
    if (difference(outer.color, g) <= (near > 14 ? near : 3)) return null
    if (near > 14 && blended(outer.color, g, color)) break
    borderWidth = d
    borderColor = hexOf(outer.color)
    break
  }
  if (borderWidth === undefined && color === outer.color) {
    // Where the ring is the ground itself, what stands there is no box but a loose mark; and a frame around a
    // picture has another colour inside.
    if (difference(outer.color, g) <= 3) return null
    if (difference(ring(Math.min(deepest, depth + 4)).color, outer.color) > near) return null
  }
  return {
    color: hexOf(color),
    radius: radiusOf(raster, rect, g, outer.color, near > 14 ? 0.3 : 0.02, corners),
    ...(borderWidth ? { borderWidth, borderColor } : {}),
  }
}

/**
 * A line of a pixel or two around a box, which is no blend of the box with what lies around it.
 * @param inner colour of the box at `depth`
 */
function hairline(
  ring: (depth: number) => { color: number; share: number },
  depth: number,
  ground: number,
  inner: number,
  flat: number,
): { width: number; color: number } | null {
  let line: number | null = null
  for (let d = 0; d < depth; d++) {
    const { color, share } = ring(d)
    if (line !== null && difference(color, line) > flat)
      return share >= 0.93 && difference(color, inner) <= flat ? { width: d, color: line } : null
    if (
      share < 0.93 ||
      difference(color, inner) <= 8 ||
      difference(color, ground) <= 8 ||
      blended(color, ground, inner)
    )
      return null
    line = color
  }
  return line === null ? null : { width: depth, color: line }
}

/** Whether a colour lies on the way from one to another. */
function blended(p: number, from: number, to: number): boolean {
  const [a, b, c] = [p, from, to].map((v) => [v & 255, (v >>> 8) & 255, (v >>> 16) & 255]) as [
    number[],
    number[],
    number[],
  ]
  return [0, 1, 2].every((i) => a[i]! >= Math.min(b[i]!, c[i]!) - 4 && a[i]! <= Math.max(b[i]!, c[i]!) + 4)
}

/**
 * The radius of a corner from the area it leaves out: a circle in the corner of a square of side r leaves r
 * squared times (1 - pi / 4). Pixels of the rim count by how much of them is ground, so that the result is
 * finer than a pixel. Median of the four corners.
 */
function radiusOf(
  raster: Raster,
  rect: Rect,
  ground: number,
  edge: number,
  least: number,
  corners: Corners,
): number {
  const px = packed(raster)
  const side = Math.floor(Math.min(rect.w, rect.h) / 2)
  const [er, eg, eb] = toRgb(hexOf(edge)),
    [gr, gg, gb] = toRgb(hexOf(ground))
  const length = (er - gr) ** 2 + (eg - gg) ** 2 + (eb - gb) ** 2
  if (!length) return 0
  const share = (p: number) =>
    Math.max(
      0,
      Math.min(
        1,
        (((p & 255) - gr) * (er - gr) +
          (((p >>> 8) & 255) - gg) * (eg - gg) +
          (((p >>> 16) & 255) - gb) * (eb - gb)) /
          length,
      ),
    )
  const missing = (cx: number, cy: number, dx: 1 | -1, dy: 1 | -1) => {
    const rows = Array.from({ length: side }, (_, j) => {
      let row = 0
      for (let i = 0; i < side; i++) {
        const out = 1 - share(px[(cy + j * dy) * raster.width + cx + i * dx]!)
        if (out < least) break
        row += out
      }
      return row
    })
    // Where the side is straight nothing is missing: what is, is a rectangle a little too wide. A row without
    // any of the box lies outside it.
    const wide = Math.min(4, rows[side - 1] ?? 0, rows[side - 2] ?? 0)
    let sum = 0
    for (const [j, row] of rows.entries()) {
      if (j < 4 && row >= 0.8 * side) continue
      if (row <= wide) break
      sum += row - wide
    }
    return sum
  }
  const r = rect.x + rect.w - 1,
    b = rect.y + rect.h - 1
  const lower = [missing(rect.x, b, 1, -1), missing(r, b, -1, -1)]
  const found = [
    ...lower,
    ...(corners === 'all' ? [missing(rect.x, rect.y, 1, 1), missing(r, rect.y, -1, 1)] : lower),
  ]
    .map((m) => Math.sqrt(m / (1 - Math.PI / 4)))
    .sort((a, c) => a - c)
  const radius = (found[1]! + found[2]!) / 2
  return radius < 0.8 ? 0 : Math.min(side, Math.round(radius * 2) / 2)
}
