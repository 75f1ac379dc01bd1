import { eachInline, eachTextBlock, markOf, plainOf, textOf } from '../../email/richtext'
import { relink } from './relink'
import { defineTile, none, type ColorPair, type TileLink } from '../definition'
import { blockStyle, wordsHolder, wordsHtml } from './html'
import { wordsSchema, type WordsTile } from './schema'
import { wordsText } from './text'
import type { RoleStyle } from '../../email/cascade'
import type { Ground } from '../../email/ground'

export const words = defineTile<WordsTile>({
  kind: 'words',
  schema: wordsSchema,
  first: () => ({ text: textOf('Write here'), align: 'left' }),
  holder: wordsHolder,
  html: wordsHtml,
  states: none,
  text: wordsText,
  links: linksOf,
  relinked: (tile, swap) => ({ text: relink(tile.text, swap) }),
  words: (tile) => {
    const out: string[] = []
    eachInline(tile.text, (run) => {
      if (run.type === 'text') out.push(run.text)
    })
    return out
  },
  pictures: none,
  lacks: (tile) => (plainOf(tile.text) ? null : 'Words not written yet'),
  wordless: () => null,
  pairs: pairsOf,
})

/** Neighbouring runs of one address are one link. */
function linksOf(tile: WordsTile): TileLink[] {
  const out: TileLink[] = []
  let last: string | undefined
  eachInline(tile.text, (run) => {
    const href = markOf(run, 'link')?.attrs.href
    if (href !== undefined && href !== last) out.push({ href, from: 'words' })
    last = href
  })
  return out
}

function pairsOf(tile: WordsTile, look: RoleStyle, ground: Ground): ColorPair[] {
  const pairs: ColorPair[] = []
  const links = { ...look.link, ...tile.link }
  eachTextBlock(tile.text, (b) => {
    const s = blockStyle(tile, b.type === 'heading' ? b.attrs.level : 0, look)
    for (const run of b.content ?? []) {
      if (run.type !== 'text' || !run.text.trim()) continue
      const own = markOf(run, 'textStyle')?.attrs
      const of = markOf(run, 'link') ? links : s
      // Highlighted words keep their ink where their ground stays.
      const nightInk = own?.color ?? (own?.backgroundColor ? of.color : (of.nightColor ?? of.color))
      pairs.push({
        color: own?.color ?? of.color,
        ground: own?.backgroundColor ?? ground.color,
        night: { color: nightInk, ground: own?.backgroundColor ?? ground.night },
        size: own?.fontSize ? parseInt(own.fontSize) : s.size,
        bold: s.bold || !!markOf(run, 'bold'),
        link: of === links,
        own: !!own?.backgroundColor,
      })
    }
  })
  return pairs
}
