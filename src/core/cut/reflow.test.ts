import { fontOf, safeFontFor } from '../email/safe-fonts'
import { guessSize } from './density'
import { imageMap } from './imagemap'
import { withLayers, type DesignLayers } from './layers'
import { emptyPlan, type Cut } from './plan'
import { blocksOf, joinPieces, paragraphsOf, readAcross, withBullets, type TextLine } from './reflow'
import { smallWords } from './small-words'
import { plainOf } from '../email/richtext'

const line = (text: string, base: number, w: number, more: Partial<TextLine> = {}): TextLine => ({
  text,
  x: 50,
  base,
  w,
  size: 16,
  ...more,
})

test('line ends that only the width of the box made are joined; real paragraphs stay', () => {
  expect(
    paragraphsOf([
      line('The dome opens at half past seven. By nine the', 100, 400),
      line('shadow of the earth has reached the rim, and', 124, 396),
      line('the moon hangs low.', 148, 150),
      line('Bring a coat.', 190, 110),
    ]),
  ).toEqual([
    'The dome opens at half past seven. By nine the shadow of the earth has reached the rim, and the moon hangs low.',
    'Bring a coat.',
  ])
  // The next word would have fitted after the full stop: the line was ended by will, without a wider space.
  expect(
    paragraphsOf([
      line('A first paragraph that fills the whole width here', 100, 400),
      line('and ends early.', 124, 120),
      line('A second one begins on the very next line of it', 148, 398),
    ]),
  ).toEqual([
    'A first paragraph that fills the whole width here and ends early.\nA second one begins on the very next line of it',
  ])
  expect(paragraphsOf([line('• one thing', 100, 90), line('• another thing', 124, 120)])).toEqual([
    '• one thing',
    '• another thing',
  ])
  expect(
    paragraphsOf([
      line('A soft break in inter\u00ad', 100, 200),
      line('national words, half-', 124, 200),
      line('hearted ones too', 148, 150),
    ]),
  ).toEqual(['A soft break in international words, half-hearted ones too'])
})

test('pieces on one row become a line; columns stay apart; blocks keep one look each', () => {
  const lines = joinPieces([
    line('Hello', 100, 40),
    line('there', 100.5, 40, { x: 94 }),
    line('Other column', 100, 90, { x: 400 }),
  ])
  expect(lines.map((l) => l.text)).toEqual(['Hello there', 'Other column'])
  const blocks = blocksOf([
    line('A title', 60, 200, { size: 30, bold: true }),
    line('Words below it that go on', 100, 300),
    line('for a second line', 124, 180),
    line('Beside them', 100, 90, { x: 500 }),
  ])
  expect(blocks.map((b) => [b.text, b.size, b.line])).toEqual([
    ['A title', 30, undefined],
    ['Words below it that go on for a second line', 16, 24],
    ['Beside them', 16, undefined],
  ])
})

test('what stands on one row is read across with its spaces, in order of place; what stands below is a paragraph', () => {
  const block = (text: string, x: number, y: number) => ({ x, y, w: 40, h: 14, text, size: 14 })
  // A hair higher than its neighbours, the last of a row of links still comes last.
  expect(
    readAcross([
      block('Stories', 220, 99.4),
      block('Coats', 20, 100),
      block('Boots', 120, 100.2),
      block('Below', 20, 140),
    ]),
  ).toBe('Coats\u2003\u2003\u2003\u2003Boots\u2003\u2003\u2003\u2003Stories\n\nBelow')
})

test('marks of a list that are read as letters are marks again where several lines begin alike', () => {
  expect(
    withBullets([
      line('« Doors open at dusk', 100, 160),
      line('« Coats hang by the stove', 124, 170),
      line('e Children sit in front', 148, 150),
    ]).map((l) => l.text),
  ).toEqual(['• Doors open at dusk', '• Coats hang by the stove', '• Children sit in front'])
  expect(withBullets([line('« Bonjour » said the cat', 100, 160), line('and left.', 124, 60)])[0]!.text).toBe(
    '« Bonjour » said the cat',
  )
})

test.each([
  [1200, 600, 2, false],
  [1280, 640, 2, false],
  [600, 600, 1, false],
  [1800, 600, 3, false],
  [375, 375, 1, true],
  [750, 375, 2, true],
  [1000, 600, 1.667, false],
  [800, 800, 1, false],
])('a design of %i px is taken for an email of %i at %d times', (width, emailWidth, density, narrow) => {
  expect(guessSize(width)).toEqual({ emailWidth, density, narrow })
})

