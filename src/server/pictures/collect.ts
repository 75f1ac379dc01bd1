import { readdir, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import { eq, lt } from 'drizzle-orm'
import { db } from '../db'
import { crops, films, jobs, pictures, shelfPictures, uses } from '../db/schema'
import { filmsFolder, picturesFolder } from '../settings'
import { filmFile } from '../films/films'
import { collectFonts } from '../fonts/fonts'
import { fileOf } from './store'

/** What nothing needs is kept this long, ms: a draft or the undo of an open page may still name it. */
const GRACE = 30 * 24 * 3600 * 1000

/** The pictures, films and fonts that a job, a shelf, a document, a version or a kept part needs. */
function needed(): Set<string> {
  const out = new Set<string>()
  const columns = { design: jobs.designId, narrow: jobs.narrowId, before: jobs.beforeId }
  for (const row of db().select(columns).from(jobs).all())
    for (const id of Object.values(row)) if (id) out.add(id)
  for (const { id } of db().select({ id: shelfPictures.pictureId }).from(shelfPictures).all()) out.add(id)
  for (const { id } of db().selectDistinct({ id: uses.thing }).from(uses).all()) out.add(id)
  return out
}

/** Takes away films that no document names any more. @returns how many */
async function collectFilms(keep: ReadonlySet<string>, before: number): Promise<number> {
  const old = db()
    .select({ id: films.id })
    .from(films)
    .where(lt(films.createdAt, new Date(before).toISOString()))
    .all()
    .map((f) => f.id)
    .filter((id) => !keep.has(id))
  for (const id of old) {
    db().delete(films).where(eq(films.id, id)).run()
    await rm(filmFile(id), { force: true })
  }
  // Files without a row: of writes that were killed.
  const known = new Set(
    db()
      .select({ id: films.id })
      .from(films)
      .all()
      .map((f) => f.id),
  )
  for (const name of await readdir(filmsFolder()).catch(() => [])) {
    if (known.has(name) || (await stat(filmFile(name))).mtimeMs > before) continue
    await rm(filmFile(name), { force: true })
    old.push(name)
  }
  return old.length
}

/** Files of writes that were killed, and those of pictures that nobody knows any more. */
async function sweep(before: number): Promise<number> {
  const known = new Set(
    db()
      .select({ id: pictures.id })
      .from(pictures)
      .all()
      .map((p) => p.id),
  )
  let gone = 0
  for (const folder of await readdir(picturesFolder()).catch(() => []))
    for (const name of await readdir(join(picturesFolder(), folder)).catch(() => [])) {
      const file = join(picturesFolder(), folder, name)
      if (known.has(name) || (await stat(file)).mtimeMs > before) continue
      await rm(file, { force: true })
      gone++
    }
  return gone
}

/**
 * Takes away pictures, films and fonts that no job, client, shelf, document or version needs, crops that were only looked at among them, and
 * what killed writes left. @param now ms since 1970 @returns how many
 */
export async function collectPictures(now = Date.now()): Promise<number> {
  const keep = needed()
  const before = now - GRACE
  const old = db()
    .select({ id: pictures.id })
    .from(pictures)
    .where(lt(pictures.createdAt, new Date(before).toISOString()))
    .all()
    .map((p) => p.id)
    .filter((id) => !keep.has(id))
  db().transaction((tx) => {
    for (const id of old) {
      tx.delete(crops).where(eq(crops.pictureId, id)).run()
      tx.delete(pictures).where(eq(pictures.id, id)).run()
    }
  })
  for (const id of old) await rm(fileOf(id), { force: true })
  return (
    old.length +
    (await collectFilms(keep, before)) +
    (await collectFonts(keep, before)) +
    (await sweep(before))
  )
}
