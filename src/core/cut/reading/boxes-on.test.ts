/** @jest-environment node */
import fc from 'fast-check'
import sharp from 'sharp'
import type { Raster } from '../raster'
import { boxesOn } from './boxes-on'

const drawn = async (svg: string, width = 600, height = 300): Promise<Raster> => {
  const { data } = await sharp(
    Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${svg}</svg>`),
  )
    .flatten({ background: '#ffffff' })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return { width, height, data: new Uint8ClampedArray(data) }
}
const all = { x: 0, y: 0, w: 600, h: 300 }
const slope =
  '<defs><linearGradient id="g" x2="1" y2="1"><stop stop-color="#123"/><stop offset="1" stop-color="#c96"/></linearGradient></defs><rect width="600" height="300" fill="url(#g)"/>'
const label = (x: number, y: number, fill: string) =>
  [0, 18, 36, 54].map((dx) => `<rect x="${x + dx}" y="${y}" width="8" height="14" fill="${fill}"/>`).join('')

test('a filled button on a slope of colour is found with its place, its colour, its round ends and its label', async () => {
  const raster = await drawn(
    `${slope}<rect x="100" y="120" width="180" height="48" rx="24" fill="#fbf6ee"/>${label(155, 137, '#5a2d0c')}`,
  )
  expect(boxesOn(raster, all, 1)).toEqual([
    {
      rect: { x: 100, y: 120, w: 180, h: 48 },
      box: { background: '#fbf6ee', radius: 24 },
      label: { x: 155, y: 137, w: 62, h: 14 },
    },
  ])
})

test('an outlined button is found by its edge, on a plain ground and on a picture', async () => {
  const edge = (x: number) =>
    `<rect x="${x + 1}" y="61" width="158" height="46" rx="23" fill="none" stroke="#ffffff" stroke-width="2"/>${label(x + 48, 77, '#ffffff')}`
  for (const ground of [slope, '<rect width="600" height="300" fill="#211a14"/>']) {
    const [found, ...more] = boxesOn(await drawn(ground + edge(200)), all, 1)
    expect(more).toEqual([])
    expect(found).toMatchObject({
      rect: { x: 200, y: 60, w: 160, h: 48 },
      box: { borderWidth: 2, borderColor: '#ffffff' },
    })
    expect(found!.box.radius).toBeGreaterThanOrEqual(20)
  }
})

test('a box that says nothing, rules of a table, and a slope are no buttons', async () => {
  const empty = `<rect x="100" y="120" width="180" height="48" fill="#fbf6ee"/>`
  const rules = [40, 80, 120].map((y) => `<rect y="${y}" width="600" height="2" fill="#999"/>`).join('')
  expect(boxesOn(await drawn(slope + empty), all, 1)).toEqual([])
  expect(boxesOn(await drawn(`<rect width="600" height="300" fill="#fff"/>${rules}`), all, 1)).toEqual([])
  expect(boxesOn(await drawn(slope), all, 1)).toEqual([])
})

test('wherever a button stands and however large it is, its place is exact', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.record({
        x: fc.integer({ min: 10, max: 300 }),
        y: fc.integer({ min: 10, max: 200 }),
        w: fc.integer({ min: 90, max: 260 }),
        h: fc.integer({ min: 30, max: 60 }),
        round: fc.constantFrom(0, 4, 12),
      }),
      async ({ x, y, w, h, round }) => {
        const raster = await drawn(
          `${slope}<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="${round}" fill="#fff"/>${label(x + 12, y + h / 2 - 7, '#222')}`,
        )
        expect(boxesOn(raster, all, 1).map((b) => b.rect)).toEqual([{ x, y, w, h }])
      },
    ),
    { numRuns: 12 },
  )
})
