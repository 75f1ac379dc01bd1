import { house, longEmail } from '@/test-support/emails'
import { picture, tileOf } from '@/test-support/tiles'
import { styleOf } from '../email/cascade'
import { applyEdit, type Edit } from '../email/edits'
import { textOf, type RichText } from '../email/richtext'
import type { Email } from '../email/schema'
import type { Tile, TileOf } from '../email/tile'
import { altLong } from './alt-long'
import { altMissing } from './alt-missing'
import { byHand } from './by-hand'
import type { Check } from './check'
import { codeChanged } from './code-changed'
import { conditionalBroken } from './conditional-broken'
import { contrastLow } from './contrast-low'
import { empty } from './empty'
import { fieldValue } from './field-value'
import { headingOrder } from './heading-order'
import { linkMissing } from './link-missing'
import { linkScheme } from './link-scheme'
import { preheaderMissing } from './preheader-missing'
import { runChecks, scopeOf } from './run'
import { subject } from './subject'
import { unsubscribeMissing } from './unsubscribe-missing'
import { weight } from './weight'
import { wordsPictured } from './words-pictured'

/* A finding as a person reads it: what is wrong, why, and where. Nothing else tells them what to do. */

const style = styleOf(house, {})
const found = (check: Check, email: Email, bytes = 1) => runChecks([check], scopeOf(email, style, '', bytes))
/** What, why, and the id, which says where and what about. */
const said = (check: Check, email: Email, bytes = 1) =>
  found(check, email, bytes).map((f) => [f.severity, f.stage, f.id, f.what, f.why])

const base = longEmail(1)
const edited = (...edits: Edit[]) => edits.reduce(applyEdit, base)
const email = (what: Partial<Email>): Email => ({ ...base, ...what })
const tile = (t: Tile) =>
  edited({ name: 'addTile', what: { cell: 'c0-0', at: 0, tile: { ...t, id: 't' } as never } })
const byHandOf = (html: string) => email({ way: 'hand', hand: { html, pictures: {}, inline: false } })

describe('an email written by hand', () => {
  test('with nothing in it, or only blanks', () => {
    const nothing = [
      'mend',
      'compose',
      'by-hand:email',
      'No HTML written yet',
      'The email is written by hand, and there is nothing in it. Write or import it, or go back to bands.',
    ]
    expect(said(byHand, byHandOf(''))).toEqual([nothing])
    expect(said(byHand, byHandOf(' \n '))).toEqual([nothing])
    expect(said(byHand, email({ way: 'hand' }))).toEqual([nothing])
  })

  test('its bands, and an email in bands with HTML kept from before, are not looked at', () => {
    expect(said(altMissing, byHandOf('<p>x</p>'))).toEqual([])
    expect(said(byHand, { ...byHandOf('<img src="a">'), way: 'bands' })).toEqual([])
  })

  test('pictures without alt text are told by the end of their address', () => {
    const long = `https://a.example/${'x'.repeat(60)}.png`
    const why =
      'With pictures off, or read aloud, nothing is left of it (WCAG 2.2, 1.1.1). Give it alt="" if it is only decoration.'
    expect(
      said(byHand, byHandOf(`<img src="a.png"><img alt="" src="b"><img><p alt="">x</p><img src="${long}">`)),
    ).toEqual([
      ['mend', 'compose', 'by-hand:email:alt a.png', 'Picture without alt text: a.png', why],
      ['mend', 'compose', 'by-hand:email:alt ', 'Picture without alt text: ', why],
      [
        'mend',
        'compose',
        `by-hand:email:alt ${'x'.repeat(56)}.png`,
        `Picture without alt text: ${'x'.repeat(56)}.png`,
        why,
      ],
    ])
  })

  test('scripts are counted; data for search engines is none', () => {
    const why = 'Email readers run no script, and some hold such a message back. Take it out.'
    const data = '<script type="application/ld+json">{}</script>'
    expect(said(byHand, byHandOf(`<p>x</p>${data}`))).toEqual([])
    expect(said(byHand, byHandOf(`<script>1</script>${data}`))).toEqual([
      ['mend', 'compose', 'by-hand:email:script', 'A script in the HTML', why],
    ])
    expect(said(byHand, byHandOf('<script>1</script><script type="module">2</script>'))).toEqual([
      ['mend', 'compose', 'by-hand:email:script', '2 scripts in the HTML', why],
    ])
  })

  test('a condition that is not closed', () => {
    expect(said(byHand, byHandOf('<!--[if mso]><p>x</p><![endif]-->'))).toEqual([])
    const [broken, more] = found(byHand, byHandOf('<p>y</p><!--[if mso]><p>x</p>'))
    expect([broken!.id, broken!.what, more]).toEqual([
      'by-hand:email:condition',
      'A condition for the Word engine is broken',
      undefined,
    ])
    expect(broken!.why).toMatch(/condition.*\w/)
  })
})

