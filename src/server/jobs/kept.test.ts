import { setTimeout as wait } from 'node:timers/promises'
import { copiesOf } from '@/core/email/kept'
import { longEmail } from '@/test-support/emails'
import { ownData } from '@/test-support/server'
import { createClient } from './clients'
import { readDocument, saveDocument } from './documents'
import { createJob, designOf, jobOf, summaryOf } from './jobs'
import { changeKept, dropKept, keepPart, keptOf, listKept } from './kept'
import { onSaved, type SavedNews } from './live'
import { keepByItself, keepHourly, listVersions } from './versions'

ownData()

const job = (clientId: string, name: string) => createJob({ clientId, name, width: 600 })

test('what is kept is found by its name, placed tied or free, and changes along where that is asked for', () => {
  const client = createClient('Fennmoor').id
  const source = longEmail(2)
  const foot = keepPart(client, {
    name: 'Spring foot',
    whole: false,
    email: { ...source, bands: source.bands.slice(1) },
  })
  keepPart(client, { name: 'Spring letter', whole: true, email: source })
  expect(listKept(client, 'spring').map((k) => [k.name, k.whole, k.bands])).toEqual([
    ['Spring letter', true, 2],
    ['Spring foot', false, 1],
  ])
  expect(listKept(client, 'foot spring')).toHaveLength(1)
  expect(listKept(createClient('Another').id)).toEqual([])

  const [one, two, free] = ['One', 'Two', 'Free'].map((name) => job(client, name).id)
  const { email } = keptOf(client, foot.id)
  for (const id of [one, two])
    saveDocument(id!, 'email', 0, { ...source, bands: copiesOf(email.bands, foot.id) })
  saveDocument(free!, 'email', 0, { ...source, bands: copiesOf(email.bands) })
  expect(
    keptOf(client, foot.id)
      .usedIn.map((u) => u.name)
      .sort(),
  ).toEqual(['One', 'Two'])

  const renamed = { ...email, bands: email.bands.map((b) => ({ ...b, name: 'New foot' })) }
  const { changed, revision } = changeKept(client, foot.id, { email: renamed, jobs: [two!, free!] })
  expect([changed, revision]).toEqual([[two], 2])
  const names = [one, two, free].map((id) => readDocument(id!, 'email')!.body.bands[0]!.name)
  expect(names.map((n) => n === 'New foot')).toEqual([false, true, false])
  dropKept(client, foot.id)
  expect(listKept(client)).toHaveLength(1)
  expect(readDocument(two!, 'email')!.body.bands[0]!.name).toBe('New foot')
  expect(() => keptOf(client, foot.id)).toThrow(/no such kept part/)
})

test('a job may begin without a design: it has nothing to cut, and says so', async () => {
  const { id } = job(createClient('Halden').id, 'Letter')
  expect(jobOf(id).design).toBeNull()
  expect(() => designOf(jobOf(id))).toThrow(/no design/)
  expect(await summaryOf(id)).toMatchObject({ design: null, state: 'design', emailRevision: 0 })
  saveDocument(id, 'email', 0, longEmail(1))
  expect((await summaryOf(id)).emailRevision).toBe(1)
})

test('an email is kept by itself once an hour and before it leaves, and never twice as the same', () => {
  const { id } = job(createClient('Orrery').id, 'Letter')
  keepHourly(id)
  saveDocument(id, 'email', 0, longEmail(1))
  keepHourly(id)
  expect(listVersions(id)).toEqual([])
  const later = Date.now() + 3_700_000
  keepHourly(id, later)
  keepByItself(id, 'before it was handed over (zip)')
  expect(listVersions(id).map((v) => v.name)).toEqual(['By itself: an hour of work'])
  saveDocument(id, 'email', 1, longEmail(2))
  keepByItself(id, 'before it was handed over (zip)')
  expect(listVersions(id).map((v) => v.revision)).toEqual([2, 1])
})

test('each saving is told to those who listen to that job, once it is done', async () => {
  const client = createClient('Tarn').id
  const [one, two] = [job(client, 'One').id, job(client, 'Two').id]
  const heard: SavedNews[] = []
  const leave = onSaved(one, (news) => heard.push(news))
  saveDocument(two, 'email', 0, longEmail(1))
  saveDocument(one, 'email', 0, longEmail(1))
  await wait(20)
  leave()
  saveDocument(one, 'email', 1, longEmail(2))
  await wait(20)
  expect(heard).toEqual([{ kind: 'email', revision: 1 }])
})
