import fc from 'fast-check'
import { fromHtml } from 'hast-util-from-html'
import { selectAll } from 'hast-util-select'
import { samples } from '@/test-support/samples'
import { Selecting } from './select'
import { elementsOf } from './elements'

const compound = fc
  .tuple(
    fc.constantFrom('', 'p', 'b', 'td', '*'),
    fc.constantFrom('', '.a', '.b', '.a.b', '#i', '[title]', '[title="x y"]', '[class~=a]'),
    fc.constantFrom(
      '',
      ':first-child',
      ':not(.b)',
      ':nth-child(2n+1)',
      ':last-child',
      ':empty',
      ':is(p, .a)',
    ),
  )
  .map((parts) => parts.join(''))
  .filter(Boolean)
const selector = fc
  .array(fc.tuple(compound, fc.constantFrom(' ', ' > ', ' + ', ' ~ ')), { minLength: 1, maxLength: 3 })
  .map((parts) => parts.map(([c, combinator], i) => (i ? combinator : '') + c).join(''))
const markup = fc
  .array(
    fc.constantFrom(
      '<p class="a">',
      '</p>',
      '<div class="b a" id="i">',
      '</div>',
      '<b title="x y">',
      '</b>',
      'word',
      '<i class="b">',
      '</i>',
      '<table><tr><td class="a">x</td><td>y</td></tr></table>',
    ),
    { maxLength: 25 },
  )
  .map((parts) => parts.join(''))

// hast-util-select is another implementation of Selectors Level 4.
test('finds what a general selector library finds, in the same order', () => {
  fc.assert(
    fc.property(markup, selector, (source, asked) => {
      const tree = fromHtml(source)
      const order = [...elementsOf(tree)]
      const ours = new Selecting(tree).all(asked)
      const theirs = new Set(selectAll(asked, tree))
      expect(ours).toEqual(order.filter((e) => theirs.has(e)))
    }),
    { numRuns: samples(600) },
  )
})

test('what is no selector is said', () => {
  const selecting = new Selecting(fromHtml('<p>x</p>'))
  for (const none of ['p:unheard-of', 'p[', '']) expect(() => selecting.all(none)).toThrow()
})
