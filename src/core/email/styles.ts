import { z } from 'zod'

/** The parts that several kinds of tile share: colours, sides, text styles, and the house style they inherit from. */
export const colorSchema = z.string().regex(/^#[0-9a-fA-F]{6}$/, 'a colour is written #rrggbb').transform((s) => s.toLowerCase())

const px = (max: number) => z.number().int().min(0).max(max)

export const sidesSchema = z.object({ top: px(400), right: px(400), bottom: px(400), left: px(400) })
/** Space on four sides, px. */
export type Sides = z.infer<typeof sidesSchema>

/** The same space on all sides, or vertical and horizontal space, px. */
export const sides = (vertical: number, horizontal = vertical): Sides => ({ top: vertical, right: horizontal, bottom: vertical, left: horizontal })

export const alignSchema = z.enum(['left', 'center', 'right'])
export type Align = z.infer<typeof alignSchema>

/** Font stacks that are on every reader's machine, by the name the document stores. Common practice, no source. */
export const fontStacks = {
  serif: "Georgia, 'Times New Roman', serif",
  sans: 'Arial, Helvetica, sans-serif',
  humanist: "'Trebuchet MS', Tahoma, Arial, sans-serif",
  wide: 'Verdana, Geneva, sans-serif',
  mono: "'Courier New', Courier, monospace",
} as const
export const fontSchema = z.enum(Object.keys(fontStacks) as [keyof typeof fontStacks, ...(keyof typeof fontStacks)[]])
export type Font = z.infer<typeof fontSchema>

export const textStyleSchema = z.object({
  font: fontSchema,
  /** px */
  size: z.number().int().min(6).max(120),
  /** Line height, px. */
  line: z.number().int().min(6).max(200),
  color: colorSchema,
  bold: z.boolean(),
})
export type TextStyle = z.infer<typeof textStyleSchema>
export const textStyleOverrideSchema = textStyleSchema.partial()
export type TextStyleOverride = z.infer<typeof textStyleOverrideSchema>

export const textStyleNames = ['body', 'small', 'heading1', 'heading2', 'heading3'] as const
export type TextStyleName = (typeof textStyleNames)[number]

export const buttonStyleSchema = z.object({
  background: colorSchema,
  color: colorSchema,
  font: fontSchema,
  size: z.number().int().min(8).max(60),
  bold: z.boolean(),
  /** px */
  radius: px(60),
  /** Space between the words and the edge, px. */
  padX: px(120),
  padY: px(60),
})
export type ButtonStyle = z.infer<typeof buttonStyleSchema>

const perTextStyle = <S extends z.ZodType>(schema: S) => ({ body: schema, small: schema, heading1: schema, heading2: schema, heading3: schema })

export const houseStyleSchema = z.object({
  /** The client's colours, by name, offered wherever a colour is chosen. */
  colors: z.array(z.object({ name: z.string().min(1).max(60), value: colorSchema })).max(40),
  /** The ground behind the email. */
  ground: colorSchema,
  link: colorSchema,
  text: z.object(perTextStyle(textStyleSchema)),
  button: buttonStyleSchema,
  /** Who sends and from where: every commercial message carries a postal address. */
  footer: z.object({ sender: z.string().max(200), address: z.string().max(400) }),
})
export type HouseStyle = z.infer<typeof houseStyleSchema>

/** What one email may change of its house style; anything left out is inherited. */
export const styleOverridesSchema = z.object({
  ground: colorSchema.optional(),
  link: colorSchema.optional(),
  text: z.object(perTextStyle(textStyleOverrideSchema)).partial().optional(),
  button: buttonStyleSchema.partial().optional(),
})
export type StyleOverrides = z.infer<typeof styleOverridesSchema>

/** A plain house style for a client who has none yet. */
export const plainHouseStyle = (): HouseStyle => ({
  colors: [],
  ground: '#f2f2f0',
  link: '#1f4f8a',
  text: {
    body: { font: 'sans', size: 16, line: 24, color: '#222222', bold: false },
    small: { font: 'sans', size: 13, line: 19, color: '#555555', bold: false },
    heading1: { font: 'sans', size: 30, line: 36, color: '#222222', bold: true },
    heading2: { font: 'sans', size: 24, line: 30, color: '#222222', bold: true },
    heading3: { font: 'sans', size: 19, line: 25, color: '#222222', bold: true },
  },
  button: { background: '#1f4f8a', color: '#ffffff', font: 'sans', size: 16, bold: true, radius: 4, padX: 28, padY: 14 },
  footer: { sender: '', address: '' },
})

/** House style with an email's own values laid over it: the base every tile resolves against. */
export function resolveStyle(house: HouseStyle, own: StyleOverrides): HouseStyle {
  const text = Object.fromEntries(textStyleNames.map((n) => [n, { ...house.text[n], ...own.text?.[n] }])) as HouseStyle['text']
  return { ...house, ground: own.ground ?? house.ground, link: own.link ?? house.link, text, button: { ...house.button, ...own.button } }
}
