import { Document, ExternalHyperlink, HeadingLevel, Packer, Paragraph, TextRun } from 'docx'
import JSZip from 'jszip'
import sharp from 'sharp'
import { ssim } from 'ssim.js'
import { emptyPlan, type Cut } from '@/core/cut/plan'
import { laidOn } from '@/core/cut/cutout'
import { placesOf } from '@/core/email/walk'
import { ownData, samplePng } from '@/test-support/server'
import { deckOfFile, deckOfText } from '../decks/read'
import { pageOf, pageOfFile } from '../house/read'
import { buildJob } from '../jobs/build'
import { saveCuts } from '../jobs/cuts'
import { createClient } from '../jobs/clients'
import { saveDocument } from '../jobs/documents'
import { createJob } from '../jobs/jobs'
import { planFile, planZip } from '../jobs/plan-files'
import { cropOf } from './crops'
import { takeInDesign } from '@/test-support/server'
import { takeInPicture } from './take-in'
import { pictureFrom, putOnShelf, shelfOf, takeOffShelf } from './shelf'
import { pictureBytes } from './store'

ownData()
const cut = (id: string, more: Partial<Cut>): Cut => ({
  id,
  x: 0,
  y: 0,
  w: 600,
  h: 300,
  kind: 'picture',
  alt: null,
  link: '',
  words: null,
  ground: null,
  ...more,
})

describe('how a crop is made into a file', () => {
  test('density, width, format and likeness are as asked; nothing carries metadata; the same is never made twice', async () => {
    const design = await takeInDesign(await samplePng(1200, 600, false), 'd.png')
    const size = async (encoding: Cut['encoding']) => {
      const { picture } = await cropOf(design.id, cut('a', { encoding }), 2)
      return [picture.width, picture.height, ...(encoding?.format ? [picture.type] : [])]
    }
    expect(await size(undefined)).toEqual([600, 300])
    expect(await size({ density: 1 })).toEqual([300, 150])
    // The design has no more pixels than it has.
    expect(await size({ density: 3 })).toEqual([600, 300])
    expect(await size({ width: 120, format: 'png' })).toEqual([120, 60, 'image/png'])
    expect(await size({ format: 'jpeg' })).toEqual([600, 300, 'image/jpeg'])
    const light = await cropOf(design.id, cut('a', { encoding: { likeness: 0.9 } }), 2),
      exact = await cropOf(design.id, cut('a', { encoding: { likeness: 0.995 } }), 2)
    expect(light.picture.bytes).toBeLessThanOrEqual(exact.picture.bytes)
    expect(exact.likeness).toBeGreaterThanOrEqual(0.995)
    expect(exact.plain).toBeGreaterThan(exact.picture.bytes)
    const meta = await sharp(await pictureBytes(exact.picture.id)).metadata()
    expect([meta.exif, meta.icc, meta.xmp, meta.space]).toEqual([undefined, undefined, undefined, 'srgb'])
    expect(
      (await cropOf(design.id, cut('a', { encoding: { likeness: 0.9 } }), 2, AbortSignal.abort())).picture,
    ).toEqual(light.picture)
  })

  test('a mark without its ground is a PNG with alpha that lies on its ground as before, within 1 of each channel', async () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" width="600" height="300"><rect width="600" height="300" fill="#faf5ea"/><circle cx="300" cy="150" r="90" fill="#3f5a36"/><path d="M80,40 L200,90 L60,200 Z" fill="#8c2f4b"/></svg>'
    const png = await sharp(Buffer.from(svg)).png().toBuffer()
    const design = await takeInDesign(png, 'logo.png')
    const { picture } = await cropOf(
      design.id,
      cut('a', { ground: '#faf5ea', encoding: { cutout: true } }),
      2,
    )
    const { data, info } = await sharp(await pictureBytes(picture.id))
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true })
    expect([picture.type, data[3]]).toEqual(['image/png', 0])
    const truth = await sharp(png).ensureAlpha().raw().toBuffer()
    const back = laidOn({ width: info.width, height: info.height, data }, '#faf5ea').data
    let worst = 0
    for (let i = 0; i < truth.length; i++) worst = Math.max(worst, Math.abs(truth[i]! - back[i]!))
    expect(worst).toBeLessThanOrEqual(1)
  })

  test('another picture in its place is given as it is', async () => {
    const design = await takeInDesign(await samplePng(1200, 600), 'd.png')
    const own = await takeInPicture(
      await sharp({ create: { width: 9, height: 9, channels: 3, background: '#123456' } })
        .png()
        .toBuffer(),
      'o.png',
    )
    expect((await cropOf(design.id, cut('a', { own }), 2)).picture).toEqual(own)
  })
})

