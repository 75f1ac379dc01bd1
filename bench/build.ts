/**
 * The first build against designs whose truth is known: how much of what they say is live, what is said that nobody wrote, buttons, sizes of letters, heights, likeness, order, phones, bytes (of
 * pictures before they are encoded to leave), and the edits that are left to a person (`score`).
 * Usage: npm run bench-build -- FOLDER [NAME...], in which each design stands as NAME.png and NAME.json: `width` and `height` in px of the email, and `things`, each with its `kind`, its
 * `box` [left, top, width, height] and, where it says something, its `text` and the `size` of its letters.
 * With SAY what is missed is said, with KEEP=FOLDER the emails are kept, with READINGS=FOLDER what was read, so that it is not read again.
 * With LEAST=95 it fails where fewer words than that (%) of a design are live, a button is none, more than three words are nobody's, or the height is off by more than 3 %.
 */
import { createHash } from 'node:crypto'
import { cpSync, existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { useShippedFonts } from '../scripts/fonts.mjs'
import sharp, { type Sharp } from 'sharp'
import { createWorker, type PSM, type Worker } from 'tesseract.js'
import { autocut, type Autocut } from '@/core/cut/autocut'
import { buildEmail } from '@/core/cut/build'
import { drawnFor } from '@/core/cut/reading/channels'
import { groundBehind } from '@/core/cut/reading/plain-ground'
import { readAndFind } from '@/core/cut/reading/find'
import { layouts, type Layout, type Reader, type SeenLine, type View } from '@/core/cut/reading/reader'
import { clearedOf } from '@/core/cut/cleared'
import { linearGradientOf } from '@/core/cut/gradient'
import { groundOf } from '@/core/cut/ground'
import { cleaned } from '@/core/cut/inpaint'
import { readInk } from '@/core/cut/ink'
import { asBuilt, emptyPlan, groundId, type CutPlan } from '@/core/cut/plan'
import type { Raster, Rect } from '@/core/cut/raster'
import { withWords } from '@/core/cut/reading/worded'
import { plainOf } from '@/core/email/richtext'
import { compile } from '@/core/compile'
import { plainHouseStyle } from '@/core/email/styles'
import type { PictureRef } from '@/core/picture/ref'
import { ssim } from '@/core/picture/ssim'
import { faultsOf, PHONE, scoreOf, truthSchema, type Judged, type Live, type Shown } from './score'
import { launchOptions } from '../scripts/chromium'

const rasterOf = async (image: Sharp): Promise<Raster> => {
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) }
}
const imageOf = ({ width, height, data }: Raster) =>
  sharp(Buffer.from(data.buffer, data.byteOffset, data.length), { raw: { width, height, channels: 4 } })

/** The language that the only worker has: it stays from one design to the next. */
let has = 'eng'

/** Reads a design as the page does: only what draws and what runs the reader differ. */
function readerOf(ocr: Worker, raster: Raster): Reader {
  return {
    language: 'eng',
    async read({ rect, zoom, margin = 0, way }: View, layout: Layout) {
      const [width, height] = [rect.w, rect.h].map((v) => Math.max(1, Math.round(v * zoom)))
      const ground = groundBehind(raster, rect)
      const at = {
        left: Math.round(rect.x),
        top: Math.round(rect.y),
        width: Math.round(rect.w),
        height: Math.round(rect.h),
      }
      let drawn = imageOf(raster).extract(at).resize(width, height, { fit: 'fill' })
      if (margin)
        drawn = imageOf(await rasterOf(drawn)).extend({
          top: margin,
          bottom: margin,
          left: margin,
          right: margin,
          background: ground,
        })
      const seen = await rasterOf(drawn)
      if (way) drawnFor(seen, way, ground)
      if (has !== this.language) await ocr.reinitialize((has = this.language), 1)
      await ocr.setParameters({ tessedit_pageseg_mode: layouts[layout] as PSM })
      const png = await imageOf(seen).png({ compressionLevel: 1 }).toBuffer()
      const { data } = await ocr.recognize(png, {}, { blocks: true, text: false })
      return (data.blocks ?? []).flatMap((b) => b.paragraphs.flatMap((p) => p.lines))
    },
  }
}

