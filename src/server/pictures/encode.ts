import sharp from 'sharp'
import { ssimTo } from '@/core/picture/ssim'
import type { PictureRef } from '@/core/picture/ref'

/**
 * Likeness below which a loss may be seen: structural similarity (Wang and others, 2004) against the crop.
 */
export const LIKENESS = 0.98

export interface Pixels {
  data: Buffer
  width: number
  height: number
}
export interface Encoded {
  bytes: Buffer
  type: PictureRef['type']
  width: number
  height: number
  likeness: number
}

const decode = (bytes: Buffer) => sharp(bytes).ensureAlpha().raw().toBuffer()

/** Judges encoded pictures by their SSIM, 0 to 1, against the pixels they were made from. */
function judge(pixels: Pixels): (bytes: Buffer) => Promise<{ bytes: Buffer; likeness: number }> {
  const like = ssimTo(pixels)
  return async (bytes) => {
    const data = await decode(bytes)
    return { bytes, likeness: like({ ...pixels, data }) }
  }
}

/**
 * Below this quality JPEG rings visibly around letters, whatever the mean says (common practice, no source).
 */
const LEAST_QUALITY = 60

/** What is asked of a file; what is left out is decided by content. */
export interface Wanted {
  format?: 'png' | 'jpeg'
  /** Least SSIM. */ likeness?: number
}

/**
 * The smallest file at no visible loss: the lighter of a palette PNG and a JPEG of the lowest quality (found
 * by bisection) that keep the likeness. Colours stay at full resolution (4:4:4), so that a cut's flat edge
 * keeps the colour of the live ground beside it. A picture with alpha is a PNG. No file carries metadata.
 * @param pixels RGBA
 */
export async function encodeCrop(
  pixels: Pixels,
  { format, likeness = LIKENESS }: Wanted = {},
): Promise<Encoded> {
  const size = { width: pixels.width, height: pixels.height }
  const clear = hasAlpha(pixels.data)
  const judged = judge(pixels)
  const raw = () => {
    const image = sharp(pixels.data, { raw: { ...size, channels: 4 } })
    return clear ? image : image.removeAlpha()
  }
  if (clear) {
    // Rims of 256 colours in all show no loss on small marks; else every colour is kept.
    const few = await raw()
      .png({ palette: true, quality: 100, effort: 7, dither: 0, compressionLevel: 9 })
      .toBuffer()
    const { likeness: kept } = await judged(few)
    if (kept >= Math.max(likeness, 0.995)) return { bytes: few, type: 'image/png', ...size, likeness: kept }
    return {
      bytes: await raw().png({ compressionLevel: 9, effort: 7 }).toBuffer(),
      type: 'image/png',
      ...size,
      likeness: 1,
    }
  }
  const png = await judged(
    await raw().png({ palette: true, quality: 100, effort: 7, dither: 0.6, compressionLevel: 9 }).toBuffer(),
  )
  const whole = async (): Promise<Encoded> => ({
    bytes: await raw().png({ compressionLevel: 9 }).toBuffer(),
    type: 'image/png',
    ...size,
    likeness: 1,
  })
  if (format === 'png') return png.likeness >= likeness ? { ...png, type: 'image/png', ...size } : whole()
  // Flat work is as light as it gets; a JPEG could only blur it.
  if (!format && png.likeness >= 0.9995 && png.bytes.length < (size.width * size.height) / 40)
    return { ...png, type: 'image/png', ...size }
  let jpeg: { bytes: Buffer; likeness: number } | null = null
  for (let low = LEAST_QUALITY, high = likeness > 0.99 ? 100 : 96; low <= high;) {
    const quality = (low + high) >> 1
    const tried = await judged(
      await raw().jpeg({ quality, mozjpeg: true, chromaSubsampling: '4:4:4' }).toBuffer(),
    )
    if (tried.likeness >= likeness) {
      jpeg = tried
      high = quality - 1
    } else low = quality + 1
  }
  if (format === 'jpeg') {
    const last =
      jpeg ??
      (await judged(await raw().jpeg({ quality: 100, mozjpeg: true, chromaSubsampling: '4:4:4' }).toBuffer()))
    return { ...last, type: 'image/jpeg', ...size }
  }
  const fit = [
    png.likeness >= likeness ? { ...png, type: 'image/png' as const } : null,
    jpeg ? { ...jpeg, type: 'image/jpeg' as const } : null,
  ].filter((x) => x !== null)
  const chosen = fit.sort((a, b) => a.bytes.length - b.bytes.length)[0]
  return chosen ? { ...chosen, ...size } : whole()
}

const hasAlpha = (data: Buffer): boolean => {
  for (let i = 3; i < data.length; i += 4) if (data[i]! < 255) return true
  return false
}
