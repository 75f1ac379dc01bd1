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
        /** In % of the table. */ width: z.number().int().min(1).max(100).optional(),
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
  /** Ground of every other row. */
  zebra: colorSchema.optional(),
  /** Line beneath each row. */
  edge: edgeSchema.optional(),
  /** Space inside a cell, px. */
  space: z.number().int().min(0).max(40),
  /** On narrow: it scrolls sideways in its place, or every row becomes a card. */
  compact: z.enum(['scroll', 'cards']),
  style: textStyleOverrideSchema.optional(),
})
export type TableTile = z.infer<typeof tableSchema>
