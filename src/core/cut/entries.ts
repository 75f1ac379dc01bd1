import { eachInline, markOf, type Inline, type RichText } from '../email/richtext'

/** What stands between things on one row that are read as one line (`readAcross`). */
const EM = '\u2003'

/** One of several things that words on one row name, and where it leads. */
export interface Entry {
  said: string
  link: string
}

/** The things that words name on one row, the space between them as ems. */
export function entriesOf(text: RichText): Entry[] {
  if (text.content.length !== 1) return []
  const out: Entry[] = [{ said: '', link: '' }]
  eachInline(text, (run) => {
    const link = markOf(run, 'link')?.attrs.href ?? ''
    const parts = run.type === 'text' ? run.text.split(EM) : [' ']
    parts.forEach((part, i) => {
      if (i) out.push({ said: '', link: '' })
      const last = out.at(-1)!
      last.said += part
      if (part.trim()) last.link ||= link
    })
  })
  return out.flatMap(({ said, link }) => (said.trim() ? [{ said: said.trim(), link }] : []))
}

/** Entries as words on one row. */
export function wordsOfEntries(entries: readonly Entry[]): RichText {
  const runs = entries.flatMap(({ said, link }, i): Inline[] => [
    ...(i ? [{ type: 'text' as const, text: EM }] : []),
    {
      type: 'text',
      text: said || ' ',
      ...(link ? { marks: [{ type: 'link', attrs: { href: link } }] } : {}),
    },
  ])
  return { type: 'doc', content: [{ type: 'paragraph', content: runs }] }
}
