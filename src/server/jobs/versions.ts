import { readEmail } from '@/core/tiles/document'
import { and, desc, eq } from 'drizzle-orm'
import { newId } from '@/core/email/defaults'
import type { Email } from '@/core/email/schema'
import { db } from '../db'
import { NoJson, versions } from '../db/schema'
import { forgetUses, noteUses, ownerOf } from '../db/uses'
import { brokenDocument, notFound, Problem } from '../problem'
import { jobOf } from './jobs'
import { rawDocument } from './stored'

export interface Version {
  id: string
  name: string
  /** Of the email that was kept. */ revision: number
  at: string
}

const about = ({ id, name, revision, at }: Version): Version => ({
  id,
  name,
  revision,
  at,
})

/** What was kept of a job's email, the latest first. */
export const listVersions = (jobId: string): Version[] =>
  db()
    .select({ id: versions.id, name: versions.name, revision: versions.revision, at: versions.at })
    .from(versions)
    .where(eq(versions.jobId, jobId))
    .orderBy(desc(versions.at))
    .all()

/** Keeps the email of a job as it is saved now, whatever it is: one that cannot be read is kept as well. Throws a Problem (409) where there is none. */
export function keepVersion(jobId: string, name: string): Version {
  jobOf(jobId)
  const saved = rawDocument(jobId, 'email')
  if (!saved)
    throw new Problem(
      409,
      'no-email',
      'There is no email yet',
      'Build it in Cut, or begin it in Compose, then do this again.',
    )
  const row = {
    ...{ id: newId(), jobId, name, revision: saved.revision, at: new Date().toISOString() },
    // No row may be without a body: what says nothing is kept as that.
    body: (saved.body ?? new NoJson('null')) as Email,
  }
  db().transaction((tx) => {
    tx.insert(versions).values(row).run()
    noteUses(tx, ownerOf.version(row.id), row.body)
  })
  return about(row)
}

/** How long an email is worked on before it is kept by itself again, ms. */
const HOUR = 3600_000
/** What is kept by itself begins so; of those only the latest stay. */
const BY_ITSELF = 'By itself: '
const MOST_BY_ITSELF = 60

/** Keeps the email as it is saved now where the last version is an hour old, before something else is saved over it. */
export function keepHourly(jobId: string, now = Date.now()): void {
  if (!rawDocument(jobId, 'email')) return
  const [last] = listVersions(jobId)
  const since = last?.at ?? jobOf(jobId).createdAt
  if (now - Date.parse(since) >= HOUR) keepByItself(jobId, 'an hour of work')
}

/** Keeps the email as it is saved now, unless the last version is just that. @param why what comes next */
export function keepByItself(jobId: string, why: string): void {
  const [last] = listVersions(jobId)
  if (last?.revision === rawDocument(jobId, 'email')?.revision) return
  keepVersion(jobId, `${BY_ITSELF}${why}`)
  const old = listVersions(jobId)
    .filter((v) => v.name.startsWith(BY_ITSELF))
    .slice(MOST_BY_ITSELF)
  for (const { id } of old) {
    db().delete(versions).where(eq(versions.id, id)).run()
    forgetUses(db(), ownerOf.version(id))
  }
}

/** One kept email in its present form. Throws a Problem (404) where there is none of that id. */
export function versionOf(jobId: string, id: string): Version & { email: Email } {
  const row = db()
    .select()
    .from(versions)
    .where(and(eq(versions.jobId, jobId), eq(versions.id, id)))
    .get()
  if (!row) throw notFound('version', id)
  try {
    return { ...about(row), email: readEmail(row.body) }
  } catch (error) {
    throw brokenDocument(error)
  }
}
