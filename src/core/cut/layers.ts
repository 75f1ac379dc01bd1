import { safeFontFor } from '../email/safe-fonts'
import { z } from 'zod'
import { textOf, withLists } from '../email/richtext'
import { colorSchema } from '../email/styles'
import type { Autocut } from './autocut'
import { mergeCuts, splitCut } from './edits'
import { emptyPlan, type Cut, type Lettering } from './plan'
import { overlap, type Rect } from './raster'
import { readAcross, type TextBlock } from './reflow'

const rect = { x: z.number(), y: z.number(), w: z.number(), h: z.number() }

/** Words that the design's file carries, with their look. All in design px. */
export const textBlockSchema = z.object({
  ...rect,
  text: z.string().max(20_000),
  size: z.number().positive(),
  line: z.number().positive().optional(),
  font: z.string().max(200).optional(),
  bold: z.boolean().optional(),
  italic: z.boolean().optional(),
  color: colorSchema.optional(),
  align: z.enum(['left', 'center', 'right']).optional(),
})
/** A picture or a shape that the design's file carries. */
export const shapeSchema = z.object({
  ...rect,
  name: z.string().max(200),
  kind: z.enum(['picture', 'shape']),
  color: colorSchema.optional(),
})

/** What a design's file knows beyond its pixels. */
export const layersSchema = z.object({
  texts: z.array(textBlockSchema).max(2000),
  shapes: z.array(shapeSchema).max(2000),
})
export type DesignLayers = z.infer<typeof layersSchema>

/** A block's look in px of the email. @param scale design px for each px of the email */
export function letteringOf(b: TextBlock, scale: number): Lettering {
  const font = safeFontFor(b.font)
  const px = (v: number) => Math.round((v / scale) * 10) / 10
  return {
    size: Math.max(4, Math.min(200, px(b.size))),
    ...(b.line ? { line: px(b.line) } : {}),
    ...(font ? { font } : {}),
    ...(b.font ? { designFont: b.font.slice(0, 120) } : {}),
    ...(b.color ? { color: b.color } : {}),
    ...(b.bold !== undefined ? { bold: b.bold } : {}),
    ...(b.italic ? { italic: true } : {}),
    ...(b.align ? { align: b.align } : {}),
  }
}

const area = (r: Rect) => Math.max(1, r.w * r.h)
const share = (part: Rect, of: Rect) => {
  const o = overlap(part, of)
  return o ? area(o) / area(of) : 0
}

/** The blocks that stand in a rectangle, in reading order. */
export const textsIn = (texts: readonly TextBlock[], r: Rect): TextBlock[] =>
  texts
    .filter(
      (t) =>
        t.x + t.w / 2 >= r.x &&
        t.x + t.w / 2 < r.x + r.w &&
        t.y + t.h / 2 >= r.y &&
        t.y + t.h / 2 < r.y + r.h,
    )
    .sort((a, b) => a.y - b.y || a.x - b.x)

/** What a cut takes over from the words of the file that stand in it. */
export function saidBy(cut: Cut, texts: readonly TextBlock[], scale: number): Partial<Cut> {
  const inside = textsIn(texts, cut)
  if (!inside.length) return {}
  const main = inside.reduce((a, b) => (b.text.length > a.text.length ? b : a))
  if (cut.kind === 'picture')
    return cut.alt === null
      ? {
          alt: inside
            .map((t) => t.text.replace(/\s+/g, ' '))
            .join('. ')
            .replace(/([.!?])\. /g, '$1 ')
            .slice(0, 2000),
        }
      : {}
  const words = cut.words ? {} : { words: withLists(textOf(readAcross(inside))) }
  return cut.kind === 'words' || cut.kind === 'button'
    ? { ...words, lettering: letteringOf(main, scale) }
    : {}
}

/**
 * Corrects what the pixels say by what the file knows: where it has words, a part is words (or a button's, or
 * a picture's that they lie on); where it has a picture, a part that fills it is a picture, at the picture's
 * own edges.
 */
