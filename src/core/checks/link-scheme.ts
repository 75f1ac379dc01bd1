import { hasScheme } from '../compile/link'
import type { Edit } from '../email/edits'
import { relinked } from '../tiles/parts'
import type { Check } from './check'
import { linksOf, withScheme, type Link } from './links'

export const linkScheme: Check = {
  name: 'link-scheme',
  about:
    'A link names its scheme (RFC 3986, section 3.1); without one, one desktop program shows plain text and others open nothing.',
  run: ({ email }) =>
    linksOf(email)
      .filter((l) => !hasScheme(l.href))
      .map((l) => ({
        weight: 'mend' as const,
        stage: 'compose' as const,
        where: l.place ? { band: l.place.band.id, tile: l.place.tile.id } : {},
        what: `Link without a scheme: ${l.href}`,
        why: `It opens nowhere in some programs. It should be ${withScheme(l.href)}.`,
        ...mend(l),
      })),
}

function mend({ place, href }: Link): { fix?: { label: string; edit: Edit } } {
  const set = place && relinked(place.tile, href, withScheme(href))
  return set
    ? {
        fix: {
          label: `Make it ${withScheme(href)}`,
          edit: { name: 'setTile', what: { id: place.tile.id, set } },
        },
      }
    : {}
}
