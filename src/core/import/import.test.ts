import { ownSpace } from '../email/richtext'
import { colorOf, paddingOf, pxOf } from '../html/values'
import { fontOf } from '../email/safe-fonts'
import { emailSchema } from '../tiles/document'
import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { anyEmail, house, longEmail } from '@/test-support/emails'
import { byHandHtml } from '../compile/by-hand'
import { compile } from '../compile'
import { compileText } from '../compile/text'
import { plainOfHtml } from '../html/plain'
import { type Band, type Cell, type Email, type Item } from '../email/schema'
import { newEmail } from '../email/defaults'
import { sides } from '../email/styles'
import { placesOf, tilesOf } from '../email/walk'
import { asWritten } from '../text/fields'
import { fromHtml } from 'hast-util-from-html'
import { elementsOf } from '../html/elements'
import { goods, letter as ourLetter, referenceHouse, referenceSrc, stories } from '@/test-support/references'
import { sourcePictures, sources } from '@/test-support/sources'
import { bandsFromHtml } from './bands'
import { leftOut } from './left-out'
import { longhands } from './legacy'

const ref = { id: 'a'.repeat(64), type: 'image/png' as const, width: 1200, height: 600, bytes: 9 }
const read = (html: string, pictures = {}) => {
  let n = 0
  return bandsFromHtml(html, pictures, () => `i${n++}`)
}
const kinds = (cell: Cell) => cell.items.map((i) => i.kind)
const page = (body: string, head = '') =>
  `<!DOCTYPE html><html lang="de" dir="ltr"><head><title>Brief</title>${head}</head><body style="margin:0">${body}</body></html>`
const asEmail = (b: ReturnType<typeof bandsFromHtml>): Email =>
  ({ ...newEmail(b.width), ...b, notes: undefined }) as unknown as Email
/** Words without spaces, since white space between blocks may differ. */
const words = (html: string) => plainOfHtml(html, () => '').replace(/[\s=-]+/g, '')

// A newsletter as such are written everywhere: nested tables of 600 px, a hero, columns, a button in a cell
// (common practice, no source).
const letter = page(
  `
  <div style="display:none;max-height:0">What the week brings &#847; &zwnj; &nbsp;</div>
  <table width="100%" cellpadding="0" cellspacing="0" bgcolor="#eeeeee"><tr><td align="center">
    <table width="600" cellpadding="0" cellspacing="0" style="background-color:#ffffff">
      <tr><td><a href="https://hill.example/"><img src="images/hero.png" width="600" alt="A hill" style="display:block"></a></td></tr>
      <tr><td style="padding:24px 32px;font-family:Georgia,serif;font-size:17px;line-height:26px;color:#3b4050"><h1 style="font-size:28px;margin:0">Up the hill</h1><p>Bring a <b>coat</b> and <a href="https://hill.example/flask" style="color:#aa3311">a flask</a>.</p><ul><li>One</li><li>Two</li></ul></td></tr>
      <tr><td align="center" style="padding:12px"><table cellpadding="0"><tr><td bgcolor="#b4572f" style="border-radius:4px;padding:12px 24px"><a href="https://hill.example/go" style="color:#ffffff;font-size:16px;font-weight:bold;text-decoration:none">Keep a place</a></td></tr></table></td></tr>
      <tr><td height="30" style="font-size:0;line-height:0">&nbsp;</td></tr>
      <tr><td width="300" valign="top" style="background-color:#faf5ea;padding:8px"><p>Left</p></td><td width="300" valign="middle"><p>Right</p></td></tr>
      <tr><td><marquee>Old things</marquee></td></tr>
      <tr><td style="font-size:12px;color:#888888">Chapel Lane 9. <a href="[[unsubscribe]]">Leave</a></td></tr>
    </table>
  </td></tr></table>`,
  '<style>p{margin:0 0 10px} @media (max-width:480px){.x{color:red}}</style>',
)

