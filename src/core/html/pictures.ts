import type { PictureRef } from '../picture/ref'
import { guarded } from './element'
import { tagsOf } from './tags'

/** Attributes that name a picture. */
const naming = new Set(['src', 'background', 'srcset', 'poster', 'href'])

/** The `url()` of styles, with or without quotes (CSS Values and Units 3, section 3.4). */
const urls = /url\(\s*(?:"([^"()]*)"|'([^'()]*)'|([^\s"'()]+))\s*\)/gi

/** Puts each picture's place in the output where its address stands; everything else keeps its bytes. */
export function placePictures(
  html: string,
  pictures: Readonly<Record<string, PictureRef>>,
  src: (picture: PictureRef) => string,
): string {
  if (!Object.keys(pictures).length) return html
  /** The place of the picture of an address; undefined where it is none, or stays the same. */
  const placeOf = (address: string): string | undefined => {
    const key = address.trim()
    const put = Object.hasOwn(pictures, key) ? src(pictures[key]!) : key
    return put === key ? undefined : put
  }
  const styled = html.replace(urls, (whole, ...values: (string | undefined)[]) => {
    const put = placeOf((values[0] ?? values[1] ?? values[2] ?? '').replaceAll('&amp;', '&'))
    return put === undefined ? whole : `url('${put}')`
  })
  let out = ''
  let at = 0
  for (const tag of tagsOf(styled, { inConditions: true }))
    for (const a of tag.attributes) {
      const put = naming.has(a.name) ? placeOf(a.value) : undefined
      if (put === undefined) continue
      const value = styled.indexOf('=', a.from) + 1
      out += `${styled.slice(at, value)}"${guarded(put)}"`
      at = a.to
    }
  return out + styled.slice(at)
}
