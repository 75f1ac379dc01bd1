import { placesOf } from '../email/walk'
import type { Check } from './check'

export const linkMissing: Check = {
  name: 'link-missing',
  about: 'Buttons lead somewhere, and so do pictures: readers press them.',
  run: ({ email }) => [...placesOf(email)].flatMap(({ band, tile }) => {
    if ((tile.kind !== 'picture' && tile.kind !== 'button') || tile.link.trim()) return []
    if (tile.kind === 'picture' && (!tile.picture || tile.alt === '')) return []
    const button = tile.kind === 'button'
    return [{
      weight: button ? 'mend' as const : 'mind' as const, stage: 'compose' as const, where: { band: band.id, tile: tile.id },
      what: button ? `Button "${tile.label}" without a link` : 'Picture without a link',
      why: button ? 'Pressing it does nothing. Write where it leads.' : 'Readers press pictures. Write where it leads, or leave it if it should lead nowhere.',
    }]
  }),
}
