import { z } from 'zod'
import { colorSchema } from '../../email/styles'
import { linkSchema } from '../../email/tile'
import { interactiveBase, lineSchema, shownSchema } from '../interactive/schema'

/** Kinds of one thing: choosing one shows its picture and its price. */
export const swatchesSchema = z.object({
  ...interactiveBase,
  kind: z.literal('swatches'),
  title: lineSchema,
  options: z
    .array(
      z.object({
        name: lineSchema,
        color: colorSchema,
        shows: shownSchema,
        price: lineSchema,
        link: linkSchema,
      }),
    )
    .min(1)
    .max(12),
  /** What is pressed once one was chosen. */
  label: lineSchema,
})
export type SwatchesTile = z.infer<typeof swatchesSchema>
