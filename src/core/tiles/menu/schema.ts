import { z } from 'zod'
import { alignSchema, textStyleOverrideSchema } from '../../email/styles'
import { linkSchema, tileBase } from '../../email/tile'

/** A row of links. */
export const menuSchema = z.object({
  ...tileBase,
  kind: z.literal('menu'),
  items: z
    .array(z.object({ label: z.string().max(120), link: linkSchema }))
    .min(1)
    .max(12),
  /** What stands between two links; may be empty. */
  separator: z.string().max(4),
  /** Space on each side of a link, px. */
  space: z.number().int().min(0).max(60),
  /** The same on narrow; left out, as on wide. */
  narrowSpace: z.number().int().min(0).max(60).optional(),
  align: alignSchema,
  /** On narrow: a row that wraps, or one link to a line. */
  compact: z.enum(['wrap', 'column']),
  style: textStyleOverrideSchema.optional(),
})
export type MenuTile = z.infer<typeof menuSchema>
