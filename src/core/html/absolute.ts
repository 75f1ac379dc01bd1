import { tagsOf } from './tags'

/** Attributes that name one address (WHATWG HTML; `background` is of HTML 4). */
const addresses = new Set(['src', 'href', 'background', 'poster'])

/** What is no address of a page: a scheme, a place on the page, a field. */
const SETTLED = /^(?:[a-z][a-z0-9+.-]*:|#|\[\[|\{)/i

/**
 * HTML whose addresses are named relatively, with those of the page it stood on in their place (RFC 3986, section 5): it can then be
 * read elsewhere. Everything else stays as it was written, to the byte.
 * @param base address of the page
 */
export function withAbsolute(html: string, base: string): string {
  let out = ''
  let from = 0
  for (const tag of tagsOf(html, { inConditions: true }))
    for (const { name, value, from: at, to } of tag.attributes) {
      if (at < from || !addresses.has(name) || !value.trim() || SETTLED.test(value.trim())) continue
      if (!URL.canParse(value.trim(), base)) continue
      const href = new URL(value.trim(), base).href
      out += `${html.slice(from, at)}${name}="${href.replaceAll('&', '&amp;').replaceAll('"', '&quot;')}"`
      from = to
    }
  return out + html.slice(from)
}
