import { withoutSpacesAtEnd } from '../text/trim'
import { colorOf, pxOf, styleOfElement } from '../html/values'
import type { Element, ElementContent } from 'hast'
import type { Align } from '../email/styles'
import { startingAt, type Block, type Inline, type ListItem, type Mark } from '../email/richtext'

const inlineTags = new Set([
  'a',
  'b',
  'strong',
  'i',
  'em',
  'u',
  's',
  'strike',
  'del',
  'span',
  'font',
  'sup',
  'sub',
  'br',
  'small',
  'big',
  'abbr',
  'code',
  'wbr',
])
const marks: Record<string, Mark> = {
  b: { type: 'bold' },
  strong: { type: 'bold' },
  i: { type: 'italic' },
  em: { type: 'italic' },
  u: { type: 'underline' },
  s: { type: 'strike' },
  strike: { type: 'strike' },
  del: { type: 'strike' },
  sup: { type: 'superscript' },
  sub: { type: 'subscript' },
}

/** True for what can stand inside a line of words. */
export const isInline = (node: ElementContent): boolean =>
  node.type === 'text' ||
  node.type === 'comment' ||
  (node.type === 'element' && inlineTags.has(node.tagName) && node.children.every(isInline))

const withMark = (list: Mark[], mark: Mark | null): Mark[] =>
  mark && !list.some((m) => m.type === mark.type) ? [...list, mark] : list

function styleMark(e: Element): Mark | null {
  const s = styleOfElement(e)
  const color =
    colorOf(s.color) ?? (e.tagName === 'font' ? colorOf(String(e.properties.color ?? '')) : undefined)
  const size = pxOf(s['font-size'])
  const background = colorOf(s['background-color'])
  if (!color && !size && !background) return null
  return {
    type: 'textStyle',
    attrs: {
      ...(color ? { color } : {}),
      ...(size && size >= 1 && size < 999 ? { fontSize: `${Math.round(size)}px` } : {}),
      ...(background ? { backgroundColor: background } : {}),
    },
  }
}

/** Inline markup as runs of rich text. White space counts as in HTML: any run of it is one space. */
export function inlineOf(nodes: readonly ElementContent[], has: Mark[] = []): Inline[] {
  return nodes.flatMap((node): Inline[] => {
    if (node.type === 'text') {
      const text = node.value.replace(/[ \t\r\n\f]+/g, ' ')
      return text ? [{ type: 'text', text, ...(has.length ? { marks: has } : {}) }] : []
    }
    if (node.type !== 'element' || node.tagName === 'wbr') return []
    if (node.tagName === 'br') return [{ type: 'hardBreak' }]
    const s = styleOfElement(node)
    let own = withMark(has, marks[node.tagName] ?? null)
    if (node.tagName === 'a' && typeof node.properties.href === 'string')
      own = withMark(own, { type: 'link', attrs: { href: node.properties.href.slice(0, 4000) } })
    if (s['font-weight'] === 'bold' || Number(s['font-weight']) >= 600) own = withMark(own, { type: 'bold' })
    if (s['font-style'] === 'italic') own = withMark(own, { type: 'italic' })
    if (node.tagName !== 'a' && /underline/.test(s['text-decoration'] ?? ''))
      own = withMark(own, { type: 'underline' })
    if (
      typeof node.properties.lang === 'string' &&
      /^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*$/.test(node.properties.lang)
    )
      own = withMark(own, {
        type: 'language',
        attrs: { lang: node.properties.lang, dir: node.properties.dir === 'rtl' ? 'rtl' : null },
      })
    return inlineOf(node.children, withMark(own, styleMark(node)))
  })
}

/** Without white space at the ends and doubled within. */
export function tidy(runs: Inline[]): Inline[] {
  const out: Inline[] = []
  for (const r of runs) {
    const last = out.at(-1)
    if (r.type === 'text') {
      const text =
        !last || last.type === 'hardBreak' || (last.type === 'text' && last.text.endsWith(' '))
          ? r.text.replace(/^ +/, '')
          : r.text
      if (text) out.push({ ...r, text })
    } else {
      if (last?.type === 'text') {
        const text = withoutSpacesAtEnd(last.text)
        if (text) last.text = text
        else out.pop()
      }
      out.push(r)
    }
  }
  while (out.length) {
    const last = out.at(-1)!
    if (last.type === 'hardBreak') {
      out.pop()
      continue
    }
    const text = withoutSpacesAtEnd(last.text)
    if (text) {
      last.text = text
      break
    }
    out.pop()
  }
  return out
}

/** A numbered list, with the number that it begins with. */
export const numbered = (e: Element, content: ListItem[]): Block => ({
  type: 'orderedList',
  ...startingAt(Math.trunc(Number(e.properties.start)) || 1),
  content,
})

/** A block of words as rich text, or null where it holds more than words. */
export function blockOf(e: Element): Block[] | null {
  if (e.tagName === 'ul' || e.tagName === 'ol') {
    const items = e.children.filter((c): c is Element => c.type === 'element')
    const list = items.map(itemOf)
    return items.length && list.every((x): x is ListItem => x !== null)
      ? [e.tagName === 'ul' ? { type: 'bulletList', content: list } : numbered(e, list)]
      : null
  }
  if (e.tagName === 'blockquote') {
    const inner = e.children.every(isInline)
      ? [paragraph(e.children)]
      : e.children.filter((c): c is Element => c.type === 'element').flatMap((c) => blockOf(c) ?? [null])
    return inner.length &&
      inner.every((b): b is Exclude<Block, { type: 'blockquote' }> => b !== null && b.type !== 'blockquote')
      ? [{ type: 'blockquote', content: inner }]
      : null
  }
  if (!e.children.every(isInline)) return null
  const heading = /^h([1-6])$/.exec(e.tagName)
  if (heading)
    return [
      {
        type: 'heading',
        attrs: { level: Math.min(3, Number(heading[1])) as 1 | 2 | 3, textAlign: alignOf(e) },
        content: tidy(inlineOf(e.children)),
      },
    ]
  return e.tagName === 'p' || e.tagName === 'div' || e.tagName === 'td' ? [paragraph(e.children, e)] : null
}

const alignOf = (e: Element): Align | null => {
  const v = styleOfElement(e)['text-align'] ?? e.properties.align
  return v === 'left' || v === 'center' || v === 'right' ? v : null
}
const paragraph = (children: readonly ElementContent[], e?: Element) => ({
  type: 'paragraph' as const,
  ...(e && alignOf(e) ? { attrs: { textAlign: alignOf(e) } } : {}),
  content: tidy(inlineOf(children)),
})

function itemOf(e: Element): ListItem | null {
  if (e.tagName !== 'li') return null
  const lists = e.children.filter(
    (c): c is Element => c.type === 'element' && (c.tagName === 'ul' || c.tagName === 'ol'),
  )
  const rest = e.children.filter((c) => !lists.includes(c as Element))
  const flat = rest.flatMap((c) => (c.type === 'element' && c.tagName === 'p' ? c.children : [c]))
  if (!flat.every(isInline)) return null
  const nested = lists.map((l) => blockOf(l)?.[0])
  return nested.some((n) => !n)
    ? null
    : { type: 'listItem', content: [paragraph(flat), ...(nested as ListItem['content'])] }
}
