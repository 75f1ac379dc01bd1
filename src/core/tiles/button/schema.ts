import { z } from 'zod'
import { alignSchema, buttonStyleSchema } from '../../email/styles'
import { tileBase } from '../base'

/** A call to action drawn live: words on a filled, perhaps rounded, box. */
export const buttonSchema = z.object({
  ...tileBase,
  kind: z.literal('button'),
  label: z.string().max(200),
  link: z.string().max(4000),
  align: alignSchema,
  /** Full width on narrow. */
  fullNarrow: z.boolean(),
  style: buttonStyleSchema.partial().optional(),
})
export type ButtonTile = z.infer<typeof buttonSchema>
