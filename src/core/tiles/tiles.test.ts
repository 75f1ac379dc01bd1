import { newTile } from '.'
import { type Tile, type TileKind, type TileOf } from '../email/tile'
import { defaultTreeAdapter as tree, parse, type DefaultTreeAdapterTypes } from 'parse5'
import { longEmail } from '@/test-support/emails'
import { compile } from '../compile'
import { compileText } from '../compile/text'
import { emptyText, textOf } from '../email/richtext'
import type { Email } from '../email/schema'
import { plainHouseStyle } from '../email/styles'
import { asSample } from '../text/fields'
import { iconOf, shippedIcons } from './social/icons'

/** An email that holds one tile. */
const holding = (tile: Tile, more: Partial<Email> = {}): Email => {
  const e = longEmail(1)
  return {
    ...e,
    ...more,
    bands: [{ ...e.bands[0]!, cells: [{ ...e.bands[0]!.cells[0]!, width: 536, items: [tile] }] }],
  }
}
const tileOf = <K extends TileKind>(kind: K, set: Partial<TileOf<K>> = {}): Tile =>
  ({ ...newTile(kind, () => 't'), ...set }) as Tile

type Node = DefaultTreeAdapterTypes.Element
/** Elements of a name in the compiled email, as a browser would have them (WHATWG HTML, through parse5). */
function elements(tile: Tile, name: string, more: Partial<Email> = {}, house = plainHouseStyle()): Node[] {
  const out: Node[] = []
  const walk = (n: DefaultTreeAdapterTypes.Node) => {
    if (tree.isElementNode(n) && n.tagName === name) out.push(n)
    if ('childNodes' in n) n.childNodes.forEach(walk)
  }
  walk(parse(compile(holding(tile, more), house, { src: (p) => `https://pictures.example/${p.id}.png` })))
  return out
}
const attribute = (n: Node, name: string) => n.attrs.find((a) => a.name === name)?.value
const styleOf = (n: Node): Record<string, string> =>
  Object.fromEntries((attribute(n, 'style') ?? '').split(';').map((d) => d.split(':') as [string, string]))
const wordsOf = (n: DefaultTreeAdapterTypes.Node): string =>
  (tree.isTextNode(n) ? n.value : 'childNodes' in n ? n.childNodes.map(wordsOf).join('') : '').replace(
    /\s+/g,
    ' ',
  )
const text = (tile: Tile) => compileText(holding(tile))
const picture = { id: 'a'.repeat(64), type: 'image/png' as const, width: 200, height: 100, bytes: 900 }

const prices = (set: Partial<TileOf<'table'>> = {}) =>
  tileOf('table', {
    caption: 'Berths',
    columns: [{ align: 'left' }, { align: 'right', width: 30 }],
    rows: [
      ['Berth', 'Price'],
      ['Upper', '24'],
      ['Lower, by the window', '140'],
    ],
    ...set,
  })

test('a table of data has header cells that say what they head (WHATWG HTML, 4.9.10 and 4.9.12), and a name', () => {
  const heads = elements(prices({ headColumn: true }), 'th')
  expect(heads.map((h) => [wordsOf(h).trim(), attribute(h, 'scope')])).toEqual([
    ['Berth', 'col'],
    ['Price', 'col'],
    ['Upper', 'row'],
    ['Lower, by the window', 'row'],
  ])
  expect(elements(prices(), 'caption').map((c) => wordsOf(c).trim())).toEqual(['Berths'])
  expect(elements(prices(), 'thead')).toHaveLength(1)
  // A place that scrolls can be reached by keyboard and has a name (WCAG 2.2, 2.1.1 and 4.1.2).
  const [region] = elements(prices(), 'div').filter((d) => attribute(d, 'role') === 'region')
  expect([attribute(region!, 'tabindex'), attribute(region!, 'aria-label')]).toEqual(['0', 'Berths'])
})