test.each([
  ['Barlow-SemiBold', 'sans'],
  ['BarlowCondensed-Bold', 'condensed'],
  ['Oswald', 'condensed'],
  ['TimesNewRomanPSMT', 'times'],
  ['Georgia', 'serif'],
  ['IBMPlexMono', 'mono'],
  ['LiberationSerif', 'times'],
  ['Verdana-Bold', 'wide'],
  ['Zapfino', undefined],
])('%s is stood in for by %s', (name, safe) => expect(safeFontFor(name)).toBe(safe))

const cut = (id: string, more: Partial<Cut>): Cut => ({
  id,
  x: 0,
  y: 0,
  w: 1200,
  h: 200,
  kind: 'words',
  alt: null,
  link: '',
  words: null,
  ground: '#ffffff',
  seen: { part: 'words', sure: 0.6 },
  ...more,
})
const layers: DesignLayers = {
  texts: [
    {
      x: 100,
      y: 20,
      w: 500,
      h: 60,
      text: 'Sow it on a Sunday',
      size: 60,
      font: 'Georgia-Bold',
      bold: true,
      color: '#222222',
    },
  ],
  shapes: [{ x: 40, y: 310, w: 500, h: 280, name: 'field.jpg', kind: 'picture' }],
}

test('what a file knows corrects what the pixels say', () => {
  const found = withLayers(
    {
      edges: [],
      panels: [],
      cuts: [
        cut('a', {}),
        cut('b', { y: 300, w: 560, h: 300, kind: 'words' }),
        cut('c', { y: 700, kind: 'words' }),
      ],
    },
    layers,
    2,
    { width: 1200, height: 2000 },
  )
  const [a, b, c] = found.cuts
  expect(plainOf(a!.words!)).toBe('Sow it on a Sunday')
  expect(a!.lettering).toMatchObject({
    size: 30,
    font: 'serif',
    bold: true,
    color: '#222222',
    designFont: 'Georgia-Bold',
  })
  expect([b!.kind, b!.x, b!.y, b!.w, b!.h]).toEqual(['picture', 40, 310, 500, 280])
  // It looked like letters, but the file has no words there: they were drawn.
  expect(c!.kind).toBe('picture')
})

test('columns that the file has beside each other are parted, however near; a mark stays with the words beside it', () => {
  const block = (x: number, y: number, w: number, h: number, text: string, size = 34) => ({
    x,
    y,
    w,
    h,
    text,
    size,
  })
  const texts = [
    block(90, 400, 492, 138, 'Forty minutes from the chapel gate, by the marked stones.'),
    block(606, 400, 508, 130, 'Level ground with benches and room for wheels.'),
    block(160, 60, 280, 50, 'Orrery Point', 44),
    // A line of a menu is one.
    block(100, 700, 90, 30, 'Nights', 28),
    block(322, 700, 60, 30, 'Visit', 28),
  ]
  const { cuts } = withLayers(
    {
      edges: [],
      panels: [],
      cuts: [
        cut('w', { x: 0, y: 390, w: 1200, h: 160, kind: 'words' }),
        cut('l', { x: 68, y: 40, w: 372, h: 72, kind: 'picture' }),
        cut('m', { x: 90, y: 690, w: 320, h: 50, kind: 'words' }),
      ],
    },
    { texts, shapes: [] },
    2,
    { width: 1200, height: 2000 },
  )
  expect(
    cuts.map((c) => [c.kind, c.x, c.w, c.words ? plainOf(c.words).replace(/\s+/g, ' ') : c.alt]),
  ).toEqual([
    ['words', 0, 594, 'Forty minutes from the chapel gate, by the marked stones.'],
    ['words', 594, 606, 'Level ground with benches and room for wheels.'],
    ['picture', 68, 372, 'Orrery Point'],
    ['words', 90, 320, 'Nights Visit'],
  ])
})

