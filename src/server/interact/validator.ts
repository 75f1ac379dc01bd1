import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { explained, type AmpMessage, type Explained } from '@/core/interact/reasons'

interface Validator {
  validateString: (html: string, format: 'AMP4EMAIL') => { status: string; errors: AmpMessage[] }
}

let held: Promise<Validator> | undefined

/** The official validator of AMP for Email (Apache-2.0), as a package of the registry carries it, without a network. */
function validator(): Promise<Validator> {
  const require = createRequire(join(/* turbopackIgnore: true */ process.cwd(), 'package.json'))
  const entry = require.resolve('amp-validator/dist/compiled/amphtml-validator/index.js')
  const { getInstance } = require(entry) as { getInstance: (path: string) => Promise<Validator> }
  return (held ??= getInstance(join(dirname(entry), 'validator_wasm.js')))
}

/** What the official validator says of an AMP email, each message in plain words too. */
export async function checkAmp(html: string): Promise<{ pass: boolean; messages: Explained[] }> {
  const { status, errors } = (await validator()).validateString(html, 'AMP4EMAIL')
  const messages = errors.map(({ severity, line, col, message, code }) =>
    explained({ severity, line, col, message, code }),
  )
  return { pass: status === 'PASS', messages }
}
