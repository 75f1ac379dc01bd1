import { z } from 'zod'
import { linkSchema } from '../../email/tile'
import { interactiveBase, lineSchema, paragraphsSchema, shownSchema } from '../interactive/schema'

/** Panels of which one is seen at a time, or that are opened one after the other. */
export const panelsSchema = z.object({
  ...interactiveBase,
  kind: z.literal('panels'),
  /** Titles beneath each other that open, or beside each other as tabs. */
  as: z.enum(['reveal', 'tabs']),
  /** Opening one closes the others; tabs always do. */
  one: z.boolean(),
  /** Which is open at first, counted from 0. */
  open: z.number().int().min(0).max(9).nullable(),
  panels: z
    .array(
      z.object({
        title: lineSchema,
        text: paragraphsSchema,
        shows: shownSchema.optional(),
        label: lineSchema,
        link: linkSchema,
      }),
    )
    .min(1)
    .max(10),
})
export type PanelsTile = z.infer<typeof panelsSchema>
