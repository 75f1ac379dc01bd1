import { tagsOf } from '../html/tags'

/** Where a page's linked style sheets stand, as written (WHATWG HTML, 4.6.8.15). */
export const linkedSheets = (html: string): string[] =>
  tagsOf(html).flatMap((tag) => {
    const get = (name: string) => tag.attributes.find((a) => a.name === name)?.value
    const sheet = tag.name === 'link' && /(?:^|\s)stylesheet(?:\s|$)/i.test(get('rel') ?? '')
    // What is for paper alone says nothing of the screen.
    const printed = /^\s*print\s*$/i.test(get('media') ?? '')
    return sheet && !printed ? (get('href') ?? []) : []
  })

/** The style sheets that stand in a page (4.2.6). */
export function ownSheets(html: string): string[] {
  const tags = tagsOf(html)
  return tags.flatMap((tag, i) => {
    const next = tags[i + 1]
    return tag.name === 'style' && !tag.closing && next?.name === 'style' ? html.slice(tag.to, next.from) : []
  })
}