test('what is left out of code, reason by reason', () => {
  const code = (html: string, css = '') => said(codeChanged, tile(tileOf('code', { html, css })))
  expect(code('<p style="color:red">x</p>', 'p{color:blue}')).toEqual([])
  const [one, ...more] = code('<p>x</p><script>1</script>')
  expect([one!.slice(0, 2), one![3], more]).toEqual([['mind', 'compose'], 'Part of the code is left out', []])
  // The reason is the matter: another script found later is another finding.
  expect(one![2]).toBe(`code-changed:t:${one![4]!.slice(0, 80)}`)
  expect(one![4]).toContain('script')
})

test('markup for the Word engine that would break what follows', () => {
  const word = (html: string) => said(conditionalBroken, tile(tileOf('conditional', { word: html })))
  expect(word('<table><tr><td>x</td></tr></table>')).toEqual([])
  const [broken, more] = word('<table><tr>')
  expect([broken!.slice(0, 4), more]).toEqual([
    ['mend', 'compose', 'conditional-broken:t', 'Markup for the Word engine is left out'],
    undefined,
  ])
  expect(broken![4]).toMatch(
    /^It would break what follows: .*(table|tr).*\. Close every tag in the order in which it was opened\.$/,
  )
  // Of a tile of another kind nothing is asked.
  expect(said(conditionalBroken, tile(tileOf('code', { html: '<table>' })))).toEqual([])
})

test('words of the design that stand as a picture: to be mended, or to be minded where its alt text says them', () => {
  const of = (set: Partial<TileOf<'picture'>>) =>
    said(wordsPictured, tile(tileOf('picture', { picture, ...set }))).map(([severity, stage, , what]) => [
      severity,
      stage,
      what,
    ])
  expect(of({ standsFor: 'words', alt: null })).toEqual([
    ['mend', 'cut', 'Words of the design stand as a picture'],
  ])
  expect(of({ standsFor: 'button', alt: 'Go' })).toEqual([
    ['mind', 'cut', 'A button of the design stands as a picture'],
  ])
  expect(of({ alt: 'Hill' })).toEqual([])
})

test('what was put in and left empty', () => {
  const hole = 'It leaves a hole in the email. Fill it, or take it out.'
  const of = (t: Tile) => said(empty, tile(t)).map((f) => f.slice(3))
  expect(of(tileOf('words', { text: textOf(' ') }))).toEqual([['Words not written yet', hole]])
  expect(of(tileOf('picture'))).toEqual([['No picture chosen', hole]])
  expect(of(tileOf('button', { label: ' ' }))).toEqual([['Button without words', hole]])
  expect(of(tileOf('menu', { items: [] }))).toEqual([['Menu without words', hole]])
  expect(of(tileOf('social', { icons: [] }))).toEqual([['No icon chosen', hole]])
  expect(of(tileOf('code', { html: ' ' }))).toEqual([['Code not written yet', hole]])
  expect(of(tileOf('review', { text: '' }))).toEqual([['Review without words', hole]])
  expect(of(tileOf('table', { rows: [[' ']] }))).toEqual([['Table without words', hole]])
  for (const full of [tileOf('gap'), tileOf('divider'), tileOf('words', { text: textOf('x') })])
    expect(of(full)).toEqual([])
})