test('tables become bands and cells, plain content becomes tiles, the rest code', () => {
  const { bands, width, lang, title, preheader, notes } = read(letter, { 'images/hero.png': ref })
  expect([width, lang, title, preheader]).toEqual([600, 'de', 'Brief', 'What the week brings'])
  expect(bands.map((b) => b.cells.map(kinds))).toEqual([
    [['picture']],
    [['words']],
    [['button']],
    [['gap']],
    [['words'], ['words']],
    [['code']],
    [['words']],
  ])
  expect(bands.map((b) => b.background)).toEqual(Array(7).fill('#ffffff'))
  expect(bands[0]!.cells[0]!.items[0]).toMatchObject({
    picture: ref,
    alt: 'A hill',
    link: 'https://hill.example/',
    width: 600,
  })
  const [said] = bands[1]!.cells[0]!.items as [Item]
  expect(bands[1]!.padding).toEqual({ top: 24, right: 32, bottom: 24, left: 32 })
  expect(said).toMatchObject({
    style: { font: 'serif', size: 17, line: 26, color: '#3b4050' },
    link: { color: '#aa3311' },
    headings: { size: 28, font: 'serif' },
  })
  // Neither the heading nor what follows has a margin there; the rest is what a tile of words has.
  expect(said.kind === 'words' && said.text.content.map((b) => [b.type, ownSpace(b)])).toEqual([
    ['heading', 0],
    ['paragraph', undefined],
    ['bulletList', undefined],
  ])
  expect(bands[2]!.cells[0]!.items[0]).toMatchObject({
    label: 'Keep a place',
    link: 'https://hill.example/go',
    style: { background: '#b4572f', color: '#ffffff', radius: 4, padX: 24, padY: 12, bold: true },
    align: 'center',
  })
  expect(bands[3]!.cells[0]!.items[0]).toMatchObject({ height: 30 })
  expect(bands[4]!.cells.map((c) => [c.width, c.background, c.valign])).toEqual([
    [300, '#faf5ea', 'top'],
    [300, undefined, 'middle'],
  ])
  expect(notes.join(' ')).toContain('One part')
  emailSchema.parse(JSON.parse(JSON.stringify(asEmail(read(letter, { 'images/hero.png': ref })))))
})

test('words that are set alike are one tile with the spaces between them; others are tiles of their own', () => {
  const html = page(
    '<table width="600"><tr><td><h2 style="margin:0 0 30px">Head</h2><p style="margin:0 0 40px">One</p><p style="margin:0">Two</p><p style="margin:9px 0 0;font-size:12px">Small</p></td></tr></table>',
  )
  const [band] = read(html).bands
  const tiles = band!.cells[0]!.items as Item[]
  expect(tiles.map((t) => t.kind === 'words' && t.text.content.map(ownSpace))).toEqual([
    [30, 40, undefined],
    [undefined],
  ])
  expect(tiles[1]).toMatchObject({ padding: { top: 9 }, style: { size: 12 } })
})

test('a table of data inside does not make the tables around it data; its pictures come along; the preheader may stand deeper', () => {
  const html = page(
    '<center><div style="display:none">First line</div><table width="640"><tr><td><p>One</p></td></tr><tr><td style="padding:0 40px"><table border="1"><tr><th>From</th></tr><tr><td><img src="i.png" alt="x">Tarn</td></tr></table></td></tr><tr><td><table width="100%"><tr><td width="50%"><p>L</p></td><td width="50%"><p>R</p></td></tr></table></td></tr></table></center>',
  )
  const back = read(html, { 'i.png': ref })
  expect(back.preheader).toBe('First line')
  expect(back.bands.map((b) => b.cells.map(kinds))).toEqual([[['words']], [['code']], [['words'], ['words']]])
  expect(back.bands[1]!.cells[0]!.items[0]).toMatchObject({ kind: 'code', pictures: { 'i.png': ref } })
  expect(compile(asEmail(back), house, { src: () => 'cid:1' })).toContain('<img src="cid:1" alt="x"')
})

test('a cell of another ground within the ground of its table keeps it, so that light words are read on dark', () => {
  const back = read(
    '<html><body bgcolor="#e8eef2"><table width="600" cellpadding="24" bgcolor="#ffffff"><tr><td><p>Light</p></td></tr><tr><td bgcolor="#12344d"><p style="color:#fff">Dark</p></td></tr></table></body></html>',
  )
  expect(back.bands.map((b) => b.cells[0]!.background)).toEqual(['#ffffff', '#12344d'])
})

