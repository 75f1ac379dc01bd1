'use client'
import { useState } from 'react'
import { compileText } from '@/core/compile/text'
import type { Edit } from '@/core/email/edits'
import type { Email } from '@/core/email/schema'
import { asWritten } from '@/core/text/fields'
import type { BenchJob } from '../bench/types'
import { Button, Choice, fieldClass, Row } from '../parts/controls'
import { Dialog } from '../parts/dialog'

/** The plain-text part beside the HTML: made from it, or written by hand. */
export function TextPart({
  email,
  job,
  apply,
}: {
  email: Email
  job: BenchJob
  apply: (label: string, edit: Edit, merge?: string) => void
}) {
  const [open, setOpen] = useState(false)
  const made = () =>
    compileText({ ...email, text: undefined }, { fields: asWritten, house: job.client.house })
  const own = email.text !== undefined
  const set = (text: string | undefined, merge?: string) =>
    apply(
      text === undefined ? 'make the text part again' : 'write the text part',
      { name: 'setEmail', what: { text } },
      merge,
    )
  return (
    <>
      <Row label="Text part">
        <div className="flex gap-1">
          <Choice
            label="Plain-text part"
            value={own ? 'own' : 'made'}
            options={[
              { value: 'made', label: 'made' },
              { value: 'own', label: 'own' },
            ]}
            onChange={(v) => set(v === 'own' ? made() : undefined)}
          />
          <Button onClick={() => setOpen(true)}>{own ? 'Write' : 'Read'}</Button>
        </div>
      </Row>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title="The plain-text part"
        about={
          own
            ? 'Written by hand: it no longer follows the email. Choose "made" to have it follow again.'
            : 'Made from the email, and follows it. Choose "own" to write it by hand.'
        }
        wide
      >
        <textarea
          aria-label="Plain-text part"
          rows={20}
          readOnly={!own}
          className={fieldClass}
          value={own ? email.text : made()}
          onChange={(e) => set(e.target.value, 'textpart')}
        />
      </Dialog>
    </>
  )
}
