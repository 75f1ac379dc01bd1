import { hasScheme } from '../compile/link'
import type { Edit } from '../email/edits'
import type { RichText } from '../email/richtext'
import type { Check } from './check'
import { linksOf, withScheme, type Link } from './links'

export const linkScheme: Check = {
  name: 'link-scheme',
  about: 'A link names its scheme (RFC 3986, section 3.1); without one, one desktop program shows plain text and others open nothing.',
  run: ({ email }) => linksOf(email).filter((l) => !hasScheme(l.href)).map((l) => ({
    weight: 'mend' as const, stage: 'compose' as const, where: { band: l.place.band.id, tile: l.place.tile.id },
    what: `Link without a scheme: ${l.href}`,
    why: `It opens nowhere in some programs. It should be ${withScheme(l.href)}.`,
    fix: { label: `Make it ${withScheme(l.href)}`, edit: mend(l) },
  })),
}

function mend({ place: { tile }, href }: Link): Edit {
  if (tile.kind === 'words') return { name: 'setTile', what: { id: tile.id, set: { text: relink(tile.text, href, withScheme(href)) } } }
  return { name: 'setTile', what: { id: tile.id, set: { link: withScheme(href) } } }
}

/** The text with every link to one address led to another. */
export function relink(text: RichText, from: string, to: string): RichText {
  const walk = (node: unknown): unknown => {
    if (Array.isArray(node)) return node.map(walk)
    if (node && typeof node === 'object') {
      const n = node as Record<string, unknown>
      if (n.type === 'link' && (n.attrs as { href?: string }).href === from) return { ...n, attrs: { ...(n.attrs as object), href: to } }
      return Object.fromEntries(Object.entries(n).map(([k, v]) => [k, walk(v)]))
    }
    return node
  }
  return walk(text) as RichText
}
