import { z } from 'zod'
import { alignSchema, textStyleOverrideSchema } from '../../email/styles'
import { linkSchema, tileBase } from '../../email/tile'

const way = z.object({ label: z.string().max(200), link: linkSchema })

/** What every commercial message ends with: who sends and from where, why it came, and the ways out. */
export const footerSchema = z.object({
  ...tileBase,
  kind: z.literal('footer'),
  /** Left out: as in the house style. */
  sender: z.string().max(200).optional(),
  address: z.string().max(400).optional(),
  why: z.string().max(1000),
  unsubscribe: way,
  preferences: way.optional(),
  align: alignSchema,
  style: textStyleOverrideSchema.optional(),
})
export type FooterTile = z.infer<typeof footerSchema>
