/** Most codes of a table (GIF89a, appendix F). */
const MOST_CODES = 4096

/** The strings that codes stand for, as a tree: each goes on from another by one more symbol. A symbol is its own code. */
export class Table {
  /** The first string that goes on from each, and the next that goes on from the same; 0: none. */
  readonly child = new Int16Array(MOST_CODES)
  readonly sibling = new Int16Array(MOST_CODES)
  /** What each goes on from, and by which symbol. */
  readonly parent = new Int16Array(MOST_CODES)
  readonly symbol = new Uint8Array(MOST_CODES)
  /** The code of the next string, and the bits that codes are written with. */
  next = 0
  size = 0

  /** @param colors bits of a symbol */
  constructor(private readonly colors: number) {
    this.reset()
  }

  get full(): boolean {
    return this.next === MOST_CODES
  }

  /** The code that begins the table anew; the one after it ends the picture. */
  get clearCode(): number {
    return 1 << this.colors
  }

  reset(): void {
    this.child.fill(0)
    this.next = this.clearCode + 2
    this.size = this.colors + 1
  }

  /** One more string: that of a code with one more symbol. The tree is walked from the latest on; strings of late are those that come again. */
  add(code: number, symbol: number): void {
    const { next } = this
    this.sibling[next] = this.child[code]!
    this.child[code] = next
    this.parent[next] = code
    this.symbol[next] = symbol
    this.widen()
    this.next++
  }

  /** The latest string's last symbol is known now. Where the table has that string already, nobody has to look at it twice. */
  settle(code: number, symbol: number): void {
    const latest = this.next - 1
    this.symbol[latest] = symbol
    for (let c = this.sibling[latest]!; c; c = this.sibling[c]!)
      if (this.symbol[c] === symbol) this.child[code] = this.sibling[latest]!
  }

  /** Codes get one bit more where the next one needs it. */
  widen(): void {
    if (this.next === 1 << this.size && this.size < 12) this.size++
  }
}
