/**
 * Forty designs of our own with their truth, for the first build to be measured by. The even ones may be looked at while it is worked on, the odd ones are kept back.
 * Usage: npm run bench-designs -- FOLDER [even|odd|FROM-TO]: numbers from 40 on are further ones, which nobody has looked at.
 */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { useShippedFonts } from '../../scripts/fonts.mjs'
import sharp from 'sharp'
import { bodies, feet, heads, heroes, choices, type Theme } from './blocks'
import { stories } from './stories'
import { launchOptions } from '../../scripts/chromium'

const package_ = (name: string, weights: readonly number[], italic = false) => ({ name, weights, italic })
/** Faces that no mail program has, out of the registry. */
const faces = {
  Barlow: package_('barlow', [400, 700]),
  'Barlow Condensed': package_('barlow-condensed', [400, 700]),
  Karla: package_('karla', [400, 700]),
  Marcellus: package_('marcellus', [400]),
  'Source Serif 4': package_('source-serif-4', [400, 700], true),
  'Young Serif': package_('young-serif', [400]),
  Fraunces: package_('fraunces', [300, 400, 700], true),
  'IBM Plex Sans': package_('ibm-plex-sans', [400, 700]),
} as const

const base = { width: 600, pad: 40, radius: 4, text: 16, head: 32, heavy: 700 }
const themes: readonly Theme[] = [
  {
    ...base,
    display: 'Young Serif',
    body: 'Karla',
    heavy: 400,
    page: '#efe8dc',
    sheet: '#fffaf2',
    ink: '#33291d',
    faint: '#857763',
    accent: '#9a4d1c',
    onAccent: '#ffffff',
    pale: '#f3e9d8',
    deep: '#3d2a17',
    tones: ['#6b4a2a', '#c49a63', '#e2c89a'],
  },
  {
    ...base,
    display: 'Barlow Condensed',
    body: 'Barlow',
    head: 40,
    radius: 0,
    page: '#dbe4ea',
    sheet: '#ffffff',
    ink: '#0e2230',
    faint: '#5f7482',
    accent: '#e4572e',
    onAccent: '#ffffff',
    pale: '#eef3f6',
    deep: '#0e2f44',
    tones: ['#0d3a52', '#5f9db5', '#cfe3ea'],
  },
  {
    ...base,
    display: 'Marcellus',
    body: 'IBM Plex Sans',
    heavy: 400,
    text: 15,
    radius: 30,
    width: 640,
    pad: 48,
    page: '#ffffff',
    sheet: '#ffffff',
    ink: '#222222',
    faint: '#8a8a8a',
    accent: '#111111',
    onAccent: '#ffffff',
    pale: '#f6f4f1',
    deep: '#1b1b1b',
    tones: ['#3a342e', '#8c7a66', '#d8c6a8'],
  },
  {
    ...base,
    display: 'Arimo',
    body: 'Arimo',
    page: '#eef5e9',
    sheet: '#ffffff',
    ink: '#1e2d16',
    faint: '#667a58',
    accent: '#3d7a1f',
    onAccent: '#ffffff',
    pale: '#edf4e6',
    deep: '#23401a',
    radius: 6,
    tones: ['#2f5222', '#88a94c', '#e08a2c'],
  },
  {
    ...base,
    display: 'Fraunces',
    body: 'Fira Sans',
    heavy: 300,
    head: 36,
    text: 17,
    radius: 24,
    page: '#1d1b2b',
    sheet: '#262339',
    ink: '#f1eefc',
    faint: '#a49dc4',
    accent: '#ffb454',
    onAccent: '#1d1b2b',
    pale: '#302c49',
    deep: '#14121f',
    tones: ['#191731', '#4b3f86', '#ffb454'],
  },
  {
    ...base,
    display: 'Tinos',
    body: 'Tinos',
    head: 34,
    text: 17,
    width: 600,
    pad: 54,
    radius: 2,
    page: '#f5f0ea',
    sheet: '#ffffff',
    ink: '#2b1d1d',
    faint: '#8b7676',
    accent: '#8c1c2f',
    onAccent: '#ffffff',
    pale: '#f7eeea',
    deep: '#4a1019',
    tones: ['#451018', '#a0524f', '#e6b08c'],
  },
  {
    ...base,
    display: 'IBM Plex Sans',
    body: 'IBM Plex Sans',
    text: 15,
    head: 30,
    radius: 8,
    width: 680,
    pad: 44,
    page: '#eceff6',
    sheet: '#ffffff',
    ink: '#131a33',
    faint: '#68708c',
    accent: '#3b5bfd',
    onAccent: '#ffffff',
    pale: '#f0f3ff',
    deep: '#131a45',
    tones: ['#1c2a7a', '#6d86ff', '#c6d0ff'],
  },
  {
    ...base,
    display: 'Source Serif 4',
    body: 'Source Serif 4',
    head: 30,
    text: 17,
    radius: 0,
    width: 620,
    page: '#ffffff',
    sheet: '#ffffff',
    ink: '#1f2626',
    faint: '#6c7878',
    accent: '#1c6b6b',
    onAccent: '#ffffff',
    pale: '#ebf3f2',
    deep: '#123d3d',
    tones: ['#17403f', '#6aa5a0', '#e2efe9'],
  },
]

