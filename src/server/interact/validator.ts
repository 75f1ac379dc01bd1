import { createRequire } from 'node:module'
import { join } from 'node:path'
import { ampFaults } from '@/core/interact/faults'
import { explained, type AmpMessage, type Explained } from '@/core/interact/reasons'

interface Validator {
  validateString: (html: string, format: 'AMP4EMAIL') => { status: string; errors: AmpMessage[] }
}

let held: Promise<Validator> | undefined

/** The official validator of AMP for Email (Apache-2.0), without a network: scripts/setup.sh takes it out of a package of the registry. */
function validator(): Promise<Validator> {
  const folder = join(/* turbopackIgnore: true */ process.cwd(), 'dist/amp-validator')
  const { getInstance } = createRequire(join(folder, 'package.json'))('./index.js') as {
    getInstance: (path: string) => Promise<Validator>
  }
  return (held ??= getInstance(join(folder, 'validator_wasm.js')))
}

/** What the official validator says of an AMP email, each message in plain words too. */
export async function checkAmp(html: string): Promise<{ pass: boolean; messages: Explained[] }> {
  const { status, errors } = (await validator()).validateString(html, 'AMP4EMAIL')
  const own = ampFaults(html)
  const messages = [...errors, ...own].map(({ severity, line, col, message, code }) =>
    explained({ severity, line, col, message, code }),
  )
  return { pass: status === 'PASS' && !own.length, messages }
}
