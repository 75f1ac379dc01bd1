import { newTile } from '../tiles'
import { withScheme } from '../text/link'
import { house, longEmail } from '@/test-support/emails'
import { compile } from '../compile'
import { styleOf } from '../email/cascade'
import { applyEdit, type Edit } from '../email/edits'
import { textOf, type RichText } from '../email/richtext'
import type { Email } from '../email/schema'
import { findingsOf, type Check, type Finding } from './index'
import { toMend } from './to-mend'
import { runChecks, scopeOf } from './run'
import { HTML_LIMIT } from './weight'

const look = (email: Email): Finding[] => {
  const html = compile(email, house, { src: (p) => p.id })
  return findingsOf(email, styleOf(house, email.styles), html, Buffer.byteLength(html))
}
const linked = (said: string, href: string): RichText => ({
  type: 'doc',
  content: [
    {
      type: 'paragraph',
      content: [{ type: 'text', text: said, marks: [{ type: 'link', attrs: { href } }] }],
    },
  ],
})
const add = (tile: object): Edit => ({
  name: 'addTile',
  what: { cell: 'c0-0', at: 9, tile: { ...tile } as never },
})
const set = (id: string, what: Record<string, unknown>): Edit => ({
  name: 'setTile',
  what: { id, set: what },
})

/** An email that leaves nothing to mend. */
const good = [
  set('w0-1', { text: linked('Unsubscribe', '[[unsubscribe]]') }),
  { name: 'setEmail', what: { subject: 'The walks of May', preheader: 'Three ways up' } } as Edit,
].reduce(applyEdit, longEmail(1))
const after = (...edits: Edit[]) =>
  look(edits.reduce(applyEdit, good)).map((f) => [f.check, f.severity, f.where.tile ?? f.where.value])

test('an email with all it needs has no findings', () => expect(look(good)).toEqual([]))

// Each check with an email that breaks its rule, and one at its border.
test.each<[string, Edit, unknown[][]]>([
  ['picture without alt text', set('p0-0', { alt: null }), [['alt-missing', 'mend', 'p0-0']]],
  ['decoration is fine without a link', set('p0-0', { alt: '', link: '' }), []],
  ['linked decoration says nothing', set('p0-0', { alt: '' }), [['alt-missing', 'mend', 'p0-0']]],
  ['picture without a link', set('p0-0', { link: '' }), [['link-missing', 'mind', 'p0-0']]],
  ['button without a link', set('u0-0', { link: ' ' }), [['link-missing', 'mend', 'u0-0']]],
  ['button link without a scheme', set('u0-0', { link: 'www.a.example' }), [['link-scheme', 'mend', 'u0-0']]],
  [
    'no unsubscribe link',
    set('w0-1', { text: textOf('Goodbye') }),
    [['unsubscribe-missing', 'mend', undefined]],
  ],
  ['no subject', { name: 'setEmail', what: { subject: ' ' } }, [['subject', 'mend', 'subject']]],
  ['subject of 50 characters', { name: 'setEmail', what: { subject: 'ä'.repeat(50) } }, []],
  [
    'subject of 51 characters',
    { name: 'setEmail', what: { subject: 'ä'.repeat(51) } },
    [['subject', 'mind', 'subject']],
  ],
  [
    'no preheader',
    { name: 'setEmail', what: { preheader: '' } },
    [['preheader-missing', 'mend', 'preheader']],
  ],
  ['low contrast', set('w0-0', { style: { color: '#777777' } }), [['contrast-low', 'mend', 'w0-0']]],
  ['contrast that just passes', set('w0-0', { style: { color: '#767676' } }), []],
  ['words of 13 px', set('w0-0', { style: { size: 13 } }), [['words-small', 'mend', 'w0-0']]],
  ['words of 14 px', set('w0-0', { style: { size: 14 } }), []],
  ['small words in a footer', { name: 'setBand', what: { id: 'b0', set: { role: 'footer' } } }, []],
  [
    'menu link that leads nowhere',
    add({
      ...newTile('menu', () => 'm'),
      items: [
        { label: 'Nights', link: '' },
        { label: 'Map', link: 'https://a.example' },
      ],
    }),
    [['link-missing', 'mend', 'm']],
  ],
  [
    'icon without alt text',
    add({
      ...newTile('social', () => 's'),
      icons: [
        {
          picture: { id: 'a'.repeat(64), type: 'image/png', width: 64, height: 64, bytes: 9 },
          alt: ' ',
          link: 'https://a.example',
        },
      ],
    }),
    [['alt-missing', 'mend', 's']],
  ],
  ['review without words', add({ ...newTile('review', () => 'r'), text: ' ' }), [['empty', 'mend', 'r']]],
  [
    'table whose head cannot be read',
    add({ ...newTile('table', () => 't'), headBackground: '#333333', headColor: '#444444' }),
    [['contrast-low', 'mend', 't']],
  ],
  [
    'code with a script',
    add({ ...newTile('code', () => 'k'), html: '<script>x</script><p>y</p>' }),
    [['code-changed', 'mind', 'k']],
  ],
  [
    'broken markup for the Word engine',
    add({ ...newTile('conditional', () => 'v'), word: '<table>' }),
    [['conditional-broken', 'mend', 'v']],
  ],
  [
    'heading 3 after heading 1',
    set('w0-0', {
      text: {
        type: 'doc',
        content: [1, 3].map((level) => ({
          type: 'heading',
          attrs: { level, textAlign: null },
          content: [{ type: 'text', text: 'x' }],
        })),
      },
    }),
    [['heading-order', 'mind', 'w0-0']],
  ],
  [
    'date that is none',
    {
      name: 'setEmail',
      what: {
        fields: [{ name: 'day', type: 'date' }],
        recipients: [{ name: 'A', values: { day: '2026-02-30' } }],
      },
    },
    [['field-value', 'mind', undefined]],
  ],
  [
    'plain text without words',
    { name: 'setEmail', what: { way: 'plain' } },
    [
      ['unsubscribe-missing', 'mend', undefined],
      ['empty', 'mend', undefined],
    ],
  ],
  [
    'HTML by hand without alt text and with an open condition',
    {
      name: 'setEmail',
      what: {
        way: 'hand',
        hand: {
          html: '<a href="[[unsubscribe]]">x</a><img src="a"><!--[if mso]>',
          pictures: {},
          inline: false,
        },
      },
    },
    [
      ['by-hand', 'mend', undefined],
      ['by-hand', 'mend', undefined],
    ],
  ],
  ['no words', set('w0-0', { text: textOf('') }), [['empty', 'mend', 'w0-0']]],
])('%s', (_, edit, found) => expect(after(edit)).toEqual(found))

