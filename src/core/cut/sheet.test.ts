import sharp from 'sharp'
import { autocut } from './autocut'
import { sheetOf } from './sheet'
import type { Raster } from './raster'

const raster = async (height: number, body: string): Promise<Raster> => {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="${2 * height}" viewBox="0 0 600 ${height}">${body}</svg>`
  const { data, info } = await sharp(Buffer.from(svg))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) }
}
const page = '<rect width="600" height="900" fill="#efe8e0"/>'
const words = (x: number, y: number, says: string, fill = '#222') =>
  `<text x="${x}" y="${y}" font-family="Arimo" font-size="16" fill="${fill}">${says}</text>`

test('a white sheet on a coloured page is found, and its bands keep their grounds as boxes on it', async () => {
  const design = await raster(
    600,
    `${page}<rect x="20" y="50" width="560" height="500" fill="#fff"/><rect x="20" y="350" width="560" height="200" fill="#33302c"/>${words(60, 120, 'Three stoves from one foundry, side by side')}${words(60, 450, 'A fitter looks at your chimney', '#fff')}${words(200, 585, 'Sent to you since you asked')}`,
  )
  expect(sheetOf(design, 2, 8)).toEqual({ x: 40, w: 1120, page: '#efe8e0' })
  const { panels, cuts } = autocut(design, 2)
  expect(panels.filter((p) => p.w === 1120).map((p) => p.color)).toEqual(['#ffffff', '#33302c'])
  expect(cuts.filter((c) => c.kind === 'words')).toHaveLength(3)
  expect(cuts.every((c) => c.x >= 40 && c.x + c.w <= 1160)).toBe(true)
})

test.each([
  [
    'bands from edge to edge',
    `${page}<rect y="200" width="600" height="300" fill="#fff"/>${words(60, 300, 'Words')}`,
  ],
  [
    'words with margins',
    `<rect width="600" height="600" fill="#fff"/>${words(40, 60, 'Words on white')}${words(40, 160, 'and more of them')}`,
  ],
  [
    'a card with an edge alone',
    '<rect width="600" height="600" fill="#fff"/><rect x="20.5" y="20.5" width="559" height="559" fill="none" stroke="#ccc"/>',
  ],
  [
    'boxes on a page',
    `${page}<rect x="20" y="10" width="560" height="280" fill="#fff"/><rect x="20" y="306" width="560" height="284" fill="#fff"/>`,
  ],
  ['a box on one side', `${page}<rect x="20" width="300" height="600" fill="#fff"/>`],
])('%s are no sheet', async (_, body) => {
  expect(sheetOf(await raster(600, body), 2, 8)).toBeNull()
})

test('a sheet whose bands hardly differ from the page is one', async () => {
  const design = await raster(
    600,
    `<rect width="600" height="600" fill="#eef5e9"/><rect x="20" y="20" width="560" height="180" fill="#fff"/><rect x="20" y="200" width="560" height="300" fill="#ebf2e4"/><rect x="20" y="500" width="560" height="80" fill="#23401a"/>`,
  )
  expect(sheetOf(design, 2, 8)).toEqual({ x: 40, w: 1120, page: '#eef5e9' })
})
