import { plainHouseStyle } from '@/core/email/styles'
import { longEmail } from '@/test-support/emails'
import { ownData } from '@/test-support/server'
import { createClient } from '../jobs/clients'
import { saveDocument } from '../jobs/documents'
import { createJob } from '../jobs/jobs'
import {
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
