import { z } from 'zod'
import { applyEdit } from '@/core/email/edits'
import { longEmail } from '@/test-support/emails'
import { ownData, samplePng, takeInDesign } from '@/test-support/server'
import { saveDocument } from '../jobs/documents'
import { createClient } from '../jobs/clients'
import { createJob } from '../jobs/jobs'
import { listVersions } from '../jobs/versions'
import { Problem } from '../problem'
import type { Destination, Sent } from './destination'
import { deliveriesOf, deliver, settleUnknown } from './outbox'

ownData()

const jobWith = async (edits: Parameters<typeof applyEdit>[1][] = []) => {
  const { id } = createJob({
    clientId: createClient(`Client ${Math.random()}`).id,
    name: 'Letter',
    width: 600,
    design: await takeInDesign(await samplePng(40, 40, false), 'd.png'),
    designName: 'd.png',
  })
  const subject = { name: 'setEmail' as const, what: { subject: 'Walks' } }
  saveDocument(id, 'email', 0, [subject, ...edits].reduce(applyEdit, longEmail(1)))
  return id
}

interface Parcel extends Sent {
  to: string
}
/** A destination that does as it is told, and counts. */
const standIn = (send: () => Promise<void> = async () => {}) => {
  const asked: { key: string }[] = []
  const read: string[] = []
  const destination: Destination<{ to: string }, Parcel> = {
    name: 'platform',
    writing: 'document',
    limits: { pictures: ['image/png', 'image/jpeg'], pictureBytes: 1e6, needs: ['subject'] },
    credentials: z.object({ to: z.string() }),
    send: async (_, { to }, { key }) => {
      asked.push({ key })
      await send()
      return { sent: { to, revision: 1 }, file: Buffer.from('file') }
    },
    readBack: async ({ to }) => void read.push(to),
    summary: ({ to }) => `To ${to}`,
  }
  return { destination, asked, read }
}
const how = { tell: () => {} }
const states = (job: string) => deliveriesOf(job).map((d) => [d.state, d.ok, d.summary])

test('a delivery is written down before it starts, looked at where it arrived, and settled after', async () => {
  const job = await jobWith()
  let meanwhile: unknown[] = []
  const { destination, read } = standIn(async () => {
    meanwhile = states(job)
  })
  const { sent, file } = await deliver(destination, job, { to: 'a' }, how)
  expect(meanwhile).toEqual([['sending', false, 'Under way']])
  expect([sent, file?.toString(), read]).toEqual([{ to: 'a', revision: 1 }, 'file', ['a']])
  expect(states(job)).toEqual([['done', true, 'To a']])
  expect(deliveriesOf(job)[0]).toMatchObject({ destination: 'platform', revision: 1, detail: { to: 'a' } })
})

test('a repeat with the key of one that went well sends nothing and gives its answer', async () => {
  const job = await jobWith()
  const { destination, asked } = standIn()
  const first = await deliver(destination, job, { to: 'a' }, { ...how, key: 'k1' })
  const again = await deliver(destination, job, { to: 'other' }, { ...how, key: 'k1' })
  expect(again.sent).toEqual(first.sent)
  expect(asked).toEqual([{ key: 'k1' }])
  await deliver(destination, job, { to: 'b' }, { ...how, key: 'k2' })
  await deliver(destination, job, { to: 'c' }, how)
  expect(asked).toHaveLength(3)
  expect(asked[2]!.key).not.toBe('')
})

test('a key that belongs to another delivery, or to one under way, is refused', async () => {
  const job = await jobWith()
  const other = await jobWith()
  let repeat: Promise<unknown> | undefined
  const { destination } = standIn(async () => {
    repeat ??= deliver(destination, job, { to: 'b' }, { ...how, key: 'k3' }).catch((e: unknown) => e)
    await repeat
  })
  await deliver(destination, job, { to: 'a' }, { ...how, key: 'k3' })
  expect(await repeat).toMatchObject({ status: 409, kind: 'already-sending' })
  await expect(deliver(destination, other, { to: 'a' }, { ...how, key: 'k3' })).rejects.toMatchObject({
    status: 422,
    kind: 'key-taken',
  })
  expect(states(other)).toEqual([])
})

test('what the other side refused stays in the list, and is tried again under the same key', async () => {
  const job = await jobWith()
  let down = true
  const { destination, asked } = standIn(async () => {
    if (down) throw new Problem(502, 'platform-down', 'The platform does not answer', 'Wait.')
  })
  await expect(deliver(destination, job, { to: 'a' }, { ...how, key: 'k4' })).rejects.toMatchObject({
    status: 502,
  })
  expect(deliveriesOf(job)).toMatchObject([
    {
      state: 'failed',
      summary: 'The platform does not answer',
      detail: { kind: 'platform-down', detail: 'Wait.' },
    },
  ])
  down = false
  await deliver(destination, job, { to: 'a' }, { ...how, key: 'k4' })
  expect(asked.map((a) => a.key)).toEqual(['k4', 'k4'])
  expect(states(job)).toEqual([['done', true, 'To a']])
})

