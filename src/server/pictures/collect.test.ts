import { existsSync, mkdirSync, readdirSync, readFileSync, utimesSync, writeFileSync } from 'node:fs'
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

/** A database as an older version of the app left it: with its first migrations alone. */
function olderDatabase(folder: string, migrations: number): Database.Database {
  const at = 'src/server/db/migrations'
  const journal = JSON.parse(readFileSync(join(at, 'meta/_journal.json'), 'utf8')) as {
    entries: { tag: string; when: number }[]
  }
  mkdirSync(folder, { recursive: true })
  const db = new Database(join(folder, 'mosaicus.db'))
  db.exec(
    'create table __drizzle_migrations (id integer primary key, hash text not null, created_at numeric)',
  )
  for (const { tag, when } of journal.entries.slice(0, migrations)) {
    db.exec(readFileSync(join(at, `${tag}.sql`), 'utf8'))
    db.prepare('insert into __drizzle_migrations (hash, created_at) values (?, ?)').run(tag, when)
  }
  return db
}

test('a database of fewer tables is copied before it is changed, and loses nothing; one of all is not copied', () => {
  const folder = join(dataFolder(), 'older')
  const old = olderDatabase(folder, 5)
  old.exec(`
    insert into clients (id, name, house, created_at) values ('c', 'Halden', '{}', 'now');
    insert into pictures (id, type, width, height, bytes, created_at) values ('p', 'image/png', 1, 1, 1, 'now');
    insert into jobs (id, client_id, name, width, design_id, design_name, created_at, updated_at)
      values ('j', 'c', 'Letter', 600, 'p', 'd.png', 'now', 'now');
    insert into documents (job_id, kind, revision, body, saved_at) values ('j', 'email', 3, '{"kept":1}', 'now');
    insert into versions (id, job_id, name, body, revision, at) values ('v', 'j', 'First', '{}', 1, 'now');
  `)
  old.close()
  const { $client } = openDb(folder)
  // The jobs' table is made anew by the way: what refers to a job must still be there.
  expect($client.prepare('select body, revision from documents').all()).toEqual([
    { body: '{"kept":1}', revision: 3 },
  ])
  expect($client.prepare('select name from versions').all()).toEqual([{ name: 'First' }])
  expect($client.prepare('select name, design_id from jobs').all()).toEqual([
    { name: 'Letter', design_id: 'p' },
  ])
  expect($client.pragma('foreign_key_check')).toEqual([])
  expect($client.pragma('foreign_keys', { simple: true })).toBe(1)
  $client.close()
  const copies = () => readdirSync(folder).filter((f) => f.includes('before'))
  expect(copies()).toEqual(['mosaicus.before-6.db'])
  const before = new Database(join(folder, copies()[0]!), { readonly: true })
  expect(before.prepare('select name from clients').all()).toEqual([{ name: 'Halden' }])
  expect(before.prepare("select 1 from sqlite_master where name = 'kept_parts'").get()).toBeUndefined()
  before.close()
  openDb(folder).$client.close()
  expect(copies()).toHaveLength(1)
})
