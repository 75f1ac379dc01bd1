import { readdir, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import JSZip from 'jszip'
import { fontsFolder } from '../../settings'
import { COUNTDOWN_FONT, countdownPackages } from './fonts'

const ABOUT = `# Countdowns

A small server of countdown pictures, for any host that runs Node 20 or newer.

    npm install
    PORT=8080 node countdown.mjs

Every path answers with the picture that its query describes. Put the address at which it can be reached into the countdown's "Server", and the emails will ask
there. When each recipient opened a countdown that runs for a span is kept in openings.json, as digests.
`

/** The stand-alone server of countdowns, with its fonts, as a ZIP. */
export async function countdownZip(): Promise<Buffer> {
  const zip = new JSZip()
  zip.file('README.md', ABOUT)
  zip.file(
    'countdown.mjs',
    await readFile(join(/* turbopackIgnore: true */ process.cwd(), 'dist/countdown.mjs')),
  )
  const own = JSON.parse(
    await readFile(join(/* turbopackIgnore: true */ process.cwd(), 'package.json'), 'utf8'),
  ) as { dependencies: Record<string, string> }
  const dependencies = Object.fromEntries(
    ['@napi-rs/canvas', 'luxon', 'zod'].map((name) => [name, own.dependencies[name]]),
  )
  zip.file(
    'package.json',
    JSON.stringify({ name: 'countdowns', private: true, type: 'module', dependencies }, null, 2),
  )
  for (const name of countdownPackages) {
    const folder = join(fontsFolder(), name, 'files')
    for (const file of (await readdir(folder)).filter((f) => COUNTDOWN_FONT.test(f)))
      zip.file(`fonts/${name}/files/${file}`, await readFile(join(folder, file)))
  }
  return zip.generateAsync({ type: 'nodebuffer', compression: 'DEFLATE' })
}
