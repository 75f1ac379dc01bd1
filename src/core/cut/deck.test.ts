import { plainOf, richTextSchema, textOf } from '../email/richtext'
import { deal, deckMeta, markdownDeck, plainDeck, takeDeck, type SeenWords } from './deck'
import { labelled } from './deck-labels'
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

const kinds = (text: string, parse = plainDeck) =>
  labelled(parse(text)).map((p) => [p.kind, p.text, ...(p.link ? [p.link] : [])])

// Labels as people write them in decks (common practice, no source).
test('labels say what a piece is, wherever they stand', () => {
  expect(
    kinds(
      `Subject line: The dome opens at nine
Preview text: Bring a coat

HEADLINE
The moon goes copper

Body: We open at eight. Tea is
free for members.

CTA: Keep two places -> https://orrery.example/go

[Button] See the map
URL: www.orrery.example/map

Alt text: The dome at night

Opening hours: nine to five`,
    ),
  ).toEqual([
    ['subject', 'The dome opens at nine'],
    ['preheader', 'Bring a coat'],
    ['heading', 'The moon goes copper'],
    ['words', 'We open at eight. Tea is free for members.'],
    ['link', 'Keep two places', 'https://orrery.example/go'],
    ['link', 'See the map', 'https://www.orrery.example/map'],
    ['picture', 'The dome at night'],
    // What only looks like a label is copy.
    ['words', 'Opening hours: nine to five'],
  ])
  expect(
    kinds(
      '**Betreff:** Grüße\n\n**CTA:** [Jetzt buchen](https://a.example)\n\n[CTA: Später]\n\nText: Mit **Nachdruck**',
      markdownDeck,
    ),
  ).toEqual([
    ['subject', 'Grüße'],
    ['link', 'Jetzt buchen', 'https://a.example'],
    ['link', 'Später'],
    ['words', 'Mit Nachdruck'],
  ])
  const [bold] = labelled(markdownDeck('Text: Mit **Nachdruck**'))
  expect(bold!.rich.content[0]).toMatchObject({
    content: [{ text: 'Mit ' }, { text: 'Nachdruck', marks: [{ type: 'bold' }] }],
  })
  for (const p of labelled(markdownDeck('**H1:**\n\n# Up'))) richTextSchema.parse(p.rich)
  expect(deckMeta(labelled(plainDeck('Subject: A\n\nB')))).toEqual({ subject: 'A', preheader: '' })
  expect(deckMeta(labelled(plainDeck('B')))).toBeNull()
})

test('before anything is read, headings go to large letters, paragraphs to the body, and small print waits', () => {
  const cuts = [
    cut('brand', 0, 'words'),
    cut('title', 100, 'words'),
    cut('intro', 200, 'words'),
    cut('go', 300, 'button'),
    cut('sub', 400, 'words'),
    cut('more', 500, 'words'),
    cut('photo', 550, 'picture'),
    cut('map', 600, 'button'),
    cut('foot', 700, 'words'),
  ]
  const seen = new Map<string, SeenWords>([
    ['brand', { height: 22, room: 14 }],
    ['title', { height: 60, room: 30 }],
    ['intro', { height: 24, room: 120 }],
    ['sub', { height: 40, room: 24 }],
    ['more', { height: 24, room: 150 }],
    ['foot', { height: 18, room: 200 }],
  ])
  const pieces = labelled(
    plainDeck(
      'Subject: Soon\n\nH1: The moon goes copper at ten\n\nThe dome opens at half past seven. By nine the shadow of the earth has reached the rim, and at ten all of it is dark.\n\nCTA: Keep two places\n\nH2: Two ways up the hill\n\nForty minutes from the chapel gate, by the marked stones. No lamps are needed after the stile. The bus goes at six and at seven.\n\nCTA: See the map\n\nAlt: Two hikers',
    ),
  )
  expect(deal(pieces, { cuts }, seen)).toEqual({
    title: [1],
    intro: [2],
    go: [3],
    sub: [4],
    more: [5],
    map: [6],
    photo: [7],
  })
  const taken = takeDeck({ ...emptyPlan(), cuts }, pieces, deal(pieces, { cuts }, seen), false)
  expect(taken.cuts.find((c) => c.id === 'photo')!.alt).toBe('Two hikers')
})
