import { toVideoRange } from './video-range'

/** Luma and both chromas of a picture of 2 by 2 px in one colour. */
const of = (...rgba: number[]) => {
  const planes = toVideoRange(Uint8Array.from([...rgba, ...rgba, ...rgba, ...rgba]), { width: 2, height: 2 })
  expect(planes).toHaveLength(6)
  expect(new Set(planes.subarray(0, 4)).size).toBe(1)
  return [planes[0], planes[4], planes[5]]
}

/* 100 % colour bars of ITU-R BT.709 in 8 bits, as broadcasting test signals give them (values from memory of SMPTE RP 219, rounded). */
test.each([
  ['white', [255, 255, 255, 255], [235, 128, 128]],
  ['black', [0, 0, 0, 255], [16, 128, 128]],
  ['red', [255, 0, 0, 255], [63, 102, 240]],
  ['green', [0, 255, 0, 255], [173, 42, 26]],
  ['blue', [0, 0, 255, 255], [32, 240, 118]],
  ['yellow', [255, 255, 0, 255], [219, 16, 138]],
  ['cyan', [0, 255, 255, 255], [188, 154, 16]],
  ['magenta', [255, 0, 255, 255], [78, 214, 230]],
  ['what is clear, on white', [10, 20, 30, 0], [235, 128, 128]],
])('%s', (_, rgba, planes) => expect(of(...rgba)).toEqual(planes))

test('chroma is shared by four pixels, luma is not', () => {
  const [black, white] = [
    [0, 0, 0, 255],
    [255, 255, 255, 255],
  ]
  const planes = toVideoRange(Uint8Array.from([...black!, ...white!, ...white!, ...black!]), {
    width: 2,
    height: 2,
  })
  expect([...planes]).toEqual([16, 235, 235, 16, 128, 128])
})
