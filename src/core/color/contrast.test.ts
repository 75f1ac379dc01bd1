import { contrast, wantedContrast } from './contrast'
import { readHex, toHex, toRgb } from './hex'

// WCAG 2.2: #767676 on white is 4.54:1, black on white 21:1 (the usual worked examples; #777777 just fails AA
// at 4.48).
test.each([
  ['#767676', '#ffffff', 4.54],
  ['#000000', '#ffffff', 21],
  ['#777777', '#ffffff', 4.48],
  ['#ffffff', '#ffffff', 1],
  ['#0000ff', '#ffffff', 8.59],
])('contrast of %s on %s is %d', (a, b, ratio) => {
  expect(contrast(a, b)).toBeCloseTo(ratio, 2)
  expect(contrast(b, a)).toBe(contrast(a, b))
})

test('large words need less (WCAG 2.2, 1.4.3: 18 pt, or 14 pt and bold)', () => {
  expect([
    wantedContrast(16, false),
    wantedContrast(23.9, false),
    wantedContrast(24, false),
    wantedContrast(18.66, true),
    wantedContrast(18, true),
  ]).toEqual([4.5, 4.5, 3, 3, 4.5])
})

test('colours are read as people type them', () => {
  expect([
    readHex('#ABC'),
    readHex('abcdef'),
    readHex(' #12345F '),
    readHex('red'),
    readHex('#1234'),
  ]).toEqual(['#aabbcc', '#abcdef', '#12345f', null, null])
  expect(toHex(toRgb('#12ab9f'))).toBe('#12ab9f')
  expect(toHex([-3, 300, 127.6])).toBe('#00ff80')
  expect(() => toRgb('blue')).toThrow(RangeError)
})
