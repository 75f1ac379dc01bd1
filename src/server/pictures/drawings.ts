import sharp from 'sharp'
import { drawn, type DrawnIn, type Drawing } from '@/core/starters/motifs'
import type { PictureRef } from '@/core/picture/ref'
import { newPicture } from './kept'
import { keepNew } from './store'

/** Draws a mosaic as PNG and keeps it. */
export async function drawMosaic(drawing: Drawing, colors: DrawnIn): Promise<PictureRef> {
  const { data, info } = await sharp(Buffer.from(drawn(drawing, colors)))
    .png({ palette: true, compressionLevel: 9 })
    .toBuffer({ resolveWithObject: true })
  return keepNew(newPicture(data, { type: 'image/png', width: info.width, height: info.height }))
}
