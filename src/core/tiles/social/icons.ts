import type { IconShape, SocialIcon } from './schema'

/**
 * A shipped icon: its file in the open package `bootstrap-icons` (MIT), what it is called, and how a page is
 * shared there.
 */
export interface ShippedIcon {
  file: string
  name: string
  /** With `{address}` and `{title}`; from memory, so it can be changed in the tile. */ share?: string
}

/** The icons offered, by the name the document stores. */
export const shippedIcons: Readonly<Record<string, ShippedIcon>> = {
  website: { file: 'globe2', name: 'Website' },
  mail: { file: 'envelope', name: 'Mail', share: 'mailto:?subject={title}&body={address}' },
  telephone: { file: 'telephone', name: 'Telephone' },
  place: { file: 'geo-alt', name: 'Place' },
  facebook: {
    file: 'facebook',
    name: 'Facebook',
    share: 'https://www.facebook.com/sharer/sharer.php?u={address}',
  },
  instagram: { file: 'instagram', name: 'Instagram' },
  linkedin: {
    file: 'linkedin',
    name: 'LinkedIn',
    share: 'https://www.linkedin.com/sharing/share-offsite/?url={address}',
  },
  mastodon: { file: 'mastodon', name: 'Mastodon' },
  bluesky: {
    file: 'bluesky',
    name: 'Bluesky',
    share: 'https://bsky.app/intent/compose?text={title}%20{address}',
  },
  threads: { file: 'threads', name: 'Threads' },
  x: { file: 'twitter-x', name: 'X', share: 'https://twitter.com/intent/tweet?url={address}&text={title}' },
  youtube: { file: 'youtube', name: 'YouTube' },
  tiktok: { file: 'tiktok', name: 'TikTok' },
  pinterest: {
    file: 'pinterest',
    name: 'Pinterest',
    share: 'https://www.pinterest.com/pin/create/button/?url={address}&description={title}',
  },
  whatsapp: { file: 'whatsapp', name: 'WhatsApp', share: 'https://wa.me/?text={title}%20{address}' },
  telegram: {
    file: 'telegram',
    name: 'Telegram',
    share: 'https://t.me/share/url?url={address}&text={title}',
  },
  podcast: { file: 'mic', name: 'Podcast' },
  feed: { file: 'rss', name: 'Feed' },
}

/** What a new row of icons begins with. */
export const usualIcons = ['website', 'instagram', 'facebook', 'youtube'] as const

/** Icons by the hosts they stand for; a host's own names within it count too. From memory. */
const hosts: readonly (readonly [icon: string, hosts: readonly string[]])[] = [
  ['facebook', ['facebook.com', 'fb.com', 'fb.me']],
  ['instagram', ['instagram.com', 'instagr.am']],
  ['linkedin', ['linkedin.com', 'lnkd.in']],
  ['bluesky', ['bsky.app', 'bsky.social']],
  ['threads', ['threads.net', 'threads.com']],
  ['x', ['x.com', 'twitter.com', 't.co']],
  ['youtube', ['youtube.com', 'youtu.be']],
  ['tiktok', ['tiktok.com']],
  ['pinterest', ['pinterest.com', 'pin.it']],
  ['whatsapp', ['whatsapp.com', 'wa.me']],
  ['telegram', ['telegram.org', 'telegram.me', 't.me']],
  ['place', ['openstreetmap.org', 'maps.app.goo.gl']],
  ['mastodon', ['mastodon.social', 'mastodon.online']],
]

/** The icon that an address is usually shown by; that of a website where none is known. */
export function iconOf(address: string): string {
  if (/^mailto:/i.test(address)) return 'mail'
  if (/^(tel|sms):/i.test(address)) return 'telephone'
  if (!URL.canParse(address)) return 'website'
  const { hostname, pathname } = new URL(address)
  const known = hosts.find(([, names]) => names.some((n) => hostname === n || hostname.endsWith(`.${n}`)))
  if (known) return known[0]
  // A profile of the fediverse begins with an at sign, whatever its host (WebFinger addresses, RFC 7565).
  if (/^mastodon\.|^mstdn\./.test(hostname) || /^\/@[^/]+\/?$/.test(pathname)) return 'mastodon'
  return /(?:\.xml|\/feed|\/rss)\/?$/i.test(pathname) ? 'feed' : 'website'
}

/**
 * A link that shares a page: address and title put into the pattern, percent-encoded (RFC 3986, section 2.1).
 * Fields in them stay as they are.
 */
export function shareLink(pattern: string, address: string, title: string): string {
  const put = (s: string) =>
    s
      .split(/(\[\[[^\][]*\]\])/)
      .map((part, i) => (i % 2 ? part : encodeURIComponent(part.replace(/\p{Surrogate}/gu, '\ufffd'))))
      .join('')
  return pattern.replaceAll('{address}', () => put(address)).replaceAll('{title}', () => put(title))
}

/** Where an icon leads: to a page to follow, or to where one is shared. */
export const addressOf = (icon: SocialIcon): string =>
  icon.share ? shareLink(icon.link, icon.share, icon.title ?? icon.alt) : icon.link

/** Space around the drawing inside its shape, as a share of the whole. */
const INSET: Record<IconShape, number> = { none: 0, square: 0.22, rounded: 0.22, circle: 0.25 }

/**
 * An icon in a colour, on a shape of another, as SVG.
 * @param drawing the inside of an icon of 16 by 16 @param size px, of the picture that is drawn from it
 */
export function iconSvg(
  drawing: string,
  look: { size: number; color: string; ground: string; shape: IconShape },
): string {
  const { size, color, ground, shape } = look
  const behind = {
    none: '',
    square: `<rect width="16" height="16" fill="${ground}"/>`,
    rounded: `<rect width="16" height="16" rx="3.2" fill="${ground}"/>`,
    circle: `<circle cx="8" cy="8" r="8" fill="${ground}"/>`,
  }[shape]
  const k = 1 - 2 * INSET[shape]
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${size}" height="${size}" viewBox="0 0 16 16">${behind}<g fill="${color}" transform="translate(${16 * INSET[shape]} ${16 * INSET[shape]}) scale(${k})">${drawing}</g></svg>`
}
