import { emptyText, plainOf, withSpace, type RichText } from '../../email/richtext'
import type { Sides, TextStyleOverride } from '../../email/styles'
import type { Tile } from '../../email/tile'
import { LIST_INDENT, LIST_SPACE } from '../../tiles/words/html'
import { alignmentOf, type InkBlock, type InkLine } from '../ink'
import type { Cut } from '../plan'
import { around, type Rect } from '../raster'
import { bearing } from '../typeface'
import type { WordsRoom } from './runs'
import { blockSpaces, MOST_SPACE } from './block-spaces'
import type { Building, Placed } from './building'
import { asHeading, shapeText, titleLevel, underlined } from './headings'
import { narrowLetters } from './narrow-letters'
import { roomOf, sideSpace, slackOf, widthsFor } from './space'

/** A single line of this share of its cut's width says nothing of its alignment. */
const FILLS = 0.8
/** How far the mark of a list stands left of its words, em. */
const LIST_MARK = 0.94
/** Line height of headings, and of the items of a list, of their size (common practice, no source). */
const HEADING_LINE = 1.2
const BODY_LEADING = 1.5

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
  // The marks of a list stand in from the side; items of one line each are as far apart as they stand, whatever their lines.
  if (sized.text.content.every((block) => block.type === 'bulletList' || block.type === 'orderedList')) {
    if (itemsOf(sized.text) === ink.lines.length) style.line = Math.min(line, Math.round(size * BODY_LEADING))
    padding.right = Math.min(padding.right, leftOf(b, cut, set, rect))
    padding.left = Math.max(0, padding.left - Math.round(LIST_INDENT - LIST_MARK * size))
  }
  const titled = titleLevel(b, cut, size, bold, ink.lines.length)
  const text = titled ? asHeading(sized.text, titled) : sized.text
  const stacked = sized.heading ? stackedBlocks(b, set, text, { style, headings }) : undefined
  if (stacked) padding.top = b.px(stacked.begins - top)
  const apart = stacked ? null : blockSpaces(text, ink.lines, style.line ?? line, b.scale)
  const space = apart?.space ?? (sized.heading ? undefined : spaceOf(b, set, text))
  const fresh = !(cut.id in b.input.plan.built) && !cut.lettering
  const under = fresh && ink.lines.length > 0 && ink.lines.every((l) => l.under)
  const made: Tile = {
    id: `t-${cut.id}`,
    cut: cut.id,
    show: 'all',
    padding,
    kind: 'words',
    text: under ? underlined(text) : (stacked?.text ?? apart?.text ?? text),
    align,
    ...(space === undefined ? {} : { space }),
    ...(apart?.itemSpace === undefined ? {} : { itemSpace: apart.itemSpace }),
    style,
    headings,
  }
  if (stacked) return { made, top, bottom: top + (padding.top + stacked.height) * b.scale }
  // Padding and lines are whole px high: that comes to a little more or less than the design has.
  const whole = !sized.heading && ink.lines.length && (blocksOf(text) === 1 || space !== undefined)
  const between = apart?.sum ?? (blocksOf(text) - 1) * (space ?? 0) + itemsOf(text) * LIST_SPACE
  return {
    made,
    top,
    bottom: whole
      ? top + (padding.top + ink.lines.length * (style.line ?? line) + between) * b.scale
      : Math.max(bottom, begins) + padding.top * b.scale - (begins - top),
  }
}

/**
 * A heading with its words in one cut: where its first line begins, design px, the spaces between its blocks, and its height, px. Each
 * block has lines of its own, so the bases of letters say where these lie (CSS 2.2, 10.8.1: half the leading, then the ascent).
 */
