import { z } from 'zod'
import { alignSchema, colorSchema } from '../../email/styles'
import { tileBase } from '../../email/tile'

/** A line across the cell, or part of it. */
export const dividerSchema = z.object({
  ...tileBase,
  kind: z.literal('divider'),
  color: colorSchema,
  nightColor: colorSchema.optional(),
  /** px */
  thickness: z.number().int().min(1).max(40),
  /** Left out: solid. */
  line: z.enum(['solid', 'dashed', 'dotted', 'double']).optional(),
  /** In % of the cell; left out, all of it. */
  length: z.number().int().min(1).max(100).optional(),
  align: alignSchema.optional(),
  /** It parts what stands above from what stands below without being seen. */
  invisible: z.boolean().optional(),
})
export type DividerTile = z.infer<typeof dividerSchema>
