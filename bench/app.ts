/**
 * How the built app feels, as ratios measured in one run. Usage: npm run build, then npm run bench-app. It serves the
 * app with data of its own, and measures in Chromium.
 */
import { chromium, type Browser, type Page } from '@playwright/test'
import sharp from 'sharp'
import { plainHouseStyle } from '@/core/email/styles'
import { longEmail } from '@/test-support/emails'
import { base, served, stop } from './served'
import { launchOptions } from '../scripts/chromium'

/** Keys that are pressed in each measurement; the first ones warm up and do not count. */
const [KEYS, WARM] = [90, 20]

const json = async (path: string, method: string, body: unknown) => {
  const answer = await fetch(base + path, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  if (!answer.ok) throw new Error(`${method} ${path}: ${await answer.text()}`)
  return (await answer.json()) as { id: string }
}

/** A job whose email has so many bands. */
async function jobOf(clientId: string, bands: number): Promise<string> {
  const design = await sharp({ create: { width: 1200, height: 1600, channels: 3, background: '#ffffff' } })
    .png()
    .toBuffer()
  const form = new FormData()
  form.set('design', new File([new Uint8Array(design)], 'design.png'))
  for (const [key, value] of Object.entries({ clientId, name: `${bands} bands`, width: '600' }))
    form.set(key, value)
  const made = (await (await fetch(`${base}/api/jobs`, { method: 'POST', body: form })).json()) as {
    id: string
  }
  const email = longEmail(bands)
  // Its pictures are the design's: nothing of the email is to be missing.
  const { design: picture } = (await (await fetch(`${base}/api/jobs/${made.id}`)).json()) as {
    design: { id: string; type: 'image/png'; width: number; height: number; bytes: number }
  }
  const { id, type, width, height, bytes } = picture
  const ref = { id, type, width, height, bytes }
  const shown = JSON.parse(JSON.stringify(email), (key, value: unknown) =>
    key === 'picture' && value ? ref : value,
  ) as object
  await json(`/api/jobs/${made.id}/email`, 'PUT', { revision: 0, email: shown })
  return made.id
}

/** Presses keys one after the other; the time of each from the key to the next frame, ms. */
async function typed(page: Page): Promise<number[]> {
  await page.evaluate(() => {
    const times: number[] = []
    Object.assign(globalThis, { times })
    addEventListener(
      'keydown',
      () => {
        const start = performance.now()
        requestAnimationFrame(() => {
          const channel = new MessageChannel()
          channel.port1.onmessage = () => times.push(performance.now() - start)
          channel.port2.postMessage(null)
        })
      },
      true,
    )
  })
  for (let i = 0; i < KEYS; i++) {
    await page.keyboard.press('abcdefgh '[i % 9]!)
    await page.waitForTimeout(30)
  }
  return (await page.evaluate(() => (globalThis as unknown as { times: number[] }).times)).slice(WARM)
}

const p95 = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)]!

const viewport = { width: 1280, height: 800 }

async function bare(browser: Browser): Promise<number> {
  const page = await browser.newPage({ viewport })
  await page.setContent('<p contenteditable autofocus>Words</p>')
  await page.locator('p').click()
  const time = p95(await typed(page))
  await page.close()
  return time
}

interface Opened {
  key: number
  /** Longest task after the first paint, ms. */
  task: number
  /** Compressed JavaScript of the first load, KB. */
  scripts: number
}

/** The longest task of several openings: the median, and the worst. */
async function longest(browser: Browser, job: string): Promise<[number, number]> {
  const times: number[] = []
  for (let i = 0; i < 7; i++) times.push((await opened(browser, job, undefined, false)).task)
  times.sort((a, b) => a - b)
  return [times[3]!, times[6]!]
}