test("words in a picture that a phone would show under 14 px are told, by the phone's 375 px", () => {
  const text = (size: number) => [{ x: 100, y: 20, w: 500, h: 40, text: 'Small print', size }]
  // 600 px shown at 375: 20 px become 12.5.
  expect(smallWords(cut('p', { kind: 'picture' }), text(40), 2, 600)).toEqual([
    { text: 'Small print', size: 12.5 },
  ])
  expect(smallWords(cut('p', { kind: 'picture' }), text(48), 2, 600)).toEqual([])
  // Half as wide as the email it stacks, and is not scaled down.
  expect(smallWords(cut('p', { kind: 'picture', w: 640 }), text(32), 2, 600)).toEqual([])
  expect(smallWords(cut('w', {}), text(10), 2, 600)).toEqual([])
  // Phones get the left half: 600 px of the design fill 375, so that 40 px become 25.
  expect(
    smallWords(
      cut('p', { kind: 'picture', narrow: { of: 'wide', x: 0, y: 0, w: 600, h: 100 } }),
      text(40),
      2,
      600,
    ),
  ).toEqual([])
  expect(
    smallWords(
      cut('p', { kind: 'picture', narrow: { of: 'wide', x: 0, y: 0, w: 600, h: 100 } }),
      text(20),
      2,
      600,
    ),
  ).toEqual([{ text: 'Small print', size: 12.5 }])
})

test('the image map holds every cut with its link, and nothing that could run', () => {
  const svg = imageMap(
    {
      ...emptyPlan(),
      cuts: [
        cut('a', { kind: 'picture', alt: 'A "sky" & <more>', link: 'https://a.example/?a=1&b=2' }),
        cut('b', { y: 300, link: 'javascript:alert(1)' }),
      ],
    },
    { width: 1200, height: 600 },
    'design.png',
  )
  expect(svg).toContain('<a href="https://a.example/?a=1&amp;b=2"><rect id="a"')
  expect(svg).toContain('A &quot;sky&quot; &amp; &lt;more&gt;')
  expect(svg).not.toContain('javascript')
})

test.each([
  ["'Barlow Condensed', sans-serif", 'condensed'],
  ["'League Gothic', Arial", 'condensed'],
  ['Helvetica, Arial, sans-serif', 'sans'],
  ["'Some Face', Georgia, serif", 'serif'],
])('a page set in %s is set in %s', (value, safe) => expect(fontOf(value)).toBe(safe))

test('an item whose mark was not read is one where its neighbours are; a line that goes on an item is none', () => {
  const line = (text: string, x: number, base: number, w: number) => ({ text, x, base, w, size: 34 })
  const items = [
    line('• short nails', 122, 1876, 190),
    line('an old towel', 156, 1944, 180),
    line('• patience', 122, 2012, 160),
  ]
  expect(withBullets(items).map((l) => l.text)).toEqual(['• short nails', '• an old towel', '• patience'])
  // One that fills its line, with the next near under it.
  const wrapped = [
    line('• a long item that is', 122, 1876, 360),
    line('broken', 156, 1926, 110),
    line('• next', 122, 1976, 90),
  ]
  expect(withBullets(wrapped)[1]!.text).toBe('broken')
  // No list at all.
  expect(withBullets([line('one', 122, 100, 50), line('two', 156, 150, 50)]).map((l) => l.text)).toEqual([
    'one',
    'two',
  ])
})

test('a title and its price, which leave most of their column free, are two lines; running words are joined', () => {
  const at = (text: string, base: number, w: number) => ({ text, x: 0, base, w, size: 34 })
  const card = [at('Tea bowl', 40, 149), at('24 euro', 92, 113)]
  expect(paragraphsOf(card, 320)).toEqual(['Tea bowl\n24 euro'])
  expect(paragraphsOf([at('Running words that are', 40, 300), at('broken here', 92, 150)], 320)).toEqual([
    'Running words that are broken here',
  ])
})

test('lines that end long before they have to are a list, and so are few words far apart; each keeps its end', () => {
  const players = ['Ida Voss', 'Maren Thorsteinsdottir', 'Lo', 'Per Anders'].map((t, i) =>
    line(t, 100 + 24 * i, 9 * t.length),
  )
  expect(paragraphsOf(players)).toEqual([players.map((l) => l.text).join('\n')])
  const acts = ['Salt Choir', 'Nine Lamps', 'The Ropes'].map((t, i) => line(t, 100 + 30 * i, 110))
  expect(paragraphsOf(acts, 112)).toEqual([acts.map((l) => l.text).join('\n')])
  // As near to each other as running words are, they are that.
  const running = ['A bell that', 'was lost at', 'sea in may'].map((t, i) => line(t, 100 + 20 * i, 110))
  expect(paragraphsOf(running, 112)).toEqual(['A bell that was lost at sea in may'])
})
