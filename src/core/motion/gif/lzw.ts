import type { ByteWriter } from './bytes'
import { AXES } from './eye'

/** Most codes of a table (GIF89a, appendix F). */
const MOST_CODES = 4096

/** So many strings are followed at a time in search of the best. */
const FOLLOWED = 12

/** So many times the tolerance one pixel may be off. */
const SINGLE = 3

/** Pixels after which a full table is held against what it gave when it became full. */
const CHECKED = 2048

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

/**
 * Writes pixels by variable-length codes (GIF89a, appendix F), in blocks of at most 255 bytes. Where several symbols may stand for a pixel, as
 * the clear one where nothing changes, or a near colour where loss is allowed, the string is taken that says most pixels for what it is off.
 * `meant` is overwritten by what was written.
 * @param colors bits of a symbol, 2 to 8
 */
export function compress(out: ByteWriter, choices: Choices, colors: number): void {
  new Compressor(out, choices, colors).run()
}

class Compressor {
  private readonly clearCode: number
  private next: number
  private size: number
  /** The table as a tree: the first that goes on from a string, the next that goes on from the same, and by which symbol. */
  private readonly child = new Int16Array(MOST_CODES)
  private readonly sibling = new Int16Array(MOST_CODES)
  private readonly symbol = new Uint8Array(MOST_CODES)
  private held = 0
  private bits = 0
  private readonly block = new Uint8Array(255)
  private filled = 0
  private sent = 0
  private readonly parent = new Int16Array(MOST_CODES)
  // The strings that are followed: codes, and what each is off.
  private codes = new Int32Array(FOLLOWED)
  private errors = new Float64Array(FOLLOWED)
  private nextCodes = new Int32Array(FOLLOWED)
  private nextErrors = new Float64Array(FOLLOWED)
  private followed = 0
  // What the search found.
  private code = 0
  private length = 0
  /** The pixel looked at. */
  private readonly pixel = { want: 0, left: -1, most: -1, least: 0, weight: 1, y: 0, u: 0, v: 0 }

  constructor(
    private readonly out: ByteWriter,
    private readonly choices: Choices,
    private readonly colors: number,
  ) {
    this.clearCode = 1 << colors
    this.next = this.clearCode + 2
    this.size = colors + 1
  }

  run(): void {
    const { meant } = this.choices
    const n = meant.length
    this.out.byte(this.colors)
    this.send(this.clearCode)
    this.reset()
    let full: { at: number; sent: number; rate: number } | null = null
    // The string said last; -1 where the table begins anew.
    let last = -1
    for (let p = 0; p < n;) {
      const made = last >= 0 && this.next < MOST_CODES
      // Who reads makes an entry of the last string and the next one's first symbol. It may be said already: it begins then as the last one did (appendix F).
      if (made) this.add(last, meant[p - this.length]!)
      this.find(p)
      this.write(p)
      if (made) this.settle(last, meant[p]!)
      p += this.length
      last = this.code
      this.send(last)
      if (this.next < MOST_CODES) continue
      if (!full) full = { at: p, sent: this.sent, rate: Infinity }
      else if (p - full.at > CHECKED) {
        const rate: number = (this.sent - full.sent) / (p - full.at)
        if (rate > full.rate * 1.05) {
          this.send(this.clearCode)
          this.reset()
          full = null
          last = -1
        } else full = { at: p, sent: this.sent, rate: Math.min(rate, full.rate) }
      }
    }
    // Who reads has made an entry of the last code too, before it reads the end.
    if (this.next === 1 << this.size && this.size < 12) this.size++
    this.send(this.clearCode + 1)
    this.flush()
  }

  /**
   * Finds the known string that says most from a pixel on: each pixel said is worth the tolerance, less what it is off. Its code and length are left in
   * `code` and `length`.
   */
  private find(p: number): void {
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
    const { child, sibling, symbol, codes, errors, nextCodes, nextErrors } = this
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

  /** Writes down the string that was found. */
  private write(p: number): void {
    const { meant } = this.choices
    let { code } = this
    for (let i = this.length - 1; i > 0; i--) {
      meant[p + i] = this.symbol[code]!
      code = this.parent[code]!
    }
    meant[p] = code
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

  private reset(): void {
    this.child.fill(0)
    this.sibling.fill(0)
    this.next = this.clearCode + 2
    this.size = this.colors + 1
  }

  /** An entry of the table: a string with one more symbol. */
  private add(code: number, symbol: number): void {
    const { next } = this
    // The table is walked from the latest on; strings of late are those that come again.
    this.sibling[next] = this.child[code]!
    this.child[code] = next
    this.parent[next] = code
    this.symbol[next] = symbol
    if (next === 1 << this.size && this.size < 12) this.size++
    this.next++
  }

  /** The latest entry's last symbol is known now. Where the table has that string already, nobody has to look at it twice. */
  private settle(code: number, symbol: number): void {
    const latest = this.next - 1
    this.symbol[latest] = symbol
    for (let c = this.sibling[latest]!; c; c = this.sibling[c]!)
      if (this.symbol[c] === symbol) this.child[code] = this.sibling[latest]!
  }

  private send(code: number): void {
    this.held |= code << this.bits
    this.bits += this.size
    this.sent += this.size
    while (this.bits >= 8) {
      this.put(this.held & 255)
      this.held >>>= 8
      this.bits -= 8
    }
  }

  private put(byte: number): void {
    this.block[this.filled++] = byte
    if (this.filled === 255) this.endBlock()
  }

  private endBlock(): void {
    this.out.byte(this.filled)
    this.out.put(this.block.subarray(0, this.filled))
    this.filled = 0
  }

  private flush(): void {
    if (this.bits) this.put(this.held & 255)
    if (this.filled) this.endBlock()
    this.out.byte(0)
  }
}