/** @param kinds of lens that are open; left out, those that a job begins with @param write whether keys are pressed */
async function opened(browser: Browser, job: string, kinds?: string[], write = true): Promise<Opened> {
  const page = await browser.newPage({ viewport })
  if (kinds)
    await page.addInitScript(
      ([key, value]) => localStorage.setItem(key!, value!),
      [
        `lenses:${job}`,
        JSON.stringify({ kinds, shares: kinds.map(() => 1), full: [], narrow: 375, lying: false }),
      ],
    )
  await page.addInitScript(() => {
    const tasks: number[] = []
    Object.assign(globalThis, { tasks })
    new PerformanceObserver((list) =>
      list.getEntries().forEach((e) => {
        const painted = performance.getEntriesByName('first-contentful-paint')[0]
        if (painted && e.startTime >= painted.startTime) tasks.push(e.duration)
      }),
    ).observe({ type: 'longtask', buffered: true })
  })
  await page.goto(`${base}/jobs/${job}?stage=compose`)
  await page.waitForSelector('[data-lens=Wide]')
  await page.waitForTimeout(2500)
  const task = Math.max(
    0,
    ...(await page.evaluate(() => (globalThis as unknown as { tasks: number[] }).tasks)),
  )
  const scripts = await page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .filter((e) => e.name.includes('.js'))
      .reduce((sum, e) => sum + (e as PerformanceResourceTiming).encodedBodySize, 0),
  )
  const key = write ? await keysIn(page) : 0
  await page.close()
  return { key, task, scripts: scripts / 1024 }
}

/** Writes in the first words; the 95th percentile, ms. */
async function keysIn(page: Page): Promise<number> {
  await page.frameLocator('iframe[title^="The email, Wide"]').locator('[data-m="w0-0"]').waitFor()
  const box = await page.locator('[data-lens=Wide]').boundingBox()
  const words = await page.locator('iframe[title^="The email, Wide"]').evaluate((f) => {
    const r = (f as HTMLIFrameElement)
      .contentDocument!.querySelector('[data-m="w0-0"]')!
      .getBoundingClientRect()
    return { x: r.left + 20, y: r.top + r.height - 10, width: (f as HTMLIFrameElement).clientWidth }
  })
  const zoom = box!.width / words.width
  await page.mouse.dblclick(box!.x + words.x * zoom, box!.y + words.y * zoom)
  await page.locator('.in-place .ProseMirror').waitFor()
  await page.keyboard.press('End')
  return p95(await typed(page))
}

const say = (what: string, a: number, b: number, aim: number) =>
  console.log(
    `${what}: ${a.toFixed(1)} ms / ${b.toFixed(1)} ms = ${(a / b).toFixed(2)} (aim: ${aim} or less)`,
  )

/** Median time in which the wall is answered, ms. */
async function wall(): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < 12; i++) {
    const start = performance.now()
    await (await fetch(base)).text()
    times.push(performance.now() - start)
  }
  return times.slice(3).sort((a, b) => a - b)[4]!
}

async function main(): Promise<void> {
  const client = await json('/api/clients', 'POST', { name: 'Bench', house: plainHouseStyle() })
  const [ten, sixty, many] = [
    await jobOf(client.id, 10),
    await jobOf(client.id, 60),
    await jobOf(client.id, 200),
  ]
  const browser = await chromium.launch(launchOptions)
  const plain = await bare(browser)
  const at10 = await opened(browser, ten)
  const at60 = await opened(browser, sixty)
  const at200 = await opened(browser, many)
  const most = await opened(browser, sixty, ['Wide', 'Compare', 'Narrow', 'Night'])
  say(
    'key to frame, 95th percentile, 60 bands in three lenses over a bare contenteditable',
    at60.key,
    plain,
    3,
  )
  say('the same, 60 bands in four lenses with the design laid over, likeness counted', most.key, plain, 3)
  say('the same, 200 bands over 10', at200.key, at10.key, 1.3)
  const [task, worst] = await longest(browser, sixty)
  console.log(
    `longest task after the first paint as the bench opens, 60 bands: ${task.toFixed(0)} ms, the worst of seven ${worst.toFixed(0)} ms (aim: 100 or less)`,
  )
  console.log(
    `JavaScript of the first load of the bench, compressed: ${at60.scripts.toFixed(0)} KB (aim: 400 or less)`,
  )
  await browser.close()
  const few = await wall()
  for (let i = 0; i < 497; i++) await json(`/api/jobs/${ten}/duplicate`, 'POST', {})
  await wall()
  say('the wall, 500 jobs over 3', await wall(), few, 1.5)
}

try {
  await served()
  await main()
} finally {
  stop()
}
