import { z } from 'zod'
import { tileBase } from '../../email/tile'

const height = z.number().min(1).max(20_000)

/** Empty space of a set height. */
export const gapSchema = z.object({
  ...tileBase,
  kind: z.literal('gap'),
  /** px; fractional where the design's density divides unevenly. */
  height,
  /** px; left out, as on wide. */
  narrowHeight: height.optional(),
})
export type GapTile = z.infer<typeof gapSchema>
