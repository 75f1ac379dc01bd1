import sharp from 'sharp'
import { lettersParted } from './channels'

const luma = (data: Uint8ClampedArray | Uint8Array, i: number) =>
  0.299 * data[4 * i]! + 0.587 * data[4 * i + 1]! + 0.114 * data[4 * i + 2]!

/** Words in one colour on another, as a JPEG has them, and where their letters lie. */
async function words(ink: string, ground: string, quality: number) {
  const svg = (a: string, b: string) =>
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="240" height="48"><rect width="240" height="48" fill="${b}"/><text x="14" y="31" font-family="Arimo" font-weight="700" font-size="20" fill="${a}">Keep a berth now</text></svg>`,
    )
  const jpeg = await sharp(svg(ink, ground)).jpeg({ quality }).toBuffer()
  const { data, info } = await sharp(jpeg).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  const exact = await sharp(svg('#000000', '#ffffff')).greyscale().raw().toBuffer()
  return { raster: { width: info.width, height: info.height, data }, exact }
}

/** How like a picture is to the letters that it was drawn from: correlation (Pearson), -1 to 1. */
function correlation(levels: (i: number) => number, exact: Buffer): number {
  const n = exact.length
  let [a, b, aa, bb, ab] = [0, 0, 0, 0, 0]
  for (let i = 0; i < n; i++) {
    const [x, y] = [levels(i), exact[i]!]
    a += x
    b += y
    aa += x * x
    bb += y * y
    ab += x * y
  }
  return (ab / n - (a / n) * (b / n)) / Math.sqrt((aa / n - (a / n) ** 2) * (bb / n - (b / n) ** 2))
}

test.each([
  // White on a strong colour: nearly as light as it.
  ['#ffffff', '#f2c200', 55],
  // As light as its ground: only colour tells.
  ['#d81e3c', '#2f7a3a', 80],
  ['#ffffff', '#243b53', 60],
  ['#222222', '#ffffff', 60],
])('letters in %s on %s stand out as they were drawn', async (ink, ground, quality) => {
  const { raster, exact } = await words(ink, ground, quality)
  const parted = lettersParted(raster, ground)
  const ours = correlation((i) => parted[i]!, exact)
  const byLightness = Math.abs(correlation((i) => luma(raster.data, i), exact))
  expect(ours).toBeGreaterThan(0.88)
  expect(ours).toBeGreaterThanOrEqual(byLightness - 0.02)
  // Ink is dark and the ground white, whichever was lighter.
  expect(parted[0]).toBeGreaterThan(230)
  expect(Math.min(...parted)).toBeLessThan(40)
})
