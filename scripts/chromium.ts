import { existsSync } from 'node:fs'

/** Debian's browser without a window, which draws the same with two thirds of the CPU, or the whole one: whichever the machine has. */
const executablePath =
  process.env.CHROMIUM ??
  ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((path) => existsSync(path))

/** How Chromium is started by tests, measurements and screenshots alike, so that letters lie alike in all of them. */
export const launchOptions = {
  executablePath,
  args: [
    '--no-sandbox',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    // As the whole browser draws letters: places of letters between px count.
    '--font-render-hinting=none',
  ],
}
