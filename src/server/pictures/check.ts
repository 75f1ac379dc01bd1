import sharp, { type Metadata } from 'sharp'
import { Problem } from '../problem'
import { newPicture, type NewPicture } from './kept'

const MOST_PICTURE_BYTES = 10 * 1024 * 1024

/** Longest side of a picture of an email, px. */
const MOST_SIDE = 20_000

/**
 * Checks a picture for the email, which is kept as it is (a GIF keeps its frames), judged by its content. Throws a Problem
 * for anything else than a whole PNG, JPEG or GIF of at most 25 megapixels and 10 MB; mail programs show no
 * other kinds reliably.
 */
export async function checkPicture(bytes: Buffer, name: string): Promise<NewPicture> {
  const refuse = (why: string) => new Problem(415, 'not-a-picture', 'This file cannot stand in an email', why)
  if (bytes.length === 0) throw refuse(`"${name}" is empty (0 bytes).`)
  if (bytes.length > MOST_PICTURE_BYTES)
    throw new Problem(
      413,
      'picture-too-heavy',
      'The picture is too heavy',
      `"${name}" has ${(bytes.length / 1048576).toFixed(0)} MB; at most 10 MB make sense in an email. Make it smaller first.`,
    )
  const types = { png: 'image/png', jpeg: 'image/jpeg', gif: 'image/gif' } as const
  let meta: Metadata
  try {
    meta = await sharp(bytes, { limitInputPixels: 25_000_000, animated: true }).metadata()
    if (Math.max(meta.width ?? 0, meta.pageHeight ?? meta.height ?? 0) > MOST_SIDE) throw new RangeError()
    // Reading every pixel tells a whole file from a broken one.
    await sharp(bytes, { limitInputPixels: 25_000_000, failOn: 'truncated' }).stats()
  } catch {
    throw refuse(
      `"${name}" is not a whole PNG, JPEG or GIF of at most 25 megapixels, ${MOST_SIDE.toLocaleString('en')} px on a side. Export it again.`,
    )
  }
  if (!(meta.format && meta.format in types))
    throw refuse(
      `"${name}" holds ${(meta.format ?? 'an unknown format').toUpperCase()}; mail programs show PNG, JPEG and GIF.`,
    )
  return newPicture(bytes, {
    type: types[meta.format as keyof typeof types],
    width: meta.width!,
    height: meta.pageHeight ?? meta.height!,
  })
}