test('a button keeps the margin of its paragraph; a heading keeps its size on phones, whatever the house says of its own', () => {
  const html = page(
    '<table width="600"><tr><td><h1 style="font-size:30px;line-height:36px;margin:0">Head</h1><p style="margin:24px 0 9px"><a href="https://a.example/" style="display:inline-block;background:#c8553d;color:#ffffff;padding:13px 26px">Go</a></p><p style="margin:0">After</p></td></tr></table>',
  )
  const back = read(html)
  const [words, button, after] = back.bands[0]!.cells[0]!.items
  expect(words).toMatchObject({ headings: { size: 30, narrowSize: 30, narrowLine: 36 } })
  expect(button).toMatchObject({ kind: 'button', padding: { top: 24 } })
  expect(after).toMatchObject({ kind: 'words', padding: { top: 9 } })
  const heading1 = { ...house.text.heading1, size: 56, narrowSize: 40, narrowLine: 44 }
  const large = { ...house, text: { ...house.text, heading1 } }
  expect(compile(asEmail(back), large, { src: () => '' })).not.toMatch(/font-size:40px/)
})

test('a table of plain data is a table tile with its looks; one that a tile cannot say stays markup', () => {
  const table = (rows: string, attrs = 'width="100%"') =>
    read(
      page(
        `<table width="600"><tr><td style="font:14px/20px Arial;color:#222222"><table ${attrs} cellpadding="8" cellspacing="0"><caption>Fares</caption>${rows}</table></td></tr></table>`,
      ),
    ).bands[0]!.cells[0]!.items[0]
  const head =
    '<tr style="background:#102030"><th align="left" style="color:#ffffff">To</th><th align="right" style="color:#ffffff">Fare</th></tr>'
  const row = (a: string, b: string, ground = '') =>
    `<tr${ground && ` style="background-color:${ground}"`}><td style="border-bottom:1px solid #cccccc">${a}</td><td align="right" style="border-bottom:1px solid #cccccc"><b>${b}</b></td></tr>`
  const plain = head.replaceAll('style="color', 'style="border-bottom:1px solid #cccccc;color')
  expect(table(plain + row('Tarn', '12') + row('Ulm', '9', '#eeeeee') + row('Vey', '30'))).toMatchObject({
    kind: 'table',
    caption: 'Fares',
    columns: [{ align: 'left' }, { align: 'right', bold: true }],
    rows: [
      ['To', 'Fare'],
      ['Tarn', '12'],
      ['Ulm', '9'],
      ['Vey', '30'],
    ],
    headRow: true,
    headColumn: false,
    headBackground: '#102030',
    headColor: '#ffffff',
    zebra: '#eeeeee',
    edge: { width: 1, color: '#cccccc', style: 'solid' },
    space: 8,
    style: { size: 14, line: 20, font: 'sans' },
  })
  const two = row('Tarn', '12') + row('Ulm', '9')
  expect(table(plain + two)).toMatchObject({ kind: 'table' })
  for (const odd of [
    plain + two.replace('Tarn', '<a href="https://a.example/">Tarn</a>'),
    plain + two.replace('<td', '<td rowspan="2"'),
    plain + two.replace('Tarn', 'Tarn<br>North'),
    plain + two.replace('<b>12</b>', '<i>12</i>'),
    plain.replace('align="left"', '') + two,
  ])
    expect(table(odd)).toMatchObject({ kind: 'code' })
  expect(table(plain + two, 'border="1" width="100%"')).toMatchObject({ kind: 'code' })
})

test('columns made of inline blocks are cells too', () => {
  const { bands } = read(
    page(
      '<div style="max-width:600px;margin:0 auto"><div style="display:inline-block;width:100%;max-width:290px"><p>One</p></div><div style="display:inline-block;width:100%;max-width:310px"><p>Two</p></div></div>',
    ),
  )
  expect(bands).toHaveLength(1)
  expect(bands[0]!.cells.map((c) => c.width)).toEqual([290, 310])
})

test('an inline block that no class can widen keeps its width on narrow; others fill it', () => {
  const column = (of: string) =>
    `<div ${of} style="display:inline-block;width:100%;max-width:260px"><p>A</p></div>`
  const { bands } = read(page(column('') + column('class="col"')))
  expect(bands[0]!.cells.map((c) => c.narrow)).toEqual([{ keepsWidth: true }, undefined])
})

