import { guarded } from './element'
import { tagsOf } from './tags'

/** Elements whose `href` a reader follows, those of VML included. */
const leading = /^(?:a|area|v:[a-z]+)$/

/** A markup with its links led elsewhere; everything else keeps its bytes. Links in conditions count too. */
export function relinkedHtml(html: string, swap: (href: string) => string): string {
  let out = ''
  let at = 0
  for (const tag of tagsOf(html, { inConditions: true })) {
    if (tag.closing || !leading.test(tag.name)) continue
    const href = tag.attributes.find((a) => a.name === 'href')
    const to = href && swap(href.value)
    if (!href || to === href.value) continue
    out += `${html.slice(at, href.from)}href="${guarded(to!)}"`
    at = href.to
  }
  return out + html.slice(at)
}
