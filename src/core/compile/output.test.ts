import { newTile } from '../tiles'
import type { RichText } from '../email/richtext'
import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { fromHtml } from 'hast-util-from-html'
import { parse } from 'parse5'
import { anyEmail, house, longEmail } from '@/test-support/emails'
import { applyEdit, type Edit } from '../email/edits'
import { plainHouseStyle, type HouseStyle } from '../email/styles'
import type { Band, Email } from '../email/schema'
import { placesOf } from '../email/walk'
import { conditionsFor } from '../email/conditions'
import { branchOf } from '../html/conditional'
import { compile, compileMapped, type CompileOptions } from './index'
import { elementsOf } from '../html/elements'
import { readSheet, readStyle } from '../html/stylesheet'

const src = (p: { id: string }) => `https://pictures.example/${p.id}.png`
const out = (e: Email, o: Partial<CompileOptions> = {}, h: HouseStyle = house) => compile(e, h, { src, ...o })
const edited = (...edits: Edit[]) => edits.reduce(applyEdit, longEmail(2))
const setTile = (id: string, set: Record<string, unknown>): Edit => ({ name: 'setTile', what: { id, set } })
const setBand = (set: Partial<Band>): Edit => ({ name: 'setBand', what: { id: 'b0', set } })
const sheetOf = (html: string) =>
  [...elementsOf(fromHtml(html))]
    .filter((e) => e.tagName === 'style')
    .map((e) => (e.children[0] as { value: string }).value)
    .join('\n')

test('no rule of the head is without an element, and no class without a rule', () => {
  fc.assert(
    fc.property(anyEmail, (email) => {
      const html = out(email)
      const used = new Set(
        [...elementsOf(fromHtml(html))].flatMap(
          (e) => (e.properties.className as string[] | undefined) ?? [],
        ),
      )
      const sheet = readSheet(sheetOf(html))
      const named = [...sheet.dynamics, ...sheet.statics].flatMap((r) =>
        [...r.selector.matchAll(/\.([A-Za-z_][\w-]*)/g)].map((m) => m[1]!),
      )
      for (const name of named) expect([...used]).toContain(name)
      // A scope names a piece of custom code; a third kind of rule is for the Word engine.
      const word = /<!--\[if mso\]><xml>[\s\S]*?<style>([\s\S]*?)<\/style>/.exec(html)![1]!
      for (const name of used)
        if (!name.startsWith('own-')) expect(named.includes(name) || word.includes(`.${name}{`)).toBe(true)
    }),
    { numRuns: samples(150) },
  )
})

test('no element declares a property twice, but for a better value that readers may not know', () => {
  fc.assert(
    fc.property(anyEmail, fc.constantFrom('both' as const, 'inline' as const), (email, styles) => {
      for (const e of elementsOf(fromHtml(out(email, { styles })))) {
        const declared = readStyle(String(e.properties.style ?? ''))
        const better = /\b(?:min|clamp)\(/
        const names = declared
          .filter((d, i) => !(better.test(d.value) && declared[i - 1]?.property === d.property))
          .map((d) => d.property)
        expect(names).toEqual([...new Set(names)])
      }
    }),
    { numRuns: samples(100) },
  )
})

test('without a style sheet there is none, and no class', () => {
  fc.assert(
    fc.property(anyEmail, (email) => {
      const html = out(email, { styles: 'inline' })
      expect(html).not.toMatch(/<style/)
      expect(
        [...elementsOf(fromHtml(html))].filter(
          (e) => e.properties.className && !String(e.properties.className).startsWith('own-'),
        ),
      ).toEqual([])
    }),
    { numRuns: samples(100) },
  )
})

test('compact it says the same in fewer bytes', () => {
  const words = (html: string) =>
    JSON.stringify(fromHtml(html), (k, v: unknown) =>
      k === 'position'
        ? undefined
        : k === 'value' && typeof v === 'string'
          ? v.replace(/\s+/g, ' ').trim()
          : v,
    )
      .replace(/\{"type":"text","value":""\},?/g, '')
      .replace(/,\]/g, ']')
  const [long, short] = [out(longEmail(5)), out(longEmail(5), { print: 'compact' })]
  expect(short.length).toBeLessThan(0.85 * long.length)
  // Comments for the Word engine that follow each other are one.
  expect(words(short)).toBe(words(long.replace(/<!\[endif\]-->\s*<!--\[if mso\]>/g, '')))
  // RFC 5322, 2.1.1: no line is longer, also where a paragraph is.
  const said = {
    type: 'doc',
    content: [{ type: 'paragraph', content: [{ type: 'text', text: 'word '.repeat(900) }] }],
  }
  const wordy = applyEdit(longEmail(1), {
    name: 'addTile',
    what: { cell: 'c0-0', at: 0, tile: { ...newTile('words', () => 'w'), text: said as RichText } },
  })
  for (const line of out(wordy, { print: 'compact' }).split('\n'))
    expect(Buffer.byteLength(line)).toBeLessThanOrEqual(998)
})

