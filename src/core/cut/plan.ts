import { z } from 'zod'
import { richTextSchema } from '../email/richtext'
import { colorSchema } from '../email/styles'

/** One rectangle of the design, and what it becomes. What it does not become is kept too, so that a change of mind loses nothing. */
export const cutSchema = z.object({
  id: z.string().min(1).max(40),
  /** Design pixels. */
  x: z.number().int().min(0), y: z.number().int().min(0), w: z.number().int().min(1), h: z.number().int().min(1),
  kind: z.enum(['picture', 'words', 'flat']),
  /** null: not written yet; empty: decoration. */
  alt: z.string().max(2000).nullable(),
  link: z.string().max(4000),
  words: richTextSchema.nullable(),
  /** The exact colour around the words, or of the flat area, as read from the design or set by hand. */
  ground: colorSchema.nullable(),
})
export type Cut = z.infer<typeof cutSchema>
export type CutKind = Cut['kind']

/** What a cut said when the email was last built from it: the base of a three-way merge. */
const builtSchema = cutSchema.pick({ x: true, y: true, w: true, h: true, kind: true, alt: true, link: true, words: true })
export type Built = z.infer<typeof builtSchema>

export const planSchema = z.object({
  version: z.literal(1),
  cuts: z.array(cutSchema).max(500),
  built: z.record(z.string(), builtSchema),
})
/** All cuts of one design. */
export type CutPlan = z.infer<typeof planSchema>

/** A plan without cuts. */
export const emptyPlan = (): CutPlan => ({ version: 1, cuts: [], built: {} })

/** Cuts in reading order: by row (cuts that overlap in height for more than half of the lower one), then from the left. */
export function readingOrder<C extends { x: number; y: number; w: number; h: number }>(cuts: readonly C[]): C[] {
  const byTop = [...cuts].sort((a, b) => a.y - b.y || a.x - b.x)
  const rows: C[][] = []
  for (const cut of byTop) {
    const row = rows.at(-1)
    const first = row?.[0]
    if (first && Math.min(first.y + first.h, cut.y + cut.h) - cut.y > Math.min(first.h, cut.h) / 2) row!.push(cut)
    else rows.push([cut])
  }
  return rows.flatMap((r) => r.sort((a, b) => a.x - b.x))
}
