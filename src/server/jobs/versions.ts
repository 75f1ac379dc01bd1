import { readEmail } from '@/core/tiles/document'
import { and, desc, eq } from 'drizzle-orm'
import { newId } from '@/core/email/defaults'
import type { Email } from '@/core/email/schema'
import { db } from '../db'
import { versions } from '../db/schema'
import { notFound } from '../problem'
import { emailOf } from './proof'

export interface Version {
  id: string
  name: string
  /** Of the email that was kept. */ revision: number
  at: string
}

const about = ({ id, name, revision, at }: typeof versions.$inferSelect): Version => ({
  id,
  name,
  revision,
  at,
})

/** What was kept of a job's email, the latest first. */
export const listVersions = (jobId: string): Version[] =>
  db().select().from(versions).where(eq(versions.jobId, jobId)).orderBy(desc(versions.at)).all().map(about)

/** Keeps the email of a job as it is saved now. */
export function keepVersion(jobId: string, name: string): Version {
  const { body, revision } = emailOf(jobId)
  const row = { id: newId(), jobId, name, body, revision, at: new Date().toISOString() }
  db().insert(versions).values(row).run()
  return about(row)
}

/** One kept email in its present form. Throws a Problem (404) where there is none of that id. */
export function versionOf(jobId: string, id: string): Version & { email: Email } {
  const row = db()
    .select()
    .from(versions)
    .where(and(eq(versions.jobId, jobId), eq(versions.id, id)))
    .get()
  if (!row) throw notFound('version', id)
  return { ...about(row), email: readEmail(row.body) }
}