test('every line of the output knows its tile, and every tile its lines', () => {
  fc.assert(
    fc.property(anyEmail, fc.boolean(), (email, marks) => {
      const { html, places } = compileMapped(email, house, { src, marks })
      const lines = html.split('\n')
      const of = new Map(places().map((p) => [p.id, p]))
      // The parser tells where the marked elements of the same email stand.
      const marked = compileMapped(email, house, { src, marks: true }).html
      for (const e of elementsOf(fromHtml(marked, { verbose: true } as never))) {
        const id = e.properties.dataM as string | undefined
        if (!id) continue
        expect([id, of.get(id)]).toEqual([id, { id, from: e.position!.start.line, to: e.position!.end.line }])
      }
      const shown = [...placesOf(email)].filter(({ band }) => email.bands.includes(band))
      for (const { tile, band } of shown) {
        const p = of.get(tile.id)!
        const b = of.get(band.id)!
        expect(p.from >= b.from && p.to <= b.to && p.to <= lines.length).toBe(true)
      }
    }),
    { numRuns: samples(60) },
  )
})

test('a card has its edge, corners and the space around it', () => {
  const html = out(
    edited(
      setBand({
        card: {
          radius: 12,
          edge: { width: 2, style: 'solid', color: '#cccccc', nightColor: '#777777' },
          around: { top: 10, right: 20, bottom: 10, left: 20 },
        },
      }),
    ),
  )
  expect(html).toMatch(
    /<div class="n-edge-777777" style="max-width:556px;margin:0 auto;border:2px solid #cccccc;border-radius:12px;overflow:hidden;box-sizing:content-box">/,
  )
  expect(html).toContain('padding:10px 20px')
  expect(branchOf(html, 'word')).toContain('<td style="border:2px solid #cccccc">')
})

