import { AXES, between } from './eye'

/** Finds the nearest of some points: they are sorted by lightness, so that few have to be looked at. */
export class Nearest {
  private readonly points: Float64Array
  private readonly numbers: Int32Array
  private readonly wanted = new Float64Array(AXES)
  private best = 0
  private least = 0

  /** @param points AXES numbers each */
  constructor(points: Float32Array | Float64Array) {
    this.numbers = Int32Array.from({ length: points.length / AXES }, (_, i) => i).sort(
      (i, k) => points[i * AXES]! - points[k * AXES]! || i - k,
    )
    this.points = new Float64Array(points.length)
    this.numbers.forEach((n, i) => this.points.set(points.subarray(n * AXES, (n + 1) * AXES), i * AXES))
  }

  /** The number of the point that is nearest to this one. */
  to(y: number, u: number, v: number): number {
    const { points, numbers, wanted } = this
    let low = 0
    for (let high = numbers.length; low < high;) {
      const middle = (low + high) >> 1
      if (points[middle * AXES]! < y) low = middle + 1
      else high = middle
    }
    wanted[0] = y
    wanted[1] = u
    wanted[2] = v
    this.least = Infinity
    // Outwards from there, until the lightness alone is further off than what was found.
    let up = low
    let down = low - 1
    while (up >= 0 || down >= 0) {
      if (up >= 0) up = up < numbers.length && this.look(up) ? up + 1 : -1
      if (down >= 0) down = this.look(down) ? down - 1 : -1
    }
    return numbers[this.best]!
  }

  /** Looks at a point; false: none beyond it can be nearer. */
  private look(i: number): boolean {
    const { points, wanted, least } = this
    const o = i * AXES
    if ((points[o]! - wanted[0]!) ** 2 >= least) return false
    const d = between(points, o, wanted, 0)
    if (d < least) {
      this.least = d
      this.best = i
    }
    return true
  }
}
