import { rawData } from 'caniemail'
import { HtmlValidate } from 'html-validate'
import { hintsOf, type Hint } from '@/core/readers/hints'
import type { SupportData } from '@/core/readers/support'

/** One thing that is wrong with code, or that some readers do not know. */
export interface CodeNote {
  of: 'html' | 'css'
  line: number
  col: number
  severity: 'ERROR' | 'WARNING'
  why: string
  message: string
}

/** Rules of HTML, as email has them: attributes and styles that pages gave up are wanted, and a fragment is no page. */
const rules = new HtmlValidate({
  root: true,
  extends: ['html-validate:standard', 'html-validate:a11y'],
  rules: {
    'no-deprecated-attr': 'off',
    'no-inline-style': 'off',
    'void-style': 'off',
    'element-required-attributes': 'off',
    'attribute-boolean-style': 'off',
    'no-implicit-button-type': 'off',
  },
})

const listed = (names: readonly string[]): string =>
  names.length > 4 ? `${names.slice(0, 4).join('; ')} and ${names.length - 4} more` : names.join('; ')

const hint = ({ title, readers, ...at }: Hint): CodeNote => ({
  ...at,
  severity: 'WARNING',
  why: `Not known to ${listed(readers)}.`,
  message: `${title}, by the open data on email support`,
})

/** What is wrong with code that a person wrote (html-validate), and what major readers do not know of it, line by line. */
export async function lintCode({ html, css }: { html: string; css: string }): Promise<CodeNote[]> {
  const report = await rules.validateString(html)
  const errors = report.results
    .flatMap((r) => r.messages)
    .map((m): CodeNote => ({
      of: 'html',
      line: m.line,
      col: m.column - 1,
      severity: m.severity === 2 ? 'ERROR' : 'WARNING',
      why: m.message,
      message: m.ruleId,
    }))
  return [...errors, ...hintsOf(html, css, rawData as unknown as SupportData).map(hint)]
}
