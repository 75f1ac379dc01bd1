import sharp, { type Metadata } from 'sharp'
import { isApng } from '@/core/motion/apng'
import { flashesIn } from '@/core/motion/flashes'
import { GifError, readGif } from '@/core/motion/gif/read'
import { writeGif } from '@/core/motion/gif/write'
import { lengthOf, type Sequence } from '@/core/motion/sequence'
import { readMoving } from '../motion/read'
import { Problem } from '../problem'
import { newPicture, type NewPicture } from './kept'

const MOST_PICTURE_BYTES = 10 * 1024 * 1024

/** Longest side of a picture of an email, px. */
const MOST_SIDE = 20_000

/** Most pixels of a picture, and of all frames of one that moves. */
const MOST_PIXELS = 25_000_000
const MOST_MOVING = 400_000_000

/** A picture that may stand in an email, and the one it was made of where that came in a form which mail programs do not show. */
export interface Checked {
  picture: NewPicture
  original?: NewPicture
}

/**
 * Checks a picture for the email, which is kept as it is, judged by its content. An animated WebP or PNG becomes a GIF and is kept beside it. Throws a Problem
 * for anything else than a whole PNG, JPEG, GIF or animated WebP of at most 25 megapixels and 10 MB; mail programs show no
 * other kinds reliably.
 */
export async function checkPicture(bytes: Buffer, name: string): Promise<Checked> {
  const refuse = (why: string) => new Problem(415, 'not-a-picture', 'This file cannot stand in an email', why)
  if (bytes.length === 0) throw refuse(`"${name}" is empty (0 bytes).`)
  if (bytes.length > MOST_PICTURE_BYTES)
    throw new Problem(
      413,
      'picture-too-heavy',
      'The picture is too heavy',
      `"${name}" has ${(bytes.length / 1048576).toFixed(0)} MB; at most 10 MB make sense in an email. Make it smaller first.`,
    )
  const gif = bytes.subarray(0, 4).toString('latin1') === 'GIF8' ? gifFacts(bytes, name, refuse) : null
  const types = { png: 'image/png', jpeg: 'image/jpeg', gif: 'image/gif', webp: 'image/webp' } as const
  let meta: Metadata
  try {
    meta = await sharp(bytes, { limitInputPixels: MOST_MOVING, animated: true }).metadata()
    const height = meta.pageHeight ?? meta.height ?? 0
    if (Math.max(meta.width ?? 0, height) > MOST_SIDE || (meta.width ?? 0) * height > MOST_PIXELS)
      throw new RangeError()
    // Reading every pixel tells a whole file from a broken one.
    await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' }).stats()
  } catch {
    throw refuse(
      `"${name}" is not a whole PNG, JPEG or GIF of at most 25 megapixels, ${MOST_SIDE.toLocaleString('en')} px on a side. Export it again.`,
    )
  }
  if (!(meta.format && meta.format in types) || (meta.format === 'webp' && (meta.pages ?? 1) < 2))
    throw refuse(
      `"${name}" holds ${(meta.format ?? 'an unknown format').toUpperCase()}; mail programs show PNG, JPEG and GIF.`,
    )
  const type = types[meta.format as keyof typeof types]
  const size = { width: meta.width!, height: meta.pageHeight ?? meta.height! }
  const flashes = gif?.moving && (await flashesOf(bytes, size.width))
  const kept = newPicture(bytes, {
    type,
    ...size,
    ...(gif?.moving && { moving: { ...gif.moving, flashes } }),
  })
  if (type === 'image/webp' || (type === 'image/png' && isApng(bytes)))
    return asGif(kept, bytes, name, refuse)
  return { picture: kept }
}

type Refuse = (why: string) => Problem

/** Width at which flashes are counted, px: areas too small to harm need no more. */
const GLANCE = 48

/** The most flashes of any second of a GIF. @param width px */
async function flashesOf(bytes: Buffer, width: number): Promise<number> {
  const image = sharp(bytes, { limitInputPixels: MOST_MOVING, animated: true })
  const { delay = [], loop = 0 } = await image.metadata()
  const small = await image
    .resize({ width: GLANCE })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const pages = delay.length || 1
  const height = Math.floor(small.info.height / pages)
  const size = small.info.width * height * 4
  const frames = delay.map((ms, i) => ({
    data: small.data.subarray(i * size, (i + 1) * size),
    delay: ms || 100,
  }))
  return flashesIn({ width: small.info.width, height, frames, loop }, width / GLANCE)
}

/** How a GIF moves, where it does. */
function gifFacts(bytes: Buffer, name: string, refuse: Refuse): { moving?: Moving } {
  try {
    const { width, height, frames, loop } = readGif(bytes)
    if (frames.length * width * height > MOST_MOVING)
      throw new GifError(`Its ${frames.length} frames have ${MOST_MOVING / 1e6} megapixels or more.`)
    return frames.length > 1 ? { moving: { frames: frames.length, ms: lengthOf(frames), loop } } : {}
  } catch (error) {
    if (error instanceof GifError)
      throw refuse(`"${name}" cannot be shown. ${error.message} Export it again.`)
    throw error
  }
}
type Moving = NonNullable<NewPicture['ref']['moving']>

/** A GIF of a moving picture of another form: mail programs show it. */
async function asGif(kept: NewPicture, bytes: Buffer, name: string, refuse: Refuse): Promise<Checked> {
  let sequence: Sequence
  try {
    sequence = await readMoving(bytes)
  } catch {
    throw refuse(`"${name}" is animated, but its frames are damaged. Export it again, or as GIF.`)
  }
  if (sequence.frames.length < 2) return { picture: kept }
  const { width, height, frames, loop } = sequence
  const gif = writeGif(sequence, { colors: 256, dither: 'pattern', loss: 0 })
  if (gif.shown.length < 2)
    return { picture: newPicture(Buffer.from(gif.bytes), { type: 'image/gif', width, height }) }
  const moving = { frames: gif.shown.length, ms: Math.round(lengthOf(gif.shown)), loop, of: kept.ref.id }
  const original = {
    ...kept,
    ref: { ...kept.ref, moving: { frames: frames.length, ms: Math.round(lengthOf(frames)), loop } },
  }
  return {
    picture: newPicture(Buffer.from(gif.bytes), { type: 'image/gif', width, height, moving }),
    original,
  }
}
