import { picture, surroundings, tileOf } from '@/test-support/tiles'
import type { Tile, TileKind, TileOf } from '../email/tile'
import { asSample } from '../text/fields'
import { definitionOf, newTile, tileKinds, tileSchema, tileText } from '.'

/* What each kind says of itself: what the rest of the app asks, by kind and by part. */

const { look } = surroundings()
const other = { ...picture, id: 'b'.repeat(64) }
const swap = (href: string) => `${href}!`
const ask = (tile: Tile) => {
  const d = definitionOf(tile)
  return {
    links: d.links(tile),
    relinked: d.relinked(tile, swap),
    words: d.words(tile),
    pictures: d.pictures(tile).map((p) => [p.picture.id[0], p.alt]),
    lacks: d.lacks(tile),
    wordless: d.wordless(tile)?.what ?? null,
    pairs: d
      .pairs(tile, look, { color: '#abcdef', night: '#012345' })
      .map((p) => [p.color, p.ground, p.size, p.bold]),
  }
}
const nothing = {
  links: [],
  relinked: null,
  words: [],
  pictures: [],
  lacks: null,
  wordless: null,
  pairs: [],
}
const BODY = ['#222222', '#abcdef', 16, false]

test.each<[string, Tile, Partial<ReturnType<typeof ask>>]>([
  [
    'button',
    tileOf('button', {
      label: 'Go',
      link: 'https://a.example',
      style: { color: '#fedcba', background: '#123456', size: 20, bold: false },
      icon: { picture, side: 'before', width: 9 },
    }),
    {
      links: [{ href: 'https://a.example', from: 'button' }],
      relinked: { link: 'https://a.example!' },
      words: ['Go'],
      pictures: [['a', '']],
      pairs: [['#fedcba', '#123456', 20, false]],
    },
  ],
  [
    'button without words',
    tileOf('button', { label: ' ', link: '' }),
    {
      links: [{ href: '', from: 'button' }],
      relinked: { link: '!' },
      words: [' '],
      lacks: 'Button without words',
      pairs: [['#ffffff', '#1f4f8a', 16, true]],
    },
  ],
  [
    'picture with its others',
    tileOf('picture', { picture, alt: 'A', link: '', narrowPicture: other, nightPicture: other }),
    {
      links: [{ href: '', from: 'picture' }],
      relinked: { link: '!' },
      words: ['A'],
      pictures: [
        ['a', 'A'],
        ['b', 'A'],
        ['b', 'A'],
      ],
    },
  ],
  [
    'picture not chosen',
    tileOf('picture', { alt: null, link: 'https://a.example', narrowPicture: other }),
    {
      links: [{ href: 'https://a.example', from: 'picture' }],
      relinked: { link: 'https://a.example!' },
      lacks: 'No picture chosen',
      wordless: 'Picture without alt text',
    },
  ],
  [
    'decoration',
    tileOf('picture', { picture, alt: '', link: ' ' }),
    { links: [{ href: ' ', from: 'picture' }], relinked: { link: ' !' }, pictures: [['a', '']] },
  ],
  [
    'linked decoration',
    tileOf('picture', { picture, alt: ' ', link: 'x' }),
    {
      links: [{ href: 'x', from: 'picture' }],
      relinked: { link: 'x!' },
      words: [' '],
      pictures: [['a', ' ']],
      wordless: 'Linked picture with empty alt text',
    },
  ],
  ['divider', tileOf('divider'), nothing],
  ['gap', tileOf('gap'), nothing],
  [
    'menu',
    tileOf('menu', {
      items: [
        { label: 'A', link: 'x' },
        { label: '', link: '' },
      ],
    }),
    {
      links: [
        { href: 'x', from: 'menu', said: 'A' },
        { href: '', from: 'menu', said: '' },
      ],
      relinked: {
        items: [
          { label: 'A', link: 'x!' },
          { label: '', link: '!' },
        ],
      },
      words: ['A', ''],
      pairs: [['#1f4f8a', '#abcdef', 16, false]],
    },
  ],
  [
    'menu without words',
    tileOf('menu', { items: [{ label: ' ', link: '' }] }),
    {
      links: [{ href: '', from: 'menu', said: ' ' }],
      relinked: { items: [{ label: ' ', link: '!' }] },
      words: [' '],
      lacks: 'Menu without words',
      pairs: [['#1f4f8a', '#abcdef', 16, false]],
    },
  ],
  [
    'icons, one of them not chosen',
    tileOf('social', {
      icons: [
        { picture, alt: '', link: 'x' },
        { picture: null, alt: 'B', link: 'y' },
        { picture: other, alt: 'C', link: 'https://c.example/?u={address}', share: 'https://a.example' },
      ],
    }),
    {
      links: [
        { href: 'x', from: 'icon', said: 'Icon' },
        { href: 'y', from: 'icon' },
        { href: 'https://c.example/?u=https%3A%2F%2Fa.example', from: 'icon', said: 'C' },
      ],
      relinked: {
        icons: [
          { picture, alt: '', link: 'x!' },
          { picture: null, alt: 'B', link: 'y!' },
          { picture: other, alt: 'C', link: 'https://c.example/?u={address}!', share: 'https://a.example' },
        ],
      },
      words: ['', 'C'],
      pictures: [
        ['a', ''],
        ['b', 'C'],
      ],
      wordless: 'Icon without alt text',
    },
  ],
  [
    'marks, one of them without words, one decoration, one with a link',
    tileOf('marks', {
      marks: [
        { picture, alt: null, link: '', width: 20 },
        { picture, alt: '', link: ' ', width: 20 },
        { picture: other, alt: 'C', link: 'https://c.example', width: 20 },
      ],
    }),
    {
      links: [
        { href: '', from: 'picture' },
        { href: ' ', from: 'picture' },
        { href: 'https://c.example', from: 'picture', said: 'C' },
      ],
      relinked: {
        marks: [
          { picture, alt: null, link: '!', width: 20 },
          { picture, alt: '', link: ' !', width: 20 },
          { picture: other, alt: 'C', link: 'https://c.example!', width: 20 },
        ],
      },
      words: ['C'],
      pictures: [
        ['a', null],
        ['a', ''],
        ['b', 'C'],
      ],
      wordless: 'Mark without alt text',
    },
  ],
  [
    'a mark that leads somewhere and says nothing',
    tileOf('marks', { marks: [{ picture, alt: ' ', link: 'x', width: 20 }] }),
    {
      links: [{ href: 'x', from: 'picture', said: ' ' }],
      relinked: { marks: [{ picture, alt: ' ', link: 'x!', width: 20 }] },
      words: [' '],
      pictures: [['a', ' ']],
      wordless: 'Linked mark with empty alt text',
    },
  ],
  ['no mark', tileOf('marks', { marks: [] }), { relinked: { marks: [] }, lacks: 'No mark chosen' }],
  ['no icon', tileOf('social', { icons: [] }), { relinked: { icons: [] }, lacks: 'No icon chosen' }],
  [
    'review',
    tileOf('review', { text: 'T', who: 'W', about: 'A', style: { color: '#111111' } }),
    { words: ['T', 'W', 'A'], pairs: [['#111111', '#abcdef', 16, false]] },
  ],
  [
    'review without words',
    tileOf('review', { text: ' ', who: '', about: '' }),
    { words: [' ', '', ''], lacks: 'Review without words', pairs: [BODY] },
  ],
  [
    'table with heads and stripes',
    tileOf('table', {
      caption: 'C',
      columns: [{ align: 'left' }],
      rows: [
        ['A', 'over'],
        ['1', 'over'],
      ],
      zebra: '#eeeeee',
      headColor: '#ffffff',
      headBackground: '#000000',
    }),
    {
      words: ['C', 'A', '1'],
      pairs: [BODY, ['#222222', '#eeeeee', 16, false], ['#ffffff', '#000000', 16, true]],
    },
  ],
  [
    'table with heads at the side alone',
    tileOf('table', {
      caption: '',
      columns: [{ align: 'left' }],
      rows: [['1']],
      headRow: false,
      headColumn: true,
    }),
    { words: ['', '1'], pairs: [BODY, ['#222222', '#abcdef', 16, true]] },
  ],
  [
    'table without heads or words',
    tileOf('table', { caption: '', columns: [{ align: 'left' }], rows: [[' ']], headRow: false }),
    { words: ['', ' '], lacks: 'Table without words', pairs: [BODY] },
  ],
  [
    'footer with all',
    tileOf('footer', {
      sender: 'S',
      address: 'A',
      why: 'W',
      unsubscribe: { label: 'U', link: 'u' },
      preferences: { label: 'P', link: 'p' },
      style: { color: '#333333' },
    }),
    {
      links: [
        { href: 'u', from: 'footer', said: 'U' },
        { href: 'p', from: 'footer', said: 'P' },
      ],
      relinked: { unsubscribe: { label: 'U', link: 'u!' }, preferences: { label: 'P', link: 'p!' } },
      words: ['S', 'A', 'W', 'U', 'P'],
      pairs: [
        ['#333333', '#abcdef', 13, false],
        ['#333333', '#abcdef', 13, false],
      ],
    },
  ],
  [
    'footer of the house',
    tileOf('footer', { why: '', unsubscribe: { label: 'U', link: 'u' } }),
    {
      links: [{ href: 'u', from: 'footer', said: 'U' }],
      relinked: { unsubscribe: { label: 'U', link: 'u!' } },
      words: ['', 'U'],
      pairs: [
        ['#555555', '#abcdef', 13, false],
        ['#1f4f8a', '#abcdef', 13, false],
      ],
    },
  ],
  [
    'code',
    tileOf('code', {
      html: `<a href="a?b=1&amp;c">x</a><a href='b'>y</a><a HREF = c>z</a>`,
      css: '',
      pictures: { 'x.png': picture },
    }),
    {
      links: [
        { href: 'a?b=1&c', from: 'code' },
        { href: 'b', from: 'code' },
        { href: 'c', from: 'code' },
      ],
      words: [`<a href="a?b=1&amp;c">x</a><a href='b'>y</a><a HREF = c>z</a>`],
      pictures: [['a', '']],
    },
  ],
  [
    'code not written',
    tileOf('code', { html: ' ', css: '' }),
    { words: [' '], lacks: 'Code not written yet' },
  ],
  ['conditional', tileOf('conditional', { word: 'w', others: 'o' }), { words: ['o', 'w'] }],
])('%s', (_, tile, wanted) => expect(ask(tile)).toEqual({ ...nothing, ...wanted }))

