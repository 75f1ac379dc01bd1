import { textOf } from '../../email/richtext'
import { sides } from '../../email/styles'
import type { Band } from '../../email/schema'
import type { TileOf } from '../../email/tile'
import { withQuotations } from './quotations'

const words = (id: string, said: string, more: Partial<TileOf<'words'>> = {}): TileOf<'words'> => ({
  id: `t-${id}`,
  cut: id,
  kind: 'words',
  show: 'all',
  padding: sides(6, 0),
  text: textOf(said),
  align: 'left',
  style: { size: 18, line: 27, color: '#222222', bold: false },
  ...more,
})

const band = (items: TileOf<'words'>[]): Band => ({
  id: 'b',
  name: 'Voices',
  role: 'main',
  padding: sides(0),
  gap: 0,
  narrow: 'stack',
  show: 'all',
  cells: [{ id: 'c', width: 600, padding: sides(0), align: 'left', valign: 'top', items }],
})

/** Each tile as what it is and says. */
const read = (...items: TileOf<'words'>[]): unknown[] =>
  withQuotations([band(items)], () => true, new Set())[0]!.cells[0]!.items.map((t) =>
    t.kind === 'review' ? [t.text, t.who, t.about, t.cuts] : t.kind,
  )

const small = { style: { size: 13, line: 20, color: '#666666', bold: true } }

// How languages set quotations: the Unicode Standard, section 6.2, "Quotation Marks".
test.each([
  '\u201cThe quietest night of the year.\u201d',
  '\u201eEin Abend ohne jede Eile.\u201c',
  '\u00ab\u00a0On y revient pour le pain.\u00a0\u00bb',
  '\u00bbEn aften uden for tiden.\u00ab',
  '\u2018We came for one night only.\u2019',
  '"It was worth the climb."',
])('%s is what somebody said, with or without a name', (said) => {
  expect(read(words('a', said))).toEqual([[said, '', '', ['a']]])
  expect(read(words('a', said), words('b', 'Ines Holt, pilot', small))).toEqual([
    [said, 'Ines Holt', 'pilot', ['a', 'b']],
  ])
})

test('a dash before a name makes what stands above it a quotation, marks or none', () => {
  const said = 'The beans came up in nine days'
  expect(read(words('a', said), words('b', '\u2014 Tam', small))).toEqual([
    [said, '\u2014 Tam', '', ['a', 'b']],
  ])
  expect(read(words('a', `${said}\n\n\u2013 Tam, Weir Lane`))).toEqual([
    [said, '\u2013 Tam', 'Weir Lane', ['a']],
  ])
  expect(read(words('a', said), words('b', 'Tam', small))).toEqual(['words', 'words'])
})

test('words that are more than a quotation stay words', () => {
  const said = '\u201cThe quietest night of the year.\u201d'
  for (const other of [
    words('a', 'The \u201cold\u201d beans'),
    words('a', '\u201cOpen late\u201d'),
    words('a', `Dear friend,\n\n${said}\n\nand so on.`),
    words('a', `${said}\nBroken by hand\u201d`),
  ])
    expect(read(other)).toEqual(['words'])
  // What follows is no name: a sentence, something far below, something larger.
  for (const next of [
    words('b', 'That is what she said.', small),
    words('b', 'Ines', { ...small, padding: sides(60, 0) }),
    words('b', 'Ines', { style: { ...small.style, size: 30 } }),
    words('b', 'Ines', { ...small, padding: { ...sides(6), left: 80 } }),
  ])
    expect(read(words('a', said), next)).toEqual([[said, '', '', ['a']], 'words'])
})

test('words as large as a heading are a quotation only with a name beneath', () => {
  const large = words('a', '\u201cThe quietest night of the year.\u201d', {
    headings: { size: 24, line: 34 },
  })
  const [line] = large.text.content
  const heading: TileOf<'words'> = {
    ...large,
    text: { type: 'doc', content: [{ ...line!, type: 'heading', attrs: { level: 1 } } as never] },
  }
  expect(read(heading)).toEqual(['words'])
  expect(read(heading, words('b', 'Ines', small))).toHaveLength(1)
  // Both in one cut: the space between is that which was measured.
  const both: TileOf<'words'> = {
    ...heading,
    text: {
      type: 'doc',
      content: [
        { ...heading.text.content[0]!, attrs: { level: 1, space: 13 } } as never,
        ...textOf('Ines').content,
      ],
    },
  }
  const [made] = withQuotations([band([both])], () => true, new Set())[0]!.cells[0]!.items
  expect(made).toMatchObject({ kind: 'review', who: 'Ines', space: 13, style: { size: 24 } })
})
