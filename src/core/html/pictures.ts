import type { PictureRef } from '../picture/ref'
import { guarded } from './element'

/**
 * Attributes that name a picture, with their value in either kind of quotes or none; and the `url()` of
 * styles.
 */
const addresses =
  /(\s(?:src|background|srcset|poster|href)\s*=\s*)(?:"([^"]*)"|'([^']*)'|([^\s"'>]+))|(url\(\s*)(?:"([^"]*)"|'([^']*)'|([^)'"]*))(\s*\))/gi

const unescape = (s: string): string => s.replace(/&amp;/g, '&').trim()

/** Puts each picture's place in the output where its address stands; everything else keeps its bytes. */
export function placePictures(
  html: string,
  pictures: Readonly<Record<string, PictureRef>>,
  src: (picture: PictureRef) => string,
): string {
  if (!Object.keys(pictures).length) return html
  return html.replace(addresses, (whole, ...m: (string | undefined)[]) => {
    const value = m[1] ?? m[2] ?? m[3] ?? m[5] ?? m[6] ?? m[7] ?? ''
    const key = unescape(value)
    const picture = Object.hasOwn(pictures, key) ? pictures[key] : undefined
    if (!picture) return whole
    const put = src(picture)
    return put === key ? whole : m[0] !== undefined ? `${m[0]}"${guarded(put)}"` : `${m[4]}'${put}'${m[8]}`
  })
}
