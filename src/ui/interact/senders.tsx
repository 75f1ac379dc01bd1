'use client'
import { MOST_AMP, MOST_STYLES, type AmpPart } from '@/core/interact/amp'
import { pictureAddress } from '@/core/interact/addresses'
import { useEffect, useState } from 'react'
import { Tick } from '../compose/groups/parts'
import { cx } from '../parts/controls'
import type { Checked } from './use-amp'

interface Step {
  what: string
  /** What it is remembered by, where only the sender knows. */
  asked?: 'domain' | 'registered'
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
      asked: 'domain',
      done: null,
      why: 'All three have to pass for the domain of the sender (RFC 7208, 6376, 7489). Ask whoever keeps its DNS.',
    },
    {
      what: 'Sender registered',
      asked: 'registered',
      done: null,
      why: 'Each provider that shows AMP wants senders registered, with a real example sent to it.',
    },
  ]
}

const STORED = 'mosaicus:sender:'

function remembered(domain: string): string {
  try {
    return localStorage.getItem(STORED + domain) ?? ''
  } catch {
    return ''
  }
}

/** What was told of a sender, remembered in this browser: nothing here can find it out. */
function useTold(domain: string): [ReadonlySet<string>, (what: string, so: boolean) => void] {
  const [told, setTold] = useState<ReadonlySet<string>>(new Set())
  useEffect(() => {
    setTold(new Set(remembered(domain).split(' ').filter(Boolean)))
  }, [domain])
  const tell = (what: string, so: boolean) => {
    const next = new Set(told)
    if (so) next.add(what)
    else next.delete(what)
    setTold(next)
    try {
      localStorage.setItem(STORED + domain, [...next].join(' '))
    } catch {
      // Full: it is told until the page is left.
    }
  }
  return [told, tell]
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
  const domain = sender.split('@')[1] || 'the sender'
  const [told, tell] = useTold(domain)
  const steps = stepsOf(part, checked, domain, { html }).map((step) =>
    step.asked && told.has(step.asked) ? { ...step, done: true } : step,
  )
  return (
    <section
      aria-label="Before it is sent"
      className="flex flex-col gap-1.5 border-t border-grout p-3 text-xs"
    >
      <h2 className="text-[13px]">Before it is sent</h2>
      <ul className="flex flex-col gap-1.5">
        {steps.map(({ what, asked, done, why }) => (
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
              {asked && (
                <Tick checked={told.has(asked)} onChange={(so) => tell(asked, so)}>
                  It is so<span className="sr-only">: {what}</span>
                </Tick>
              )}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
