import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { picture, tileOf } from '@/test-support/tiles'
import { newEmail } from '../email/defaults'
import type { Band, Cell, Email } from '../email/schema'
import { plainHouseStyle, sides } from '../email/styles'
import { bandByBand, compile } from '.'

/* Exact output of small emails, and the widths of their columns, figure by figure. */

const cell = (id: string, width: number, more: Partial<Cell> = {}): Cell => ({
  id,
  width,
  padding: sides(0),
  align: 'left',
  valign: 'top',
  items: [{ ...tileOf('gap', { height: 10 }), id: `g${id}` }],
  ...more,
})
const band = (id: string, more: Partial<Band> = {}): Band => ({
  id,
  name: id,
  role: 'main',
  padding: sides(10, 20),
  gap: 12,
  narrow: 'stack',
  show: 'all',
  cells: [cell(`${id}a`, 3), cell(`${id}b`, 1, { background: '#eeeeee', valign: 'middle' })],
  ...more,
})
const emailOf = (...bands: Band[]): Email => ({
  ...newEmail(600),
  title: 'T',
  preheader: 'P',
  subject: 'S',
  bands,
})
const html = (email: Email, more: Partial<Parameters<typeof compile>[2]> = {}) =>
  compile(email, plainHouseStyle(), { src: (p) => `${p.id.slice(0, 3)}.png`, ...more })
/** All of one pattern's first groups. */
const all = (text: string, pattern: RegExp) => [...text.matchAll(pattern)].map((m) => m[1])

const three = emailOf(
  band('one'),
  band('two', {
    narrow: 'keep',
    bleed: '#abcdef',
    background: '#ffffff',
    card: { radius: 9, around: sides(4, 6), edge: { width: 1, style: 'solid', color: '#cccccc' } },
  }),
  band('three', {
    cells: [cell('x', 100, { padding: sides(5) })],
    narrowPadding: sides(1, 2),
    show: 'wide',
    when: { field: 'city', test: 'is', value: 'Tarn' },
    picture: { picture, across: 'email', fit: 'cover', x: 'center', y: 'top' },
  }),
)

// Looked over line by line when it was written down: columns that stack, a card whose columns stay, a picture behind.
test.each(['both', 'inline', 'head'] as const)('three bands, styles in %s, to the character', (styles) => {
  const file = join(import.meta.dirname, '../../test-support/fixtures', `three-bands-${styles}.html`)
  expect(html(three, { styles })).toBe(readFileSync(file, 'utf8'))
})

test('compact it is the same document', () => {
  const plain = (s: string) => s.replace(/\s+/g, '')
  const compact = html(three, { print: 'compact' })
  expect(compact.length).toBeLessThan(0.85 * html(three).length)
  // But that comments for the Word engine which follow each other are one.
  expect(plain(compact)).toBe(plain(html(three)).replace(/<!\[endif\]--><!--\[ifmso\]>/g, ''))
})

// 600 px less 20 on each side and gaps of 12; shares of the rest by the widths that cells ask for.
test.each<[string, number[], number[]]>([
  ['halves', [1, 1], [274, 274]],
  ['three to one', [3, 1], [411, 137]],
  ['five', [1, 1, 1, 1, 1], [102.4, 102.4, 102.4, 102.4, 102.4]],
])('columns of %s', (_, asked, widths) => {
  const email = emailOf(band('b', { cells: asked.map((w, i) => cell(`c${i}`, w)) }))
  const out = html(email)
  const shown = all(out, /class="stack"[^>]*max-width:([\d.]+)px/g)
  expect(shown.map(Number)).toEqual(widths)
  // The Word engine is told the same, and the gaps between.
  expect(all(out, /<td width="([\d.]+)" valign/g).map(Number)).toEqual(widths)
  expect(all(out, /<td width="(12)"><!\[endif\]-->\s*<div class="gap12"/g)).toHaveLength(asked.length - 1)
})

test('one cell has all of the width, whatever it asks for, and needs no columns', () => {
  const wide = { ...tileOf('picture', { picture, alt: 'A hill' }), id: 'p' }
  for (const asked of [7, 600]) {
    const out = html(emailOf(band('b', { cells: [cell('c', asked, { items: [wide] })] })))
    expect(all(out, /<img [^>]*width="([\d.]+)"/g)).toEqual(['560'])
    expect(out).not.toContain('class="stack"')
  }
})

