import { saysItself } from '../text/link'
import type { Element, ElementContent, Root } from 'hast'
import { fromHtml } from 'hast-util-from-html'

/** Elements whose words are no part of what is read. */
const silent = new Set(['script', 'style', 'head', 'template', 'noscript', 'svg', 'title'])
/** Elements that begin a new line; of these, the ones that stand apart by a blank line. */
const line = new Set([
  'div',
  'tr',
  'li',
  'dt',
  'dd',
  'section',
  'article',
  'center',
  'address',
  'figcaption',
  'caption',
  'form',
  'tbody',
  'thead',
  'table',
])
const apart = new Set([
  'p',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'ul',
  'ol',
  'blockquote',
  'dl',
  'pre',
  'figure',
])

const hidden = (e: Element) =>
  e.properties.hidden === true || /display\s*:\s*none/i.test(String(e.properties.style ?? ''))

/** A text as it grows. Only what stands at its end is looked at again, so that long ones take no longer for it. */
class Growing {
  /** What will not change any more, and what may still lose its end. */
  private readonly done: string[] = []
  private end = ''

  get empty(): boolean {
    return !this.end && !this.done.length
  }

  get endsInSpace(): boolean {
    return this.empty || /\s$/.test(this.end)
  }

  add(text: string): void {
    if (!text) return
    if (this.end.trim() && text.trim()) {
      this.done.push(this.end)
      this.end = text
    } else this.end += text
  }

  trimEnd(): void {
    this.end = this.end.trimEnd()
    while (!this.end && this.done.length) this.end = this.done.pop()!.trimEnd()
  }

  /** Begins a new line. @param lines how many line ends stand before it */
  begin(lines: number): void {
    if (this.empty) return
    let have = 0
    while (have < this.end.length && this.end[this.end.length - 1 - have] === '\n') have++
    this.end += '\n'.repeat(Math.max(0, lines - have))
  }

  /** Where it ends now, for `since`. */
  mark(): readonly [number, number] {
    return [this.done.length, this.end.length]
  }

  /** What was added since a mark, without the space around it. */
  since([done, end]: readonly [number, number]): string {
    if (this.done.length <= done) return this.end.slice(end).trim()
    return [this.done[done]!.slice(end), ...this.done.slice(done + 1), this.end].join('').trim()
  }

  toString(): string {
    return [...this.done, this.end].join('')
  }
}

/**
 * Any HTML as plain text: what is seen, in the order of the source; pictures by their alt text, links with
 * where they lead, lists and headings marked. @param link how a link is written after its words
 */
export function plainOfHtml(html: string, link: (href: string) => string): string {
  const out = new Growing()
  const begin = (apart: boolean) => out.begin(apart ? 2 : 1)
  const visit = (node: ElementContent | Root['children'][number]) => {
    if (node.type === 'text') {
      const words = node.value.replace(/[ \t\n\r\f]+/g, ' ')
      out.add(out.endsInSpace ? words.trimStart() : words)
      return
    }
    if (node.type !== 'element' || silent.has(node.tagName) || hidden(node)) return
    const { tagName } = node
    if (tagName === 'br') {
      out.trimEnd()
      out.add('\n')
    } else if (tagName === 'hr') {
      begin(true)
      out.add('-'.repeat(40))
      begin(true)
    } else if (tagName === 'img') out.add(String(node.properties.alt ?? '').trim())
    else block(node)
  }
  const block = (node: Element) => {
    const { tagName } = node
    const isApart = apart.has(tagName),
      isBlock = isApart || line.has(tagName)
    if (isBlock) begin(isApart)
    const from = out.mark()
    if (tagName === 'li') out.add('- ')
    if ((tagName === 'td' || tagName === 'th') && !out.endsInSpace) out.add(' ')
    node.children.forEach(visit)
    const leads = tagName === 'a' && String(node.properties.href ?? '')
    if (leads && out.since(from) && !saysItself(out.since(from), leads)) {
      out.trimEnd()
      out.add(` ${link(leads)}`)
    }
    if (/^h[1-6]$/.test(tagName)) {
      const rule = (tagName === 'h1' ? '=' : '-').repeat(Math.min(78, [...out.since(from)].length))
      if (rule) {
        out.trimEnd()
        out.add(`\n${rule}`)
      }
    }
    if (isBlock) begin(isApart)
  }
  fromHtml(html).children.forEach(visit)
  return out
    .toString()
    .split('\n')
    .map((l) => l.trimEnd())
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim()
}
