import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'

interface Said {
  severity: 'ERROR' | 'WARNING'
  line: number
  col: number
  message: string
  code: string
}

/** The official validator of AMP for Email (Apache-2.0), as the registry has it. @returns its errors, a line each */
export async function ampErrors(html: string): Promise<string[]> {
  const require = createRequire(join(process.cwd(), 'package.json'))
  const entry = require.resolve('amp-validator/dist/compiled/amphtml-validator/index.js')
  const official = require(entry) as {
    getInstance: (
      path: string,
    ) => Promise<{ validateString: (html: string, format: string) => { status: string; errors: Said[] } }>
  }
  const validator = await official.getInstance(join(dirname(entry), 'validator_wasm.js'))
  const { status, errors } = validator.validateString(html, 'AMP4EMAIL')
  const said = errors.filter((e) => e.severity === 'ERROR').map((e) => `${e.line}: ${e.message}`)
  return status === 'PASS' ? said : said.length ? said : [status]
}
