import { findEdges } from './edges'
import type { Raster } from './raster'

/** Grounds below each other, each with its height, px. */
function grounds(...bands: [rgb: [number, number, number], height: number][]): Raster {
  const width = 200
  const height = bands.reduce((sum, [, h]) => sum + h, 0)
  const data = new Uint8Array(width * height * 4)
  let at = 0
  for (const [rgb, h] of bands) for (let i = 0; i < width * h; i++, at += 4) data.set([...rgb, 255], at)
  return { width, height, data }
}
const edgesOf = (raster: Raster) => findEdges(raster, 1).map((e) => [e.y, e.why])

// Paper beside a hair darker paper: 3 of 255 in one channel is the least that counts, as JPEG's noise on flat grounds stays beneath it (common practice, no source).
test.each([
  [3, true],
  [5, true],
  [2, false],
  [1, false],
])('a ground that changes by %i of 255 begins a band: %s', (by, found) => {
  const raster = grounds([[250, 250, 250], 90], [[250, 250, 250 - by], 90])
  expect(edgesOf(raster)).toEqual(found ? [[90, 'ground']] : [])
})

test('what does not hold is no ground: small changes need many rows, large ones few', () => {
  const white: [number, number, number] = [255, 255, 255]
  const stripe = (rgb: [number, number, number], height: number) =>
    edgesOf(grounds([white, 80], [rgb, height], [white, 80]))
  expect(stripe([250, 250, 250], 20)).toEqual([])
  expect(stripe([250, 250, 250], 60).map(([y]) => y)).toEqual([80, 140])
  expect(stripe([20, 60, 90], 60).map(([y]) => y)).toEqual([80, 140])
})
