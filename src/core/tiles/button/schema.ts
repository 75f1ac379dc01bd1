import { z } from 'zod'
import { alignSchema, buttonStyleSchema, buttonVariants } from '../../email/styles'
import { linkSchema, tileBase } from '../../email/tile'
import { pictureRefSchema } from '../../picture/ref'

/** A call to action drawn live: words on a filled, perhaps rounded, box. */
export const buttonSchema = z.object({
  ...tileBase,
  kind: z.literal('button'),
  label: z.string().max(200),
  link: linkSchema,
  align: alignSchema,
  /** Full width on narrow. */
  fullNarrow: z.boolean(),
  /** Which of the house's buttons it is; left out, the main one. */
  variant: z.enum(buttonVariants).optional(),
  style: buttonStyleSchema.partial().optional(),
  /** A small picture beside the words. @param width shown, px */
  icon: z
    .object({
      picture: pictureRefSchema,
      side: z.enum(['before', 'after']),
      width: z.number().int().min(4).max(80),
    })
    .optional(),
})
export type ButtonTile = z.infer<typeof buttonSchema>
