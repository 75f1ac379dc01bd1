import type { Rect } from '@/core/cut/raster'
import type { PictureRef } from '@/core/picture/ref'
import { compute } from '../pool'
import { Problem } from '../problem'
import { fileOf, keepNew, pictureInfo } from './store'

/** Keeps a part of a picture as one of its own. Throws a Problem: 404 without the picture, 422 where the part does not lie within it. */
export async function takeCrop(id: string, rect: Rect, signal: AbortSignal): Promise<PictureRef> {
  const { width, height } = pictureInfo(id)
  if (rect.x + rect.w > width || rect.y + rect.h > height)
    throw new Problem(
      422,
      'part-outside',
      'This part does not lie within the picture',
      `The picture has ${width} by ${height} px.`,
    )
  return keepNew(await compute('cropPicture', { file: fileOf(id), rect }, { signal }))
}