test('small pictures in one line come in as marks, our own with their gap', () => {
  const small = { ...ref, width: 60, height: 60 }
  const marks = [1, 2, 3].map((n) => ({
    picture: small,
    alt: `Mark ${n}`,
    link: n < 3 ? `https://a.example/${n}` : '',
    width: 30,
  }))
  const own = {
    id: 't',
    kind: 'marks' as const,
    show: 'all' as const,
    padding: sides(0),
    marks,
    gap: 12,
    align: 'center' as const,
  }
  const [band] = longEmail(1).bands
  const [cell] = band!.cells
  const html = compile(
    { ...longEmail(1), bands: [{ ...band!, cells: [{ ...cell!, items: [own] }] }] },
    house,
    {
      src: () => 'p.png',
    },
  )
  const [back] = read(html, { 'p.png': small }).bands[0]!.cells[0]!.items
  expect(back).toMatchObject({ kind: 'marks', marks, gap: 12, align: 'center' })
  // A wide picture among them is none.
  const mixed = read(page('<p><img src="p.png" width="30"> <img src="p.png" width="300"></p>'), {
    'p.png': small,
  })
  expect(mixed.bands[0]!.cells[0]!.items.map((i) => i.kind)).not.toContain('marks')
})

test('a picture that is not at hand stays where it is, as markup, and is said', () => {
  const { bands, notes } = read(page('<p>a</p><img src="https://far.example/i.png" alt="far">'))
  expect(bands[0]!.cells.map(kinds)).toEqual([['words', 'code']])
  expect(notes.join()).toContain('outside the file')
})

test('no word of any compiled email is lost when it is read back', () => {
  fc.assert(
    fc.property(anyEmail, (email) => {
      const html = compile(
        { ...email, bands: email.bands.map((b) => ({ ...b, show: 'all' as const, when: undefined })) },
        house,
        { src: () => 'p.png' },
      )
      const back = read(html, { 'p.png': ref })
      const email2 = asEmail(back)
      emailSchema.parse(JSON.parse(JSON.stringify(email2)))
      const again = compile(email2, house, { src: () => 'p.png' })
      const bag = (s: string) => [...words(s)].sort().join('')
      expect(bag(again)).toBe(bag(html))
    }),
    { numRuns: samples(40) },
  )
})

test('our own long email comes back with as many bands, cells and tiles', () => {
  const back = read(compile(longEmail(4), house, { src: () => 'p.png' }), { 'p.png': ref })
  expect(back.bands.map((b: Band) => b.cells.map((c) => kinds(c)))).toEqual(
    Array(4).fill([
      ['picture', 'words', 'button'],
      ['picture', 'words', 'button'],
    ]),
  )
  expect([...placesOf(back)].map(({ tile }) => tile.kind)).not.toContain('code')
  expect([...tilesOf(back.bands[0]!)].find((t) => t.kind === 'button')).toMatchObject({
    label: 'Walk with us',
    link: 'https://hill.example/go',
  })
})

// Bad input of many kinds: whatever comes, there is an email or nothing, never an error.
test.each([
  '',
  'plain words',
  '<',
  '<table><tr><td>',
  '<p>a</td></p></table>',
  '<script>alert(1)</script>',
  `${'<div>'.repeat(400)}deep${'</div>'.repeat(400)}`,
  '<style>p{color:red',
  '<img src=x onerror=alert(1)>',
  '\u0000<b>zero</b>',
  '<frameset><frame src=x></frameset>',
])('odd HTML %#', (html) => {
  const email = asEmail(read(html))
  emailSchema.parse(JSON.parse(JSON.stringify(email)))
  expect(compile(email, house, { src: (p) => p.id })).not.toMatch(/<script|onerror/i)
})

test('by hand, an email leaves byte for byte as it came', () => {
  const odd = fc.oneof(
    fc.constant(letter),
    fc.constant(letter.replace(/\n/g, '\r\n')),
    fc.string({ unit: 'binary' }),
    fc.constantFrom(
      '<P CLASS=x>Old &nbsp; <BR/>',
      '<!--[if mso]><table><![endif]-->\t',
      "<a href='x' >y</a>",
    ),
  )
  fc.assert(
    fc.property(odd, (html) => {
      expect(byHandHtml({ html, pictures: { 'never.png': ref }, inline: false }, () => 'z', asWritten)).toBe(
        html,
      )
    }),
    { numRuns: samples(300) },
  )
  const email: Email = { ...newEmail(), way: 'hand', hand: { html: letter, pictures: {}, inline: false } }
  expect(compile(email, house, { src: (p) => p.id })).toBe(letter)
})