test('what stacks, what stays, and what turns round', () => {
  const of = (narrow: Band['narrow'], more: Partial<Band> = {}) =>
    html(emailOf(band('b', { narrow, ...more })))
  expect(of('stack')).toContain('.stack{max-width:100%!important}')
  expect(of('stack')).toContain(
    // Columns beneath each other are parted by 16 px at least.
    '.gap12{display:block!important;width:100%!important;height:16px!important}',
  )
  // One that keeps its width is not told to fill it; its own greatest width holds it.
  const own = of('stack', { cells: [{ ...cell('ba', 3), narrow: { keepsWidth: true } }, cell('bb', 1)] })
  expect(all(own, /class="stack"[^>]*max-width:([\d.]+)px/g)).toEqual(['137'])
  expect(all(own, /max-width:(\d+)px/g)).toContain('411')
  // 411, 12 and 137 of 560.
  const kept = of('keep')
  expect(kept).not.toMatch(/stack|gap12/)
  expect(all(kept, /<td width="([\d.]+%)"/g)).toEqual(['73.39%', '2.14%', '24.46%'])
  // The source has the order of wide; the lines of a flex row follow each other upwards where there is no room for both.
  const reversed = of('reverse', { cells: [cell('ba', 3), cell('bb', 1)] })
  expect(all(reversed, /class="stack"[^>]*max-width:([\d.]+)px/g)).toEqual(['411', '137'])
  expect(reversed).toContain(
    '<div style="display:flex;flex-wrap:wrap-reverse;justify-content:center;align-items:flex-end">',
  )
  // Some readers take the direction from a `div`, and columns changed places.
  expect(reversed).not.toMatch(/class="stack"[^>]* dir=|<div dir=/)
})

test('night, wide and narrow: each rule once, under its condition', () => {
  const email = emailOf(
    band('b', {
      nightBackground: '#101010',
      nightBleed: '#202020',
      show: 'narrow',
      narrowPadding: sides(3, 4),
      cells: [
        cell('ba', 1, { nightBackground: '#303030', narrow: { place: 2, padding: sides(7) } }),
        cell('bb', 1, { narrow: { place: 1 } }),
      ],
    }),
  )
  const out = html(email)
  const within = (query: string) => {
    const from = out.indexOf(`@media ${query}{`)
    return out.slice(from, out.indexOf('\n    }', from))
  }
  for (const rule of [
    'p3-4-3-4',
    'p7-7-7-7',
    'place2{order:2!',
    'place3{order:3!',
    'place4{order:4!',
    'ordered{display:flex',
    'show-table{display:table',
  ])
    expect(within('(max-width:480px)')).toContain(`.${rule}`)
  for (const color of ['101010', '202020', '303030']) {
    expect(within('(prefers-color-scheme:dark)')).toContain(
      `.n-ground-${color}{background-color:#${color}!important}`,
    )
    expect(out).toContain(`[data-ogsb] .n-ground-${color}{`)
    expect(out).not.toContain(`[data-ogsc] .n-ground-${color}{`)
  }
})

test('a picture that repeats, or lies where it is put, is said to both kinds of reader', () => {
  const behind = (more: object) =>
    html(
      emailOf(
        band('p', {
          background: '#123456',
          picture: { picture, across: 'email', fit: 'cover', x: 'center', y: 'top', ...more },
        }),
      ),
      { src: () => "a b's(1).png" },
    )
  const covering = behind({})
  // Quotes, brackets and spaces would end the address (CSS Values 4, 4.5.1).
  expect(covering).toContain(
    "background-image:url('a%20b%27s%281%29.png');background-position:center top;background-repeat:no-repeat;background-size:cover",
  )
  expect(covering).toContain('<v:fill type="frame" aspect="atleast" origin="0.5,0" position="0.5,0" src=')
  const tiled = behind({ fit: 'repeat', x: 'left' })
  expect(tiled).toContain('background-position:left top;background-repeat:repeat"')
  expect(tiled).toContain('<v:fill type="tile" src=')
  const once = behind({ fit: 'none', x: 'right', y: 'bottom' })
  expect(once).toContain('background-position:right bottom;background-repeat:no-repeat"')
  expect(once).toContain('<v:fill type="frame" origin="1,1" position="1,1" src=')
})

