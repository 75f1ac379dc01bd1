import { z } from 'zod'
import { colorSchema } from '../../email/styles'
import { tileBase } from '../base'

/** A line across the cell. */
export const dividerSchema = z.object({
  ...tileBase,
  kind: z.literal('divider'),
  color: colorSchema,
  /** px */
  thickness: z.number().int().min(1).max(40),
})
export type DividerTile = z.infer<typeof dividerSchema>
