import { writePsdBuffer, type Layer } from 'ag-psd'
import PDFDocument from 'pdfkit'
import sharp from 'sharp'
import { autocut } from '@/core/cut/autocut'
import { saidBy, withLayers } from '@/core/cut/layers'
import { plainOf } from '@/core/email/richtext'
import { toRgb } from '@/core/color/hex'
import { someOf } from '@/test-support/samples'
import { sceneOf, scenePng, sceneRaster, type Scene } from '@/test-support/scenes'
import { saidIn, scoreOf, together } from '@/test-support/score'
import { ownData, rasterFor } from '@/test-support/server'
import { clientOf, createClient } from '../jobs/clients'
import { saveCuts } from '../jobs/cuts'
import { createJob, jobOf, layersOf, setNarrow } from '../jobs/jobs'
import { replaceDesign } from '../jobs/replace'
import { readDocument } from '../jobs/documents'
import { emptyPlan } from '@/core/cut/plan'
import { openDesign, takeInBoard } from './take-in'
import { pdfOf } from '@/test-support/pdf'

ownData()
const svgOf = (body: string, head = 'width="600" height="400" viewBox="0 0 600 400"') =>
  Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${head}><rect width="600" height="400" fill="#fff"/>${body}</svg>`,
  )
const pdf = (draw: (doc: PDFKit.PDFDocument) => void, options: PDFKit.PDFDocumentOptions = {}) =>
  new Promise<Buffer>((resolve) => {
    const doc = new PDFDocument({ size: [600, 800], margin: 0, ...options })
    const parts: Buffer[] = []
    doc.on('data', (p: Buffer) => parts.push(p)).on('end', () => resolve(Buffer.concat(parts)))
    draw(doc)
    doc.end()
  })
const layered = async (children: Layer[], width = 600, height = 400) => {
  const { data } = await sharp({ create: { width, height, channels: 4, background: '#fbf8f2' } })
    .raw()
    .toBuffer({ resolveWithObject: true })
  return writePsdBuffer(
    { width, height, children, imageData: { width, height, data: new Uint8ClampedArray(data) } as never },
    { generateThumbnail: false },
  )
}
const text = (said: string, more: { left?: number; top?: number; hidden?: boolean } = {}): Layer => ({
  name: said,
  left: 60,
  top: 40,
  imageData: { width: 180, height: 50, data: new Uint8ClampedArray(180 * 50 * 4) } as never,
  text: {
    text: said,
    transform: [1, 0, 0, 1, 60, 80],
    style: {
      font: { name: 'Georgia-Bold' },
      fontSize: 32,
      leading: 40,
      autoLeading: false,
      fillColor: { r: 34, g: 51, b: 68 },
    },
    paragraphStyle: { justification: 'center' },
  },
  ...more,
})

describe('vector designs', () => {
  test('an SVG is drawn at double size, and its words come with font, size, weight, colour, alignment and line height', async () => {
    const taken = await takeInBoard(
      svgOf(
        `<style>.t{font-size:20px}</style><g transform="translate(10 20)"><text class="t" x="300" y="60" text-anchor="middle" font-family="'Barlow', sans-serif" font-weight="700" fill="#b4452f"><tspan x="300">The dome opens at half past seven and</tspan><tspan x="300" dy="30">closes late.</tspan></text></g><image x="20" y="200" width="200" height="100" href="data:image/png;base64,iVBORw0KGgo="/>`,
      ),
      'd.svg',
    )
    expect([taken.picture.width, taken.picture.height]).toEqual([1200, 800])
    expect(taken.layers!.texts).toEqual([
      expect.objectContaining({
        text: 'The dome opens at half past seven and closes late.',
        size: 40,
        font: 'Barlow',
        bold: true,
        color: '#b4452f',
        align: 'center',
        line: 60,
      }),
    ])
    expect(taken.layers!.shapes).toEqual([
      expect.objectContaining({ kind: 'picture', x: 40, y: 400, w: 400, h: 200 }),
    ])
    expect(taken.notes).toEqual([])
  })

  test.each([
    [
      'a script',
      '<script>alert(1)</script><rect onload="alert(2)" width="5" height="5"/>',
      /2 scripts or pieces/,
    ],
    [
      'links to the outside',
      '<image href="https://evil.example/a.png" width="9" height="9"/><style>@import url(https://evil.example/x.css);</style>',
      /nothing was fetched/,
    ],
    [
      'foreign content',
      '<foreignObject width="9" height="9"><iframe src="https://a.example"/></foreignObject>',
      /was left out/,
    ],
  ])('%s in an SVG is left out, and said', async (_, body, note) => {
    const { notes, picture } = await takeInBoard(svgOf(body), 'd.svg')
    expect(notes.join(' ')).toMatch(note)
    expect(picture.width).toBe(1200)
  })

  test.each([
    [
      'entities that swell',
      Buffer.from(
        '<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;">]><svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><text>&b;</text></svg>',
      ),
      /defines entities/,
    ],
    [
      'parts that repeat each other on twelve levels',
      svgOf(
        `<rect id="l0" width="9" height="9"/>${Array.from({ length: 12 }, (_, i) => `<g id="l${i + 1}">${`<use href="#l${i}"/>`.repeat(10)}</g>`).join('')}`,
      ),
      /repeats its parts/,
    ],
    [
      'patterns, masks and clips that hold each other',
      svgOf(
        `<rect id="p0" width="9" height="9"/>${Array.from({ length: 9 }, (_, i) => `<pattern id="p${i + 1}" width="9" height="9">${`<rect fill="url(#p${i})" mask="url(#p${i})" style="clip-path:url('#p${i}')" width="9" height="9"/>`.repeat(3)}</pattern>`).join('')}<rect fill="url(#p9)" width="99" height="99"/>`,
      ),
      /repeats its parts/,
    ],
    ['a part that holds itself', svgOf('<g id="a"><use xlink:href="#a"/></g>'), /repeats its parts/],
    ['no size', svgOf('', ''), /neither its width/],
    ['a huge size', svgOf('', 'width="90000" height="90000"'), /more than 60 megapixels/],
    [
      'a broken end',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="60" height="60"><rect width="5'),
      /not well formed/,
    ],
  ])('an SVG with %s is refused, and says why', async (_, bytes, why) => {
    await expect(takeInBoard(bytes, 'd.svg')).rejects.toMatchObject({
      status: 415,
      detail: expect.stringMatching(why),
    })
  })
})

describe('PDF', () => {
  test('its pages can be chosen, and the words of a page come over, hard breaks joined', async () => {
    const bytes = await pdf((doc) => {
      doc.rect(0, 0, 600, 800).fill('#ffffff')
      doc.addPage().rect(0, 0, 600, 120).fill('#1d3557')
      doc
        .font('Helvetica-Bold')
        .fontSize(30)
        .fillColor('#ffffff')
        .text('A night of three moons', 60, 40, { lineBreak: false })
      doc
        .font('Times-Roman')
        .fontSize(16)
        .fillColor('#333333')
        .text('The dome opens at nine and closes when the last', 60, 200, { lineBreak: false })
        .text('visitor has seen Saturn.', 60, 224, { lineBreak: false })
    })
    expect(
      (await openDesign(bytes, 'd.pdf')).boards.map((b) => [
        b.name,
        b.width,
        b.height,
        b.emailWidth,
        b.density,
      ]),
    ).toEqual([
      ['Page 1', 1200, 1600, 600, 2],
      ['Page 2', 1200, 1600, 600, 2],
    ])
    const { picture, layers, notes } = await takeInBoard(bytes, 'd.pdf', 1)
    expect([picture.width, picture.height, notes]).toEqual([1200, 1600, ['Page 2 of 2 was taken.']])
    expect(layers!.texts.map((t) => [t.text, Math.round(t.size), t.bold, t.color])).toEqual([
      ['A night of three moons', 60, true, '#ffffff'],
      ['The dome opens at nine and closes when the last visitor has seen Saturn.', 32, false, '#333333'],
    ])
    expect(layers!.texts[1]!.line).toBeCloseTo(48, 0)
    const raster = await rasterFor(picture.id)
    expect([...raster.data.subarray((10 * 1200 + 10) * 4, (10 * 1200 + 10) * 4 + 3)]).toEqual([
      0x1d, 0x35, 0x57,
    ])
  })

  test('slopes of colour by a function (ISO 32000-1, 8.7.4.5.2), as browsers print them, are drawn; words on one row stay one line', async () => {
    const program = '{ pop 600 div 0 1 }',
      content = '/S1 sh'
    const objects = [
      '<</Type/Catalog/Pages 2 0 R>>',
      '<</Type/Pages/Kids[3 0 R]/Count 1>>',
      '<</Type/Page/Parent 2 0 R/MediaBox[0 0 600 800]/Contents 6 0 R/Resources<</Shading<</S1 4 0 R>>>>>>',
      '<</ShadingType 1/ColorSpace/DeviceRGB/Domain[0 600 0 800]/Function 5 0 R>>',
      `<</FunctionType 4/Domain[0 600 0 800]/Range[0 1 0 1 0 1]/Length ${program.length}>>\nstream\n${program}\nendstream`,
      `<</Length ${content.length}>>\nstream\n${content}\nendstream`,
    ]
    const { data, width } = await rasterFor((await takeInBoard(pdfOf(objects), 'slope.pdf')).picture.id)
    for (const x of [60, 600, 1140]) {
      const [r, g, b] = data.subarray((700 * width + x) * 4)
      expect([Math.abs(r! - (255 * x) / 1200) <= 3, g! <= 3, b! >= 252]).toEqual([true, true, true])
    }
    const { layers } = await takeInBoard(
      await pdf((doc) => {
        doc.rect(0, 0, 600, 800).fill('#ffffff')
        doc
          .font('Helvetica')
          .fontSize(14)
          .fillColor('#333333')
          .text('Nights', 60, 40, { lineBreak: false })
          .text('Map', 160, 40, { lineBreak: false })
      }),
      'row.pdf',
    )
    const cut = {
      id: 'a',
      x: 0,
      y: 0,
      w: 1200,
      h: 200,
      kind: 'words' as const,
      alt: null,
      link: '',
      words: null,
      ground: null,
    }
    expect(plainOf(saidBy(cut, layers!.texts, 2).words!)).toMatch(/^Nights\u2003+Map$/)
    // Pages of browsers have three points for four px.
    expect(
      (await openDesign(await pdf((d) => d.text('x'), { size: [480, 600] }), 'd.pdf')).boards[0],
    ).toMatchObject({ width: 1280, emailWidth: 640, density: 2 })
  })

  test('one with a password, and a broken one, are refused and say why', async () => {
    await expect(
      openDesign(await pdf((d) => d.text('x'), { userPassword: 'moon', pdfVersion: '1.7' }), 'locked.pdf'),
    ).rejects.toMatchObject({ kind: 'design-locked', detail: expect.stringMatching(/without its password/) })
    await expect(openDesign(Buffer.from('%PDF-1.7\nnothing more'), 'broken.pdf')).rejects.toMatchObject({
      detail: expect.stringMatching(/damaged or breaks off/),
    })
    await expect(takeInBoard(await pdf((d) => d.text('x')), 'd.pdf', 7)).rejects.toMatchObject({
      detail: expect.stringMatching(/page 8 does not exist/),
    })
  })
})

describe('layered files', () => {
  test('words come with font, size, weight, colour, alignment and line height; hidden layers do not', async () => {
    const bytes = await layered([text('Look up\ron Friday'), text('secret', { hidden: true })])
    const { picture, layers } = await takeInBoard(bytes, 'd.psd')
    expect([(await openDesign(bytes, 'd.psd')).type, picture.width]).toEqual(['layered', 600])
    expect(layers!.texts).toEqual([
      expect.objectContaining({
        text: 'Look up\n\non Friday',
        size: 32,
        line: 40,
        font: 'Georgia-Bold',
        bold: true,
        color: '#223344',
        align: 'center',
        x: 60,
        y: 40,
      }),
    ])
  })

  test('artboards can be chosen; a wide and a narrow one are told apart', async () => {
    const board = (name: string, left: number, right: number): Layer =>
      ({
        name,
        artboard: {
          rect: { top: 0, left, bottom: 400, right },
          presetName: '',
          color: { r: 255, g: 255, b: 255 },
          backgroundType: 0,
        },
        children: [text(`Words of ${name}`, { left: left + 20 })],
      }) as Layer
    const bytes = await layered([board('Wide', 0, 600), board('Narrow', 700, 1075)], 1100)
    const { boards } = await openDesign(bytes, 'd.psd')
    expect(boards.map((b) => [b.name, b.width, b.narrow]).sort()).toEqual([
      ['Narrow', 375, true],
      ['Wide', 600, false],
    ])
    const narrow = await takeInBoard(
      bytes,
      'd.psd',
      boards.findIndex((b) => b.narrow),
    )
    expect([narrow.picture.width, narrow.layers!.texts.map((t) => [t.text, t.x])]).toEqual([
      375,
      [['Words of Narrow', 20]],
    ])
  })

  test('300 layers, a truncated file and a claim of 90,000 x 90,000 px: read, or refused with a reason', async () => {
    const many = await layered(Array.from({ length: 300 }, (_, i) => text(`Line ${i}`, { top: i })))
    expect((await takeInBoard(many, 'd.psd')).layers!.texts).toHaveLength(300)
    await expect(takeInBoard(many.subarray(0, 2000), 'd.psd')).rejects.toMatchObject({ status: 415 })
    const bomb = Buffer.from(many)
    bomb.writeUInt32BE(90_000, 14)
    bomb.writeUInt32BE(90_000, 18)
    await expect(takeInBoard(bomb, 'd.psd')).rejects.toMatchObject({
      detail: expect.stringMatching(/8100 megapixels/),
    })
  })
})

test('a design of 20,000 px is taken in and cut with less than a GB', async () => {
  const png = await sharp({ create: { width: 1200, height: 20_000, channels: 3, background: '#ffffff' } })
    .composite([
      { input: await scenePng(sceneOf(1), 2), left: 0, top: 0 },
      { input: await scenePng(sceneOf(2), 2), left: 0, top: 12_000 },
    ])
    .png()
    .toBuffer()
  const before = process.memoryUsage().rss
  const { picture } = await takeInBoard(png, 'tall.png')
  const raster = await rasterFor(picture.id)
  expect(autocut(raster, 2).cuts.length).toBeGreaterThan(30)
  expect(process.memoryUsage().rss - before).toBeLessThan(1024 ** 3)
})

/** A scene as a layered file: its picture, and a layer for each text, photograph and button. */
async function layeredScene(scene: Scene): Promise<Buffer> {
  const { width, height, data } = await sceneRaster(scene, 2)
  const pixels = (w: number, h: number) =>
    ({ width: w, height: h, data: new Uint8ClampedArray(w * h * 4) }) as never
  const rgb = (hex: string) => {
    const [r, g, b] = toRgb(hex)
    return { r, g, b }
  }
  const children = scene.bands
    .flatMap((b) => b.parts)
    .map((p): Layer => {
      const at = {
        left: Math.round(p.x * 2),
        top: Math.round(p.y * 2),
        imageData: pixels(Math.max(1, Math.round(p.w * 2)), Math.max(1, Math.round(p.h * 2))),
      }
      const t =
        p.words ??
        (p.button
          ? {
              lines: [p.button.label],
              size: 15,
              line: 22,
              color: p.button.color,
              bold: true,
              align: 'center' as const,
            }
          : null)
      if (!t) return { name: p.kind, ...at }
      return {
        name: t.lines[0]!,
        ...at,
        text: {
          text: t.lines.join(' '),
          transform: [1, 0, 0, 1, at.left, at.top],
          style: {
            font: { name: t.bold ? 'LiberationSans-Bold' : 'LiberationSans' },
            fontSize: t.size * 2,
            leading: t.line * 2,
            autoLeading: false,
            fillColor: rgb(t.color),
          },
          paragraphStyle: { justification: t.align },
        },
      }
    })
  return writePsdBuffer(
    { width, height, children, imageData: { width, height, data: new Uint8ClampedArray(data) } as never },
    { generateThumbnail: false },
  )
}

/** PDF is measured in e2e/cut.spec.ts, where a browser prints it. */
describe.each([
  ['SVG', async (s: Scene) => Buffer.from(s.svg(2))],
  ['layered file', layeredScene],
] as const)('as %s, with its own words', (_, fileOf) => {
  const halves = [
    ['not looked at', [9, 10, 11, 12, 13, 14]],
    ['looked at while tuning', [1, 2, 3, 4, 6, 7]],
  ] as const
  test.each(someOf(halves, 1))(
    'scenes are cut as well as from their pixels, and every word is right: the half that was %s',
    async (_half, seeds) => {
      const scores = []
      for (const seed of someOf(seeds, 3)) {
        const scene = sceneOf(seed)
        const { picture, layers } = await takeInBoard(await fileOf(scene), 'design')
        const raster = await rasterFor(picture.id)
        const found = withLayers(autocut(raster, 2), layers!, 2, raster)
        scores.push(scoreOf(scene, found, 2, 0))
        const said = saidIn(found)
        for (const p of scene.bands.flatMap((b) => b.parts))
          if (p.words) expect(said).toContain(p.words.lines.join(' ').replace(/\s+/g, ' '))
          else if (p.button) expect(said).toContain(p.button.label)
      }
      const { bands, columns, parts, grounds } = together(scores)
      expect({
        bands: bands >= 0.98,
        columns: columns >= 0.95,
        parts: parts >= 0.9,
        grounds,
        misses: parts >= 0.9 ? [] : scores.flatMap((s) => s.misses),
      }).toEqual({ bands: true, columns: true, parts: true, grounds: 1, misses: [] })
    },
  )
})

test('a design is replaced: the cuts that fit stay, the former design is kept beside it, and a narrow one is paired', async () => {
  const client = createClient('Orrery')
  const first = await takeInBoard(
    svgOf(
      '<rect y="100" width="600" height="100" fill="#b4452f"/><circle cx="300" cy="300" r="60" fill="#1d3557"/>',
    ),
    'one.svg',
  )
  const job = createJob({
    clientId: clientOf(client.id).id,
    name: 'Letter',
    width: 600,
    design: first.picture,
    designName: 'one.svg',
    layers: first.layers,
  })
  expect(layersOf(job.id)).toEqual({ texts: [], shapes: [] })
  const cut = (id: string, y: number, h: number) => ({
    id,
    x: 0,
    y,
    w: 1200,
    h,
    kind: 'picture' as const,
    alt: id,
    link: '',
    words: null,
    ground: null,
  })
  saveCuts(job.id, 0, { ...emptyPlan(), cuts: [cut('a', 150, 300), cut('b', 460, 300)] })
  const second = await takeInBoard(
    svgOf(
      '<rect y="100" width="600" height="100" fill="#b4452f"/><circle cx="300" cy="300" r="60" fill="#2b7a68"/>',
    ),
    'two.svg',
  )
  const done = await replaceDesign(job.id, second, 'two.svg')
  expect([done.kept, done.moved, done.changed]).toEqual([1, 0, 1])
  expect(readDocument(job.id, 'cuts')).toMatchObject({
    revision: 2,
    body: { cuts: [{ id: 'a' }, { id: 'b', since: 'changed', alt: 'b' }] },
  })
  expect(jobOf(job.id)).toMatchObject({
    design: { id: second.picture.id, name: 'two.svg' },
    before: { id: first.picture.id },
  })
  expect(setNarrow(job.id, { picture: first.picture, name: 'n.svg' }).narrow).toMatchObject({ name: 'n.svg' })
  expect(setNarrow(job.id, null).narrow).toBeNull()
})