test('a cell of its own look has it inside its width: ground, edge, corners, and those of the night', () => {
  const edge = { width: 2, style: 'solid', color: '#cccccc' } as const
  const framed = cell('f', 1, {
    background: '#eeeeee',
    radius: 7,
    edges: { top: edge, left: { ...edge, nightColor: '#777777' } },
  })
  const text = html(emailOf(band('e', { cells: [framed, cell('g', 1)] })))
  expect(text).toContain('border-radius:7px;overflow:hidden')
  expect(text).toContain('class="n-edge-777777"')
  expect(text).toContain(
    '<table role="presentation" cellpadding="0" cellspacing="0" width="100%" style="height:100%;border-collapse:separate">',
  )
  expect(html(emailOf(band('e', { cells: [cell('f', 1), cell('g', 1)] })))).not.toContain('border-radius')
})

test('columns of one height that turn round on narrow are as high as each other on wide', () => {
  expect(html(emailOf(band('r', { narrow: 'reverse' })))).toMatch(
    /<div class="even" style="display:flex;flex-wrap:wrap-reverse;justify-content:center;align-items:stretch">/,
  )
})

test('a band for narrow alone is left out where no sheet can hide it on wide', () => {
  const email = emailOf(band('one'), band('two', { show: 'narrow' }))
  const ids = (styles: 'both' | 'inline' | 'head') =>
    all(html(email, { styles, marks: true, apart: true }), /data-m="(one|two)"/g)
  expect(ids('both')).toEqual(['one', 'two'])
  expect(ids('head')).toEqual(['one', 'two'])
  expect(ids('inline')).toEqual(['one'])
})

test('one band may be written in several forms, each its own', () => {
  const email = emailOf(band('one'))
  const forms = [{}, { styles: 'inline' }, { print: 'compact' }, { marks: true, apart: true }] as const
  const once = forms.map((f) => html(email, f))
  expect(new Set(once).size).toBe(4)
  expect(forms.map((f) => html(email, f))).toEqual(once)
})

test('an only cell without a look of its own adds nothing: its space and that of its band stand in its rows', () => {
  const two = [
    tileOf('gap', { height: 3, id: 'a' }),
    tileOf('gap', { height: 4, id: 'b', padding: sides(1) }),
  ]
  const of = (more: Partial<Cell>) =>
    html(emailOf(band('s', { narrowPadding: sides(2), cells: [cell('t', 1, { items: two, ...more })] })))
  const bare = of({ padding: sides(5, 6) })
  expect(all(bare, /<td( class="[^"]*")? style="(padding:[^;]*)/g)).toHaveLength(2)
  // 10 and 20 of the band, 5 and 6 of the cell, 1 of the second tile; on narrow 2 in place of the band's.
  expect(bare).toContain('<td class="p7-8-0-8" style="padding:15px 26px 0;')
  expect(bare).toContain('<td class="p1-9-8-9" style="padding:1px 27px 16px;')
  // One with a ground needs a table of its own; so does one whose first tile is not on both widths.
  expect(all(bare, /(<table)/g)).toHaveLength(2)
  expect(all(of({ background: '#eeeeee' }), /(<table)/g)).toHaveLength(4)
  expect(all(of({ items: [{ ...two[0]!, show: 'wide' }, two[1]!] }), /(<table)/g)).toHaveLength(3)
})

