import fc from 'fast-check'
import sharp from 'sharp'
import { samples } from '@/test-support/samples'
import { toRgb } from '../color/hex'
import { colorAt } from '../email/gradient'
import type { Gradient } from '../email/styles'
import { linearGradientOf } from './gradient'
import type { Raster, Rect } from './raster'

interface Drawn {
  svg: string
  jpeg?: boolean
}

/** Drawn by librsvg, which knows nothing of ours. */
async function raster({ svg, jpeg = false }: Drawn): Promise<Raster> {
  const png = sharp(Buffer.from(svg)).flatten({ background: '#ffffff' })
  const image = jpeg ? sharp(await png.jpeg({ quality: 85 }).toBuffer()) : png
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) }
}

/** The ends of the line of a CSS gradient in a box (CSS Images 3, 3.1.1). */
function lineOf({ w, h }: Pick<Rect, 'w' | 'h'>, angle: number) {
  const a = (angle * Math.PI) / 180
  const half = (Math.abs(w * Math.sin(a)) + Math.abs(h * Math.cos(a))) / 2
  const [dx, dy] = [Math.sin(a) * half, -Math.cos(a) * half]
  return { x1: w / 2 - dx, y1: h / 2 - dy, x2: w / 2 + dx, y2: h / 2 + dy }
}

function drawing({ w, h }: { w: number; h: number }, g: Gradient, more = ''): string {
  const { x1, y1, x2, y2 } = lineOf({ w, h }, g.angle)
  const stops = g.stops.map((s) => `<stop offset="${s.at / 100}" stop-color="${s.color}"/>`).join('')
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}"><defs><linearGradient id="g" gradientUnits="userSpaceOnUse" x1="${x1}" y1="${y1}" x2="${x2}" y2="${y2}">${stops}</linearGradient></defs><rect width="${w}" height="${h}" fill="url(#g)"/>${more}</svg>`
}

/** How far two gradients are apart on their line, where one is seen from either end, 0 to 255. */
function apart(a: Gradient, b: Gradient): number {
  const turned = Math.cos(((a.angle - b.angle) * Math.PI) / 180) < 0
  return Math.max(
    ...[5, 20, 35, 50, 65, 80, 95].flatMap((t) => {
      const [one, other] = [toRgb(colorAt(a, t)), toRgb(colorAt(b, turned ? 100 - t : t))]
      return ([0, 1, 2] as const).map((c) => Math.abs(one[c] - other[c]))
    }),
  )
}

const color = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`)
const size = fc.record({ w: fc.integer({ min: 120, max: 700 }), h: fc.integer({ min: 40, max: 500 }) })
const two = fc.tuple(fc.integer({ min: 0, max: 359 }), color, color).map(([angle, from, to]): Gradient => ({
  angle,
  stops: [
    { color: from, at: 0 },
    { color: to, at: 100 },
  ],
}))
const strong = (g: Gradient) => {
  const [a, b] = [toRgb(g.stops[0]!.color), toRgb(g.stops.at(-1)!.color)]
  return Math.max(...([0, 1, 2] as const).map((c) => Math.abs(a[c] - b[c]))) >= 40
}

test('a gradient drawn by another program is found with its way and its colours', async () => {
  await fc.assert(
    fc.asyncProperty(size, two.filter(strong), fc.boolean(), async ({ w, h }, g, jpeg) => {
      const found = linearGradientOf(
        await raster({ svg: drawing({ w, h }, g), jpeg }),
        { x: 0, y: 0, w, h },
        [],
      )
      expect(found).not.toBeNull()
      expect(apart(g, found!)).toBeLessThanOrEqual(6)
    }),
    { numRuns: samples(40), seed: 11 },
  )
})

test('stops between are found where they are, also under words that stand apart', async () => {
  const g: Gradient = {
    angle: 90,
    stops: [
      { color: '#1b2a4a', at: 0 },
      { color: '#7a3b69', at: 40 },
      { color: '#e07a5f', at: 100 },
    ],
  }
  const words =
    '<text x="60" y="90" font-family="Arimo" font-size="34" font-weight="700" fill="#fff">Rooms for the night</text>'
  const r = await raster({ svg: drawing({ w: 600, h: 160 }, g, words) })
  const found = linearGradientOf(r, { x: 0, y: 0, w: 600, h: 160 }, [{ x: 55, y: 55, w: 360, h: 46 }])!
  expect(found.angle).toBe(90)
  expect(apart(g, found)).toBeLessThanOrEqual(4)
  expect(found.stops.length).toBeLessThanOrEqual(4)
  expect(found.stops.some((s) => Math.abs(s.at - 40) < 5)).toBe(true)
})

test.each([
  ['a plain ground', '<rect width="400" height="200" fill="#445566"/>'],
  [
    'two plain halves',
    '<rect width="400" height="200" fill="#445566"/><rect y="100" width="400" height="100" fill="#ccddee"/>',
  ],
  [
    'rings',
    '<defs><radialGradient id="r"><stop stop-color="#fff"/><stop offset="1" stop-color="#225"/></radialGradient></defs><rect width="400" height="200" fill="url(#r)"/>',
  ],
  [
    'hills before a sky',
    '<defs><linearGradient id="s" x2="0" y2="1"><stop stop-color="#16324f"/><stop offset="1" stop-color="#d98c5f"/></linearGradient></defs><rect width="400" height="200" fill="url(#s)"/><path d="M0 150 L120 90 L220 160 L330 70 L400 130 V200 H0Z" fill="#203020"/>',
  ],
])('%s is none', async (_, body) => {
  const r = await raster({
    svg: `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="200">${body}</svg>`,
  })
  expect(linearGradientOf(r, { x: 0, y: 0, w: 400, h: 200 }, [])).toBeNull()
})