test('plain text without words; bands kept beside it do not count', () => {
  const why = 'The email is plain text only, and there is nothing in it. Write it, or go back to bands.'
  const none = [['mend', 'compose', 'empty:email', 'No words written yet', why]]
  expect(said(empty, email({ way: 'plain' }))).toEqual(none)
  expect(said(empty, email({ way: 'plain', plain: ' \n' }))).toEqual(none)
  expect(said(empty, email({ way: 'plain', plain: 'x' }))).toEqual([])
  expect(said(empty, email({ plain: '' }))).toEqual([])
})

test('values of sample recipients that are not of their field', () => {
  const fields = (['date', 'number', 'link', 'text'] as const).map((type) => ({ name: type, type }))
  const values = { date: '30 May', number: 'ten', link: 'a.example', text: 'anything' }
  const of = (what: Record<string, string>) =>
    said(fieldValue, email({ fields, recipients: [{ name: 'Ana', values: what }] }))
  expect(of(values)).toEqual(
    (
      [
        ['date', '"30 May" is no date.', 'a date written YYYY-MM-DD'],
        ['number', '"ten" is no number.', 'a number'],
        ['link', '"a.example" is no link.', 'an address with https://'],
      ] as const
    ).map(([name, why, wanted]) => [
      'mind',
      'proof',
      `field-value:email:Ana ${name}`,
      `Ana: [[${name}]] is not ${wanted}`,
      `${why} The preview for this recipient shows what no real one will see.`,
    ]),
  )
  expect(of({ date: '2026-05-30', number: '10', link: 'https://a.example' })).toEqual([])
  // What a recipient has no value for takes the fallback; a value without a field is anything.
  expect(of({ other: 'x' })).toEqual([])
  expect(said(fieldValue, email({ recipients: [{ name: 'Ana', values: { date: 'x' } }] }))).toEqual([])
  expect(said(fieldValue, email({ fields }))).toEqual([])
})

describe('the order of headings', () => {
  /** Of a heading; 0: a paragraph. */
  type Level = 0 | 1 | 2 | 3
  const text = (...levels: Level[]): RichText => ({
    type: 'doc',
    content: levels.map((level) =>
      level
        ? { type: 'heading', attrs: { level, textAlign: null }, content: [{ type: 'text', text: 'x' }] }
        : { type: 'paragraph', content: [{ type: 'text', text: 'x' }] },
    ),
  })
  const set = (id: string, ...levels: Level[]): Edit => ({
    name: 'setTile',
    what: { id, kind: 'words', set: { text: text(...levels) } },
  })
  const ids = (e: Email) => found(headingOrder, e).map((f) => f.id)

  test.each<[Level[], string[]]>([
    [[1, 2, 3, 2, 3], []],
    // One heading 1 says what the whole is about.
    [[1, 2, 3, 1, 2], ['1-3']],
    [[1, 0, 0, 2], []],
    [[3, 1, 2], ['0-3']],
    [[2, 3], ['0-2']],
    [[1, 3], ['1-3']],
    [
      [1, 3, 1, 3],
      ['1-3', '1-2', '1-3:2'],
    ],
  ])('%j', (levels, keys) =>
    expect(ids(edited(set('w0-0', ...levels)))).toEqual(keys.map((k) => `heading-order:w0-0:${k}`)),
  )

  test('goes on from tile to tile and from band to band', () => {
    const two = longEmail(2)
    const of = (...edits: Edit[]) => ids(edits.reduce(applyEdit, two))
    const clear = ['w0-0', 'w0-1', 'w1-0', 'w1-1'].map((id) => set(id, 0))
    expect(of(...clear, set('w0-0', 1), set('w1-1', 3))).toEqual(['heading-order:w1-1:1-3'])
    expect(of(...clear, set('w0-0', 1), set('w0-1', 2), set('w1-1', 3))).toEqual([])
    // Where it is, and what would be in between.
    const [f] = found(headingOrder, [...clear, set('w0-0', 1), set('w1-1', 3)].reduce(applyEdit, two))
    expect([f!.severity, f!.stage, f!.where, f!.what, f!.why]).toEqual([
      'mind',
      'compose',
      { band: 'b1', tile: 'w1-1' },
      'Heading 3 after heading 1',
      'People who listen look for a heading 2 in between. Use that one; its size can be set as you like.',
    ])
  })
})

