import fc from 'fast-check'
import { fromHtml } from 'hast-util-from-html'
import { anyInteractive } from '@/test-support/interactive'
import { samples } from '@/test-support/samples'
import { elementsOf } from '../html/elements'
import { styleOfElement } from '../html/values'
import { picture, surroundings, tileOf, written } from '@/test-support/tiles'
import type { Tile, TileOf } from '../email/tile'
import { applyEdit } from '../email/edits'
import { longEmail } from '@/test-support/emails'
import { compile } from '../compile'
import { plainHouseStyle } from '../email/styles'
import { ampOf, isInteractive } from '../interact/kinds'
import { printMapped } from '../html/print'
import { definitionOf, tileKinds } from '.'
import { answerLink } from './interactive/answer'
import { stepsOf } from './rating/scale'
import { pieceAt, PIECES } from './swap/html'

/* What interactive tiles come to, in HTML and in AMP. */

const shows = { picture, alt: 'A' }
const amp = (tile: Tile): string =>
  printMapped(ampOf(tile, surroundings()) ?? [], 0, { indent: null, marks: false }).html

test('both versions stand in the message, and only the static one is seen without rules', () => {
  const { html, rules } = written(tileOf('panels'))
  expect(html.indexOf('ix-on')).toBeLessThan(html.indexOf('ix-live'))
  expect(html.indexOf('ix-live')).toBeLessThan(html.indexOf('ix-still'))
  expect(html).toContain('<div class="ix-live" style="display:none;max-height:0;overflow:hidden')
  expect(rules).toContain('.ix-on:checked~.ix-still{display:none!important}')
})

test('the Word engine never sees what answers', () => {
  for (const kind of tileKinds) {
    const tile = tileOf(kind)
    if (!isInteractive(tile)) continue
    const { html } = written(tile)
    const outside = html.replace(/<!--\[if !mso\]><!-->[\s\S]*?<!--<!\[endif\]-->/g, '')
    expect(outside).not.toMatch(/<(?:input|form|label|textarea|select)/)
  }
})

// Seen in KMail: its own ink for links prevails over that of a link, so blue on amber; over a span in it it does not.
test('the words of every link carry their ink themselves, whatever is answered', () => {
  fc.assert(
    fc.property(anyInteractive, (tile) => {
      const tree = fromHtml(written({ ...tile, id: 't' } as Tile).html, { fragment: true })
      for (const a of elementsOf(tree)) {
        if (a.tagName !== 'a') continue
        // Words that stand in the link without an element of their own.
        const bare = a.children.filter((c) => c.type === 'text' && c.value.trim())
        expect(bare).toEqual([])
        for (const span of a.children)
          if (span.type === 'element' && span.tagName === 'span')
            expect(styleOfElement(span).color).toMatch(/^#/)
      }
    }),
    { numRuns: samples(120) },
  )
})

test('ids and groups are of one tile: two of a kind do not meet', () => {
  const tile = (id: string) => ({ ...tileOf('swatches'), id })
  const email = ['a.1', 'b'].reduce(
    (e, id) => applyEdit(e, { name: 'addTile', what: { cell: 'c0-0', at: 0, tile: tile(id) } }),
    longEmail(1),
  )
  const html = compile(email, plainHouseStyle(), { src: () => 'https://a.example/a' })
  const ids = [...html.matchAll(/ id="([^"]+)"/g)].map((m) => m[1])
  expect(new Set(ids).size).toBe(ids.length)
  expect(new Set([...html.matchAll(/type="radio" name="([^"]+)"/g)].map((m) => m[1]))).toEqual(
    new Set(['i-a1', 'i-b']),
  )
  for (const id of html.matchAll(/<label for="([^"]+)"/g)) expect(ids).toContain(id[1])
})

test.each<[string, Tile, string]>([
  ['panels', tileOf('panels', { open: null }), 'i-t-1'],
  ['tabs', tileOf('panels', { as: 'tabs' }), 'i-t-1'],
  ['swatches', tileOf('swatches'), 'i-t-1'],
  ['carousel', tileOf('carousel', { slides: [0, 1].map(() => ({ shows, caption: '', link: '' })) }), 'i-t-1'],
])('the state of %s that is looked at is the chosen one', (_, tile, chosen) => {
  const { html } = written(tile as TileOf<'panels'>, { shown: { tile: 't', state: 1 } })
  expect(/<input[^>]* id="([^"]+)"[^>]* checked/.exec(html)?.[1]).toBe(chosen)
  const other = written(tile as TileOf<'panels'>, { shown: { tile: 'another', state: 1 } }).html
  expect(/<input[^>]* id="([^"]+)"[^>]* checked/.exec(other)?.[1]).not.toBe(chosen)
})

