/**
 * Moving pictures against other encoders at equal likeness, as a table: bytes of the lightest that is as alike as ours. Programs of Debian are asked where they
 * are found. Usage: npm run bench-motion
 */
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createCanvas, loadImage, type SKRSContext2D } from '@napi-rs/canvas'
import gifenc from 'gifenc'
import sharp from 'sharp'
import { LADDER } from '@/core/motion/fit'
import { writeGif } from '@/core/motion/gif/write'
import { alikeTo, type Alike } from '@/core/motion/likeness'
import type { Frame, Sequence } from '@/core/motion/sequence'

const { applyPalette, GIFEncoder, quantize } = gifenc
const [width, height, count] = [480, 200, 24]

/** Draws a sequence, a picture at a time. @param t 0 to 1 */
function sequence(draw: (c: SKRSContext2D, t: number, i: number) => void): Sequence {
  const c = createCanvas(width, height).getContext('2d')
  const frames = Array.from({ length: count }, (_, i): Frame => {
    draw(c, i / count, i)
    return { data: c.getImageData(0, 0, width, height).data, delay: 80 }
  })
  return { width, height, loop: 0, frames }
}

const photo = await loadImage(
  await sharp('demo/designs/orrery-point-eclipse-night.png')
    .extract({ left: 0, top: 150, width: 1200, height: 960 })
    .png()
    .toBuffer(),
)
const fill = (c: SKRSContext2D, color: string) => {
  c.fillStyle = color
  c.fillRect(0, 0, width, height)
}
let seed = 7
const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647

const sequences: Record<string, Sequence> = {
  lettering: sequence((c, t) => {
    fill(c, '#f4efe6')
    c.fillStyle = '#1f2430'
    c.font = '600 54px serif'
    c.globalAlpha = Math.abs(Math.cos(t * Math.PI))
    c.fillText(t < 0.5 ? 'Doors open' : 'at half past', 60, 120)
    c.globalAlpha = 1
  }),
  slide: sequence((c, t) => {
    fill(c, '#12343b')
    c.fillStyle = '#e9a23b'
    c.fillRect(-120 + t * 600, 60, 120, 80)
    c.fillStyle = '#eef3ef'
    c.font = '700 40px sans-serif'
    c.fillText('Winter timetable', 480 - t * 620, 115)
  }),
  'photo pan': sequence((c, t) => c.drawImage(photo, 500 * t, 300, 700, 292, 0, 0, width, height)),
  'flat graphic': sequence((c, t) => {
    fill(c, '#faf5ea')
    for (let i = 0; i < 6; i++) {
      c.fillStyle = ['#3f5a36', '#8c2f4b', '#e6c66b'][i % 3]!
      c.beginPath()
      c.arc(60 + i * 72, 100 + 40 * Math.sin(2 * Math.PI * (t + i / 6)), 28, 0, 7)
      c.fill()
    }
  }),
  'film-like noise': sequence((c, t) => {
    c.drawImage(photo, 300 + 40 * t, 200, 700, 292, 0, 0, width, height)
    const image = c.getImageData(0, 0, width, height)
    for (let i = 0; i < image.data.length; i += 4) {
      const n = (random() - 0.5) * 18
      for (let k = 0; k < 3; k++) image.data[i + k]! += n
    }
    c.putImageData(image, 0, 0)
  }),
  countdown: sequence((c, _, i) => {
    fill(c, '#14202f')
    c.fillStyle = '#22344c'
    for (let k = 0; k < 4; k++) c.fillRect(30 + k * 110, 40, 90, 100)
    c.fillStyle = '#f3ead8'
    c.font = '700 60px sans-serif'
    ;['07', '17', '42', String(59 - i)].forEach((n, k) => c.fillText(n, 40 + k * 110, 112))
  }),
}

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
for (const [name, s] of Object.entries(sequences)) {
  const alike = alikeTo(s)
  const rungs = LADDER.flatMap((rung) =>
    (['none', 'diffused', 'pattern'] as const).map((dither): Made => {
      const { bytes, shown } = writeGif(s, { ...rung, dither })
      return { bytes: bytes.length, ...alike({ width, height, frames: shown }) }
    }),
  ).sort((a, b) => a.bytes - b.bytes)
  let best = Infinity
  for (const [encoder, gif] of Object.entries(await others(s))) {
    const theirs = { bytes: gif.length, ...alike({ width, height, frames: await shownBy(gif) }) }
    const ours = rungs.find((r) => r.mean >= theirs.mean - 5e-4 && r.worst >= theirs.worst - 1e-3)
    const ratio = ours ? ours.bytes / theirs.bytes : Infinity
    // The best of the others is the one that leaves us the least.
    best = best === Infinity ? ratio : Math.max(best, ratio)
    console.log(
      `${name.padEnd(16)} ${encoder.padEnd(9)} ${String(theirs.bytes).padStart(6)}  ${theirs.mean.toFixed(4)}  ${theirs.worst.toFixed(4)}  ${String(ours?.bytes ?? 'none').padStart(12)}           ${ratio.toFixed(2)}`,
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
