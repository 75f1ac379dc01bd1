import sharp from 'sharp'
import { plainOf, textOf } from '../../email/richtext'
import type { Cut } from '../plan'
import type { Raster, Rect } from '../raster'
import { signIn, withSigns } from './signs'

const S = 2
async function raster(body: string, w = 600, h = 200): Promise<Raster> {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${S * w}" height="${S * h}"><g transform="scale(${S})"><rect width="${w}" height="${h}" fill="#ffffff"/>${body}</g></svg>`
  const { data, info } = await sharp(Buffer.from(svg))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) }
}
const at = (x: number, y: number, w: number, h: number): Rect => ({ x: S * x, y: S * y, w: S * w, h: S * h })

const tick = (x: number, y: number, width = 2, ink = '#1f8a4c') =>
  `<path d="M${x} ${y + 6}l4 5 8-10" fill="none" stroke="${ink}" stroke-width="${width}"/>`
const cross = (x: number, y: number, width = 2, ink = '#b03030') =>
  `<path d="M${x} ${y}l10 10m0-10l-10 10" fill="none" stroke="${ink}" stroke-width="${width}"/>`

test.each([
  ['a tick', tick(20, 20), '✓'],
  ['a thin tick', tick(20, 20, 1.2), '✓'],
  ['a bold tick', tick(20, 20, 3.4), '✓'],
  [
    'a tick of a font',
    '<text x="18" y="34" font-family="DejaVu Sans" font-size="16" fill="#1f8a4c">✔</text>',
    '✓',
  ],
  ['a cross', cross(21, 20), '✕'],
  ['a bold cross', cross(21, 20, 3.4), '✕'],
  [
    'a cross of a font',
    '<text x="18" y="34" font-family="DejaVu Sans" font-size="16" fill="#b03030">✗</text>',
    '✕',
  ],
  [
    'a tick on a disc',
    `<circle cx="26" cy="26" r="10" fill="#1f8a4c"/>${tick(20.5, 20.5, 2, '#ffffff')}`,
    '✓',
  ],
  [
    'a cross on a plate',
    `<rect x="14" y="14" width="24" height="24" rx="4" fill="#b03030"/>${cross(21, 21, 2, '#ffffff')}`,
    '✕',
  ],
] as const)('%s is told', async (_, body, sign) => {
  const found = signIn(await raster(body, 60, 60), at(8, 8, 40, 40), '#ffffff')
  expect(found?.sign).toBe(sign)
})

test.each([
  ['a disc', '<circle cx="26" cy="26" r="9" fill="#1f8a4c"/>'],
  ['a ring', '<circle cx="26" cy="26" r="8" fill="none" stroke="#1f8a4c" stroke-width="3"/>'],
  [
    'a letter',
    '<text x="18" y="34" font-family="Arimo" font-weight="700" font-size="18" fill="#222">B</text>',
  ],
  ['an arrow', '<path d="M16 26h18m-6-6l6 6-6 6" fill="none" stroke="#222" stroke-width="2.4"/>'],
  ['a heart', '<path d="M26 36l-9-9a5 5 0 0 1 9-5 5 5 0 0 1 9 5z" fill="#b03030"/>'],
  ['a line', '<path d="M16 26h20" stroke="#222" stroke-width="2.4"/>'],
])('%s is no sign', async (_, body) => {
  expect(signIn(await raster(body, 60, 60), at(8, 8, 40, 40), '#ffffff')).toBeNull()
})

const cut = (id: string, r: Rect, kind: Cut['kind'], words: string | null = null): Cut => ({
  id,
  ...r,
  kind,
  alt: null,
  link: '',
  words: words === null ? null : textOf(words),
  ground: '#ffffff',
})

test('signs of a column stand in a table as what they say; alone, or beside no words, they stay pictures', async () => {
  const body = tick(300, 20) + cross(301, 60) + tick(300, 150) + tick(500, 90)
  const cuts = [
    cut('a', at(40, 20, 90, 14), 'words', 'Documents'),
    cut('ta', at(299, 20, 14, 13), 'picture'),
    cut('b', at(40, 60, 90, 14), 'words', 'Reminders'),
    // Read as a letter.
    cut('tb', at(300, 59, 13, 13), 'words', 'X'),
    cut('tc', at(299, 150, 14, 13), 'picture'),
    cut('td', at(499, 90, 14, 13), 'picture'),
  ]
  const now = withSigns(cuts, await raster(body), S)
  expect(now.map((c) => [c.kind, c.words && plainOf(c.words)])).toEqual([
    ['words', 'Documents'],
    ['words', '✓'],
    ['words', 'Reminders'],
    ['words', '✕'],
    ['picture', null],
    ['picture', null],
  ])
  expect(now[1]!.lettering).toMatchObject({ color: '#1f8a4c', bold: false })
})
