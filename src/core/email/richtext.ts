import { z } from 'zod'

/**
 * Rich text: ProseMirror JSON of a small schema (paragraph, headings 1 to 3, lists, quote, line break; bold,
 * italic, underline, strike, raised and lowered letters, link, language; colour, highlight, size and letter
 * spacing), shared by the editor and the emitters. Fields stand in the words as they are written: `[[name |
 * fallback]]`.
 */
const color = z.string().regex(/^#[0-9a-fA-F]{6}$/)

export const markSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('bold') }),
  z.object({ type: z.literal('italic') }),
  z.object({ type: z.literal('underline') }),
  z.object({ type: z.literal('strike') }),
  z.object({ type: z.literal('superscript') }),
  z.object({ type: z.literal('subscript') }),
  z.object({ type: z.literal('link'), attrs: z.object({ href: z.string().max(4000) }) }),
  /** Words in another language than the rest (WCAG 2.2, 3.1.2), which may run the other way. */
  z.object({
    type: z.literal('language'),
    attrs: z.object({
      lang: z.string().regex(/^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*$/),
      dir: z.enum(['ltr', 'rtl']).nullish(),
    }),
  }),
  z.object({
    type: z.literal('textStyle'),
    attrs: z.object({
      color: color.nullish(),
      /** As the editor writes it: `18px`. */
      fontSize: z
        .string()
        .regex(/^\d{1,3}px$/)
        .nullish(),
      /** Highlight behind the words. */
      backgroundColor: color.nullish(),
      /** As the editor writes it: `0.5px`. */
      letterSpacing: z
        .string()
        .regex(/^-?\d{1,2}(\.\d{1,2})?px$/)
        .nullish(),
    }),
  }),
])
export type Mark = z.infer<typeof markSchema>

export const inlineSchema = z.union([
  z.object({ type: z.literal('text'), text: z.string().min(1), marks: z.array(markSchema).optional() }),
  z.object({ type: z.literal('hardBreak'), marks: z.array(markSchema).optional() }),
])
export type Inline = z.infer<typeof inlineSchema>

const align = z.enum(['left', 'center', 'right']).nullish()
/** Space under a block that has another than the rest of its words, and the same on narrow, px. */
const space = z.number().int().min(0).max(200).nullish()

export const paragraphSchema = z.object({
  type: z.literal('paragraph'),
  attrs: z.object({ textAlign: align, space, narrowSpace: space }).optional(),
  content: z.array(inlineSchema).optional(),
})
export const headingSchema = z.object({
  type: z.literal('heading'),
  attrs: z.object({
    level: z.union([z.literal(1), z.literal(2), z.literal(3)]),
    textAlign: align,
    space,
    narrowSpace: space,
  }),
  content: z.array(inlineSchema).optional(),
})
export type Paragraph = z.infer<typeof paragraphSchema>
export type Heading = z.infer<typeof headingSchema>

export interface ListItem {
  type: 'listItem'
  content: Block[]
}
interface ListOf<T> {
  type: T
  attrs?: Record<string, unknown>
  content: ListItem[]
}
export type List = ListOf<'bulletList'> | ListOf<'orderedList'>
export interface Quote {
  type: 'blockquote'
  content: Block[]
}
/** What words are made of. Lists and quotes hold blocks of any kind, as the editor lets them. */
export type Block = Paragraph | Heading | List | Quote

const listFields = () => ({
  attrs: z.record(z.string(), z.unknown()).optional(),
  content: z.array(z.object({ type: z.literal('listItem'), content: z.array(blockSchema).min(1) })).min(1),
})
export const blockSchema: z.ZodType<Block> = z.lazy(() =>
  z.discriminatedUnion('type', [
    paragraphSchema,
    headingSchema,
    z.object({ type: z.literal('bulletList'), ...listFields() }),
    z.object({ type: z.literal('orderedList'), ...listFields() }),
    z.object({ type: z.literal('blockquote'), content: z.array(blockSchema).min(1) }),
  ]),
)

/** The number that a list begins with (WHATWG HTML, 4.4.5). */
export function listStart(b: List): number {
  const start = b.type === 'orderedList' ? b.attrs?.start : undefined
  return typeof start === 'number' && Number.isInteger(start) && Math.abs(start) < 1e6 ? start : 1
}

/** A list's attributes where it does not begin with 1. */
export const startingAt = (start: number): Pick<List, 'attrs'> => (start === 1 ? {} : { attrs: { start } })

export const richTextSchema = z.object({ type: z.literal('doc'), content: z.array(blockSchema).min(1) })
export type RichText = z.infer<typeof richTextSchema>

/** Space under a block that has one of its own, px. */
export function ownSpace(b: Block): number | undefined {
  const space = b.type === 'blockquote' ? undefined : b.attrs?.space
  return typeof space === 'number' ? Math.round(Math.min(200, Math.max(0, space))) : undefined
}

