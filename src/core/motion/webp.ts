import type { Frame, Sequence } from './sequence'

/** A rectangle of a frame, both of its offsets even, as the container wants them. px */
export interface Patch {
  x: number
  y: number
  w: number
  h: number
}

/** One frame of an animated WebP: what changes in it, as a still WebP of that size, and how long it is shown, ms. */
export interface WebpFrame extends Patch {
  still: Uint8Array
  ms: number
}

/** What changes from one frame to the next: a rectangle at even offsets; the whole where there is none before. Null where nothing does. */
export function changedPatch(
  { width, height }: Pick<Sequence, 'width' | 'height'>,
  before: Frame['data'] | null,
  now: Frame['data'],
): Patch | null {
  if (!before) return { x: 0, y: 0, w: width, h: height }
  let [left, top, right, bottom] = [width, height, -1, -1]
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = 4 * (y * width + x)
      if (
        before[i] === now[i] &&
        before[i + 1] === now[i + 1] &&
        before[i + 2] === now[i + 2] &&
        before[i + 3] === now[i + 3]
      )
        continue
      if (x < left) left = x
      if (x > right) right = x
      if (y < top) top = y
      bottom = y
    }
  if (right < 0) return null
  const [x, y] = [left & ~1, top & ~1]
  return { x, y, w: right + 1 - x, h: bottom + 1 - y }
}

/** Flags of the extended header and of a frame (RFC 9649, sections 2.7.1 and 2.7.1.1). */
const ANIMATED = 0x02
const ALPHA = 0x10
const NOT_BLENDED = 0x02

/**
 * Stills joined as one animated WebP (RFC 9649, section 2.7). Each takes the place of what was there.
 * @param loop how often it is shown; 0: for ever
 * @throws {SyntaxError} where a still is no WebP
 */
export function animatedWebp(
  { width, height, loop }: Pick<Sequence, 'width' | 'height' | 'loop'>,
  frames: readonly WebpFrame[],
): Uint8Array {
  const chunks = [
    chunk('VP8X', [ANIMATED | ALPHA, 0, 0, 0, ...u24(width - 1), ...u24(height - 1)]),
    // Clear where nothing is drawn.
    chunk('ANIM', [0, 0, 0, 0, ...u24(Math.min(loop, 0xffff)).slice(0, 2)]),
    ...frames.map(({ x, y, w, h, ms, still }) =>
      joined([
        ...header('ANMF', 16 + picturesOf(still).reduce((sum, c) => sum + c.length, 0)),
        [...u24(x / 2), ...u24(y / 2), ...u24(w - 1), ...u24(h - 1), ...u24(Math.round(ms)), NOT_BLENDED],
        ...picturesOf(still),
      ]),
    ),
  ]
  const size = chunks.reduce((sum, c) => sum + c.length, 4)
  return joined([...header('RIFF', size), ascii('WEBP'), ...chunks])
}

const ascii = (name: string): number[] => [...name].map((c) => c.charCodeAt(0))
const u24 = (v: number): number[] => [v & 255, (v >> 8) & 255, (v >> 16) & 255]
const u32 = (v: number): number[] => [...u24(v), (v >>> 24) & 255]
const header = (name: string, size: number): number[][] => [ascii(name), u32(size)]

/** A chunk of even length (section 2.3). */
const chunk = (name: string, data: readonly number[]): Uint8Array =>
  joined([...header(name, data.length), data, data.length % 2 ? [0] : []])

function joined(parts: readonly ArrayLike<number>[]): Uint8Array {
  const out = new Uint8Array(parts.reduce((sum, p) => sum + p.length, 0))
  let at = 0
  for (const part of parts) {
    out.set(part, at)
    at += part.length
  }
  return out
}

/** The chunks of a still that hold its picture, each with its header and its filling. */
function picturesOf(still: Uint8Array): Uint8Array[] {
  const view = new DataView(still.buffer, still.byteOffset, still.byteLength)
  const nameAt = (at: number) => String.fromCharCode(...still.subarray(at, at + 4))
  if (still.length < 20 || nameAt(0) !== 'RIFF' || nameAt(8) !== 'WEBP')
    throw new SyntaxError('A frame is no WebP')
  const out: Uint8Array[] = []
  for (let at = 12; at + 8 <= still.length;) {
    const size = view.getUint32(at + 4, true)
    const end = at + 8 + size + (size % 2)
    if (['ALPH', 'VP8 ', 'VP8L'].includes(nameAt(at))) out.push(still.subarray(at, end))
    at = end
  }
  return out
}
