import type { Edit, SetTile } from '../email/edits'
import type { Email } from '../email/schema'
import type { Tile } from '../email/tile'
import { tagsOf } from '#reading'
import { placesOf, tilesOf, type Place } from '../email/walk'
import type { PictureRef } from '../picture/ref'
import { fieldsIn, type Field } from '../text/fields'
import type { TileLink } from './definition'
import { definitionOf } from './index'

/** A link of an email: where it stands (null: in the markup or text of an email written so), and where it leads. */
export interface Link extends TileLink {
  place: Place | null
}

/** Every link that leads somewhere, in reading order. */
export const linksIn = (tile: Tile): TileLink[] =>
  definitionOf(tile)
    .links(tile)
    .filter((l) => l.href.trim())

/** Every link written in an email, in reading order. Empty ones are left out. */
export function linksOf(email: Email): Link[] {
  if (email.way === 'hand')
    return hrefsIn(email.hand?.html ?? '').map((href) => ({ place: null, href, from: 'code' }))
  if (email.way === 'plain')
    return addressesIn(email.plain ?? '').map((href) => ({ place: null, href, from: 'words' }))
  return [...placesOf(email)].flatMap((place) => linksIn(place.tile).map((l) => ({ place, ...l })))
}

/** Where the links of a markup lead, as written. */
const hrefsIn = (html: string): string[] =>
  tagsOf(html)
    .filter((t) => !t.closing && (t.name === 'a' || t.name === 'area'))
    .flatMap((t) => t.attributes.find((a) => a.name === 'href')?.value ?? [])
    .filter((h) => h.trim())

/** Where the links of a plain text lead. */
const addressesIn = (text: string): string[] =>
  [...text.matchAll(/https?:\/\/[^\s<>"]{1,2000}|\[\[\s{0,9}unsubscribe[^\][]{0,200}\]\]/g)].map((m) => m[0])

/** The edit that leads every link of a tile to one address to another; null where its kind cannot be changed so. */
export function relinked(tile: Tile, from: string, to: string): Edit | null {
  const set = definitionOf(tile).relinked(tile, (href) => (href === from ? to : href))
  return set && { name: 'setTile', what: { id: tile.id, kind: tile.kind, set } as SetTile }
}

/** A picture of an email, with what it says and where it stands. */
export interface UsedPicture {
  picture: PictureRef
  alt: string
  /** The name of its band, or of its file in markup written by hand. */
  where: string
}

/** Every picture of an email in the order in which readers load them. */
export function picturesOf(email: Pick<Email, 'way' | 'bands' | 'hand' | 'behind'>): UsedPicture[] {
  if (email.way === 'hand')
    return Object.entries(email.hand?.pictures ?? {}).map(([address, picture]) => ({
      picture,
      alt: '',
      where: address.replace(/^.*\//, '').replace(/\.[a-z0-9]+$/i, ''),
    }))
  const behind = email.behind ? [{ picture: email.behind.picture, alt: '', where: 'Ground' }] : []
  const inBands = email.bands.flatMap((band) => [
    ...(band.picture ? [{ picture: band.picture.picture, alt: '', where: band.name }] : []),
    ...[...tilesOf(band)].flatMap((tile) =>
      definitionOf(tile)
        .pictures(tile)
        .map((p) => ({ picture: p.picture, alt: p.alt ?? '', where: band.name })),
    ),
  ])
  return [...behind, ...inBands]
}

/** Every field an email uses, each once with the first fallback written for it, in the order in which they are met. */
export function fieldsOf(email: Email): Field[] {
  const fields = new Map<string, string>()
  const see = (text: string) => {
    for (const f of fieldsIn(text)) fields.set(f.name, fields.get(f.name) || f.fallback)
  }
  see(email.subject)
  see(email.preheader)
  if (email.way === 'bands') {
    for (const { tile } of placesOf(email)) definitionOf(tile).words(tile).forEach(see)
    for (const band of email.bands)
      if (band.when && !fields.has(band.when.field)) fields.set(band.when.field, '')
  }
  if (email.way === 'hand') see(email.hand?.html ?? '')
  see((email.way === 'plain' ? email.plain : email.text) ?? '')
  linksOf(email).forEach((l) => see(l.href))
  return [...fields].map(([name, fallback]) => ({ name, fallback }))
}
