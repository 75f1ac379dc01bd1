import { tagsOf, type Tag } from '../html/tags'

/** The parts of an AMP text that a person may have written: where they begin and end, offsets. */
export interface Stretch {
  from: number
  to: number
}

/** What stands between a tag and its end. @param is which opening tag; null where there is none */
export function inside(html: string, is: (tag: Tag) => boolean): Stretch | null {
  const tags = tagsOf(html)
  const at = tags.findIndex((t) => !t.closing && is(t))
  if (at < 0) return null
  const open = tags[at]!
  const ends = tags.filter((t, i) => i > at && t.closing && t.name === open.name)
  // A body may hold what looks like its end: the last one counts.
  const end = open.name === 'body' ? ends.at(-1) : ends[0]
  return { from: open.to, to: end?.from ?? html.length }
}

/** The sheet of an AMP text. */
export const sheetOf = (html: string): string => {
  const at = inside(html, (t) => t.name === 'style' && t.attributes.some((a) => a.name === 'amp-custom'))
  return at ? html.slice(at.from, at.to) : ''
}