test('words: links once for neighbouring runs, colours run by run', () => {
  const link = (href: string) => ({ type: 'link' as const, attrs: { href } })
  const tile = tileOf('words', {
    link: { color: '#00ff00' },
    text: {
      type: 'doc',
      content: [
        {
          type: 'paragraph',
          content: [
            { type: 'text', text: 'plain' },
            { type: 'text', text: 'a', marks: [link('x')] },
            { type: 'text', text: 'b', marks: [link('x'), { type: 'bold' }] },
            { type: 'text', text: ' ' },
            {
              type: 'text',
              text: 'c',
              marks: [
                link('x'),
                {
                  type: 'textStyle',
                  attrs: {
                    color: '#ff0000',
                    fontSize: '30px',
                    backgroundColor: '#0000ff',
                    letterSpacing: null,
                  },
                },
              ],
            },
          ],
        },
        { type: 'heading', attrs: { level: 2 }, content: [{ type: 'text', text: 'Head' }] },
      ],
    },
  })
  expect(ask(tile)).toEqual({
    ...nothing,
    links: [
      { href: 'x', from: 'words' },
      { href: 'x', from: 'words' },
    ],
    relinked: {
      text: expect.objectContaining({
        content: [
          expect.objectContaining({
            content: expect.arrayContaining([{ type: 'text', text: 'a', marks: [link('x!')] }]),
          }),
          expect.anything(),
        ],
      }),
    },
    words: ['plain', 'a', 'b', ' ', 'c', 'Head'],
    pairs: [
      BODY,
      ['#00ff00', '#abcdef', 16, false],
      ['#00ff00', '#abcdef', 16, true],
      ['#ff0000', '#0000ff', 30, false],
      ['#222222', '#abcdef', 24, true],
    ],
  })
  const blank = tileOf('words', { text: { type: 'doc', content: [{ type: 'paragraph' }] } })
  expect(definitionOf(blank).lacks(blank)).toBe('Words not written yet')
})

