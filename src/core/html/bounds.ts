import { tagsOf } from './tags'

/** What a markup may come to, so that reading it stays a matter of moments. Emails stay far below. */
export const BOUNDS = {
  /** Elements that stand inside each other. Browsers themselves give up at 512. */
  depth: 250,
  /** Start tags. */
  tags: 20_000,
  /** Attributes of one element. */
  attributes: 200,
  /** Rules of style sheets times tags of elements they may be matched with. */
  matches: 6_000_000,
} as const

/** Elements without an end tag (WHATWG HTML, 13.1.2). */
const empty = new Set('area base br col embed hr img input link meta source track wbr'.split(' '))

/** Formatting elements left open are opened again in every block that follows (WHATWG HTML, 13.2.4.3). */
const formatting = new Set('a b big code em font i nobr s small strike strong tt u'.split(' '))

/** How many of them may be open at once. */
const MOST_FORMATTING = 60

/** What a markup comes to that is more than can be read, or null. In linear time. */
export function tooMuch(html: string): string | null {
  const open = new Map<string, number>()
  let depth = 0
  let tags = 0
  let formats = 0
  for (const { name, closing, selfClosing, attributes } of tagsOf(html, { inConditions: true })) {
    if (attributes.length > BOUNDS.attributes) return `an element with ${attributes.length} attributes`
    if (empty.has(name)) tags++
    else if (!closing) {
      tags++
      if (selfClosing && name.includes(':')) continue
      open.set(name, (open.get(name) ?? 0) + 1)
      depth++
      if (formatting.has(name)) formats++
      if (depth > BOUNDS.depth) return `elements nested more than ${BOUNDS.depth} deep, or not closed`
      if (formats > MOST_FORMATTING) return `more than ${MOST_FORMATTING} <${name}> and the like left open`
    } else if (open.get(name)) {
      open.set(name, open.get(name)! - 1)
      depth--
      if (formatting.has(name)) formats--
    }
    if (tags > BOUNDS.tags) return `more than ${BOUNDS.tags.toLocaleString('en')} elements`
  }
  return null
}

/** The same for an email, whose style rules are matched with its elements. @param css its style sheets beside those in it */
export function tooMuchEmail(html: string, css = ''): string | null {
  const rules = count(html, '{') + count(css, '{')
  const tags = count(html, '<')
  const many = rules * tags > BOUNDS.matches ? `${rules} style rules on ${tags} tags` : null
  return tooMuch(html) ?? many
}

function count(text: string, char: string): number {
  let n = 0
  for (let at = text.indexOf(char); at >= 0; at = text.indexOf(char, at + 1)) n++
  return n
}
