import type { Edit } from '../email/edits'
import { hasScheme, withScheme } from '../text/link'
import { linksOf, relinked, type Link } from '../tiles/contents'
import type { Check } from './check'

export const linkScheme: Check = {
  name: 'link-scheme',
  about:
    'A link names its scheme (RFC 3986, section 3.1); without one, one desktop program shows plain text and others open nothing.',
  email: ({ email }) =>
    linksOf(email)
      .filter((l) => !hasScheme(l.href))
      .map((l) => ({
        severity: 'mend',
        stage: 'compose',
        where: l.place ? { band: l.place.band.id, tile: l.place.tile.id } : {},
        key: l.href,
        what: `Link without a scheme: ${l.href}`,
        why: `It opens nowhere in some programs. It should be ${withScheme(l.href)}.`,
        ...mend(l),
      })),
}

function mend({ place, href }: Link): { fix?: { label: string; edit: Edit } } {
  const edit = place && relinked(place.tile, href, withScheme(href))
  return edit ? { fix: { label: `Make it ${withScheme(href)}`, edit } } : {}
}
