import { join } from 'node:path'
import { createCanvas, GlobalFonts } from '@napi-rs/canvas'
import { textOf } from '../email/richtext'
import { fontStacks, type SafeFont } from '../email/fonts'
import { plainHouseStyle } from '../email/styles'
import { readInk, type Ink } from './ink'
import { Typography, type Letters } from './typography'
import type { Cut } from './plan'
import { isItalic, serifs, span, tellFonts, type Sample } from './typeface'

// Letters of open fonts (SIL OFL 1.1), as their packages ship them, drawn by Skia; the weights were found on
// Barlow and Source Serif among others, not on Karla, Plex and Fraunces.
const shipped = {
  Barlow: 'barlow',
  Karla: 'karla',
  Plex: 'ibm-plex-sans',
  Source: 'source-serif-4',
  Fraunces: 'fraunces',
}
for (const [family, pack] of Object.entries(shipped))
  for (const style of ['400-normal', '700-normal', '400-italic']) {
    GlobalFonts.registerFromPath(
      join(process.cwd(), 'node_modules/@fontsource', pack, 'files', `${pack}-latin-${style}.woff2`),
      `T ${family} ${style}`,
    )
  }

interface Written {
  said: string
  x: number
  y: number
  size: number
  font: string
  spacing?: number
  right?: boolean
}

/** Draws words on white, px, and gives what reads them. @param scale design px for each px */
function drawn(words: Written[], scale: number) {
  const width = 640 * scale,
    height = (Math.max(...words.map((w) => w.y)) + 60) * scale
  const c = createCanvas(width, height).getContext('2d')
  c.fillStyle = '#ffffff'
  c.fillRect(0, 0, width, height)
  c.fillStyle = '#222222'
  const cuts = words.map(({ said, x, y, size, font, spacing = 0, right }, i): Cut => {
    c.font = `${size * scale}px "T ${font}"`
    c.letterSpacing = `${spacing * scale}px`
    const lines = said.split('\n'),
      w = Math.ceil(Math.max(...lines.map((l) => c.measureText(l).width)))
    const from = right ? x * scale - w : x * scale
    lines.forEach((l, n) => c.fillText(l, from, (y + n * size * 1.5) * scale))
    return {
      id: `c${i}`,
      x: Math.max(0, from - 4),
      y: Math.round((y - size) * scale),
      w: w + 8,
      h: Math.round(size * (1.35 + 1.5 * (lines.length - 1)) * scale),
      kind: 'words',
      alt: null,
      link: '',
      words: textOf(lines.join(' ')),
      ground: '#ffffff',
    }
  })
  const raster = { width, height, data: new Uint8Array(c.getImageData(0, 0, width, height).data.buffer) }
  return {
    cuts,
    readInk: (rect: { x: number; y: number; w: number; h: number }, ground: string): Ink =>
      readInk(raster, rect, ground),
  }
}

/** How words come out, in the order in which they were drawn. @param house the font of the house style */
function lettersOf(words: Written[], scale: number, house: SafeFont | 'Plex'): Letters[] {
  const style = {
    ...plainHouseStyle(),
    webFonts: [
      {
        family: 'Plex',
        fallback: 'sans' as const,
        files: [{ address: 'https://fonts.example/plex.woff2', weight: 400, italic: false }],
      },
    ],
  }
  for (const t of Object.values(style.text)) t.font = house
  const { cuts, readInk } = drawn(words, scale)
  const lettering = new Typography({ cuts, scale, house: style, readInk })
  return cuts.map((c) => lettering.of(c, '#ffffff'))
}

const sentence = 'The guide speaks slowly and answers every question.'

