import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { and, eq } from 'drizzle-orm'
import { asProblem } from '../as-problem'
import { db } from '../db'
import { clients, documents, figures, jobs } from '../db/schema'
import { compute } from '../pool'
import type { KnownFigures } from '../pool/proof'
import { Problem } from '../problem'
import { rawDocument } from './stored'

/**
 * What tells that the code that makes figures has changed, so that those kept from before are made anew: the digest of the bundle that makes them
 * (its parts are named by their own).
 */
const version = (() => {
  let known: string | undefined
  return () =>
    (known ??= createHash('sha256')
      .update(readFileSync(join(/* turbopackIgnore: true */ process.cwd(), 'dist/worker/worker.mjs')))
      .digest('hex')
      .slice(0, 16))
})()

/** Longest that the documents of one job may take, ms. */
const DEADLINE = 10_000

const nothing: KnownFigures = { cutCount: 0, toMend: 0, toMind: 0, trouble: null }

/** What figures were made of. */
export interface Stamp {
  emailRevision: number
  cutsRevision: number
  houseRevision: number
}
const keyOf = (s: Stamp): string => `${version()}:${s.emailRevision}:${s.cutsRevision}:${s.houseRevision}`

/** The stamp of a job's documents now. */
export function stampOf(jobId: string): Stamp {
  const revision = (kind: 'email' | 'cuts') =>
    db()
      .select({ revision: documents.revision })
      .from(documents)
      .where(and(eq(documents.jobId, jobId), eq(documents.kind, kind)))
      .get()?.revision ?? 0
  const house = db()
    .select({ revision: clients.revision })
    .from(jobs)
    .innerJoin(clients, eq(clients.id, jobs.clientId))
    .where(eq(jobs.id, jobId))
    .get()
  return {
    emailRevision: revision('email'),
    cutsRevision: revision('cuts'),
    houseRevision: house?.revision ?? 0,
  }
}

/** Jobs that are being looked at, so that none is twice at once. */
const underWay = new Map<string, Promise<KnownFigures>>()

/**
 * What a job's documents come to. It is kept with what it was made of, and made anew on a worker thread where that
 * has changed; a document that cannot be compiled says so and holds nothing else up.
 */
export function figuresOf(
  jobId: string,
  stamp: Stamp,
  kept?: { of: string; body: KnownFigures },
): Promise<KnownFigures> {
  const key = keyOf(stamp)
  if (kept?.of === key) return Promise.resolve(kept.body)
  if (!stamp.emailRevision && !stamp.cutsRevision) return Promise.resolve(nothing)
  const at = `${jobId} ${key}`
  let made = underWay.get(at)
  if (!made) {
    made = make(jobId, key).finally(() => underWay.delete(at))
    underWay.set(at, made)
  }
  return made
}

async function make(jobId: string, of: string): Promise<KnownFigures> {
  const house = db()
    .select({ house: clients.house })
    .from(jobs)
    .innerJoin(clients, eq(clients.id, jobs.clientId))
    .where(eq(jobs.id, jobId))
    .get()?.house
  const input = {
    email: rawDocument(jobId, 'email')?.body ?? null,
    cuts: rawDocument(jobId, 'cuts')?.body ?? null,
    house,
  }
  let body: KnownFigures
  try {
    body = { ...(await compute('figures', input, { deadline: DEADLINE })), trouble: null }
  } catch (error) {
    body = { ...nothing, trouble: asProblem(error).detail }
    // What lies in the documents stays so until they change; anything else may pass.
    if (!(error instanceof Problem)) return body
  }
  db()
    .insert(figures)
    .values({ jobId, of, body })
    .onConflictDoUpdate({ target: figures.jobId, set: { of, body } })
    .run()
  return body
}

/** Looks at a job's documents again after they were saved, while nobody waits. */
export const refreshFigures = (jobId: string): void => {
  figuresOf(jobId, stampOf(jobId)).catch(() => {})
}
