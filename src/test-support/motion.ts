import { createCanvas, loadImage } from '@napi-rs/canvas'
import sharp from 'sharp'
import { drawerOf, drawSequence, fileSize, momentsOfRecipe, type DrawnSequence } from '@/core/motion/draw'
import type { Letters } from '@/core/motion/letters-schema'
import type { Pen, PenImage, Slot } from '@/core/motion/pen'
import { motionDefaults, type Made, type Motion } from '@/core/motion/schema'
import type { Frame } from '@/core/motion/sequence'
import type { PictureRef } from '@/core/picture/ref'
import { familyOf } from '@/server/motion/countdown/fonts'

/** Letters that every machine has: the fonts of the app. */
export const letters: Letters = { font: 'sans', size: 30, bold: true, color: '#000000', align: 'center' }

export const ref = (id: string, width = 40, height = 40): PictureRef => ({
  id: id.repeat(64).slice(0, 64),
  type: 'image/png',
  width,
  height,
  bytes: 100,
})

/** A picture of one colour as a PNG. */
export const plain = (color: string, width = 40, height = 40): Promise<Buffer> =>
  sharp({ create: { width, height, channels: 4, background: color } })
    .png()
    .toBuffer()

/** How something is made, with the values that say nothing of the matter. */
export const motionOf = (made: Made, more: Partial<Motion> = {}): Motion => ({
  ...motionDefaults,
  height: 60,
  made,
  ...more,
})

/** Draws what is made as the worker of the page does, on a canvas of the same specification. @param pictures PNGs by id */
export async function drawnOf(
  motion: Motion,
  width = 240,
  pictures: Readonly<Record<string, Buffer>> = {},
): Promise<DrawnSequence> {
  const images = new Map<string, PenImage>()
  for (const [id, png] of Object.entries(pictures))
    images.set(id, (await loadImage(png)) as unknown as PenImage)
  const slot: Slot = {
    width,
    height: motion.height,
    picture: (id) => images.get(id) ?? null,
    family: () => familyOf('node_modules/@fontsource', 'sans'),
    dir: 'ltr',
  }
  const size = fileSize(motion, width)
  const pen = createCanvas(size.width, size.height).getContext('2d')
  const sheet = {
    pen: pen as unknown as Pen,
    ...size,
    read: () => pen.getImageData(0, 0, size.width, size.height).data,
  }
  const scale = { x: size.width / width, y: size.height / motion.height }
  return drawSequence(momentsOfRecipe(motion), drawerOf(motion, slot), sheet, scale, motion.loop)
}

/** How much of a frame is not of its ground: the sum of what each pixel is darker than white, in pixels. */
export function inkOf({ data }: Pick<Frame, 'data'>, from = 0, to = 1, width = 240): number {
  let ink = 0
  for (let p = 0, i = 0; i < data.length; p++, i += 4) {
    const x = (p % width) / width
    if (x >= from && x < to) ink += (255 - data[i + 1]!) / 255
  }
  return ink
}

/** The colour of a pixel. */
export const pixel = ({ data }: Pick<Frame, 'data'>, x: number, y: number, width: number): number[] => [
  ...data.slice((y * width + x) * 4, (y * width + x) * 4 + 4),
]