test.each([
  ['Barlow', false],
  ['Karla', false],
  ['Plex', false],
  ['Source', true],
  ['Fraunces', true],
] as const)('%s has serifs: %s; italics and bold are seen', (family, has) => {
  for (const size of [16, 24, 40]) {
    const { cuts, readInk } = drawn(
      ['400-normal', '700-normal', '400-italic'].map((style, i) => ({
        said: sentence.slice(0, size > 30 ? 26 : 40),
        x: 20,
        y: 60 + i * 90,
        size,
        font: `${family} ${style}`,
      })),
      2,
    )
    const [regular, bold, italic] = cuts.map((c) => readInk(c, '#ffffff').lines)
    expect([regular, bold, italic].map((l) => serifs(l!)! > 0)).toEqual([has, has, has])
    // Italics of Karla lean by a few degrees only, which is not seen in small ones.
    expect([isItalic(regular!), isItalic(bold!), isItalic(italic!)]).toEqual([
      false,
      false,
      family !== 'Karla' || size > 16,
    ])
    expect(bold![0]!.stroke).toBeGreaterThan(1.25 * regular![0]!.stroke)
  }
})

test('words with serifs in a sans house are set in a serif font, and the other way round; words of the house stay as they are', () => {
  const words = [
    { said: 'Sleep through the valley', x: 20, y: 60, size: 34, font: 'Source 400-normal' },
    { said: sentence, x: 20, y: 120, size: 16, font: 'Barlow 400-normal' },
    {
      said: 'Bring warm clothes, the platform stands in the wind.',
      x: 20,
      y: 170,
      size: 16,
      font: 'Barlow 400-normal',
    },
  ]
  const inSans = lettersOf(words, 2, 'sans'),
    inSerif = lettersOf(words, 2, 'serif')
  expect(['serif', 'times']).toContain(inSans[0]!.font)
  expect(inSans.slice(1).map((l) => l.font)).toEqual([undefined, undefined])
  expect(inSerif[0]!.font).toBeUndefined()
  expect(inSerif.slice(1).map((l) => l.stack)).toEqual([fontStacks.sans, fontStacks.sans])
})

test('figures are set in the font of what they are level with', () => {
  const row = [
    { said: 'Single evening', x: 20, y: 60, size: 15, font: 'Barlow 400-normal' },
    { said: '24.00', x: 600, y: 60, size: 15, font: 'Barlow 400-normal', right: true },
    { said: 'Three evenings by the lake', x: 20, y: 96, size: 15, font: 'Barlow 400-normal' },
    { said: '60.00', x: 600, y: 96, size: 15, font: 'Barlow 400-normal', right: true },
  ]
  expect(lettersOf(row, 2, 'times').map((l) => l.font)).toEqual(['sans', 'sans', 'sans', 'sans'])
})

test('the size of words in another font comes between their height and their width, at 1x and 2x', () => {
  for (const scale of [1, 2])
    for (const size of [13, 16, 20, 28]) {
      const [a] = lettersOf(
        [{ said: `${sentence.slice(0, 30)}`, x: 20, y: 60, size, font: 'Plex 400-normal' }],
        scale,
        'sans',
      )
      // Plex is drawn wider than Arial by about a twentieth.
      expect(Math.abs(a!.size - size) / size).toBeLessThan(0.09)
      expect(a!.bold).toBe(false)
    }
})

test('words in a web font of the house stay in it, and are as large as they stand there', () => {
  const words = ['The guide speaks slowly and answers', 'Bring warm clothes, the platform stands'].map(
    (said, i) => ({ said, x: 20, y: 60 + 60 * i, size: 20, font: 'Plex 400-normal' }),
  )
  expect(lettersOf(words, 2, 'Plex').map((l) => [l.font, Math.abs(l.size - 20) <= 1])).toEqual([
    [undefined, true],
    [undefined, true],
  ])
  // A serif heading beside it is none of it.
  expect(
    lettersOf(
      [
        { said: 'The night train leaves', x: 20, y: 60, size: 20, font: 'Source 400-normal' },
        ...words.map((w) => ({ ...w, y: w.y + 80 })),
      ],
      2,
      'Plex',
    ).map((l) => l.font !== undefined),
  ).toEqual([true, false, false])
})

