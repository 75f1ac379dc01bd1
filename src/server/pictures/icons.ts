import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import sharp from 'sharp'
import { iconSvg, shippedIcons } from '@/core/tiles/social/icons'
import type { IconShape } from '@/core/tiles/social/schema'
import type { PictureRef } from '@/core/picture/ref'
import { notFound } from '../problem'
import { newPicture } from './kept'
import { keepNew } from './store'

/**
 * Draws a shipped icon as PNG.
 * @param look.size px of the picture, twice the shown size. Throws a Problem (404) where none is called so.
 */
export async function drawIcon(
  name: string,
  look: { size: number; color: string; ground: string; shape: IconShape },
): Promise<PictureRef> {
  const icon = Object.hasOwn(shippedIcons, name) ? shippedIcons[name] : undefined
  if (!icon) throw notFound('icon', name)
  const source = await readFile(
    join(process.cwd(), 'node_modules/bootstrap-icons/icons', `${icon.file}.svg`),
    'utf8',
  )
  const drawing = source.slice(source.indexOf('>', source.indexOf('<svg')) + 1, source.lastIndexOf('</svg>'))
  const { data, info } = await sharp(Buffer.from(iconSvg(drawing, look)))
    .png({ palette: true, compressionLevel: 9 })
    .toBuffer({ resolveWithObject: true })
  return keepNew(newPicture(data, { type: 'image/png', width: info.width, height: info.height }))
}
