import type { ByHand } from '../email/schema'
import { asWritten, replaceFields, type FieldWriter } from '../text/fields'
import type { CompileContext } from '../tiles/context'
import { placePictures } from '../html/pictures'
import { inlineDocument, tagsOf } from '#reading'

/** Takes every style sheet out. */
function withoutSheets(html: string): string {
  let out = ''
  let at = 0
  let open: number | null = null
  for (const tag of tagsOf(html)) {
    if (tag.name !== 'style') continue
    if (!tag.closing) open ??= tag.from
    else if (open !== null) {
      out += html.slice(at, open)
      at = tag.to
      open = null
    }
  }
  return out + html.slice(at, open ?? undefined)
}

/**
 * An email written by hand as it leaves: byte for byte as it was written, but for the places of pictures, the
 * fields, and what was asked of its styles.
 */
export function byHandHtml(
  hand: ByHand,
  src: CompileContext['src'],
  fields: FieldWriter,
  styles: 'both' | 'inline' | 'head' = 'both',
): string {
  const inlined = hand.inline || styles === 'inline' ? inlineDocument(hand.html) : hand.html
  const bare = styles === 'inline' ? withoutSheets(inlined) : inlined
  const placed = placePictures(bare, hand.pictures, src)
  return fields === asWritten ? placed : replaceFields(placed, fields)
}
