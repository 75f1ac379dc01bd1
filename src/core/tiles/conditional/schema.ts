import { z } from 'zod'
import { tileBase } from '../../email/tile'

/** Markup for the Word engine alone, and what all other readers show instead. */
export const conditionalSchema = z.object({
  ...tileBase,
  kind: z.literal('conditional'),
  word: z.string().max(100_000),
  others: z.string().max(100_000),
})
export type ConditionalTile = z.infer<typeof conditionalSchema>