function stackedBlocks(
  b: Building,
  { blocks, stack }: Set,
  text: RichText,
  { style, headings }: { style: TextStyleOverride; headings: TextStyleOverride },
): { begins: number; text: RichText; height: number } | undefined {
  if (blocks.length !== text.content.length || blocks.some((block) => !block.lines.length)) return undefined
  const set = text.content.map((block, i) => {
    const { size = 16, line = 24 } = block.type === 'heading' ? headings : style
    const lines = blocks[i]!.lines
    return {
      line,
      down: (line + size * stack.drop) / 2,
      lines,
      first: lines[0]!.base,
      last: lines.at(-1)!.base,
    }
  })
  const spaces = set.slice(1).map((next, i) => {
    const above = set[i]!
    const between = (next.first - above.last) / b.scale - (above.line - above.down) - next.down
    return Math.max(0, Math.min(MOST_SPACE, Math.round(between)))
  })
  return {
    begins: set[0]!.first - set[0]!.down * b.scale,
    text: {
      type: 'doc',
      content: text.content.map((block, i) => (i < spaces.length ? withSpace(block, spaces[i]!) : block)),
    },
    height:
      set.reduce((sum, { line, lines }) => sum + line * lines.length, 0) + spaces.reduce((a, c) => a + c, 0),
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

/** How wide the words of a cut may be, px, and the room behind their widest line, design px. */
function roomFor(b: Building, cut: Cut, set: Set): WordsRoom & { room: number } {
  const { lines } = set.ink
  // Paragraphs and items of one line each break by will.
  const { content } = cut.words ?? emptyText()
  const items = itemsOf({ type: 'doc', content })
  const lists = content.filter((b) => b.type === 'bulletList' || b.type === 'orderedList').length
  const apart = lines.length > 0 && content.length - lists + items === lines.length
  const room = apart ? Infinity : roomOf(lines, set.size * b.scale)
  // The words of a list stand further in than its marks do in the design.
  const further = items ? Math.max(0, LIST_INDENT - LIST_MARK * set.size) * b.scale : 0
  const width = inkBox(cut, set).w + 2 * bearingOf(b, set) + further
  const { least, most } = widthsFor(width, room, set.size * b.scale)
  return { room, least: Math.ceil(least / b.scale), most: Math.floor(most / b.scale) }
}

/** Whether the words of a cut break where the design breaks in a column of a width, px. */
export function fitsIn(b: Building, cut: Cut, width: number): boolean {
  const { least, most } = roomFor(b, cut, b.lettering.of(cut, cut.ground ?? '#ffffff'))
  return least <= width && width <= most
}

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
  const { room, ...widths } = roomFor(b, cut, set)
  const slack = Math.round(slackOf(room, set.size * b.scale) / b.scale)
  b.rooms.set(`t-${cut.id}`, widths)
  const beside = sideSpace(align, leftOf(b, cut, set, rect), right, slack)
  if (lines.length <= 1 && align !== 'center') b.loose.add(`t-${cut.id}`)
  return { align, padding: { top: b.px(set.top - top), bottom: 0, ...beside } }
}

/** Letters on narrow, said where the house's own would be another size than measured. @param size px @param line px */
function narrowIn(
  b: Building,
  narrow: ReturnType<typeof narrowLetters>,
  size: number,
  line: number,
): ReturnType<typeof narrowLetters> {
  const inherited = Object.values(b.input.house.text).some((s) => s.narrowSize !== undefined)
  return inherited ? { narrowSize: size, narrowLine: line, ...narrow } : narrow
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
  const drawn = b.input.narrow?.letters.get(cut.id)
  const headingColor = colorOf(largest?.lines)
  const style: TextStyleOverride = {
    size,
    line,
    bold,
    ...(color ? { color } : {}),
    ...((own?.font ?? font) ? { font: own?.font ?? font } : {}),
    ...(italic ? { italic: true } : {}),
    ...(spacing ? { spacing } : {}),
    ...narrowIn(
      b,
      narrowLetters(heading ? '' : said, { stack, size, line, bold }, heading ? undefined : drawn),
      size,
      line,
    ),
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
      ...narrowIn(
        b,
        narrowLetters(said, { stack, size: heading, line: headingLine, bold: largest?.bold ?? true }),
        heading,
        headingLine,
      ),
      ...(headingColor ? { color: headingColor } : {}),
    },
  }
}
