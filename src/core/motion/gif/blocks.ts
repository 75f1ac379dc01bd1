import type { ByteWriter } from './bytes'

/** Part of the picture, px. */
export interface Rect {
  x: number
  y: number
  w: number
  h: number
}

/** Bits that number so many colours, 2 to 8. */
export const bitsFor = (colors: number): number => Math.max(2, Math.ceil(Math.log2(colors)))

/** Colours, filled up to a power of two; one more than they are is kept for what is clear. */
function table(out: ByteWriter, rgb: Uint8Array): void {
  out.put(rgb)
  for (let i = rgb.length; i < 3 << tableBits(rgb); i++) out.byte(0)
}
const tableBits = (rgb: Uint8Array): number => bitsFor(rgb.length / 3 + 1)

/**
 * The beginning: the logical screen, its colours, and how often it is shown (GIF89a, 17 to 19; the application extension NETSCAPE 2.0).
 * @param size.loop 0: for ever; 1: once, which nothing has to say
 */
export function screen(
  out: ByteWriter,
  { width, height, loop }: { width: number; height: number; loop: number },
  rgb: Uint8Array,
): void {
  const bits = tableBits(rgb)
  out.text('GIF89a')
  out.short(width, height)
  out.byte(0x80 | ((bits - 1) << 4) | (bits - 1), 0, 0)
  table(out, rgb)
  if (loop === 1) return
  out.byte(0x21, 0xff, 11)
  out.text('NETSCAPE2.0')
  // It is said how often it comes again after the first time.
  out.byte(3, 1)
  out.short(loop === 0 ? 0 : loop - 1)
  out.byte(0)
}

/** The graphic control extension (GIF89a, 23). @param delay hundredths of a second @param disposal 1: it stays, 2: it is cleared @param clear number of the clear symbol */
export function control(
  out: ByteWriter,
  { delay, disposal, clear }: { delay: number; disposal: 1 | 2; clear: number },
): void {
  out.byte(0x21, 0xf9, 4, (disposal << 2) | 1)
  out.short(delay)
  out.byte(clear, 0)
}

/** The image descriptor (GIF89a, 20), with colours of its own where it has some (21). */
export function image(out: ByteWriter, { x, y, w, h }: Rect, rgb: Uint8Array | null): void {
  out.byte(0x2c)
  out.short(x, y, w, h)
  if (!rgb) return out.byte(0)
  out.byte(0x80 | (tableBits(rgb) - 1))
  table(out, rgb)
}

/** The end (GIF89a, 27). */
export const trailer = (out: ByteWriter): void => out.byte(0x3b)
