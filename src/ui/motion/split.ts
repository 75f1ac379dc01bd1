import { toast } from '../parts/toast'
import { newId } from '@/core/email/defaults'
import { placeOf } from '@/core/email/walk'
import type { Motion } from '@/core/motion/schema'
import { newTile } from '@/core/tiles'
import type { EmailWork } from '../bench/email-work'
import { call, formOf } from '../api'
import { kb } from '../parts/controls'
import type { Drawn } from './engine'
import type { MovingTile, PictureTile } from './moving'

/** A stripe of the first frame as a picture of its own. @param top, height px of the file */
async function stillOf({ width, frames }: Drawn, top: number, height: number) {
  const canvas = document.createElement('canvas')
  canvas.width = width
  canvas.height = height
  const rows = frames[0]!.data.slice(
    top * width * 4,
    (top + height) * width * 4,
  ) as Uint8ClampedArray<ArrayBuffer>
  canvas.getContext('2d')!.putImageData(new ImageData(rows, width, height), 0, 0)
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'))
  return call('POST /api/pictures', {
    form: formOf({ picture: new File([blob!], 'still.png', { type: 'image/png' }) }),
  })
}

/**
 * Parts a slot into a still above, a stripe that moves, and a still below, as wide as before: stripes alone keep together at any width, since each
 * grows by the same factor. One step of undo. @param part what moves, px of the file
 */
export async function splitOff(
  work: EmailWork,
  { tile, width }: MovingTile,
  motion: Motion,
  drawn: Drawn,
  part: { y: number; h: number },
): Promise<void> {
  const place = placeOf(work.email, tile.id)
  if (!place) return
  const scale = drawn.height / motion.height
  // Stripes begin and end at whole px as shown.
  const top = Math.floor(part.y / scale)
  const bottom = Math.min(motion.height, Math.ceil((part.y + part.h) / scale))
  const file = (px: number) => Math.round(px * scale)
  try {
    const above = top > 0 ? await stillOf(drawn, 0, file(top)) : null
    const below =
      bottom < motion.height ? await stillOf(drawn, file(bottom), drawn.height - file(bottom)) : null
    const { padding } = tile
    const still = (picture: PictureTile['picture']): PictureTile => ({
      ...(newTile('picture') as PictureTile),
      id: newId(),
      picture,
      alt: '',
      link: tile.link,
      width,
      align: tile.align,
      show: tile.show,
      padding: { ...padding, top: 0, bottom: 0 },
    })
    const moving: PictureTile = {
      ...tile,
      width,
      percent: undefined,
      padding: { ...padding, top: above ? 0 : padding.top, bottom: below ? 0 : padding.bottom },
      motion: {
        ...motion,
        height: bottom - top,
        window: { top: (motion.window?.top ?? 0) + top, of: motion.window?.of ?? motion.height },
        key: undefined,
      },
    }
    const at = place.cell.items.findIndex((i) => i.id === tile.id)
    const cell = place.cell.id
    work.apply('split the slot', [
      { name: 'replaceTile', what: { id: tile.id, tile: moving } },
      ...(below
        ? [
            {
              name: 'addTile' as const,
              what: { cell, at: at + 1, tile: { ...still(below), padding: { ...padding, top: 0 } } },
            },
          ]
        : []),
      ...(above
        ? [
            {
              name: 'addTile' as const,
              what: { cell, at, tile: { ...still(above), padding: { ...padding, bottom: 0 } } },
            },
          ]
        : []),
    ])
    const stills = (above?.bytes ?? 0) + (below?.bytes ?? 0)
    toast.success(
      `${kb(tile.picture?.bytes ?? 0)} become ${kb(stills)} of stills and the part that moves, whose bytes follow.`,
    )
  } catch (error) {
    toast.error((error as Error).message)
  }
}