/** The numbers that are drawn. @param which even or odd ones of the forty, or a range */
function numbers(which: string): number[] {
  const [from = 0, to = 39] = /^\d+-\d+$/.test(which) ? which.split('-').map(Number) : []
  const all = Array.from({ length: to - from + 1 }, (_, i) => from + i)
  return which === 'even' || which === 'odd' ? all.filter((n) => n % 2 === (which === 'odd' ? 1 : 0)) : all
}

function designOf(n: number): { html: string; width: number; scale: number } {
  const roll = choices(1000 + n)
  const one = <T>(of: Record<string, T>): T => {
    const all = Object.values(of)
    return all[Math.floor(roll() * all.length)]!
  }
  const c = {
    t: themes[(n * 3 + Math.floor(n / 8)) % themes.length]!,
    s: stories[(n * 5 + Math.floor(n / 8) * 3) % stories.length]!,
    seed: n + 1,
  }
  // No part comes twice in one design; each comes about as often as any.
  const names = Object.keys(bodies)
  const middle = [0, 1, 2, 3].map((i) => names[(n * 7 + i * 5) % names.length]!)
  const parts = [one(heads), one(heroes), ...middle.map((m) => bodies[m]!), one(feet)]
  const { t, s } = c
  const frame = n % 5 === 2 ? `margin:0 auto;width:${t.width}px` : ''
  const font = Object.entries(faces)
    .filter(([family]) => family === t.display || family === t.body)
    .flatMap(([family, { name, weights, italic }]) =>
      weights.flatMap((weight) =>
        (italic && weight === 400 ? ['normal', 'italic'] : ['normal']).flatMap((style) =>
          ['latin', 'latin-ext'].map((part) => {
            const file = readFileSync(
              join('node_modules/@fontsource', name, 'files', `${name}-${part}-${weight}-${style}.woff2`),
            )
            const range = part === 'latin' ? 'U+0000-00FF,U+2000-206F,U+20AC,U+2190-2193' : 'U+0100-024F'
            return `@font-face{font-family:'${family}';font-weight:${weight};font-style:${style};unicode-range:${range};src:url(data:font/woff2;base64,${file.toString('base64')})}`
          }),
        ),
      ),
    )
    .join('')
  const sheet = `background:${t.sheet};color:${t.ink};${frame}`
  const html = `<!doctype html><html lang="${s.lang}"><style>${font}body{margin:0;background:${frame ? t.page : t.sheet};font-family:'${t.body}';${frame ? 'padding:30px 0' : ''}}</style><body><div style="${sheet}">${parts.map((p) => p(c)).join('')}</div></body></html>`
  return { html, width: t.width + (frame ? 60 : 0), scale: n % 4 === 3 ? 1 : 2 }
}

const [folder, which = '0-39'] = process.argv.slice(2)
if (!folder) throw new Error('Usage: npm run bench-designs -- FOLDER [even|odd|FROM-TO]')
mkdirSync(folder, { recursive: true })
useShippedFonts()
const browser = await chromium.launch(launchOptions)
for (const n of numbers(which)) {
  const { html, width, scale } = designOf(n)
  const context = await browser.newContext({ viewport: { width, height: 400 }, deviceScaleFactor: scale })
  const page = await context.newPage()
  await page.setContent(html)
  await page.evaluate(() => document.fonts.ready)
  const png = await page.screenshot({ fullPage: true })
  const name = join(folder, String(n).padStart(2, '0'))
  // Some come as JPEG of good quality, read back as such.
  writeFileSync(
    `${name}.png`,
    n % 6 === 5
      ? await sharp(await sharp(png).jpeg({ quality: 88 }).toBuffer())
          .png()
          .toBuffer()
      : png,
  )
  const truth = await page.evaluate(() => ({
    width: document.documentElement.clientWidth,
    height: document.documentElement.scrollHeight,
    things: [...document.querySelectorAll<HTMLElement>('[data-k]')].map((e) => {
      const r = e.getBoundingClientRect()
      const style = getComputedStyle(e)
      const upper = style.textTransform === 'uppercase'
      const said = e.dataset.t === undefined ? undefined : e.innerText
      return {
        kind: e.dataset.k!,
        box: [r.x, r.y, r.width, r.height],
        text: said && (upper ? said.toUpperCase() : said),
        size: style.fontSize,
      }
    }),
  }))
  writeFileSync(`${name}.json`, JSON.stringify(truth))
  await context.close()
}
await browser.close()
