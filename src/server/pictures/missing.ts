import { basename, relative } from 'node:path'
import { eq, sql } from 'drizzle-orm'
import { db } from '../db'
import { films, jobs, pictures, uses } from '../db/schema'
import { Problem } from '../problem'
import { filmsFolder, picturesFolder } from '../settings'

const isIn = (folder: string, path: string): boolean => !relative(folder, path).startsWith('..')

/** Jobs whose documents or designs name a picture or a film. */
function usedBy(id: string): string[] {
  const rows = db()
    .selectDistinct({ name: jobs.name })
    .from(jobs)
    .leftJoin(uses, sql`${uses.owner} in ('email ' || ${jobs.id}, 'cuts ' || ${jobs.id})`)
    .where(sql`${uses.thing} = ${id} or ${id} in (${jobs.designId}, ${jobs.narrowId}, ${jobs.beforeId})`)
    .all()
  return rows.map((r) => r.name)
}

/** What to say of a file that is kept by its bytes and is not there; null where a path is none of those. */
export function missingFile(path: string): Problem | null {
  const film = isIn(filmsFolder(), path)
  if (!film && !isIn(picturesFolder(), path)) return null
  const id = basename(path)
  const known = film
    ? db().select().from(films).where(eq(films.id, id)).get()
    : db().select().from(pictures).where(eq(pictures.id, id)).get()
  const what = !known
    ? `${film ? 'film' : 'picture'} ${id.slice(0, 12)}`
    : 'name' in known
      ? `film "${known.name}" (${(known.bytes / 1048576).toFixed(1)} MB)`
      : `picture of ${known.width} x ${known.height} (${known.type.slice(6).toUpperCase()}, ${Math.round(known.bytes / 1024)} KB)`
  const used = usedBy(id)
  const where = used.length
    ? `It is used in ${used
        .slice(0, 3)
        .map((n) => `"${n}"`)
        .join(', ')}${used.length > 3 ? ` and ${used.length - 3} more` : ''}.`
    : 'No job uses it now.'
  return new Problem(
    404,
    'file-missing',
    `The file of a ${film ? 'film' : 'picture'} is missing`,
    `The ${what} is not where it was kept (${id.slice(0, 12)}...). ${where} Drop the same file anywhere in that job and it is back everywhere; or put another in its place.`,
    { file: id },
  )
}