test('only the places of pictures and the fields change where that is asked', () => {
  const html =
    '<img src="images/a.png"><td background=\'images/a.png\' style="background:url(images/a.png)"><v:fill src="images/a.png" /><img src="images/b.png">[[name | you]]'
  const out = byHandHtml(
    { html, pictures: { 'images/a.png': ref }, inline: false },
    () => 'cid:1',
    ({ name }) => `{:${name}:}`,
  )
  expect(out).toBe(
    '<img src="cid:1"><td background="cid:1" style="background:url(\'cid:1\')"><v:fill src="cid:1" /><img src="images/b.png">{:name:}',
  )
})

test('its plain text is made from it, and its styles are written into its elements where that is asked', () => {
  const email: Email = {
    ...newEmail(),
    way: 'hand',
    hand: {
      html: '<html><head><style>p{color:#aa0000}</style></head><body><h1>One</h1><p>Two <a href="https://a.example">three</a></p></body></html>',
      pictures: {},
      inline: true,
    },
  }
  expect(compile(email, house, { src: (p) => p.id })).toContain('<p style="color:#aa0000">')
  expect(compileText(email)).toBe('One\n===\n\nTwo three <https://a.example>\n')
})

test('values of CSS are read (CSS Values and Units Level 3; CSS Color Level 4)', () => {
  expect(
    [
      '#ABC',
      '#a1b2c3',
      'rgb(1, 2,3)',
      'rgba(1,2,3,1)',
      'rgba(1,2,3,.5)',
      'white',
      'transparent',
      undefined,
    ].map(colorOf),
  ).toEqual(['#aabbcc', '#a1b2c3', '#010203', '#010203', undefined, '#ffffff', undefined, undefined])
  expect(['12px', '9pt', '2em', '50%', 'x'].map((v) => pxOf(v))).toEqual([12, 12, 32, undefined, undefined])
  expect(paddingOf({ padding: '1px 2px 3px', 'padding-left': '9px' })).toEqual({
    top: 1,
    right: 2,
    bottom: 3,
    left: 9,
  })
  expect(
    ['Arial, sans-serif', "'Unknown', Georgia, serif", 'Unknown, monospace', 'Unknown'].map(fontOf),
  ).toEqual(['sans', 'serif', 'mono', undefined])
})

test.each(sources())(
  'what a person sees of "$name" stands in the bands, in code, or is named',
  ({ html }) => {
    const { notes } = read(html, sourcePictures)
    // Of these, everything stands: words, pictures, links.
    expect(notes.filter((n) => n.startsWith('Left out'))).toEqual([])
  },
)

test('what is left out is named with its place', () => {
  const [body] = [
    ...elementsOf(fromHtml(page('<p>One two three</p><p>four <a href="https://a.example">five</a></p>'))),
  ].filter((e) => e.tagName === 'body')
  expect(leftOut(body!, [], {})).toEqual([
    'Left out at the beginning: "One two three four".',
    'Left out at the beginning: the link https://a.example.',
    'Left out at the beginning: "five".',
  ])
  const { bands } = read(page('<p>One two three</p>'))
  expect(leftOut(body!, bands, {})).toEqual([
    'Left out after "One two three": "four".',
    'Left out after "One two three": the link https://a.example.',
    'Left out after "One two three": "five".',
  ])
})

test('a word that is kept once excuses one place of it', () => {
  const [body] = [...elementsOf(fromHtml(page('<p>Bring warm clothes</p><p>warm warm soup</p>')))].filter(
    (e) => e.tagName === 'body',
  )
  const { bands } = read(page('<p>Bring warm clothes</p>'))
  expect(leftOut(body!, bands, {})).toEqual(['Left out after "Bring warm clothes": "warm warm soup".'])
})