test('a picture behind a band has a colour to fall back to, and a VML box for the Word engine', () => {
  const picture = {
    picture: { id: 'b'.repeat(64), type: 'image/jpeg' as const, width: 1200, height: 600, bytes: 1 },
    across: 'email' as const,
    fit: 'cover' as const,
    x: 'center' as const,
    y: 'top' as const,
  }
  const html = out(edited(setBand({ picture, background: '#123456' })))
  expect(html).toContain(
    `background-image:url('https://pictures.example/${'b'.repeat(64)}.png');background-position:center top;background-repeat:no-repeat;background-size:cover`,
  )
  expect(html).toContain('bgcolor="#123456"')
  expect(branchOf(html, 'word')).toMatch(
    /<v:rect [^>]*style="width:600px;"><v:fill type="frame" aspect="atleast" [^>]*color="#123456"><\/v:fill><v:textbox inset="0,0,0,0"/,
  )
  expect(
    branchOf(out(edited(setBand({ picture: { ...picture, across: 'window', fit: 'repeat' } }))), 'word'),
  ).toMatch(/mso-width-percent:1000;"><v:fill type="tile"/)
})

test('colours of the night stand in the media query and beneath the two attributes of one webmail', () => {
  const html = out(
    edited(setBand({ nightBackground: '#101010' }), {
      name: 'setEmail',
      what: { styles: { nightGround: '#000000', text: { body: { nightColor: '#eeeeee' } } } },
    }),
  )
  expect(html).toMatch(
    /@media \(prefers-color-scheme:dark\)\{\s+\.n-ground-101010\{background-color:#101010!important\}[\s\S]*?\.n-ink-eeeeee\{color:#eeeeee!important\}/,
  )
  expect(html).toContain('[data-ogsb] .n-ground-101010{')
  expect(html).toContain('[data-ogsc] .n-ink-eeeeee{')
  expect(html).toContain('body,.night{background-color:#000000!important}')
})

test('web fonts are hidden from the Word engine and fall back to a safe stack', () => {
  const h: HouseStyle = {
    ...plainHouseStyle(),
    webFonts: [
      {
        family: 'Old Ferry',
        fallback: 'serif',
        files: [{ address: 'https://fonts.example/f.woff2', weight: 400, italic: false }],
      },
    ],
    text: { ...plainHouseStyle().text, body: { ...plainHouseStyle().text.body, font: 'Old Ferry' } },
  }
  const html = out(longEmail(1), {}, h)
  expect(branchOf(html, 'others')).toContain("@font-face{font-family:'Old Ferry'")
  // It is told what to show in its place, and no file.
  expect(branchOf(html, 'word')).toContain("@font-face{font-family:'Old Ferry';mso-font-alt:Georgia}")
  expect(branchOf(html, 'word')).not.toContain('fonts.example')
  expect(html).toContain("font-family:'Old Ferry', Georgia, 'Times New Roman', serif")
})

test('right to left: paddings, edges and columns are mirrored, languages are named (HTML, 3.2.6)', () => {
  const arabic = {
    ...edited(
      setTile('w0-0', {
        text: {
          type: 'doc',
          content: [{ type: 'paragraph', content: [{ type: 'text', text: 'مرحبا بكم في القطار الليلي' }] }],
        },
        padding: { top: 1, right: 2, bottom: 3, left: 4 },
      }),
      {
        name: 'setCell',
        what: { id: 'c0-0', set: { edges: { left: { width: 3, style: 'solid', color: '#000000' } } } },
      },
    ),
    dir: 'rtl' as const,
    lang: 'ar',
  }
  const html = out(arabic)
  expect(html).toContain('<html lang="ar" dir="rtl">')
  // The Word engine's own tables run that way too.
  const ghosts = [...html.matchAll(/<!--\[if mso\]>(<table [^>]*>)/g)].map((m) => m[1]!)
  expect(ghosts.length).toBeGreaterThan(2)
  for (const table of ghosts) expect(table).toContain('dir="rtl"')
  expect(html).toContain('padding:1px 4px 3px 2px')
  expect(html).toContain('border-right:3px solid #000000')
  // Said twice: some reader strips the direction.
  expect(html).toMatch(/text-align:right">\s*<p style="margin:0">مرحبا/)
  expect(html).toMatch(/<div role="article"[^>]*dir="rtl"/)
  const hebrew = out(edited(setBand({ lang: 'he', dir: 'rtl' }), setTile('w1-0', { lang: 'he', dir: 'rtl' })))
  expect(hebrew.match(/lang="he" dir="rtl"/g)).toHaveLength(2)
})

test('a conditional band: as written between its conditions, for one reader shown or left out', () => {
  const email = edited(setBand({ when: { field: 'city', test: 'is', value: 'Halden' } }))
  expect(out(email)).toMatch(
    /<!-- \[\[if city is "Halden"\]\] -->[\s\S]*Walk number 0[\s\S]*<!-- \[\[end\]\] -->[\s\S]*Walk number 1/,
  )
  expect(out(email, { conditions: conditionsFor({ city: ' halden' }) })).toContain('Walk number 0')
  expect(out(email, { conditions: conditionsFor({ city: 'Tarn' }) })).not.toContain('Walk number 0')
  expect(out(edited(setBand({ when: { field: 'city', test: 'is', value: '--><script>"' } })))).not.toContain(
    '<script>',
  )
})

test('other pictures for narrow and for night stand in a picture element, the first one inside', () => {
  const other = { id: 'c'.repeat(64), type: 'image/png', width: 750, height: 400, bytes: 1 }
  const html = out(
    edited(setTile('p0-0', { narrowPicture: other, nightPicture: { ...other, id: 'd'.repeat(64) } })),
  )
  expect(html).toMatch(
    /<picture>\s*<source srcset="[^"]*d{64}[^"]*" media="\(prefers-color-scheme:dark\)">\s*<source srcset="[^"]*c{64}[^"]*" media="\(max-width:480px\)">\s*<img src="[^"]*a{64}/,
  )
})

test('a table of data has header cells with their scope; as cards its cells are named', () => {
  const table = {
    id: 't',
    kind: 'table',
    padding: { top: 0, right: 0, bottom: 0, left: 0 },
    show: 'all',
    caption: 'Trains',
    columns: [{ align: 'left' }, { align: 'right' }],
    rows: [
      ['Train', 'Leaves'],
      ['Sleeper', '21:40'],
    ],
    headRow: true,
    headColumn: true,
    space: 6,
    compact: 'cards',
  } as const
  const html = out(
    applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile: table as never } }),
  )
  expect(html).toMatch(
    /<caption[^>]*>Trains<\/caption>[\s\S]*<th scope="col"[^>]*>Train<\/th>[\s\S]*<th scope="row"[^>]*>Sleeper<\/th>/,
  )
  expect(html).toMatch(/<span class="show-inline" style="display:none">Leaves: <\/span>21:40/)
})