test('neighbours of one ground share a wrapper; one for a width, of a language or under a condition has its own', () => {
  const wrappers = (...more: Partial<Band>[]) =>
    all(html(emailOf(...more.map((m, i) => band(`n${i}`, m)))), /(<div style="max-width:600px)/g).length
  expect(wrappers({}, {}, {})).toBe(1)
  expect(wrappers({}, { background: '#eeeeee' }, {})).toBe(3)
  expect(wrappers({ background: '#eeeeee' }, { background: '#eeeeee' })).toBe(1)
  expect(wrappers({}, { nightBackground: '#111111' })).toBe(2)
  expect(wrappers({}, { lang: 'de' }, {})).toBe(3)
  expect(wrappers({}, { bleed: '#123456' }, {})).toBe(3)
  expect(wrappers({}, { when: { field: 'city', test: 'is', value: 'Tarn' } }, {})).toBe(3)
  expect(
    all(html(emailOf(band('a'), band('b')), { apart: true }), /(<div style="max-width:600px)/g),
  ).toHaveLength(2)
})

test('a preheader is hidden from the Word engine too; without one there is no rule for it', () => {
  expect(html(emailOf())).toContain('.preheader{mso-hide:all}')
  for (const preheader of ['', '  ']) expect(html({ ...emailOf(), preheader })).not.toContain('mso-hide:all')
  expect(html({ ...emailOf(), title: '', subject: '' })).toContain('aria-label="Email"')
})

test('a ground of the night is given to the body and to what holds the bands, where there is a sheet', () => {
  const night = (styles: 'both' | 'inline') =>
    html({ ...emailOf(band('one')), styles: { nightGround: '#101010' } }, { styles })
  expect(all(night('both'), /<(body|div) class="(?:body )?night"/g)).toEqual(['body', 'div'])
  expect(night('both')).toContain('[data-ogsb] .night{background-color:#101010!important}')
  expect(night('inline')).not.toContain('night')
})

test('a picture behind the email: in the style, for readers of the attribute, and for the Word engine; the night takes it away', () => {
  const behind = { picture, fit: 'repeat' as const, x: 'center' as const, y: 'top' as const }
  const made = html({ ...emailOf(band('one')), behind, styles: { nightGround: '#101010' } })
  const address = /<body [^>]*background="([^"]+)"/.exec(made)![1]!
  expect(made).toContain(
    `background-image:url('${address}');background-position:center top;background-repeat:repeat`,
  )
  // The element and its place are those of VML (Microsoft's reference, from memory); it only tiles.
  expect(made).toMatch(
    new RegExp(
      `<!--\\[if mso\\]><v:background xmlns:v="urn:schemas-microsoft-com:vml" fill="t"><v:fill type="tile" src="${address}"`,
    ),
  )
  expect(made).toContain(
    '[data-ogsb] .night{background-color:#101010!important;background-image:none!important}',
  )
  expect(html(emailOf(band('one')))).not.toMatch(/v:background|background-image/)
})

test('an email without colours for the night asks to be left as it is; with any of them it offers both', () => {
  const scheme = (email: Email, more = {}) => {
    const text = html(email, more)
    const said = [
      ...all(text, /<meta name="(?:supported-)?color-schemes?" content="([^"]+)">/g),
      ...all(text, /:root\{color-scheme:([^}]+)\}/g),
    ]
    expect(new Set(said).size).toBe(1)
    return said[0]
  }
  const plain = emailOf(band('one'))
  const tile = (more: object) =>
    emailOf(
      band('one', {
        cells: [cell('a', 1, { items: [{ ...tileOf('picture', { picture, ...more }), id: 'p' }] })],
      }),
    )
  expect(scheme(plain)).toBe('light only')
  expect(scheme({ ...plain, styles: { nightGround: '#101010' } })).toBe('light dark')
  expect(scheme(emailOf(band('one', { nightBackground: '#101010' })))).toBe('light dark')
  expect(scheme(tile({}))).toBe('light only')
  expect(scheme(tile({ nightPicture: picture }))).toBe('light dark')
  // Without a sheet nothing of the night is left.
  expect(scheme({ ...plain, styles: { nightGround: '#101010' } }, { styles: 'inline' })).toBe('light only')
})

test('a preheader is hidden by neither tiny letters nor ink of the colour of its ground', () => {
  expect(html(emailOf())).toContain(
    '<div class="preheader" style="display:none;max-height:0;overflow:hidden">P',
  )
})

test('compiled band by band, each step is one band, and the whole is the same afterwards', () => {
  const house = plainHouseStyle()
  const email = emailOf(band('one'), band('two'), band('three'))
  const src = (p: { id: string }) => p.id
  const steps = [...bandByBand(email, house, { src, print: 'compact' })]
  // Once for its tree, once for its text.
  expect(steps).toHaveLength(6)
  expect(compile(email, house, { src, print: 'compact' })).toBe(
    compile(structuredClone(email), house, { src, print: 'compact' }),
  )
  expect([...bandByBand({ ...email, way: 'plain', plain: 'x' }, house, { src })]).toEqual([])
})
