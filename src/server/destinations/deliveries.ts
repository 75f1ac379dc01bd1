import { desc, eq } from 'drizzle-orm'
import { newId } from '@/core/email/defaults'
import { db } from '../db'
import { deliveries } from '../db/schema'
import { proofOf } from '../jobs/proof'
import { Problem } from '../problem'

export type Destination = 'zip' | 'eml' | 'test-send' | 'platform'
export interface Delivery {
  id: string
  destination: Destination
  ok: boolean
  summary: string
  detail: Record<string, unknown>
  revision: number
  at: string
}

/** What was handed over of a job, the latest first. */
export const deliveriesOf = (jobId: string): Delivery[] =>
  db()
    .select()
    .from(deliveries)
    .where(eq(deliveries.jobId, jobId))
    .orderBy(desc(deliveries.at))
    .limit(100)
    .all()
    .map(({ jobId: _, destination, ...d }) => ({ ...d, destination: destination as Destination }))

const note = (jobId: string, d: Omit<Delivery, 'id' | 'at'>) =>
  db()
    .insert(deliveries)
    .values({ id: newId(), jobId, at: new Date().toISOString(), ...d })
    .run()

/** Does a delivery and keeps how it went, whether well or not. */
export async function deliver<T extends { revision: number }>(
  jobId: string,
  destination: Destination,
  run: () => Promise<T>,
  summary: (t: T) => string,
): Promise<T> {
  try {
    const done = await run()
    note(jobId, {
      destination,
      ok: true,
      summary: summary(done),
      detail: JSON.parse(JSON.stringify(done)),
      revision: done.revision,
    })
    return done
  } catch (error) {
    if (error instanceof Problem && error.status === 502)
      note(jobId, {
        destination,
        ok: false,
        summary: error.title,
        detail: { kind: error.kind, detail: error.detail },
        revision: 0,
      })
    throw error
  }
}

/** Throws a Problem (409) where the email lacks what every send needs. The findings lead to the place. */
export function assertSendable(jobId: string): void {
  const lacking = proofOf(jobId).findings.find((f) => f.check === 'subject' && f.severity === 'mend')
  if (lacking)
    throw new Problem(
      409,
      'no-subject',
      'The email has no subject',
      'A message without a subject is often held as spam. Write the subject in Hand over, then send.',
      { where: lacking.where },
    )
}
