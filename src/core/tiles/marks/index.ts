import { defineTile, none } from '../definition'
import { marksHolder, marksHtml } from './html'
import { marksSchema, type MarksTile } from './schema'
import { marksText } from './text'

export const marks = defineTile<MarksTile>({
  kind: 'marks',
  schema: marksSchema,
  first: () => ({ marks: [], gap: 16, align: 'center' }),
  holder: marksHolder,
  html: marksHtml,
  states: none,
  text: marksText,
  links: (tile) =>
    tile.marks.map((m) => ({
      href: m.link,
      from: 'picture',
      ...(m.link.trim() ? { said: m.alt || 'Mark' } : {}),
    })),
  relinked: (tile, swap) => ({ marks: tile.marks.map((m) => ({ ...m, link: swap(m.link) })) }),
  words: (tile) => tile.marks.flatMap((m) => (m.alt ? [m.alt] : [])),
  pictures: (tile) => tile.marks.map(({ picture, alt }) => ({ picture, alt })),
  lacks: (tile) => (tile.marks.length ? null : 'No mark chosen'),
  wordless: (tile) => {
    const silent = tile.marks.find((m) => m.alt === null || (!m.alt.trim() && m.link.trim()))
    return silent
      ? {
          what: silent.alt === null ? 'Mark without alt text' : 'Linked mark with empty alt text',
          why: 'With pictures off, or read aloud, nothing is left of it. Write what it says; mark it as decoration only if it says nothing and links nowhere.',
        }
      : null
  },
  pairs: none,
})
