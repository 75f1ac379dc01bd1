'use client'
import dynamic from 'next/dynamic'
import { useState } from 'react'
import type { EmailWork } from '../bench/email-work'
import { Button } from '../parts/controls'

const RecipientsDialog = dynamic(() => import('./recipients-dialog').then((m) => m.RecipientsDialog), {
  ssr: false,
})

/**
 * Whom the lenses show the email as: fields are filled with that recipient's values, and conditional bands shown
 * or left out.
 */
export function RecipientPick({ work }: { work: EmailWork }) {
  const [open, setOpen] = useState(false)
  const recipients = work.email.recipients ?? []
  return (
    <span className="mr-2 flex items-center gap-1">
      <select
        aria-label="Fields shown as"
        value={work.recipient ?? ''}
        className="max-w-36 border border-grout bg-sheet px-1 py-[2px] text-xs text-ink"
        onChange={(e) => work.setRecipient(e.target.value || null)}
      >
        <option value="">Fields: fallbacks</option>
        {recipients.map((r) => (
          <option key={r.name} value={r.name}>
            Fields: {r.name}
          </option>
        ))}
      </select>
      <Button look="plain" onClick={() => setOpen(true)}>
        Recipients
      </Button>
      {open && <RecipientsDialog work={work} onClose={() => setOpen(false)} />}
    </span>
  )
}
