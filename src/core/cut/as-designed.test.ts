import sharp from 'sharp'
import { autocut } from './autocut'
import { boxesOn } from './reading/boxes-on'
import { cleaned } from './clean'
import { clearedOf } from './cleared'
import { goesOn } from './goes-on'
import type { Cut, Panel } from './plan'
import type { Raster } from './raster'

/* What designers send, beyond flat rectangles: soft photographs, statistics, labels on pictures. */

const SCALE = 2
const raster = async (height: number, body: string): Promise<Raster> => {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="${SCALE * height}" viewBox="0 0 600 ${height}"><rect width="600" height="${height}" fill="#fff"/>${body}</svg>`
  const { data, info } = await sharp(Buffer.from(svg))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) }
}
const text = (x: number, y: number, says: string, size: number, more = '') =>
  `<text x="${x}" y="${y}" font-family="Arimo" font-size="${size}" fill="#16324f" ${more}>${says}</text>`

test('figures over their captions, with upright hairlines between, are three columns', async () => {
  const one = (x: number, figure: string, caption: string) =>
    text(x, 80, figure, 44, 'font-weight="700" text-anchor="middle"') +
    text(x, 108, caption, 14, 'text-anchor="middle"')
  const rule = (x: number) => `<rect x="${x}" y="40" width="1" height="76" fill="#b8c4d0"/>`
  const { cuts } = autocut(
    await raster(
      150,
      `<rect width="600" height="150" fill="#eef3f7"/>${one(105, '06:45', 'leaves from Pier 3')}${rule(204)}${one(300, '92', 'miles to Skerrey')}${rule(395)}${one(495, '540', 'passengers a day')}`,
    ),
    SCALE,
  )
  const words = cuts.filter((c) => c.kind === 'words')
  expect(words).toHaveLength(6)
  for (const c of words) expect(c.w).toBeLessThan(220 * SCALE)
})

/** A dark fabric in soft folds. */
const fabric = (x: number, y: number, id: string) =>
  `<defs><filter id="${id}" x="0" y="0" width="1" height="1"><feTurbulence type="fractalNoise" baseFrequency="0.012" numOctaves="2" seed="4"/><feColorMatrix values=".25 0 0 0 .18  .25 0 0 0 .22  .25 0 0 0 .3  0 0 0 0 1"/></filter></defs><rect x="${x}" y="${y}" width="250" height="250" filter="url(#${id})"/>`

test('a dark fabric is a picture, not a flat colour, and its soft tones are no noise of JPEG', async () => {
  const design = await raster(
    420,
    `${fabric(30, 40, 'a')}${fabric(320, 40, 'b')}${text(30, 320, 'Summer quilt', 16)}${text(320, 320, 'Bolster cover', 16)}`,
  )
  expect(cleaned(design).noise).toBe(8)
  const { cuts } = autocut(design, SCALE)
  expect(cuts.filter((c) => c.kind === 'flat')).toEqual([])
  expect(cuts.filter((c) => c.kind === 'picture')).toHaveLength(2)
})

test('the grounds of a JPEG are told to be noisy still', async () => {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="600" viewBox="0 0 600 300"><rect width="600" height="300" fill="#f4efe6"/>${Array.from({ length: 9 }, (_, i) => text(40, 40 + 28 * i, 'The keeper saw a night of rain, then stars', 18)).join('')}</svg>`
  const { data, info } = await sharp(await sharp(Buffer.from(svg)).jpeg({ quality: 70 }).toBuffer())
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const { noise } = cleaned({ width: info.width, height: info.height, data: new Uint8ClampedArray(data) })
  expect(noise).toBeGreaterThan(8)
})

test('a picture goes on through a row of it; at its end, and on a plain ground, nothing does', async () => {
  const slope =
    '<defs><linearGradient id="s" x2="1"><stop stop-color="#123"/><stop offset="1" stop-color="#fc8"/></linearGradient></defs><rect y="50" width="600" height="200" fill="url(#s)"/>'
  const design = await raster(300, slope)
  expect(goesOn(design, 300)).toBe(true)
  expect(goesOn(design, 100)).toBe(false)
  expect(goesOn(design, 560)).toBe(false)
})

test('a label on a picture is a button where a colour or a line is drawn around it', async () => {
  const ground =
    '<defs><linearGradient id="g" x2="1" y2="1"><stop stop-color="#d8cfc0"/><stop offset="1" stop-color="#8f8577"/></linearGradient></defs><rect width="600" height="200" fill="url(#g)"/>'
  const whole = { x: 0, y: 0, w: 1200, h: 400 }
  const filled = await raster(
    200,
    `${ground}<rect x="40" y="70" width="160" height="48" rx="24" fill="#b3261e"/>${text(78, 100, 'Shop linen', 16, 'style="fill:#fff" textLength="84"')}`,
  )
  const [pill, ...more] = boxesOn(filled, whole, SCALE)
  expect(more).toEqual([])
  expect(pill).toMatchObject({ rect: { x: 80, y: 140, w: 320, h: 96 }, box: { background: '#b3261e' } })
  // Its ends are round, in px of the email.
  expect(pill!.box.radius).toBe(24)
  const outlined = await raster(
    200,
    `${ground}<rect x="41" y="71" width="158" height="46" fill="none" stroke="#16324f" stroke-width="2"/>${text(78, 100, 'Shop linen', 16, 'textLength="84"')}`,
  )
  const [found] = boxesOn(outlined, whole, SCALE)
  expect(found!.box).toMatchObject({ borderWidth: 2 })
  expect(Math.abs(found!.rect.x - 80)).toBeLessThanOrEqual(4)
  expect(Math.abs(found!.rect.w - 320)).toBeLessThanOrEqual(8)
  const bare = await raster(200, ground + text(78, 100, 'Shop linen', 16, 'textLength="84"'))
  expect(boxesOn(bare, whole, SCALE)).toEqual([])
})

test('a picture behind a band is cleaned of the lines and buttons that stand on it, and of nothing else', () => {
  const panel: Panel = { x: 0, y: 100, w: 1200, h: 600, color: '#123456', radius: 0, picture: true }
  const cut = (id: string, y: number, h: number, more: Partial<Cut>): Cut => ({
    id,
    x: 80,
    y,
    w: 400,
    h,
    kind: 'words',
    alt: null,
    link: '',
    words: null,
    ground: null,
    ...more,
  })
  const cleared = clearedOf(
    panel,
    {
      cuts: [
        cut('a', 200, 168, { lettering: { size: 40, line: 44 } }),
        cut('b', 450, 80, { kind: 'button' }),
        cut('below', 900, 40, {}),
      ],
    },
    SCALE,
  )
  expect(cleared.whole).toEqual([{ x: 80, y: 450, w: 400, h: 80 }])
  expect(cleared.lines).toHaveLength(2)
  expect(cleared.lines[0]).toMatchObject({ x: 80, y: 200, w: 400 })
  expect(cleared.lines[1]!.y + cleared.lines[1]!.h).toBe(368)
})
