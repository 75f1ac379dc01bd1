import type { Block, Inline } from '../email/richtext'
import { wayOutIn } from '../text/ways-out'
import { markOf } from '../email/richtext'
import type { Tile, TileOf } from '../email/tile'

/** What leads out: a field of that name, or words that say so. */
const leaves = (href: string, label: string): boolean => /unsubscribe/i.test(href) || wayOutIn(label) !== null

const plain = (runs: readonly Inline[]): string =>
  runs
    .map((r) => (r.type === 'text' ? r.text : '\n'))
    .join('')
    .trim()

interface Way {
  label: string
  link: string
}

/** The links of a line that holds nothing else. */
function waysOf(runs: readonly Inline[]): Way[] | null {
  const ways: Way[] = []
  for (const r of runs) {
    const link = r.type === 'text' ? markOf(r, 'link')?.attrs.href : undefined
    if (link !== undefined && r.type === 'text') ways.push({ label: r.text.trim(), link })
    else if (r.type !== 'text' || r.text.replace(/[\s\u00a0|·,/-]/g, '')) return null
  }
  return ways.length ? ways : null
}

/**
 * Words that are a footer: who sends, in bold, with an address beneath; why it came; and the ways out, the first of which
 * leads out. Else the words as they are.
 */
export function asFooter(tile: Tile): Tile {
  if (tile.kind !== 'words' || tile.text.content.some((b) => b.type !== 'paragraph')) return tile
  const lines = (tile.text.content as Extract<Block, { type: 'paragraph' }>[]).map((b) => b.content ?? [])
  const ways = lines.length > 1 && lines.length < 4 ? waysOf(lines.at(-1)!) : null
  const [out, preferences] = ways ?? []
  if (!out || ways!.length > 2 || !leaves(out.link, out.label)) return tile
  const before = lines.slice(0, -1)
  const first = before[0]!
  const signed = first[0]?.type === 'text' && !!markOf(first[0], 'bold')
  if (before.length === 2 && !signed) return tile
  if (before.some((runs) => runs.some((r) => r.type === 'text' && markOf(r, 'link')))) return tile
  const { id, padding, show, align, style } = tile
  const footer: TileOf<'footer'> = {
    ...{ id, padding, show, align, style, kind: 'footer' as const },
    ...(signed
      ? { sender: plain(first.slice(0, 1)), address: plain(first.slice(1)).replace(/\n/g, ' ') }
      : { sender: '', address: '' }),
    why: plain(signed ? (before[1] ?? []) : first),
    unsubscribe: out,
    ...(preferences ? { preferences } : {}),
  }
  return footer
}
