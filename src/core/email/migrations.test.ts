import { readEmail } from '../tiles/document'
import { readFileSync } from 'node:fs'
import { compile } from '../compile'
import { readHouse } from './migrations'
import { EMAIL_VERSION } from './schema'
import { placesOf } from './walk'

/** Documents as the first version of the app saved them, kept as they were. */
const old = JSON.parse(readFileSync('src/test-support/fixtures/documents-v1.json', 'utf8')) as {
  emails: { version: number; styles: { link?: string; ground?: string }; bands: unknown[] }[]
  house: { link: string }
}

test('documents of the first version become those of the present with nothing lost', () => {
  for (const doc of old.emails) {
    expect(doc.version).toBe(1)
    const email = readEmail(doc)
    expect([email.version, email.way]).toEqual([EMAIL_VERSION, 'bands'])
    expect(email.bands).toEqual(doc.bands)
    expect(email.styles.link?.color).toBe(doc.styles.link)
    expect(email.styles.ground).toBe(doc.styles.ground)
    expect(compile(email, readHouse(old.house), { src: (p) => p.id })).toContain('</html>')
  }
  expect(old.emails.some((e) => e.styles.link)).toBe(true)
  expect([...placesOf(readEmail(old.emails[2]))].length).toBeGreaterThan(5)
})

test('a house style of the first version keeps its link colour and gets what is new', () => {
  const house = readHouse(old.house)
  expect(house.link).toEqual({ color: old.house.link, underline: true })
  expect(house.webFonts).toEqual([])
  expect(readHouse(house)).toEqual(house)
})

test('a document of today stays as it is; one from a later program, or none at all, is refused', () => {
  const email = readEmail(old.emails[0])
  expect(readEmail(email)).toEqual(email)
  expect(() => readEmail({ ...email, version: 99 })).toThrow()
  for (const none of [null, 3, 'x', [], {}, { version: 1 }]) expect(() => readEmail(none)).toThrow()
})

test('documents of the second version keep what is for the Word engine and their made-up people, under new names', () => {
  const tile = {
    id: 't',
    kind: 'word',
    word: '<p>w</p>',
    others: 'o',
    padding: { top: 0, right: 0, bottom: 0, left: 0 },
    show: 'all',
  }
  const now = readEmail({ ...old.emails[0], version: 2, way: 'bands', styles: {} })
  const band = {
    ...now.bands[0]!,
    cells: [
      {
        ...now.bands[0]!.cells[0]!,
        items: [
          {
            id: 'r',
            kind: 'row',
            gap: 0,
            narrow: 'stack',
            cells: [{ ...now.bands[0]!.cells[0]!, id: 'n', items: [tile] }],
          },
        ],
      },
    ],
  }
  const people = [{ name: 'Ada', values: { kind: 'word' } }]
  const email = readEmail({ ...now, version: 2, bands: [band], readers: people })
  expect([...placesOf(email)].map((p) => p.tile)).toEqual([{ ...tile, kind: 'conditional' }])
  expect(email.recipients).toEqual(people)
  expect('readers' in email).toBe(false)
})
