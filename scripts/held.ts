/**
 * Holds our forecasts against pictures of real mail programs: `node_modules/.bin/tsx scripts/held.ts FILE.eml READER PICTURE.png [WIDTH] [night]`
 * draws what the reader's profile foretells of the message at that width, finds it in the picture of the program's window, and says how alike the
 * two are (SSIM) as far down as the picture reaches. The program has to see the fonts that we draw with: start it with
 * `FONTCONFIG_FILE=dist/fonts.conf`. Writes the forecast, and what it was held against, beside the picture.
 */
import { chromium } from '@playwright/test'
import { rawData } from 'caniemail'
import { readFileSync } from 'node:fs'
import { simpleParser } from 'mailparser'
import sharp from 'sharp'
import { ssim } from '@/core/picture/ssim'
import { Forecaster } from '@/core/readers/forecast'
import { profiles } from '@/core/readers/profiles'
import { markTable, type SupportData } from '@/core/readers/support'
import { launchOptions } from './chromium'
import { useShippedFonts } from './fonts.mjs'

/** Where in a window the message may begin, px from its left and top, and how exactly that is looked for first. */
const REACH = { x: 260, y: 420 }
const STEP = 4

interface Pixels {
  width: number
  height: number
  data: Buffer
}

const pixelsOf = async (file: string | Buffer): Promise<Pixels> => {
  const { data, info } = await sharp(file).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data }
}

const cropped = async (file: string | Buffer, left: number, top: number, width: number, height: number) =>
  sharp(file).extract({ left, top, width, height }).png().toBuffer()

/** A window may be cut off at its right; so much of the message has to be seen. */
const SEEN = 0.7

/** How far a picture differs from a place in another one, looked at here and there, as far as both reach. */
function difference(small: Pixels, big: Pixels, left: number, top: number, tall: number): number {
  let sum = 0
  let count = 0
  for (let y = 0; y < tall; y += 7)
    for (let x = 3; x < Math.min(small.width, big.width - left); x += 7) {
      const [a, b] = [(y * small.width + x) * 4, ((y + top) * big.width + x + left) * 4]
      for (let c = 0; c < 3; c++) sum += Math.abs(small.data[a + c]! - big.data[b + c]!)
      count++
    }
  return sum / count
}

/** Where the forecast lies in the window. */
function placeIn(small: Pixels, big: Pixels): { left: number; top: number } {
  const tall = Math.min(small.height, 600)
  let best = { left: 0, top: 0, off: Infinity }
  const look = (xs: number[], ys: number[]) => {
    for (const top of ys)
      for (const left of xs) {
        if (left < 0 || top < 0 || left + small.width * SEEN > big.width || top + tall > big.height) continue
        const off = difference(small, big, left, top, tall)
        if (off < best.off) best = { left, top, off }
      }
  }
  const range = (from: number, to: number, step: number) =>
    Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => from + i * step)
  look(range(0, REACH.x, STEP), range(0, REACH.y, STEP))
  look(range(best.left - STEP, best.left + STEP, 1), range(best.top - STEP, best.top + STEP, 1))
  return best
}

/** The HTML of a message, its pictures in it as data. */
async function htmlOf(file: string): Promise<string> {
  const message = await simpleParser(readFileSync(file), { skipImageLinks: true })
  let html = message.html || ''
  for (const { cid, contentType, content } of message.attachments)
    if (cid) html = html.replaceAll(`cid:${cid}`, `data:${contentType};base64,${content.toString('base64')}`)
  return html
}

const [file, id, picture, wide = '800', when] = process.argv.slice(2)
const profile = profiles.find((p) => p.id === id)
if (!file || !picture || !profile)
  throw new Error('Usage: held.ts FILE.eml READER PICTURE.png [WIDTH] [night]')
useShippedFonts()
const data = rawData as unknown as SupportData
const [family = '', platform = ''] = profile.data?.split('/') ?? []
const table = markTable(data, family ? [{ family, platform }] : [])
const written = { before: await htmlOf(file), bands: [], after: '' }
const { parts } = new Forecaster(profile, table).of(written, { night: when === 'night' })
const browser = await chromium.launch(launchOptions)
const page = await browser.newPage({ viewport: { width: Number(wide), height: 800 } })
await page.setContent(parts.before)
await page.evaluate(() => document.fonts.ready)
const shot = await page.screenshot({ fullPage: true })
await browser.close()
const [small, big] = [await pixelsOf(shot), await pixelsOf(picture)]
const { left, top } = placeIn(small, big)
const height = Math.min(small.height, big.height - top)
const width = Math.min(small.width, big.width - left)
const ours = await cropped(shot, 0, 0, width, height)
const theirs = await cropped(picture, left, top, width, height)
await sharp(ours).toFile(picture.replace(/\.png$/, '.forecast.png'))
await sharp(theirs).toFile(picture.replace(/\.png$/, '.seen.png'))
const likeness = ssim(await pixelsOf(ours), await pixelsOf(theirs))
console.log(
  `${profile.name}, ${wide} px${when ? ', night' : ''}: ${likeness.toFixed(3)} over ${height} px, found at ${left},${top}`,
)
