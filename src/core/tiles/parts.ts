import { eachInline, markOf, type RichText } from '../email/richtext'
import type { PictureRef } from './picture/ref'
import type { Tile } from './schema'
import { shareLink } from './social/icons'

/** What the checks and the hand-over look for in a tile, whatever its kind. */
export interface TileLink {
  href: string
  /** What bears it. */ from: 'words' | 'picture' | 'button' | 'menu' | 'icon' | 'footer' | 'code'
}

/** Every link written in a tile, in reading order; empty ones are left out. */
export function linksIn(tile: Tile): TileLink[] {
  const found = ((): TileLink[] => {
    switch (tile.kind) {
      case 'words': {
        const out: TileLink[] = []
        let last: string | undefined
        eachInline(tile.text, (run) => {
          const href = markOf(run, 'link')?.attrs.href
          if (href !== undefined && href !== last) out.push({ href, from: 'words' })
          last = href
        })
        return out
      }
      case 'picture':
        return [{ href: tile.link, from: 'picture' }]
      case 'button':
        return [{ href: tile.link, from: 'button' }]
      case 'menu':
        return tile.items.map((i) => ({ href: i.link, from: 'menu' }))
      case 'social':
        return tile.icons.map((i) => ({
          href: i.share ? shareLink(i.link, i.share, i.title ?? i.alt) : i.link,
          from: 'icon',
        }))
      case 'footer':
        return [tile.unsubscribe, ...(tile.preferences ? [tile.preferences] : [])].map((w) => ({
          href: w.link,
          from: 'footer',
        }))
      case 'code':
        return [...tile.html.matchAll(/\shref\s*=\s*(?:"([^"]*)"|'([^']*)'|([^\s"'>]+))/gi)].map((m) => ({
          href: (m[1] ?? m[2] ?? m[3]!).replace(/&amp;/g, '&'),
          from: 'code',
        }))
      default:
        return []
    }
  })()
  return found.filter((l) => l.href.trim())
}

/**
 * What to set in a tile so that every link to one address leads to another; null where its kind cannot be
 * changed so.
 */
export function relinked(tile: Tile, from: string, to: string): Record<string, unknown> | null {
  const swap = (link: string) => (link === from ? to : link)
  switch (tile.kind) {
    case 'words':
      return { text: relink(tile.text, from, to) }
    case 'picture':
    case 'button':
      return { link: swap(tile.link) }
    case 'menu':
      return { items: tile.items.map((i) => ({ ...i, link: swap(i.link) })) }
    case 'social':
      return { icons: tile.icons.map((i) => ({ ...i, link: swap(i.link) })) }
    case 'footer':
      return {
        unsubscribe: { ...tile.unsubscribe, link: swap(tile.unsubscribe.link) },
        ...(tile.preferences
          ? { preferences: { ...tile.preferences, link: swap(tile.preferences.link) } }
          : {}),
      }
    default:
      return null
  }
}

/** The text with every link to one address led to another. */
export function relink(text: RichText, from: string, to: string): RichText {
  const walk = (node: unknown): unknown => {
    if (Array.isArray(node)) return node.map(walk)
    if (node && typeof node === 'object') {
      const n = node as Record<string, unknown>
      if (n.type === 'link' && (n.attrs as { href?: string }).href === from)
        return { ...n, attrs: { ...(n.attrs as object), href: to } }
      return Object.fromEntries(Object.entries(n).map(([k, v]) => [k, walk(v)]))
    }
    return node
  }
  return walk(text) as RichText
}

/** Every text of a tile that is read, in reading order. */
export function wordsIn(tile: Tile): string[] {
  switch (tile.kind) {
    case 'words': {
      const out: string[] = []
      eachInline(tile.text, (run) => {
        if (run.type === 'text') out.push(run.text)
      })
      return out
    }
    case 'picture':
      return tile.alt ? [tile.alt] : []
    case 'button':
      return [tile.label]
    case 'menu':
      return tile.items.map((i) => i.label)
    case 'social':
      return tile.icons.filter((i) => i.picture).map((i) => i.alt)
    case 'table':
      return [tile.caption, ...tile.rows.flatMap((r) => r.slice(0, tile.columns.length))]
    case 'review':
      return [tile.text, tile.who, tile.about]
    case 'footer':
      return [
        ...(tile.sender !== undefined ? [tile.sender] : []),
        ...(tile.address !== undefined ? [tile.address] : []),
        tile.why,
        tile.unsubscribe.label,
        ...(tile.preferences ? [tile.preferences.label] : []),
      ]
    case 'code':
      return [tile.html]
    case 'word':
      return [tile.others, tile.word]
    default:
      return []
  }
}

/** Every picture of a tile with its words, in the order in which they are loaded. */
export function picturesIn(tile: Tile): { picture: PictureRef; alt: string }[] {
  switch (tile.kind) {
    case 'picture':
      return tile.picture
        ? [tile.picture, tile.narrowPicture, tile.nightPicture].flatMap((picture) =>
            picture ? [{ picture, alt: tile.alt ?? '' }] : [],
          )
        : []
    case 'button':
      return tile.icon ? [{ picture: tile.icon.picture, alt: '' }] : []
    case 'code':
      return Object.values(tile.pictures ?? {}).map((picture) => ({ picture, alt: '' }))
    case 'social':
      return tile.icons.flatMap((i) => (i.picture ? [{ picture: i.picture, alt: i.alt }] : []))
    default:
      return []
  }
}
