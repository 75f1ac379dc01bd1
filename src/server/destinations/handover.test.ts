import { emptyPlan } from '@/core/cut/plan'
import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import JSZip from 'jszip'
import { simpleParser } from 'mailparser'
import { applyEdit } from '@/core/email/edits'
import { longEmail } from '@/test-support/emails'
import { ownData, samplePng } from '@/test-support/server'
import { changeJob, countJobs, createJob, duplicateJob, firstJobs, listJobs, summaryOf } from '../jobs/jobs'
import { createClient } from '../jobs/clients'
import { readDocument, saveDocument } from '../jobs/documents'
import { autocutJob } from '../jobs/autocut'
import { buildJob } from '../jobs/build'
import { picturesOfJob, writtenJob } from '../jobs/proof'
import { saveCuts } from '../jobs/cuts'
import { takeInDesign } from '@/test-support/server'
import { takeInPicture } from '../pictures/take-in'
import { fileOf, pictureBytes } from '../pictures/store'
import { zipOf } from './zip/files'
import { emlOf } from './eml'
import { built } from './mail'

ownData()

/** A job whose email holds two pictures from its own design. */
async function builtJob() {
  const client = createClient('Halden Night Rail')
  const design = await takeInDesign(await samplePng(1200, 1000), 'design.png')
  const job = createJob({
    clientId: client.id,
    name: 'Timetable',
    width: 600,
    design,
    designName: 'design.png',
  })
  const cut = (id: string, y: number, h: number) => ({
    id,
    x: 0,
    y,
    w: 1200,
    h,
    kind: 'picture' as const,
    alt: `Füchse ${id}`,
    link: 'https://halden.example/?a=1&b=2',
    words: null,
    ground: null,
  })
  saveCuts(job.id, 0, { ...emptyPlan(), cuts: [cut('a', 0, 400), cut('b', 400, 600)] })
  const built = await buildJob(job.id)
  const email = applyEdit(built.email.body, {
    name: 'setEmail',
    what: { subject: 'Schlafen Sie gut: 30 Minuten früher – ja! ☾ שלום', preheader: 'Los' },
  })
  saveDocument(job.id, 'email', built.email.revision, email)
  return { job, email }
}
const made = builtJob()

test('the message is read back whole: HTML, text, subject (RFC 2047), pictures by Content-ID (RFC 2392)', async () => {
  const { job, email } = await made
  const eml = (await emlOf(job.id)).bytes
  // RFC 5322, 2.1.1: at most 998 octets a line, and lines end in CRLF.
  for (const line of eml.toString('latin1').split('\r\n')) expect(line.length).toBeLessThanOrEqual(998)
  expect(/[^\r]\n|\r[^\n]/.test(eml.toString('latin1'))).toBe(false)
  const mail = await simpleParser(eml, { keepCidLinks: true })
  expect(mail.subject).toBe(email.subject)
  expect(mail.html).toContain('<!DOCTYPE html>')
  expect(mail.text?.trim()).toContain('[Picture: Füchse a] <https://halden.example/?a=1&b=2>')
  const cids = [...String(mail.html).matchAll(/src="cid:([^"]+)"/g)].map((m) => m[1])
  expect(cids).toHaveLength(2)
  for (const cid of cids) expect(mail.attachments.find((a) => a.cid === cid)?.size).toBeGreaterThan(100)
  const pictures = email.bands.flatMap((b) =>
    b.cells.flatMap((c) => c.items.flatMap((i) => (i.kind === 'picture' && i.picture ? [i.picture.id] : []))),
  )
  expect(mail.attachments[0]!.content.equals(await pictureBytes(pictures[0]!))).toBe(true)
})

test('a message says how to leave in one press (RFC 8058), and names its pictures as no other does', async () => {
  const { job } = await made
  const read = async () => {
    const raw = (await emlOf(job.id)).bytes.toString('latin1')
    return { raw, cids: [...raw.matchAll(/^Content-ID: <([^>]+)>/gim)].map((m) => m[1]!) }
  }
  const [one, other] = [await read(), await read()]
  expect(one.cids).toHaveLength(2)
  for (const cid of one.cids) expect(cid.length).toBeLessThan(48)
  expect(one.cids.filter((c) => other.cids.includes(c))).toEqual([])
  const leaves = one.raw.includes('unsubscribe.example')
  expect(/^List-Unsubscribe: <https:\/\/unsubscribe\.example\/>\r$/m.test(one.raw)).toBe(leaves)
  expect(/^List-Unsubscribe-Post: List-Unsubscribe=One-Click\r$/m.test(one.raw)).toBe(leaves)
  // RFC 2919, 3, and RFC 2369, 3.1, 3.4 and 3.5.
  expect(/^List-Id: "[ -~]+" <news\.mosaicus\.example>\r$/m.test(one.raw)).toBe(leaves)
  expect(/^List-Post: NO\r$/m.test(one.raw)).toBe(leaves)
  for (const name of ['Help', 'Owner'])
    expect(new RegExp(`^List-${name}: <mailto:studio@mosaicus\\.example`, 'm').test(one.raw)).toBe(leaves)
  expect(one.raw).toMatch(/^To: (?:"A reader"|A reader) <reader@mosaicus\.example>\r$/m)
  const named = (await emlOf(job.id, { from: 'a@b.example', to: 'anna@c.example' })).bytes.toString('latin1')
  expect(named).toMatch(/^To: "?anna"? <anna@c\.example>\r$/m)
})

