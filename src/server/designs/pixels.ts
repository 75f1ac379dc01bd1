import sharp, { type Metadata } from 'sharp'
import { newPicture, type NewPicture } from '../pictures/kept'
import { Problem } from '../problem'
import { MOST_BYTES, MOST_PIXELS, MOST_SIDE, refuseDesign as unreadable } from './board'

/**
 * Reads a design picture, judged by its content and not by its name. It comes out as PNG in sRGB without alpha and
 * metadata, so that every later reading gives the same pixels. Throws a Problem for anything else than a
 * whole, still PNG, JPEG, WebP or AVIF of at most 60 megapixels and 60 MB.
 */
export async function readPixels(bytes: Buffer, name: string): Promise<NewPicture> {
  if (bytes.length === 0)
    throw unreadable(`"${name}" is empty (0 bytes). Export the design again and drop the new file.`)
  if (bytes.length > MOST_BYTES)
    throw new Problem(
      413,
      'design-too-heavy',
      'The design is too heavy',
      `"${name}" has ${(bytes.length / 1048576).toFixed(0)} MB; at most 60 MB can be taken in. Export it as PNG or JPEG at double size.`,
    )
  let meta: Metadata
  try {
    meta = await sharp(bytes, { limitInputPixels: false, animated: true }).metadata()
  } catch {
    const begun = beginningOf(bytes)
    if (begun) throw brokenOff(name, begun)
    throw unreadable(
      `The content of "${name}" is not a PNG, JPEG, WebP, AVIF, SVG or PDF, nor a layered file, whatever its name says. Export the design as PNG and drop that file.`,
    )
  }
  // AVIF is AV1 in the container of HEIF; HEIF with another codec is not read.
  const avif = meta.format === 'heif' && meta.compression === 'av1'
  if (!avif && !['png', 'jpeg', 'webp', 'gif'].includes(meta.format ?? ''))
    throw unreadable(
      `"${name}" holds ${(meta.format ?? 'an unknown format').toUpperCase()}; a design comes as PNG, JPEG, WebP, AVIF, SVG, PDF or a layered file. Export it as PNG and drop that file.`,
    )
  const height = meta.pageHeight ?? meta.height ?? 0,
    width = meta.width ?? 0
  if ((meta.pages ?? 1) > 1)
    throw unreadable(
      `"${name}" is animated (${meta.pages} frames); a design is a still picture. Export one frame as PNG.`,
    )
  if (meta.format === 'gif')
    throw unreadable(
      `"${name}" is a GIF; a design comes as PNG, JPEG, WebP or AVIF. Export it as PNG and drop that file.`,
    )
  if (Math.max(width, height) > MOST_SIDE)
    throw new Problem(
      413,
      'design-too-large',
      'The design is too large',
      `"${name}" has ${width} x ${height} px; at most ${MOST_SIDE.toLocaleString('en')} px on a side can be taken in.`,
    )
  if (width * height > MOST_PIXELS)
    throw new Problem(
      413,
      'design-too-large',
      'The design is too large',
      `"${name}" has ${width} x ${height} px, ${((width * height) / 1e6).toFixed(0)} megapixels; at most 60 can be taken in. Export it at double the email's width (about 1200 px).`,
    )
  try {
    const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' })
      .rotate()
      .toColourspace('srgb')
      .flatten({ background: '#ffffff' })
      .png({ compressionLevel: 6 })
      .toBuffer({ resolveWithObject: true })
    return newPicture(data, { type: 'image/png', width: info.width, height: info.height })
  } catch (error) {
    if (error instanceof Problem) throw error
    throw brokenOff(name, beginningOf(bytes) ?? 'a picture')
  }
}

/** What a picture is by its first bytes, as a sentence names it; null for what is none of these. */
function beginningOf(bytes: Buffer): string | null {
  const text = (from: number, to: number) => bytes.toString('latin1', from, to)
  if (text(1, 4) === 'PNG') return 'a PNG'
  if (bytes[0] === 0xff && bytes[1] === 0xd8) return 'a JPEG'
  if (text(0, 4) === 'RIFF' && text(8, 12) === 'WEBP') return 'a WebP'
  return text(4, 12) === 'ftypavif' ? 'an AVIF' : null
}

const brokenOff = (name: string, begun: string): Problem =>
  unreadable(
    `"${name}" starts as ${begun} but breaks off or is damaged. Copy or export it again; the file you have is not whole.`,
  )
