/**
 * The pictures of docs/screenshots, taken anew from the demo data: `node_modules/.bin/tsx scripts/screenshots.ts`
 * while bin/demo runs, freshly loaded. With names, only those.
 */
import { useShippedFonts } from './fonts.mjs'
import { chromium, type Page } from '@playwright/test'
import { launchOptions } from './chromium'

const base = process.env.MOSAICUS ?? 'http://127.0.0.1:4310'
const folder = 'docs/screenshots'
const [night, winter] = ['Eclipse night', 'Winter timetable']

interface View {
  job?: string
  stage?: string
  path?: string
  slate?: boolean
  then?: (page: Page) => Promise<unknown>
}

const views: Record<string, View> = {
  wall: { path: '/' },
  cut: { job: night, stage: 'cut', then: (page) => page.getByRole('button', { name: '9 Words' }).click() },
  'cut-slate': { job: winter, stage: 'cut', slate: true },
  compose: { job: night, stage: 'compose' },
  compare: {
    job: night,
    stage: 'compose',
    then: async (page) => {
      for (const [instead, kind] of [
        ['Design', 'Compare'],
        ['Narrow', 'Source'],
      ] as const) {
        await page
          .getByRole('region', { name: `${instead} lens` })
          .getByRole('button', { name: instead, exact: true })
          .click()
        await page.getByRole('menuitem', { name: kind, exact: true }).click()
      }
      await page.getByLabel('Way of comparing').selectOption('Split')
      await page.getByRole('button', { name: /^Band Total eclipse/ }).click()
      await page.waitForTimeout(1500)
    },
  },
  starters: {
    path: '/',
    then: async (page) => {
      await page.getByRole('button', { name: 'New job' }).click()
      await page.getByRole('radio', { name: 'a starter' }).click()
      await page.waitForTimeout(3000)
    },
  },
  'house-style': {
    path: '/',
    then: async (page) => {
      await page.getByRole('link', { name: 'House style' }).last().click()
      await page.locator('iframe[title="A sample email, Night"]').waitFor()
      await page.waitForTimeout(2500)
    },
  },
  table: {
    job: winter,
    stage: 'compose',
    then: async (page) => {
      await page.getByRole('button', { name: /^Band Compare/ }).click()
      await page.keyboard.press('j')
    },
  },
  motion: { job: night, stage: 'motion' },
  'motion-film': { job: 'How to sow a row', stage: 'motion' },
  night: { job: winter, stage: 'night' },
  interact: {
    job: 'Choose a berth',
    stage: 'interact',
    then: async (page) => {
      await page.getByText('Passes the official validator').waitFor()
      const amp = page.frameLocator('iframe[title="The message, AMP"]')
      await amp.locator('[option="1"]').first().click()
      await page.frameLocator('iframe[title="The message, CSS only"]').locator('label').nth(2).click()
    },
  },
  proof: {
    job: winter,
    stage: 'proof',
    then: async (page) => {
      await page.getByRole('radio', { name: 'Readers' }).click()
      await page.getByText(/least like the email as written/).waitFor({ timeout: 90_000 })
      await page.locator('[data-reader=outlook-windows]').click()
      await page.locator('[data-reader]').first().scrollIntoViewIfNeeded()
    },
  },
  'hand-over': { job: night, stage: 'handover' },
  inbox: { path: '/standins/inbox' },
  platform: { path: '/standins/platform' },
}

async function main(): Promise<void> {
  const jobs = (await (await fetch(`${base}/api/jobs`)).json()) as { jobs: { id: string; name: string }[] }
  const wanted = process.argv.slice(2)
  useShippedFonts()
  const browser = await chromium.launch(launchOptions)
  for (const [name, view] of Object.entries(views)) {
    if (wanted.length && !wanted.includes(name)) continue
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      colorScheme: view.slate ? 'dark' : 'light',
    })
    const page = await context.newPage()
    const job = view.job && jobs.jobs.find((j) => j.name === view.job)?.id
    await page.goto(base + (view.path ?? `/jobs/${job}?stage=${view.stage}`))
    // What is heard of other tabs stays open: the network is never idle.
    await page.waitForTimeout(view.stage === 'compose' ? 9000 : 4000)
    await view.then?.(page)
    await page.waitForTimeout(500)
    await page.screenshot({ path: `${folder}/${name}.png` })
    await context.close()
  }
  await browser.close()
}

await main()
