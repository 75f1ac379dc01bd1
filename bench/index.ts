/** Speed as ratios measured in one run, so that they say the same on any machine. Usage: npm run bench */
import { parse } from 'parse5'
import sharp from 'sharp'
import { autocut } from '@/core/cut/autocut'
import { compile } from '@/core/compile'
import { applyEdit } from '@/core/email/edits'
import { house, longEmail } from '@/test-support/emails'
import { buildScene } from '@/test-support/built'
import { byHand } from '@/test-support/by-hand'
import { studioDesigns } from '@/test-support/studio'
import { goods, letter, referenceHouse, referenceSrc, stories } from '@/test-support/references'
import { sceneOf, scenePng } from '@/test-support/scenes'
import { inBrowser } from './browser'

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
const say = (what: string, a: number, b: number, aim: number) =>
  console.log(
    `${what}: ${a.toFixed(2)} ms / ${b.toFixed(2)} ms = ${(a / b).toFixed(2)} (aim: ${aim} or less)`,
  )

// First, while the heap is small: what another measurement keeps would be swept again and again for each copy
// of the pixels. Made designs, one below the other, to 1200 x 8000.
const scenes = await Promise.all([1, 2, 3, 4].map((seed) => scenePng(sceneOf(seed), 2)))
const heights = await Promise.all(scenes.map(async (s) => (await sharp(s).metadata()).height))
let top = 0
const layers = scenes.map((input, i) => {
  const at = top
  top += heights[i]!
  return { input, left: 0, top: at }
})
const tall = await sharp({ create: { width: 1200, height: top, channels: 3, background: '#ffffff' } })
  .composite(layers)
  .png()
  .toBuffer()
for (const kind of ['png', 'jpeg'] as const) {
  const cut = sharp(tall).extract({ left: 0, top: 0, width: 1200, height: 8000 })
  const file = await (kind === 'png' ? cut.png() : cut.jpeg({ quality: 85 })).toBuffer()
  const decode = (bytes: Buffer) => () => sharp(bytes).ensureAlpha().raw().toBuffer()
  const raster = { width: 1200, height: 8000, data: await decode(file)() }
  const time = await median(() => autocut(raster, 2), 9, 4)
  say(
    `autocut of a 1200 x 8000 design over sharp's decode of it (${kind})`,
    time,
    await median(decode(file), 9, 4),
    2,
  )
  // A design is kept as PNG, whatever it came as: that is what the app's worker decodes and cuts.
  const worker = await inBrowser(await sharp(file).png({ compressionLevel: 6 }).toBuffer(), 2)
  say(
    `the same in Chromium, over the worker's own decoding of it (kept as PNG, came as ${kind})`,
    worker.autocut,
    worker.decode,
    2,
  )
}

const src = (p: { id: string }) => `https://pictures.example/${p.id}.png`
// Each run gets bands it has never seen, so that nothing is remembered.
const html = compile(longEmail(40), house, { src })
const fresh = Array.from({ length: 20 }, () => structuredClone(longEmail(40)))
let n = 0
say(
  `compile of a 40-band email (${(html.length / 1024).toFixed(0)} KB) over parse5's parse of the result`,
  await median(() => compile(fresh[n++ % 20]!, house, { src })),
  await median(() => parse(html)),
  2,
)

const edit = async (bands: number) => {
  let email = longEmail(bands)
  compile(email, house, { src })
  let i = 0
  return median(
    () => {
      email = applyEdit(email, {
        name: 'setTile',
        what: { id: 'u3-0', kind: 'button', set: { label: `Word ${i++}` } },
      })
      compile(email, house, { src })
    },
    60,
    20,
  )
}
say('compile after an edit of one band: 200 bands over 10 bands', await edit(200), await edit(10), 2)

/** What an email comes to beside the same one written by hand. */
function weigh(name: string, ours: string, hand: string, bands: number): void {
  const [bytes, wanted] = [Buffer.byteLength(ours), Buffer.byteLength(hand)]
  const tables = ours.match(/<table/g)!.length
  console.log(
    `${name}: ${bytes} B / ${wanted} B by hand = ${(bytes / wanted).toFixed(2)} (aim: 1.6 or less); ` +
      `${Math.round(bytes / bands)} B and ${(tables / bands).toFixed(1)} tables a band (${bands} bands)`,
  )
}

// Weight: what leaves, against what a person wrote for the same emails (src/test-support/fixtures/references).
for (const [name, email] of Object.entries({ letter, goods, stories })) {
  const made = email()
  const ours = compile(made, referenceHouse, { src: referenceSrc, print: 'compact' })
  weigh(name, ours, byHand(name), made.bands.length)
}
// And what the first build of three designs comes to.
for (const design of studioDesigns()) {
  const name = design.name.replace(' ', '-')
  if (!['schedule', 'shop', 'long-letter'].includes(name)) continue
  const { email, house: own } = await buildScene(design)
  const ours = compile(email, own, { src: () => 'p0.png', print: 'compact' })
  weigh(`built: ${design.name}`, ours, byHand(`built/${name}`), email.bands.length)
}
