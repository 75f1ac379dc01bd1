import type { Band, Item } from '../../email/schema'
import { markOf, plainOf, type Block, type Inline, type Paragraph } from '../../email/richtext'
import type { Tile, TileOf } from '../../email/tile'
import { wayOutIn } from '../../text/ways-out'
import { UNSUBSCRIBE } from '../../text/fields'

/** Shorter lines that name the way out are it as a whole, characters. */
const SHORT = 48
/** What stands between two ways out. */
const BETWEEN = / [|·•–—/] | {2,9}/
const WAY_OUT = `[[${UNSUBSCRIBE}]]`

/**
 * The last band's small print with its way out: a footer tile where that says as much, else words of which the way out is linked.
 * @param fresh whether a tile's words were not yet looked at by a person
 */
export const withFooter = (bands: readonly Band[], fresh: (tile: Tile) => boolean): Band[] =>
  bands.map((band) =>
    band.role !== 'footer'
      ? band
      : {
          ...band,
          cells: band.cells.map((cell) => ({
            ...cell,
            items: cell.items.map((item): Item =>
              item.kind === 'words' && fresh(item) ? footerOf(item) : item,
            ),
          })),
        },
  )

function footerOf(tile: TileOf<'words'>): Tile {
  const content = tile.text.content.map(linkedOut)
  const changed = content.some((b, i) => b !== tile.text.content[i])
  const { color } = tile.style ?? {}
  const linked: TileOf<'words'> = {
    ...tile,
    text: { type: 'doc', content },
    // The link has the ink of its line: that of the house may not be seen on this ground.
    ...(changed && color ? { link: { ...tile.link, color, underline: true } } : {}),
  }
  const lines = linked.text.content
  const { space } = tile
  if (lines.length < 2 || lines.length > 3 || !lines.every((b) => b.type === 'paragraph')) return linked
  const ways = waysOf(lines.at(-1) as Paragraph)
  if (!ways) return linked
  const before = lines.slice(0, -1).map((b) => plainOf({ type: 'doc', content: [b] }).trim())
  const [first = '', second] = before
  // The footer says where before it says why, each in a line that breaks by itself.
  if ((second !== undefined && !isAddress(first)) || before.some((line) => line.includes('\n'))) return linked
  const { id, cut, cuts, padding, narrow, show, align, style } = tile
  return {
    ...{ id, padding, narrow, show, align, style },
    kind: 'footer',
    cuts: cuts ?? [cut!],
    sender: '',
    address: isAddress(first) ? first : '',
    why: second ?? (isAddress(first) ? '' : first),
    ...ways,
    ...(space === undefined ? {} : { space }),
  }
}

/** Whether a line is where somebody is found: a number in it, and parts. */
const isAddress = (line: string): boolean => /\d/.test(line) && line.includes(',')

/** A block whose way out is a link. */
function linkedOut(block: Block): Block {
  if (block.type !== 'paragraph' || !block.content) return block
  const runs = block.content
  if (runs.some((r) => markOf(r, 'link')) || runs.some((r) => r.type !== 'text')) return block
  const said = runs.map((r) => (r.type === 'text' ? r.text : '')).join('')
  const found = wayOutIn(said)
  if (!found) return block
  const parts = said.split(BETWEEN)
  const whole = parts.find((p) => wayOutIn(p))!
  const from = said.indexOf(whole)
  const { from: start, to: end } = whole.length <= SHORT ? { from, to: from + whole.length } : found
  const [run] = runs
  const marks = run!.marks ?? []
  const out: Inline[] = [
    { type: 'text' as const, text: said.slice(0, start), marks },
    {
      type: 'text' as const,
      text: said.slice(start, end).replace(/\.$/, ''),
      marks: [...marks, { type: 'link' as const, attrs: { href: WAY_OUT } }],
    },
    { type: 'text' as const, text: said.slice(end), marks },
  ]
  return { ...block, content: out.filter((r) => r.type !== 'text' || r.text) }
}

/** The ways out of a line that holds nothing else, the first of which leads out. */
function waysOf({ content = [] }: Paragraph): Pick<TileOf<'footer'>, 'unsubscribe' | 'preferences'> | null {
  const links = content.flatMap((r) => {
    const link = markOf(r, 'link')?.attrs.href
    return link !== undefined && r.type === 'text' ? [{ label: r.text.trim(), link }] : []
  })
  const labels = plainOf({ type: 'doc', content: [{ type: 'paragraph', content }] })
    .split(BETWEEN)
    .map((label) => label.trim().replace(/\.$/, ''))
  // In a sentence a link stays where it is.
  if (labels.length > 2 || !links.length || links.some((l) => !labels.includes(l.label))) return null
  const ways = labels.map((label) => links.find((l) => l.label === label) ?? { label, link: '' })
  const unsubscribe = ways.find((w) => w.link === WAY_OUT) ?? ways.find((w) => w.link)!
  const preferences = ways.find((w) => w !== unsubscribe)
  return { unsubscribe, ...(preferences ? { preferences } : {}) }
}