test('no line of a message begins with "From ", and it is read back as it was', async () => {
  const long = `From ${'x'.repeat(64)} on`
  const text = `Dear friend,\nFrom now on\n${long}\n From here\nFrom`
  const raw = await built({
    from: 'a@b.example',
    to: 'c@d.example',
    subject: 'From us',
    text,
    encoding: 'quoted-printable',
    newline: 'windows',
  } as never)
  expect(raw.toString('latin1')).not.toMatch(/^From /m)
  for (const line of raw.toString('latin1').split('\r\n')) expect(line.length).toBeLessThanOrEqual(76)
  expect((await simpleParser(raw)).text!.trimEnd()).toBe(text)
})

test('the message carries exactly the compiled HTML and text', async () => {
  const { job } = await made
  const mail = await simpleParser((await emlOf(job.id)).bytes, { keepCidLinks: true })
  const { html, text } = await writtenJob(job.id, { writing: 'message', places: 'app' })
  expect(
    String(mail.html)
      .replace(/cid:[^"]+/g, 'x')
      .trimEnd(),
  ).toBe(html.replace(/\/api\/pictures\/\w+/g, 'x').trimEnd())
  expect(mail.text!.trimEnd()).toBe(text.trimEnd())
})

test('the ZIP passes unzip -t, holds what it says, and is the same each time', async () => {
  const { job } = await made
  const bytes = (await zipOf(job.id)).bytes
  expect((await zipOf(job.id)).bytes.equals(bytes)).toBe(true)
  const zip = await JSZip.loadAsync(bytes)
  const pictures = ['images/01-fuchse-a', 'images/02-fuchse-b']
  expect(Object.keys(zip.files).map((f) => f.replace(/^(images\/.*)\.(?:jpg|png)$/, '$1'))).toEqual([
    'index.html',
    ...pictures,
    'text.txt',
    'manifest.json',
  ])
  // A file's ending says what its first bytes are (PNG, third edition, 5.2; JPEG: ITU-T T.81, B.1.1.3).
  for (const [name, file] of Object.entries(zip.files).filter(([n]) => n.startsWith('images/'))) {
    const head = (await file.async('nodebuffer')).toString('latin1', 0, 3)
    expect(head).toBe(name.endsWith('.png') ? '\x89PN' : name.endsWith('.jpg') ? '\xff\xd8\xff' : 'neither')
  }
  const manifest = JSON.parse(await zip.file('manifest.json')!.async('string')) as {
    pictures: { file: string; bytes: number }[]
    html: { bytes: number }
  }
  const html = await zip.file('index.html')!.async('nodebuffer')
  expect(manifest.html.bytes).toBe(html.length)
  for (const p of manifest.pictures) {
    expect((await zip.file(p.file)!.async('nodebuffer')).length).toBe(p.bytes)
    expect(html.toString()).toContain(`src="${p.file}"`)
  }
  if (spawnSync('unzip', ['-v']).status !== 0) return
  const folder = mkdtempSync(join(tmpdir(), 'zip-'))
  try {
    writeFileSync(join(folder, 'a.zip'), bytes)
    expect(execFileSync('unzip', ['-t', join(folder, 'a.zip')], { encoding: 'utf8' })).toContain(
      'No errors detected',
    )
    execFileSync('unzip', ['-q', join(folder, 'a.zip'), '-d', folder])
    expect(readFileSync(join(folder, 'index.html')).equals(html)).toBe(true)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
})

test('a ZIP goes on without a picture whose file is missing, and names it', async () => {
  const { job } = await made
  const whole = await zipOf(job.id)
  const id = (await picturesOfJob(job.id))[0]!.picture.id
  const bytes = readFileSync(fileOf(id))
  rmSync(fileOf(id))
  try {
    const { missing, bytes: less } = await zipOf(job.id)
    expect(missing).toHaveLength(1)
    const zip = await JSZip.loadAsync(less)
    expect(zip.file(`images/${missing[0]}`)).toBeNull()
    expect(JSON.parse(await zip.file('manifest.json')!.async('string'))).toMatchObject({ missing })
  } finally {
    writeFileSync(fileOf(id), bytes)
  }
  expect((await zipOf(job.id)).bytes.equals(whole.bytes)).toBe(true)
})

test('a stale revision overwrites nothing', async () => {
  const { job } = await made
  const now = readDocument(job.id, 'email')!
  expect(() => saveDocument(job.id, 'email', now.revision - 1, longEmail(1))).toThrow(
    expect.objectContaining({ status: 409, extra: { revision: now.revision } }),
  )
  expect(readDocument(job.id, 'email')).toEqual(now)
})

test('cuts that overlap or leave the design are refused with their names', async () => {
  const { job } = await made
  const cut = (id: string, y: number, h: number) => ({
    id,
    x: 0,
    y,
    w: 1200,
    h,
    kind: 'flat' as const,
    alt: null,
    link: '',
    words: null,
    ground: null,
  })
  expect(() => saveCuts(job.id, 2, { ...emptyPlan(), cuts: [cut('a', 0, 400), cut('b', 399, 10)] })).toThrow(
    /"a" and "b" share/,
  )
  expect(() => saveCuts(job.id, 2, { ...emptyPlan(), cuts: [cut('a', 0, 1001)] })).toThrow(/1200 x 1001/)
})

test('a job goes from design to ready, is copied, archived and brought back', async () => {
  const { job } = await made
  expect(await summaryOf(job.id)).toMatchObject({ state: 'composing', toMend: 1, trouble: null })
  const copy = duplicateJob(job.id)
  expect(readDocument(copy.id, 'email')?.body).toEqual(readDocument(job.id, 'email')?.body)
  changeJob(copy.id, { archived: true, name: 'Old' })
  const names = async (archived: boolean) => (await listJobs(archived)).map((j) => j.name)
  expect([await names(false), await names(true)]).toEqual([['Timetable'], ['Old']])
  expect(countJobs()).toEqual({ open: 1, archived: 1 })
  // The wall begins with the first by day, of each client together.
  const later = duplicateJob(job.id)
  changeJob(later.id, { due: '2031-01-02', name: 'Later' })
  const first = async (most: number) => (await firstJobs(most)).map((j) => j.name)
  expect([await first(1), await first(9)]).toEqual([['Later'], ['Later', 'Timetable']])
  changeJob(later.id, { archived: true })
  expect((await autocutJob(copy.id)).cuts.length).toBeGreaterThan(0)
})

test('a build that is cancelled changes nothing', async () => {
  const { job } = await made
  const before = [readDocument(job.id, 'email'), readDocument(job.id, 'cuts')]
  const stop = new AbortController()
  await expect(buildJob(job.id, () => stop.abort(), stop.signal)).rejects.toThrow()
  expect([readDocument(job.id, 'email'), readDocument(job.id, 'cuts')]).toEqual(before)
})

test('an email by hand leaves with its pictures, as files and as a message; one of plain text without HTML', async () => {
  const { job } = await made
  const copy = duplicateJob(job.id)
  const saved = readDocument(copy.id, 'email')!
  const picture = await takeInPicture(await samplePng(60, 40), 'a.png')
  const html =
    '<!DOCTYPE html>\n<html lang="en"><body><P>F\u00fcr [[given_name | dich]]<img src="art/a.png" alt=""></body></html>'
  saveDocument(copy.id, 'email', saved.revision, {
    ...saved.body,
    way: 'hand',
    hand: { html, pictures: { 'art/a.png': picture }, inline: false },
  })
  const zip = await JSZip.loadAsync((await zipOf(copy.id)).bytes)
  expect(await zip.file('index.html')!.async('string')).toBe(html.replace('art/a.png', 'images/a.png'))
  expect(await zip.file('images/a.png')!.async('nodebuffer')).toEqual(await pictureBytes(picture.id))
  const mail = await simpleParser((await emlOf(copy.id)).bytes, { skipImageLinks: true })
  expect(mail.html).toContain('<P>F\u00fcr dich<img src="cid:')
  expect(mail.attachments).toHaveLength(1)
  expect(mail.text).toContain('F\u00fcr dich')
  saveDocument(copy.id, 'email', saved.revision + 1, { ...saved.body, way: 'plain', plain: 'Nur Text' })
  expect((await simpleParser((await emlOf(copy.id)).bytes)).html).toBe(false)
  expect(Object.keys((await JSZip.loadAsync((await zipOf(copy.id)).bytes)).files)).not.toContain('index.html')
})
