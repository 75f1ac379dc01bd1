import { difference, packed, type Raster, type Rect } from './raster'

/** Which corners of a rectangle are round: of a card under a picture only the lower ones are its own. */
export type Corners = 'all' | 'lower'

/** The four sides of a rectangle without their corners, looked at from outside inwards. Depths are design px. */
export class BoxSides {
  private readonly px: Int32Array
  private readonly corner: number
  // Of a long side every few points tell.
  private readonly across: number
  private readonly down: number

  /** @param flat channel difference that is still the colour of a side */
  constructor(
    private readonly raster: Raster,
    private readonly rect: Rect,
    private readonly corners: Corners,
    private readonly flat: number,
  ) {
    const { w, h } = rect
    this.px = packed(raster)
    this.corner = Math.min(Math.floor(h * 0.5) - 1, Math.floor(w * 0.25), Math.max(6, Math.floor(h * 0.45)))
    this.across = Math.max(1, Math.floor(w / 200))
    this.down = Math.max(1, Math.floor(h / 200))
  }

  /**
   * The colour that most of the sides have at a depth (Boyer and Moore's majority vote), and how much of them
   * has it.
   */
  ring(depth: number): { color: number; share: number } {
    let color = 0,
      votes = 0,
      all = 0,
      alike = 0
    this.visit(depth, (p) => {
      if (votes === 0) {
        color = p
        votes = 1
      } else votes += p === color ? 1 : -1
      all++
    })
    this.visit(depth, (p) => {
      if (p === color || difference(p, color) <= this.flat) alike++
    })
    return { color, share: alike / Math.max(1, all) }
  }

  /** Whether the upright sides are of another colour: of a long box they are few points, and may lie outside. */
  endsDiffer(depth: number, color: number): boolean {
    let ends = 0,
      alike = 0
    this.visit(depth, (p, upright) => {
      if (!upright) return
      ends++
      if (difference(p, color) <= this.flat) alike++
    })
    return ends > 0 && alike < 0.5 * ends
  }

  /** Visits points of the four sides at a depth. */
  private visit(depth: number, see: (p: number, upright: boolean) => void): void {
    const { px, corner, across, down } = this
    const { x, y, w, h } = this.rect
    const { width } = this.raster
    const [upper, lower] = [(y + depth) * width, (y + h - 1 - depth) * width]
    for (let i = x + corner; i < x + w - corner; i += across) {
      if (this.corners === 'all') see(px[upper + i]!, false)
      see(px[lower + i]!, false)
    }
    for (let j = y + corner; j < y + h - corner; j += down) {
      see(px[j * width + x + depth]!, true)
      see(px[j * width + x + w - 1 - depth]!, true)
    }
  }
}

/** Most of what is looked at is no box, and eight points of its sides tell. */
export function looksFlat(raster: Raster, { x, y, w, h }: Rect, depth: number, near: number): boolean {
  const px = packed(raster)
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
  return points.some((p) => points.filter((q) => difference(p, q) <= near).length >= 6)
}

/** Most of each side of a box is of one colour: at least this share of it. */
export const ONE_COLOR = 0.93

/**
 * A line of a pixel or two around a box, which is no blend of the box with what lies around it.
 * @param inner colour of the box at `depth`
 */
export function hairline(
  sides: BoxSides,
  depth: number,
  ground: number,
  inner: number,
  flat: number,
): { width: number; color: number } | null {
  let line: number | null = null
  for (let d = 0; d < depth; d++) {
    const { color, share } = sides.ring(d)
    if (line !== null && difference(color, line) > flat)
      return share >= ONE_COLOR && difference(color, inner) <= flat ? { width: d, color: line } : null
    if (
      share < ONE_COLOR ||
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
export function blended(p: number, from: number, to: number): boolean {
  const [a, b, c] = [p, from, to].map((v) => [v & 255, (v >>> 8) & 255, (v >>> 16) & 255]) as [
    number[],
    number[],
    number[],
  ]
  return [0, 1, 2].every((i) => a[i]! >= Math.min(b[i]!, c[i]!) - 4 && a[i]! <= Math.max(b[i]!, c[i]!) + 4)
}
