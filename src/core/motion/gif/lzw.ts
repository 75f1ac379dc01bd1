import type { ByteWriter } from './bytes'

/** Most codes of a table (GIF89a, appendix F). */
const MOST_CODES = 4096

/** So many branches are looked at for one code before only the first is followed. */
const MOST_BRANCHES = 48

/** Pixels after which a full table is held against what it gave when it became full. */
const CHECKED = 2048

/** The pixels of a rectangle, and which symbols may stand for each. */
export interface Choices {
  /** The symbol meant for each pixel. */
  meant: Uint8Array
  /** The clear symbol, which leaves what is shown; -1: there is none. */
  clear: number
  /** How far a pixel is off where it is left as it is shown; more than `tolerance`: it may not be. */
  left: Float32Array | null
  /** How far symbols are apart, as a table of 256 x 256. */
  distance: Float32Array
  /** How far a symbol may be off. 0: only what is meant. */
  tolerance: number
}

/**
 * Writes pixels by variable-length codes (GIF89a, appendix F), in blocks of at most 255 bytes. Where several symbols may stand for a pixel, as
 * the clear one where nothing changes, or a near colour where loss is allowed, the one is taken that goes on with the longest known string.
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
  // What the search for the longest string found.
  private code = 0
  private path = new Uint8Array(256)
  private bestPath = new Uint8Array(256)

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
    let first = n ? this.begin(0) : 0
    for (let p = 0; p < n;) {
      const length = this.longest(p, first)
      for (let i = 0; i < length; i++) meant[p + i] = this.bestPath[i]!
      p += length
      const { code } = this
      this.send(code)
      if (p >= n) {
        // Who reads has made an entry of this code too, before it reads the end.
        if (this.next === 1 << this.size && this.size < 12) this.size++
        break
      }
      first = this.begin(p)
      if (this.next < MOST_CODES) this.add(code, first)
      else if (!full) full = { at: p, sent: this.sent, rate: Infinity }
      else if (p - full.at > CHECKED) {
        const rate: number = (this.sent - full.sent) / (p - full.at)
        if (rate > full.rate * 1.05) {
          this.send(this.clearCode)
          this.reset()
          full = null
        } else full = { at: p, sent: this.sent, rate: Math.min(rate, full.rate) }
      }
    }
    this.send(this.clearCode + 1)
    this.flush()
  }

  /** The symbol with which the string at a pixel begins: the clear one where more than this pixel may be left. */
  private begin(p: number): number {
    const { meant, left, tolerance, clear } = this.choices
    if (clear < 0 || !left || left[p]! > tolerance) return meant[p]!
    if (p + 1 < meant.length && left[p + 1]! <= tolerance) return clear
    return meant[p]!
  }

  /** Finds the longest known string from a pixel on, and gives its length; its code and symbols are left in `code` and `bestPath`. */
  private longest(p: number, first: number): number {
    const { choices } = this
    const { meant } = choices
    let best = 0
    let leastError = Infinity
    let branches = 0
    // Where the search may be taken up again: the string so far, its length, what it was off, and the sibling to look at.
    const stack: { code: number; length: number; error: number; from: number }[] = []
    let code = first
    let length = 1
    let error = 0
    this.path[0] = first
    let from = this.child[code]!
    for (;;) {
      const at = p + length
      let taken = 0
      if (at < meant.length)
        for (let c = from; c; c = this.sibling[c]!) {
          const off = this.off(at, this.symbol[c]!)
          if (off < 0) continue
          const later = this.sibling[c]!
          if (later && branches < MOST_BRANCHES) stack.push({ code, length, error, from: later })
          branches++
          taken = c
          error += off
          break
        }
      if (taken) {
        if (length >= this.path.length) this.grow()
        this.path[length++] = this.symbol[taken]!
        code = taken
        from = this.child[code]!
        continue
      }
      if (length > best || (length === best && error < leastError)) {
        best = length
        leastError = error
        this.code = code
        this.bestPath.set(this.path.subarray(0, length))
      }
      const back = stack.pop()
      if (!back) return best
      ;({ code, length, error, from } = back)
    }
  }

  private grow(): void {
    for (const name of ['path', 'bestPath'] as const) {
      const larger = new Uint8Array(this[name].length * 2)
      larger.set(this[name])
      this[name] = larger
    }
  }

  /** How far a symbol is off at a pixel; negative: it may not stand there. */
  private off(p: number, symbol: number): number {
    const { meant, clear, left, distance, tolerance } = this.choices
    if (symbol === clear) return left && left[p]! <= tolerance ? left[p]! : -1
    const want = meant[p]!
    if (symbol === want) return 0
    if (!tolerance || want === clear) return -1
    const d = distance[(want << 8) | symbol]!
    return d <= tolerance ? d : -1
  }

  private reset(): void {
    this.child.fill(0)
    this.sibling.fill(0)
    this.next = this.clearCode + 2
    this.size = this.colors + 1
  }

  private add(code: number, symbol: number): void {
    const { next } = this
    // The table is walked from the latest on; strings of late are those that come again.
    this.sibling[next] = this.child[code]!
    this.child[code] = next
    this.symbol[next] = symbol
    if (next === 1 << this.size && this.size < 12) this.size++
    this.next++
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
