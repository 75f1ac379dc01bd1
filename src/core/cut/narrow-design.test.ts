import sharp from 'sharp'
import { pairedDesign } from '@/test-support/paired'
import { buildScene } from '@/test-support/built'
import { plainOf } from '../email/richtext'
import { tilesOf } from '../email/walk'
import { plainHouseStyle } from '../email/styles'
import { groundOf } from './ground'
import { readNarrowDesign } from './narrow-design'
import type { Raster } from './raster'

const pixels = async (svg: string): Promise<Raster> => {
  const { data, info } = await sharp(Buffer.from(svg))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data }
}

test('a narrow design says of each cut how it is set on phones, where it stands, and whether it is there', async () => {
  const { wide, narrow } = pairedDesign()
  const { plan } = await buildScene(wide, 2)
  const [raster, phone] = [await pixels(wide.svg(2)), await pixels(narrow.svg(2))]
  const { width, height } = raster
  const design = readNarrowDesign(
    { plan, width, height, groundOf: (r) => groundOf(raster, r) },
    phone,
    plainHouseStyle(),
  )
  const cutOf = (said: string) => plan.cuts.find((c) => c.words && plainOf(c.words).startsWith(said))!.id
  expect(design).toMatchObject({ width: 375, side: 24, found: { bands: 4, of: 5 } })
  // What the narrow design was drawn with, within a px of letters and of lines.
  for (const [said, size, line] of [
    ['Six nights', 30, 36],
    ['We followed', 16, 24],
    ['For forty', 17, 26],
    ['Lamp and', 14, 22],
  ] as const) {
    const set = design.letters.get(cutOf(said))!
    expect(Math.abs(set.size - size)).toBeLessThanOrEqual(1)
    expect(Math.abs(set.line - line)).toBeLessThanOrEqual(1)
  }
  const [across, small] = plan.cuts.filter((c) => c.kind === 'picture')
  expect([...design.hidden]).toEqual([across!.id])
  expect(design.places.get(small!.id)!.y).toBeLessThan(design.places.get(cutOf('The keeper'))!.y)
})

test('phones get its order and what it leaves out; one of another email changes little', async () => {
  const { wide, narrow } = pairedDesign()
  const { email } = await buildScene(wide, 2, undefined, narrow)
  const band = (said: string) => email.bands.find((b) => JSON.stringify(b).includes(said))!
  expect(email.bands.filter((b) => b.show === 'wide')).toHaveLength(1)
  expect(band('The keeper').narrow).toBe('reverse')
  expect(band('storms').narrow).toBe('keep')
  expect(band('The keeper').narrowPadding).toMatchObject({ left: 24, right: 24, top: 28, bottom: 28 })
  const other = await buildScene(wide, 2, undefined, { ...narrow, svg: () => BLANK })
  expect(other.email.bands.every((b) => b.show === 'all')).toBe(true)
  expect(other.email.bands.flatMap((b) => [...tilesOf(b)]).every((t) => t.show === 'all')).toBe(true)
})

const BLANK =
  '<svg xmlns="http://www.w3.org/2000/svg" width="750" height="400"><rect width="750" height="400" fill="#fff"/></svg>'