test('our own emails come back with the same tiles, buttons and footers as they were', () => {
  for (const email of [ourLetter(), goods(), stories()]) {
    const pictures = Object.fromEntries(
      [...placesOf(email)].flatMap(({ tile }) =>
        tile.kind === 'picture' && tile.picture ? [[referenceSrc(tile.picture), tile.picture]] : [],
      ),
    )
    const html = compile(email, referenceHouse, { src: referenceSrc, print: 'compact' })
    const { notes, ...back } = read(html, pictures)
    expect(notes).toEqual([])
    const tiles = (e: Pick<Email, 'bands'>) =>
      [...placesOf(e)].map(({ tile }) =>
        tile.kind === 'button'
          ? [tile.kind, tile.label, tile.link, tile.align, tile.fullNarrow]
          : tile.kind === 'footer'
            ? [tile.kind, tile.why, tile.unsubscribe]
            : [tile.kind],
      )
    expect(tiles(back)).toEqual(tiles(email))
    const button = [...placesOf(back)].map((p) => p.tile).find((t) => t.kind === 'button')
    // White on blue, not white on white.
    if (button) expect(button.style).toMatchObject({ background: '#1f4f8a', color: '#ffffff', radius: 4 })
  }
})

// WHATWG HTML, 15.3: what old markup says by attributes and elements of its own.
test('old markup is read as the CSS that it stands for', () => {
  expect(longhands('italic bold 18px/27px Georgia, serif')).toBe(
    'font-weight:bold;font-style:italic;font-size:18px;line-height:27px;font-family:Georgia, serif',
  )
  expect(longhands('inherit')).toBe('')
  const { bands, styles } = read(
    page(
      '<table cellpadding="14"><tr><td><font face="Georgia" size="5" color="#7a2e12">Big</font></td></tr></table><img src="x/spacer.gif" width="1" height="22" alt=""><center><table width="400"><tr><td>plain</td></tr></table></center>',
    ).replace('<body style="margin:0">', '<body bgcolor="#abcdef" style="margin:0">'),
  )
  expect(styles).toEqual({ ground: '#abcdef' })
  expect(bands.map((b) => b.cells.map(kinds))).toEqual([[['words']], [['gap']], [['words']]])
  expect(bands[0]!.padding).toEqual({ top: 14, right: 14, bottom: 14, left: 14 })
  const said = bands.map((b) => b.cells[0]!.items[0]!)
  expect(said[0]).toMatchObject({ style: { font: 'serif', size: 24, color: '#7a2e12' } })
  expect(said[1]).toMatchObject({ height: 22 })
  // The table is in the middle; its words begin at the left.
  expect(said[2]).toMatchObject({ align: 'left' })
})

test('columns on a ground inside another stand in a cell with its space; one picture of two addresses is not missed', () => {
  const { bands, notes } = read(
    page(
      '<table width="100%" bgcolor="#eeeeee"><tr><td align="center" style="padding:24px 0"><table width="600" bgcolor="#ffffff"><tr><td style="padding:20px 26px"><table width="100%"><tr><td width="50%" bgcolor="#faf6ea" style="padding:10px">Jelly</td><td width="50%" style="padding:10px">Paste</td></tr></table></td></tr><tr><td><img src="./a.png" alt="One"><img src="a.png" alt="Two"></td></tr></table></td></tr></table>',
    ),
    { 'a.png': ref, './a.png': ref },
  )
  expect(notes.filter((n) => n.startsWith('Left out'))).toEqual([])
  const [cell] = bands[0]!.cells
  expect(cell).toMatchObject({ background: '#ffffff', padding: { top: 20, right: 26, bottom: 20, left: 26 } })
  expect(cell!.items).toMatchObject([
    {
      kind: 'row',
      cells: [{ background: '#faf6ea', padding: { top: 10, left: 10 } }, { padding: { top: 10 } }],
    },
  ])
  expect(bands[0]!.name).toBe('Jelly')
})

