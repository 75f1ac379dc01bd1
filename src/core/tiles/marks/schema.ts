import { z } from 'zod'
import { alignSchema } from '../../email/styles'
import { linkSchema, tileBase } from '../../email/tile'
import { pictureRefSchema } from '../../picture/ref'

export const markSchema = z.object({
  picture: pictureRefSchema,
  /** null: not written yet; empty: decoration. */
  alt: z.string().max(2000).nullable(),
  link: linkSchema,
  /** Shown width, px; the height follows the picture. */
  width: z.number().int().min(4).max(300),
})
export type Mark = z.infer<typeof markSchema>

/** Small pictures in a row that keep their size on narrow: icons, stars, badges, marks of payment. */
export const marksSchema = z.object({
  ...tileBase,
  kind: z.literal('marks'),
  marks: z.array(markSchema).max(24),
  /** Between two of them, px. */
  gap: z.number().min(0).max(80),
  align: alignSchema,
})
export type MarksTile = z.infer<typeof marksSchema>
