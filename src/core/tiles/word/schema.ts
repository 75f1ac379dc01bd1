import { z } from 'zod'
import { tileBase } from '../base'

/** Markup for the Word engine alone, and what all other readers show instead. */
export const wordSchema = z.object({
  ...tileBase,
  kind: z.literal('word'),
  word: z.string().max(100_000),
  others: z.string().max(100_000),
})
export type WordTile = z.infer<typeof wordSchema>