test('links that lead nowhere', () => {
  const of = (t: Tile) => said(linkMissing, tile(t))
  const write = 'Pressing it does nothing. Write where it leads.'
  expect(of(tileOf('button', { label: 'Book', link: ' ' }))).toEqual([
    ['mend', 'compose', 'link-missing:t', 'Button "Book" without a link', write],
  ])
  const items = [{ label: 'Map', link: '' }]
  expect(of(tileOf('menu', { items }))).toEqual([
    [
      'mend',
      'compose',
      'link-missing:t:Map',
      '"Map" leads nowhere',
      `${write.slice(0, -1)}, or take it out.`,
    ],
  ])
  const pressed = 'Readers press pictures. Write where it leads, or leave it if it should lead nowhere.'
  expect(of(tileOf('picture', { picture, alt: 'Hill', link: '' }))).toEqual([
    ['mind', 'compose', 'link-missing:t', 'Picture without a link', pressed],
  ])
  expect(of(tileOf('picture', { picture, alt: '', link: '' }))).toEqual([])
  expect(of(tileOf('picture', { link: '' }))).toEqual([])
  expect(of(tileOf('picture', { picture, alt: 'Hill', link: 'https://a.example' }))).toEqual([])
})

test('a link without a scheme in HTML by hand is said, but not changed', () => {
  const [f] = found(linkScheme, byHandOf('<a href="www.a.example">x</a>'))
  expect([f!.id, f!.what, f!.why, f!.where, f!.fix]).toEqual([
    'link-scheme:email:www.a.example',
    'Link without a scheme: www.a.example',
    'It opens nowhere in some programs. It should be https://www.a.example.',
    {},
    undefined,
  ])
  const [inBand] = found(linkScheme, tile(tileOf('button', { label: 'x', link: 'a.example' })))
  expect([inBand!.severity, inBand!.stage, inBand!.where, inBand!.fix!.label]).toEqual([
    'mend',
    'compose',
    { band: 'b0', tile: 't' },
    'Make it https://a.example',
  ])
})

test('the lines that inboxes show', () => {
  expect(said(preheaderMissing, email({ preheader: ' ' }))).toEqual([
    [
      'mend',
      'handover',
      'preheader-missing:preheader',
      'No preheader',
      'Inboxes show the first words of the email instead, often an alt text or "view in browser". Write the line that follows the subject.',
    ],
  ])
  expect(said(preheaderMissing, email({ preheader: 'x' }))).toEqual([])
  expect(said(subject, email({ subject: '' }))).toEqual([
    [
      'mend',
      'handover',
      'subject:subject',
      'No subject',
      'It is the first thing read, and a message without one is often held as spam. Write it here.',
    ],
  ])
  expect(said(subject, email({ subject: 'x'.repeat(52) }))).toEqual([
    [
      'mind',
      'handover',
      'subject:subject',
      'Subject of 52 characters',
      'Phones cut it off after about 50. Put what matters first, or shorten it by 2.',
    ],
  ])
})

