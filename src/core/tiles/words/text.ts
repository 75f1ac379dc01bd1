import type { Block, Inline, List } from '../../email/richtext'
import { markOf } from '../../email/richtext'
import type { FieldWriter } from '../../handover/fields'
import { replaceFields } from '../../handover/fields'
import type { WordsTile } from './schema'

/** Words as plain text: headings get a rule beneath, links stand in angle brackets (RFC 3986, appendix C). */
export function wordsText(tile: WordsTile, fields: FieldWriter): string {
  return tile.text.content.map((b) => blockText(b, fields)).join('\n\n')
}

function blockText(b: Block, fields: FieldWriter): string {
  if (b.type === 'paragraph') return inlineText(b.content ?? [], fields)
  if (b.type === 'heading') {
    const words = inlineText(b.content ?? [], fields)
    return words ? `${words}\n${(b.attrs.level === 1 ? '=' : '-').repeat(Math.min(78, Math.max(...words.split('\n').map((l) => l.length))))}` : ''
  }
  return listText(b, fields)
}

function listText(b: List, fields: FieldWriter): string {
  return b.content.map((item, i) => {
    const mark = b.type === 'bulletList' ? '- ' : `${i + 1}. `
    const inner = item.content.map((x) => (x.type === 'paragraph' ? inlineText(x.content ?? [], fields) : listText(x, fields))).join('\n')
    return mark + inner.replace(/\n/g, `\n${' '.repeat(mark.length)}`)
  }).join('\n')
}

function inlineText(runs: Inline[], fields: FieldWriter): string {
  let out = ''
  runs.forEach((r, i) => {
    out += r.type === 'text' ? replaceFields(r.text, fields) : '\n'
    const href = markOf(r, 'link')?.attrs.href
    const next = runs[i + 1] && markOf(runs[i + 1]!, 'link')?.attrs.href
    if (href && href !== next) out += ` <${replaceFields(href, fields)}>`
  })
  return out
}
