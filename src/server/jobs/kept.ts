import { and, desc, eq, sql } from 'drizzle-orm'
import { newId } from '@/core/email/defaults'
import { withPart } from '@/core/email/kept'
import type { Email } from '@/core/email/schema'
import { readEmail } from '@/core/tiles/document'
import { db } from '../db'
import { documents, jobs, keptParts } from '../db/schema'
import { forgetUses, noteUses, ownerOf } from '../db/uses'
import { brokenDocument, notFound } from '../problem'
import { clientOf } from './clients'
import { readDocument, saveDocument } from './documents'

/** What a client keeps for other jobs: bands, or a whole email. */
export interface KeptPart {
  id: string
  name: string
  whole: boolean
  /** How many bands it has. */
  bands: number
  revision: number
  at: string
  /** Jobs whose email has bands that are tied to it. */
  usedIn: { job: string; name: string }[]
}

type Row = typeof keptParts.$inferSelect

const about = ({ id, name, whole, body, revision, at }: Row): KeptPart => ({
  ...{ id, name, whole, revision, at },
  // One that is stored broken is listed as well: it can be renamed, replaced and taken away.
  bands: Array.isArray(body?.bands) ? body.bands.length : 0,
  usedIn: db()
    .select({ job: jobs.id, name: jobs.name })
    .from(documents)
    .innerJoin(jobs, eq(jobs.id, documents.jobId))
    // Ids have no characters that would have to be escaped.
    .where(and(eq(documents.kind, 'email'), sql`instr(${documents.body}, ${`"part":"${id}"`}) > 0`))
    .all(),
})

/** What a client keeps, the latest first. @param search words that its name holds, each of them */
export function listKept(clientId: string, search = ''): KeptPart[] {
  clientOf(clientId)
  const words = search.toLowerCase().split(/\s/).filter(Boolean)
  return db()
    .select()
    .from(keptParts)
    .where(eq(keptParts.clientId, clientId))
    .orderBy(desc(keptParts.at))
    .all()
    .filter((row) => words.every((w) => row.name.toLowerCase().includes(w)))
    .map(about)
}

function rowOf(clientId: string, id: string): Row {
  const of = and(eq(keptParts.clientId, clientId), eq(keptParts.id, id))
  const row = db().select().from(keptParts).where(of).get()
  if (!row) throw notFound('kept part', id)
  return row
}

/** One of them, with its bands in their present form. Throws a Problem (404) where there is none of that id. */
export function keptOf(clientId: string, id: string): KeptPart & { email: Email } {
  const row = rowOf(clientId, id)
  try {
    return { ...about(row), email: readEmail(row.body) }
  } catch (error) {
    throw brokenDocument(error)
  }
}

/** Keeps bands, or an email, for a client. */
export function keepPart(clientId: string, what: { name: string; whole: boolean; email: Email }): KeptPart {
  clientOf(clientId)
  const row: Row = {
    ...{ id: newId(), clientId, name: what.name, whole: what.whole, body: what.email },
    revision: 1,
    at: new Date().toISOString(),
  }
  db().transaction((tx) => {
    tx.insert(keptParts).values(row).run()
    noteUses(tx, ownerOf.kept(row.id), row.body)
  })
  return about(row)
}

/** Renames a kept part or changes its bands, and with them those that are tied to it in the emails of some jobs. */
export function changeKept(
  clientId: string,
  id: string,
  set: { name?: string; email?: Email; jobs?: string[] },
): KeptPart & { changed: string[] } {
  const row = rowOf(clientId, id)
  const next: Row = {
    ...row,
    name: set.name ?? row.name,
    body: set.email ?? row.body,
    revision: row.revision + (set.email ? 1 : 0),
  }
  return db().transaction((tx) => {
    tx.update(keptParts).set(next).where(eq(keptParts.id, id)).run()
    noteUses(tx, ownerOf.kept(id), next.body)
    const changed = (set.email ? (set.jobs ?? []) : []).filter((job) => spread(job, id, next.body))
    return { ...about(next), changed }
  })
}

/** Brings the bands of a job's email that are tied to a part up to date. @returns whether there were any */
function spread(jobId: string, part: string, now: Email): boolean {
  const saved = readDocument(jobId, 'email')
  const next = saved && withPart(saved.body, part, now.bands)
  if (!saved || !next || next === saved.body) return false
  saveDocument(jobId, 'email', saved.revision, next)
  return true
}

/** Keeps it no longer; emails keep what they have of it. */
export function dropKept(clientId: string, id: string): void {
  rowOf(clientId, id)
  db().delete(keptParts).where(eq(keptParts.id, id)).run()
  forgetUses(db(), ownerOf.kept(id))
}