test("cells of a table keep their column's alignment and width; every other row has the ground of the stripes", () => {
  const cells = elements(
    prices({ zebra: '#eef2f4', headBackground: '#123456', headColor: '#ffffff' }),
    'td',
  ).filter((c) => /^(Upper|24|Lower.*|140)$/.test(wordsOf(c).trim()))
  expect(cells.map((c) => styleOf(c)['text-align'])).toEqual([undefined, 'right', undefined, 'right'])
  expect(cells.map((c) => styleOf(c)['background-color'])).toEqual([
    undefined,
    undefined,
    '#eef2f4',
    '#eef2f4',
  ])
  const [, price] = elements(prices({ headBackground: '#123456', headColor: '#ffffff' }), 'th')
  expect([attribute(price!, 'width'), styleOf(price!)['background-color'], styleOf(price!).color]).toEqual([
    '30%',
    '#123456',
    '#ffffff',
  ])
})

test("as cards, each cell bears its column's name for narrow screens", () => {
  const cells = elements(prices({ compact: 'cards' }), 'td').map((c) => wordsOf(c).trim())
  expect(cells).toEqual(expect.arrayContaining(['Berth: Upper', 'Price: 140']))
})

test('as plain text a table stands in columns where it fits, else each value after its name', () => {
  expect(text(prices())).toContain(
    [
      'Berth                 Price',
      '--------------------  -----',
      'Upper                    24',
      'Lower, by the window    140',
    ].join('\n'),
  )
  const long = 'A berth with a window that looks out over the whole of the bay'
  expect(
    text(
      prices({
        rows: [
          ['Berth', 'What it is like'],
          [long, `${long}, twice`],
        ],
      }),
    ),
  ).toContain(`Berth: ${long}\nWhat it is like: `)
})

test('a menu is a row of links; what stands between them is not read aloud', () => {
  const menu = tileOf('menu', {
    items: [
      { label: 'Nights', link: 'https://a.example/n' },
      { label: 'Map', link: '' },
    ],
    separator: '|',
    compact: 'column',
  })
  expect(elements(menu, 'a').map((a) => [wordsOf(a), attribute(a, 'href')])).toEqual([
    ['Nights', 'https://a.example/n'],
    ['Map', '#'],
  ])
  expect(
    elements(menu, 'span')
      .filter((s) => wordsOf(s) === '|')
      .map((s) => attribute(s, 'aria-hidden')),
  ).toEqual(['true'])
  expect(text(menu)).toContain('Nights <https://a.example/n>\nMap')
})

test('icons lead where they say, or share a page; those without a picture are left out', () => {
  const social = tileOf('social', {
    icons: [
      { picture, alt: 'Follow', link: 'https://a.example/us' },
      {
        picture,
        alt: 'Share',
        title: 'Share it',
        link: 'https://b.example/?u={address}&t={title}',
        share: 'https://c.example/a b',
      },
      { picture: null, alt: 'None', link: 'https://d.example' },
    ],
    size: 30,
  })
  const links = elements(social, 'a')
  // RFC 3986, 2.1: what stands in a query is percent-encoded.
  expect(links.map((a) => attribute(a, 'href'))).toEqual([
    'https://a.example/us',
    expect.stringMatching(
      /^https:\/\/b\.example\/\?u=https%3A%2F%2Fc\.example%2Fa%(25)?20b&t=Share(%20|\+)it$/,
    ),
  ])
  expect(elements(social, 'img').map((i) => [attribute(i, 'width'), attribute(i, 'alt')])).toEqual([
    ['30', 'Follow'],
    ['30', 'Share'],
  ])
})

