import { defineConfig } from '@playwright/test'
import { useShippedFonts } from './scripts/fonts.mjs'

// The tests and the browsers they start see these alone.
useShippedFonts()

const port = Number(process.env.PORT ?? 4390)

/**
 * The built app with the demo data, in Debian's chromium. bin/test builds and starts it.
 */
export default defineConfig({
  testDir: 'e2e',
  timeout: 120_000,
  expect: { timeout: 15_000 },
  // Both cores: what is drawn beside what the app does, each one after the other, since tests of the app
  // switch stand-ins off and on.
  workers: 2,
  // A busy machine may miss a press; what is broken fails twice.
  retries: 1,
  projects: [
    {
      name: 'drawn',
      testMatch: /(amp-runtime|cut|dialogs|first-build|import|layout|output|pages|starters|styles)\.spec\.ts/,
      workers: 1,
    },
    {
      name: 'app',
      testIgnore:
        /(amp-runtime|cut|dialogs|first-build|import|layout|output|pages|starters|styles)\.spec\.ts/,
      workers: 1,
    },
  ],
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
    trace: 'off',
  },
})
