/**
 * Trained data of languages that words are read in: without a name it lists what is at hand, with names (ISO 639-2/T, such as deu) it brings them from the package registry to `dist/reading`.
 * Usage: bin/languages [CODE...]
 */
import { execFileSync } from 'node:child_process'
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const root = join(import.meta.dirname, '..')
const folder = join(root, 'dist/reading')
/** The version all of these packages have. */
const VERSION = '1.0.0'

function bring(code) {
  if (!/^[a-z]{3}$/.test(code))
    throw new Error(`${code} is no code of a language: three small letters, such as deu`)
  const work = mkdtempSync(join(tmpdir(), 'mosaicus-'))
  try {
    execFileSync(
      'npm',
      ['pack', `@tesseract.js-data/${code}@${VERSION}`, '--silent', '--pack-destination', work],
      { stdio: ['ignore', 'ignore', 'pipe'] },
    )
    const archive = readdirSync(work).find((f) => f.endsWith('.tgz'))
    execFileSync('tar', ['-xzf', archive, '-C', work], { cwd: work })
    mkdirSync(folder, { recursive: true })
    const name = `${code}.traineddata.gz`
    // Whole or not at all: it may be read meanwhile.
    copyFileSync(join(work, 'package/4.0.0_best_int', name), join(folder, `${name}.part`))
    renameSync(join(folder, `${name}.part`), join(folder, name))
  } finally {
    rmSync(work, { recursive: true, force: true })
  }
}

const codes = process.argv.slice(2)
for (const code of codes)
  try {
    bring(code)
    console.log(`${code} is at hand.`)
  } catch (error) {
    console.error(
      `${code} could not be brought: ${error.stderr?.toString().trim().split('\n')[0] || error.message}`,
    )
    process.exitCode = 1
  }
if (!codes.length)
  console.log(
    `At hand: eng${
      existsSync(folder)
        ? readdirSync(folder)
            .filter((f) => f.endsWith('.gz'))
            .map((f) => `, ${f.slice(0, 3)}`)
            .join('')
        : ''
    }`,
  )
