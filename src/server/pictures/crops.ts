import { eq } from 'drizzle-orm'
import type { Cleared } from '@/core/cut/cleared'
import type { Cut } from '@/core/cut/plan'
import type { Rect } from '@/core/cut/raster'
import type { PictureRef } from '@/core/picture/ref'
import { db } from '../db'
import { crops } from '../db/schema'
import { compute } from '../pool'
import { fileOf, keepNew, pictureInfo } from './store'

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
export type Croppable = Rect &
  Pick<Cut, 'encoding' | 'ground' | 'own'> & {
    /** What stands on it and is taken off. */ cleared?: Cleared
  }

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
  signal?: AbortSignal,
): Promise<Crop> {
  if (cut.own) return { picture: pictureInfo(cut.own.id), likeness: 1, plain: pictureInfo(cut.own.id).bytes }
  const size = storedSize(cut, scale)
  const key = keyOf(designId, cut, size)
  const known = db().select().from(crops).where(eq(crops.key, key)).get()
  if (known)
    return { picture: pictureInfo(known.pictureId), likeness: known.likeness / 1e6, plain: known.plain }
  const { x, y, w, h, encoding, ground, cleared } = cut
  const part = { x, y, w, h, encoding, ground, cleared, size, scale }
  const { picture, likeness, plain } = await compute(
    'encodePart',
    { design: fileOf(designId), part },
    { signal },
  )
  const ref = await keepNew(picture)
  db()
    .insert(crops)
    .values({ key, pictureId: ref.id, likeness: Math.round(likeness * 1e6), plain })
    .onConflictDoNothing()
    .run()
  return { picture: ref, likeness, plain }
}

/** All that the file of a crop depends on. */
function keyOf(designId: string, cut: Croppable, size: { width: number; height: number }): string {
  const { format, likeness, cutout: clear, outline } = cut.encoding ?? {}
  return [
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
    ...(cut.cleared ? [JSON.stringify(cut.cleared)] : []),
  ].join(':')
}