test("a client's pictures are kept once, searched, and say where they are used", async () => {
  const client = createClient('Halden')
  const png = await samplePng(200, 100)
  const picture = await takeInPicture(png, 'night train.png')
  putOnShelf(client.id, picture, 'night train.png')
  putOnShelf(client.id, await takeInPicture(png, 'again.png'), 'again.png')
  putOnShelf(client.id, await takeInPicture(await samplePng(100, 90), 'berth.png'), 'berth.png')
  expect(shelfOf(client.id, 'train').map((p) => [p.name, p.width, p.usedIn])).toEqual([
    ['night train.png', 200, []],
  ])
  expect(shelfOf(client.id)).toHaveLength(2)
  const job = createJob({
    clientId: client.id,
    name: 'Timetable',
    width: 600,
    design: await takeInDesign(await samplePng(1200, 600), 'd.png'),
    designName: 'd.png',
  })
  saveDocument(job.id, 'cuts', 0, { ...emptyPlan(), cuts: [cut('a', { own: picture })] })
  expect(shelfOf(client.id, 'train')[0]!.usedIn).toEqual([{ job: job.id, name: 'Timetable' }])
  takeOffShelf(client.id, picture.id)
  expect(shelfOf(client.id).map((p) => p.name)).toEqual(['berth.png'])
  expect(() => shelfOf('nobody')).toThrow(/no such client/)
  await expect(pictureFrom('http://127.0.0.1/x.png')).rejects.toMatchObject({ kind: 'address-refused' })
})

test('what phones show instead is cut from the wide or the narrow design, at twice their width at most, and is in the email and among the files', async () => {
  const client = createClient('Orrery')
  const small = await takeInDesign(await samplePng(750, 1400), 'narrow.png')
  const job = createJob({
    clientId: client.id,
    name: 'Dome',
    width: 600,
    design: await takeInDesign(await samplePng(1200, 900), 'dome.png'),
    designName: 'dome.png',
    narrow: { picture: small, name: 'narrow.png' },
  })
  saveCuts(job.id, 0, {
    ...emptyPlan(),
    cuts: [
      cut('a', { w: 1200, alt: 'Dome', narrow: { of: 'wide', x: 100, y: 0, w: 500, h: 300 } }),
      cut('b', { y: 300, w: 1200, alt: 'Hill', narrow: { of: 'narrow', x: 0, y: 700, w: 750, h: 700 } }),
      cut('c', { y: 600, w: 1200, alt: 'Gone', narrow: { of: 'narrow', x: 0, y: 900, w: 750, h: 900 } }),
    ],
  })
  const { email } = await buildJob(job.id)
  const pictures = [...placesOf(email.body)].flatMap(({ tile }) =>
    tile.kind === 'picture' ? [[tile.alt, tile.narrowPicture?.width, tile.narrowPicture?.height]] : [],
  )
  // The third leaves the narrow design, as after a smaller version of it came: the same picture is shown
  // everywhere.
  expect(pictures).toEqual([
    ['Dome', 500, 300],
    ['Hill', 750, 700],
    ['Gone', undefined, undefined],
  ])
  const { data } = await sharp(
    await pictureBytes(
      [...placesOf(email.body)].flatMap(({ tile }) =>
        tile.kind === 'picture' && tile.alt === 'Hill' ? [tile.narrowPicture!.id] : [],
      )[0]!,
    ),
  )
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const truth = await sharp(await pictureBytes(small.id))
    .extract({ left: 0, top: 700, width: 750, height: 700 })
    .ensureAlpha()
    .raw()
    .toBuffer()
  expect(
    ssim(
      { data: new Uint8ClampedArray(data), width: 750, height: 700 } as never,
      { data: new Uint8ClampedArray(truth), width: 750, height: 700 } as never,
    ).mssim,
  ).toBeGreaterThanOrEqual(0.975)
  expect(planFile(job.id).plan.cuts[1]!.narrow).toEqual({ of: 'narrow', x: 0, y: 700, w: 750, h: 700 })
  expect(
    Object.keys((await JSZip.loadAsync(await planZip(job.id))).files)
      .filter((f) => f.includes('narrow'))
      .map((f) => f.replace(/\.\w+$/, '')),
  ).toEqual(['crops/01-dome-narrow', 'crops/02-hill-narrow'])
})

