import { placesOf } from '../email/walk'
import type { Tile } from '../tiles/schema'
import type { Check } from './check'

/** The links that a tile of several has, with what they say. */
function ways(tile: Tile): { said: string; link: string }[] {
  switch (tile.kind) {
    case 'menu':
      return tile.items.map((i) => ({ said: i.label, link: i.link }))
    case 'social':
      return tile.icons
        .filter((i) => i.picture)
        .map((i) => ({ said: i.alt || 'Icon', link: i.share ?? i.link }))
    case 'footer':
      return [tile.unsubscribe, ...(tile.preferences ? [tile.preferences] : [])].map((w) => ({
        said: w.label,
        link: w.link,
      }))
    default:
      return []
  }
}

export const linkMissing: Check = {
  name: 'link-missing',
  about: 'Buttons lead somewhere, and so do pictures: readers press them.',
  run: ({ email }) =>
    [...placesOf(email)].flatMap(({ band, tile }) => {
      const mute = ways(tile).filter((w) => w.said.trim() && !w.link.trim())
      if (mute.length)
        return mute.map((w) => ({
          weight: 'mend' as const,
          stage: 'compose' as const,
          where: { band: band.id, tile: tile.id },
          what: `"${w.said}" leads nowhere`,
          why: 'Pressing it does nothing. Write where it leads, or take it out.',
        }))
      if ((tile.kind !== 'picture' && tile.kind !== 'button') || tile.link.trim()) return []
      if (tile.kind === 'picture' && (!tile.picture || tile.alt === '')) return []
      const button = tile.kind === 'button'
      return [
        {
          weight: button ? ('mend' as const) : ('mind' as const),
          stage: 'compose' as const,
          where: { band: band.id, tile: tile.id },
          what: button ? `Button "${tile.label}" without a link` : 'Picture without a link',
          why: button
            ? 'Pressing it does nothing. Write where it leads.'
            : 'Readers press pictures. Write where it leads, or leave it if it should lead nowhere.',
        },
      ]
    }),
}
