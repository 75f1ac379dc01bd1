import { type Tile } from '@/core/email/tile'
import fc from 'fast-check'
import type { Block, Inline, Mark, RichText } from '@/core/email/richtext'
import { EMAIL_VERSION, type Band, type Cell, type Email, type Row } from '@/core/email/schema'
import { plainHouseStyle, type Edge, type Gradient, type StyleOverrides } from '@/core/email/styles'

/** Any email that the schema allows, for properties that must hold of all of them. */
const color = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`)
const said = fc.oneof(
  fc.string({ maxLength: 40 }),
  fc.constantFrom(
    'A letter',
    'Füchse & Gänse',
    '<b>"quoted"</b>',
    '[[given_name | friend]]',
    'שלום',
    'مرحبا',
    '1 < 2 -- 3',
    '\u00a0',
    '\u0001 control \r\n characters',
  ),
)
const some = said.filter((s) => s.length > 0)
const href = fc.oneof(
  fc.constantFrom(
    'https://a.example/x?y=1&z=2',
    'mailto:a@b.example',
    'tel:+44 20 7946 0000',
    'www.a.example',
    '[[unsubscribe]]',
    'javascript:alert(1)',
    ' java\tscript:alert(1)',
    'https://a.example/[[id | none]]',
    ' https://a.example/ä b',
    '',
  ),
  fc.webUrl(),
)
const side = fc.integer({ min: 0, max: 40 })
const sides = fc.record({ top: side, right: side, bottom: side, left: side })
const show = fc.constantFrom(
  'all' as const,
  'all' as const,
  'all' as const,
  'wide' as const,
  'narrow' as const,
)
const align = fc.constantFrom('left' as const, 'center' as const, 'right' as const)
const maybe = <T>(arbitrary: fc.Arbitrary<T>): fc.Arbitrary<T | undefined> =>
  fc.option(arbitrary, { nil: undefined, freq: 2 })
const edge: fc.Arbitrary<Edge> = fc.record({
  width: fc.integer({ min: 1, max: 6 }),
  style: fc.constantFrom('solid' as const, 'dashed' as const, 'double' as const),
  color,
  nightColor: maybe(color),
})
let n = 0
const id = fc.constant(null).map(() => `g${n++}`)
const base = { id, padding: sides, show, narrow: maybe(fc.record({ padding: maybe(sides) })) }
const lang = fc.constantFrom('en', 'de-AT', 'ar', 'he')
const dir = fc.constantFrom('ltr' as const, 'rtl' as const)

const mark: fc.Arbitrary<Mark> = fc.oneof(
  fc.constantFrom<Mark>(
    { type: 'bold' },
    { type: 'italic' },
    { type: 'underline' },
    { type: 'strike' },
    { type: 'superscript' },
    { type: 'subscript' },
    { type: 'language', attrs: { lang: 'he', dir: 'rtl' } },
  ),
  href.map((h): Mark => ({ type: 'link', attrs: { href: h } })),
  fc
    .record({
      color,
      size: fc.integer({ min: 9, max: 40 }),
      background: maybe(color),
      spacing: maybe(fc.constantFrom('1px', '0.5px', '-1px')),
    })
    .map((s): Mark => ({
      type: 'textStyle',
      attrs: {
        color: s.color,
        fontSize: `${s.size}px`,
        backgroundColor: s.background,
        letterSpacing: s.spacing,
      },
    })),
)
const inline: fc.Arbitrary<Inline> = fc.oneof(
  {
    weight: 5,
    arbitrary: fc
      .record({ text: some, marks: fc.uniqueArray(mark, { maxLength: 3, selector: (m) => m.type }) })
      .map(({ text, marks }): Inline => ({ type: 'text', text, marks })),
  },
  { weight: 1, arbitrary: fc.constant<Inline>({ type: 'hardBreak' }) },
)
const content = fc.array(inline, { maxLength: 4 })
const paragraph = fc
  .tuple(content, fc.option(align))
  .map(([c, textAlign]): Extract<Block, { type: 'paragraph' }> => ({
    type: 'paragraph',
    attrs: { textAlign },
    content: c,
  }))
const heading = fc
  .tuple(fc.constantFrom(1 as const, 2 as const, 3 as const), content)
  .map(([level, c]): Block => ({ type: 'heading', attrs: { level, textAlign: null }, content: c }))
const list = fc
  .tuple(
    fc.constantFrom('bulletList' as const, 'orderedList' as const),
    fc.array(content, { minLength: 1, maxLength: 3 }),
  )
  .map(([type, items]): Block => ({
    type,
    content: items.map((c) => ({ type: 'listItem', content: [{ type: 'paragraph', content: c }] })),
  }))
const quote = fc
  .array(fc.oneof(paragraph, list, heading), { minLength: 1, maxLength: 2 })
  .map((c): Block => ({ type: 'blockquote', content: c }))
/** A list whose items hold more than a paragraph. */
const deepList = fc.tuple(content, fc.oneof(list, quote, heading)).map(([c, inner]): Block => ({
  type: 'bulletList',
  content: [{ type: 'listItem', content: [{ type: 'paragraph', content: c }, inner] }],
}))
export const richText: fc.Arbitrary<RichText> = fc
  .array(fc.oneof(paragraph, heading, list, quote, deepList), { minLength: 1, maxLength: 4 })
  .map((blocks) => ({ type: 'doc', content: blocks }))

const picture = fc
  .record({ width: fc.integer({ min: 1, max: 1200 }), height: fc.integer({ min: 1, max: 900 }) })
  .map((s) => ({ id: 'a'.repeat(64), type: 'image/png' as const, bytes: 1000, ...s }))
const textOverride = fc.record({
  font: maybe(fc.constantFrom('serif', 'mono', 'Old Ferry')),
  size: maybe(fc.integer({ min: 8, max: 40 })),
  color: maybe(color),
  bold: maybe(fc.boolean()),
  italic: maybe(fc.boolean()),
  spacing: maybe(fc.integer({ min: -1, max: 4 })),
  capitals: maybe(fc.boolean()),
  narrowSize: maybe(fc.integer({ min: 10, max: 30 })),
  nightColor: maybe(color),
})
const buttonOverride = fc.record({
  background: maybe(color),
  color: maybe(color),
  radius: maybe(fc.integer({ min: 0, max: 30 })),
  padX: maybe(fc.integer({ min: 0, max: 40 })),
  padY: maybe(fc.integer({ min: 0, max: 20 })),
  borderWidth: maybe(fc.integer({ min: 0, max: 4 })),
  hoverBackground: maybe(color),
  hoverColor: maybe(color),
  nightBackground: maybe(color),
  nightColor: maybe(color),
  capitals: maybe(fc.boolean()),
})
const markup = fc.constantFrom(
  '<p class="note">Own words</p>',
  '<style>.note{color:#aa0000;padding:4px}@media (max-width:480px){.note{padding:0}}</style><p class="note">Styled</p>',
  '</td></tr></table><div>stray',
  '<script>alert(1)</script><b onclick="x()">bold</b>',
  '<table><tr><td>a</td></tr></table>',
  '<a href="javascript:alert(1)">x</a><img src="https://a.example/i.png" alt="i">',
  '<!--[if mso]><table><tr><td><![endif]-->open',
  '<p>unclosed <i>tags',
)
const most: fc.Arbitrary<Tile> = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.record({
      ...base,
      kind: fc.constant('words' as const),
      text: richText,
      align,
      style: maybe(textOverride),
      headings: maybe(textOverride),
      link: maybe(fc.record({ color: maybe(color), underline: maybe(fc.boolean()) })),
      base: maybe(fc.constantFrom('body' as const, 'small' as const)),
      lang: maybe(lang),
      dir: maybe(dir),
    }),
  },
  {
    weight: 3,
    arbitrary: fc
      .record({
        ...base,
        kind: fc.constant('picture' as const),
        picture: fc.option(picture),
        alt: fc.option(said),
        link: href,
        width: fc.integer({ min: 1, max: 700 }),
        percent: maybe(fc.integer({ min: 1, max: 100 })),
        align,
        edge: maybe(edge),
        radius: maybe(fc.integer({ min: 0, max: 20 })),
        narrowPicture: maybe(picture),
        nightPicture: maybe(picture),
      })
      // Drawn from what is there, so that the other values of a seed stay as they are.
      .map((t) => (t.radius === undefined ? t : { ...t, stillPicture: t.nightPicture })),
  },
  {
    weight: 3,
    arbitrary: fc.record({
      ...base,
      kind: fc.constant('button' as const),
      label: said,
      link: href,
      align,
      fullNarrow: fc.boolean(),
      variant: maybe(fc.constantFrom('second' as const, 'quiet' as const)),
      style: maybe(buttonOverride),
      icon: maybe(
        fc.record({
          picture,
          side: fc.constantFrom('before' as const, 'after' as const),
          width: fc.integer({ min: 4, max: 30 }),
        }),
      ),
    }),
  },
  fc.record({
    ...base,
    kind: fc.constant('divider' as const),
    color,
    nightColor: maybe(color),
    thickness: fc.integer({ min: 1, max: 9 }),
    line: maybe(fc.constantFrom('dashed' as const, 'double' as const)),
    length: maybe(fc.integer({ min: 1, max: 100 })),
    align: maybe(align),
    invisible: maybe(fc.boolean()),
  }),
  fc.record({
    ...base,
    kind: fc.constant('gap' as const),
    height: fc.integer({ min: 1, max: 90 }),
    narrowHeight: maybe(fc.integer({ min: 1, max: 90 })),
  }),
  fc.record({
    ...base,
    kind: fc.constant('menu' as const),
    items: fc.array(fc.record({ label: some, link: href }), { minLength: 1, maxLength: 4 }),
    separator: fc.constantFrom('', '|', '<'),
    space: fc.integer({ min: 0, max: 12 }),
    align,
    compact: fc.constantFrom('wrap' as const, 'column' as const),
    style: maybe(textOverride),
  }),
  fc.record({
    ...base,
    kind: fc.constant('social' as const),
    icons: fc.array(
      fc.record({
        icon: maybe(fc.constant('mastodon')),
        picture: fc.option(picture),
        alt: said,
        title: maybe(said),
        link: href,
        share: maybe(href),
      }),
      { maxLength: 4 },
    ),
    size: fc.integer({ min: 12, max: 48 }),
    gap: fc.integer({ min: 0, max: 20 }),
    color,
    shape: fc.constantFrom('none' as const, 'circle' as const),
    ground: color,
    align,
  }),
  fc.record({
    ...base,
    kind: fc.constant('table' as const),
    caption: said,
    columns: fc.array(fc.record({ align, width: maybe(fc.integer({ min: 1, max: 60 })) }), {
      minLength: 1,
      maxLength: 4,
    }),
    rows: fc.array(fc.array(said, { maxLength: 5 }), { minLength: 1, maxLength: 4 }),
    headRow: fc.boolean(),
    headColumn: fc.boolean(),
    headBackground: maybe(color),
    headColor: maybe(color),
    zebra: maybe(color),
    edge: maybe(edge),
    space: fc.integer({ min: 0, max: 12 }),
    compact: fc.constantFrom('scroll' as const, 'cards' as const),
    style: maybe(textOverride),
  }),
  fc.record({
    ...base,
    kind: fc.constant('review' as const),
    text: said,
    who: said,
    about: said,
    stars: fc.option(fc.integer({ min: 0, max: 5 })),
    starColor: color,
    align,
    style: maybe(textOverride),
    byStyle: maybe(textOverride),
    space: maybe(fc.integer({ min: 0, max: 40 })),
  }),
  fc.record({
    ...base,
    kind: fc.constant('footer' as const),
    sender: maybe(said),
    address: maybe(said),
    why: said,
    unsubscribe: fc.record({ label: said, link: href }),
    preferences: maybe(fc.record({ label: said, link: href })),
    align,
    style: maybe(textOverride),
  }),
  fc.record({
    ...base,
    kind: fc.constant('code' as const),
    html: markup,
    css: fc.constantFrom(
      '',
      '.note{color:#00aa00}',
      '.note:hover{color:#000000}',
      '@keyframes turn{to{opacity:1}} .note{animation:turn 2s}',
      '@import url(https://a.example/x.css); p{margin:0}',
      'p{color:red',
      '</style><script>alert(1)</script>',
    ),
  }),
  fc.record({
    ...base,
    kind: fc.constant('conditional' as const),
    word: fc.constantFrom(
      '',
      '<table><tr><td>For the Word engine</td></tr></table>',
      '<p>open',
      '<!-- x -->',
      '<v:rect xmlns:v="urn:schemas-microsoft-com:vml"></v:rect>',
    ),
    others: markup,
  }),
)
const narrow = fc.constantFrom('stack' as const, 'keep' as const, 'reverse' as const)
const cellOf = (items: fc.Arbitrary<(Tile | Row)[]>): fc.Arbitrary<Cell> =>
  fc.record({
    id,
    width: fc.integer({ min: 40, max: 600 }),
    background: maybe(color),
    nightBackground: maybe(color),
    edges: maybe(fc.record({ top: maybe(edge), right: maybe(edge), bottom: maybe(edge), left: maybe(edge) })),
    radius: maybe(fc.integer({ min: 0, max: 20 })),
    padding: fc.record({
      top: side,
      right: fc.integer({ min: 0, max: 12 }),
      bottom: side,
      left: fc.integer({ min: 0, max: 12 }),
    }),
    align,
    valign: fc.constantFrom('top' as const, 'middle' as const, 'bottom' as const),
    narrow: maybe(fc.record({ padding: maybe(sides), place: maybe(fc.integer({ min: 1, max: 5 })) })),
    items,
  })
/** Marks are made of every other row of icons. */
const tile: fc.Arbitrary<Tile> = most.map((t): Tile => {
  if (t.kind !== 'social' || t.icons.length % 2) return t
  const { icons, size, color: _, ground: __, shape: ___, ...rest } = t
  return {
    ...rest,
    kind: 'marks',
    marks: icons.flatMap(({ picture, alt, link }, i) =>
      picture ? [{ picture, alt: i ? alt : null, link, width: size }] : [],
    ),
  }
})
const leafCell = cellOf(fc.array(tile, { maxLength: 3 }))
const row: fc.Arbitrary<Row> = fc.record({
  id,
  kind: fc.constant('row' as const),
  gap: fc.integer({ min: 0, max: 20 }),
  narrow,
  cells: fc.array(leafCell, { minLength: 1, maxLength: 2 }),
})
const cell = cellOf(
  fc.array(
    fc.oneof(
      { weight: 5, arbitrary: tile as fc.Arbitrary<Tile | Row> },
      { weight: 1, arbitrary: row as fc.Arbitrary<Tile | Row> },
    ),
    { maxLength: 3 },
  ),
)
const band: fc.Arbitrary<Band> = fc.record({
  id,
  name: said,
  role: fc.constantFrom('header' as const, 'main' as const, 'footer' as const, 'notice' as const),
  background: maybe(color),
  nightBackground: maybe(color),
  bleed: maybe(color),
  nightBleed: maybe(color),
  picture: maybe(
    fc.record({
      picture,
      across: fc.constantFrom('email' as const, 'window' as const),
      fit: fc.constantFrom('cover' as const, 'repeat' as const, 'once' as const),
      x: align,
      y: fc.constantFrom('top' as const, 'center' as const, 'bottom' as const),
    }),
  ),
  card: maybe(
    fc.record({
      radius: fc.integer({ min: 0, max: 20 }),
      edge: maybe(edge),
      around: fc.record({
        top: side,
        right: fc.integer({ min: 0, max: 16 }),
        bottom: side,
        left: fc.integer({ min: 0, max: 16 }),
      }),
    }),
  ),
  padding: sides,
  narrowPadding: maybe(sides),
  gap: fc.integer({ min: 0, max: 20 }),
  narrow,
  show,
  when: maybe(
    fc.record({
      field: fc.constantFrom('city', 'tier'),
      test: fc.constantFrom('is' as const, 'is not' as const, 'filled' as const, 'empty' as const),
      value: said,
    }),
  ),
  lang: maybe(lang),
  dir: maybe(dir),
  cells: fc.array(cell, { minLength: 1, maxLength: 5 }),
})
const styles: fc.Arbitrary<StyleOverrides> = fc.oneof(
  { weight: 3, arbitrary: fc.constant<StyleOverrides>({}) },
  fc.record({
    ground: maybe(color),
    nightGround: maybe(color),
    link: maybe(fc.record({ color: maybe(color), nightColor: maybe(color) })),
    text: maybe(fc.record({ body: maybe(textOverride), heading1: maybe(textOverride) })),
    button: maybe(buttonOverride),
    roles: maybe(
      fc.record({
        footer: maybe(
          fc.record({
            text: maybe(fc.record({ all: maybe(textOverride) })),
            link: maybe(fc.record({ color })),
          }),
        ),
      }),
    ),
  }),
)

/** A gradient between two colours of what it lies behind; every other one has colours for the night. */
const slope = (from: string, to: string, at: number): Gradient => ({
  angle: (at * 7) % 360,
  stops: [
    { color: from, at: 0 },
    ...(at % 3 ? [] : [{ color: '#808080', at: 30 + (at % 40) }]),
    { color: to, at: 100, ...(at % 2 ? { nightColor: from } : {}) },
  ],
})

/** Gradients over some grounds, drawn from what is there. */
function sloped<T extends Pick<Row, 'cells'>>(row: T): T {
  const cells = row.cells.map((c): Cell => {
    const items = c.items.map((i) => (i.kind === 'row' ? sloped(i) : slopedButton(i)))
    const { radius, background, nightBackground } = c
    if (radius === undefined || !background) return { ...c, items }
    return { ...c, items, gradient: slope(background, nightBackground ?? '#334455', radius) }
  })
  return { ...row, cells }
}

function slopedButton(tile: Tile): Tile {
  const { background, hoverColor, radius = 1 } = (tile.kind === 'button' && tile.style) || {}
  if (tile.kind !== 'button' || !background || !hoverColor) return tile
  return { ...tile, style: { ...tile.style, gradient: slope(background, hoverColor, radius) } }
}

const slopedBand = (b: Band): Band => {
  const { background, bleed, padding, card } = b
  const from = card ? bleed : background
  if (!from || padding.top % 2) return sloped(b)
  return {
    ...sloped(b),
    gradient: { ...slope(from, '#203040', padding.top), across: card ? 'window' : 'email' },
  }
}

/** Removes what is undefined, as saving does. */
const stored = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

export const anyEmail: fc.Arbitrary<Email> = fc
  .record({
    version: fc.constant(EMAIL_VERSION),
    way: fc.constant('bands' as const),
    width: fc.integer({ min: 320, max: 900 }),
    lang,
    dir,
    title: said,
    subject: said,
    preheader: said,
    styles,
    bands: fc.array(band, { maxLength: 5 }),
  })
  // Drawn from what is there, so that the samples of before stay what they were.
  .map((e) => ({ ...e, bands: (e.bands as Band[]).map(slopedBand) }))
  .map((e) => stored(e.title.length % 4 === 1 ? { ...e, readable: true as const } : e)) as fc.Arbitrary<Email>

/**
 * Emails of a width and cells with enough room for what they hold, as people make them, for what is measured
 * in a browser.
 */
export const roomyEmail: fc.Arbitrary<Email> = anyEmail.map((e): Email => {
  const fits = (row: Pick<Row, 'cells'>, most: number): Cell[] =>
    row.cells.slice(0, most).map((c) => ({
      ...c,
      padding: { ...c.padding, left: c.padding.left % 7, right: c.padding.right % 7 },
      narrow: c.narrow && { ...c.narrow, padding: undefined },
      items: c.items.map((i) =>
        i.kind === 'row'
          ? { ...i, gap: i.gap % 9, cells: fits(i, 2) }
          : ({
              ...i,
              padding: { ...i.padding, left: i.padding.left % 7, right: i.padding.right % 7 },
              narrow: undefined,
            } as Tile),
      ),
    }))
  const even = (row: Pick<Row, 'cells'>): void =>
    row.cells.forEach((c) => {
      c.width = 100 + (c.width % 60)
      c.items.forEach((i) => i.kind === 'row' && even(i))
    })
  const bands = e.bands.map((b) => ({
    ...b,
    padding: { ...b.padding, left: b.padding.left % 16, right: b.padding.right % 16 },
    narrowPadding: undefined,
    gap: b.gap % 9,
    when: undefined,
    cells: fits(b, 3),
  }))
  bands.forEach(even)
  return stored({ ...e, width: [600, 520, 640, 600, 720, 900][e.width % 6]!, bands })
})

/** Documents without code of people's own, which may use anything. */
export const composed = (e: Email): Email => {
  const keep = (items: Cell['items']): Cell['items'] =>
    items.flatMap((i): (Tile | Row)[] =>
      i.kind === 'row'
        ? [{ ...i, cells: i.cells.map((c) => ({ ...c, items: keep(c.items) })) }]
        : i.kind === 'code' || i.kind === 'conditional'
          ? []
          : [i],
    )
  return {
    ...e,
    bands: e.bands.map((b) => ({ ...b, cells: b.cells.map((c) => ({ ...c, items: keep(c.items) })) })),
  }
}

/** A long email of ordinary bands. */
export function longEmail(bands: number): Email {
  return {
    version: EMAIL_VERSION,
    way: 'bands',
    title: '',
    subject: '',
    preheader: '',
    styles: {},
    lang: 'en',
    dir: 'ltr',
    width: 600,
    bands: Array.from({ length: bands }, (_, i): Band => ({
      id: `b${i}`,
      name: `Band ${i}`,
      role: 'main',
      background: '#ffffff',
      padding: { top: 24, right: 32, bottom: 24, left: 32 },
      gap: 20,
      narrow: 'stack',
      show: 'all',
      cells: [0, 1].map((k): Cell => ({
        id: `c${i}-${k}`,
        width: 258,
        padding: { top: 0, right: 0, bottom: 0, left: 0 },
        align: 'left',
        valign: 'top',
        items: [
          {
            id: `p${i}-${k}`,
            kind: 'picture',
            padding: { top: 0, right: 0, bottom: 12, left: 0 },
            show: 'all',
            picture: { id: 'a'.repeat(64), type: 'image/jpeg', width: 516, height: 300, bytes: 20000 },
            alt: 'A hill at dusk',
            link: `https://hill.example/${i}`,
            width: 258,
            align: 'left',
          },
          {
            id: `w${i}-${k}`,
            kind: 'words',
            padding: { top: 0, right: 0, bottom: 0, left: 0 },
            show: 'all',
            align: 'left',
            text: {
              type: 'doc',
              content: [
                {
                  type: 'heading',
                  attrs: { level: i || k ? 2 : 1, textAlign: null },
                  content: [{ type: 'text', text: `Walk number ${i}` }],
                },
                {
                  type: 'paragraph',
                  content: [
                    {
                      type: 'text',
                      text: 'Forty minutes from the chapel gate, by the marked stones. No lamps are needed after the stile, ',
                    },
                    {
                      type: 'text',
                      text: 'the map',
                      marks: [{ type: 'link', attrs: { href: 'https://hill.example/map' } }],
                    },
                    { type: 'text', text: ' shows where.' },
                  ],
                },
              ],
            },
          },
          {
            id: `u${i}-${k}`,
            kind: 'button',
            padding: { top: 12, right: 0, bottom: 0, left: 0 },
            show: 'all',
            label: 'Walk with us',
            link: 'https://hill.example/go',
            align: 'left',
            fullNarrow: true,
          },
        ],
      })),
    })),
  }
}

export const house = plainHouseStyle()