/** A reader whose answers are kept in a folder, so that what comes after reading is tried again without it. */
function keptReader(reader: Reader, folder: string, name: string): Reader {
  mkdirSync(folder, { recursive: true })
  return {
    language: reader.language,
    async read(view, layout) {
      reader.language = this.language
      const said = [name, view, layout, ...(this.language === 'eng' ? [] : [this.language])]
      const key = createHash('sha256').update(JSON.stringify(said)).digest('hex').slice(0, 24)
      const file = join(folder, `${key}.json`)
      if (existsSync(file)) return JSON.parse(readFileSync(file, 'utf8')) as SeenLine[]
      const lines = (await reader.read(view, layout)).map(
        ({ text, confidence, bbox, baseline, rowAttributes, words }) => ({
          text,
          confidence,
          bbox,
          baseline,
          rowAttributes,
          words: words.map((w) => ({ text: w.text, confidence: w.confidence, bbox: w.bbox })),
        }),
      )
      writeFileSync(file, JSON.stringify(lines))
      return lines
    },
  }
}

/** A design as the email that is built of it at first, in words and pictures of its own. */
async function built(raster: Raster, reader: Reader, width: number): Promise<string> {
  const scale = raster.width / width
  let cut: Autocut | null = null
  const found = await readAndFind({
    reader,
    size: raster,
    scale,
    here,
    find: async (lines) => {
      cut ??= autocut(raster, scale)
      if (process.env.CUTS) {
        const at = (r: Rect) => `${[r.x, r.y, r.w, r.h].map((v) => Math.round(v / scale)).join(' ')}`
        for (const l of lines) console.log('  line', at(l), l.size / scale, l.text)
        for (const c of cut.cuts) console.log('  cut', c.kind, at(c), c.seen?.part)
        for (const p of cut.panels) console.log('  panel', at(p), p.color)
        console.log('  edges', cut.edges.map((e) => e.y / scale).join(' '))
      }
      const put = withWords(cut, { lines, raster, scale })
      if (process.env.CUTS)
        for (const c of put.cuts)
          console.log(
            '  put',
            c.kind,
            [c.x, c.y, c.w, c.h].map((v) => (v / scale).toFixed(1)).join(' '),
            c.words ? plainOf(c.words).slice(0, 40) : '-',
            c.lettering?.size ?? '',
            c.ground,
          )
      return put
    },
  })
  const plan: CutPlan = {
    ...emptyPlan(),
    cuts: found.cuts,
    edges: found.edges.map((e) => e.y),
    panels: found.panels,
    language: { code: found.language, by: 'words' },
  }
  const addresses = new Map<string, string>()
  const pictures = new Map<string, PictureRef>()
  const keep = async (key: string, part: Raster) => {
    const id = pictures.size.toString(16).padStart(64, '0')
    const png = await imageOf(part).png({ compressionLevel: 1 }).toBuffer()
    addresses.set(id, `data:image/png;base64,${png.toString('base64')}`)
    pictures.set(key, { id, type: 'image/png', width: part.width, height: part.height, bytes: png.length })
  }
  const part = (rect: Rect) => cleaned({ raster, rect, lines: [], whole: [], scale })
  for (const c of plan.cuts.map(asBuilt)) if (c.kind === 'picture') await keep(c.id, part(c))
  for (const p of plan.panels)
    if (p.picture) await keep(groundId(p), cleaned({ raster, rect: p, ...clearedOf(p, plan, scale), scale }))
  const house = plainHouseStyle()
  const { email } = buildEmail({
    plan,
    size: raster,
    emailWidth: width,
    pictures,
    previous: null,
    house,
    groundOf: (r) => groundOf(raster, r),
    readInk: (r, ground) => readInk(raster, r, ground),
    gradientOf: (r, apart) => linearGradientOf(raster, r, apart),
  })
  return compile(email, house, { src: (p) => addresses.get(p.id) ?? '' })
}

/** What an email says live, as Chromium shows it, and how high it is. */
async function shown(page: Page, html: string, width: number): Promise<Shown> {
  await page.setViewportSize({ width, height: 400 })
  await page.setContent(html)
  return page.evaluate(() => {
    const live: Live[] = []
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const of = node.parentElement!
      const size = Number.parseFloat(getComputedStyle(of).fontSize)
      const text = node.textContent!.trim()
      if (!text || size < 5 || !of.checkVisibility()) continue
      const cell = of.closest('a') && of.closest('td')
      const { x, y } = of.getBoundingClientRect()
      live.push({
        text,
        x,
        y,
        size,
        button: !!cell && getComputedStyle(cell).backgroundColor !== 'rgba(0, 0, 0, 0)',
      })
    }
    const { scrollHeight: height, scrollWidth: across } = document.documentElement
    return { live, height, across }
  })
}

