import type { ElementContent } from 'hast'
import { asSample } from '../text/fields'
import { isolated } from './bidi'

const shown = (nodes: ElementContent[]): string =>
  nodes
    .map((n) =>
      n.type === 'text'
        ? n.value
        : n.type === 'element'
          ? `<${n.properties.dir}>${shown(n.children)}</>`
          : '',
    )
    .join('')
const of = (words: string, dir: 'ltr' | 'rtl') => shown(isolated(words, { dir, fields: asSample() }))

// What needs isolating is told by the examples of UAX 9, 4.3, and of "Inline markup and bidirectional text in HTML" (W3C, 2021).
test.each([
  ['טלפון 03-123 4567, בין 9:00 ל-17:00', 'טלפון <ltr>03-123 4567</>, בין <ltr>9:00</> ל-<ltr>17:00</>'],
  ['כתובת: 4 Mill Lane, Tarn.', 'כתובת: <ltr>4 Mill Lane, Tarn</>.'],
  ['כתבו אל ask@tarn.example עכשיו', 'כתבו אל <ltr>ask@tarn.example</> עכשיו'],
  ['ראו https://tarn.example/a?b=1 כאן', 'ראו <ltr>https://tarn.example/a?b=1</> כאן'],
  ['שפת C++', 'שפת <ltr>C++</>'],
  ['Tarn Walks', 'Tarn Walks'],
  ['שלום', 'שלום'],
])('from right to left: %s', (words, wanted) => expect(of(words, 'rtl')).toBe(wanted))

test.each([
  ['See רחוב הרצל 5, today', 'See <rtl>רחוב הרצל 5</>, today'],
  ['Hours 9:00 to 17:00, call 03-123 4567', 'Hours 9:00 to 17:00, call 03-123 4567'],
  ['The word שלום', 'The word שלום'],
])('from left to right: %s', (words, wanted) => expect(of(words, 'ltr')).toBe(wanted))

test('a field is left whole, whatever it is called', () =>
  expect(of('שלום [[client.first-name|2 friends]] שלום', 'rtl')).not.toContain('<'))
