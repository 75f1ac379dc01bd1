import sharp from 'sharp'
import { ssim } from '@/core/picture/ssim'
import type { PictureRef } from '@/core/tiles/picture/ref'

/** Likeness below which a loss may be seen: structural similarity (Wang and others, 2004) against the crop. */
export const LIKENESS = 0.98

export interface Pixels { data: Buffer; width: number; height: number }
export interface Encoded { bytes: Buffer; type: PictureRef['type']; width: number; height: number; likeness: number }

const decode = (bytes: Buffer) => sharp(bytes).ensureAlpha().raw().toBuffer()

/** SSIM of an encoded picture against the pixels it was made from, 0 to 1. */
export const likenessOf = async (bytes: Buffer, pixels: Pixels): Promise<number> => ssim(pixels, { ...pixels, data: await decode(bytes) })

/** Below this quality JPEG rings visibly around letters, whatever the mean says (common practice, no source). */
const LEAST_QUALITY = 60

/**
 * The smallest file at no visible loss: the lighter of a palette PNG and a JPEG of the lowest quality (found by bisection) that keep the likeness.
 * Colours stay at full resolution (4:4:4), so that a cut's flat edge keeps the colour of the live ground beside it.
 * @param pixels opaque RGBA
 */
export async function encodeCrop(pixels: Pixels, signal?: AbortSignal): Promise<Encoded> {
  const raw = () => sharp(pixels.data, { raw: { width: pixels.width, height: pixels.height, channels: 4 } }).removeAlpha()
  const png = await best(pixels, await raw().png({ palette: true, quality: 100, effort: 7, dither: 0.6, compressionLevel: 9 }).toBuffer())
  signal?.throwIfAborted()
  // Flat work is as light as it gets; a JPEG could only blur it.
  if (png.likeness >= 0.9995 && png.bytes.length < (pixels.width * pixels.height) / 40) return { ...png, type: 'image/png', width: pixels.width, height: pixels.height }
  let jpeg: { bytes: Buffer; likeness: number } | null = null
  for (let low = LEAST_QUALITY, high = 96; low <= high; ) {
    signal?.throwIfAborted()
    const quality = (low + high) >> 1
    const tried = await best(pixels, await raw().jpeg({ quality, mozjpeg: true, chromaSubsampling: '4:4:4' }).toBuffer())
    if (tried.likeness >= LIKENESS) { jpeg = tried; high = quality - 1 } else low = quality + 1
  }
  const fit = [png.likeness >= LIKENESS ? { ...png, type: 'image/png' as const } : null, jpeg ? { ...jpeg, type: 'image/jpeg' as const } : null].filter((x) => x !== null)
  const chosen = fit.sort((a, b) => a.bytes.length - b.bytes.length)[0]
  if (chosen) return { ...chosen, width: pixels.width, height: pixels.height }
  const whole = await raw().png({ compressionLevel: 9 }).toBuffer()
  return { bytes: whole, type: 'image/png', width: pixels.width, height: pixels.height, likeness: 1 }
}

const best = async (pixels: Pixels, bytes: Buffer) => ({ bytes, likeness: await likenessOf(bytes, pixels) })