/** A stretch of the design of so many px of the email is compared by itself. */
const STRETCH = 240

/** How alike an email and its design look, stretch by stretch. */
async function likeness(page: Page, raster: Raster, width: number): Promise<number[]> {
  const height = Math.round((raster.height * width) / raster.width)
  const design = await rasterOf(imageOf(raster).resize(width, height, { fit: 'fill' }))
  const seen = await rasterOf(
    sharp(await page.screenshot({ fullPage: true })).resize(width, height, { fit: 'cover', position: 'top' }),
  )
  const rows = ({ data }: Raster, y: number, h: number): Raster => ({
    width,
    height: h,
    data: new Uint8ClampedArray(data.slice(4 * width * y, 4 * width * (y + h))),
  })
  const out: number[] = []
  for (let y = 0; y < height; y += STRETCH) {
    const h = Math.min(STRETCH, height - y)
    if (h >= STRETCH / 4) out.push(ssim(rows(design, y, h), rows(seen, y, h)))
  }
  return out
}

/** The email as it is looked at. */
async function judged(page: Page, html: string, raster: Raster, width: number): Promise<Judged> {
  const wide = await shown(page, html, width)
  const alike = await likeness(page, raster, width)
  const pictures = [...html.matchAll(/data:image\/[a-z]+;base64,([A-Za-z0-9+/=]+)/g)].map(([all, data]) => ({
    all: all.length,
    bytes: (3 * data!.length) / 4,
  }))
  const sum = (of: (p: (typeof pictures)[number]) => number) => pictures.reduce((n, p) => n + of(p), 0)
  return {
    wide,
    narrow: await shown(page, html, PHONE),
    likeness: alike,
    bytes: { html: html.length - sum((p) => p.all), pictures: sum((p) => p.bytes) },
  }
}

const [folder, ...only] = process.argv.slice(2)
if (!folder) throw new Error('Usage: npm run bench-build -- FOLDER')
// All trained data that is at hand (bin/languages) in one place.
const data = mkdtempSync(join(tmpdir(), 'reading-'))
cpSync('node_modules/@tesseract.js-data/eng/4.0.0_best_int', data, { recursive: true })
if (existsSync('dist/reading')) cpSync('dist/reading', data, { recursive: true })
const here = readdirSync(data).flatMap((f) => (f.endsWith('.traineddata.gz') ? [f.slice(0, 3)] : []))
const ocr = await createWorker('eng', 1, {
  langPath: data,
  cacheMethod: 'none',
  gzip: true,
})
useShippedFonts()
const browser = await chromium.launch(launchOptions)
const page = await browser.newPage()
const table: Record<string, ReturnType<typeof scoreOf> & { 'read and built, s': number }> = {}
for (const file of readdirSync(folder).filter(
  (f) => f.endsWith('.png') && (!only.length || only.includes(f.slice(0, -4))),
)) {
  const name = file.slice(0, -'.png'.length)
  const truth = truthSchema.parse(JSON.parse(readFileSync(join(folder, `${name}.json`), 'utf8')))
  const raster = await rasterOf(sharp(join(folder, file)).flatten({ background: '#ffffff' }))
  const from = Date.now()
  if (process.env.SAY) console.log(name)
  const html = await built(
    raster,
    process.env.READINGS
      ? keptReader(readerOf(ocr, raster), process.env.READINGS, file)
      : readerOf(ocr, raster),
    truth.width,
  )
  if (process.env.KEEP) mkdirSync(process.env.KEEP, { recursive: true })
  if (process.env.KEEP) writeFileSync(join(process.env.KEEP, `${name}.html`), html)
  const took = (Date.now() - from) / 1000
  table[name] = {
    ...scoreOf(truth, await judged(page, html, raster, truth.width)),
    'read and built, s': Number(took.toFixed(1)),
  }
}
console.table(table)
await ocr.terminate()
await browser.close()

if (process.env.LEAST)
  for (const [name, score] of Object.entries(table)) {
    const faults = faultsOf(score, Number(process.env.LEAST))
    if (faults.length) process.exitCode = 1
    if (faults.length) console.error(`${name}: ${faults.join(', ')}`)
  }
