import { z } from 'zod'
import { fontSchema, webFontSchema } from './fonts'

/**
 * The parts that several kinds of tile share: colours, sides, borders, text and button styles, and the house
 * style they inherit from.
 */
export const colorSchema = z
  .string()
  .regex(/^#[0-9a-fA-F]{6}$/, 'a colour is written #rrggbb')
  .transform((s) => s.toLowerCase())

const px = (max: number) => z.number().int().min(0).max(max)

/** What lies bare in a design becomes padding, and designs are up to 20,000 px tall. */
const space = px(20_000)
export const sidesSchema = z.object({ top: space, right: space, bottom: space, left: space })
/**
 * Space on four sides, px. On a right-to-left email left and right change places: left means the side where
 * lines begin.
 */
export type Sides = z.infer<typeof sidesSchema>

/** The same space on all sides, or vertical and horizontal space, px. */
export const sides = (vertical: number, horizontal = vertical): Sides => ({
  top: vertical,
  right: horizontal,
  bottom: vertical,
  left: horizontal,
})

export const alignSchema = z.enum(['left', 'center', 'right'])
export type Align = z.infer<typeof alignSchema>

export const edgeSchema = z.object({
  width: z.number().int().min(1).max(20),
  style: z.enum(['solid', 'dashed', 'dotted', 'double']),
  color: colorSchema,
  nightColor: colorSchema.optional(),
})
/** One border: thickness in px, line, colour by day and by night. */
export type Edge = z.infer<typeof edgeSchema>
export const edgesSchema = z.object({
  top: edgeSchema.optional(),
  right: edgeSchema.optional(),
  bottom: edgeSchema.optional(),
  left: edgeSchema.optional(),
})
/** Borders per side. */
export type Edges = z.infer<typeof edgesSchema>

const stopSchema = z.object({
  color: colorSchema,
  nightColor: colorSchema.optional(),
  /** Where it is reached, % of the way. */
  at: z.number().min(0).max(100),
})

/**
 * Colours that go over into one another along a line, as a ground. The plain colour of the ground stands beside it, for readers that draw none.
 */
export const gradientSchema = z.object({
  /** Degrees, clockwise: 0 goes up, 90 to the right (CSS Images 3, 3.1.1). */
  angle: z.number().int().min(0).max(359),
  stops: z.array(stopSchema).min(2).max(5),
})
export type Gradient = z.infer<typeof gradientSchema>

export const textStyleSchema = z.object({
  font: fontSchema,
  /** px */
  size: z.number().int().min(6).max(120),
  /** Line height, px. */
  line: z.number().int().min(6).max(200),
  color: colorSchema,
  bold: z.boolean(),
  italic: z.boolean().optional(),
  /** Space between letters, px. */
  spacing: z.number().min(-5).max(30).optional(),
  /** All in capitals. */
  capitals: z.boolean().optional(),
  /** What changes on narrow, px. */
  narrowSize: z.number().int().min(6).max(120).optional(),
  narrowLine: z.number().int().min(6).max(200).optional(),
  /** What changes at night. */
  nightColor: colorSchema.optional(),
})
export type TextStyle = z.infer<typeof textStyleSchema>
export const textStyleOverrideSchema = textStyleSchema.partial()
export type TextStyleOverride = z.infer<typeof textStyleOverrideSchema>

export const textStyleNames = ['body', 'small', 'heading1', 'heading2', 'heading3'] as const
export type TextStyleName = (typeof textStyleNames)[number]

export const linkStyleSchema = z.object({
  color: colorSchema,
  underline: z.boolean(),
  bold: z.boolean().optional(),
  nightColor: colorSchema.optional(),
})
export type LinkStyle = z.infer<typeof linkStyleSchema>

export const buttonStyleSchema = z.object({
  background: colorSchema,
  /** Over the ground; a ground set nearer to the button without one takes it away. */
  gradient: gradientSchema.optional(),
  color: colorSchema,
  font: fontSchema,
  size: z.number().int().min(8).max(60),
  bold: z.boolean(),
  /** px */
  radius: px(60),
  /** Space between the words and the edge, px. */
  padX: px(400),
  padY: px(60),
  /** Edge: px, and its colour (left out: the colour of the words). */
  borderWidth: px(12).optional(),
  borderColor: colorSchema.optional(),
  spacing: z.number().min(-5).max(30).optional(),
  capitals: z.boolean().optional(),
  /** While the pointer is over it. */
  hoverBackground: colorSchema.optional(),
  hoverColor: colorSchema.optional(),
  nightBackground: colorSchema.optional(),
  nightColor: colorSchema.optional(),
  nightBorder: colorSchema.optional(),
})
export type ButtonStyle = z.infer<typeof buttonStyleSchema>

/** The one button style and the two that vary it. */
export const buttonVariants = ['main', 'second', 'quiet'] as const
export type ButtonVariant = (typeof buttonVariants)[number]

const perTextStyle = <S extends z.ZodType>(schema: S) => ({
  body: schema,
  small: schema,
  heading1: schema,
  heading2: schema,
  heading3: schema,
})
const variantsSchema = z
  .object({ second: buttonStyleSchema.partial(), quiet: buttonStyleSchema.partial() })
  .partial()

export const roles = ['header', 'main', 'footer', 'notice'] as const
export const roleSchema = z.enum(roles)
export type Role = z.infer<typeof roleSchema>

/** What one role changes for the bands that play it. `text.all` counts for every text style of the role. */
export const roleSheetSchema = z.object({
  /** Which text style paragraphs have. */
  base: z.enum(['body', 'small']).optional(),
  link: linkStyleSchema.partial().optional(),
  text: z
    .object({ all: textStyleOverrideSchema, ...perTextStyle(textStyleOverrideSchema) })
    .partial()
    .optional(),
  button: buttonStyleSchema.partial().optional(),
})
export type RoleSheet = z.infer<typeof roleSheetSchema>
const roleSheetsSchema = z
  .object({
    header: roleSheetSchema,
    main: roleSheetSchema,
    footer: roleSheetSchema,
    notice: roleSheetSchema,
  })
  .partial()

export const houseStyleSchema = z.object({
  version: z.literal(2),
  /** The client's colours, by name, offered wherever a colour is chosen. */
  colors: z.array(z.object({ name: z.string().min(1).max(60), value: colorSchema })).max(40),
  /** The ground behind the email. */
  ground: colorSchema,
  nightGround: colorSchema.optional(),
  link: linkStyleSchema,
  text: z.object(perTextStyle(textStyleSchema)),
  button: buttonStyleSchema,
  buttons: variantsSchema.optional(),
  roles: roleSheetsSchema.optional(),
  webFonts: z.array(webFontSchema).max(8),
  /** Who sends and from where: every commercial message carries a postal address. */
  footer: z.object({ sender: z.string().max(200), address: z.string().max(400) }),
  /** What part of the client's people reads in which reader, 0 to 1. */
  readers: z
    .array(z.object({ reader: z.string().max(80), share: z.number().min(0).max(1) }))
    .max(40)
    .optional(),
})
export type HouseStyle = z.infer<typeof houseStyleSchema>

/** What one email may change of its house style; anything left out is inherited. */
export const styleOverridesSchema = z.object({
  ground: colorSchema.optional(),
  nightGround: colorSchema.optional(),
  link: linkStyleSchema.partial().optional(),
  text: z.object(perTextStyle(textStyleOverrideSchema)).partial().optional(),
  button: buttonStyleSchema.partial().optional(),
  buttons: variantsSchema.optional(),
  roles: roleSheetsSchema.optional(),
})
export type StyleOverrides = z.infer<typeof styleOverridesSchema>

/** A plain house style for a client who has none yet. */
export const plainHouseStyle = (): HouseStyle => ({
  version: 2,
  colors: [],
  ground: '#f2f2f0',
  link: { color: '#1f4f8a', underline: true },
  text: {
    body: { font: 'sans', size: 16, line: 24, color: '#222222', bold: false },
    small: { font: 'sans', size: 13, line: 19, color: '#555555', bold: false },
    heading1: { font: 'sans', size: 30, line: 36, color: '#222222', bold: true },
    heading2: { font: 'sans', size: 24, line: 30, color: '#222222', bold: true },
    heading3: { font: 'sans', size: 19, line: 25, color: '#222222', bold: true },
  },
  button: {
    background: '#1f4f8a',
    color: '#ffffff',
    font: 'sans',
    size: 16,
    bold: true,
    radius: 4,
    padX: 28,
    padY: 14,
  },
  buttons: {
    second: { background: '#ffffff', color: '#1f4f8a', borderWidth: 2 },
    quiet: { background: '#f2f2f0', color: '#222222' },
  },
  webFonts: [],
  footer: { sender: '', address: '' },
})
