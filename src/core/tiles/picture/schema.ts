import { z } from 'zod'
import { alignSchema, edgeSchema } from '../../email/styles'
import { linkSchema, tileBase } from '../../email/tile'
import { motionSchema } from '../../motion/schema'
import { cropSchema } from '../../picture/crop'
import { pictureRefSchema } from '../../picture/ref'

/** A picture, shown at `width` px or as wide as its cell allows. */
export const pictureSchema = z.object({
  ...tileBase,
  kind: z.literal('picture'),
  picture: pictureRefSchema.nullable(),
  /** null: not written yet. Empty: pure decoration, readers pass over it. */
  alt: z.string().max(2000).nullable(),
  link: linkSchema,
  /** Shown width on wide, px. Fractional where the design's density divides unevenly. */
  width: z.number().min(1).max(2000),
  /** Shown width in % of what its cell leaves it; prevails over `width`. */
  percent: z.number().int().min(1).max(100).optional(),
  align: alignSchema,
  edge: edgeSchema.optional(),
  /** px */
  radius: z.number().int().min(0).max(200).optional(),
  /** What it stands for, as a picture of words of the design that were not read. */
  standsFor: z.enum(['words', 'button']).optional(),
  /** Shown instead on narrow, and at night, by readers that know how; the others keep to the first. */
  narrowPicture: pictureRefSchema.optional(),
  nightPicture: pictureRefSchema.optional(),
  /** Shown instead to people who ask for less motion, by readers that pass that on: the first frame of a picture that moves. */
  stillPicture: pictureRefSchema.optional(),
  /** What part of a whole picture the two are, where they were cropped here. */
  crop: cropSchema.optional(),
  narrowCrop: cropSchema.optional(),
  /** How it is made, where it moves and was made here. */
  motion: motionSchema.optional(),
})
export type PictureTile = z.infer<typeof pictureSchema>
