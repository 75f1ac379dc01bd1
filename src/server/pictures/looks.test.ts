import sharp from 'sharp'
import { ownData } from '@/test-support/server'
import { newPicture } from './kept'
import { looksOf } from './looks'
import { keepNew } from './store'

ownData()

/** Keeps a picture that is drawn as SVG. */
async function kept(svg: string): Promise<string> {
  const { data, info } = await sharp(Buffer.from(svg)).png().toBuffer({ resolveWithObject: true })
  const { id } = await keepNew(
    newPicture(data, { type: 'image/png', width: info.width, height: info.height }),
  )
  return id
}
const svg = (body: string, side = 60) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${side}" height="${side}" viewBox="0 0 60 60">${body}</svg>`

test('kept pictures are looked at by their pixels; those that are not there are left out', async () => {
  const mark = await kept(svg('<circle cx="30" cy="30" r="20" fill="#112233"/>'))
  const boxed = await kept(
    svg('<rect width="60" height="60" fill="#ffffff"/><circle cx="30" cy="30" r="20"/>'),
  )
  const looks = await looksOf([mark, boxed, mark, 'f'.repeat(64)])
  expect([...looks.keys()]).toEqual([mark, boxed])
  expect(looks.get(mark)).toMatchObject({ clear: true, box: null, rim: [{ color: '#112233' }] })
  expect(looks.get(boxed)).toMatchObject({ clear: false, box: '#ffffff', rim: [] })
  // A circle covers a third of its square: black first, white last.
  const { tones } = looks.get(boxed)!
  expect(tones[0]).toBeCloseTo((Math.PI * 20 * 20) / 3600, 1)
  expect(tones[0]! + tones.at(-1)!).toBeGreaterThan(0.9)
  expect(tones.reduce((sum, t) => sum + t, 0)).toBeCloseTo(1, 2)
})

test('a large picture is measured small, with the same edges', async () => {
  const large = await kept(svg('<rect x="5" y="5" width="50" height="50" fill="#b4572f"/>', 2400))
  const { clear, rim } = (await looksOf([large])).get(large)!
  expect(clear).toBe(true)
  // To the nearest of sixteen steps each.
  expect(rim[0]!.color).toBe('#bb5522')
})
