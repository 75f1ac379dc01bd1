'use client'
import { MOST_AMP, MOST_STYLES, type AmpPart } from '@/core/interact/amp'
import { pictureAddress } from '@/core/interact/addresses'
import { cx } from '../parts/controls'
import type { Checked } from './use-amp'

interface Step {
  what: string
  /** Null: nobody can tell from here. */
  done: boolean | null
  why: string
}

/** What has to be so before a reader shows the AMP part: what can be told from here, and what only the sender knows. */
function stepsOf(part: AmpPart, checked: Checked | null, domain: string, texts: { html: boolean }): Step[] {
  const bytes = new TextEncoder().encode(part.html).length
  return [
    {
      what: 'Valid',
      done: checked ? checked.pass : null,
      why: 'Readers show the HTML part where the AMP part has an error.',
    },
    {
      what: 'Within its bounds',
      done: part.styles <= MOST_STYLES && bytes <= MOST_AMP,
      why: 'Styles under 75,000 bytes, the whole under 200,000.',
    },
    {
      what: 'Text and HTML beside it',
      done: texts.html,
      why: 'The message carries all three; the text part is always there.',
    },
    {
      what: 'Pictures on the web',
      done: !part.html.includes(pictureAddress('')),
      why: 'Here they stand at a stand-in’s address. A platform that hosts them puts its own.',
    },
    {
      what: `SPF, DKIM and DMARC of ${domain}`,
      done: null,
      why: 'All three have to pass for the domain of the sender (RFC 7208, 6376, 7489). Ask whoever keeps its DNS.',
    },
    {
      what: 'Sender registered',
      done: null,
      why: 'Each provider that shows AMP wants senders registered, with a real example sent to it.',
    },
  ]
}

const signs = { true: '\u2713', false: '\u2717', null: '?' } as const

/** The checklist before sending. */
export function Senders({
  part,
  checked,
  sender,
  html,
}: {
  part: AmpPart
  checked: Checked | null
  sender: string
  /** Whether an HTML part leaves beside it. */
  html: boolean
}) {
  const steps = stepsOf(part, checked, sender.split('@')[1] || 'the sender', { html })
  return (
    <section
      aria-label="Before it is sent"
      className="flex flex-col gap-1.5 border-t border-grout p-3 text-xs"
    >
      <h2 className="text-[13px]">Before it is sent</h2>
      <ul className="flex flex-col gap-1.5">
        {steps.map(({ what, done, why }) => (
          <li key={what} className="grid grid-cols-[14px_minmax(0,1fr)] gap-x-1">
            <span
              className={cx('font-mono', done === false && 'text-terra', done === true && 'text-verdigris')}
              aria-label={done === null ? 'not known from here' : done ? 'done' : 'to do'}
              role="img"
            >
              {signs[String(done) as keyof typeof signs]}
            </span>
            <span>
              {what}
              <span className="block text-[11px] leading-snug text-soft">{why}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
