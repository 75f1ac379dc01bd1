import { tooMuchEmail } from '../html/bounds'
import { z } from 'zod'
import { trackingSchema } from '../text/tracking'
import { pictureRefSchema } from '../picture/ref'
import { conditionSchema } from './conditions'
import { fieldSchema, sampleRecipientSchema } from './fields'
import {
  alignSchema,
  colorSchema,
  edgeSchema,
  edgesSchema,
  gradientSchema,
  roleSchema,
  sidesSchema,
  styleOverridesSchema,
  type Align,
  type Edges,
  type Gradient,
  type Sides,
} from './styles'
import type { Tile } from './tile'

export const EMAIL_VERSION = 3

const id = z.string().min(1).max(40)
export const langSchema = z
  .string()
  .regex(/^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*$/, 'a language tag such as en or en-GB (BCP 47)')
export const dirSchema = z.enum(['ltr', 'rtl'])
export type Dir = z.infer<typeof dirSchema>

/** What the cells of a row do on narrow. */
const stackingSchema = z.enum(['stack', 'keep', 'reverse'])
export type Stacking = z.infer<typeof stackingSchema>

/** A row of cells inside a cell. */
export interface Row {
  id: string
  kind: 'row'
  gap: number
  narrow: Stacking
  cells: Cell[]
}

/** A column: its outer width in px, its ground and edges, the space inside it, and what it holds. */
export interface Cell {
  id: string
  /** Outer width, px; cells and gaps of a row add up to the width they share. */
  width: number
  background?: string
  nightBackground?: string
  gradient?: Gradient
  /** Borders per side; they take their room from inside the cell. */
  edges?: Edges
  /** px */
  radius?: number
  padding: Sides
  align: Align
  valign: 'top' | 'middle' | 'bottom'
  /**
   * `place`: where it stands once the row's cells are stacked, counted from 1; those without a place keep
   * their order after it. `keepsWidth`: it stays as wide as it was: once stacked in the middle, kept beside others by taking no share of theirs.
   */
  narrow?: { padding?: Sides; place?: number; keepsWidth?: true }
  items: (Tile | Row)[]
}

/** A picture behind a band. Readers do not resize it: it should be as large as the band. */
export const groundPictureSchema = z.object({
  picture: pictureRefSchema,
  /** Behind the email's width, or behind the whole window. */
  across: z.enum(['email', 'window']),
  fit: z.enum(['cover', 'repeat', 'once']),
  x: z.enum(['left', 'center', 'right']),
  y: z.enum(['top', 'center', 'bottom']),
})
export type GroundPicture = z.infer<typeof groundPictureSchema>
/** A picture or a pattern behind the whole email. */
export const emailGroundSchema = groundPictureSchema.omit({ across: true })
export type EmailGround = z.infer<typeof emailGroundSchema>

/** A gradient behind a band: behind the email's width, or behind the whole window. */
export const groundGradientSchema = gradientSchema.extend({ across: z.enum(['email', 'window']) })
export type GroundGradient = z.infer<typeof groundGradientSchema>

/** A band drawn as a card: an edge and round corners, with space around it, px. */
export const cardSchema = z.object({
  radius: z.number().int().min(0).max(60),
  edge: edgeSchema.optional(),
  around: sidesSchema,
})
export type Card = z.infer<typeof cardSchema>

export type { Role } from './styles'

/** An email whose HTML was written, or taken over, by hand. */
export const byHandSchema = z.object({
  html: z
    .string()
    .max(1_000_000)
    .superRefine((html, c) => {
      const much = tooMuchEmail(html)
      if (much) c.addIssue({ code: 'custom', message: `HTML with ${much} is not taken` })
    }),
  /** Addresses in the HTML that stand for pictures kept here. */
  pictures: z.record(z.string().min(1).max(2000), pictureRefSchema),
  /** Whether the rules of its `<style>` are written into the elements when it leaves. */
  inline: z.boolean(),
})
export type ByHand = z.infer<typeof byHandSchema>

/** A finding that is left as it is. */
export const mutedSchema = z.object({
  finding: z.string().min(1).max(200),
  reason: z.string().trim().min(1).max(300),
})
export type Muted = z.infer<typeof mutedSchema>

