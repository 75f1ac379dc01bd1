import { z } from 'zod'
import { interactiveBase, lineSchema, sayingsSchema, targetSchema } from '../interactive/schema'

/** A question that is answered with one step of a scale. */
export const ratingSchema = z.object({
  ...interactiveBase,
  kind: z.literal('rating'),
  question: lineSchema,
  /** Five stars, eleven numbers from 0 to 10, or five faces. */
  scale: z.enum(['stars', 'ten', 'faces']),
  /** What the ends of the scale mean. */
  low: lineSchema,
  high: lineSchema,
  target: targetSchema,
  sayings: sayingsSchema,
})
export type RatingTile = z.infer<typeof ratingSchema>
