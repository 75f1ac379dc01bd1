import { isPrice } from './prices'

test.each([
  '48.00',
  '€ 24',
  '24 €',
  '3,90',
  'EUR 1 200',
  "CHF 1'250.50",
  '199 kr',
  '-12.50',
  '\u2212 4,00',
  '£9',
])('%s is a price', (said) => expect(isPrice(said)).toBe(true))

// Figures, times, dates, sizes and words are none.
test.each(['220', '20.30 h', '12:40', '9 May', '9 MAY', '2026', '500 g', 'Read on', '', 'from € 24', '3.5'])(
  '%s is none',
  (said) => expect(isPrice(said)).toBe(false),
)
