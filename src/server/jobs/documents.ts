import { readEmail } from '@/core/tiles/document'
import { and, eq } from 'drizzle-orm'
import { readPlan, type CutPlan } from '@/core/cut/plan'
import type { Email } from '@/core/email/schema'
import { db } from '../db'
import { documents, jobs } from '../db/schema'
import { noteUses, ownerOf } from '../db/uses'
import { refreshFigures } from './figures'
import { tellSaved } from './live'
import { rawDocument } from './stored'
import { brokenDocument, Problem } from '../problem'

interface Bodies {
  cuts: CutPlan
  email: Email
}
type DocumentKind = keyof Bodies
export interface Saved<K extends DocumentKind> {
  revision: number
  body: Bodies[K]
  savedAt: string
}

/** A document as it was stored, however long ago, in its present form. */
const readers: { [K in DocumentKind]: (body: unknown) => Bodies[K] } = { cuts: readPlan, email: readEmail }

/**
 * The stored document of a job, or null where there is none yet. Throws a Problem (422) where what is stored is none
 * that can be read.
 */
export function readDocument<K extends DocumentKind>(jobId: string, kind: K): Saved<K> | null {
  const row = rawDocument(jobId, kind)
  if (!row) return null
  try {
    return { revision: row.revision, body: readers[kind](row.body), savedAt: row.savedAt }
  } catch (error) {
    throw brokenDocument(error, row.revision)
  }
}

/**
 * Saves a document over the revision it started from (0: there was none) and gives back the new one. Throws a
 * Problem (409) where another tab or script saved in between; nothing is overwritten then.
 */
export function saveDocument<K extends DocumentKind>(
  jobId: string,
  kind: K,
  from: number,
  body: Bodies[K],
): Saved<K> {
  const saved = db().transaction(
    (tx) => {
      const row = tx
        .select({ revision: documents.revision })
        .from(documents)
        .where(and(eq(documents.jobId, jobId), eq(documents.kind, kind)))
        .get()
      const current = row?.revision ?? 0
      if (current !== from) {
        throw new Problem(
          409,
          'stale-revision',
          'This was changed elsewhere in the meantime',
          `You started from revision ${from}, but revision ${current} is saved. Nothing was overwritten: read revision ${current} and make your change on it.`,
          { revision: current },
        )
      }
      const savedAt = new Date().toISOString()
      const values = { revision: current + 1, body, savedAt }
      tx.insert(documents)
        .values({ jobId, kind, ...values })
        .onConflictDoUpdate({ target: [documents.jobId, documents.kind], set: values })
        .run()
      tx.update(jobs).set({ updatedAt: savedAt }).where(eq(jobs.id, jobId)).run()
      noteUses(tx, ownerOf[kind](jobId), body)
      return { revision: current + 1, body, savedAt }
    },
    { behavior: 'immediate' },
  )
  // Others are told, and the wall's figures made anew, of what is saved: once all that is saved together is, and as what then stands there.
  setImmediate(() => {
    if ((rawDocument(jobId, kind)?.revision ?? 0) < saved.revision) return
    refreshFigures(jobId)
    tellSaved(jobId, { kind, revision: saved.revision })
  })
  return saved
}
