import sharp from 'sharp'
import { cutout, outlined } from '@/core/cut/cutout'
import type { Cleared } from '@/core/cut/cleared'
import { cleaned } from '@/core/cut/inpaint'
import type { Cut } from '@/core/cut/plan'
import type { Raster, Rect } from '@/core/cut/raster'
import { encodeCrop } from './encode'
import { newPicture, type NewPicture } from './kept'

/** A rectangle of a design and how its file is to be made. */
export type Part = Rect &
  Pick<Cut, 'encoding' | 'ground'> & {
    size: { width: number; height: number }
    /** What stands on it and is taken off; and design px for each px of the email. */
    cleared?: Cleared
    scale: number
  }

export interface EncodedPart {
  picture: NewPicture
  /** SSIM against the crop, 0 to 1. */
  likeness: number
  /** Bytes of the same pixels as a plain PNG. */
  plain: number
}

/** The file of a part of a design. @param part.size of the file, px */
export async function encodePart(design: Raster & { data: Buffer }, part: Part): Promise<EncodedPart> {
  const pixels = await pixelsOf(part, design, part.size)
  const { format, likeness } = part.encoding ?? {}
  const encoded = await encodeCrop(pixels, { format, likeness })
  const { width, height } = pixels
  const plain = await sharp(pixels.data, { raw: { width, height, channels: 4 } })
    .png()
    .toBuffer()
  const { type } = encoded
  return {
    picture: newPicture(encoded.bytes, { type, width: encoded.width, height: encoded.height }),
    likeness: encoded.likeness,
    plain: plain.length,
  }
}

/** The pixels of a cut at the size they are stored at; of a mark without its ground, with alpha. */
async function pixelsOf(
  cut: Part,
  design: Raster & { data: Buffer },
  size: { width: number; height: number },
): Promise<{ data: Buffer; width: number; height: number }> {
  const clear = cut.encoding?.cutout
  const mark = cut.cleared
    ? cleaned({ raster: design, rect: cut, ...cut.cleared, scale: cut.scale })
    : clear
      ? withOutline(cutout(design, cut, cut.ground ?? '#ffffff'), cut)
      : null
  let image = mark
    ? sharp(mark.data, { raw: { width: mark.width, height: mark.height, channels: 4 } })
    : sharp(design.data, { raw: { width: design.width, height: design.height, channels: 4 } }).extract({
        left: cut.x,
        top: cut.y,
        width: cut.w,
        height: cut.h,
      })
  if (size.width !== cut.w) image = image.resize(size.width, size.height, { kernel: 'lanczos3', fit: 'fill' })
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { data, width: info.width, height: info.height }
}

/**
 * The line lies around the mark; what of it leaves the cut is left out, so that the picture keeps its place.
 */
function withOutline(mark: Raster, cut: Part): Raster {
  const color = cut.encoding?.outline
  if (!color) return mark
  const big = outlined(mark, color, 2)
  const pad = (big.width - mark.width) / 2
  const data = new Uint8Array(mark.data.length)
  for (let y = 0; y < mark.height; y++)
    data.set(
      big.data.subarray(((y + pad) * big.width + pad) * 4, ((y + pad) * big.width + pad + mark.width) * 4),
      y * mark.width * 4,
    )
  return { ...mark, data }
}