test('what is said of the way out and of the weight', () => {
  const last = found(unsubscribeMissing, email({ bands: [...base.bands, ...longEmail(2).bands.slice(1)] }))
  expect(last.map((f) => [f.where, f.severity, f.stage, f.why])).toEqual([
    [
      { band: 'b1' },
      'mend',
      'compose',
      'Platforms refuse the template, and readers report it as spam. Link some words of the footer to [[unsubscribe]].',
    ],
  ])
  expect(found(unsubscribeMissing, byHandOf('x'))[0]!.where).toEqual({})
  expect(said(weight, base, 200 * 1024)).toEqual([
    [
      'mend',
      'proof',
      'weight:email',
      'HTML of 200.0 KB, over 102 KB',
      'Some webmail cuts the message off there, and with it the footer and the unsubscribe link. Take bands out, or replace twins for wide and narrow by one.',
    ],
  ])
  expect(said(weight, base, 100 * 1024)[0]!.slice(1)).toEqual([
    'proof',
    'weight:email',
    'HTML of 100.0 KB, close to 102 KB',
    'Links grow when a platform rewrites them for counting. Leave some room.',
  ])
})

test('the matter goes into an id with its first 80 characters', () => {
  const [f] = found(linkScheme, tile(tileOf('button', { label: 'x', link: `a.example/${'y'.repeat(90)}` })))
  expect(f!.id).toBe(`link-scheme:t:a.example/${'y'.repeat(70)}`)
})

test('findings of one severity stand in the order of their bands, those of no band first', () => {
  const three = longEmail(3)
  const broken = [2, 0, 1].reduce<Email>(
    (e, b) =>
      applyEdit(e, {
        name: 'setTile',
        what: { id: `u${b}-0`, kind: 'button', set: { link: `b${b}.example` } },
      }),
    { ...three, preheader: '' },
  )
  const order = runChecks([linkScheme, linkMissing, preheaderMissing], scopeOf(broken, style, '', 1))
  expect(order.map((f) => f.where.band ?? f.where.value)).toEqual(['preheader', 'b0', 'b1', 'b2'])
})

describe('contrast at night', () => {
  const night = (...more: Edit[]) =>
    edited(
      { name: 'setBand', what: { id: 'b0', set: { background: '#ffffff' } } } as Edit,
      { name: 'setEmail', what: { styles: { text: { body: { nightColor: '#ffffff' } } } } } as Edit,
      ...more,
    )
  const ids = (e: Email) =>
    runChecks([contrastLow], scopeOf(e, styleOf(house, e.styles), '', 1)).map((f) => [f.id, f.what])

  test('letters of the night need a ground of the night: white would stand on white', () => {
    expect(ids(night())).toEqual([
      ['contrast-low:w0-0:night', 'Contrast 1.00 at night, wants 4.5'],
      ['contrast-low:w0-1:night', 'Contrast 1.00 at night, wants 4.5'],
    ])
    const dark = { name: 'setBand', what: { id: 'b0', set: { nightBackground: '#101010' } } } as Edit
    // Headings and links have no ink of the night: on the dark ground the worst of them is told.
    expect(ids(night(dark)).map(([, what]) => what)).toEqual([
      'Contrast 1.19 at night, wants 3',
      'Contrast 1.19 at night, wants 3',
    ])
    const link = { name: 'setEmail', what: { styles: { link: { nightColor: '#9cc4ff' } } } } as Edit
    const both = night(dark, {
      ...link,
      what: {
        styles: {
          text: {
            body: { nightColor: '#ffffff' },
            heading1: { nightColor: '#ffffff' },
            heading2: { nightColor: '#ffffff' },
          },
          link: { nightColor: '#9cc4ff' },
        },
      },
    } as Edit)
    expect(ids(both)).toEqual([])
  })
})

test('an alt text that is longer than its picture holds is told with how many lines there are', () => {
  const of = (alt: string, width: number, height: number) =>
    said(altLong, tile(tileOf('picture', { picture: { ...picture, width, height }, width, alt })))
      .filter(([, , id]) => id === 'alt-long:t')
      .map(([, , , what]) => what)
  expect(of('A hill', 120, 24)).toEqual([])
  expect(of('A hill at dusk with a chapel', 60, 24)).toEqual([
    'Alt text longer than its picture holds: 4 lines for 1',
  ])
  expect(of('A hill at dusk with a chapel', 60, 120)).toEqual([])
  expect(of('', 10, 10)).toEqual([])
})
