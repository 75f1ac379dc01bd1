import { eq } from 'drizzle-orm'
import type { Proof } from '../pool/proof'
import { db } from '../db'
import { clients, jobs } from '../db/schema'
import type { How, Written } from '../destinations/written'
import { compute } from '../pool'
import { notFound, Problem } from '../problem'
import { clientOf, type Client } from './clients'
import { readDocument, type Saved } from './documents'
import { rawDocument } from './stored'

/** Longest that one email may take to be compiled or looked at, ms. */
const DEADLINE = 20_000

const noEmail = () =>
  new Problem(
    409,
    'no-email',
    'There is no email yet',
    'This job has a design but no email. Cut the design and build the email first.',
  )

/** The email of a job with the client it inherits from. Throws a Problem (409) where none has been built yet. */
export function emailOf(jobId: string): Saved<'email'> & { client: Client } {
  const row = db().select({ clientId: jobs.clientId }).from(jobs).where(eq(jobs.id, jobId)).get()
  if (!row) throw notFound('job', jobId)
  const email = readDocument(jobId, 'email')
  if (!email) throw noEmail()
  return { ...email, client: clientOf(row.clientId) }
}

/** The email and the house style of a job as they are stored: worker threads read them. */
function stored(jobId: string): { email: unknown; house: unknown; revision: number } {
  const row = db()
    .select({ house: clients.house })
    .from(jobs)
    .innerJoin(clients, eq(clients.id, jobs.clientId))
    .where(eq(jobs.id, jobId))
    .get()
  if (!row) throw notFound('job', jobId)
  const email = rawDocument(jobId, 'email')
  if (!email) throw noEmail()
  return { email: email.body, house: row.house, revision: email.revision }
}

/** A job's email, compiled for whoever it goes to, on a worker thread. */
export async function writtenJob(
  jobId: string,
  how: How,
  signal?: AbortSignal,
): Promise<Written & { revision: number }> {
  const { revision, ...input } = stored(jobId)
  return { ...(await compute('written', { ...input, how }, { signal, deadline: DEADLINE })), revision }
}

/** What the checks find in a job's email, and how much of the HTML limit is used. */
export async function proofOf(jobId: string, signal?: AbortSignal): Promise<Proof & { revision: number }> {
  const { revision, ...input } = stored(jobId)
  return { revision, ...(await compute('proof', input, { signal, deadline: DEADLINE })) }
}

/** The pictures of a job's email in reading order, named. */
export async function picturesOfJob(jobId: string, signal?: AbortSignal): Promise<Written['pictures']> {
  return compute('namePictures', { email: stored(jobId).email }, { signal, deadline: DEADLINE })
}
