import { and, desc, eq, sql } from 'drizzle-orm'
import type { PictureRef } from '@/core/picture/ref'
import { db } from '../db'
import { jobs, pictures, shelfPictures, uses } from '../db/schema'
import { clientOf } from '../jobs/clients'
import { guardedFetch } from '../net/guarded-fetch'
import { Problem } from '../problem'
import { takeInPicture } from './take-in'
import { pictureInfo } from './store'

/** A picture of a client, with where it is used. */
export interface ShelfPicture extends PictureRef {
  name: string
  at: string
  usedIn: { job: string; name: string }[]
}

/** A client's pictures, the latest first; those whose name holds every word searched for. */
export function shelfOf(clientId: string, search = ''): ShelfPicture[] {
  clientOf(clientId)
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  const rows = db()
    .select()
    .from(shelfPictures)
    .innerJoin(pictures, eq(pictures.id, shelfPictures.pictureId))
    .where(eq(shelfPictures.clientId, clientId))
    .orderBy(desc(shelfPictures.at))
    .all()
  const used = usesOf(clientId)
  return rows
    .filter((r) => words.every((w) => r.shelf_pictures.name.toLowerCase().includes(w)))
    .map((r) => ({
      ...pictureInfo(r.pictures.id),
      name: r.shelf_pictures.name,
      at: r.shelf_pictures.at,
      usedIn: used.get(r.pictures.id) ?? [],
    }))
}

/** In which jobs each picture of a client stands: in their emails, or in place of a crop. */
function usesOf(clientId: string, picture?: string): Map<string, { job: string; name: string }[]> {
  const out = new Map<string, { job: string; name: string }[]>()
  const inJob = sql`${uses.owner} in ('email ' || ${jobs.id}, 'cuts ' || ${jobs.id})`
  const rows = db()
    .selectDistinct({ job: jobs.id, name: jobs.name, picture: uses.thing })
    .from(uses)
    .innerJoin(jobs, inJob)
    .where(and(eq(jobs.clientId, clientId), picture ? eq(uses.thing, picture) : undefined))
    .all()
  for (const { job, name, picture } of rows) out.set(picture, [...(out.get(picture) ?? []), { job, name }])
  return out
}

/** Puts a picture on a client's shelf; the same bytes are kept once. */
export function putOnShelf(clientId: string, picture: PictureRef, name: string): ShelfPicture {
  clientOf(clientId)
  const at = new Date().toISOString()
  db()
    .insert(shelfPictures)
    .values({ clientId, pictureId: picture.id, name: name.slice(0, 200) || 'picture', at })
    .onConflictDoUpdate({ target: [shelfPictures.clientId, shelfPictures.pictureId], set: { at } })
    .run()
  const row = db()
    .select()
    .from(shelfPictures)
    .where(and(eq(shelfPictures.clientId, clientId), eq(shelfPictures.pictureId, picture.id)))
    .get()!
  return {
    ...pictureInfo(picture.id),
    ...{ name: row.name, at: row.at },
    usedIn: usesOf(clientId, picture.id).get(picture.id) ?? [],
  }
}

/** Takes a picture off a client's shelf. Emails that use it keep it. */
export function takeOffShelf(clientId: string, pictureId: string): void {
  db()
    .delete(shelfPictures)
    .where(and(eq(shelfPictures.clientId, clientId), eq(shelfPictures.pictureId, pictureId)))
    .run()
}

/** Fetches a picture from a public address. */
export async function pictureFrom(address: string): Promise<{ picture: PictureRef; name: string }> {
  const { bytes, address: at } = await guardedFetch(address, { most: 10 * 1024 * 1024, patience: 12_000 })
  const name = decodeURIComponent(new URL(at).pathname.split('/').pop() || 'picture').slice(0, 120)
  if (!bytes.length)
    throw new Problem(422, 'not-a-picture', 'There is no picture at this address', 'It sends nothing.')
  return { picture: await takeInPicture(bytes, name), name }
}