test('what failed before anything left is no delivery', async () => {
  const job = await jobWith()
  const { destination } = standIn(() => Promise.reject(new Problem(422, 'wrong', 'Wrong', 'No.')))
  await expect(deliver(destination, job, { to: 'a' }, how)).rejects.toMatchObject({ status: 422 })
  expect(states(job)).toEqual([])
})

test('a retry that is cancelled before anything left leaves the record of the one that failed', async () => {
  const job = await jobWith()
  let how_: 'down' | 'cancelled' = 'down'
  const { destination } = standIn(async () => {
    throw how_ === 'down'
      ? new Problem(502, 'platform-down', 'The platform does not answer', 'Wait.')
      : new DOMException('Cancelled', 'AbortError')
  })
  const again = () => deliver(destination, job, { to: 'a' }, { ...how, key: 'k6' })
  await expect(again()).rejects.toMatchObject({ status: 502 })
  const [failed] = deliveriesOf(job)
  how_ = 'cancelled'
  await expect(again()).rejects.toMatchObject({ name: 'AbortError' })
  expect(deliveriesOf(job)).toEqual([failed])
})

test('what breaks off after it has left may have arrived: it stays in the list as not known', async () => {
  const job = await jobWith()
  const { destination } = standIn()
  const broken = (error: Error): typeof destination => ({
    ...destination,
    send: async (_, __, { leaving }) => {
      leaving()
      throw error
    },
  })
  const ends: [Error, string][] = [
    [new DOMException('Cancelled', 'AbortError'), 'unknown'],
    [new Problem(502, 'send-failed', 'Broken off', 'In the body.', { unsure: true }), 'unknown'],
    [new Error('read ECONNRESET'), 'unknown'],
    // The other side's own no is one.
    [new Problem(502, 'send-failed', 'Not taken', 'Mailbox full.'), 'failed'],
  ]
  for (const [error, state] of ends) {
    await deliver(broken(error), job, { to: 'a' }, how).catch(() => {})
    expect(deliveriesOf(job)[0]!.state).toBe(state)
  }
  expect(deliveriesOf(job)).toHaveLength(ends.length)
})

test('the email is kept as a version before it is handed over', async () => {
  const job = await jobWith()
  const { destination } = standIn()
  const versions = () => listVersions(job).map((v) => [v.name, v.revision])
  expect(versions()).toEqual([])
  await deliver(destination, job, { to: 'a' }, how)
  expect(versions()).toEqual([['By itself: before it was handed over (platform)', 1]])
  // Also where it then fails, and not twice for one state.
  await deliver({ ...destination, send: () => Promise.reject(new Error('x')) }, job, { to: 'a' }, how).catch(
    () => {},
  )
  expect(versions()).toHaveLength(1)
})

test('after a stop nobody can say whether what was under way arrived; it can be sent again', async () => {
  const job = await jobWith()
  let stopped = true
  const { destination } = standIn(() => (stopped ? new Promise(() => {}) : Promise.resolve()))
  void deliver(destination, job, { to: 'a' }, { ...how, key: 'k5' })
  await new Promise((r) => setTimeout(r, 10))
  settleUnknown()
  expect(states(job)).toEqual([['unknown', false, 'Broken off: look whether it arrived']])
  stopped = false
  await deliver(destination, job, { to: 'a' }, { ...how, key: 'k5' })
  expect(states(job)).toEqual([['done', true, 'To a']])
})

test('what an email lacks, or a picture that is not taken, is said before anything is sent', async () => {
  const job = await jobWith([{ name: 'setEmail', what: { subject: ' ' } }])
  const { destination, asked } = standIn()
  await expect(deliver(destination, job, { to: 'a' }, how)).rejects.toMatchObject({
    status: 409,
    kind: 'no-subject',
    extra: { where: { value: 'subject' } },
  })
  const good = await jobWith()
  const light: typeof destination = { ...destination, limits: { ...destination.limits, pictureBytes: 10 } }
  await expect(deliver(light, good, { to: 'a' }, how)).rejects.toMatchObject({ kind: 'picture-not-taken' })
  const png: typeof destination = {
    ...destination,
    limits: { ...destination.limits, pictures: ['image/gif'] },
  }
  await expect(deliver(png, good, { to: 'a' }, how)).rejects.toMatchObject({ kind: 'picture-not-taken' })
  expect([asked, states(job), states(good)]).toEqual([[], [], []])
})
