import { plainOf, richTextSchema, textOf } from '../email/richtext'
import { deal, markdownDeck, plainDeck, takeDeck } from './deck'
import { emptyPlan, type Cut } from './plan'

const cut = (id: string, y: number, kind: Cut['kind']): Cut => ({
  id,
  x: 0,
  y,
  w: 1200,
  h: 100,
  kind,
  alt: null,
  link: '',
  words: null,
  ground: null,
})
const plan = {
  ...emptyPlan(),
  cuts: [
    cut('a', 0, 'words'),
    cut('p', 100, 'picture'),
    cut('b', 200, 'words'),
    cut('go', 300, 'button'),
    cut('c', 400, 'words'),
  ],
}

test('plain copy is parted at blank lines, and line ends inside a piece are joined', () => {
  expect(
    plainDeck('A title\r\n\r\nSome words that\nwere broken\n\n- one\n- two\n').map((p) => [p.kind, p.text]),
  ).toEqual([
    ['words', 'A title'],
    ['words', 'Some words that were broken'],
    ['list', 'one\ntwo'],
  ])
})

// CommonMark 0.31: headings, emphasis, links, lists, hard breaks.
test('Markdown is parted at its blocks and keeps its marks', () => {
  const pieces = markdownDeck(
    '# Look *up*\n\nBring **warm** clothes and [read on](https://a.example).\n\n1. first\n2. second\n\n[Reserve a place](https://go.example)\n\n<script>alert(1)</script>\n\n---\n',
  )
  expect(pieces.map((p) => [p.kind, p.text])).toEqual([
    ['heading', 'Look up'],
    ['words', 'Bring warm clothes and read on.'],
    ['list', 'first\nsecond'],
    ['link', 'Reserve a place'],
  ])
  expect(pieces[1]!.rich.content[0]).toMatchObject({
    type: 'paragraph',
    content: [
      { text: 'Bring ' },
      { text: 'warm', marks: [{ type: 'bold' }] },
      { text: ' clothes and ' },
      { text: 'read on', marks: [{ type: 'link', attrs: { href: 'https://a.example' } }] },
      { text: '.' },
    ],
  })
  for (const p of pieces) richTextSchema.parse(p.rich)
})

test('a piece goes to the cut that says much the same already, and passes over those before it', () => {
  const read = {
    ...plan,
    cuts: plan.cuts.map((c) =>
      c.id === 'a'
        ? { ...c, words: textOf('Nights Visit Map') }
        : c.id === 'b'
          ? { ...c, words: textOf('The dome opens at nine') }
          : c,
    ),
  }
  expect(deal(markdownDeck('The dome opens at half past nine\n\nsomething else'), read)).toEqual({
    b: [0],
    c: [1],
  })
  // What nothing is like is offered in reading order, but not to what a later piece is like.
  expect(deal(markdownDeck('Bring a coat\n\nThe dome opens at ten'), read)).toEqual({ a: [0], b: [1] })
  // Nor does it jump over that one; it stays open for the person to place.
  expect(
    deal(markdownDeck('Bring a coat\n\nand a flask\n\nThe dome opens at ten\n\nlast words'), read),
  ).toEqual({ a: [0], b: [2], c: [3] })
})

test('pieces are offered in reading order, links to buttons, and what is left over to the last words', () => {
  const pieces = markdownDeck('# One\n\ntwo\n\n[Go](https://go.example)\n\nthree\n\nfour')
  const dealt = deal(pieces, plan)
  expect(dealt).toEqual({ a: [0], b: [1], go: [2], c: [3, 4] })
  const taken = takeDeck(plan, pieces, dealt, false)
  expect(taken.cuts.map((c) => c.words && plainOf(c.words))).toEqual([
    'One',
    null,
    'two',
    'Go',
    'three\n\nfour',
  ])
  expect(taken.cuts[3]!.link).toBe('https://go.example')
  // Without formatting, a heading is words like others; asked for, it is one.
  expect(taken.cuts[0]!.words!.content[0]!.type).toBe('paragraph')
  expect(takeDeck(plan, pieces, dealt, true).cuts[0]!.words!.content[0]!.type).toBe('heading')
})
