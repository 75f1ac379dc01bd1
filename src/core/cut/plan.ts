import { languageOf } from './reading/languages'
import { z } from 'zod'
import { plainOf, richTextSchema } from '../email/richtext'
import { fontSchema } from '../email/fonts'
import { colorSchema } from '../email/styles'
import { pictureRefSchema } from '../picture/ref'

/** What a cut becomes in the email. */
export const cutKinds = ['picture', 'words', 'button', 'rule', 'flat', 'nothing'] as const
export type CutKind = (typeof cutKinds)[number]

/** What the autocut takes a part of the design for. */
export const partKinds = ['ground', 'photo', 'drawing', 'words', 'button', 'rule', 'icons'] as const
export type PartKind = (typeof partKinds)[number]

const px = (most: number) => z.number().min(0).max(most)

/**
 * How the letters of a cut look, in px of the email: from the design's layers, else measured from its pixels.
 */
export const letteringSchema = z.object({
  font: fontSchema.optional(),
  /** As the file names it, such as `Barlow-SemiBold`. */
  designFont: z.string().max(120).optional(),
  size: px(200).min(4),
  line: px(400).optional(),
  color: colorSchema.optional(),
  bold: z.boolean().optional(),
  italic: z.boolean().optional(),
  align: z.enum(['left', 'center', 'right']).optional(),
  spacing: z.number().min(-5).max(30).optional(),
})
export type Lettering = z.infer<typeof letteringSchema>

/** A filled box that can be drawn live, in px of the email. */
export const boxLookSchema = z.object({
  background: colorSchema,
  radius: px(200),
  borderWidth: px(12).optional(),
  borderColor: colorSchema.optional(),
})
export type BoxLook = z.infer<typeof boxLookSchema>

/** How a picture cut is made into a file. What is left out is decided by content. */
export const encodingSchema = z.object({
  format: z.enum(['png', 'jpeg']).optional(),
  /** Pixels for each px of the email; left out, 2. */
  density: z.union([z.literal(1), z.literal(2), z.literal(3)]).optional(),
  /** Width of the file, px; prevails over the density. */
  width: z.number().int().min(1).max(4000).optional(),
  /** Least SSIM against the design; left out, 0.98. */
  likeness: z.number().min(0.8).max(1).optional(),
  /** The mark without its ground: the flat ground becomes transparent. */
  cutout: z.boolean().optional(),
  /** A thin line around a cut-out mark, so that it does not vanish on a ground like itself. */
  outline: colorSchema.optional(),
})
export type Encoding = z.infer<typeof encodingSchema>

const rectSchema = z.object({
  x: z.number().int().min(0),
  y: z.number().int().min(0),
  w: z.number().int().min(1),
  h: z.number().int().min(1),
})

/**
 * One rectangle of the design, and what it becomes. What it does not become is kept too, so that a change of
 * mind loses nothing.
 */
export const cutSchema = z.object({
  id: z.string().min(1).max(40),
  /** Design pixels. */
  x: z.number().int().min(0),
  y: z.number().int().min(0),
  w: z.number().int().min(1),
  h: z.number().int().min(1),
  kind: z.enum(cutKinds),
  /** null: not written yet; empty: decoration. */
  alt: z.string().max(2000).nullable(),
  link: z.string().max(4000),
  words: richTextSchema.nullable(),
  /** The exact colour around the words, or of the flat area, as read from the design or set by hand. */
  ground: colorSchema.nullable(),
  /** What the autocut took it for, and how sure it was, 0 to 1. */
  seen: z.object({ part: z.enum(partKinds), sure: z.number().min(0).max(1) }).optional(),
  /** Neither moved nor resized, by hand or by finding anew. */
  locked: z.boolean().optional(),
  /** Own name of its file, without number and ending. */
  name: z.string().max(60).optional(),
  lettering: letteringSchema.optional(),
  box: boxLookSchema.optional(),
  encoding: encodingSchema.optional(),
  /** The part that phones show instead: of this design, or of the narrow one; px of that design. */
  narrow: z
    .object({
      of: z.enum(['wide', 'narrow']),
      x: z.number().int().min(0),
      y: z.number().int().min(0),
      w: z.number().int().min(1),
      h: z.number().int().min(1),
    })
    .optional(),
  /** A picture that stands in place of the crop. */
  own: pictureRefSchema.optional(),
  /** What became of it when the design was replaced. */
  since: z.enum(['moved', 'changed']).optional(),
  /** Of each word of its only line, whether a line is drawn through it: an old price. */
  struck: z.array(z.boolean()).max(40).optional(),
  /**
   * Where its words were seen, and the rectangle that the cut had then: words have the room of their column around them. Of a cut that was
   * changed since it says nothing.
   */
  ink: rectSchema.extend({ room: rectSchema }).optional(),
})
export type Cut = z.infer<typeof cutSchema>

