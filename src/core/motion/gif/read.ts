/** One frame of a GIF, as its blocks say. */
export interface GifFrame {
  x: number
  y: number
  width: number
  height: number
  /** ms, as it is written. */
  delay: number
  /** What becomes of it before the next (GIF89a, 23): 0 and 1 stays, 2 is cleared, 3 is what was before. */
  disposal: number
  /** Whether a colour stands for what is clear. */
  clear: boolean
  /** Whether it brings colours of its own. */
  ownColors: boolean
  /** Of its pixels, as they are written. */
  bytes: number
}

/** A GIF, read block by block. */
export interface GifBlocks {
  width: number
  height: number
  /** How often it is shown; 0: for ever. */
  loop: number
  frames: GifFrame[]
}

/** Why a GIF cannot be taken, in words. */
export class GifError extends Error {
  override name = 'GifError'
}

/** Most frames that are read. */
export const MOST_FRAMES = 1000

/** Reads bytes one after the other; never beyond their end. */
class Reader {
  at = 0

  constructor(readonly bytes: Uint8Array) {}

  /** Passes over some bytes, and gives where they began. */
  take(n: number): number {
    if (this.at + n > this.bytes.length)
      throw new GifError('It is cut off: the file ends in the middle of a block.')
    this.at += n
    return this.at - n
  }

  byte(): number {
    return this.bytes[this.take(1)]!
  }

  short(at = this.take(2)): number {
    return this.bytes[at]! | (this.bytes[at + 1]! << 8)
  }

  text(at: number, length: number): string {
    return String.fromCharCode(...this.bytes.subarray(at, at + length))
  }

  /** Passes over sub-blocks up to their end, and gives how many bytes they hold. */
  blocks(each: (start: number, length: number) => void = () => {}): number {
    let sum = 0
    for (let length = this.byte(); length; length = this.byte()) {
      each(this.take(length), length)
      sum += length
    }
    return sum
  }

  /** Passes over a table of colours, where the flags say that there is one. */
  table(flags: number): void {
    if (flags & 0x80) this.take(3 << ((flags & 7) + 1))
  }
}

type Control = Pick<GifFrame, 'delay' | 'disposal' | 'clear'>
const nothing: Control = { delay: 0, disposal: 0, clear: false }

/**
 * Reads the blocks of a GIF (GIF87a, GIF89a) without its pixels: sizes, delays, disposal, how often it is shown. Throws a GifError where it
 * is cut off, lies outside its screen, or has more than 1000 frames.
 */
export function readGif(bytes: Uint8Array): GifBlocks {
  const reader = new Reader(bytes)
  if (!/^GIF8[79]a$/.test(reader.text(reader.take(6), 6))) throw new GifError('It is no GIF.')
  const read: GifBlocks = { width: reader.short(), height: reader.short(), loop: 1, frames: [] }
  const flags = reader.byte()
  reader.take(2)
  reader.table(flags)
  let control = nothing
  for (let kind = reader.byte(); kind !== 0x3b; kind = reader.byte()) {
    if (kind === 0x21) control = extension(reader, read, control)
    else if (kind === 0x2c) {
      frame(reader, read, control)
      control = nothing
    } else throw new GifError(`It is damaged: byte ${reader.at - 1} begins no block.`)
  }
  if (!read.frames.length) throw new GifError('It holds no picture.')
  return read
}

function extension(reader: Reader, read: GifBlocks, before: Control): Control {
  const label = reader.byte()
  let found = before
  let name = ''
  reader.blocks((start, length) => {
    if (label === 0xf9 && length >= 4) {
      const flags = reader.bytes[start]!
      found = { disposal: (flags >> 2) & 7, clear: (flags & 1) === 1, delay: reader.short(start + 1) * 10 }
    } else if (label === 0xff && !name) name = reader.text(start, length)
    else if (name === 'NETSCAPE2.0' && length >= 3 && reader.bytes[start] === 1) {
      const again = reader.short(start + 1)
      read.loop = again === 0 ? 0 : again + 1
    }
  })
  return found
}

function frame(reader: Reader, read: GifBlocks, control: Control): void {
  const [x, y, width, height] = [reader.short(), reader.short(), reader.short(), reader.short()]
  const local = reader.byte()
  reader.table(local)
  reader.byte()
  const bytes = reader.blocks()
  if (!width || !height || x + width > read.width || y + height > read.height)
    throw new GifError(`Frame ${read.frames.length + 1} lies outside the picture.`)
  read.frames.push({ x, y, width, height, ownColors: (local & 0x80) > 0, bytes, ...control })
  if (read.frames.length > MOST_FRAMES) throw new GifError(`It has more than ${MOST_FRAMES} frames.`)
}