test('a new tile of every kind is one that the schema allows, with room around what wants it', () => {
  for (const kind of tileKinds) {
    const tile = newTile(kind, () => 'n')
    expect(tileSchema.parse(tile)).toEqual(tile)
    expect([tile.id, tile.kind, tile.show]).toEqual(['n', kind, 'all'])
  }
  const room = (kind: TileKind) => newTile(kind).padding
  const between = { top: 12, right: 0, bottom: 12, left: 0 }
  expect([room('button'), room('divider'), room('social')]).toEqual([between, between, between])
  expect(room('words')).toEqual({ top: 0, right: 0, bottom: 0, left: 0 })
  // Only what has margins of its own is a block in letters of size 0; the others stand in letters.
  const blocks = tileKinds.filter((k) => {
    const tile = newTile(k)
    return definitionOf(tile).holder(tile as never, surroundings()).style['font-size'] === 0
  })
  expect(blocks.sort()).toEqual(['divider', 'marks', 'picture', 'social'])
})

const text = <K extends TileKind>(kind: K, set: Partial<TileOf<K>>, columns = 40) =>
  tileText(tileOf(kind, set) as Tile, {
    fields: asSample(),
    link: (href) => `<${href}>`,
    footer: { sender: 'House', address: 'Lane' },
    columns,
    lang: 'en',
  })

