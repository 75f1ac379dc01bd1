import { readFile } from 'node:fs/promises'
import sharp from 'sharp'
import { readApng, type Apng } from '@/core/motion/apng'
import { MOST_FRAMES } from '@/core/motion/gif/read'
import type { Frame, Sequence } from '@/core/motion/sequence'

/** Most pixels of all frames that are held at once. */
const MOST_PIXELS = 120_000_000

/** Delays that say nothing are read as readers read them, ms (common practice, no source). */
const UNSAID = 100

/** Reads the frames of a moving picture: GIF, WebP, animated PNG. Throws an Error where it is damaged, or too large to be held. */
export async function readMoving(bytes: Buffer): Promise<Sequence> {
  const apng = readApng(bytes)
  if (apng) return laid(apng)
  const image = sharp(bytes, { animated: true, limitInputPixels: MOST_PIXELS })
  const { pages = 1, delay = [], loop = 0 } = await image.metadata()
  if (pages > MOST_FRAMES) throw new RangeError('too many frames')
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  const height = info.pageHeight ?? info.height
  const size = info.width * height * 4
  const frames = Array.from({ length: pages }, (_, i): Frame => ({
    data: new Uint8Array(data.buffer, data.byteOffset + i * size, size),
    delay: delay[i] || UNSAID,
  }))
  return { width: info.width, height, frames, loop }
}

/** One frame of a kept picture that moves, as PNG. Throws an Error where it has no such frame. */
export async function pictureFrame(file: string, frame: number): Promise<Buffer> {
  const bytes = await readFile(file)
  const apng = readApng(bytes)
  if (!apng) return sharp(bytes, { page: frame, limitInputPixels: MOST_PIXELS }).png().toBuffer()
  const { width, height, frames } = await laid({ ...apng, frames: apng.frames.slice(0, frame + 1) })
  return sharp(frames[frame]!.data, { raw: { width, height, channels: 4 } })
    .png()
    .toBuffer()
}

/** Lays the frames of an animated PNG onto each other. @see PNG third edition, 11.3.6.2 */
async function laid({ width, height, loop, frames }: Apng): Promise<Sequence> {
  if (width * height * frames.length > MOST_PIXELS || frames.length > MOST_FRAMES)
    throw new RangeError('too large')
  let canvas: Uint8Array = new Uint8Array(width * height * 4)
  const out: Frame[] = []
  for (const frame of frames) {
    if (frame.x + frame.width > width || frame.y + frame.height > height) throw new RangeError('outside')
    const before = frame.dispose === 2 ? canvas.slice() : null
    const { data } = await sharp(frame.png).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
    for (let y = 0; y < frame.height; y++)
      for (let x = 0; x < frame.width; x++)
        lay(
          canvas,
          ((frame.y + y) * width + frame.x + x) * 4,
          data,
          (y * frame.width + x) * 4,
          frame.replaces,
        )
    out.push({ data: canvas.slice(), delay: frame.delay || UNSAID })
    if (before) canvas = before
    else if (frame.dispose === 1)
      for (let y = frame.y; y < frame.y + frame.height; y++)
        canvas.fill(0, (y * width + frame.x) * 4, (y * width + frame.x + frame.width) * 4)
  }
  return { width, height, frames: out, loop }
}

/** Lays a pixel over another (PNG third edition, 13.16), or in its place. */
function lay(onto: Uint8Array, to: number, data: Uint8Array, from: number, replaces: boolean): void {
  const a = data[from + 3]! / 255
  if (replaces || a === 1) return void onto.set(data.subarray(from, from + 4), to)
  if (a === 0) return
  const under = (onto[to + 3]! / 255) * (1 - a)
  for (let c = 0; c < 3; c++)
    onto[to + c] = Math.round((data[from + c]! * a + onto[to + c]! * under) / (a + under))
  onto[to + 3] = Math.round((a + under) * 255)
}
