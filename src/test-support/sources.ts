import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import sharp from 'sharp'
import type { PictureRef } from '@/core/picture/ref'

/* Emails as they are written elsewhere, in twenty styles (fixtures/sources; made up, with pictures that are drawn here). */

const folder = join(import.meta.dirname, 'fixtures/sources')

export const sources = (): { name: string; html: string }[] =>
  readdirSync(folder).map((file) => ({
    name: file.replace('.html', ''),
    html: readFileSync(join(folder, file), 'utf8'),
  }))

const sizes: Record<string, [number, number]> = {
  'images/wide.png': [1200, 400],
  'images/left.png': [560, 360],
  'images/right.png': [560, 360],
  'images/mark.png': [64, 64],
}

/** The pictures by the addresses at which the sources have them. */
export const sourcePictures: Record<string, PictureRef> = Object.fromEntries(
  Object.entries(sizes).map(([address, [width, height]], i) => [
    address,
    { id: String(i).repeat(64), type: 'image/png', width, height, bytes: 900 },
  ]),
)

/** The same as files, each a `data:` address. */
export async function pictureFiles(): Promise<Record<string, string>> {
  const out: Record<string, string> = {}
  for (const [address, [w, h]] of Object.entries(sizes)) {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}"><defs><linearGradient id="g" x2="1" y2="1"><stop stop-color="#1d3557"/><stop offset="1" stop-color="#e8a33d"/></linearGradient></defs><rect width="${w}" height="${h}" fill="url(#g)"/><circle cx="${w / 3}" cy="${h / 2}" r="${h / 4}" fill="#f4efe6"/></svg>`
    const png = await sharp(Buffer.from(svg)).png().toBuffer()
    out[address] = `data:image/png;base64,${png.toString('base64')}`
  }
  return out
}
