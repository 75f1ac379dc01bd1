import { z } from 'zod'
import { tooMuch } from '../../html/bounds'
import { tileBase } from '../../email/tile'

const markup = z
  .string()
  .max(100_000)
  .superRefine((html, c) => {
    const much = tooMuch(html)
    if (much) c.addIssue({ code: 'custom', message: `markup with ${much} is not taken` })
  })

/** Markup for the Word engine alone, and what all other readers show instead. */
export const conditionalSchema = z.object({
  ...tileBase,
  kind: z.literal('conditional'),
  word: markup,
  others: markup,
})
export type ConditionalTile = z.infer<typeof conditionalSchema>
