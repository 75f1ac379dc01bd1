'use client'
import { withScripts } from '@/core/interact/mends'
import type { EmailWork } from '../bench/email-work'
import { LensFrame } from '../bench/lens'
import { CodeField } from '../parts/code-field-later'
import type { Checked } from './use-amp'

/** More characters than this at once were pasted. */
const PASTED = 20

/** How many characters one change put in. */
function insertedIn(before: string, after: string): number {
  const most = Math.min(before.length, after.length)
  let head = 0
  while (head < most && before[head] === after[head]) head++
  let tail = 0
  while (tail < most - head && before[before.length - 1 - tail] === after[after.length - 1 - tail]) tail++
  return after.length - head - tail
}

/** The AMP part written by hand, with what the validator says at its line. Script lines come as soon as a part is used. */
export function AmpByHand({
  work,
  checked,
  line,
}: {
  work: EmailWork
  checked: Checked | null
  /** The line that is looked for; a new object goes there anew. */
  line: { line: number } | null
}) {
  const html = work.email.amp?.html ?? ''
  const write = (next: string) => {
    // What was pasted at once brings its script lines; what is typed is left as it is.
    const pasted = insertedIn(html, next) > PASTED
    work.apply(
      'write the AMP part',
      { name: 'setEmail', what: { amp: { way: 'hand', html: pasted ? withScripts(next) : next } } },
      pasted ? undefined : 'amp',
    )
  }
  return (
    <LensFrame name="Source" detail={`${html.length} characters`}>
      <div className="min-h-0 flex-1 overflow-hidden bg-sheet">
        <CodeField
          bare
          label="AMP of the email"
          language="html"
          value={html}
          height="calc(100dvh - 330px)"
          notes={checked?.messages ?? []}
          goTo={line}
          onChange={write}
        />
      </div>
    </LensFrame>
  )
}
