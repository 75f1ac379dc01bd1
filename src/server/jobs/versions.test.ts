import { readFileSync } from 'node:fs'
import { eq } from 'drizzle-orm'
import sharp from 'sharp'
import { plainHouseStyle } from '@/core/email/styles'
import { longEmail } from '@/test-support/emails'
import { ownData, samplePng } from '@/test-support/server'
import { db } from '../db'
import { clients, documents } from '../db/schema'
import { drawIcon } from '../pictures/icons'
import { pictureBytes } from '../pictures/store'
import { EMAIL_VERSION } from '@/core/email/schema'
import { takeInDesign } from '@/test-support/server'
import { changeClient, clientOf, createClient, listClients } from './clients'
import { readDocument, saveDocument } from './documents'
import { createJob, jobOf, listJobs } from './jobs'
import { onSaved } from './live'
import { writtenJob } from './proof'
import { rawDocument } from './stored'
import { shelfOf } from '../pictures/shelf'
import { keepByItself, keepVersion, listVersions, versionOf } from './versions'

ownData()

test('an email with a revision that there never was is not taken: neither of the past nor of the future', () => {
  const { id } = createJob({ clientId: createClient('Fennmoor').id, name: 'Letter', width: 600 })
  saveDocument(id, 'email', 0, longEmail(1))
  for (const from of [0, 2, 7])
    expect(() => saveDocument(id, 'email', from, longEmail(2))).toThrow(/changed elsewhere/)
  expect(readDocument(id, 'email')).toMatchObject({ revision: 1 })
  expect(saveDocument(id, 'email', 1, longEmail(2)).revision).toBe(2)
})

test('a save that was refused is announced to nobody; one that was taken, with the revision that stands', async () => {
  const { id } = createJob({ clientId: createClient('Fennmoor').id, name: 'Letter', width: 600 })
  const heard: unknown[] = []
  const leave = onSaved(id, (news) => heard.push(news))
  expect(() => saveDocument(id, 'email', 3, longEmail(1))).toThrow()
  await new Promise((go) => setTimeout(go, 20))
  expect(heard).toEqual([])
  saveDocument(id, 'email', 0, longEmail(1))
  await new Promise((go) => setTimeout(go, 20))
  expect(heard).toEqual([{ kind: 'email', revision: 1 }])
  leave()
})

test('an email that cannot be read is kept as a version and replaced, and stops no other', () => {
  const { id: client } = createClient('Fennmoor')
  const job = (name: string) => createJob({ clientId: client, name, width: 600 }).id
  const [broken, sound] = [job('Broken'), job('Sound')]
  saveDocument(broken, 'email', 0, longEmail(1))
  saveDocument(sound, 'email', 0, longEmail(1))
  for (const body of ['{"bands": 7}', '{', 'null']) {
    db()
      .$client.prepare("update documents set body = ? where job_id = ? and kind = 'email'")
      .run(body, broken)
    expect(() => readDocument(broken, 'email')).toThrow(/cannot be read/)
    keepByItself(broken, 'the next')
    const { revision } = rawDocument(broken, 'email')!
    expect(saveDocument(broken, 'email', revision, longEmail(2)).revision).toBe(revision + 1)
    expect(shelfOf(client)).toEqual([])
    expect(readDocument(sound, 'email')).toMatchObject({ revision: 1 })
  }
})

test('a house style that cannot be read stops neither the list of clients nor its jobs', async () => {
  const { id } = createClient('Halden')
  const job = createJob({ clientId: id, name: 'Letter', width: 600 })
  db().$client.prepare('update clients set house = \'{"colors": 3}\' where id = ?').run(id)
  const listed = listClients().find((c) => c.id === id)!
  expect([listed.name, !!listed.trouble]).toEqual(['Halden', true])
  expect(jobOf(job.id).client.id).toBe(id)
  expect((await listJobs()).some((j) => j.id === job.id)).toBe(true)
  // It is put right by what is saved over it.
  changeClient(id, { house: plainHouseStyle() })
  expect(listClients().find((c) => c.id === id)!.trouble).toBeUndefined()
})

const written = (job: string) => writtenJob(job, { writing: 'document', places: 'app' })

async function jobOfClient(clientId: string) {
  const design = await takeInDesign(await samplePng(1200, 400), 'd.png')
  return createJob({ clientId, name: 'Letter', width: 600, design, designName: 'd.png' })
}