test('the cut plan leaves as JSON, as an image map, and with all crops numbered in reading order', async () => {
  const client = createClient('Orrery')
  const job = createJob({
    clientId: client.id,
    name: 'Night',
    width: 600,
    design: await takeInDesign(await samplePng(1200, 900, false), 'night.png'),
    designName: 'night.png',
  })
  saveCuts(job.id, 0, {
    ...emptyPlan(),
    order: ['b', 'a'],
    cuts: [
      cut('a', { alt: 'A dark ridge', w: 1200, link: 'https://a.example/' }),
      cut('b', { y: 300, w: 1200, alt: 'Füße im Gras' }),
      cut('w', { y: 600, w: 1200, kind: 'words' }),
    ],
  })
  const zip = await JSZip.loadAsync(await planZip(job.id))
  expect(
    Object.keys(zip.files)
      .filter((f) => !f.endsWith('/'))
      .map((f) => f.replace(/\.(jpg|png)$/, ''))
      .sort(),
  ).toEqual(['crops/01-fusse-im-gras', 'crops/02-a-dark-ridge', 'cuts.json', 'cuts.svg', 'design'])
  const plan = JSON.parse(await zip.file('cuts.json')!.async('string')) as ReturnType<typeof planFile>
  expect(plan).toMatchObject({
    format: 'mosaicus-cuts',
    version: 1,
    emailWidth: 600,
    design: { width: 1200, scale: 2 },
    plan: planFile(job.id).plan,
  })
  expect(await zip.file('cuts.svg')!.async('string')).toContain('<a href="https://a.example/">')
  for (const p of plan.pictures) expect((await zip.file(p.file)!.async('nodebuffer')).length).toBe(p.bytes)
})

describe('copy decks and pages', () => {
  test("a word processor's document is read with its headings, marks and links; other files say what is wrong", async () => {
    const docx = await Packer.toBuffer(
      new Document({
        sections: [
          {
            children: [
              new Paragraph({ text: 'Look up', heading: HeadingLevel.HEADING_1 }),
              new Paragraph({
                children: [
                  new TextRun('Bring '),
                  new TextRun({ text: 'warm', bold: true }),
                  new TextRun(' clothes.'),
                ],
              }),
              new Paragraph({
                children: [
                  new ExternalHyperlink({
                    link: 'https://go.example/',
                    children: [new TextRun('Reserve a place')],
                  }),
                ],
              }),
            ],
          },
        ],
      }),
    )
    const { pieces } = await deckOfFile(docx, 'copy.docx')
    expect(pieces.map((p) => [p.kind, p.text])).toEqual([
      ['heading', 'Look up'],
      ['words', 'Bring warm clothes.'],
      ['link', 'Reserve a place'],
    ])
    expect((await deckOfFile(Buffer.from('# One\n\ntwo'), 'copy.md')).pieces.map((p) => p.kind)).toEqual([
      'heading',
      'words',
    ])
    expect(deckOfText('one\n\ntwo').pieces).toHaveLength(2)
    for (const [bytes, why] of [
      [Buffer.alloc(0), /is empty/],
      [Buffer.from([0xd0, 0xcf, 0x11, 0xe0, 0]), /old DOC/],
      [Buffer.from('PK\u0003\u0004nothing'), /no DOCX/],
    ] as const)
      await expect(deckOfFile(bytes, 'x')).rejects.toMatchObject({ detail: expect.stringMatching(why) })
  })

  test('a saved page is read with the style sheets beside it', async () => {
    const zip = new JSZip()
    zip.file('site/index.html', '<body><p>Words of the page</p></body>')
    zip.file('site/a.css', 'p{color:#12343b}')
    expect(
      (await pageOfFile(await zip.generateAsync({ type: 'nodebuffer' }), 'page.zip')).texts[0]!.value,
    ).toBe('#12343b')
    // In the order of the page's links, not of their names; what it does not link says nothing.
    const linked = new JSZip()
    linked.file(
      'site/index.html',
      '<link rel="stylesheet" href="css/z.css"><link rel="stylesheet" href="./css/a%20b.css?v=2"><link rel="stylesheet" href="p.css" media="print"><body><p>Words of the page</p></body>',
    )
    linked.file('site/css/a b.css', 'p{color:#111111}')
    linked.file('site/css/z.css', 'p{color:#222222}')
    linked.file('site/p.css', 'p{color:#333333}')
    linked.file('site/other.css', 'p{color:#444444!important}')
    expect(
      (await pageOfFile(await linked.generateAsync({ type: 'nodebuffer' }), 'page.zip')).texts[0]!.value,
    ).toBe('#111111')
    expect(pageOf('<a style="color:#1f6f6b">a link</a>').links[0]!.value).toBe('#1f6f6b')
    expect(() => pageOf('just words')).toThrow(/no HTML/)
  })
})