test('HTML over 102 KB is found, with how much of it is used', () => {
  const long = applyEdit(
    applyEdit(longEmail(60), set('w0-1', { text: linked('Unsubscribe', '[[unsubscribe]]') })),
    { name: 'setEmail', what: { subject: 'Long', preheader: 'Long' } },
  )
  const bytes = Buffer.byteLength(compile(long, house, { src: (p) => p.id }))
  expect(bytes).toBeGreaterThan(HTML_LIMIT)
  expect(look(long).map((f) => f.what)).toEqual([`HTML of ${(bytes / 1024).toFixed(1)} KB, over 102 KB`])
})

test('one press mends a link without a scheme, in words too', () => {
  const broken = [
    set('w0-0', { text: linked('here', 'a.example/x') }),
    set('u0-0', { link: 'me@a.example' }),
  ].reduce(applyEdit, good)
  const findings = look(broken)
  expect(findings.map((f) => f.check)).toEqual(['link-scheme', 'link-scheme'])
  const mended = findings.reduce((e, f) => applyEdit(e, f.fix!.edit), broken)
  expect(look(mended)).toEqual([])
  expect(JSON.stringify(mended)).toContain('https://a.example/x')
  expect(JSON.stringify(mended)).toContain('mailto:me@a.example')
})

test.each([
  ['a.example', 'https://a.example'],
  ['//a.example/x', 'https://a.example/x'],
  ['http:/a.example', 'https://a.example'],
  ['me@a.example', 'mailto:me@a.example'],
  ['https://a.example', 'https://a.example'],
])('%s is mended to %s', (from, to) => expect(withScheme(from)).toBe(to))

test('what has to be mended comes first, then in the order of the email', () => {
  const many = [
    set('p0-0', { link: '' }),
    set('u0-1', { link: '' }),
    { name: 'setEmail', what: { subject: '' } } as Edit,
  ].reduce(applyEdit, good)
  expect(look(many).map((f) => f.check)).toEqual(['subject', 'link-missing', 'link-missing'])
  expect(look(many).map((f) => f.severity)).toEqual(['mend', 'mend', 'mind'])
})

test('a finding keeps its id whatever else is found, so that one left with a reason stays so', () => {
  const broken = [
    set('w0-0', { text: linked('here', 'a.example/x') }),
    set('u0-0', { link: 'b.example' }),
  ].reduce(applyEdit, good)
  const [words, button] = look(broken)
  expect([words!.id, button!.id]).toEqual(['link-scheme:w0-0:a.example/x', 'link-scheme:u0-0:b.example'])
  const alone = applyEdit(broken, set('w0-0', { text: textOf('Words') }))
  expect(look(alone).map((f) => f.id)).toEqual([button!.id])

  const muted = applyEdit(broken, {
    name: 'mute',
    what: { finding: button!.id, reason: 'The platform adds it.' },
  })
  expect(look(muted).map((f) => f.muted)).toEqual([undefined, 'The platform adds it.'])
  expect(toMend(look(muted)).map((f) => f.id)).toEqual([words!.id])
  // Another address is another matter.
  expect(toMend(look(applyEdit(muted, set('u0-0', { link: 'c.example' }))))).toHaveLength(2)
  const again = applyEdit(muted, { name: 'unmute', what: { finding: button!.id } })
  expect(again.muted).toBeUndefined()
  expect(toMend(look(again))).toHaveLength(2)
})

test('the same matter twice in one place has two ids', () => {
  const twice: RichText = {
    type: 'doc',
    content: [
      ...linked('one', 'a.example').content,
      ...linked('two', 'b.example').content,
      ...linked('three', 'a.example').content,
    ],
  }
  const ids = look(applyEdit(good, set('w0-0', { text: twice }))).map((f) => f.id)
  expect(ids).toEqual([
    'link-scheme:w0-0:a.example',
    'link-scheme:w0-0:b.example',
    'link-scheme:w0-0:a.example:2',
  ])
})

test('an edit of one band leaves what was found in the others to memory', () => {
  const seen: string[] = []
  const counting: Check[] = [{ name: 'counting', about: '', tile: ({ tile }) => (seen.push(tile.id), []) }]
  const style = styleOf(house, {})
  const run = (email: Email) => runChecks(counting, scopeOf(email, style, '', 0))
  const email = longEmail(3)
  run(email)
  expect(seen).toHaveLength(18)
  seen.length = 0
  run(applyEdit(email, set('w1-0', { show: 'wide' })))
  expect(seen.every((id) => /1-/.test(id))).toBe(true)
  expect(seen).toHaveLength(6)
})
