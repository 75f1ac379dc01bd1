'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { call } from '../api'
import { AmpLens } from '../interact/amp-lens'
import { Button, Choice } from '../parts/controls'
import { toast } from '../parts/toast'

/** How the inbox shows a message with an AMP part: the part itself where a real reader would, else why not. */
export function DynamicMail({
  sender,
  on,
  why,
  amp,
  message,
  days,
}: {
  sender: string
  /** Whether dynamic mail is switched on for this sender. */
  on: boolean
  /** Why the HTML part is shown; empty where the AMP part is. */
  why: readonly string[]
  amp: string
  message: string
  /** How many days after it was sent it is looked at. */
  days: number
}) {
  const router = useRouter()
  const [said, setSaid] = useState<readonly string[]>([])
  const turn = () =>
    void call('PUT /api/standins/inbox/dynamic', { body: { sender, on: !on } }).then(
      () => router.refresh(),
      (e: Error) => toast.error(e.message),
    )
  return (
    <section aria-label="Dynamic mail" className="flex min-h-0 flex-col bg-paper text-[12.5px]">
      <div className="flex flex-wrap items-center gap-3 border-b border-grout px-3 py-1.5">
        <b className="font-semibold">{why.length ? 'The HTML part is shown' : 'The AMP part is shown'}</b>
        <Button aria-pressed={on} onClick={turn}>
          Dynamic mail from {sender}: {on ? 'on' : 'off'}
        </Button>
        <span className="w-52">
          <Choice
            label="When it is opened"
            value={days > 31 ? '32' : '0'}
            options={[
              { value: '0', label: 'opened now' },
              { value: '32', label: 'in 32 days' },
            ]}
            onChange={(d) => router.push(`/standins/inbox?message=${message}&days=${d}`)}
          />
        </span>
      </div>
      {why.length ? (
        <ul className="list-disc px-7 py-2 text-[12px]">
          {why.map((w) => (
            <li key={w}>{w}</li>
          ))}
        </ul>
      ) : (
        <div className="grid h-[62vh] grid-cols-[minmax(0,1fr)_260px]">
          <AmpLens
            name="Interactive"
            html={amp}
            width={700}
            asking={{ sender, version: 2 }}
            onSaid={(s) => setSaid((all) => [s, ...all].slice(0, 20))}
            onAnswered={() => undefined}
          />
          <ol aria-live="polite" aria-label="What happened" className="overflow-y-auto p-2 text-[11.5px]">
            {said.map((s, i) => (
              <li key={said.length - i} className="mb-1 break-words">
                {s}
              </li>
            ))}
          </ol>
        </div>
      )}
    </section>
  )
}
