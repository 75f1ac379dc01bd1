/**
 * The first build against designs whose truth is known: how much of what they say is live, what is said that nobody wrote, buttons, sizes of letters, heights.
 * Usage: npm run bench-build -- FOLDER, in which each design stands as NAME.png and NAME.json: `width` and `height` in px of the email, and `things`, each with its `kind`, its
 * `box` [left, top, width, height] and, where it says something, its `text` and the `size` of its letters.
 */
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import sharp, { type Sharp } from 'sharp'
import { createWorker, type PSM, type Worker } from 'tesseract.js'
import { z } from 'zod'
import { autocut } from '@/core/cut/autocut'
import { buildEmail } from '@/core/cut/build'
import { readingWays, seenBy } from '@/core/cut/channels'
import { clearedOf } from '@/core/cut/cleared'
import { groundOf } from '@/core/cut/ground'
import { cleaned } from '@/core/cut/inpaint'
import { readInk } from '@/core/cut/ink'
import { asBuilt, emptyPlan, groundId, type CutPlan } from '@/core/cut/plan'
import type { Raster, Rect } from '@/core/cut/raster'
import { linesOf, type ReadLine, type ReadWord } from '@/core/cut/read-lines'
import { withWords } from '@/core/cut/worded'
import { compile } from '@/core/compile'
import { plainHouseStyle } from '@/core/email/styles'
import type { PictureRef } from '@/core/picture/ref'

const truthSchema = z.object({
  width: z.number(),
  height: z.number(),
  things: z.array(
    z.object({
      kind: z.string(),
      box: z.tuple([z.number(), z.number(), z.number(), z.number()]),
      text: z.string().optional(),
      size: z.string().optional(),
    }),
  ),
})
type Truth = z.infer<typeof truthSchema>
type Thing = Truth['things'][number]

const rasterOf = async (image: Sharp): Promise<Raster> => {
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) }
}
const imageOf = ({ width, height, data }: Raster) =>
  sharp(Buffer.from(data.buffer, data.byteOffset, data.length), { raw: { width, height, channels: 4 } })

/** All words of a design, read as the page reads them. */
async function linesIn(ocr: Worker, raster: Raster): Promise<ReadLine[]> {
  await ocr.setParameters({ tessedit_pageseg_mode: '11' as PSM })
  const readings: ReadWord[][] = []
  for (const way of readingWays) {
    const data = new Uint8ClampedArray(raster.data)
    seenBy(data, way)
    const png = await imageOf({ ...raster, data })
      .png({ compressionLevel: 1 })
      .toBuffer()
    const { data: read } = await ocr.recognize(png, {}, { blocks: true, text: false })
    const lines = (read.blocks ?? []).flatMap((b) => b.paragraphs.flatMap((p) => p.lines))
    readings.push(
      lines.flatMap(({ words, baseline }) =>
        words.map(({ text, confidence: sure, bbox: { x0, y0, x1, y1 } }) => ({
          text,
          sure,
          x: x0,
          y: y0,
          w: x1 - x0,
          h: y1 - y0,
          base: (baseline.y0 + baseline.y1) / 2,
        })),
      ),
    )
  }
  return linesOf(readings)
}

/** A design as the email that is built of it at first, in words and pictures of its own. */
async function built(raster: Raster, lines: readonly ReadLine[], width: number): Promise<string> {
  const scale = raster.width / width
  const found = withWords(autocut(raster, scale), { lines, raster, scale })
  const plan: CutPlan = {
    ...emptyPlan(),
    cuts: found.cuts,
    edges: found.edges.map((e) => e.y),
    panels: found.panels,
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
  })
  return compile(email, house, { src: (p) => addresses.get(p.id) ?? '' })
}

interface Live {
  text: string
  size: number
  button: boolean
}

