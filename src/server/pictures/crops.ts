import { eq } from 'drizzle-orm'
import sharp from 'sharp'
import { cutout, outlined } from '@/core/cut/cutout'
import type { Cut } from '@/core/cut/plan'
import type { Raster, Rect } from '@/core/cut/raster'
import type { PictureRef } from '@/core/picture/ref'
import { db } from '../db'
import { crops } from '../db/schema'
import { encodeCrop } from './encode'
import { keepPicture, pictureInfo, pictureRaster } from './store'

/** Counted up when the encoder's choices change, so that old crops are made anew. */
const ENCODER = 3

export interface Crop {
  picture: PictureRef
  /** SSIM against the crop, 0 to 1. */
  likeness: number
  /** Bytes of the same pixels as a plain PNG. */
  plain: number
}

/** What of a cut its file depends on. */
export type Croppable = Rect & Pick<Cut, 'encoding' | 'ground' | 'own'>

/**
 * The size a crop is stored at: at its density (2 unless asked otherwise) or its own width, where the design
 * has the pixels; else what it has.
 * @param scale design px for each px of the email
 */
export function storedSize(
  cut: Rect & Pick<Cut, 'encoding'>,
  scale: number,
): { width: number; height: number } {
  const { width, density = 2 } = cut.encoding ?? {}
  const shrink = Math.min(1, width ? width / cut.w : density / scale)
  return { width: Math.max(1, Math.round(cut.w * shrink)), height: Math.max(1, Math.round(cut.h * shrink)) }
}

/**
 * Encodes a cut of a design, or finds it where it was encoded before. A picture that stands in place of the
 * crop is given as it is.
 */
export async function cropOf(
  designId: string,
  cut: Croppable,
  scale: number,
  design: () => Promise<Raster> = () => pictureRaster(designId),
  signal?: AbortSignal,
): Promise<Crop> {
  if (cut.own) return { picture: pictureInfo(cut.own.id), likeness: 1, plain: pictureInfo(cut.own.id).bytes }
  const size = storedSize(cut, scale)
  const { format, likeness, cutout: clear, outline } = cut.encoding ?? {}
  const key = [
    ENCODER,
    designId,
    cut.x,
    cut.y,
    cut.w,
    cut.h,
    size.width,
    size.height,
    format ?? '',
    likeness ?? '',
    clear ? (cut.ground ?? '#ffffff') : '',
    clear ? (outline ?? '') : '',
  ].join(':')
  const known = db().select().from(crops).where(eq(crops.key, key)).get()
  if (known)
    return { picture: pictureInfo(known.pictureId), likeness: known.likeness / 1e6, plain: known.plain }
  const pixels = await pixelsOf(cut, await design(), size)
  signal?.throwIfAborted()
  const encoded = await encodeCrop(pixels, signal, { format, likeness })
  const plain = (
    await sharp(pixels.data, { raw: { width: pixels.width, height: pixels.height, channels: 4 } })
      .png()
      .toBuffer()
  ).length
  const picture = await keepPicture(encoded.bytes, {
    type: encoded.type,
    width: encoded.width,
    height: encoded.height,
  })
  db()
    .insert(crops)
    .values({ key, pictureId: picture.id, likeness: Math.round(encoded.likeness * 1e6), plain })
    .onConflictDoNothing()
    .run()
  return { picture, likeness: encoded.likeness, plain }
}

/** The pixels of a cut at the size they are stored at; of a mark without its ground, with alpha. */
async function pixelsOf(
  cut: Croppable,
  design: Raster,
  size: { width: number; height: number },
): Promise<{ data: Buffer; width: number; height: number }> {
  const clear = cut.encoding?.cutout
  const mark = clear ? withOutline(cutout(design, cut, cut.ground ?? '#ffffff'), cut) : null
  let image = mark
    ? sharp(mark.data, { raw: { width: mark.width, height: mark.height, channels: 4 } })
    : sharp(design.data, { raw: { width: design.width, height: design.height, channels: 4 } }).extract({
        left: cut.x,
        top: cut.y,
        width: cut.w,
        height: cut.h,
      })
  if (size.width !== cut.w) image = image.resize(size.width, size.height, { kernel: 'lanczos3', fit: 'fill' })
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { data, width: info.width, height: info.height }
}

/**
 * The line lies around the mark; what of it leaves the cut is left out, so that the picture keeps its place.
 */
function withOutline(mark: Raster, cut: Croppable): Raster {
  const color = cut.encoding?.outline
  if (!color) return mark
  const big = outlined(mark, color, 2)
  const pad = (big.width - mark.width) / 2
  const data = new Uint8Array(mark.data.length)
  for (let y = 0; y < mark.height; y++)
    data.set(
      big.data.subarray(((y + pad) * big.width + pad) * 4, ((y + pad) * big.width + pad + mark.width) * 4),
      y * mark.width * 4,
    )
  return { ...mark, data }
}
