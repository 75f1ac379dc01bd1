/** Speed as ratios measured in one run, so that they say the same on any machine. Usage: npm run bench */
import { parse } from 'parse5'
import sharp from 'sharp'
import { autocut } from '@/core/cut/autocut'
import { compile } from '@/core/compile'
import { applyEdit } from '@/core/email/edits'
import { rasterOf, testDesigns } from '@/test-support/designs'
import { house, longEmail } from '@/test-support/emails'

/** Median time of some runs, ms; the first runs warm up and do not count. */
async function median(run: () => unknown, runs = 15, warm = 5): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < runs + warm; i++) {
    const start = performance.now()
    await run()
    if (i >= warm) times.push(performance.now() - start)
  }
  return times.sort((a, b) => a - b)[times.length >> 1]!
}
const say = (what: string, a: number, b: number, aim: number) => console.log(`${what}: ${a.toFixed(2)} ms / ${b.toFixed(2)} ms = ${(a / b).toFixed(2)} (aim: ${aim} or less)`)

const src = (p: { id: string }) => `https://pictures.example/${p.id}.png`
// Each run gets bands it has never seen, so that nothing is remembered.
const html = compile(longEmail(40), house, { src })
const fresh = Array.from({ length: 20 }, () => structuredClone(longEmail(40)))
let n = 0
say(`compile of a 40-band email (${(html.length / 1024).toFixed(0)} KB) over parse5's parse of the result`, await median(() => compile(fresh[n++ % 20]!, house, { src })), await median(() => parse(html)), 2)

const edit = async (bands: number) => {
  let email = longEmail(bands)
  compile(email, house, { src })
  let i = 0
  return median(() => { email = applyEdit(email, { name: 'setTile', what: { id: 'u3-0', set: { label: `Word ${i++}` } } }); compile(email, house, { src }) }, 60, 20)
}
say('compile after an edit of one band: 200 bands over 10 bands', await edit(200), await edit(10), 2)

// The test designs, one below the other, to 1200 x 6000.
const parts = await Promise.all(testDesigns().slice(0, 3).map((d) => rasterOf(d)))
const whole = parts.map((p) => sharp(p.data, { raw: { width: p.width, height: p.height, channels: 4 } }).png().toBuffer())
let top = 0
const composite = (await Promise.all(whole)).map((input, i) => { const at = top; top += parts[i]!.height; return { input, left: 0, top: at } }).filter((c) => c.top < 6000)
const tall = await sharp({ create: { width: 1200, height: Math.max(6000, top), channels: 3, background: '#ffffff' } }).composite(composite).png().toBuffer()
const png = await sharp(tall).extract({ left: 0, top: 0, width: 1200, height: 6000 }).png().toBuffer()
const decode = () => sharp(png).ensureAlpha().raw().toBuffer()
const raster = { width: 1200, height: 6000, data: await decode() }
say('autocut of a 1200 x 6000 design over sharp\'s decode of it', await median(() => autocut(raster, 2), 9, 3), await median(decode, 9, 3), 2)
