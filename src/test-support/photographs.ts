import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import sharp from 'sharp'
import type { Raster } from '@/core/cut/raster'

/** Real photographs, free to use (fixtures/photographs/LICENCE.md). */
export const photographs = ['cat', 'coffee', 'rocket', 'astronaut'] as const
export const photograph = (name: (typeof photographs)[number]): Buffer =>
  readFileSync(join(process.cwd(), 'src/test-support/fixtures/photographs', `${name}.jpg`))

/** Where things stand in the design of real photographs, px of the email: [kind, x, y, width, height]. */
export const photographed = {
  bands: [0, 280, 560, 900],
  parts: [
    ['picture', 0, 0, 600, 280],
    ['picture', 40, 320, 240, 200],
    ['words', 308, 330, 252, 180],
    ['picture', 40, 600, 160, 120],
    ['picture', 220, 600, 160, 120],
    ['picture', 400, 600, 160, 120],
    ['words', 40, 740, 520, 60],
    ['button', 40, 830, 160, 44],
  ],
} as const

/**
 * A design with real photographs, at double size: one across, one beside words, three in a row; words and a
 * button under them.
 */
export async function photographedDesign(jpeg?: number): Promise<Raster> {
  const at = async (name: (typeof photographs)[number], x: number, y: number, w: number, h: number) => ({
    input: await sharp(photograph(name))
      .resize(w * 2, h * 2, { fit: 'cover' })
      .png()
      .toBuffer(),
    left: x * 2,
    top: y * 2,
  })
  const line = (y: number, text: string, x: number, size = 15, more = '') =>
    `<text x="${x}" y="${y}" font-family="Arimo, Arial, sans-serif" font-size="${size}" fill="#222222" ${more}>${text}</text>`
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="1800" viewBox="0 0 600 900"><rect width="600" height="900" fill="#ffffff"/><rect y="280" width="600" height="280" fill="#f4efe6"/>${line(356, 'The cat of the', 308, 24, 'font-weight="700"')}${line(386, 'observatory', 308, 24, 'font-weight="700"')}${['Every night at nine she walks', 'along the wall of the dome and', 'waits until the shutter opens.', 'Nobody knows who feeds her.'].map((t, i) => line(424 + i * 24, t, 308)).join('')}${line(758, 'Coffee, a launch and a portrait: three pictures from the archive of the', 40)}${line(782, 'observatory, each of them free to use.', 40)}<rect x="40" y="830" width="160" height="44" rx="6" fill="#b4452f"/><text x="120" y="857" text-anchor="middle" font-family="Arimo, Arial, sans-serif" font-size="15" font-weight="700" fill="#ffffff">See the archive</text></svg>`
  let image = sharp(
    await sharp(Buffer.from(svg))
      .composite([
        await at('rocket', 0, 0, 600, 280),
        await at('cat', 40, 320, 240, 200),
        await at('coffee', 40, 600, 160, 120),
        await at('astronaut', 220, 600, 160, 120),
        await at('cat', 400, 600, 160, 120),
      ])
      .png()
      .toBuffer(),
  )
  if (jpeg) image = sharp(await image.jpeg({ quality: jpeg }).toBuffer())
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data }
}
