import fc from 'fast-check'
import type { Block, Inline, Mark, RichText } from '@/core/email/richtext'
import { EMAIL_VERSION, type Band, type Cell, type Email, type Row } from '@/core/email/schema'
import { plainHouseStyle } from '@/core/email/styles'
import type { Tile } from '@/core/tiles/schema'

/** Any email that the schema allows, for properties that must hold of all of them. */
const color = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`)
const said = fc.oneof(fc.string({ maxLength: 40 }), fc.constantFrom('A letter', 'Füchse & Gänse', '<b>"quoted"</b>', '[[given_name | friend]]', 'שלום', 'مرحبا', '1 < 2 -- 3', '\u00a0'))
const some = said.filter((s) => s.length > 0)
const href = fc.oneof(fc.constantFrom('https://a.example/x?y=1&z=2', 'mailto:a@b.example', 'www.a.example', '[[unsubscribe]]', 'javascript:alert(1)', 'https://a.example/[[id | none]]', ' https://a.example/ä b', ''), fc.webUrl())
const side = fc.integer({ min: 0, max: 40 })
const sides = fc.record({ top: side, right: side, bottom: side, left: side })
const show = fc.constantFrom('all' as const, 'all' as const, 'all' as const, 'wide' as const, 'narrow' as const)
const align = fc.constantFrom('left' as const, 'center' as const, 'right' as const)
let n = 0
const id = fc.constant(null).map(() => `g${n++}`)
const base = { id, padding: sides, show }

const mark: fc.Arbitrary<Mark> = fc.oneof(fc.constantFrom<Mark>({ type: 'bold' }, { type: 'italic' }, { type: 'underline' }, { type: 'strike' }), href.map((h): Mark => ({ type: 'link', attrs: { href: h } })), fc.record({ color, size: fc.integer({ min: 9, max: 60 }) }).map(({ color: c, size }): Mark => ({ type: 'textStyle', attrs: { color: c, fontSize: `${size}px` } })))
const inline: fc.Arbitrary<Inline> = fc.oneof({ weight: 5, arbitrary: fc.record({ text: some, marks: fc.uniqueArray(mark, { maxLength: 3, selector: (m) => m.type }) }).map(({ text, marks }): Inline => ({ type: 'text', text, marks })) }, { weight: 1, arbitrary: fc.constant<Inline>({ type: 'hardBreak' }) })
const content = fc.array(inline, { maxLength: 4 })
const paragraph = content.map((c): Block => ({ type: 'paragraph', content: c }))
const heading = fc.tuple(fc.constantFrom(1 as const, 2 as const, 3 as const), content).map(([level, c]): Block => ({ type: 'heading', attrs: { level, textAlign: null }, content: c }))
const list = fc.tuple(fc.constantFrom('bulletList' as const, 'orderedList' as const), fc.array(content, { minLength: 1, maxLength: 3 })).map(([type, items]): Block => ({ type, content: items.map((c) => ({ type: 'listItem', content: [{ type: 'paragraph', content: c }] })) }))
export const richText: fc.Arbitrary<RichText> = fc.array(fc.oneof(paragraph, heading, list), { minLength: 1, maxLength: 4 }).map((blocks) => ({ type: 'doc', content: blocks }))

const picture = fc.record({ width: fc.integer({ min: 1, max: 1200 }), height: fc.integer({ min: 1, max: 900 }) }).map((s) => ({ id: 'a'.repeat(64), type: 'image/png' as const, bytes: 1000, ...s }))
const tile: fc.Arbitrary<Tile> = fc.oneof(
  fc.record({ ...base, kind: fc.constant('words' as const), text: richText, align }),
  fc.record({ ...base, kind: fc.constant('picture' as const), picture: fc.option(picture), alt: fc.option(said), link: href, width: fc.integer({ min: 1, max: 700 }), align }),
  fc.record({ ...base, kind: fc.constant('button' as const), label: said, link: href, align, fullNarrow: fc.boolean() }),
  fc.record({ ...base, kind: fc.constant('divider' as const), color, thickness: fc.integer({ min: 1, max: 9 }) }),
  fc.record({ ...base, kind: fc.constant('gap' as const), height: fc.integer({ min: 1, max: 90 }) }),
)
const narrow = fc.constantFrom('stack' as const, 'keep' as const, 'reverse' as const)
const cellOf = (items: fc.Arbitrary<(Tile | Row)[]>): fc.Arbitrary<Cell> => fc.record({ id, width: fc.integer({ min: 40, max: 600 }), background: fc.option(color, { nil: undefined }), padding: fc.record({ top: side, right: fc.integer({ min: 0, max: 12 }), bottom: side, left: fc.integer({ min: 0, max: 12 }) }), align, valign: fc.constantFrom('top' as const, 'middle' as const, 'bottom' as const), items })
const leafCell = cellOf(fc.array(tile, { maxLength: 3 }))
const row: fc.Arbitrary<Row> = fc.record({ id, kind: fc.constant('row' as const), gap: fc.integer({ min: 0, max: 20 }), narrow, cells: fc.array(leafCell, { minLength: 1, maxLength: 2 }) })
const cell = cellOf(fc.array(fc.oneof({ weight: 5, arbitrary: tile as fc.Arbitrary<Tile | Row> }, { weight: 1, arbitrary: row as fc.Arbitrary<Tile | Row> }), { maxLength: 3 }))
const band: fc.Arbitrary<Band> = fc.record({ id, name: said, role: fc.constantFrom('header' as const, 'main' as const, 'footer' as const, 'notice' as const), background: fc.option(color, { nil: undefined }), bleed: fc.option(color, { nil: undefined }), padding: sides, narrowPadding: fc.option(sides, { nil: undefined }), gap: fc.integer({ min: 0, max: 24 }), narrow, cells: fc.array(cell, { minLength: 1, maxLength: 3 }), show })

export const anyEmail: fc.Arbitrary<Email> = fc.record({ version: fc.constant(EMAIL_VERSION as 1), width: fc.integer({ min: 480, max: 900 }), lang: fc.constantFrom('en', 'de-AT', 'ar', 'he'), dir: fc.constantFrom('ltr' as const, 'rtl' as const), title: said, subject: said, preheader: said, styles: fc.constant({}), bands: fc.array(band, { maxLength: 6 }) })

/** A long email of ordinary bands. */
export function longEmail(bands: number): Email {
  const [sample] = fc.sample(anyEmail, { numRuns: 1, seed: 4 })
  return {
    ...sample!, lang: 'en', dir: 'ltr', width: 600,
    bands: Array.from({ length: bands }, (_, i): Band => ({
      id: `b${i}`, name: `Band ${i}`, role: 'main', background: '#ffffff', padding: { top: 24, right: 32, bottom: 24, left: 32 }, gap: 20, narrow: 'stack', show: 'all',
      cells: [0, 1].map((k): Cell => ({ id: `c${i}-${k}`, width: 258, padding: { top: 0, right: 0, bottom: 0, left: 0 }, align: 'left', valign: 'top', items: [
        { id: `p${i}-${k}`, kind: 'picture', padding: { top: 0, right: 0, bottom: 12, left: 0 }, show: 'all', picture: { id: 'a'.repeat(64), type: 'image/jpeg', width: 516, height: 300, bytes: 20000 }, alt: 'A hill at dusk', link: `https://hill.example/${i}`, width: 258, align: 'left' },
        { id: `w${i}-${k}`, kind: 'words', padding: { top: 0, right: 0, bottom: 0, left: 0 }, show: 'all', align: 'left', text: { type: 'doc', content: [{ type: 'heading', attrs: { level: 2, textAlign: null }, content: [{ type: 'text', text: `Walk number ${i}` }] }, { type: 'paragraph', content: [{ type: 'text', text: 'Forty minutes from the chapel gate, by the marked stones. No lamps are needed after the stile, ' }, { type: 'text', text: 'the map', marks: [{ type: 'link', attrs: { href: 'https://hill.example/map' } }] }, { type: 'text', text: ' shows where.' }] }] } },
        { id: `u${i}-${k}`, kind: 'button', padding: { top: 12, right: 0, bottom: 0, left: 0 }, show: 'all', label: 'Walk with us', link: 'https://hill.example/go', align: 'left', fullNarrow: true },
      ] })),
    })),
  }
}

export const house = plainHouseStyle()
