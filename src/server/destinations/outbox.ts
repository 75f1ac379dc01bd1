import { and, desc, eq } from 'drizzle-orm'
import type { deliveryStates } from '@/contract/states'
import { newId } from '@/core/email/defaults'
import { asProblem } from '../as-problem'
import { db } from '../db'
import { deliveries } from '../db/schema'
import { jobOf } from '../jobs/jobs'
import { picturesOfJob, proofOf } from '../jobs/proof'
import { keepByItself } from '../jobs/versions'
import { Problem } from '../problem'
import type { Delivering, Destination, Sent } from './destination'

export interface Delivery {
  id: string
  destination: Destination<never, Sent>['name']
  state: (typeof deliveryStates)[number]
  ok: boolean
  summary: string
  detail: Record<string, unknown>
  revision: number
  at: string
}

/** Deliveries that are listed. */
const MOST_LISTED = 100

export const deliveriesOf = (jobId: string): Delivery[] =>
  db()
    .select()
    .from(deliveries)
    .where(eq(deliveries.jobId, jobId))
    .orderBy(desc(deliveries.at))
    .limit(MOST_LISTED)
    .all()
    .map(({ jobId: _, key: __, destination, ...d }) => ({
      ...d,
      ok: d.state === 'done',
      destination: destination as Delivery['destination'],
    }))

/**
 * Hands a job's email over. The delivery is written down before it starts and settled after, so that a crash leaves no doubt that something was
 * under way. With the key of one that went well it gives that one's answer and sends nothing.
 */
export async function deliver<C, S extends Sent>(
  destination: Destination<C, S>,
  jobId: string,
  credentials: C,
  how: Omit<Delivering, 'key' | 'leaving'> & { key?: string | null },
): Promise<{ sent: S; file?: Buffer }> {
  jobOf(jobId)
  const key = how.key || newId()
  const before = db().select().from(deliveries).where(eq(deliveries.key, key)).get()
  if (before) assertOwn(before, jobId, destination.name)
  if (before?.state === 'done') return { sent: before.detail as unknown as S }
  keepByItself(jobId, `before it was handed over (${destination.name})`)
  const id = before?.id ?? open(jobId, destination.name, key)
  const settle = (set: Partial<typeof deliveries.$inferInsert>) =>
    db().update(deliveries).set(set).where(eq(deliveries.id, id)).run()
  if (before) settle({ state: 'sending', at: new Date().toISOString() })
  let left = false
  const delivering: Delivering = { ...how, key, leaving: () => void (left = true) }
  try {
    await assertSendable(jobId, destination)
    const { sent, file } = await destination.send(jobId, credentials, delivering)
    await destination.readBack?.(sent, credentials, delivering)
    settle({
      state: 'done',
      summary: destination.summary(sent, credentials),
      detail: { ...sent } as Record<string, unknown>,
      revision: sent.revision,
    })
    return { sent, ...(file ? { file } : {}) }
  } catch (error) {
    const problem = asProblem(error)
    // Once something has left, only the other side's own answer tells that it did not arrive.
    if (left && (problem.status !== 502 || problem.extra.unsure === true))
      settle({
        state: 'unknown',
        summary: 'Broken off: look whether it arrived',
        detail: { kind: problem.kind, detail: problem.detail },
        revision: 0,
      })
    // What was cancelled, or failed before anything left, is no delivery.
    else if (problem.status === 502)
      settle({
        state: 'failed',
        summary: problem.title,
        detail: { kind: problem.kind, detail: problem.detail },
        revision: 0,
      })
    else if (before) settle({ state: before.state, at: before.at })
    else db().delete(deliveries).where(eq(deliveries.id, id)).run()
    throw error
  }
}

/** Throws a Problem where a key is another delivery's (422), or its first request has not been answered (409). */
function assertOwn(
  before: typeof deliveries.$inferSelect,
  jobId: string,
  destination: Delivery['destination'],
): void {
  if (before.jobId !== jobId || before.destination !== destination)
    throw new Problem(
      422,
      'key-taken',
      'This key belongs to another delivery',
      'An Idempotency-Key stands for one delivery of one email to one destination. Take a new one.',
    )
  if (before.state === 'sending')
    throw new Problem(
      409,
      'already-sending',
      'This delivery is under way',
      'The first request with this key has not been answered yet. Wait for it, or look at the deliveries.',
    )
}

function open(jobId: string, destination: Delivery['destination'], key: string): string {
  const id = newId()
  const at = new Date().toISOString()
  db()
    .insert(deliveries)
    .values({
      id,
      jobId,
      destination,
      key,
      state: 'sending',
      summary: 'Under way',
      detail: {},
      revision: 0,
      at,
    })
    .run()
  return id
}

/** Throws a Problem (409) where the email lacks what a destination needs, or holds what it does not take. */
async function assertSendable<C, S extends Sent>(
  jobId: string,
  { limits }: Destination<C, S>,
): Promise<void> {
  const heavy = (await picturesOfJob(jobId)).find(
    ({ picture: p }) => !limits.pictures.includes(p.type) || p.bytes > limits.pictureBytes,
  )
  if (heavy)
    throw new Problem(
      409,
      'picture-not-taken',
      'A picture cannot go there',
      `${heavy.name} is ${heavy.picture.type} of ${(heavy.picture.bytes / 1048576).toFixed(1)} MB. This destination takes ${limits.pictures.join(', ')} of at most ${limits.pictureBytes / 1048576} MB. Replace it, then send.`,
    )
  if (!limits.needs.includes('subject')) return
  const lacking = (await proofOf(jobId)).findings.find((f) => f.check === 'subject' && f.severity === 'mend')
  if (lacking)
    throw new Problem(
      409,
      'no-subject',
      'The email has no subject',
      'A message without a subject is often held as spam. Write the subject in Hand over, then send.',
      { where: lacking.where },
    )
}

/** Once at the start: of deliveries that were under way when the app was stopped nobody can say whether they arrived. */
export function settleUnknown(): void {
  db()
    .update(deliveries)
    .set({
      state: 'unknown',
      summary: 'Broken off: look whether it arrived',
      detail: {
        kind: 'broken-off',
        detail: 'Mosaicus was stopped while it was under way. Look at the destination before you send again.',
      },
    })
    .where(and(eq(deliveries.state, 'sending')))
    .run()
}