/** Whether the words of a cut are missing: it is then built as the picture it is, since nothing is built empty. */
export const isUnread = ({ kind, words }: Pick<Cut, 'kind' | 'words'>): boolean =>
  (kind === 'words' || kind === 'button') && !(words && plainOf(words).trim())

/** A cut as it is built: one whose words are missing stands as the picture of what is seen there. */
export function asBuilt(cut: Cut): Cut {
  if (!isUnread(cut)) return cut
  const { ink } = cut
  const same = ink && !cut.since && (['x', 'y', 'w', 'h'] as const).every((k) => ink.room[k] === cut[k])
  const seen = same ? { x: ink.x, y: ink.y, w: ink.w, h: ink.h } : {}
  return { ...cut, ...seen, kind: 'picture' }
}

/** What a cut said when the email was last built from it: the base of a three-way merge. */
const builtSchema = cutSchema.pick({
  x: true,
  y: true,
  w: true,
  h: true,
  kind: true,
  alt: true,
  link: true,
  words: true,
  narrow: true,
})
export type Built = z.infer<typeof builtSchema>

/**
 * A box of the design with a ground of its own, under the cuts that lie on it: it becomes the ground of a
 * cell.
 */
export const panelSchema = z.object({
  x: z.number().int().min(0),
  y: z.number().int().min(0),
  w: z.number().int().min(1),
  h: z.number().int().min(1),
  /** Design px. */
  radius: px(400),
  color: colorSchema,
  borderWidth: px(40).optional(),
  borderColor: colorSchema.optional(),
  /** A picture behind all that stands on it, as wide as the design: it becomes the ground of a band, cleaned of that. `color` is for readers that show none. */
  picture: z.boolean().optional(),
  /** Of the border; solid where it is left out. */
  borderStyle: z.enum(['dashed', 'dotted']).optional(),
  /** A coloured strip along one side, inside the rectangle. */
  bar: z
    .object({
      side: z.enum(['left', 'right', 'top', 'bottom']),
      width: z.number().int().min(1).max(100),
      color: colorSchema,
    })
    .optional(),
})
export type Panel = z.infer<typeof panelSchema>

/** What the crop of a picture behind a band goes by, among those of cuts. */
export const groundId = ({ x, y }: Pick<Panel, 'x' | 'y'>): string => `behind-${x}-${y}`

/** A picture behind a band as a cut, so that it is encoded like one. */
export const groundCut = (panel: Panel): Cut => ({
  id: groundId(panel),
  x: panel.x,
  y: panel.y,
  w: panel.w,
  h: panel.h,
  kind: 'picture',
  alt: '',
  link: '',
  words: null,
  ground: null,
})

/** The form of the plan that is written today. */
export const PLAN_VERSION = 2

