import { existsSync, readdirSync, utimesSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { emptyPlan } from '@/core/cut/plan'
import { longEmail } from '@/test-support/emails'
import { ownData, samplePng, takeInDesign } from '@/test-support/server'
import { openDb } from '../db'
import { createClient } from '../jobs/clients'
import { saveDocument } from '../jobs/documents'
import { createJob } from '../jobs/jobs'
import { dataFolder, picturesFolder } from '../settings'
import { collectPictures } from './collect'
import { putOnShelf } from './shelf'
import { fileOf, pictureInfo } from './store'
import { takeInPicture } from './take-in'

ownData()

const MONTH = 30 * 24 * 3600 * 1000
let size = 20
const picture = async () => takeInPicture(await samplePng(size++, 20, false), 'p.png')

test('what nothing needs goes after a month; what a job, a shelf or a document needs stays', async () => {
  const client = createClient('Halden')
  const design = await takeInDesign(await samplePng(60, 60, false), 'd.png')
  const job = createJob({ clientId: client.id, name: 'x', width: 600, design, designName: 'd.png' })
  const [shelved, cutOut, inEmail, looked] = [
    await picture(),
    await picture(),
    await picture(),
    await picture(),
  ]
  putOnShelf(client.id, shelved, 'p')
  const email = longEmail(1)
  const band = email.bands[0]!
  const cover = { picture: inEmail, across: 'email', fit: 'cover', x: 'center', y: 'top' } as const
  saveDocument(job.id, 'email', 0, { ...email, bands: [{ ...band, picture: cover }] })
  const cut = {
    id: 'a',
    x: 0,
    y: 0,
    w: 9,
    h: 9,
    kind: 'picture',
    alt: '',
    link: '',
    words: null,
    ground: null,
  } as const
  saveDocument(job.id, 'cuts', 0, { ...emptyPlan(), cuts: [{ ...cut, own: cutOut }] })
  const temporary = join(picturesFolder(), looked.id.slice(0, 2), `${looked.id}.0123456789ab`)
  writeFileSync(temporary, 'half')

  expect(await collectPictures()).toBe(0)
  const later = Date.now() + MONTH + 60_000
  expect(await collectPictures(later)).toBe(2)
  expect([existsSync(fileOf(looked.id)), existsSync(temporary)]).toEqual([false, false])
  expect(() => pictureInfo(looked.id)).toThrow(/no such picture/)
  for (const kept of [design, shelved, cutOut, inEmail]) {
    expect(pictureInfo(kept.id)).toMatchObject({ id: kept.id })
    expect(existsSync(fileOf(kept.id))).toBe(true)
  }
  expect(await collectPictures(later)).toBe(0)
})

test('a file that was just written stays, though nobody knows it yet', async () => {
  const file = join(picturesFolder(), 'ab')
  const { id } = await picture()
  const fresh = `${fileOf(id)}.ffffffffffff`
  writeFileSync(fresh, 'half')
  expect(await collectPictures()).toBe(0)
  utimesSync(fresh, new Date(0), new Date(0))
  expect(await collectPictures()).toBe(1)
  expect(existsSync(file) && readdirSync(file).length).toBeFalsy()
})

test('a database of fewer tables is copied before it is changed, one of all is not', () => {
  const folder = join(dataFolder(), 'older')
  openDb(folder).$client.close()
  expect(readdirSync(folder).filter((f) => f.includes('before'))).toEqual([])
  const db = new Database(join(folder, 'mosaicus.db'))
  db.exec('drop table figures; alter table clients drop column revision; alter table jobs drop column remote')
  db.exec(
    'delete from __drizzle_migrations where created_at = (select max(created_at) from __drizzle_migrations)',
  )
  db.prepare("insert into clients values ('c', 'Halden', '{}', 'now')").run()
  db.close()
  openDb(folder).$client.close()
  const [copy, more] = readdirSync(folder).filter((f) => f.includes('before'))
  expect([copy, more]).toEqual(['mosaicus.before-5.db', undefined])
  const before = new Database(join(folder, copy!), { readonly: true })
  expect(before.prepare('select name from clients').all()).toEqual([{ name: 'Halden' }])
  expect(before.prepare("select 1 from sqlite_master where name = 'figures'").get()).toBeUndefined()
  before.close()
})
