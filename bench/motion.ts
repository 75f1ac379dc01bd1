/**
 * Moving pictures against other encoders at equal likeness, as a table: bytes of the lightest that is as alike as ours. Programs of Debian are asked where they
 * are found. Usage: npm run bench-motion [-- sequences]
 */
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import gifenc from 'gifenc'
import sharp from 'sharp'
import { LADDER } from '@/core/motion/fit'
import { writeGif } from '@/core/motion/gif/write'
import { alikeTo, type Alike } from '@/core/motion/likeness'
import type { Frame, Sequence } from '@/core/motion/sequence'
import { count, height, sequences, width } from './sequences'

const { applyPalette, GIFEncoder, quantize } = gifenc
/** Ours: those of the search for a budget, and few colours with little loss. */
const SETTINGS = [...LADDER, ...[14, 20, 24, 28, 33, 40].map((loss) => ({ colors: 32, loss }))]

type Made = { bytes: number } & Alike
const folder = mkdtempSync(join(tmpdir(), 'motion-'))
const has = (program: string): boolean => {
  try {
    execFileSync('which', [program])
    return true
  } catch {
    return false
  }
}

async function shownBy(gif: Uint8Array): Promise<Frame[]> {
  const { data, info } = await sharp(gif, { animated: true })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const { delay = [] } = await sharp(gif, { animated: true }).metadata()
  const size = info.width * (info.pageHeight ?? info.height) * 4
  return Array.from({ length: data.length / size }, (_, i) => ({
    data: new Uint8Array(data.buffer, data.byteOffset + i * size, size),
    delay: delay[i] ?? 80,
  }))
}

/** The other encoders, as they are usually run. */
async function others(s: Sequence): Promise<Record<string, Uint8Array>> {
  const raw = Buffer.concat(s.frames.map((f) => Buffer.from(f.data)))
  const stacked = sharp(raw, { raw: { width, height: height * count, channels: 4, pageHeight: height } })
  const delay = s.frames.map((f) => f.delay)
  const out: Record<string, Uint8Array> = { sharp: await stacked.gif({ delay, loop: 0 }).toBuffer() }
  const encoder = GIFEncoder()
  for (const { data } of s.frames) {
    const palette = quantize(data, 256)
    encoder.writeFrame(applyPalette(data, palette), width, height, { palette, delay: 80 })
  }
  encoder.finish()
  out.gifenc = encoder.bytes()
  const plain = join(folder, 'plain.gif')
  const made = join(folder, 'made.gif')
  if (has('gifsicle')) {
    writeFileSync(plain, out.gifenc)
    execFileSync('gifsicle', ['-O3', '--lossy=80', '--colors', '128', plain, '-o', made], { stdio: 'ignore' })
    out.gifsicle = readFileSync(made)
  }
  if (has('ffmpeg')) {
    for (const [i, f] of s.frames.entries())
      await sharp(f.data, { raw: { width, height, channels: 4 } })
        .png()
        .toFile(join(folder, `${i}.png`))
    const graph = 'split[a][b];[a]palettegen[p];[b][p]paletteuse'
    execFileSync('ffmpeg', [
      '-y',
      '-loglevel',
      'error',
      '-framerate',
      '12.5',
      '-i',
      join(folder, '%d.png'),
      '-filter_complex',
      graph,
      made,
    ])
    out.ffmpeg = readFileSync(made)
  }
  return out
}

console.log('sequence         encoder    bytes   alike   worst   ours at that likeness   ratio')
const ratios: number[] = []
const asked = process.argv.slice(2)
for (const [name, s] of Object.entries(sequences)) {
  if (asked.length && !asked.includes(name)) continue
  const alike = alikeTo(s)
  const rungs = SETTINGS.map((rung): Made => {
    const { bytes, shown } = writeGif(s, { ...rung, dither: 'none' })
    return { bytes: bytes.length, ...alike({ width, height, frames: shown }) }
  }).sort((a, b) => a.bytes - b.bytes)
  let best = Infinity
  for (const [encoder, gif] of Object.entries(await others(s))) {
    const theirs = { bytes: gif.length, ...alike({ width, height, frames: await shownBy(gif) }) }
    const ours = rungs.find((r) => r.mean >= theirs.mean - 5e-5 && r.worst >= theirs.worst - 5e-5)
    const ratio = ours ? ours.bytes / theirs.bytes : Infinity
    // The best of the others is the one that leaves us the least.
    best = best === Infinity ? ratio : Math.max(best, ratio)
    console.log(
      `${name.padEnd(16)} ${encoder.padEnd(9)} ${String(theirs.bytes).padStart(6)}  ${theirs.mean.toFixed(5)}  ${theirs.worst.toFixed(5)}  ${String(ours?.bytes ?? 'none').padStart(12)}           ${ratio.toFixed(2)}`,
    )
  }
  ratios.push(best)
  const t = performance.now()
  writeGif(s, { colors: 256, dither: 'none', loss: 0 })
  const mine = performance.now() - t
  const raw = Buffer.concat(s.frames.map((f) => Buffer.from(f.data)))
  const u = performance.now()
  await sharp(raw, { raw: { width, height: height * count, channels: 4, pageHeight: height } })
    .gif()
    .toBuffer()
  const theirs = performance.now() - u
  console.log(
    `${name}: encoding ${mine.toFixed(0)} ms, sharp ${theirs.toFixed(0)} ms = ${(mine / theirs).toFixed(2)} (aim: 2 or less)`,
  )
}
console.log(`worst ratio of each sequence: ${ratios.map((r) => r.toFixed(2)).join(', ')} (aim: 0.9 or less)`)