const planFields = {
  version: z.literal(PLAN_VERSION),
  cuts: z.array(cutSchema).max(500),
  built: z.record(z.string(), builtSchema),
  /** Rows of the design where a band begins, from the top; the first band begins at 0. */
  edges: z.array(z.number().int().min(1)).max(200),
  panels: z.array(panelSchema).max(200),
  /** What a copy deck said for the email itself: taken over where the email says nothing yet. */
  says: z.object({ subject: z.string().max(500), preheader: z.string().max(500) }).optional(),
  /** Where the last build found the bands of the design in the narrow one, by their cuts; px of that design. */
  onNarrow: z
    .array(
      z.object({
        cuts: z.array(z.string()).min(1).max(500),
        top: z.number().int().min(0),
        height: z.number().int().min(1),
      }),
    )
    .max(200)
    .optional(),
  /** The language that its words are read in (ISO 639-2/T): chosen by hand, or told by the words themselves. */
  language: z.object({ code: z.string().regex(/^[a-z]{3}$/), by: z.enum(['hand', 'words']) }).optional(),
  /** Ids in an order of the person's own; left out, the order is that of reading. */
  order: z.array(z.string()).max(500).optional(),
  /** Bytes that all pictures together, and each of them, may have. */
  budget: z.object({ all: z.number().int().min(1000), each: z.number().int().min(1000) }).optional(),
}
export const planSchema = z.object(planFields)
/** All cuts of one design. */
export type CutPlan = z.infer<typeof planSchema>

/**
 * A plan as any version of the app stored it, in its present form; anything else is left for the schema to
 * refuse.
 */
export function upgradePlan(value: unknown): unknown {
  const plan = value as { version?: unknown } | null
  return plan && typeof plan === 'object' && plan.version === 1
    ? { ...plan, version: PLAN_VERSION, edges: [], panels: [] }
    : value
}

/** Reads a stored plan of any version. Throws a ZodError for what is none. */
export const readPlan = (value: unknown): CutPlan => planSchema.parse(upgradePlan(value))

/** A plan without cuts. */
export const emptyPlan = (): CutPlan => ({
  version: PLAN_VERSION,
  cuts: [],
  built: {},
  edges: [],
  panels: [],
})

/** 800 KB for all pictures and 200 KB for each load well on a phone (common practice, no source). */
export const DEFAULT_BUDGET = { all: 800 * 1024, each: 200 * 1024 }

/**
 * Cuts in reading order: by row (cuts that overlap in height for more than half of the lower one), then from
 * the left, or from the right.
 */
export function readingOrder<C extends { x: number; y: number; w: number; h: number }>(
  cuts: readonly C[],
  fromRight = false,
): C[] {
  const byTop = [...cuts].sort((a, b) => a.y - b.y || a.x - b.x)
  const rows: C[][] = []
  for (const cut of byTop) {
    const row = rows.at(-1)
    const first = row?.[0]
    if (first && Math.min(first.y + first.h, cut.y + cut.h) - cut.y > Math.min(first.h, cut.h) / 2)
      row!.push(cut)
    else rows.push([cut])
  }
  return rows.flatMap((r) => r.sort((a, b) => (fromRight ? b.x + b.w - a.x - a.w : a.x - b.x)))
}

/**
 * The cuts of a plan in the order the person gave them, else in reading order; cuts made since stand where
 * they are read.
 */
export function orderedCuts(plan: Pick<CutPlan, 'cuts' | 'order' | 'language'>): Cut[] {
  const read = readingOrder(plan.cuts, !!plan.language && languageOf(plan.language.code)?.dir === 'rtl')
  if (!plan.order) return read
  const place = new Map(plan.order.map((id, i) => [id, i]))
  const out = read.filter((c) => place.has(c.id)).sort((a, b) => place.get(a.id)! - place.get(b.id)!)
  read.forEach((c, i) => {
    if (!place.has(c.id)) {
      const before = read[i - 1]
      out.splice(before ? out.indexOf(before) + 1 : 0, 0, c)
    }
  })
  return out
}
