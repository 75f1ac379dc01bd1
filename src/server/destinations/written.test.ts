import { applyEdit, type Edit } from '@/core/email/edits'
import { textOf } from '@/core/email/richtext'
import { house, longEmail } from '@/test-support/emails'
import { write, writeAs, type How } from './written'

const places = { places: 'folder' } as const
const emailWith = (edits: Edit[]) =>
  [{ name: 'setEmail', what: { subject: 'Walks' } } as Edit, ...edits].reduce(applyEdit, longEmail(1))

describe('an email in the writing of a destination', () => {
  const tile = (text: string) => ({
    name: 'setTile' as const,
    what: { id: 'w0-0', kind: 'words' as const, set: { text: textOf(text) } },
  })
  test('words that look like its own fields are escaped, its fields and conditions are not', () => {
    const email = emailWith([
      tile('Pay <<here>> dear [[name | <<you>>]]'),
      { name: 'setEmail', what: { subject: '<<Sale>> for [[name | you]]', preheader: '<<P>>' } },
      { name: 'setBand', what: { id: 'b0', set: { when: { field: 'city', test: 'is', value: 'Tarn' } } } },
    ])
    const escape = (s: string) => s.replace(/&lt;&lt;|<</g, '(((')
    const written = writeAs(
      {
        fields: ({ name, fallback }) => `<<${name}:${fallback}>>`,
        conditions: (c) => ({ before: `<<if ${c.field}>>`, after: '<<end>>' }),
        escape: { html: escape, text: escape },
      },
      email,
      house,
      places,
    )
    expect(written.subject).toBe('(((Sale>> for <<name:you>>')
    expect(written.preheader).toBe('(((P>>')
    expect(written.text).toContain('Pay (((here>> dear <<name:<<you>>>>')
    expect(written.html).toMatch(/Pay \(\(\(here(&gt;|>)/)
    expect(written.html).toContain('<<if city>>')
    expect(written.html.indexOf('<<end>>')).toBeGreaterThan(written.html.indexOf('<<if city>>'))
    // Nothing of what held their places is left.
    expect([written.html, written.text, written.subject].join('')).not.toMatch(/[\ue000-\ue002]/)
  })

  test('without an escape it is written straight', () => {
    const email = emailWith([tile('Dear [[name | you]]'), { name: 'setEmail', what: { preheader: '[[a]]' } }])
    const written = writeAs(
      { fields: ({ name }) => `%${name}%`, conditions: () => true },
      email,
      house,
      places,
    )
    expect([written.subject, written.preheader]).toEqual(['Walks', '%a%'])
    expect(written.html).toContain('Dear %name%')
    expect(written.text).toContain('Dear %name%')
  })
})

test('the platform stand-in: fields, the way out and conditions in its writing, words that look like them escaped', () => {
  const email = emailWith([
    {
      name: 'setTile',
      what: { id: 'w0-0', kind: 'words', set: { text: textOf('{:not:} {? [[name | you]] [[city]]') } },
    },
    { name: 'setTile', what: { id: 'u0-0', kind: 'button', set: { link: '[[unsubscribe]]' } } },
    { name: 'setBand', what: { id: 'b0', set: { when: { field: 'city', test: 'is', value: 'Tarn' } } } },
  ])
  const { html, text } = write(email, house, { writing: 'platform', places: 'folder' })
  expect(html).toContain('&#123;:not:} &#123;? {:name:you:} {:city:}')
  expect(text).toContain('{\u200b:not:} {\u200b? {:name:you:} {:city:}')
  expect(html).toContain('href="{:leave_link:}"')
  expect(html).toMatch(/\{\?city is "Tarn"\?\}[\s\S]*\{\?end\?\}/)
})

test('pictures stand where they are told to', () => {
  const email = longEmail(1)
  const [named] = write(email, house, { writing: 'document', places: 'app' }).pictures
  const id = named!.picture.id
  const srcs = (how: How['places']) =>
    /<img src="([^"]*)"/.exec(
      write(email, house, { writing: 'document', places: how, message: 'm7' }).html,
    )![1]
  expect([srcs('app'), srcs('folder'), srcs('message'), srcs({ [id]: 'https://cdn.example/a' })]).toEqual([
    `/api/pictures/${id}`,
    `images/${named!.name}`,
    'cid:1.m7@mosaicus.example',
    'https://cdn.example/a',
  ])
})

test('an email leaves compact, and readable where that was chosen for it', () => {
  const leaves = (email = emailWith([]), how: Partial<How> = {}) =>
    write(email, house, { writing: 'document', places: 'folder', ...how }).html
  const readable = emailWith([{ name: 'setEmail', what: { readable: true } }])
  expect(leaves()).not.toMatch(/^ /m)
  expect(leaves(readable)).toMatch(/^ {6,}<td/m)
  expect(leaves().length).toBeLessThan(0.85 * leaves(readable).length)
  // Whoever asks for a form gets it.
  expect(leaves(readable, { print: 'compact' })).toBe(leaves())
})
