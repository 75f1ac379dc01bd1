import { picturesOf } from '@/core/tiles/contents'
import { readEmail } from '@/core/tiles/document'
import { and, desc, eq } from 'drizzle-orm'
import { readPlan } from '@/core/cut/plan'
import type { PictureRef } from '@/core/picture/ref'
import { db } from '../db'
import { documents, jobs, pictures, shelfPictures } from '../db/schema'
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
function usesOf(clientId: string): Map<string, { job: string; name: string }[]> {
  const out = new Map<string, { job: string; name: string }[]>()
  const rows = db()
    .select({ job: jobs.id, name: jobs.name, kind: documents.kind, body: documents.body })
    .from(documents)
    .innerJoin(jobs, eq(jobs.id, documents.jobId))
    .where(eq(jobs.clientId, clientId))
    .all()
  for (const { job, name, kind, body } of rows) {
    const ids =
      kind === 'email'
        ? picturesOf(readEmail(body)).map((p) => p.picture.id)
        : readPlan(body).cuts.flatMap((c) => (c.own ? [c.own.id] : []))
    for (const id of new Set(ids)) {
      const list = out.get(id) ?? []
      if (!list.some((u) => u.job === job)) list.push({ job, name })
      out.set(id, list)
    }
  }
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
  return shelfOf(clientId).find((p) => p.id === picture.id)!
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
