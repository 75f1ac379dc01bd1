import fc from 'fast-check'
import { plainOf, richTextSchema, textOf, withLists } from './richtext'

test('paragraphs that begin with marks or numbers in a row become lists; a single one stays', () => {
  const doc = withLists(
    textOf(
      'Good to know\n\n• Doors open at dusk\n\n• Coats hang by the stove\n\n1. Measure\n\n2) Order\n\n3. Wear\n\n• Alone',
    ),
  )
  richTextSchema.parse(doc)
  expect(
    doc.content.map((b) => [
      b.type,
      b.type === 'bulletList' || b.type === 'orderedList' ? b.content.length : 0,
    ]),
  ).toEqual([
    ['paragraph', 0],
    ['bulletList', 2],
    ['orderedList', 3],
    ['paragraph', 0],
  ])
  expect(plainOf(doc)).toContain('Doors open at dusk')
  expect(plainOf(doc)).not.toContain('• Doors')
  expect(plainOf(doc)).toContain('• Alone')
})

test('whatever is said, a text with lists is a text, and loses no word', () => {
  const said = fc.array(
    fc.constantFrom('• one', '2. two', '3) three', 'plain words', '10. ten\nand more', '•', '- dash'),
    { minLength: 1, maxLength: 8 },
  )
  fc.assert(
    fc.property(said, (parts) => {
      const before = textOf(parts.join('\n\n')),
        after = withLists(before)
      expect(richTextSchema.safeParse(after).success).toBe(true)
      const words = (t: string) =>
        t
          .replace(/(^|\n)\s*(?:[•-]|\d+[.)])\s+/g, '$1')
          .split(/\s+/)
          .filter((w) => /\p{L}/u.test(w))
      expect(words(plainOf(after))).toEqual(words(plainOf(before)))
    }),
  )
})
