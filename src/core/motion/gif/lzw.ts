import type { ByteWriter } from './bytes'
import { Search, type Choices } from './search'
import { Table } from './table'

/** Pixels after which a full table is held against what it gave when it became full. */
const CHECKED = 2048

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
  private readonly table: Table
  private readonly search: Search
  private held = 0
  private bits = 0
  private readonly block = new Uint8Array(255)
  private filled = 0
  private sent = 0

  constructor(
    private readonly out: ByteWriter,
    private readonly choices: Choices,
    private readonly colors: number,
  ) {
    this.table = new Table(colors)
    this.search = new Search(this.table, choices)
  }

  run(): void {
    const { meant } = this.choices
    const { table, search } = this
    this.out.byte(this.colors)
    this.send(table.clearCode)
    let full: { at: number; sent: number; rate: number } | null = null
    // The string said last; -1 where the table begins anew.
    let last = -1
    for (let p = 0; p < meant.length;) {
      const made = last >= 0 && !table.full
      // Who reads makes a string of the last one and the next one's first symbol. It may be said already: it begins then as the last one did (appendix F).
      if (made) table.add(last, meant[p - search.length]!)
      search.find(p)
      if (made) table.settle(last, meant[p]!)
      p += search.length
      last = search.code
      this.send(last)
      if (!table.full) continue
      if (!full) full = { at: p, sent: this.sent, rate: Infinity }
      else if (p - full.at > CHECKED) {
        const rate: number = (this.sent - full.sent) / (p - full.at)
        if (rate > full.rate * 1.05) {
          this.send(table.clearCode)
          table.reset()
          full = null
          last = -1
        } else full = { at: p, sent: this.sent, rate: Math.min(rate, full.rate) }
      }
    }
    // Who reads has made a string of the last code too, before it reads the end.
    table.widen()
    this.send(table.clearCode + 1)
    this.flush()
  }

  private send(code: number): void {
    this.held |= code << this.bits
    this.bits += this.table.size
    this.sent += this.table.size
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