/** A block with a space under it of its own, px. */
export const withSpace = (b: Block, space: number): Block =>
  b.type === 'blockquote' ? b : ({ ...b, attrs: { ...b.attrs, space } } as Block)

/** The same on narrow, px. */
export function narrowSpace(b: Block): number | undefined {
  const space = b.type === 'paragraph' || b.type === 'heading' ? b.attrs?.narrowSpace : undefined
  return space ?? undefined
}

/** A block without spaces of its own. */
export function unspaced(block: Block): Block {
  if (block.type === 'blockquote' || !block.attrs) return block
  const { space, narrowSpace, ...attrs } = block.attrs
  if (space === undefined && narrowSpace === undefined) return block
  return { ...block, attrs: Object.keys(attrs).length ? attrs : undefined } as Block
}

/** Words whose blocks have no spaces of their own. */
export const unspacedText = (text: RichText): RichText => ({
  type: 'doc',
  content: text.content.map(unspaced),
})

/** An empty text: one paragraph without words. */
export const emptyText = (): RichText => ({ type: 'doc', content: [{ type: 'paragraph' }] })

/** Plain text to rich text: a blank line parts paragraphs, a single line end becomes a line break. */
export function textOf(plain: string): RichText {
  const paragraphs = plain
    .replace(/\r\n?/g, '\n')
    .split(/\n{2,}/)
    .filter((p) => p.trim() !== '')
  if (!paragraphs.length) return emptyText()
  return {
    type: 'doc',
    content: paragraphs.map((p) => ({
      type: 'paragraph',
      content: p
        .split('\n')
        .flatMap((line, i): Inline[] => [
          ...(i ? [{ type: 'hardBreak' as const }] : []),
          ...(line ? [{ type: 'text' as const, text: line }] : []),
        ]),
    })),
  }
}

const LIST_MARK = /^(?:[•·▪●‣-]|(\d{1,2})[.)])\s+/

/** Paragraphs in a row that begin with a mark or a number, as a list; a single one stays what it is. */
export function withLists(doc: RichText): RichText {
  const content: Block[] = []
  for (let i = 0; i < doc.content.length;) {
    const kind = listKind(doc.content[i]!)
    let end = i + 1
    if (kind) while (end < doc.content.length && listKind(doc.content[end]!) === kind) end++
    const run = doc.content.slice(i, end)
    if (kind && run.length > 1)
      content.push({
        type: kind,
        ...(kind === 'orderedList' ? startingAt(numberOf(run[0]!)) : {}),
        content: run.map((b): ListItem => ({ type: 'listItem', content: [withoutMark(b as Paragraph)] })),
      })
    else content.push(...run)
    i = end
  }
  return { type: 'doc', content }
}

/** The number that a paragraph begins with. */
const numberOf = (b: Block): number => {
  const first = b.type === 'paragraph' ? b.content?.[0] : undefined
  return Number((first?.type === 'text' && LIST_MARK.exec(first.text)?.[1]) || 1)
}

function listKind(b: Block): 'bulletList' | 'orderedList' | null {
  const first = b.type === 'paragraph' ? b.content?.[0] : undefined
  const mark = first?.type === 'text' ? LIST_MARK.exec(first.text) : null
  return mark ? (mark[1] ? 'orderedList' : 'bulletList') : null
}

function withoutMark(p: Paragraph): Paragraph {
  const [first, ...rest] = p.content!
  const said = first!.type === 'text' ? first!.text.replace(LIST_MARK, '') : ''
  return { ...p, content: [...(said && first!.type === 'text' ? [{ ...first!, text: said }] : []), ...rest] }
}

/** A visit to every block with words, lists included, in reading order. */
export function eachTextBlock(doc: RichText, visit: (block: Paragraph | Heading) => void): void {
  const walk = (b: Block) => {
    if (b.type === 'paragraph' || b.type === 'heading') visit(b)
    else if (b.type === 'blockquote') b.content.forEach(walk)
    else for (const item of b.content) item.content.forEach(walk)
  }
  doc.content.forEach(walk)
}

/** A visit to every run of inline content in reading order. */
export function eachInline(doc: RichText, visit: (run: Inline, block: Paragraph | Heading) => void): void {
  eachTextBlock(doc, (block) => block.content?.forEach((run) => visit(run, block)))
}

/** The words alone: blocks parted by a blank line, line breaks kept. */
export function plainOf(doc: RichText): string {
  const out: string[] = []
  eachTextBlock(doc, (b) =>
    out.push((b.content ?? []).map((r) => (r.type === 'text' ? r.text : '\n')).join('')),
  )
  return out.join('\n\n').trim()
}

/** The mark of one type on a run, if it carries it. */
export function markOf<T extends Mark['type']>(run: Inline, type: T): Extract<Mark, { type: T }> | undefined {
  return run.marks?.find((m): m is Extract<Mark, { type: T }> => m.type === type)
}
