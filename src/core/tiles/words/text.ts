import type { Block, Inline, List } from '../../email/richtext'
import { listStart, markOf } from '../../email/richtext'
import { replaceFields } from '../../text/fields'
import { textHref, wordsAndLink } from '../../text/link'
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
      const mark = b.type === 'bulletList' ? '- ' : `${listStart(b) + i}. `
      const inner = item.content.map((x) => blockText(x, c)).join('\n')
      return mark + inner.replace(/\n/g, `\n${' '.repeat(mark.length)}`)
    })
    .join('\n')
}

/** Raised and lowered digits and signs as Unicode has them (Superscripts and Subscripts, U+2070 to U+209F). */
const raisedSigns = new Map([...'0123456789+-=()n'].map((c, i) => [c, [...'⁰¹²³⁴⁵⁶⁷⁸⁹⁺⁻⁼⁽⁾ⁿ'][i]!]))
const loweredSigns = new Map([...'0123456789+-=()'].map((c, i) => [c, [...'₀₁₂₃₄₅₆₇₈₉₊₋₌₍₎'][i]!]))

/** Raised or lowered words: as characters that stand so, else behind a sign. */
function shifted(words: string, signs: ReadonlyMap<string, string>, sign: string): string {
  const said = [...words].map((c) => signs.get(c))
  return said.every(Boolean) ? said.join('') : `${sign}(${words})`
}

function runText(r: Inline, c: TextContext): string {
  if (r.type !== 'text') return '\n'
  const words = replaceFields(r.text, c.fields)
  if (!words.trim()) return words
  if (markOf(r, 'superscript')) return shifted(words, raisedSigns, '^')
  return markOf(r, 'subscript') ? shifted(words, loweredSigns, '_') : words
}

function inlineText(runs: Inline[], c: TextContext): string {
  let out = ''
  let from = 0
  runs.forEach((r, i) => {
    const href = markOf(r, 'link')?.attrs.href
    if (href !== (runs[i - 1] && markOf(runs[i - 1]!, 'link')?.attrs.href)) from = out.length
    out += runText(r, c)
    const next = runs[i + 1] && markOf(runs[i + 1]!, 'link')?.attrs.href
    const leads = href !== undefined && href !== next ? textHref(href, c.fields) : ''
    if (leads) out = out.slice(0, from) + wordsAndLink(out.slice(from), leads, c.link)
  })
  return out
}
