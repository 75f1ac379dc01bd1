import { randomBytes } from 'node:crypto'
import { mkdir, open, readFile, rename, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import { eq } from 'drizzle-orm'
import type { PictureRef } from '@/core/picture/ref'
import { db } from '../db'
import { pictures } from '../db/schema'
import { notFound, Problem } from '../problem'
import { picturesFolder } from '../settings'
import type { NewPicture } from './kept'

const extensions: Record<string, string> = {
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/gif': 'gif',
  'image/webp': 'webp',
}

/** The usual file ending of a picture type, without the dot. */
export const extensionOf = (type: string): string => extensions[type] ?? 'bin'

/** Where a picture's bytes lie. */
export const fileOf = (id: string): string => join(picturesFolder(), id.slice(0, 2), id)

/**
 * Keeps a picture under the SHA-256 of its bytes: written under a temporary name, synced, then renamed, so that
 * a crash leaves a whole file or none. The same bytes are kept once.
 */
export async function keepNew({ ref, bytes }: NewPicture): Promise<PictureRef> {
  const file = fileOf(ref.id)
  const there = await stat(file).then(
    (s) => s.size === bytes.length,
    () => false,
  )
  if (!there) {
    await mkdir(join(file, '..'), { recursive: true })
    const temporary = `${file}.${randomBytes(6).toString('hex')}`
    try {
      const handle = await open(temporary, 'wx')
      try {
        await handle.writeFile(bytes)
        await handle.sync()
      } finally {
        await handle.close()
      }
      await rename(temporary, file)
      await syncFolder(join(file, '..'))
    } catch (error) {
      await rm(temporary, { force: true })
      if ((error as NodeJS.ErrnoException).code === 'ENOSPC')
        throw new Problem(
          507,
          'disk-full',
          'The disk is full',
          'The picture could not be written. Make room on the disk and try again.',
        )
      throw error
    }
  }
  db()
    .insert(pictures)
    .values({ ...ref, createdAt: new Date().toISOString() })
    .onConflictDoNothing()
    .run()
  return ref
}

/** A new name survives a crash once its folder is on the disk (rename(2), fsync(2)). */
async function syncFolder(folder: string): Promise<void> {
  const handle = await open(folder, 'r')
  try {
    await handle.sync()
  } finally {
    await handle.close()
  }
}

/** What is known of a picture. Throws a Problem (404) where there is none of that id. */
export function pictureInfo(id: string): PictureRef {
  const row = db().select().from(pictures).where(eq(pictures.id, id)).get()
  if (!row) throw notFound('picture', id)
  return refOf(row)
}

/** A picture as documents speak of it. */
export const refOf = ({
  id,
  type,
  width,
  height,
  bytes,
  moving,
}: typeof pictures.$inferSelect): PictureRef => ({
  id,
  type: type as PictureRef['type'],
  width,
  height,
  bytes,
  ...(moving ? { moving } : {}),
})

/** A picture's bytes. */
export async function pictureBytes(id: string): Promise<Buffer> {
  pictureInfo(id)
  return readFile(fileOf(id))
}
