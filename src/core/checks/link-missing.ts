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
    return nowhere.flatMap((l): Found[] => {
      if (l.said?.trim())
        return [mend(`"${l.said}" leads nowhere`, 'Write where it leads, or take it out.', l.said)]
      return tile.kind === 'button' || tile.kind === 'picture' ? lone(tile) : []
    })
  },
}

const mend = (what: string, todo: string, key?: string): Found => ({
  severity: 'mend',
  stage: 'compose',
  what,
  why: `Pressing it does nothing. ${todo}`,
  ...(key ? { key } : {}),
})

/** A tile that is one link as a whole. */
function lone(tile: Extract<Tile, { kind: 'button' | 'picture' }>): Found[] {
  if (tile.kind === 'button') return [mend(`Button "${tile.label}" without a link`, 'Write where it leads.')]
  // Decoration is not pressed.
  if (!tile.picture || tile.alt === '') return []
  return [
    {
      severity: 'mind',
      stage: 'compose',
      what: 'Picture without a link',
      why: 'Readers press pictures. Write where it leads, or leave it if it should lead nowhere.',
    },
  ]
}
