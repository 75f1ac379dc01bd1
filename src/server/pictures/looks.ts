import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import sharp from 'sharp'
import type { Email } from '@/core/email/schema'
import { lookOf, type PictureLook } from '@/core/night/look'
import { picturesOf } from '@/core/tiles/contents'
import { picturesFolder } from '../settings'

/** Larger pictures are measured at this size, px: their edges stay where they are. */
const MOST = 1600
/** Looks that a thread remembers: pictures are named by their bytes, so none ever changes. */
const REMEMBERED = 2000
const known = new Map<string, Promise<PictureLook | null>>()

/** What the pixels of pictures show, by their ids; those that cannot be read are left out. */
export async function looksOf(ids: Iterable<string>): Promise<Map<string, PictureLook>> {
  const out = new Map<string, PictureLook>()
  for (const id of new Set(ids)) {
    if (!known.has(id)) {
      if (known.size >= REMEMBERED) known.delete(known.keys().next().value!)
      known.set(id, measured(id))
    }
    const look = await known.get(id)
    if (look) out.set(id, look)
    else known.delete(id)
  }
  return out
}

/** Those of the pictures of an email. */
export const looksIn = (email: Email): Promise<Map<string, PictureLook>> =>
  looksOf(picturesOf(email).map((p) => p.picture.id))

/** Of one that moves, its first frame. */
async function measured(id: string): Promise<PictureLook | null> {
  try {
    const { data, info } = await sharp(await readFile(join(picturesFolder(), id.slice(0, 2), id)))
      .resize({ width: MOST, height: MOST, fit: 'inside', withoutEnlargement: true, kernel: 'nearest' })
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true })
    return lookOf({ width: info.width, height: info.height, data: new Uint8ClampedArray(data) })
  } catch {
    return null
  }
}