test('every kind as plain text', () => {
  expect(text('button', { label: 'Go', link: 'https://a.example' })).toBe('Go <https://a.example>')
  expect(text('button', { label: 'Go', link: ' ' })).toBe('Go')
  expect(text('picture', { picture, alt: 'A', link: 'x' })).toBe('[Picture: A] <x>')
  expect(text('picture', { picture, alt: null, link: '' })).toBe('')
  expect(text('divider', {})).toBe('-'.repeat(40))
  expect(text('divider', { invisible: true })).toBe('')
  expect(text('gap', {})).toBe('')
  expect(
    text('footer', {
      why: 'W',
      unsubscribe: { label: 'U', link: 'u' },
      preferences: { label: 'P', link: 'p' },
    }),
  ).toBe(`${'-'.repeat(40)}\n\nHouse\nLane\n\nW\n\nU <u>\nP <p>`)
  expect(text('footer', { sender: '', address: ' ', why: ' ', unsubscribe: { label: '', link: '' } })).toBe(
    '-'.repeat(40),
  )
  expect(
    text('social', {
      icons: [
        { picture, alt: 'A', link: 'x' },
        { picture: null, alt: 'B', link: 'y' },
      ],
    }),
  ).toBe('A <x>')
  expect(
    text('marks', {
      marks: [
        { picture, alt: 'A', link: 'x', width: 20 },
        { picture, alt: null, link: '', width: 20 },
        { picture, alt: 'B', link: '', width: 20 },
      ],
    }),
  ).toBe('A <x>\nB')
  expect(text('review', { stars: null, text: ' ', who: '', about: 'A' })).toBe('- A')
  expect(text('code', { html: '<p>a <a href="x">b</a></p>', css: '' })).toBe('a b <x>')
  expect(text('conditional', { word: 'w', others: '<b>o</b>' })).toBe('o')
})

test('a table as plain text stands in columns by their alignment while it fits, to the character', () => {
  const set = {
    caption: 'C',
    columns: [{ align: 'left' as const }, { align: 'center' as const }, { align: 'right' as const }],
    rows: [
      ['A', 'Bb', 'C'],
      ['1', '2', '333'],
      ['  4  ', '', 'äöü 5'],
    ],
  }
  const lines = 'C\n\nA  Bb      C\n-  --  -----\n1  2     333\n4      äöü 5'
  expect(text('table', set, 12)).toBe(lines)
  expect(text('table', set, 11)).toBe('C\n\nA: 1\nBb: 2\nC: 333\n\nA: 4\nC: äöü 5')
  expect(text('table', { ...set, headRow: false, caption: '' }, 11)).toBe('A\nBb\nC\n\n1\n2\n333\n\n4\näöü 5')
  expect(text('table', { ...set, caption: '', rows: set.rows.slice(0, 1) }, 3)).toBe('A\nBb\nC')
})

test('words as plain text: rules under headings as long as their longest line, lists counted, quotes marked', () => {
  const p = (...lines: string[]) => ({
    type: 'paragraph' as const,
    content: lines.flatMap((t, i) => [
      ...(i ? [{ type: 'hardBreak' as const }] : []),
      { type: 'text' as const, text: t },
    ]),
  })
  const li = (...content: ReturnType<typeof p>[]) => ({ type: 'listItem' as const, content })
  const of = (...content: object[]) => text('words', { text: { type: 'doc', content } as never }, 10)
  expect(of({ type: 'heading', attrs: { level: 1 }, content: p('One', 'Longer').content })).toBe(
    'One\nLonger\n======',
  )
  expect(of({ type: 'heading', attrs: { level: 2 }, content: p('Much longer than ten').content })).toBe(
    'Much longer than ten\n----------',
  )
  expect(of({ type: 'heading', attrs: { level: 3 } })).toBe('')
  expect(of({ type: 'bulletList', content: [li(p('a'), p('b')), li(p('c'))] })).toBe('- a\n  b\n- c')
  expect(of({ type: 'orderedList', content: [li(p('a', 'b')), li(p('c'))] })).toBe('1. a\n   b\n2. c')
  expect(of({ type: 'blockquote', content: [p('a'), p('b')] })).toBe('> a\n> \n> b')
  expect(of(p('a'), p('b'))).toBe('a\n\nb')
})
