import { z } from 'zod'
import { pictureRefSchema } from './ref'

/** What of a picture is shown: a part of one shape around the point that must be seen. */
export const cropSchema = z.object({
  /** The whole picture, so that another part can be taken later. */
  of: pictureRefSchema,
  /** The point that must be seen, as shares of width and height. */
  x: z.number().min(0).max(1),
  y: z.number().min(0).max(1),
  /** How much closer it is than the largest part of its shape. */
  zoom: z.number().min(1).max(8),
  /** Width over height; left out, as the whole. */
  ratio: z.number().min(0.1).max(10).optional(),
})
export type Crop = z.infer<typeof cropSchema>

interface Size {
  width: number
  height: number
}

/**
 * The part of a picture, px: as large as its shape and zoom let it be, with its point in the middle where the picture
 * reaches so far, and always within.
 */
export function cropRect({ width, height }: Size, { x, y, zoom, ratio }: Omit<Crop, 'of'>) {
  const shape = ratio ?? width / height
  const across = Math.min(width, height * shape) / zoom
  const w = Math.max(1, Math.round(across))
  const h = Math.max(1, Math.round(across / shape))
  const place = (at: number, part: number, whole: number) =>
    Math.max(0, Math.min(whole - part, Math.round(at * whole - part / 2)))
  const [inW, inH] = [Math.min(w, width), Math.min(h, height)]
  return { x: place(x, inW, width), y: place(y, inH, height), w: inW, h: inH }
}
