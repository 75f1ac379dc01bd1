import { z } from 'zod'
import { linkSchema } from '../../email/tile'
import { interactiveBase, lineSchema, paragraphsSchema, shownSchema } from '../interactive/schema'

/** A picture on which places are pressed, each with something to say. */
export const spotsSchema = z.object({
  ...interactiveBase,
  kind: z.literal('spots'),
  shows: shownSchema,
  /** Says what to do. */
  hint: lineSchema,
  spots: z
    .array(
      z.object({
        /** Of the picture's width and height, 0 to 1. */
        x: z.number().min(0).max(1),
        y: z.number().min(0).max(1),
        title: lineSchema,
        text: paragraphsSchema,
        link: linkSchema,
      }),
    )
    .max(12),
})
export type SpotsTile = z.infer<typeof spotsSchema>
