import { z } from 'zod'
import { remembered } from './remember'

/** A family with measured widths of letters. */
export type Family =
  'georgia' | 'times new roman' | 'arial' | 'trebuchet ms' | 'tahoma' | 'verdana' | 'courier new'

/**
 * A family that is on nearly every reader's machine, with what it falls back to and how its letters measure.
 */
export interface FontStack {
  css: string
  /** Its first family, as the table of letters' widths names it. */
  family: Family
  /** How wide its letters are of that family's, where they are not as wide. */
  across?: number
  /** Height of a small x, em. */
  x: number
  /** Height of a capital, em. */
  cap: number
  /**
   * Ascent less descent, em: it says where in a line the letters stand. Of the wide stack the mean of Verdana
   * and of DejaVu Sans, which stands in for it on Linux.
   */
  drop: number
  /**
   * Whether what stands in for it on other machines is as wide by design, as the Liberation fonts are for
   * Arial and Times New Roman.
   */
  matched?: boolean
  /** The files of a web font whose letters were measured: they stand before the family. */
  faces?: readonly MeasuredFace[]
}

/** Letters whose widths are kept of a web font: those of ASCII, of Latin-1, and marks of running words. */
export const MEASURED: string = [
  ...Array.from({ length: 95 }, (_, i) => String.fromCodePoint(32 + i)),
  ...Array.from({ length: 95 }, (_, i) => String.fromCodePoint(161 + i)),
  ...'\u2013\u2014\u2018\u2019\u201a\u201c\u201d\u201e\u2026\u2022\u20ac\u2122',
].join('')

const perMille = z.number().int().min(0).max(4000)

/** How the letters of a font file measure, thousandths of an em. */
export const measuresSchema = z.object({
  x: perMille,
  cap: perMille,
  drop: perMille,
  /** How far each letter of `MEASURED` takes the line on; 0: the file has none. */
  widths: z.array(perMille).length(MEASURED.length),
})
export type FontMeasures = z.infer<typeof measuresSchema>

/** A file of a web font that was measured. */
export interface MeasuredFace {
  weight: number
  italic: boolean
  widths: readonly number[]
}

/**
 * The email-safe stacks, by the name the document stores. Which families are safe is common practice, no
 * source; the measures of the first family of each are those of the open collection `@capsizecss/metrics`
 * (checked in fonts.test.ts).
 */
export const fontStacks = {
  serif: { css: "Georgia, 'Times New Roman', serif", family: 'georgia', x: 0.481, cap: 0.692, drop: 0.698 },
  times: {
    css: "'Times New Roman', Times, serif",
    family: 'times new roman',
    x: 0.447,
    cap: 0.662,
    drop: 0.675,
    matched: true,
  },
  sans: {
    css: 'Arial, Helvetica, sans-serif',
    family: 'arial',
    x: 0.519,
    cap: 0.716,
    drop: 0.693,
    matched: true,
  },
  humanist: {
    css: "'Trebuchet MS', Tahoma, Arial, sans-serif",
    family: 'trebuchet ms',
    x: 0.523,
    cap: 0.716,
    drop: 0.717,
  },
  tahoma: { css: 'Tahoma, Verdana, Arial, sans-serif', family: 'tahoma', x: 0.545, cap: 0.727, drop: 0.793 },
  wide: {
    css: "Verdana, Geneva, 'DejaVu Sans', sans-serif",
    family: 'verdana',
    x: 0.545,
    cap: 0.727,
    drop: 0.744,
  },
  // Arial Narrow is Arial drawn 0.82 as wide (from memory, no source); Apple and Android have condensed faces of their own.
  condensed: {
    css: "'Arial Narrow', 'Avenir Next Condensed', 'Roboto Condensed', sans-serif-condensed, Arial, sans-serif",
    family: 'arial',
    across: 0.82,
    x: 0.519,
    cap: 0.716,
    drop: 0.693,
  },
  mono: {
    css: "'Courier New', Courier, monospace",
    family: 'courier new',
    x: 0.423,
    cap: 0.571,
    drop: 0.533,
  },
} as const satisfies Record<string, FontStack>
export type SafeFont = keyof typeof fontStacks
export const safeFonts = Object.keys(fontStacks) as [SafeFont, ...SafeFont[]]

const family = z
  .string()
  .trim()
  .regex(/^[A-Za-z0-9][A-Za-z0-9 _-]{0,59}$/, 'a font family is letters, digits, spaces and hyphens')

/** What a style names: an email-safe stack, or the family of one of the house's web fonts. */
export const fontSchema = z.union([z.enum(safeFonts), family])
export type Font = z.infer<typeof fontSchema>