test('a review says its stars in words too, to those who hear it and as plain text', () => {
  const review = tileOf('review', { text: 'It fits.', who: 'Ines', about: 'ferry pilot', stars: 4 })
  expect(
    elements(review, 'p')
      .filter((d) => attribute(d, 'role') === 'img')
      .map((d) => [attribute(d, 'aria-label'), wordsOf(d)]),
  ).toEqual([['4 of 5 stars', '★★★★☆']])
  expect(text(review)).toContain('★★★★☆ (4 of 5)\n"It fits."\n- Ines, ferry pilot')
  expect(elements(tileOf('review', { stars: null }), 'p').some((d) => attribute(d, 'role') === 'img')).toBe(
    false,
  )
})

test('a footer says who sends and how to leave; the sender of the house stands in for none of its own', () => {
  const house = plainHouseStyle()
  house.footer = { sender: 'Halden Rail', address: 'Quay Lane 4' }
  const footer = tileOf('footer', {
    why: 'You asked for it.',
    unsubscribe: { label: 'Leave', link: '[[unsubscribe]]' },
  })
  const said = elements(footer, 'p', {}, house).map(wordsOf).join(' / ')
  for (const part of ['Halden Rail', 'Quay Lane 4', 'You asked for it.', 'Leave'])
    expect(said).toContain(part)
  expect(
    elements({ ...footer, sender: 'Lantern Lab' } as Tile, 'p', {}, house)
      .map(wordsOf)
      .join(' '),
  ).not.toContain('Halden Rail')
})

test('a picture is a block with its width for the Word engine, never wider than its cell; without a picture there is nothing', () => {
  const [img] = elements(tileOf('picture', { picture, alt: 'A hill', width: 900, align: 'left' }), 'img')
  expect([
    attribute(img!, 'width'),
    attribute(img!, 'alt'),
    styleOf(img!).display,
    styleOf(img!).height,
  ]).toEqual(['536', 'A hill', 'block', 'auto'])
  expect(elements(tileOf('picture', { picture: null }), 'img')).toEqual([])
  const [source] = elements(
    tileOf('picture', { picture, narrowPicture: { ...picture, id: 'b'.repeat(64) } }),
    'source',
  )
  expect(attribute(source!, 'media')).toMatch(/max-width/)
})

test('space and rules are as high as they say; an empty paragraph keeps its line', () => {
  const [gap] = elements(tileOf('gap', { height: 37 }), 'td').filter((d) => styleOf(d)['font-size'] === '1px')
  expect(styleOf(gap!)['line-height']).toBe('37px')
  expect(elements(tileOf('words', { text: emptyText() }), 'p').some((p) => wordsOf(p).length === 1)).toBe(
    true,
  )
})

test('a button is as wide for the Word engine as its words, its padding and its border (VML has no width of its own)', () => {
  const html = (label: string, capitals = false) =>
    compile(
      holding(
        tileOf('button', { label, style: { padX: 20, size: 16, bold: false, borderWidth: 0, capitals } }),
      ),
      plainHouseStyle(),
      { src: () => '' },
    )
  const width = (h: string) => Number(/v-text-anchor:middle;width:(\d+)px/.exec(h)![1])
  expect(width(html('Order the whole set of seeds'))).toBeGreaterThan(width(html('Order')) + 100)
  expect(width(html('iiiiii'))).toBeLessThan(width(html('WWWWWW')) - 40)
  expect(width(html('reserve', true))).toBeGreaterThan(width(html('reserve')))
})

test("fields stand in every tile's words as the destination writes them", () => {
  const fields = asSample({ name: 'Ada' })
  for (const tile of [
    tileOf('words', { text: textOf('Dear [[name | friend]]') }),
    tileOf('button', { label: 'For [[name]]' }),
    tileOf('menu', { items: [{ label: '[[name]]', link: '' }] }),
    prices({ caption: 'Of [[name]]' }),
    tileOf('review', { who: '[[name]]' }),
    tileOf('footer', { why: 'Dear [[name]]' }),
  ]) {
    expect(compile(holding(tile), plainHouseStyle(), { src: () => '', fields })).toContain('Ada')
    expect(compileText(holding(tile), { fields })).toContain('Ada')
  }
})

