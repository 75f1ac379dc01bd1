'use client'
import { useDeferredValue, useMemo } from 'react'
import { compileText } from '@/core/compile/text'
import { asSample } from '@/core/text/fields'
import type { EmailWork } from '../../bench/email-work'
import { LensFrame } from '../../bench/lens'

/** The plain-text part as it is sent beside the HTML. */
export default function TextLens({ work }: { work: EmailWork }) {
  const email = useDeferredValue(work.email)
  const { house } = work.job.client
  const text = useMemo(
    () => compileText(email, { house, fields: asSample({ unsubscribe: '#' }) }),
    [email, house],
  )
  return (
    <LensFrame name="Text" detail={email.text === undefined ? 'made from the email' : 'written by hand'}>
      <pre
        className="min-h-0 flex-1 overflow-auto bg-white p-4 font-mono text-[12px] leading-snug whitespace-pre-wrap text-[#17191a]"
        tabIndex={0}
        role="region"
        aria-label="The plain-text part"
      >
        {text}
      </pre>
    </LensFrame>
  )
}
