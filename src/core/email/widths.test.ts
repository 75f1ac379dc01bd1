import { entireMetricsCollection as open } from '@capsizecss/metrics/entireMetricsCollection'
import { createCanvas } from '@napi-rs/canvas'
import { lendCanvasFonts } from '@/server/fonts/canvas'
import { fontStacks, type SafeFont } from './fonts'
import { lineWidth, wordsWidth } from './widths'

lendCanvasFonts()

const sentence = 'The dome opens at nine and closes when the last visitor has seen Saturn.'

// The open collection of the Capsize project (MIT) gives the mean width of running English text in each font,
// by the frequency of letters.
test.each([
  ['serif', 'georgia'],
  ['times', 'timesNewRoman'],
  ['sans', 'arial'],
  ['humanist', 'trebuchetMS'],
  ['tahoma', 'tahoma'],
  ['wide', 'verdana'],
  ['mono', 'courierNew'],
] as const)('running text in %s is as wide as the open collection says', (own, theirs) => {
  const { xWidthAvg, unitsPerEm } = open[theirs]
  expect(
    Math.abs(wordsWidth(sentence, fontStacks[own], 1) / [...sentence].length / (xWidthAvg / unitsPerEm) - 1),
  ).toBeLessThan(0.05)
})

// Arimo and Tinos have the metrics of Arial and Times New Roman by design; Skia measures them.
test.each([
  ['sans', 'Arimo'],
  ['times', 'Tinos'],
] as const)('words in %s are as wide as Skia sets them', (own, family) => {
  const c = createCanvas(8, 8).getContext('2d')
  for (const bold of [false, true])
    for (const words of [
      sentence,
      'MARROW',
      '\u20ac 189',
      'It\u2019s \u201copen\u201d \u2013 come\u2026',
      'Z\u00fcrich caf\u00e9',
    ]) {
      c.font = `${bold ? 'bold ' : ''}16px "${family}"`
      const mine = wordsWidth(words, fontStacks[own], 16, { bold })
      expect(Math.abs(mine / c.measureText(words).width - 1)).toBeLessThan(0.06)
    }
})

test('wider fonts, bold and more letters make a longer line; size scales it; a line has a little room', () => {
  const of = (f: SafeFont, bold = false) => wordsWidth('Keep two places', fontStacks[f], 16, { bold })
  expect(of('wide')).toBeGreaterThan(of('sans'))
  expect(of('sans', true)).toBeGreaterThan(of('sans'))
  // Chromium sets these words in Arimo (the metrics of Arial) at 16 px: 117.4 px (measured).
  expect(Math.abs(of('sans') - 117.4)).toBeLessThan(1)
  expect(wordsWidth('Keep two places', fontStacks.sans, 32)).toBeCloseTo(2 * of('sans'))
  expect(lineWidth('Keep two places', fontStacks.sans, 16, false)).toBeGreaterThan(of('sans'))
})
