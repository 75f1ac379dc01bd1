import { emptyText, plainOf, type RichText } from '../../email/richtext'
import type { Sides, TextStyleOverride } from '../../email/styles'
import type { Tile } from '../../email/tile'
import { LIST_INDENT, LIST_SPACE } from '../../tiles/words/html'
import { alignmentOf, type InkBlock, type InkLine } from '../ink'
import type { Cut } from '../plan'
import { around, type Rect } from '../raster'
import { bearing } from '../typeface'
import type { Building, Placed } from './building'
import { asHeading, shapeText, titleLevel, underlined } from './headings'
import { narrowLetters } from './narrow-letters'
import { sideSpace, slackOf } from './space'

/** A single line of this share of its cut's width says nothing of its alignment. */
const FILLS = 0.8
/** How far the mark of a list stands left of its words, em. */
const LIST_MARK = 0.94
/** Most space between two paragraphs, px. */
const MOST_SPACE = 200
/** Line height of headings, of their size. */
const HEADING_LINE = 1.2

/** How the words of one cut are set. */
type Set = ReturnType<Building['lettering']['of']>

/** Words at their measured place. @param top where the space above them begins, design px @param behind the colour they stand on */
export function wordsOf(b: Building, cut: Cut, rect: Rect, top: number, behind: string): Placed<Tile> {
  const set = b.lettering.of(cut, behind)
  const { ink, blocks, size, bold, line, top: begins, bottom } = set
  const { align, padding } = placeOf(b, cut, set, rect, top)
  const sized = shapeText(
    cut.words ?? emptyText(),
    blocks.map((block) => Math.round(block.size / b.scale)),
    size,
  )
  const { style, headings } = stylesOf(b, cut, set, sized.heading, cut.ground ?? behind)
  // The marks of a list stand in from the side, and its items a little apart.
  if (sized.text.content.every((block) => block.type === 'bulletList' || block.type === 'orderedList')) {
    style.line = Math.max(size, line - LIST_SPACE)
    padding.right = Math.min(padding.right, leftOf(b, cut, set, rect))
    padding.left = Math.max(0, padding.left - Math.round(LIST_INDENT - LIST_MARK * size))
  }
  const titled = titleLevel(b, cut, size, bold, ink.lines.length)
  const text = titled ? asHeading(sized.text, titled) : sized.text
  const space = sized.heading ? undefined : spaceOf(b, set, text)
  const fresh = !(cut.id in b.input.plan.built) && !cut.lettering
  const under = fresh && ink.lines.length > 0 && ink.lines.every((l) => l.under)
  const made: Tile = {
    id: `t-${cut.id}`,
    cut: cut.id,
    show: 'all',
    padding,
    kind: 'words',
    text: under ? underlined(text) : text,
    align,
    ...(space === undefined ? {} : { space }),
    style,
    headings,
  }
  // Padding and lines are whole px high: that comes to a little more or less than the design has.
  const whole = !sized.heading && ink.lines.length && (blocksOf(text) === 1 || space !== undefined)
  const between = (blocksOf(text) - 1) * (space ?? 0) + itemsOf(text) * LIST_SPACE
  return {
    made,
    top,
    bottom: whole
      ? top + (padding.top + ink.lines.length * (style.line ?? line) + between) * b.scale
      : Math.max(bottom, begins) + padding.top * b.scale - (begins - top),
  }
}

const blocksOf = (text: RichText): number => text.content.length

/** Items of the lists of a text. */
const itemsOf = (text: RichText): number =>
  text.content.reduce(
    (sum, b) => sum + (b.type === 'bulletList' || b.type === 'orderedList' ? b.content.length : 0),
    0,
  )

