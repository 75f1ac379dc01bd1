import { replaceFields } from '../../text/fields'
import { linked, type TextContext } from '../context'
import { senderOf } from './html'
import type { FooterTile } from './schema'

/** A footer as plain text, beneath a rule. */
export function footerText(tile: FooterTile, c: TextContext): string {
  const { sender, address } = senderOf(tile, c.footer)
  const who = [sender, address]
    .map((w) => replaceFields(w, c.fields).trim())
    .filter(Boolean)
    .join('\n')
  const ways = [tile.unsubscribe, ...(tile.preferences ? [tile.preferences] : [])]
    .map((w) => linked(w.label, w.link, c))
    .filter(Boolean)
    .join('\n')
  return ['-'.repeat(40), who, replaceFields(tile.why, c.fields).trim(), ways].filter(Boolean).join('\n\n')
}
