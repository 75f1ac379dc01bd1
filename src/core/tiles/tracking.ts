import { placesOf } from '../email/walk'
import { applyEdit, type SetTile } from '../email/edits'
import type { Band, Email } from '../email/schema'
import { relinkedHtml } from '../html/links'
import { trackedHref, type Tracking } from '../text/tracking'
import { definitionOf } from './index'
import type { Tile } from '../email/tile'

/** Bands with tracked links, as long as band and rule are the same. */
const known = new WeakMap<Band, { rule: Tracking; band: Band }>()

/** What of a tile its links change. Code is rewritten too: the rule is of the whole email. */
function relinkedTile(tile: Tile, swap: (href: string) => string): Partial<Tile> | null {
  if (tile.kind === 'code') return { html: relinkedHtml(tile.html, swap) }
  if (tile.kind === 'conditional')
    return { word: relinkedHtml(tile.word, swap), others: relinkedHtml(tile.others, swap) }
  return definitionOf(tile).relinked(tile, swap)
}

function trackedBand(email: Email, band: Band, rule: Tracking): Band {
  const before = known.get(band)
  if (before?.rule === rule) return before.band
  const swap = (href: string) => trackedHref(href, rule, band.name)
  let one: Email = { ...email, bands: [band] }
  for (const { tile } of placesOf(one)) {
    const set = relinkedTile(tile, swap)
    if (set) one = applyEdit(one, { name: 'setTile', what: { id: tile.id, kind: tile.kind, set } as SetTile })
  }
  known.set(band, { rule, band: one.bands[0]! })
  return one.bands[0]!
}

/** An email whose links carry the parameters of its rule, where it has one. The document itself keeps them as written. */
export function trackedEmail(email: Email): Email {
  const rule = email.tracking
  if (!rule) return email
  if (email.way === 'hand' && email.hand) {
    const swap = (href: string) => trackedHref(href, rule, '')
    return { ...email, hand: { ...email.hand, html: relinkedHtml(email.hand.html, swap) } }
  }
  return { ...email, bands: email.bands.map((band) => trackedBand(email, band, rule)) }
}