test('rows of a table that stand out have their ground, ink and weight, by day and by night', () => {
  const table = {
    id: 't',
    kind: 'table',
    padding: { top: 0, right: 0, bottom: 0, left: 0 },
    show: 'all',
    caption: '',
    columns: [{ align: 'left' }, { align: 'right' }],
    rows: [
      ['Club', 'Points'],
      ['Harriers', '28'],
      ['Fleetwood', '26'],
    ],
    headRow: true,
    headColumn: false,
    rowLooks: [
      {
        row: 1,
        background: '#e4c100',
        color: '#111111',
        bold: true,
        nightBackground: '#5c4e00',
        nightColor: '#fff6cc',
      },
    ],
    space: 6,
    spaceBeside: 20,
    compact: 'whole',
  } as const
  const html = out(
    applyEdit(longEmail(1), { name: 'addTile', what: { cell: 'c0-0', at: 0, tile: table as never } }),
  )
  const cells = (said: string) => html.match(new RegExp(`<td[^>]*>${said}</td>`))![0]
  for (const said of ['Harriers', '28']) {
    expect(cells(said)).toContain('bgcolor="#e4c100"')
    expect(cells(said)).toContain('color:#111111')
    expect(cells(said)).toMatch(/font-weight:bold/)
  }
  expect(cells('Fleetwood')).not.toMatch(/e4c100|111111|bold/)
  expect(html).toMatch(
    /@media \(prefers-color-scheme: ?dark\)[\s\S]*#5c4e00[\s\S]*#fff6cc|#fff6cc[\s\S]*#5c4e00/,
  )
  // On a phone the whole table has its room for words.
  const name = /class="([^"]*)"[^>]*>Fleetwood/.exec(html)![1]!.split(' ')
  expect(name.some((n) => new RegExp(`\\.${n}\\{padding-left:6px!important`).test(html))).toBe(true)
})

test('share links are made from their pattern, percent-encoded (RFC 3986, 2.1)', () => {
  const icon = {
    picture: { id: 'e'.repeat(64), type: 'image/png', width: 64, height: 64, bytes: 1 },
    alt: 'Share',
    title: 'Night & day',
    link: 'https://share.example/?u={address}&t={title}',
    share: 'https://a.example/?x=1&y=[[id]]',
  }
  const email = applyEdit(longEmail(1), {
    name: 'addTile',
    what: {
      cell: 'c0-0',
      at: 0,
      tile: {
        id: 's',
        kind: 'social',
        padding: { top: 0, right: 0, bottom: 0, left: 0 },
        show: 'all',
        icons: [icon],
        size: 32,
        gap: 8,
        color: '#000000',
        shape: 'none',
        ground: '#ffffff',
        align: 'left',
      } as never,
    },
  })
  expect(out(email, { fields: ({ name }) => `{:${name}:}` })).toContain(
    'href="https://share.example/?u=https%3A%2F%2Fa.example%2F%3Fx%3D1%26y%3D{:id:}&#x26;t=Night%20%26%20day"'.replace(
      '&#x26;',
      '&amp;',
    ),
  )
})

test('what comes out of head-only styles is valid and has no style attribute', () => {
  const html = out(longEmail(3), { styles: 'head' })
  const errors: string[] = []
  parse(html, { onParseError: (e) => errors.push(e.code) })
  expect(errors).toEqual([])
  expect(branchOf(html, 'others')).not.toMatch(/ style="/)
})
