import { eq } from 'drizzle-orm'
import sharp from 'sharp'
import type { Raster, Rect } from '@/core/cut/raster'
import type { PictureRef } from '@/core/tiles/picture/ref'
import { db } from '../db'
import { crops } from '../db/schema'
import { encodeCrop } from './encode'
import { keepPicture, pictureInfo, pictureRaster } from './store'

/** Counted up when the encoder's choices change, so that old crops are made anew. */
const ENCODER = 2

export interface Crop { picture: PictureRef; /** SSIM against the crop, 0 to 1. */ likeness: number }

/** The size a crop is stored at: double the shown size where the design has the pixels, else what it has. @param scale design px for each px of the email */
export function storedSize(rect: Rect, scale: number): { width: number; height: number } {
  const shrink = Math.min(1, 2 / scale)
  return { width: Math.max(1, Math.round(rect.w * shrink)), height: Math.max(1, Math.round(rect.h * shrink)) }
}

/** Encodes a cut of a design, or finds it where it was encoded before. */
export async function cropOf(designId: string, rect: Rect, scale: number, design: () => Promise<Raster> = () => pictureRaster(designId), signal?: AbortSignal): Promise<Crop> {
  const size = storedSize(rect, scale)
  const key = [ENCODER, designId, rect.x, rect.y, rect.w, rect.h, size.width, size.height].join(':')
  const known = db().select().from(crops).where(eq(crops.key, key)).get()
  if (known) return { picture: pictureInfo(known.pictureId), likeness: known.likeness / 1e6 }
  const { data: all, ...whole } = await design()
  let cut = sharp(all, { raw: { ...whole, channels: 4 } }).extract({ left: rect.x, top: rect.y, width: rect.w, height: rect.h })
  if (size.width !== rect.w) cut = cut.resize(size.width, size.height, { kernel: 'lanczos3', fit: 'fill' })
  const { data, info } = await cut.ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  const encoded = await encodeCrop({ data, width: info.width, height: info.height }, signal)
  const picture = await keepPicture(encoded.bytes, { type: encoded.type, width: encoded.width, height: encoded.height })
  db().insert(crops).values({ key, pictureId: picture.id, likeness: Math.round(encoded.likeness * 1e6) }).onConflictDoNothing().run()
  return { picture, likeness: encoded.likeness }
}
