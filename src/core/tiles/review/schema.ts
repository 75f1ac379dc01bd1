import { z } from 'zod'
import { alignSchema, colorSchema, textStyleOverrideSchema } from '../../email/styles'
import { tileBase } from '../../email/tile'

/** What somebody said, with stars. */
export const reviewSchema = z.object({
  ...tileBase,
  kind: z.literal('review'),
  text: z.string().max(2000),
  who: z.string().max(200),
  about: z.string().max(200),
  /** Out of five; null: no stars. */
  stars: z.number().int().min(0).max(5).nullable(),
  starColor: colorSchema,
  nightStarColor: colorSchema.optional(),
  align: alignSchema,
  style: textStyleOverrideSchema.optional(),
  /** Own values of who said it over the role's paragraphs; left out, small letters with the name in bold. */
  byStyle: textStyleOverrideSchema.optional(),
  /** Space between the words and who said them, px; left out, a little. */
  space: z.number().int().min(0).max(200).optional(),
})
export type ReviewTile = z.infer<typeof reviewSchema>
