import { z } from 'zod'
import { tileSchema, type Tile } from '../tiles/schema'
import { alignSchema, colorSchema, sidesSchema, styleOverridesSchema, type Align, type Sides } from './styles'

export const EMAIL_VERSION = 1

const id = z.string().min(1).max(40)

/** A row of cells inside a cell. */
export interface Row { id: string; kind: 'row'; gap: number; narrow: 'stack' | 'keep' | 'reverse'; cells: Cell[] }

/** A column: its outer width in px, its ground, the space inside it, and what it holds. */
export interface Cell {
  id: string
  /** Outer width, px; cells and gaps of a row add up to the width they share. */
  width: number
  background?: string
  padding: Sides
  align: Align
  valign: 'top' | 'middle' | 'bottom'
  narrow?: { padding?: Sides }
  items: (Tile | Row)[]
}

export const cellSchema: z.ZodType<Cell> = z.lazy(() =>
  z.object({
    id,
    width: z.number().positive().max(1200),
    background: colorSchema.optional(),
    padding: sidesSchema,
    align: alignSchema,
    valign: z.enum(['top', 'middle', 'bottom']),
    narrow: z.object({ padding: sidesSchema.optional() }).optional(),
    items: z.array(z.union([tileSchema, rowSchema])).max(200),
  }),
)
const rowFields = { gap: z.number().min(0).max(200), narrow: z.enum(['stack', 'keep', 'reverse']), cells: z.array(cellSchema).min(1).max(5) }
export const rowSchema: z.ZodType<Row> = z.lazy(() => z.object({ id, kind: z.literal('row'), ...rowFields }))

export const bandSchema = z.object({
  id,
  name: z.string().max(80),
  role: z.enum(['header', 'main', 'footer', 'notice']),
  /** Ground of the band at email width; left out, it shows what lies behind. */
  background: colorSchema.optional(),
  /** Ground that runs over the whole window. */
  bleed: colorSchema.optional(),
  padding: sidesSchema,
  narrowPadding: sidesSchema.optional(),
  ...rowFields,
  show: z.enum(['all', 'wide', 'narrow']),
})
export type Band = z.infer<typeof bandSchema>
export type Role = Band['role']

export const emailSchema = z.object({
  version: z.literal(EMAIL_VERSION),
  /** px */
  width: z.number().int().min(320).max(900),
  lang: z.string().regex(/^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*$/, 'a language tag such as en or en-GB (BCP 47)'),
  dir: z.enum(['ltr', 'rtl']),
  title: z.string().max(200),
  subject: z.string().max(500),
  preheader: z.string().max(500),
  styles: styleOverridesSchema,
  bands: z.array(bandSchema).max(400),
})
/** One email: plain immutable JSON. */
export type Email = z.infer<typeof emailSchema>
export type Item = Tile | Row
