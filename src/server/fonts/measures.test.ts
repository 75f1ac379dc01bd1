import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { entireMetricsCollection as open } from '@capsizecss/metrics/entireMetricsCollection'
import { createCanvas, GlobalFonts } from '@napi-rs/canvas'
import { readInk } from '@/core/cut/ink'
import type { Cut } from '@/core/cut/plan'
import { Typography } from '@/core/cut/typography'
import { setIn, type WebFont } from '@/core/email/fonts'
import { textOf } from '@/core/email/richtext'
import { plainHouseStyle } from '@/core/email/styles'
import { wordsWidth } from '@/core/email/widths'
import { measureFont } from './measures'

// Real files (SIL OFL 1.1), as their packages ship them.
const fileOf = (pack: string) =>
  join(process.cwd(), 'node_modules/@fontsource', pack, 'files', `${pack}-latin-400-normal.woff2`)
const fonts = [
  ['karla', 'humanist'],
  ['young-serif', 'serif'],
  ['marcellus', 'serif'],
  ['ibm-plex-sans', 'sans'],
] as const
for (const [pack] of fonts) GlobalFonts.registerFromPath(fileOf(pack), `M ${pack}`)

const webFont = (pack: string, fallback: WebFont['fallback'], measured = true): WebFont => ({
  family: 'House Face',
  fallback,
  files: [
    {
      address: 'https://fonts.example/face.woff2',
      weight: 400,
      italic: false,
      ...(measured ? { measures: measureFont(readFileSync(fileOf(pack)))! } : {}),
    },
  ],
})

const said = 'The guide speaks slowly and answers every question that is asked of the moon.'

// The open collection `@capsizecss/metrics`, which reads the same tables of the same open fonts.
test.each([
  ['karla', open.karla],
  ['young-serif', open.youngSerif],
  ['marcellus', open.marcellus],
  ['ibm-plex-sans', open.iBMPlexSans],
] as const)(
  '%s is as high as the open collection has it',
  (pack, { xHeight, capHeight, ascent, descent, unitsPerEm }) => {
    const { x, cap, drop } = measureFont(readFileSync(fileOf(pack)))!
    const perMille = [xHeight, capHeight, ascent + descent].map((units) =>
      Math.round((1000 * units) / unitsPerEm),
    )
    expect([x, cap, drop]).toEqual(perMille)
  },
)

// Against Skia's own measuring of the same files; kerning, which is left out, comes to less than that.
test.each(fonts)('words in %s are as wide as a browser draws them, within 2.5 %%', (pack, fallback) => {
  const c = createCanvas(8, 8).getContext('2d')
  c.font = `100px "M ${pack}"`
  const { width } = c.measureText(said)
  const stack = setIn('House Face', [webFont(pack, fallback)])
  expect(Math.abs(wordsWidth(said, stack, 100) / width - 1)).toBeLessThan(0.025)
})

/** The size that words of a design at 2x are read to have, whose house has a web font; px. */
function sizeOf(font: WebFont, pack: string, size: number): number {
  const scale = 2
  const [width, height] = [900 * scale, 80 * scale]
  const c = createCanvas(width, height).getContext('2d')
  c.fillStyle = '#ffffff'
  c.fillRect(0, 0, width, height)
  c.fillStyle = '#222222'
  c.font = `${size * scale}px "M ${pack}"`
  const lines = [said.slice(0, 44).trim(), said.slice(44).trim()]
  lines.forEach((l, i) => c.fillText(l, 20 * scale, (25 + i * size * 1.5) * scale))
  const data = new Uint8Array(c.getImageData(0, 0, width, height).data.buffer)
  const house = { ...plainHouseStyle(), webFonts: [font] }
  for (const style of Object.values(house.text)) style.font = 'House Face'
  const cut: Cut = {
    ...{ id: 'c', x: 0, y: 0, w: width, h: height, kind: 'words', alt: null, link: '', ground: '#ffffff' },
    words: textOf(lines.join(' ')),
  }
  const read = (r: { x: number; y: number; w: number; h: number }, ground: string) =>
    readInk({ width, height, data }, r, ground)
  return new Typography({ cuts: [cut], scale, house, readInk: read }).of(cut, '#ffffff').size
}

test('words in a measured web font have the size they were set in; by what stands in for it they do not always', () => {
  let missed = 0
  for (const [pack, fallback] of fonts)
    for (const size of [14, 15, 16, 17, 18, 19, 20]) {
      expect([pack, size, sizeOf(webFont(pack, fallback), pack, size)]).toEqual([pack, size, size])
      if (sizeOf(webFont(pack, fallback, false), pack, size) !== size) missed++
    }
  expect(missed).toBeGreaterThan(5)
})

test('what is no font, or a damaged one, has no measures', () => {
  expect(measureFont(Buffer.from('wOF2 and nothing else'))).toBeNull()
  expect(measureFont(readFileSync(fileOf('karla')).subarray(0, 900))).toBeNull()
})
