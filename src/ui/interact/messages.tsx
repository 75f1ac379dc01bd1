'use client'
import type { AmpPart } from '@/core/interact/amp'
import { MOST_AMP, MOST_STYLES } from '@/core/interact/amp'
import { mends, type Mend } from '@/core/interact/mends'
import { Button, cx, kb } from '../parts/controls'
import type { Checked } from './use-amp'

const bytesOf = (s: string) => new TextEncoder().encode(s).length

/** What the official validator says of the AMP part, how large it is, and what it could not say. */
export function Messages({
  part,
  checked,
  problem,
  onMend,
  onLine,
}: {
  part: AmpPart | null
  checked: Checked | null
  problem: string | null
  /** Mends a text that is written by hand. */
  onMend?: (mend: Mend, of?: string) => void
  onLine?: (line: number) => void
}) {
  const errors = checked?.messages.filter((m) => m.severity === 'ERROR') ?? []
  return (
    <section aria-label="The validator" className="flex flex-col gap-2 border-b border-grout p-3 text-xs">
      <h2 className="text-[13px]">AMP part</h2>
      <p
        role="status"
        className={cx('font-semibold', checked && (errors.length ? 'text-terra' : 'text-verdigris'))}
      >
        {problem ??
          (!part || !checked
            ? 'Looking at it…'
            : errors.length
              ? `${errors.length} to mend`
              : 'Passes the official validator')}
      </p>
      {part && (
        <dl className="grid grid-cols-[auto_1fr] gap-x-3 font-mono text-[11px] text-soft">
          <dt>Styles</dt>
          <dd className={cx(part.styles > MOST_STYLES && 'text-terra')}>
            {kb(part.styles)} of {kb(MOST_STYLES)}
          </dd>
          <dt>Whole</dt>
          <dd className={cx(bytesOf(part.html) > MOST_AMP && 'text-terra')}>
            {kb(bytesOf(part.html))} of {kb(MOST_AMP)}
          </dd>
          <dt>Uses</dt>
          <dd>{part.components.join(', ') || 'no component'}</dd>
        </dl>
      )}
      <ol className="flex flex-col gap-2">
        {checked?.messages.map((m, i) => (
          <MessageItem key={i} m={m} {...{ onMend, onLine }} />
        ))}
      </ol>
      {!!part?.left.length && (
        <>
          <h3 className="text-[12px]">Not said in AMP</h3>
          <ul className="list-disc pl-4 text-soft">
            {part.left.map((l) => (
              <li key={l} className="break-words">
                {l}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}

type Message = Checked['messages'][number]

/** One message: where, why in plain words, as the validator says it, and what mends it. */
function MessageItem({
  m,
  onMend,
  onLine,
}: {
  m: Message
  onMend: ((mend: Mend, of?: string) => void) | undefined
  onLine: ((line: number) => void) | undefined
}) {
  const where = `Line ${m.line}`
  return (
    <li className="border-l-[3px] border-terra pl-2">
      <p>
        {onLine ? (
          <button type="button" className="underline underline-offset-2" onClick={() => onLine(m.line)}>
            {where}
          </button>
        ) : (
          where
        )}
        : {m.why}
      </p>
      <p className="font-mono text-[10.5px] break-words text-soft">{m.message}</p>
      {m.mend && onMend && (
        <Button className="mt-1" onClick={() => onMend(m.mend as Mend, m.of)}>
          {mends[m.mend as Mend]}
        </Button>
      )}
    </li>
  )
}
