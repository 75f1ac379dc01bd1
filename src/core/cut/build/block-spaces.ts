import { withSpace, type Block, type RichText } from '../../email/richtext'
import { LIST_SPACE } from '../../tiles/words/html'
import { middle, type InkLine } from '../ink'

/** Lines further apart than their height by more than this belong to two blocks, px. */
const APART = 1.5
/** Space that differs from the usual one by no more than this is the same, px. */
const SAME = 1
/** Most space between two blocks of one text, and between two items of a list, px: what the document takes (`email/richtext`). */
export const MOST_SPACE = 200
const MOST_ITEM_SPACE = 100

/** The spaces between the blocks of a text, as its tile says them. */
export interface BlockSpaces {
  /** The words, with the space of each block that has another than the rest. */
  text: RichText
  space?: number
  itemSpace?: number
  /** Height of all of them, px. */
  sum: number
}

/** Where a block ends (its index) or an item of a list, from the top. */
type Break = number | 'item'

/**
 * Reads from the lines of a text how far its paragraphs and the items of its lists stand apart: undefined where its blocks cannot be
 * told from its lines. @param line height of a line, px @param scale design px for each px of the email
 */
export function blockSpaces(
  text: RichText,
  lines: readonly InkLine[],
  line: number,
  scale: number,
): BlockSpaces | undefined {
  const breaks = breaksOf(text)
  const pitches = lines.slice(1).map((l, i) => (l.base - lines[i]!.base) / scale)
  if (!breaks?.length || pitches.length < breaks.length) return undefined
  const widest = [...pitches].sort((a, b) => b - a)
  const [least, next] = [widest[breaks.length - 1]!, widest[breaks.length]]
  if (next !== undefined && (least < line + APART || least - next < SAME)) return undefined
  const spaces = pitches.filter((p) => p >= least).map((p) => Math.max(0, p - line))
  return spaces.length === breaks.length ? said(text, breaks, spaces) : undefined
}

function said(text: RichText, breaks: readonly Break[], spaces: readonly number[]): BlockSpaces {
  const usual = (items: boolean, most: number) =>
    Math.min(most, Math.round(middle(spaces.filter((_, i) => (breaks[i] === 'item') === items))))
  const space = usual(false, MOST_SPACE)
  const itemSpace = usual(true, MOST_ITEM_SPACE)
  const own = new Map<number, number>()
  // What one is too high, the next makes good.
  let off = 0,
    sum = 0
  breaks.forEach((b, i) => {
    const wanted = spaces[i]! - off
    const shared = b === 'item' ? itemSpace : space
    const chosen =
      b === 'item' || Math.abs(wanted - shared) <= SAME
        ? shared
        : Math.min(MOST_SPACE, Math.max(0, Math.round(wanted)))
    if (typeof b === 'number' && chosen !== shared) own.set(b, chosen)
    off += chosen - spaces[i]!
    sum += chosen
  })
  const items = breaks.includes('item')
  const content = text.content.map((b, i) => (own.has(i) ? withSpace(b, own.get(i)!) : b))
  return {
    text: { type: 'doc', content },
    ...(breaks.some((b) => b !== 'item') ? { space } : {}),
    ...(items ? { itemSpace } : {}),
    // The last item has its space too where nothing follows.
    sum: sum + (isList(text.content.at(-1)) ? (items ? itemSpace : LIST_SPACE) : 0),
  }
}

/** The ends of blocks and items; null where lists or quotes hold more than lines of words. */
function breaksOf({ content }: RichText): Break[] | null {
  const out: Break[] = []
  for (const [i, block] of content.entries()) {
    if (block.type === 'heading' || block.type === 'blockquote') return null
    if (isList(block)) {
      if (block.content.some((item) => item.content.length !== 1)) return null
      for (let k = 1; k < block.content.length; k++) out.push('item')
    }
    if (i < content.length - 1) out.push(i)
  }
  return out
}

const isList = (b: Block | undefined): b is Extract<Block, { type: 'bulletList' | 'orderedList' }> =>
  b?.type === 'bulletList' || b?.type === 'orderedList'

/** A paragraph or heading with another space under it on narrow, px. */
export const withNarrowSpace = (b: Block, narrowSpace: number): Block =>
  b.type === 'paragraph' || b.type === 'heading' ? ({ ...b, attrs: { ...b.attrs, narrowSpace } } as Block) : b