test('a version keeps the email as it was, whatever comes after', async () => {
  const job = await jobOfClient(createClient('Fennmoor').id)
  expect(() => keepVersion(job.id, 'none yet')).toThrow(/no email/)
  saveDocument(job.id, 'email', 0, longEmail(2))
  const kept = keepVersion(job.id, 'First')
  saveDocument(job.id, 'email', 1, { ...longEmail(1), way: 'plain', plain: 'other' })
  keepVersion(job.id, 'Second')
  expect(listVersions(job.id).map((v) => [v.name, v.revision])).toEqual([
    ['Second', 2],
    ['First', 1],
  ])
  expect(versionOf(job.id, kept.id).email).toEqual(longEmail(2))
  expect(() => versionOf('another', kept.id)).toThrow(/no such version/)
})

test('changing a house style says how many emails inherit it, and how many look different', async () => {
  const client = createClient('Halden')
  const plain = { ...longEmail(1), styles: {} }
  const own = {
    ...longEmail(1),
    styles: { text: { body: { color: '#123456' }, heading2: { color: '#123456' } } },
  }
  for (const email of [
    plain,
    own,
    { ...plain, way: 'hand' as const, hand: { html: '<p>x', pictures: {}, inline: false } },
  ])
    saveDocument((await jobOfClient(client.id)).id, 'email', 0, email)
  const house = plainHouseStyle()
  const darker = { ...house, text: { ...house.text, body: { ...house.text.body, color: '#000000' } } }
  expect(changeClient(client.id, { house: darker }).emails).toEqual({ inherit: 2, changed: 1 })
  expect(
    changeClient(client.id, { house: { ...darker, button: { ...darker.button, radius: 20 } } }).emails,
  ).toEqual({ inherit: 2, changed: 2 })
  expect(changeClient(client.id, { name: 'Halden Rail' }).emails).toEqual({ inherit: 2, changed: 0 })
})

test('documents stored by the first version of the app are read as those of today', async () => {
  const old = JSON.parse(readFileSync('src/test-support/fixtures/documents-v1.json', 'utf8')) as {
    emails: never[]
    house: never
  }
  const client = createClient('Orrery')
  const job = await jobOfClient(client.id)
  db().update(clients).set({ house: old.house }).where(eq(clients.id, client.id)).run()
  db()
    .insert(documents)
    .values({
      jobId: job.id,
      kind: 'email',
      revision: 7,
      body: old.emails[2]!,
      savedAt: '2026-01-01T00:00:00Z',
    })
    .run()
  expect(clientOf(client.id).house.version).toBe(2)
  expect(readDocument(job.id, 'email')).toMatchObject({
    revision: 7,
    body: { version: EMAIL_VERSION, way: 'bands' },
  })
  expect((await written(job.id)).html).toContain('Walk number 0')
})

test('an email of plain text has no HTML part; one by hand is what was written', async () => {
  const job = await jobOfClient(createClient('Plain').id)
  saveDocument(job.id, 'email', 0, { ...longEmail(1), way: 'plain', plain: 'Hello [[given_name | friend]]' })
  expect(await written(job.id)).toMatchObject({ html: '', text: 'Hello [[given_name | friend]]\n' })
  saveDocument(job.id, 'email', 1, {
    ...longEmail(1),
    way: 'hand',
    hand: { html: '<P>x [[a]]', pictures: {}, inline: false },
  })
  expect((await written(job.id)).html).toBe('<P>x [[a]]')
})

test('an icon is drawn at its size, in its colours, on its shape', async () => {
  const ref = await drawIcon('mastodon', { size: 64, color: '#ffffff', ground: '#204060', shape: 'circle' })
  expect([ref.width, ref.height, ref.type]).toEqual([64, 64, 'image/png'])
  const { data } = await sharp(await pictureBytes(ref.id))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const at = (x: number, y: number) => [...data.subarray((y * 64 + x) * 4, (y * 64 + x) * 4 + 4)]
  expect(at(0, 0)[3]).toBe(0)
  expect(at(32, 3)).toEqual([0x20, 0x40, 0x60, 255])
  expect(
    [...data].filter((_, i) => i % 4 === 0 && data[i] === 255 && data[i + 1] === 255 && data[i + 3] === 255)
      .length,
  ).toBeGreaterThan(200)
  await expect(
    drawIcon('../../package', { size: 64, color: '#ffffff', ground: '#000000', shape: 'none' }),
  ).rejects.toThrow(/no such icon/)
})
