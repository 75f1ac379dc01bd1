import { z } from 'zod'
import { alignSchema, colorSchema, edgeSchema, textStyleOverrideSchema } from '../../email/styles'
import { tileBase } from '../../email/tile'

/** A table of data: not for layout, so it carries header cells that are read aloud. */
export const tableSchema = z.object({
  ...tileBase,
  kind: z.literal('table'),
  caption: z.string().max(300),
  columns: z
    .array(
      z.object({
        align: alignSchema,
        /** In % of the table. */
        width: z.number().min(1).max(100).optional(),
        /** Own ink of its cells below the head, and whether they are bold. */
        color: colorSchema.optional(),
        bold: z.boolean().optional(),
      }),
    )
    .min(1)
    .max(12),
  /** Words of the cells, row by row, each row as long as there are columns. */
  rows: z
    .array(z.array(z.string().max(1000)))
    .min(1)
    .max(200),
  /** The first row, or the first cell of each row, names what follows. */
  headRow: z.boolean(),
  headColumn: z.boolean(),
  headBackground: colorSchema.optional(),
  headColor: colorSchema.optional(),
  nightHeadBackground: colorSchema.optional(),
  nightHeadColor: colorSchema.optional(),
  /** Ground of every other row, from the second below the head; from the first where that is said. */
  zebra: colorSchema.optional(),
  nightZebra: colorSchema.optional(),
  zebraFirst: z.boolean().optional(),
  /** Rows that stand out, such as a marked one or a total, by their number from 0, the head included: own ground, ink and weight. */
  rowLooks: z
    .array(
      z.object({
        row: z.number().int().min(0).max(199),
        background: colorSchema.optional(),
        color: colorSchema.optional(),
        bold: z.boolean().optional(),
        nightBackground: colorSchema.optional(),
        nightColor: colorSchema.optional(),
      }),
    )
    .max(40)
    .optional(),
  /** Line beneath each row, or only between rows. */
  edge: edgeSchema.optional(),
  edgeBetween: z.boolean().optional(),
  /** Space inside a cell, px; beside its words another, where that is said. */
  space: z.number().int().min(0).max(40),
  spaceBeside: z.number().int().min(0).max(80).optional(),
  /** On narrow: it scrolls sideways in its place, every row becomes a card, or it fits as it is. */
  compact: z.enum(['scroll', 'cards', 'whole']),
  style: textStyleOverrideSchema.optional(),
})
export type RowLook = NonNullable<z.infer<typeof tableSchema>['rowLooks']>[number]
export type TableTile = z.infer<typeof tableSchema>