export function withLayers(
  found: Autocut,
  layers: DesignLayers,
  scale: number,
  size: { width: number; height: number },
): Autocut {
  const cuts = apartCuts(wholeBlocks(found.cuts, layers.texts), layers.texts).map((cut): Cut => {
    const inside = textsIn(layers.texts, cut)
    const lettered = inside.reduce((s, t) => s + share(t, cut), 0)
    let now = cut
    const picture = layers.shapes.find(
      (s) => s.kind === 'picture' && share(s, cut) > 0.8 && share(cut, s) > 0.6,
    )
    if (picture && cut.kind !== 'button') {
      const x = Math.max(0, Math.round(picture.x)),
        y = Math.max(0, Math.round(picture.y))
      const exact = {
        x,
        y,
        w: Math.min(size.width - x, Math.round(picture.w)),
        h: Math.min(size.height - y, Math.round(picture.h)),
      }
      const free = exact.w > 0 && exact.h > 0 && !found.cuts.some((o) => o.id !== cut.id && overlap(o, exact))
      now = { ...cut, ...(free ? exact : {}), kind: 'picture', seen: { part: 'photo', sure: 0.99 } }
    } else if (
      inside.length &&
      cut.kind === 'picture' &&
      lettered > 0.3 &&
      inside.every((t) => t.size / scale <= 96) &&
      !hasMark(cut, inside) &&
      cut.h <= 1.7 * inside.reduce((s, t) => s + t.h, 0)
    ) {
      now = { ...cut, kind: 'words', seen: { part: 'words', sure: 0.97 } }
    } else if (!inside.length && cut.kind === 'words' && layers.texts.length) {
      // The file knows its words: what looks like letters but is none was drawn, or turned into outlines.
      now = { ...cut, kind: 'picture', seen: { part: 'drawing', sure: 0.8 } }
    } else if (inside.length && cut.seen)
      now = { ...cut, seen: { ...cut.seen, sure: Math.max(cut.seen.sure, 0.99) } }
    return { ...now, ...saidBy(now, layers.texts, scale) }
  })
  return { ...found, cuts }
}

/** What is drawn beside words is as wide as this, of its height, at least. */
const MARK = 0.5

/** Whether a drawing holds something beside its words: a mark, which goes with them. */
function hasMark(drawing: Rect, texts: readonly TextBlock[]): boolean {
  const [left, right] = [Math.min(...texts.map((t) => t.x)), Math.max(...texts.map((t) => t.x + t.w))]
  return Math.max(left - drawing.x, drawing.x + drawing.w - right) >= MARK * drawing.h
}

/** Blocks of lines beside each other with this between them are columns, in sizes of their letters. */
const GUTTER = 0.3
/** A block this much higher than its letters has several lines. */
const LINES = 1.7

/** Cuts of words are parted between blocks that the file has beside each other, however near they stand. */
function apartCuts(cuts: readonly Cut[], texts: readonly TextBlock[]): Cut[] {
  const plan = { ...emptyPlan(), cuts: [...cuts] }
  return cuts.reduce((p, cut) => {
    if (cut.kind !== 'words') return p
    const between = guttersOf(textsIn(texts, cut))
    // From the right, so that the left part keeps the cut's id and is parted next.
    return between.reduceRight((parted, at) => splitCut(parted, cut.id, 'down', at), p)
  }, plan).cuts
}

/** The middles of the gutters between columns of blocks, design px. */
function guttersOf(blocks: readonly TextBlock[]): number[] {
  // A row of single lines may be a menu, or the end of a letter: one thing.
  if (!blocks.some((t) => t.h > LINES * t.size)) return []
  const least = GUTTER * Math.max(...blocks.map((t) => t.size))
  const sorted = [...blocks].sort((a, b) => a.x - b.x)
  const out: number[] = []
  let right = -Infinity
  for (const [i, block] of sorted.entries()) {
    const level = sorted.slice(0, i).some((o) => o.y < block.y + block.h && block.y < o.y + o.h)
    if (level && block.x - right >= least) out.push((right + block.x) / 2)
    right = Math.max(right, block.x + block.w)
  }
  return out
}

/** Cuts of words that hold lines of one block are one cut: the file knows that they belong together. */
function wholeBlocks(cuts: readonly Cut[], texts: readonly TextBlock[]): Cut[] {
  const plan = texts.reduce(
    (p, t) => {
      const parts = p.cuts.filter(
        (c) => c.kind === 'words' && share(c, t) > 0.12 && overlap(c, t)!.h > 0.3 * Math.min(c.h, t.size),
      )
      return parts.length > 1
        ? mergeCuts(
            p,
            parts.map((c) => c.id),
          )
        : p
    },
    { ...emptyPlan(), cuts: [...cuts] },
  )
  return plan.cuts
}