/** Space between paragraphs and lists: what their lines leave of the way from the first base to the last, px. */
function spaceOf(b: Building, { ink: { lines }, line }: Set, text: RichText): number | undefined {
  const count = blocksOf(text)
  if (count < 2 || lines.length < count || text.content.some((block) => block.type === 'heading'))
    return undefined
  const way = (lines.at(-1)!.base - lines[0]!.base) / b.scale - itemsOf(text) * LIST_SPACE
  const space = Math.round((way - (lines.length - 1) * line) / (count - 1))
  return space >= 0 && space <= MOST_SPACE ? space : undefined
}

/** Letters stand a little in from where their line begins, design px. */
const bearingOf = (b: Building, { ink, stack, size }: Set): number =>
  ink.lines.length ? bearing(stack) * size * b.scale : 0

/** The rectangle that the ink of a cut takes; the cut itself where none was found. */
const inkBox = (cut: Cut, { ink }: Set): Rect => (ink.lines.length ? around(ink.lines) : cut)

/** Space left of the words, px. */
const leftOf = (b: Building, cut: Cut, set: Set, rect: Rect): number =>
  b.px(inkBox(cut, set).x - bearingOf(b, set) - rect.x)

/** How words are aligned in their cell, and the space around them. */
function placeOf(
  b: Building,
  cut: Cut,
  set: Set,
  rect: Rect,
  top: number,
): { align: 'left' | 'center' | 'right'; padding: Sides } {
  const { lines } = set.ink
  const box = inkBox(cut, set)
  // One line that fills its cut says nothing there; in its cell it may.
  const silent = lines.length === 1 && box.w > FILLS * cut.w
  const align =
    cut.lettering?.align ??
    (silent ? (b.lettering.alignedBeside(cut, box) ?? (b.right.has(cut.id) ? 'right' : null)) : null) ??
    alignmentOf(lines, silent ? rect : cut)
  const right = b.px(rect.x + rect.w - box.x - box.w - bearingOf(b, set))
  const slack = Math.max(0, Math.round(slackOf(lines, set.size * b.scale) / b.scale))
  const beside = sideSpace(align, leftOf(b, cut, set, rect), right, slack)
  if (lines.length <= 1 && align !== 'center') b.loose.add(`t-${cut.id}`)
  return { align, padding: { top: b.px(set.top - top), bottom: 0, ...beside } }
}

/** The styles of paragraphs and headings: what was set by hand, else what the ink shows. @param heading size, px */
function stylesOf(
  b: Building,
  cut: Cut,
  { ink, blocks, size, line, bold, italic, font, stack, spacing }: Set,
  heading: number | undefined,
  ground: string,
): { style: TextStyleOverride; headings: TextStyleOverride } {
  const own = cut.lettering
  const said = cut.words ? plainOf(cut.words) : ''
  const most = (of: (block: InkBlock) => number) =>
    blocks.reduce<InkBlock | undefined>((a, c) => (!a || of(c) > of(a) ? c : a), undefined)
  const main = most((block) => block.lines.length)
  const largest = most((block) => block.size)
  const colorOf = (lines: readonly InkLine[] | undefined) =>
    own?.color ?? (lines?.length ? b.input.readInk(around(lines), ground).color : ink.color) ?? undefined
  const color = colorOf(main?.lines)
  const headingColor = colorOf(largest?.lines)
  const style: TextStyleOverride = {
    size,
    line,
    bold,
    ...(color ? { color } : {}),
    ...((own?.font ?? font) ? { font: own?.font ?? font } : {}),
    ...(italic ? { italic: true } : {}),
    ...(spacing ? { spacing } : {}),
    ...narrowLetters(heading ? '' : said, { stack, size, line, bold }),
  }
  if (!heading) return { style, headings: style }
  const headingLine = Math.round(heading * HEADING_LINE)
  const { narrowSize: _, narrowLine: __, ...shared } = style
  return {
    style,
    headings: {
      ...shared,
      bold: largest?.bold ?? true,
      size: heading,
      line: headingLine,
      ...narrowLetters(said, { stack, size: heading, line: headingLine, bold: largest?.bold ?? true }),
      ...(headingColor ? { color: headingColor } : {}),
    },
  }
}
