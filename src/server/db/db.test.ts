import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { openDb } from './index'
import { copiesIn, DatabaseTrouble, takeBack } from './trouble'

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'db-'))
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

const file = () => join(folder, 'mosaicus.db')
const troubleOf = (): DatabaseTrouble => {
  try {
    openDb(folder).$client.close()
  } catch (error) {
    if (error instanceof DatabaseTrouble) return error
    throw error
  }
  throw new Error('it opened')
}

test('a new folder is closed to others, and so is what lies in it', () => {
  rmSync(folder, { recursive: true })
  openDb(folder).$client.close()
  expect((statSync(folder).mode & 0o777).toString(8)).toBe('700')
  expect((statSync(file()).mode & 0o777).toString(8)).toBe('600')
})

// sqlite.org/fileformat2.html, 1.3: the header's first 16 bytes.
test.each([
  ['no database at all', () => writeFileSync(file(), 'a letter to a friend, of some length'.repeat(200))],
  [
    'one whose pages are overwritten',
    () => {
      openDb(folder).$client.close()
      const bytes = readFileSync(file())
      bytes.fill(0xa5, 100)
      writeFileSync(file(), bytes)
    },
  ],
])('%s is told, and left as it is', (_, make) => {
  make()
  const before = readFileSync(file())
  expect(troubleOf()).toMatchObject({ status: 503, trouble: 'damaged' })
  expect(readFileSync(file()).equals(before)).toBe(true)
})

test('a database of a later Mosaicus is refused unharmed', () => {
  const db = openDb(folder)
  db.$client.prepare("insert into __drizzle_migrations (hash, created_at) values ('later', 99)").run()
  db.$client.close()
  const before = readFileSync(file())
  expect(troubleOf()).toMatchObject({ trouble: 'later', title: 'The database is of a later Mosaicus' })
  expect(readFileSync(file()).equals(before)).toBe(true)
})

test('one that another program holds is told as in use', () => {
  openDb(folder).$client.close()
  const other = new Database(file())
  other.pragma('locking_mode = EXCLUSIVE')
  other.exec('begin exclusive')
  expect(troubleOf()).toMatchObject({ trouble: 'locked' })
  other.close()
}, 30_000)

test('a copy is taken back, and what stood there is put aside', () => {
  const db = openDb(folder)
  db.$client.exec("insert into clients (id, name, house, created_at) values ('a', 'Halden', '{}', 'x')")
  db.$client.prepare('vacuum into ?').run(join(folder, 'mosaicus.before-4.db'))
  db.$client.close()
  writeFileSync(file(), 'damage')
  const trouble = troubleOf()
  expect(trouble.copies.map((c) => c.name)).toEqual(['mosaicus.before-4.db'])
  expect(() => takeBack(folder, '../mosaicus.db')).toThrow(/no such copy/)
  const aside = takeBack(folder, 'mosaicus.before-4.db')
  expect(readFileSync(join(folder, aside), 'utf8')).toBe('damage')
  const again = openDb(folder)
  expect(again.$client.prepare('select name from clients').all()).toEqual([{ name: 'Halden' }])
  again.$client.close()
  expect(copiesIn(folder).map((c) => c.name)).toContain('mosaicus.before-4.db')
  expect(existsSync(file())).toBe(true)
  expect(readdirSync(folder)).toContain(aside)
})

test('what is no JSON stops its own row alone', () => {
  const db = openDb(folder)
  db.$client.exec(
    "insert into clients (id, name, house, created_at) values ('a', 'A', '{', 'x'), ('b', 'B', '{\"x\":1}', 'x')",
  )
  expect(
    db.query.clients
      .findMany()
      .sync()
      .map((c) => c.house),
  ).toMatchObject([{ text: '{' }, { x: 1 }])
  db.$client.close()
})