/** What an email says live, as Chromium shows it, and how high it is. */
async function shown(page: Page, html: string, width: number): Promise<{ live: Live[]; height: number }> {
  await page.setViewportSize({ width, height: 400 })
  await page.setContent(html)
  return page.evaluate(() => {
    const live: { text: string; size: number; button: boolean }[] = []
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const of = node.parentElement!
      const size = Number.parseFloat(getComputedStyle(of).fontSize)
      const text = node.textContent!.trim()
      if (!text || size < 5 || !of.checkVisibility()) continue
      const cell = of.closest('a') && of.closest('td')
      live.push({
        text,
        size,
        button: !!cell && getComputedStyle(cell).backgroundColor !== 'rgba(0, 0, 0, 0)',
      })
    }
    return { live, height: document.documentElement.scrollHeight }
  })
}

const wordsIn = (text: string): string[] => text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []

/** Things that say something of their own: those around others say what these say. */
function saying({ things }: Truth): (Thing & { text: string })[] {
  const holds = ({ box: [x, y, w, h] }: Thing, { box: [a, b, c, d] }: Thing) =>
    a >= x - 1 && b >= y - 1 && a + c <= x + w + 1 && b + d <= y + h + 1
  return things.flatMap((t) =>
    t.text &&
    t.kind !== 'logo' &&
    !things.some((o) => o !== t && o.text && t.text!.includes(o.text) && holds(t, o))
      ? [{ ...t, text: t.text }]
      : [],
  )
}

/** Letters are off from this part of their size on. */
const OFF = 0.2

function scoreOf(truth: Truth, { live, height }: { live: Live[]; height: number }) {
  const left = new Map<string, number>()
  for (const word of live.flatMap((l) => wordsIn(l.text))) left.set(word, (left.get(word) ?? 0) + 1)
  const things = saying(truth)
  let [said, meant] = [0, 0]
  for (const word of things.flatMap((t) => wordsIn(t.text))) {
    meant++
    const n = left.get(word) ?? 0
    if (n) said++
    left.set(word, n - 1)
  }
  const more = [...left.values()].filter((n) => n > 0).reduce((a, b) => a + b, 0)
  const sized = things.flatMap((t) => {
    const begins = wordsIn(t.text).slice(0, 3).join(' ')
    const found = t.size && live.find((l) => wordsIn(l.text).join(' ').startsWith(begins))
    return found ? [Math.abs(found.size / Number.parseFloat(t.size!) - 1)] : []
  })
  const buttons = things.filter((t) => t.kind === 'button')
  const real = buttons.filter((b) =>
    live.some((l) => l.button && wordsIn(l.text).join() === wordsIn(b.text).join()),
  )
  return {
    'words live, %': Math.round((100 * said) / meant),
    'words too many': more,
    'letters off': `${sized.filter((s) => s > OFF).length} of ${sized.length}`,
    buttons: `${real.length} of ${buttons.length}`,
    height: Number((height / truth.height).toFixed(3)),
  }
}

const folder = process.argv[2]
if (!folder) throw new Error('Usage: npm run bench-build -- FOLDER')
const ocr = await createWorker('eng', 1, {
  langPath: 'node_modules/@tesseract.js-data/eng/4.0.0_best_int',
  cacheMethod: 'none',
  gzip: true,
})
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox'],
})
const page = await browser.newPage()
const table: Record<string, ReturnType<typeof scoreOf> & { 'read and built, s': number }> = {}
for (const file of readdirSync(folder).filter((f) => f.endsWith('.png'))) {
  const name = file.slice(0, -'.png'.length)
  const truth = truthSchema.parse(JSON.parse(readFileSync(join(folder, `${name}.json`), 'utf8')))
  const raster = await rasterOf(sharp(join(folder, file)).flatten({ background: '#ffffff' }))
  const from = Date.now()
  const html = await built(raster, await linesIn(ocr, raster), truth.width)
  const took = (Date.now() - from) / 1000
  table[name] = {
    ...scoreOf(truth, await shown(page, html, truth.width)),
    'read and built, s': Number(took.toFixed(1)),
  }
}
console.table(table)
await ocr.terminate()
await browser.close()