test.each([
  ['https://www.instagram.com/halden', 'instagram'],
  ['https://m.youtube.com/@halden', 'youtube'],
  ['https://youtu.be/x', 'youtube'],
  ['https://notyoutube.com.evil.example/', 'website'],
  ['https://hachyderm.example/@halden', 'mastodon'],
  ['https://mastodon.example/web', 'mastodon'],
  ['https://halden.example/@halden/posts', 'website'],
  ['https://halden.example/news/feed/', 'feed'],
  ['mailto:a@halden.example', 'mail'],
  ['tel:+44', 'telephone'],
  ['halden', 'website'],
])('%s is shown by the icon %s', (address, icon) => {
  expect(iconOf(address)).toBe(icon)
  expect(Object.keys(shippedIcons)).toContain(icon)
})

test('a numbered list keeps the number it begins with, and stands in as far as its longest number needs', () => {
  const items = (n: number) =>
    Array.from({ length: n }, (_, i) => ({
      type: 'listItem' as const,
      content: [{ type: 'paragraph' as const, content: [{ type: 'text' as const, text: `${i}` }] }],
    }))
  const written = (start: number, n: number, style = {}) =>
    compile(
      holding(
        tileOf('words', {
          style,
          text: { type: 'doc', content: [{ type: 'orderedList', attrs: { start }, content: items(n) }] },
        }),
      ),
      plainHouseStyle(),
      { src: (p) => p.id },
    )
  expect(written(1, 3)).not.toContain('start=')
  expect(written(1, 3)).toContain('padding:0 0 0 24px')
  expect(written(9, 3)).toContain('<ol start="9"')
  // 11. in letters of 16 px, widths of Arial's digits (0.556 em, its file) and of "." and " " (0.278): 26.7 px.
  expect(Number(/padding:0 0 0 (\d+)px/.exec(written(9, 3))![1])).toBeGreaterThan(26.7)
  expect(Number(/padding:0 0 0 (\d+)px/.exec(written(1, 3, { spacing: 5 }))![1])).toBeGreaterThan(17.8 + 15)
})

test('in a page and in text an address that is its own words stands once', () => {
  const link = (words: string, href: string) => ({
    type: 'text' as const,
    text: words,
    marks: [{ type: 'link' as const, attrs: { href } }],
  })
  const said = (words: string, href: string) =>
    compileText(
      holding(
        tileOf('words', {
          text: { type: 'doc', content: [{ type: 'paragraph', content: [link(words, href)] }] },
        }),
      ),
    ).trim()
  expect(said('https://tarn.example/a', 'https://tarn.example/a')).toBe('https://tarn.example/a')
  expect(said('tarn.example/a', 'https://tarn.example/a/')).toBe('https://tarn.example/a/')
  expect(said('ask@tarn.example', 'mailto:ask@tarn.example')).toBe('ask@tarn.example')
  expect(said('+46 8 123', 'tel:+468123')).toBe('+46 8 123')
  expect(said('Read on', 'https://tarn.example/a')).toBe('Read on <https://tarn.example/a>')
})

test('a logo that fills its cell keeps its size on a phone, a photograph as wide does not', () => {
  const shown = (width: number, height: number) => {
    const email = holding(
      tileOf('picture', { picture: { id: 'p', type: 'image/png', width, height, bytes: 9 }, width }),
    )
    const [band] = email.bands
    const [cell] = band!.cells
    const two = {
      ...band!,
      cells: [
        { ...cell!, width },
        { ...cell!, id: 'other', width: 536 - width, items: [] },
      ],
    }
    return compile({ ...email, bands: [two] }, plainHouseStyle(), { src: (p) => p.id })
  }
  expect(shown(180, 40)).toMatch(/<img[^>]* width="\d+" height="\d+"/)
  expect(shown(180, 40)).not.toMatch(/<img[^>]*width:100%/)
  expect(shown(180, 120)).toMatch(/<img[^>]*width:100%/)
})
