/** Bytes that are written one after the other. */
export class ByteWriter {
  private bytes = new Uint8Array(1 << 16)
  length = 0

  private room(more: number): void {
    if (this.length + more <= this.bytes.length) return
    const larger = new Uint8Array(Math.max(this.bytes.length * 2, this.length + more))
    larger.set(this.bytes.subarray(0, this.length))
    this.bytes = larger
  }

  byte(...values: number[]): void {
    this.room(values.length)
    for (const v of values) this.bytes[this.length++] = v
  }

  /** 16 bits, the lower byte first. */
  short(...values: number[]): void {
    for (const v of values) this.byte(v & 255, v >> 8)
  }

  put(bytes: Uint8Array): void {
    this.room(bytes.length)
    this.bytes.set(bytes, this.length)
    this.length += bytes.length
  }

  text(ascii: string): void {
    for (let i = 0; i < ascii.length; i++) this.byte(ascii.charCodeAt(i))
  }

  done(): Uint8Array {
    return this.bytes.slice(0, this.length)
  }
}
