import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Element } from 'hast'
import { fromHtml } from 'hast-util-from-html'
import { elementsOf } from '@/core/html/elements'

/** An email as a person wrote it (fixtures/references). @param name its file, without `.html` */
export const byHand = (name: string): string =>
  readFileSync(join(import.meta.dirname, 'fixtures/references', `${name}.html`), 'utf8')

/** The words of an element and of all in it, in reading order. */
const wordsOf = (node: Element): string =>
  node.children
    .map((c) => (c.type === 'text' ? c.value : c.type === 'element' ? wordsOf(c) : ''))
    .join(' ')
    .replace(/\u034f/g, '')
    .replace(/\s+/g, ' ')
    .trim()

/** What an email says: its words, where its links lead, its pictures with their alt texts and widths. */
export function saidIn(html: string) {
  const all = [...elementsOf(fromHtml(html))]
  return {
    words: wordsOf(all.find((e) => e.tagName === 'body')!),
    links: all.filter((e) => e.tagName === 'a').map((e) => e.properties.href),
    pictures: all
      .filter((e) => e.tagName === 'img')
      .map(({ properties: { src, alt, width } }) => [src, alt, Number(width)]),
  }
}
