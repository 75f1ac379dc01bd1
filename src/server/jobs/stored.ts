import { and, eq } from 'drizzle-orm'
import { db } from '../db'
import { documents } from '../db/schema'

/** A document as it is stored, whatever it is; null where there is none yet. */
export const rawDocument = (
  jobId: string,
  kind: 'cuts' | 'email',
): { revision: number; body: unknown; savedAt: string } | null =>
  db()
    .select()
    .from(documents)
    .where(and(eq(documents.jobId, jobId), eq(documents.kind, kind)))
    .get() ?? null
