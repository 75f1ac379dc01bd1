import { z } from 'zod'
import { richTextSchema } from '../../email/richtext'
import { alignSchema, textStyleOverrideSchema } from '../../email/styles'
import { tileBase } from '../base'

/** Live words: headings, paragraphs and lists. */
export const wordsSchema = z.object({
  ...tileBase,
  kind: z.literal('words'),
  text: richTextSchema,
  align: alignSchema,
  /** Own values over the inherited text style, for paragraphs and lists. */
  style: textStyleOverrideSchema.optional(),
  /** Own values over the inherited style of headings. */
  headings: textStyleOverrideSchema.optional(),
  /** Which text style its paragraphs inherit; left out, the band's role decides. */
  base: z.enum(['body', 'small']).optional(),
})
export type WordsTile = z.infer<typeof wordsSchema>