/** What an email says besides its bands. */
const emailFields = {
  version: z.literal(EMAIL_VERSION),
  /**
   * How it is written: composed from bands, the whole HTML by hand, or plain text only. The other two are
   * kept while one counts.
   */
  way: z.enum(['bands', 'hand', 'plain']),
  /** px */
  width: z.number().int().min(320).max(900),
  lang: langSchema,
  dir: dirSchema,
  title: z.string().max(200),
  subject: z.string().max(500),
  preheader: z.string().max(500),
  styles: styleOverridesSchema,
  /** What lies behind it, over its ground. */
  behind: emailGroundSchema.optional(),
  hand: byHandSchema.optional(),
  /** Its HTML leaves indented, for people to read on; left out, it leaves compact. */
  readable: z.literal(true).optional(),
  /** The whole email where it is plain text only. */
  plain: z.string().max(400_000).optional(),
  /**
   * The plain-text part beside the HTML where it is written by hand; left out, it is made from the HTML's own
   * words.
   */
  text: z.string().max(400_000).optional(),
  /** Its AMP part: none, made from its tiles, or written by hand; left out, it is made where a tile answers inside the message. */
  amp: z.object({ way: z.enum(['none', 'made', 'hand']), html: z.string().max(300_000) }).optional(),
  fields: z.array(fieldSchema).max(200).optional(),
  recipients: z.array(sampleRecipientSchema).max(40).optional(),
  /** Parameters that its links get when it leaves. */
  tracking: trackingSchema.optional(),
  /** Findings that somebody has looked at and leaves as they are, with why. */
  muted: z.array(mutedSchema).max(400).optional(),
}

/**
 * The schemas of a document, around the schema of its tiles: the document knows rows, cells and bands, and leaves to `tiles/` what tiles are made
 * of.
 */
export function documentSchemas(tile: z.ZodType<Tile>) {
  const cell: z.ZodType<Cell> = z.lazy(() =>
    z.object({
      id,
      width: z.number().positive().max(1200),
      background: colorSchema.optional(),
      nightBackground: colorSchema.optional(),
      gradient: gradientSchema.optional(),
      edges: edgesSchema.optional(),
      radius: z.number().int().min(0).max(100).optional(),
      padding: sidesSchema,
      align: alignSchema,
      valign: z.enum(['top', 'middle', 'bottom']),
      narrow: z
        .object({
          padding: sidesSchema.optional(),
          place: z.number().int().min(1).max(5).optional(),
          keepsWidth: z.literal(true).optional(),
        })
        .optional(),
      items: z.array(z.union([tile, row])).max(200),
    }),
  )
  const rowFields = {
    gap: z.number().min(0).max(200),
    narrow: stackingSchema,
    cells: z.array(cell).min(1).max(5),
  }
  const row: z.ZodType<Row> = z.lazy(() => z.object({ id, kind: z.literal('row'), ...rowFields }))
  const band = z.object({
    id,
    name: z.string().max(80),
    role: roleSchema,
    /** Ground of the band at email width; left out, it shows what lies behind. */
    background: colorSchema.optional(),
    nightBackground: colorSchema.optional(),
    /** Ground that runs over the whole window. */
    bleed: colorSchema.optional(),
    nightBleed: colorSchema.optional(),
    /** Under the picture, where there is one. */
    gradient: groundGradientSchema.optional(),
    picture: groundPictureSchema.optional(),
    card: cardSchema.optional(),
    padding: sidesSchema,
    narrowPadding: sidesSchema.optional(),
    ...rowFields,
    show: z.enum(['all', 'wide', 'narrow']),
    /** Shown only to readers whose fields say so. */
    when: conditionSchema.optional(),
    /** What its client keeps it as, where it is tied to that, and which of its bands it is, counted from 0. */
    kept: z.object({ part: id, at: z.number().int().min(0) }).optional(),
    /** The pair of twins it belongs to, whose words are kept in step. */
    twin: id.optional(),
    lang: langSchema.optional(),
    dir: dirSchema.optional(),
  })
  const email = z.object({ ...emailFields, bands: z.array(band).max(400) })
  return { cell, row, band, email }
}

type Schemas = ReturnType<typeof documentSchemas>
export type Band = z.infer<Schemas['band']>
/** One email: plain immutable JSON. */
export type Email = z.infer<Schemas['email']>
export type Item = Tile | Row