test.each(['waiting', 'thanks', 'failed'] as const)(
  'what a form says when it is %s can be looked at',
  (key) => {
    const sayings = { send: 'S', waiting: 'W!', thanks: 'T!', failed: 'F!' }
    const state = { waiting: 1, thanks: 2, failed: 3 }[key]
    for (const kind of ['rating', 'form'] as const) {
      const { html } = written(tileOf(kind, { sayings } as never), { shown: { tile: 't', state } })
      expect(html).toContain(sayings[key])
      expect(html).not.toContain('<form')
    }
  },
)

test('tiles name their states', () => {
  const states = (tile: Tile) => definitionOf(tile).states(tile)
  expect(states(tileOf('panels'))).toEqual(['First', 'Second'])
  expect(states(tileOf('swap'))).toEqual(['First', 'Second'])
  expect(states(tileOf('quiz'))).toEqual(['asked', 'all wrong', 'all right'])
  expect(states(tileOf('rating'))).toEqual(['asked', 'waiting', 'sent', 'not sent'])
  expect(states(tileOf('words'))).toEqual([])
})

test('scales have their steps: five stars, eleven numbers from 0, five faces', () => {
  expect(stepsOf({ scale: 'stars' }).map((s) => s.value)).toEqual(['1', '2', '3', '4', '5'])
  expect(stepsOf({ scale: 'ten' }).map((s) => s.value)).toEqual(
    Array.from({ length: 11 }, (_, i) => String(i)),
  )
  expect(stepsOf({ scale: 'faces' })).toHaveLength(5)
})

test.each([
  ['https://a.example/x', 'https://a.example/x?stop=Lake%20End'],
  ['https://a.example/x?y=1', 'https://a.example/x?y=1&stop=Lake%20End'],
  ['https://a.example/x#z', 'https://a.example/x?stop=Lake%20End#z'],
  ['', ''],
  ['mailto:a@b.example', 'mailto:a@b.example'],
])('an answer by link: %s', (page, link) => expect(answerLink(page, 'stop', 'Lake End')).toBe(link))

test('the pieces of a cover are the whole of it, and do not lie over each other', () => {
  const pieces = Array.from({ length: PIECES.across * PIECES.down }, (_, i) => pieceAt(i))
  expect(pieces.reduce((sum, p) => sum + p.width * p.height, 0)).toBeCloseTo(100 * 100)
  expect(new Set(pieces.map((p) => `${p.left},${p.top}`)).size).toBe(pieces.length)
  for (const p of pieces) expect(p.left + p.width <= 100 && p.top + p.height <= 100).toBe(true)
})

