import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { HtmlValidate } from 'html-validate'
import { interactiveEmail } from '@/test-support/interactive'
import { anyEmail, composed, house, longEmail } from '@/test-support/emails'
import { compile } from './index'

const src = (p: { id: string }) => `https://pictures.example/${p.id}.png`

// Two checkers from outside the project. Presentational attributes are wanted in email; everything else of
// the standard counts. Custom code is people's own: what is wrong in it is theirs.
let kept: string[] | undefined
const documents = (): string[] =>
  (kept ??= [
    ...fc.sample(anyEmail.map(composed), { numRuns: samples(300), seed: 11 }),
    ...fc.sample(interactiveEmail.map(composed), { numRuns: samples(120), seed: 12 }),
    longEmail(12),
  ].map((e, i) =>
    compile(e, house, {
      src,
      styles: i % 5 === 4 ? 'inline' : i % 50 === 0 ? 'head' : 'both',
      print: i % 7 === 0 ? 'compact' : 'readable',
    }),
  ))

test('html-validate finds no error (preset "standard", presentational attributes allowed)', async () => {
  const validator = new HtmlValidate({
    root: true,
    extends: ['html-validate:standard'],
    rules: { 'no-deprecated-attr': 'off', 'no-inline-style': 'off' },
  })
  for (const html of documents()) {
    const report = await validator.validateString(html)
    expect(
      report.results
        .flatMap((r) => r.messages)
        .filter((m) => m.severity === 2)
        .map((m) => `${m.ruleId}: ${m.message} (${m.line})`),
    ).toEqual([])
  }
})

const java = spawnSync('java', ['-version']).status === 0
;(java ? test : test.skip)(
  'the Nu HTML checker finds no error',
  () => {
    const folder = mkdtempSync(join(tmpdir(), 'nu-'))
    try {
      const jar = createRequire(import.meta.url)('vnu-jar') as string
      documents().forEach((html, i) => writeFileSync(join(folder, `${i}.html`), html))
      const run = spawnSync(
        'java',
        [
          '-Xss4m',
          '-XX:TieredStopAtLevel=1',
          '-XX:+UseSerialGC',
          '-jar',
          jar,
          '--errors-only',
          '--format',
          'json',
          folder,
        ],
        {
          encoding: 'utf8',
          maxBuffer: 1 << 28,
        },
      )
      const messages = (
        JSON.parse(run.stderr || '{"messages":[]}') as {
          messages: { type: string; message: string; extract?: string }[]
        }
      ).messages
      // Which heading follows which is the writer's; the check `heading-order` tells of it.
      expect(
        messages
          .filter((m) => m.type === 'error' && !/skipping \d heading level/.test(m.message))
          .map((m) => `${m.message} ${m.extract ?? ''}`),
      ).toEqual([])
    } finally {
      rmSync(folder, { recursive: true, force: true })
    }
  },
  120_000,
)
