import { markOf, ownSpace, plainOf, type Block, type RichText } from '../../email/richtext'
import type { Band, Cell, Item } from '../../email/schema'
import { cutsOf, type TileOf } from '../../email/tile'
import { gapAfter } from '../../tiles/words/html'

type Words = TileOf<'words'>
type Review = TileOf<'review'>

/** Marks around what somebody said, in the languages that Mosaicus has phrases for: “ ”, „ “, « », » «, ‘ ’ and the straight ones. */
const SAID =
  /^["\u201c\u201d\u201e\u201f\u00ab\u00bb\u2018\u201a'].+["\u201c\u201d\u00ab\u00bb\u2018\u2019'][.,!?]?$/su
/** Fewer words in marks are a title, or a word that is not meant. */
const LEAST_WORDS = 4
/** A dash before a name. */
const DASH = /^[-\u2013\u2014\u2015]\s*\p{L}/u
/** A name with a place or a role is no longer, characters and words. */
const NAME_LENGTH = 70
const NAME_WORDS = 8
/** It stands no further below than this, px. */
const NEAR = 32
/** Left edges that differ by no more are the same, px. */
const SAME = 2
/** Of stars, which such a review has none of. */
const STAR_COLOR = '#b97d12'

/**
 * What somebody said, with the name beneath it, as one tile that says so.
 * @param takes whether words may become another kind of tile: what a person has looked at stays
 * @param before cuts that were such a tile when the email was last built: they stay one
 */
export const withQuotations = (
  bands: readonly Band[],
  takes: (tile: Words) => boolean,
  before: ReadonlySet<string>,
): Band[] => {
  const cellOf = (cell: Cell): Cell => ({ ...cell, items: itemsOf(cell.items) })
  const itemsOf = (items: readonly Item[]): Item[] => {
    const out: Item[] = []
    for (let i = 0; i < items.length; i++) {
      const item = items[i]!
      if (item.kind === 'row') {
        out.push({ ...item, cells: item.cells.map(cellOf) })
        continue
      }
      const next = items[i + 1]
      const name = next?.kind === 'words' && takes(next) ? next : undefined
      const found = item.kind === 'words' && takes(item) ? quotation(item, name, before) : undefined
      out.push(found ?? item)
      if (found?.cuts!.length === 2) i++
    }
    return out
  }
  return bands.map((band) => (band.role === 'footer' ? band : { ...band, cells: band.cells.map(cellOf) }))
}

/**
 * What somebody said, if words are that. Those as large as a heading are one, but for marks around them and a name beneath.
 * @param next the words beneath, which may be the name
 */
function quotation(tile: Words, next: Words | undefined, before: ReadonlySet<string>): Review | undefined {
  const [first, second, ...more] = tile.text.content
  const large = first?.type === 'heading'
  const text = plainLine(first)
  if (text === undefined || more.length || tile.base || tile.lang || tile.dir) return undefined
  const again = cutsOf(tile).some((id) => before.has(id))
  const marked = again || (SAID.test(text) && text.split(/\s+/).length >= LEAST_WORDS)
  const set = large ? { ...tile, style: tile.headings } : tile
  const by = second ? nameIn(tile, second, marked) : next && nameBeneath(set, next, marked)
  const whole = by ? marked || !large : marked && !large && !second
  return whole ? review(set, text, by) : undefined
}

/** The name of who said it, where the words themselves end in one. */
function nameIn(tile: Words, line: Block, marked: boolean): Sayer | undefined {
  const name = plainLine(line)
  if (name === undefined || line.type === 'heading' || !isName(name) || !(marked || DASH.test(name)))
    return undefined
  const said = tile.text.content[0]!
  const space = ownSpace(said) ?? tile.space ?? gapAfter({ line: tile.style?.line ?? LINE }, 0)
  return { name, style: tile.style, space }
}

/** Lines of words whose style says nothing of them, px. */
const LINE = 24

/** The name of who said it, where the words beneath are one. */
function nameBeneath(tile: Words, next: Words, marked: boolean): Sayer | undefined {
  const [only, ...more] = next.text.content
  const name = plainLine(only)
  if (name === undefined || more.length || next.base || next.align !== tile.align || next.show !== tile.show)
    return undefined
  const side = tile.align === 'right' ? 'right' : 'left'
  const inLine = tile.align === 'center' || Math.abs(tile.padding[side] - next.padding[side]) <= SAME
  const near = tile.padding.bottom + next.padding.top <= NEAR
  const smaller = (next.style?.size ?? 0) <= (tile.style?.size ?? 0)
  if (!inLine || !near || !smaller || !isName(name) || !(marked || DASH.test(name))) return undefined
  return { name, style: next.style, space: tile.padding.bottom + next.padding.top, below: next }
}

interface Sayer {
  name: string
  style: Words['style']
  /** Above the name, px. */
  space: number
  /** The tile that says the name, where it is one of its own. */
  below?: Words | undefined
}

function review(tile: Words, text: string, by?: Sayer): Review {
  const { id, padding, narrow, show, align, style } = tile
  const below = by?.below
  const comma = by ? by.name.indexOf(', ') : -1
  const bottom = below ? below.padding.bottom : padding.bottom
  return {
    ...{ id, show, align, style },
    kind: 'review',
    cuts: [...cutsOf(tile), ...(below ? cutsOf(below) : [])],
    padding: { ...padding, bottom },
    narrow: narrow?.padding ? { padding: { ...narrow.padding, bottom } } : narrow,
    text,
    who: by ? (comma < 0 ? by.name : by.name.slice(0, comma)) : '',
    about: comma < 0 ? '' : by!.name.slice(comma + 2),
    stars: null,
    starColor: STAR_COLOR,
    ...(by ? { byStyle: by.style, space: by.space } : {}),
  }
}

/** A paragraph without links, letters of its own and broken lines, as it reads; undefined for all else. */
function plainLine(block: Block | undefined): string | undefined {
  if (block?.type !== 'paragraph' && block?.type !== 'heading') return undefined
  const { content = [] } = block
  if (content.some((run) => run.type !== 'text' || markOf(run, 'link') || run.marks?.length)) return undefined
  const text: RichText = { type: 'doc', content: [block] }
  return plainOf(text).trim() || undefined
}

/** Whether a line may be a name with a place or a role. */
const isName = (line: string): boolean =>
  line.length <= NAME_LENGTH &&
  line.split(/\s+/).length <= NAME_WORDS &&
  !/[.!?:;]$/.test(line) &&
  (DASH.test(line) || /^\p{Lu}/u.test(line) || !/\p{Ll}/u.test(line))