test('edges and round corners of boxes come in, by a ground or by edges alone, and what they hold stays in one piece', () => {
  const framed = { width: 2, style: 'solid', color: '#2b7a68' }
  const all = { top: framed, right: framed, bottom: framed, left: framed }
  const box = 'border:2px solid #2b7a68;border-radius:12px'
  const inSpace = (inner: string) =>
    read(
      page(
        `<table width="600"><tr><td style="padding:20px"><table width="560"><tr>${inner}</tr></table></td></tr></table>`,
      ),
    )
  // On a ground of its own, one stretch.
  const [ground] = inSpace(`<td bgcolor="#eef6f2" style="${box};padding:16px">On a ground</td>`).bands
  expect(ground!.cells[0]).toMatchObject({ background: '#eef6f2', radius: 12, edges: all })
  // By edges alone, with several things in it: one cell, framed once.
  const several = inSpace(
    `<td style="${box};padding:16px"><table width="100%"><tr><td>First</td></tr><tr><td style="padding-top:8px">Second</td></tr></table></td>`,
  )
  expect(several.notes).toEqual([])
  expect(several.bands).toHaveLength(1)
  const [row] = several.bands[0]!.cells[0]!.items
  expect(row).toMatchObject({ kind: 'row', cells: [{ radius: 12, edges: all }] })
  expect(JSON.stringify(row)).toMatch(/First.*Second/)
  // A row on a ground of its own keeps it: light words are not left on the light ground of the box.
  const headed = inSpace(
    `<td style="padding:0"><table width="100%" bgcolor="#ffffff" style="${box}"><tr><td bgcolor="#14323c" style="padding:20px;color:#ffffff">Head</td></tr><tr><td style="padding:20px">Body</td></tr></table></td>`,
  ).bands
  expect(headed.map((b) => b.cells[0]!.background)).toEqual(['#14323c', '#ffffff'])
  expect(headed.map((b) => Object.keys(b.cells[0]!.edges ?? {}).sort())).toEqual([
    ['left', 'right', 'top'],
    ['bottom', 'left', 'right'],
  ])
  // Columns keep theirs each.
  const columns = inSpace(`<td width="270" style="${box}">Left</td><td width="270">Right</td>`).bands[0]!
    .cells
  expect(columns.map((c) => [c.radius, !!c.edges])).toEqual([
    [12, true],
    [undefined, false],
  ])
  // A block of words.
  const words = read(
    page(`<div style="padding:10px"><p>Before</p><div style="${box};padding:9px">Boxed</div></div>`),
  )
  expect(JSON.stringify(words.bands)).toContain('"radius":12')
  expect(JSON.stringify(words.bands)).toMatch(/Before.*Boxed/)
})

describe('whatever is brought in can be kept', () => {
  const length = fc
    .tuple(
      fc.double({ min: -20, max: 4000, noNaN: true }),
      fc.constantFrom('px', 'pt', 'em', '%', '', 'rem', 'vw'),
    )
    .map(([n, unit]) => `${Math.round(n * 1e4) / 1e4}${unit}`)
  const style = fc
    .dictionary(
      fc.constantFrom(
        ...[
          'padding',
          'margin',
          'width',
          'height',
          'font-size',
          'line-height',
          'border-radius',
          'max-width',
          'gap',
        ],
        ...['padding-left', 'margin-top', 'letter-spacing', 'background-position'],
      ),
      length,
      { maxKeys: 4 },
    )
    .map((d) => Object.entries(d).map(([k, v]) => `${k}:${v}`))
  const looks = fc
    .tuple(
      style,
      fc.constantFrom(
        '',
        'display:flex',
        'display:inline-block',
        'display:block',
        'display:table-cell',
        'float:left',
      ),
      fc.constantFrom(
        '',
        'background:#dddddd',
        'border:1.5pt solid #333333',
        'border-top:0.5px dashed #999999',
      ),
    )
    .map(([own, display, ground]) => [...own, display, ground].filter(Boolean).join(';'))
  const { markup } = fc.letrec<{ markup: string }>((tie) => ({
    markup: fc.oneof(
      { depthSize: 'small', withCrossShrink: true },
      fc.constantFrom('Words', 'More <b>words</b>', '&nbsp;', '<br>', '<hr>'),
      fc.tuple(looks, length).map(([s, w]) => `<img src="a.png" width="${w}" height="${w}" style="${s}">`),
      looks.map((s) => `<a href="https://a.example" style="${s}">Press</a>`),
      fc
        .tuple(
          fc.constantFrom('div', 'p', 'h2', 'ul', 'center'),
          looks,
          fc.array(tie('markup'), { maxLength: 3 }),
        )
        .map(([t, s, c]) => `<${t} style="${s}">${c.join(t === 'ul' ? '</li><li>' : '')}</${t}>`),
      fc
        .tuple(looks, length, fc.array(fc.tuple(looks, tie('markup')), { minLength: 1, maxLength: 6 }))
        .map(
          ([s, w, cells]) =>
            `<table width="${w}" cellpadding="${w}" style="${s}"><tr>${cells.map(([c, m]) => `<td style="${c}" height="${w}">${m}</td>`).join('')}</tr></table>`,
        ),
    ),
  }))
  const dot = { id: 'a'.repeat(64), type: 'image/png' as const, width: 300, height: 200, bytes: 900 }
  test('by the schema of an email', () =>
    fc.assert(
      fc.property(fc.array(markup, { minLength: 1, maxLength: 5 }), (parts) => {
        const { notes: _, ...read } = bandsFromHtml(parts.join(''), { 'a.png': dot })
        expect(() => emailSchema.parse({ ...newEmail(600), ...read })).not.toThrow()
      }),
      { numRuns: samples(1500) },
    ))
})

