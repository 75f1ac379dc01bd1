import { zipBomb } from '@/test-support/bomb'
import JSZip from 'jszip'
import MailComposer from 'nodemailer/lib/mail-composer'
import { hostOf } from '@/test-support/host'
import { ownData, samplePng } from '@/test-support/server'
import { Problem } from '../problem'
import { pictureBytes } from '../pictures/store'
import { importFile, importHtml, importMarkup } from './import'
import { closePool } from '../pool'
import { takeInAddress, takeInEmail } from './take-in'

ownData()

const html =
  '<!DOCTYPE html>\r\n<html><body><p>F\u00fcchse</p><img src="img/a%20b.png" alt="x" width="300"><img src="cid:one@x" alt="y"></body></html>'
const zipOf = async (files: Record<string, string | Buffer>) => {
  const zip = new JSZip()
  for (const [n, d] of Object.entries(files)) zip.file(n, d)
  return zip.generateAsync({ type: 'nodebuffer' })
}
const problem = async (work: Promise<unknown>): Promise<Problem> =>
  work.then(
    () => {
      throw new Error('no problem')
    },
    (e: unknown) => e as Problem,
  )

describe('an email at an address', () => {
  const limits = hostOf({
    '/winter/letter.html': [
      'text/html',
      '<p>Our night train</p><a href="book"><img src="img/a.png" alt="Book"></a>',
    ],
    '/winter/picture.png': ['image/png', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0])],
  })
  afterAll(closePool)
  const at = (path: string) => takeInAddress(`https://news.halden.example${path}`, undefined, limits)

  test('comes in with its pictures and links where they stood', async () => {
    const { hand, bands } = await at('/winter/letter.html')
    expect(hand.html).toContain('src="https://news.halden.example/winter/img/a.png"')
    expect(hand.html).toContain('href="https://news.halden.example/winter/book"')
    expect(JSON.stringify(bands)).toContain('Our night train')
  })
  test('that is none, or is not there, says so', async () => {
    expect(await problem(at('/winter/picture.png'))).toMatchObject({ status: 422, kind: 'not-an-email' })
    expect(await problem(at('/gone'))).toMatchObject({ status: 502 })
    expect(await problem(takeInAddress('http://127.0.0.1/letter.html'))).toMatchObject({
      kind: 'address-refused',
    })
  })
})

test('an HTML file comes in byte for byte, in the encoding it names', async () => {
  const read = await importFile(Buffer.from(html), 'letter.html')
  expect(read.hand.html).toBe(html)
  const latin = await importFile(Buffer.from('<meta charset="iso-8859-1"><p>Füchse', 'latin1'), 'old.htm')
  expect(latin.hand.html).toContain('Füchse')
  const utf16 = await importFile(Buffer.from('\ufeff<p>Füchse</p>', 'utf16le'), 'x.html')
  expect(utf16.hand.html).toContain('Füchse')
})

test('a ZIP brings its pictures, by the names the HTML has for them', async () => {
  const png = await samplePng(600, 300)
  const read = await takeInEmail(
    await zipOf({
      'mail/index.html': html,
      'mail/img/a b.png': png,
      'mail/img/unused.png': await samplePng(10, 10),
      '__MACOSX/mail/._index.html': 'x',
    }),
    'mail.zip',
  )
  expect(Object.keys(read.hand.pictures)).toEqual(['img/a%20b.png'])
  const ref = read.hand.pictures['img/a%20b.png']!
  expect(await pictureBytes(ref.id)).toEqual(png)
  expect(read.bands.bands.flatMap((b) => b.cells.flatMap((c) => c.items.map((i) => i.kind)))).toEqual([
    'words',
    'picture',
    'code',
  ])
  expect(read.hand.html).toBe(html)
})

test('a message brings subject, text and pictures by Content-ID', async () => {
  const png = await samplePng(200, 100)
  const eml = await new MailComposer({
    from: 'a@b.example',
    to: 'c@d.example',
    subject: 'Schöne Grüße ☾',
    text: 'Füchse\n',
    html,
    attachments: [{ filename: 'one.png', content: png, cid: 'one@x' }],
  })
    .compile()
    .build()
  const read = await takeInEmail(eml, 'letter.eml')
  expect([read.subject, read.text?.trim()]).toEqual(['Schöne Grüße ☾', 'Füchse'])
  expect(await pictureBytes(read.hand.pictures['cid:one@x']!.id)).toEqual(png)
})

test('a picture that cannot stand in an email is said, and the rest comes in', async () => {
  const read = await importFile(
    await zipOf({ 'index.html': '<img src="a.png">', 'a.png': 'not a picture' }),
    'x.zip',
  )
  expect(read.notes.join()).toContain('a.png')
  expect(read.hand.pictures).toEqual({})
})

test.each<[string, () => Promise<Buffer> | Buffer, RegExp]>([
  ['nothing', () => Buffer.alloc(0), /0 bytes/],
  ['a picture', () => samplePng(20, 20), /binary data/],
  ['words', () => Buffer.from('just words'), /plain text only/],
  ['a broken ZIP', async () => (await zipOf({ 'index.html': html })).subarray(0, 60), /damaged/],
  ['a ZIP without HTML', () => zipOf({ 'a.txt': 'x' }), /none ends in .html/],
  [
    'a ZIP of many files',
    () => zipOf(Object.fromEntries(Array.from({ length: 501 }, (_, i) => [`${i}.html`, 'x']))),
    /501 files/,
  ],
  [
    'a message of plain text',
    () => Buffer.from('From: a@b.example\r\nSubject: x\r\nContent-Type: text/plain\r\n\r\nwords\r\n'),
    /plain text only/,
  ],
])('%s is refused with a reason', async (_, bytes, why) => {
  const p = await problem(importFile(await bytes(), 'file'))
  expect(p).toBeInstanceOf(Problem)
  expect(p.detail).toMatch(why)
})

test('a ZIP that unpacks to far more than it weighs is stopped on the way', async () => {
  const bomb = zipBomb('index.html', 160 * 1024 * 1024, 32)
  expect(bomb.length).toBeLessThan(1024 * 1024)
  expect((await problem(importFile(bomb, 'bomb.zip'))).title).toMatch(/unpacks to too much/)
}, 60_000)

test('pasted source that is too long is refused', () =>
  expect(() => importHtml(`<p>${'x'.repeat(1_000_001)}`)).toThrow(/at most one million/))

test('pictures that stand in pasted HTML come in with it', async () => {
  const png = await samplePng(40, 30)
  const read = await importMarkup(
    `<p>x</p><img alt="A" width="40" src="data:image/png;base64,${png.toString('base64')}">`,
  )
  expect(read.pictures).toHaveLength(1)
  expect(JSON.stringify(read.bands.bands)).toContain('"kind":"picture"')
  const broken = await importMarkup(`<img src="data:image/png;base64,${'A'.repeat(40)}">`)
  expect(broken.notes.join()).toContain('picture 1 in the HTML')
})
