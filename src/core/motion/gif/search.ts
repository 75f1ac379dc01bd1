import { AXES } from './eye'
import type { Table } from './table'

/** So many strings are followed at a time in search of the best. */
const FOLLOWED = 12

/** So many times the tolerance one pixel may be off. */
const SINGLE = 3

/** The pixels of a rectangle, and which symbols may stand for each. */
export interface Choices {
  /** The symbol meant for each pixel. */
  meant: Uint8Array
  /** The clear symbol, which leaves what is shown; -1: there is none. */
  clear: number
  /** How far a pixel is off where it is left as it is shown; more than `mayBeOff`: it may not be. */
  left: Float32Array | null
  /** What may be lost; null: only what is meant may stand. */
  loss: Loss | null
}

/** How pixels may be other than they are meant. Distances are squares, as `eye` says them. */
export interface Loss {
  /** How far a pixel may be off so that one more is said by the same code. */
  tolerance: number
  /** The colours wanted (AXES numbers each). */
  wanted: Float32Array
  /** How much of each pixel's error is seen, 0 to 1. */
  weights: Float32Array
  /** The colours of the symbols (AXES numbers each), and for each those next to it. */
  colors: Float32Array
  neighbours: readonly Uint8Array[]
}

/** How far one pixel may be off at most. */
export const mayBeOff = (loss: Pick<Loss, 'tolerance'> | null): number => (loss?.tolerance ?? 0) * SINGLE

/** Searches for the string of a table that says most of what comes next. */
export class Search {
  /** The code that was found, and how many pixels it says. */
  code = 0
  length = 0
  private readonly exact: boolean
  // The strings that are followed: codes, and what each is off.
  private codes = new Int32Array(FOLLOWED)
  private errors = new Float64Array(FOLLOWED)
  private nextCodes = new Int32Array(FOLLOWED)
  private nextErrors = new Float64Array(FOLLOWED)
  private followed = 0
  /** The pixel looked at. */
  private readonly pixel = { want: 0, left: -1, most: -1, least: 0, weight: 1, y: 0, u: 0, v: 0 }

  constructor(
    private readonly table: Table,
    private readonly choices: Choices,
  ) {
    this.exact = !choices.loss && !choices.left
  }

  /** Finds the string that says most from a pixel on: each pixel said is worth the tolerance, less what it is off. What it says is what is meant from now on. */
  find(p: number): void {
    if (this.exact) this.longest(p)
    else {
      this.best(p)
      this.write(p)
    }
  }

  /** The longest string that is just what is meant. */
  private longest(p: number): void {
    const { meant } = this.choices
    const { child, sibling, symbol } = this.table
    let code = meant[p]!
    let at = p + 1
    for (let c = child[code]!; c && at < meant.length;)
      if (symbol[c] === meant[at]) {
        code = c
        at++
        c = child[c]!
      } else c = sibling[c]!
    this.code = code
    this.length = at - p
  }

  /** The best string where several symbols may stand for a pixel. */
  private best(p: number): void {
    const { meant, loss } = this.choices
    const worth = loss?.tolerance || 1
    let most = -Infinity
    this.begin(p)
    for (let length = 1; this.followed; length++) {
      let least = 0
      for (let i = 1; i < this.followed; i++) if (this.errors[i]! < this.errors[least]!) least = i
      const gain = length * worth - this.errors[least]!
      if (gain > most) {
        most = gain
        this.length = length
        this.code = this.codes[least]!
      }
      if (p + length >= meant.length) return
      this.follow(p + length)
    }
  }

  /** Writes down the string that was found. */
  private write(p: number): void {
    const { meant } = this.choices
    let { code } = this
    for (let i = this.length - 1; i > 0; i--) {
      meant[p + i] = this.table.symbol[code]!
      code = this.table.parent[code]!
    }
    meant[p] = code
  }

  /** The symbols with which the search sets out. */
  private begin(p: number): void {
    const { meant, clear, left, loss } = this.choices
    this.followed = 0
    this.look(p)
    if (left) this.set(clear)
    const want = meant[p]!
    if (want === clear && left) return
    if (!loss) this.set(want)
    else for (const s of loss.neighbours[want]!) if (!this.set(s)) break
  }

  /** Follows a symbol, if it may stand here and there is room. */
  private set(symbol: number): boolean {
    const off = this.off(symbol)
    if (off < 0 || this.followed === FOLLOWED) return false
    this.codes[this.followed] = symbol
    this.errors[this.followed++] = off
    return true
  }

  /** Goes on by one pixel with all strings followed; the least wrong of them are kept. */
  private follow(at: number): void {
    const { codes, errors, nextCodes, nextErrors } = this
    const { child, sibling, symbol } = this.table
    this.look(at)
    let kept = 0
    let worst = 0
    for (let i = 0; i < this.followed; i++) {
      const error = errors[i]!
      for (let c = child[codes[i]!]!; c; c = sibling[c]!) {
        const off = this.off(symbol[c]!)
        if (off < 0) continue
        const e = error + off
        if (kept < FOLLOWED) {
          nextCodes[kept] = c
          nextErrors[kept] = e
          if (e > nextErrors[worst]!) worst = kept
          kept++
        } else if (e < nextErrors[worst]!) {
          nextCodes[worst] = c
          nextErrors[worst] = e
          for (let k = 0; k < FOLLOWED; k++) if (nextErrors[k]! > nextErrors[worst]!) worst = k
        }
      }
    }
    this.followed = kept
    this.codes = nextCodes
    this.errors = nextErrors
    this.nextCodes = codes
    this.nextErrors = errors
  }

  /** Looks at a pixel: what may stand there. */
  private look(p: number): void {
    const { meant, clear, left, loss } = this.choices
    const { pixel } = this
    const most = mayBeOff(loss)
    const want = (pixel.want = meant[p]!)
    pixel.left = left && left[p]! <= most ? left[p]! : -1
    pixel.most = -1
    if (!loss || want === clear) return
    const { wanted, colors, weights } = loss
    pixel.weight = weights[p]!
    pixel.y = wanted[p * AXES]!
    pixel.u = wanted[p * AXES + 1]!
    pixel.v = wanted[p * AXES + 2]!
    pixel.least = this.apart(colors, want)
    pixel.most = pixel.least + most / pixel.weight
  }

  private apart(colors: Float32Array, symbol: number): number {
    const { y, u, v } = this.pixel
    const o = symbol * AXES
    return (colors[o]! - y) ** 2 + (colors[o + 1]! - u) ** 2 + (colors[o + 2]! - v) ** 2
  }

  /** How far a symbol is off at the pixel looked at; negative: it may not stand there. */
  private off(symbol: number): number {
    const { pixel } = this
    if (symbol === pixel.want) return 0
    const { clear, loss } = this.choices
    if (symbol === clear) return pixel.left
    if (pixel.most < 0) return -1
    const d = this.apart(loss!.colors, symbol)
    if (d > pixel.most) return -1
    return d > pixel.least ? (d - pixel.least) * pixel.weight : 0
  }
}
