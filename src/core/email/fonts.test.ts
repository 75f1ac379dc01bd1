import { entireMetricsCollection as open } from '@capsizecss/metrics/entireMetricsCollection'
import { fontFamily, fontStacks, safeFont, type SafeFont, type WebFont } from './fonts'

// The open collection of font metrics of the Capsize project (MIT), read from the font files themselves.
const names: Record<SafeFont, keyof typeof open> = {
  serif: 'georgia',
  times: 'timesNewRoman',
  sans: 'arial',
  humanist: 'trebuchetMS',
  tahoma: 'tahoma',
  wide: 'verdana',
  // The collection has no Arial Narrow, whose heights are Arial's.
  condensed: 'arial',
  mono: 'courierNew',
}

test.each(Object.entries(names) as [SafeFont, keyof typeof open][])(
  'the measures of %s are those of the open collection',
  (own, theirs) => {
    const { xHeight, capHeight, ascent, descent, unitsPerEm, familyName } = open[theirs] as Record<
      'xHeight' | 'capHeight' | 'ascent' | 'descent' | 'unitsPerEm',
      number
    > & { familyName: string }
    const f = fontStacks[own]
    // DejaVu Sans 2.37, horizontal header of the font file: ascent 1901, descent -483, of 2048.
    const other = own === 'wide' ? (1901 - 483) / 2048 : undefined
    const drop = (ascent + descent) / unitsPerEm
    for (const [mine, value] of [
      [f.x, xHeight / unitsPerEm],
      [f.cap, capHeight / unitsPerEm],
      [f.drop, other === undefined ? drop : (drop + other) / 2],
    ] as const)
      expect(Math.abs(mine - value)).toBeLessThanOrEqual(0.0011)
    const first = f.css.split(',')[0]!.replace(/'/g, '')
    expect(first).toBe(own === 'condensed' ? 'Arial Narrow' : familyName)
  },
)

const web: WebFont[] = [
  {
    family: 'Old Ferry',
    fallback: 'serif',
    files: [{ address: 'https://fonts.example/ferry.woff2', weight: 400, italic: false }],
  },
]
test('a web font stands before what it falls back to; an unknown one is Arial', () => {
  expect(fontFamily('Old Ferry', web)).toBe(`'Old Ferry', ${fontStacks.serif.css}`)
  expect(fontFamily('Gone', web)).toBe(fontStacks.sans.css)
  expect(fontFamily('constructor', web)).toBe(fontStacks.sans.css)
  expect(safeFont('Old Ferry', web)).toBe(fontStacks.serif)
})
