import { z } from 'zod'
import { alignSchema, linkStyleSchema, textStyleOverrideSchema } from '../../email/styles'
import { linkSchema, tileBase } from '../../email/tile'

const way = z.object({ label: z.string().max(200), link: linkSchema })

/** What every commercial message ends with: who sends and from where, why it came, and the ways out. */
export const footerSchema = z.object({
  ...tileBase,
  kind: z.literal('footer'),
  /** Left out: as in the house style; empty: none. */
  sender: z.string().max(200).optional(),
  address: z.string().max(400).optional(),
  why: z.string().max(1000),
  unsubscribe: way,
  preferences: way.optional(),
  align: alignSchema,
  /** Space after each of its paragraphs but the last, px; left out, it follows from the height of its lines. */
  space: z.number().int().min(0).max(200).optional(),
  style: textStyleOverrideSchema.optional(),
  /** Own look of its links. */
  link: linkStyleSchema.partial().optional(),
})
export type FooterTile = z.infer<typeof footerSchema>
