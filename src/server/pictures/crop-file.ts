import { readFile } from 'node:fs/promises'
import sharp from 'sharp'
import type { Rect } from '@/core/cut/raster'
import { Problem } from '../problem'
import { encodeCrop } from './encode'
import { newPicture, type NewPicture } from './kept'

/** A part of a picture's file, transparency kept, in the format that is lightest at a good likeness. */
export async function cropPicture(file: string, { x, y, w, h }: Rect): Promise<NewPicture> {
  const source = await readFile(file)
  const { pages = 1 } = await sharp(source, { animated: true }).metadata()
  if (pages > 1)
    throw new Problem(
      422,
      'moving-picture',
      'A moving picture is not cropped here',
      `It has ${pages} frames, of which one would be left. Crop it where it was made, and replace it.`,
    )
  const { data, info } = await sharp(source)
    .rotate()
    .extract({ left: x, top: y, width: w, height: h })
    .toColorspace('srgb')
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const { bytes, type, width, height } = await encodeCrop(
    { data, width: info.width, height: info.height },
    {},
  )
  return newPicture(bytes, { type, width, height })
}