/**
 * A font that readers with `@font-face` load; the others (the Word engine among them) take the stack it falls
 * back to.
 */
export const webFontSchema = z.object({
  family,
  fallback: z.enum(safeFonts),
  /** Each file with the weight and slant it holds. */
  files: z
    .array(
      z.object({
        address: z.url({ protocol: /^https$/ }).max(1000),
        weight: z.number().int().min(100).max(900),
        italic: z.boolean(),
        /** The same file as it is kept here (its SHA-256), for what shows emails: the address may not be there yet, and is not asked for without leave. */
        kept: z
          .string()
          .regex(/^[0-9a-f]{64}$/)
          .optional(),
        /** How its letters measure, where it was looked into. */
        measures: measuresSchema.optional(),
      }),
    )
    .min(1)
    .max(12),
})
export type WebFont = z.infer<typeof webFontSchema>

/** A face of a web font whose file is kept here, as the Font Loading API takes it (CSS Font Loading Module Level 3, section 2). */
export interface KeptFace {
  family: string
  source: string
  descriptors: { weight: string; style: 'normal' | 'italic' }
}

/** Where a font file that is kept here is answered. */
export const keptFont = (id: string): string => `/api/fonts/${id}`

/** The faces of web fonts whose files are kept here. */
export const keptFaces = (fonts: readonly WebFont[]): KeptFace[] =>
  fonts.flatMap(({ family, files }) =>
    files.flatMap(({ kept, weight, italic }) =>
      kept
        ? {
            family,
            source: `url(${keptFont(kept)})`,
            descriptors: {
              weight: String(weight),
              style: italic ? ('italic' as const) : ('normal' as const),
            },
          }
        : [],
    ),
  )

/** A house style as it is shown here: its web fonts come from the files kept here, where there are. @param where they are answered */
export const withKeptFonts = <H extends { webFonts: readonly WebFont[] }>(house: H, where = keptFont): H => ({
  ...house,
  webFonts: house.webFonts.map((f) => ({
    ...f,
    files: f.files.map((file) => (file.kept ? { ...file, address: where(file.kept) } : file)),
  })),
})

const isSafe = (font: string): font is SafeFont => Object.hasOwn(fontStacks, font)

/** The email-safe stack that a font falls back to; Arial's where it is unknown. */
export const safeFont = (font: Font, webFonts: readonly WebFont[]): FontStack =>
  fontStacks[isSafe(font) ? font : (webFonts.find((w) => w.family === font)?.fallback ?? 'sans')]

/** Whether a font is one that readers load, with letters that are not measured here. */
export const isWebFont = (font: Font, webFonts: readonly WebFont[]): boolean =>
  !isSafe(font) && webFonts.some((w) => w.family === font)

/** The stack of a web font with what is known of its own letters; undefined where no file of it was measured. */
const measuredStack = remembered((font: WebFont): FontStack | undefined => {
  const faces = font.files.flatMap(({ measures, weight, italic }) =>
    measures ? [{ ...measures, weight, italic }] : [],
  )
  const regular = faceFor(faces, {})
  if (!regular) return undefined
  const [x, cap, drop] = [regular.x / 1000, regular.cap / 1000, regular.drop / 1000]
  const { matched: _, ...fallback }: FontStack = fontStacks[font.fallback]
  return { ...fallback, x, cap, drop, faces }
})

/** The face in which words of a weight and slant are set: the nearest there is. */
export function faceFor<F extends Pick<MeasuredFace, 'weight' | 'italic'>>(
  faces: readonly F[],
  { bold, italic }: { bold?: boolean | undefined; italic?: boolean | undefined },
): F | undefined {
  const off = (f: F) => Math.abs(f.weight - (bold ? 700 : 400)) + (f.italic === !!italic ? 0 : 1000)
  return [...faces].sort((a, b) => off(a) - off(b))[0]
}

/** What words are set in where all is there: a web font by its own measures, where they are known, else as `safeFont`. */
export const setIn = (font: Font, webFonts: readonly WebFont[]): FontStack => {
  const web = isSafe(font) ? undefined : webFonts.find((w) => w.family === font)
  return (web && measuredStack(web)) ?? safeFont(font, webFonts)
}

/** The `font-family` value of a font: a web font first, then what it falls back to. */
export function fontFamily(font: Font, webFonts: readonly WebFont[]): string {
  const { css } = safeFont(font, webFonts)
  return isWebFont(font, webFonts) ? `'${font}', ${css}` : css
}
