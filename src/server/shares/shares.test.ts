import { plainHouseStyle } from '@/core/email/styles'
import { longEmail } from '@/test-support/emails'
import { ownData } from '@/test-support/server'
import { createClient } from '../jobs/clients'
import { saveDocument } from '../jobs/documents'
import { createJob } from '../jobs/jobs'
import {
  MOST_REMARKS,
  MOST_YES,
  addRemark,
  approvalOf,
  makeShare,
  revokeShare,
  sayYes,
  settleRemark,
  sharedOf,
  showsFont,
  showsPicture,
} from './shares'

ownData()

const job = () => {
  const { id } = createJob({ clientId: createClient('Fennmoor').id, name: 'Letter', width: 600 })
  saveDocument(id, 'email', 0, {
    ...longEmail(2),
    muted: [{ finding: 'f', reason: 'the client insists' }],
    recipients: [{ name: 'A', values: {} }],
  })
  return id
}

test("a link cannot be guessed, shows its own email alone, and not what is the freelancer's own", () => {
  const [one, two] = [job(), job()]
  const link = makeShare(one, 7)
  expect(link.id).toMatch(/^[\w-]{27}$/)
  expect(makeShare(one, 7).id).not.toBe(link.id)
  const shown = sharedOf(link.id)
  expect(shown).toMatchObject({ name: 'Letter', client: 'Fennmoor', revision: 1 })
  expect(JSON.stringify(shown)).not.toMatch(/insists|recipients/)
  const own = /"id":"([0-9a-f]{64})"/.exec(JSON.stringify(shown.email))![1]!
  expect([showsPicture(link.id, own), showsPicture(link.id, 'f'.repeat(64))]).toEqual([true, false])
  expect(approvalOf(two).shares).toEqual([])
})

test('of fonts a link gives those of its own client alone', () => {
  const [mine, other] = ['a'.repeat(64), 'b'.repeat(64)]
  const jobWith = (kept: string) => {
    const file = { address: 'https://fennmoor.example/f.woff2', weight: 400, italic: false, kept }
    const webFonts = [{ family: 'Karla', fallback: 'sans' as const, files: [file] }]
    const client = createClient('Fennmoor', { ...plainHouseStyle(), webFonts })
    const { id } = createJob({ clientId: client.id, name: 'Letter', width: 600 })
    saveDocument(id, 'email', 0, longEmail(1))
    return id
  }
  const link = makeShare(jobWith(mine), 7)
  jobWith(other)
  expect([showsFont(link.id, mine), showsFont(link.id, other)]).toEqual([true, false])
})

test('a link is over when its days are, and when it is taken back: both answer as one that never was', () => {
  const id = job()
  const link = makeShare(id, 2)
  const day = 24 * 3600_000
  expect(sharedOf(link.id, Date.now() + 1.9 * day).revision).toBe(1)
  for (const over of [
    () => sharedOf(link.id, Date.now() + 2.1 * day),
    () => sharedOf('never'),
    () => (revokeShare(id, link.id), sharedOf(link.id)),
  ])
    expect(over).toThrow(/opens nothing/)
  expect(() => addRemark(link.id, { band: 'b', lens: 'Wide', by: 'A', said: 'B' })).toThrow(/opens nothing/)
  expect(() => sayYes(link.id, 'A', 1)).toThrow(/opens nothing/)
  expect(() => revokeShare(job(), link.id)).toThrow(/no such link/)
})

test('remarks are pinned to places of the email, settled in the bench, and a yes is to what was looked at', () => {
  const id = job()
  const link = makeShare(id, 7).id
  const { bands } = sharedOf(link).email
  const remark = { band: bands[0]!.id, lens: 'Narrow', by: 'Ada', said: 'Larger, please' }
  const [kept] = addRemark(link, remark)
  expect(kept).toMatchObject({ ...remark, tile: null, settledAt: null })
  expect(() => addRemark(link, { ...remark, band: 'gone' })).toThrow(/place is gone/)
  expect(sharedOf(link).open).toBe(1)
  settleRemark(id, kept!.id, true)
  expect(sharedOf(link).open).toBe(0)
  expect(() => settleRemark(job(), kept!.id, true)).toThrow(/no such remark/)
  saveDocument(id, 'email', 1, longEmail(2))
  expect(() => sayYes(link, 'Ada', 1)).toThrow(/changed meanwhile/)
  expect(sayYes(link, 'Ada', 2)).toMatchObject({ by: 'Ada', revision: 2 })
  expect(approvalOf(id).shares[0]!.yes).toMatchObject({ by: 'Ada', revision: 2 })
})

test('each yes is kept, with when, by whom and to which revision', () => {
  const id = job()
  const [one, two] = [makeShare(id, 7).id, makeShare(id, 7).id]
  sayYes(one, 'Ada', 1)
  sayYes(two, 'Ben', 1)
  saveDocument(id, 'email', 1, longEmail(2))
  sayYes(one, 'Ada', 2)
  const { approvals, shares } = approvalOf(id)
  expect(approvals.map(({ by, revision, share }) => [by, revision, share]).sort()).toEqual(
    [
      ['Ada', 1, one],
      ['Ada', 2, one],
      ['Ben', 1, two],
    ].sort(),
  )
  expect(shares.find((s) => s.id === one)!.yes).toMatchObject({ by: 'Ada', revision: 2 })
  for (let i = 2; i < MOST_YES; i++) sayYes(one, 'Ada', 2)
  expect(() => sayYes(one, 'Ada', 2)).toThrow(/often enough/)
})

test('one link that is filled with remarks silences no other', () => {
  const id = job()
  const [one, two] = [makeShare(id, 7).id, makeShare(id, 7).id]
  const email = sharedOf(one).email
  const band = email.bands[0]!.id
  const remark = { band, lens: 'Wide', by: 'Ada', said: 'No' }
  for (let i = 0; i < MOST_REMARKS; i++) addRemark(one, remark)
  expect(() => addRemark(one, remark)).toThrow(/too many remarks/)
  expect(addRemark(two, remark)).toHaveLength(MOST_REMARKS + 1)
  expect(approvalOf(id).remarks.filter((r) => r.share === two)).toHaveLength(1)
})

test("a remark's tile has to be in the email, and in its band", () => {
  const id = job()
  const { id: link } = makeShare(id, 7)
  const [first, second] = sharedOf(link).email.bands
  const tile = (band: typeof first) => (band!.cells[0] as { items: { id: string }[] }).items[0]!.id
  const remark = { band: first!.id, lens: 'Wide', by: 'Ada', said: 'No' }
  expect(addRemark(link, { ...remark, tile: tile(first) })[0]).toMatchObject({ tile: tile(first) })
  expect(() => addRemark(link, { ...remark, tile: 'gone' })).toThrow(/place is gone/)
  expect(() => addRemark(link, { ...remark, tile: tile(second) })).toThrow(/place is gone/)
})