describe('what other programs write', () => {
  const pictures = {
    'a.png': { id: 'a'.repeat(64), type: 'image/png' as const, width: 600, height: 300, bytes: 900 },
    'dot.gif': { id: 'd'.repeat(64), type: 'image/gif' as const, width: 1, height: 1, bytes: 43 },
  }
  const read = (body: string, more = '') =>
    bandsFromHtml(
      `<html><body style="margin:0"${more}><table width="600" align="center"><tr><td style="padding:20px;font:14px/20px Arial;color:#444444">${body}</td></tr></table></body></html>`,
      pictures,
    )
  const kinds = (r: ReturnType<typeof read>) =>
    r.bands.map((b) => b.cells.map((c) => c.items.map((i) => i.kind).join()))
  test('columns by flex and by table cells stand beside each other', () => {
    const two = (outer: string, inner: string) =>
      kinds(
        read(
          `<div style="${outer}"><div style="${inner}"><p>L</p></div><div style="${inner}"><p>R</p></div></div>`,
        ),
      )
    expect(two('display:flex;gap:20px', 'width:50%')).toEqual([['words', 'words']])
    expect(two('', 'display:table-cell;width:270px')).toEqual([['words', 'words']])
    expect(two('display:flex;flex-direction:column', '')).toEqual([['words'], ['words']])
  })
  test('a wide picture above words is a picture, and words that become code keep their letters', () => {
    expect(kinds(read('<img src="a.png" width="560"><br>Words beneath'))).toEqual([['picture,words']])
    const [code] = read('<img src="a.png" width="20"> Words beside').bands[0]!.cells[0]!.items
    expect((code as { html: string }).html).toMatch(/font-size:14px;line-height:20px;color:#444444/)
  })
  test('a dot drawn out keeps its height, not its width', () => {
    const [gap] = read('<img src="dot.gif" width="580" height="10"><p>x</p>').bands[0]!.cells[0]!.items
    expect(gap).toMatchObject({ kind: 'gap', height: 10 })
  })
  test('an image map keeps its links, and that is said', () => {
    const map = '<map name="m"><area shape="rect" coords="0,0,9,9" href="https://x.example/a"></map>'
    const { bands, notes } = read(`<img src="a.png" width="560" usemap="#m">${map}`)
    expect(JSON.stringify(bands)).toContain('https://x.example/a')
    expect(notes.join()).toContain('image map')
  })
  test('the direction may be said on the body or around everything', () => {
    expect(read('<p>x</p>', ' dir="rtl"').dir).toBe('rtl')
    expect(bandsFromHtml('<div dir="rtl"><table><tr><td>x</td></tr></table></div>').dir).toBe('rtl')
    expect(bandsFromHtml('<div><p dir="rtl">x</p><p>y</p></div>').dir).toBe('ltr')
  })
  test('two buttons of one line stand beside each other; one across its cell is as wide', () => {
    const button = (display: string) =>
      `<a href="https://a.example" style="display:${display};background:#123456;color:#ffffff;padding:12px 20px">Go</a>`
    const [row] = read(`${button('inline-block')} ${button('inline-block')}`).bands[0]!.cells[0]!.items
    expect(row).toMatchObject({
      kind: 'row',
      cells: [{ items: [{ kind: 'button' }] }, { items: [{ kind: 'button' }] }],
    })
    const [wide] = read(button('block')).bands[0]!.cells[0]!.items
    expect((wide as { style: { padX: number } }).style.padX).toBeGreaterThan(250)
  })
})
