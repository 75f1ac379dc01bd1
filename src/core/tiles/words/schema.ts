import { z } from 'zod'
import { richTextSchema } from '../../email/richtext'
import { alignSchema, linkStyleSchema, textStyleOverrideSchema } from '../../email/styles'
import { tileBase } from '../../email/tile'

/** Live words: headings, paragraphs, lists and quotes. */
export const wordsSchema = z.object({
  ...tileBase,
  kind: z.literal('words'),
  text: richTextSchema,
  align: alignSchema,
  /** Own values over the inherited text style, for paragraphs, lists and quotes. */
  style: textStyleOverrideSchema.optional(),
  /** Own values over the inherited style of headings. */
  headings: textStyleOverrideSchema.optional(),
  /** Own values over the inherited style of links. */
  link: linkStyleSchema.partial().optional(),
  /** Space after each block but the last, px; left out, it follows from the height of its lines. */
  space: z.number().int().min(0).max(200).optional(),
  /** Space under each item of a list, px; left out, a little. */
  itemSpace: z.number().int().min(0).max(100).optional(),
  /** Which text style its paragraphs inherit; left out, the band's role decides. */
  base: z.enum(['body', 'small']).optional(),
  /** Where the words are in another language than the email (BCP 47), or run the other way. */
  lang: z
    .string()
    .regex(/^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*$/)
    .optional(),
  dir: z.enum(['ltr', 'rtl']).optional(),
})
export type WordsTile = z.infer<typeof wordsSchema>