test('capitals that are set wide have letter spacing; words of which only some were read do not', () => {
  const [wide, plain] = lettersOf(
    [
      { said: 'HARBOUR', x: 20, y: 60, size: 24, font: 'Barlow 700-normal', spacing: 6 },
      { said: 'HARBOUR', x: 20, y: 140, size: 24, font: 'Plex 700-normal' },
    ],
    2,
    'sans',
  )
  // Barlow is narrower than the Arial that stands in for it: some of the space makes good for that.
  expect(wide!.spacing).toBeGreaterThan(2)
  expect(wide!.spacing).toBeLessThan(8)
  expect(plain!.spacing).toBeUndefined()
  const { cuts, readInk } = drawn(
    [{ said: 'GOODS\nAND MORE', x: 20, y: 60, size: 16, font: 'Barlow 400-normal' }],
    2,
  )
  const half = new Typography({
    cuts: [{ ...cuts[0]!, words: textOf('GO') }],
    scale: 2,
    house: plainHouseStyle(),
    readInk,
  })
  expect(half.of({ ...cuts[0]!, words: textOf('GO') }, '#ffffff')).toMatchObject({ spacing: undefined })
})

test('lines stand where they stand in the design: a multi-line paragraph keeps its pitch, top and bottom', () => {
  const [two] = lettersOf(
    [
      {
        said: 'The dome opens at nine and closes\nwhen the last visitor has gone',
        x: 20,
        y: 60,
        size: 16,
        font: 'Plex 400-normal',
      },
    ],
    2,
    'sans',
  )
  expect(two!.ink.lines).toHaveLength(2)
  expect(two!.line).toBe(24)
  // Its baselines are at 60 and 84 px: the middle of its two lines is between them, less half of what letters
  // stand above their feet.
  expect(two!.bottom - two!.top).toBeCloseTo(2 * 2 * 24, 0)
  expect(Math.abs(two!.top / 2 - (60 - 24 / 2 - (16 * fontStacks.sans.drop) / 2))).toBeLessThan(1.5)
})

test('the words of a button: their size, weight and width, whatever the house has', () => {
  const said = 'Reserve a place',
    s = 2
  const c = createCanvas(600, 200).getContext('2d')
  c.fillStyle = '#ffffff'
  c.fillRect(0, 0, 600, 200)
  c.fillStyle = '#1d3557'
  c.fillRect(100, 50, 360, 92)
  c.font = `${15 * s}px "T Plex 700-normal"`
  c.fillStyle = '#ffffff'
  c.textAlign = 'center'
  c.fillText(said, 280, 106)
  const raster = { width: 600, height: 200, data: new Uint8Array(c.getImageData(0, 0, 600, 200).data.buffer) }
  const cut: Cut = {
    id: 'b',
    x: 100,
    y: 50,
    w: 360,
    h: 92,
    kind: 'button',
    alt: null,
    link: '',
    words: textOf(said),
    ground: '#ffffff',
    box: { background: '#1d3557', radius: 0 },
  }
  const label = new Typography({
    cuts: [cut],
    scale: s,
    house: plainHouseStyle(),
    readInk: (r, g) => readInk(raster, r, g),
  }).label(cut, cut.box!)
  expect(label).toMatchObject({ color: '#ffffff', bold: true, font: undefined })
  expect(Math.abs(label.size - 15)).toBeLessThanOrEqual(1)
  expect(Math.abs(label.width - c.measureText(said).width / s)).toBeLessThan(8)
})

test('a sample that says little is told by those level with it, and too few words have no width', () => {
  const line = {
    x: 0,
    y: 0,
    w: 300,
    h: 30,
    base: 24,
    small: 16,
    tall: 23.8,
    stroke: 0.23,
    contrast: 0.5,
    under: false,
    slant: 0,
    word: 40,
    gap: 2,
  }
  const sample = (id: string, more: Partial<Sample>): Sample => ({
    id,
    said: 'The night train leaves',
    lines: [line],
    house: fontStacks.sans,
    web: false,
    level: [],
    ...more,
  })
  // As tall for a small x as Times has them (0.662 of 0.447 em).
  expect(tellFonts([sample('a', {})]).has('a')).toBe(true)
  const figures = { ...line, small: 22, tall: 22, contrast: 0.68 }
  expect(
    [
      ...tellFonts([
        sample('a', {}),
        sample('b', { said: '24', lines: [figures], level: ['a'] }),
        sample('c', { said: '24', lines: [figures] }),
      ]).keys(),
    ].sort(),
  ).toEqual(['a', 'b'])
  expect(span('abc', 1, fontStacks.sans, {})).toBe(0)
  expect(span('two words', 3, fontStacks.sans, {})).toBe(0)
})
