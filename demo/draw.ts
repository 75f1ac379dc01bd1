/**
 * Draws the demo designs: writes their SVG sources and rasterises them at double size with the fonts set in
 * (run when a design changes).
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { useShippedFonts } from '../scripts/fonts.mjs'
import { chromium } from '@playwright/test'
import sharp from 'sharp'
import { fennmoorSeeds } from './fennmoor-seeds'
import { haldenRail } from './halden-rail'
import { orreryPoint } from './orrery-point'

const fonts: [family: string, pack: string, weights: number[]][] = [
  ['Marcellus', 'marcellus', [400]],
  ['Source Serif 4', 'source-serif-4', [400, 600]],
  ['Barlow', 'barlow', [400, 600, 700]],
  ['Barlow Condensed', 'barlow-condensed', [600, 700]],
  ['Young Serif', 'young-serif', [400]],
  ['Karla', 'karla', [400, 700]],
]
const faces = fonts
  .flatMap(([family, pack, weights]) =>
    weights.map(
      (w) =>
        `@font-face{font-family:'${family}';font-weight:${w};src:url(data:font/woff2;base64,${readFileSync(`node_modules/@fontsource/${pack}/files/${pack}-latin-${w}-normal.woff2`).toString('base64')})}`,
    ),
  )
  .join('')

useShippedFonts()
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-background-networking', '--force-color-profile=srgb'],
})
for (const [name, design] of [
  ['orrery-point-eclipse-night', orreryPoint()],
  ['halden-night-rail-timetable', haldenRail()],
  ['fennmoor-sowing-letter', fennmoorSeeds()],
] as const) {
  writeFileSync(`demo/designs/${name}.svg`, design.svg)
  const page = await browser.newPage({ viewport: { width: 1200, height: design.height } })
  await page.setContent(
    `<style>${faces}body{margin:0}svg{display:block;text-rendering:geometricPrecision}text{white-space:pre}</style>${design.svg}`,
  )
  await page.evaluate(() => document.fonts.ready)
  const shot = await page.screenshot()
  await sharp(shot).png({ compressionLevel: 9 }).toFile(`demo/designs/${name}.png`)
  await page.close()
  console.log(`${name}: 1200 x ${design.height}`)
}
await browser.close()