describe('in AMP', () => {
  test('titles that open are an accordion whose first may be open; tabs a selector', () => {
    expect(amp(tileOf('panels', { one: true, open: 0 }))).toMatch(
      /^<amp-accordion expand-single-section=""><section expanded="">/,
    )
    expect(amp(tileOf('panels', { as: 'tabs' }))).toContain('<amp-selector role="tablist"')
  })
  test('pictures that change are not bound: each has its own element', () => {
    const html = amp(tileOf('swatches'))
    expect(html).not.toContain('[src]')
    expect(html.match(/\[hidden\]/g)).toHaveLength(2)
  })
  test('a form sends in place, with a template for each end', () => {
    const html = amp(tileOf('form', { target: { action: 'https://a.example/take', page: '' } }))
    expect(html).toContain('method="post" action-xhr="https://a.example/take"')
    expect(html).not.toContain('target=')
    expect(html.match(/<template type="amp-mustache">/g)).toHaveLength(2)
    expect(html).toContain('{{#results}}')
    const silent = { results: false, target: { action: 'https://a.example/take', page: '' } }
    expect(amp(tileOf('form', silent))).not.toContain('{{#results}}')
  })
  test('without an address that readers ask, the static version stands there too', () => {
    for (const action of ['', 'http://a.example/take', 'a.example'])
      for (const kind of ['rating', 'form'] as const)
        expect(amp(tileOf(kind, { target: { action, page: '' } } as never))).not.toContain('<form')
    expect(amp(tileOf('live', { address: '' }))).not.toContain('amp-list')
  })
  test('a list keeps what it knew for when it cannot be fetched', () => {
    const rows = [{ title: 'Known', text: '', price: '', link: '' }]
    const html = amp(tileOf('live', { address: 'https://a.example/l.json', rows, most: 1 }))
    expect(html).toContain('max-items="1"')
    expect(html.slice(html.indexOf('fallback'))).toContain('Known')
    expect(html).toContain('{{title}}, {{price}}')
  })
  test('results of a quiz part the numbers between them', () => {
    const quiz = tileOf('quiz')
    const html = amp(quiz)
    expect(html).toContain('>=0&amp;&amp;(')
    expect(html.match(/\[hidden\]="!\(/g)).toHaveLength(quiz.results.length)
  })
})

/** What readers see that keep the static version. */
const still = (tile: Tile, more = {}): string => written(tile, more).html.split('ix-still')[1]!

test('a static quiz marks what is right, and says of each result how many right answers it is for', () => {
  const ask = (n: number) => ({ ask: `Q${n}`, options: ['Wrong', `Right ${n}`], right: 1, why: '' })
  const html = still(
    tileOf('quiz', {
      questions: [ask(1), ask(2), ask(3)],
      results: [
        { from: 3, title: 'All', text: '' },
        { from: 0, title: 'Few', text: '' },
        { from: 2, title: 'Two', text: '' },
      ],
    }),
  )
  expect(html).not.toContain('\u2717')
  for (const n of [1, 2, 3]) expect(html).toContain(`\u2713 Right ${n}`)
  const shown = [...html.matchAll(/>([^<]*(?:Few|Two|All))</g)].map((m) => m[1])
  expect(shown).toEqual(['0\u20131/3: Few', '2/3: Two', '3/3: All'])
})

test('a static form says what to do and where it leads, in the language of the email', () => {
  const target = { action: 'https://form.example/x', page: 'https://www.seats.example/book', method: 'xhr' }
  const one = still(tileOf('form', { target } as never))
  expect(one).toContain('Press your answer: it opens seats.example.')
  expect(one).toMatch(/href="https:\/\/www\.seats\.example\/book\?choice=The%20first"/)
  const two = tileOf('form').asked.concat(tileOf('form').asked)
  expect(still(tileOf('form', { target, asked: two } as never), { lang: 'de' })).toContain(
    'Auf seats.example antworten',
  )
})

test('what is pressed like a button keeps its box: a cell with the ground, and VML for the Word engine in the static version alone', () => {
  const { html } = written(tileOf('live', { page: 'https://a.example', more: 'All of them' }))
  expect(html).toMatch(/<td align="center" bgcolor="#[0-9a-f]{6}"[^>]*>\s*<a href="https:\/\/a\.example"/)
  expect(html).toContain('<v:roundrect')
  const both = written(tileOf('quiz', { label: 'Go', link: 'https://a.example' })).html
  const [liveOnes, stillOnes] = both.split('ix-still') as [string, string]
  expect(liveOnes).toContain('bgcolor=')
  expect(liveOnes).not.toContain('v:roundrect')
  expect(stillOnes).toContain('v:roundrect')
})

test.each(['stars', 'faces', 'ten'] as const)('steps of a rating (%s) are seen at night', (scale) => {
  const { html, rules } = written(tileOf('rating', { scale }), {
    ground: { color: '#ffffff', night: '#101010' },
  } as never)
  expect(html).toMatch(/<label[^>]*class="[^"]*n-ink-/)
  expect(rules.join('\n')).toContain('prefers-color-scheme:dark')
})
