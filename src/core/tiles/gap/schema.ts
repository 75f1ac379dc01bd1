import { z } from 'zod'
import { tileBase } from '../base'

/** Empty space of a set height. */
export const gapSchema = z.object({
  ...tileBase,
  kind: z.literal('gap'),
  /** px; fractional where the design's density divides unevenly. */
  height: z.number().min(1).max(2000),
})
export type GapTile = z.infer<typeof gapSchema>
