import { emailSchema } from '../tiles/document'
import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { parse } from 'parse5'
import { anyEmail, house, longEmail } from '@/test-support/emails'
import { applyEdit } from '../email/edits'
import { measureBand } from '../email/measures'
import { tilesOf } from '../email/walk'
import { asSample } from '../text/fields'
import { compile } from './index'

const src = (p: { id: string }) => `https://pictures.example/${p.id}.png`
const compiled = (e: Parameters<typeof compile>[0]) => compile(e, house, { src })

const parseErrors = (html: string): string[] => {
  const errors: string[] = []
  parse(html, { onParseError: (e) => errors.push(`${e.code} at ${e.startLine}:${e.startCol}`) })
  return errors
}

describe('any email the schema allows', () => {
  test('compiles to markup without parse errors (WHATWG HTML, through parse5), the same each time', () => {
    fc.assert(
      fc.property(anyEmail, (email) => {
        const html = compiled(email)
        expect(parseErrors(html)).toEqual([])
        expect(compiled(structuredClone(email))).toBe(html)
      }),
      { numRuns: samples(200) },
    )
  })

  test('survives saving and loading, and every edit leaves one that does', () => {
    fc.assert(
      fc.property(anyEmail, fc.nat(), (email, pick) => {
        expect(emailSchema.parse(JSON.parse(JSON.stringify(email)))).toEqual(
          JSON.parse(JSON.stringify(email)),
        )
        const band = email.bands[pick % Math.max(1, email.bands.length)]
        if (!band) return
        for (const edit of [
          { name: 'duplicateBand', what: { id: band.id } },
          { name: 'moveBand', what: { id: band.id, to: pick % 5 } },
          { name: 'removeBand', what: { id: band.id } },
          ...[...tilesOf(band)].slice(0, 1).flatMap(
            (t) =>
              [
                { name: 'duplicateTile', what: { id: t.id } },
                { name: 'removeTile', what: { id: t.id } },
              ] as const,
          ),
        ] as const) {
          const next = applyEdit(email, edit)
          emailSchema.parse(next)
          const ids = next.bands.flatMap((b) => [b.id, ...[...tilesOf(b)].map((t) => t.id)])
          expect(new Set(ids).size).toBe(ids.length)
          compiled(next)
        }
      }),
      { numRuns: samples(100) },
    )
  })

  test('carries no link that could run script', () => {
    fc.assert(
      fc.property(anyEmail, (email) => {
        expect(compiled(email)).not.toMatch(/href="\s*(javascript|data|vbscript):/i)
      }),
      { numRuns: samples(200) },
    )
  })

  test('cells and gaps add up to the width they share', () => {
    fc.assert(
      fc.property(anyEmail, (email) => {
        for (const b of email.bands) {
          const m = measureBand(b, email.width)
          const sum = b.cells.reduce((s, c) => s + m.get(c.id)!.outer, 0) + b.gap * (b.cells.length - 1)
          const around = b.card ? b.card.around.left + b.card.around.right + 2 * (b.card.edge?.width ?? 0) : 0
          const inner = Math.max(0, email.width - around - b.padding.left - b.padding.right)
          if (inner > b.gap * b.cells.length) expect(sum).toBeCloseTo(inner, 6)
        }
      }),
    )
  })
})

test('an edit compiles its own band anew and no other', () => {
  const email = longEmail(30)
  const first = compiled(email)
  const edited = applyEdit(email, {
    name: 'setTile',
    what: { id: 'u7-0', kind: 'button', set: { label: 'With us walk' } },
  })
  expect(edited.bands.filter((b, i) => b !== email.bands[i]).map((b) => b.id)).toEqual(['b7'])
  expect(compiled(edited)).toBe(
    first.replace(/Walk with us/g, (m, at: number) =>
      at > first.indexOf('Walk number 7<') &&
      at < first.indexOf('Walk number 7<', first.indexOf('Walk number 7<') + 9)
        ? 'With us walk'
        : m,
    ),
  )
})

test('fields come out as written, percent-encoded in links (RFC 3986, section 2), or filled in', () => {
  const email = applyEdit(longEmail(1), {
    name: 'setTile',
    what: { id: 'u0-0', kind: 'button', set: { label: 'For [[given_name | you]]', link: '[[unsubscribe]]' } },
  })
  expect(compiled(email)).toContain('href="%5B%5Bunsubscribe%5D%5D"')
  expect(compiled(email)).toContain('For [[given_name | you]]')
  const filled = compile(email, house, { src, fields: asSample({ unsubscribe: 'https://out.example/' }) })
  expect(filled).toContain('href="https://out.example/"')
  expect(filled).toContain('For you')
})

test('a button is a link for every reader, and a VML box for the Word engine', () => {
  const html = compiled(longEmail(1))
  const word = [...html.matchAll(/<!--\[if mso\]>([\s\S]*?)<!\[endif\]-->/g)].map((m) => m[1]!)
  expect(word.filter((w) => w.includes('<v:roundrect'))).toHaveLength(2)
  expect(
    html.replace(/<!--[\s\S]*?-->/g, '').match(/<a [^>]*><span [^>]*>Walk with us<\/span><\/a>/g),
  ).toHaveLength(2)
})

test('ghost tables of the Word engine are balanced', () => {
  fc.assert(
    fc.property(anyEmail, (email) => {
      const word = [...compiled(email).matchAll(/<!--\[if mso\]>([\s\S]*?)<!\[endif\]-->/g)]
        .map((m) => m[1]!)
        .join('')
      for (const tag of ['table', 'tr', 'td', 'v:roundrect', 'center'])
        expect([tag, word.match(new RegExp(`<${tag}[ >]`, 'g'))?.length ?? 0]).toEqual([
          tag,
          word.match(new RegExp(`</${tag}>`, 'g'))?.length ?? 0,
        ])
    }),
    { numRuns: samples(100) },
  )
})
