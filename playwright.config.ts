import { defineConfig } from '@playwright/test'
import { launchOptions } from './scripts/chromium'
import { useShippedFonts } from './scripts/fonts.mjs'

// The tests and the browsers they start see these alone.
useShippedFonts()

/*
 * The built app with the demo data, in Debian's chromium. bin/test builds and starts it, once for each worker with data of its own: a test may switch
 * stand-ins, and any worker may take any test.
 */
const worker = Number(process.env.TEST_PARALLEL_INDEX ?? 0)
const port = Number(process.env.TEST_PORT ?? 4390) + 10 * worker
process.env.PORT = String(port)
if (process.env.TEST_DATA) process.env.MOSAICUS_DATA = `${process.env.TEST_DATA}${worker}`

export default defineConfig({
  testDir: 'e2e',
  timeout: 240_000,
  expect: { timeout: 30_000 },
  workers: Number(process.env.TEST_WORKERS ?? 1),
  fullyParallel: true,
  retries: 0,
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions,
    trace: 'off',
  },
})
