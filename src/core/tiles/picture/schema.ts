import { z } from 'zod'
import { alignSchema } from '../../email/styles'
import { tileBase } from '../base'

export const pictureRefSchema = z.object({
  /** SHA-256 of its bytes, in hexadecimal. */
  id: z.string().regex(/^[0-9a-f]{64}$/),
  type: z.enum(['image/png', 'image/jpeg', 'image/gif', 'image/webp']),
  /** Real size, px. */
  width: z.number().int().positive(),
  height: z.number().int().positive(),
  bytes: z.number().int().positive(),
})
export type PictureRef = z.infer<typeof pictureRefSchema>

/** A picture, shown at `width` px or as wide as its cell allows. */
export const pictureSchema = z.object({
  ...tileBase,
  kind: z.literal('picture'),
  picture: pictureRefSchema.nullable(),
  /** null: not written yet. Empty: pure decoration, readers pass over it. */
  alt: z.string().max(2000).nullable(),
  link: z.string().max(4000),
  /** Shown width on wide, px. Fractional where the design's density divides unevenly. */
  width: z.number().min(1).max(2000),
  align: alignSchema,
})
export type PictureTile = z.infer<typeof pictureSchema>
