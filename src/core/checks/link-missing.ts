import { definitionOf } from '../tiles'
import type { Tile } from '../email/tile'
import type { Check, Found } from './check'

export const linkMissing: Check = {
  name: 'link-missing',
  about: 'Buttons lead somewhere, and so do pictures: readers press them.',
  tile: ({ tile }) => {
    const nowhere = definitionOf(tile)
      .links(tile)
      .filter((l) => !l.href.trim())
    const named = nowhere.flatMap((l): Found[] =>
      l.said?.trim()
        ? [mend(`"${l.said}" leads nowhere`, 'Write where it leads, or take it out.', l.said)]
        : [],
    )
    return nowhere.some((l) => !l.said?.trim()) ? [...named, ...unnamed(tile)] : named
  },
}

const mend = (what: string, todo: string, key?: string): Found => ({
  severity: 'mend',
  stage: 'compose',
  what,
  why: `Pressing it does nothing. ${todo}`,
  ...(key ? { key } : {}),
})

/** What a tile's links without words are. */
function unnamed(tile: Tile): Found[] {
  if (tile.kind === 'button') return [mend(`Button "${tile.label}" without a link`, 'Write where it leads.')]
  // Decoration is not pressed, and stars of a review are not.
  if (tile.kind === 'picture' && tile.picture && tile.alt !== '') return [unlinked('Picture without a link')]
  if (tile.kind === 'marks' && tile.marks.some((m) => m.alt !== '' && !m.link.trim()))
    return [unlinked('Marks without a link')]
  return []
}

const unlinked = (what: string): Found => ({
  severity: 'mind',
  stage: 'compose',
  what,
  why: 'Readers press pictures. Write where it leads, or leave it if it should lead nowhere.',
})
