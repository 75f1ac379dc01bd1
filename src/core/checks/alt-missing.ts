import { placesOf } from '../email/walk'
import type { Check } from './check'

export const altMissing: Check = {
  name: 'alt-missing',
  about: 'Every picture says in words what it says, or is marked as decoration (WCAG 2.2, 1.1.1).',
  run: ({ email }) =>
    [...placesOf(email)].flatMap(({ band, tile }) =>
      tile.kind === 'picture' && (tile.alt === null || (tile.alt.trim() === '' && tile.link.trim() !== ''))
        ? [
            {
              weight: 'mend' as const,
              stage: 'compose' as const,
              where: { band: band.id, tile: tile.id },
              what: tile.alt === null ? 'Picture without alt text' : 'Linked picture with empty alt text',
              why: 'With pictures off, or read aloud, nothing is left of it. Write what the picture says; mark it as decoration only if it says nothing and links nowhere.',
            },
          ]
        : tile.kind === 'social' && tile.icons.some((i) => i.picture && !i.alt.trim())
          ? [
              {
                weight: 'mend' as const,
                stage: 'compose' as const,
                where: { band: band.id, tile: tile.id },
                what: 'Icon without alt text',
                why: 'Read aloud, it is a link without a name. Write where it leads, such as the name of the place.',
              },
            ]
          : [],
    ),
}
