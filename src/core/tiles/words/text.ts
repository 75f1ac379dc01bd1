import type { Block, Inline, List } from '../../email/richtext'
import { markOf } from '../../email/richtext'
import { replaceFields } from '../../text/fields'
import type { TextContext } from '../context'
import type { WordsTile } from './schema'

/**
 * Words as plain text: headings get a rule beneath, quotes a mark before each line, links what the context
 * says.
 */
export const wordsText = (tile: WordsTile, c: TextContext): string =>
  tile.text.content.map((b) => blockText(b, c)).join('\n\n')

function blockText(b: Block, c: TextContext): string {
  switch (b.type) {
    case 'paragraph':
      return inlineText(b.content ?? [], c)
    case 'heading': {
      const words = inlineText(b.content ?? [], c)
      return words
        ? `${words}\n${(b.attrs.level === 1 ? '=' : '-').repeat(Math.min(c.columns, Math.max(...words.split('\n').map((l) => l.length))))}`
        : ''
    }
    case 'blockquote':
      return b.content
        .map((x) => blockText(x, c))
        .join('\n\n')
        .split('\n')
        .map((l) => `> ${l}`)
        .join('\n')
    default:
      return listText(b, c)
  }
}

function listText(b: List, c: TextContext): string {
  return b.content
    .map((item, i) => {
      const mark = b.type === 'bulletList' ? '- ' : `${i + 1}. `
      const inner = item.content.map((x) => blockText(x, c)).join('\n')
      return mark + inner.replace(/\n/g, `\n${' '.repeat(mark.length)}`)
    })
    .join('\n')
}

function inlineText(runs: Inline[], c: TextContext): string {
  let out = ''
  runs.forEach((r, i) => {
    out += r.type === 'text' ? replaceFields(r.text, c.fields) : '\n'
    const href = markOf(r, 'link')?.attrs.href
    const next = runs[i + 1] && markOf(runs[i + 1]!, 'link')?.attrs.href
    if (href?.trim() && href !== next) out += ` ${c.link(replaceFields(href, c.fields).trim())}`
  })
  return out
}
