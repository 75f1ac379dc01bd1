import { useEffect, useMemo, useRef } from 'react'
import { SUBJECT_LENGTH } from '@/core/checks/subject'
import type { NamedPicture } from '@/core/handover/names'
import type { EmailWork } from '../bench/email-work'
import { Button, Choice, cx, Group, kb, Row, TextRow } from '../parts/controls'
import { LookLink, type destinations, type Given } from './destinations'

/** Subject and preheader, as an inbox shows them. @param focus which of them is to be written now */
export function InboxLine({ work, focus }: { work: EmailWork; focus: 'subject' | 'preheader' | null }) {
  const { email } = work
  const fields = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (focus) fields.current?.querySelector<HTMLInputElement>(`#hand-${focus}`)?.focus()
  }, [focus])
  const length = [...email.subject].length
  const set = (what: { subject?: string; preheader?: string }, merge: string) =>
    work.apply(`write the ${merge}`, { name: 'setEmail', what }, merge)
  return (
    <Group title="Inbox line">
      <div ref={fields} className="flex flex-col gap-1.5">
        <TextRow
          plain
          id="hand-subject"
          label="Subject"
          value={email.subject}
          placeholder={`At most about ${SUBJECT_LENGTH} characters`}
          onChange={(subject) => set({ subject }, 'subject')}
        />
        <TextRow
          plain
          id="hand-preheader"
          label="Preheader"
          value={email.preheader}
          placeholder="The line that follows the subject"
          onChange={(preheader) => set({ preheader }, 'preheader')}
        />
      </div>
      <div aria-hidden className="mt-1 border border-grout bg-sheet px-2 py-1.5 leading-tight">
        <b className="block truncate text-[12.5px]">{email.subject || 'No subject'}</b>
        <span className="block truncate text-[11.5px] text-soft">
          {email.preheader || 'No preheader: the first words of the email stand here'}
        </span>
      </div>
      <p className={cx('font-mono text-[11px]', length > SUBJECT_LENGTH ? 'text-ochre' : 'text-soft')}>
        {length} of about {SUBJECT_LENGTH} characters
      </p>
    </Group>
  )
}

/** What the chosen destination needs, and the button that sends it off. */
export function GoForm({
  destination,
  given,
  onGive,
  pictures,
  behind,
  problem,
  busy,
  onGo,
}: {
  destination: (typeof destinations)[number]
  given: Given
  onGive: (given: Partial<Given>) => void
  pictures: readonly NamedPicture[]
  behind: boolean
  problem: { title: string; detail: string } | null
  busy: boolean
  onGo: () => void
}) {
  return (
    <Group title={destination.label}>
      <form
        onSubmit={(e) => {
          e.preventDefault()
          onGo()
        }}
        className="flex flex-col gap-2"
      >
        <destination.Form given={given} onGive={onGive} pictures={pictures} behind={behind} />
        {problem && (
          <p role="alert" className="border-l-4 border-terra bg-sheet px-2 py-1 text-[12px] leading-snug">
            <b>{problem.title}.</b> {problem.detail}
          </p>
        )}
        <span className="flex items-center gap-3">
          <Button look="main" type="submit" disabled={busy}>
            {destination.action}
          </Button>
          <LookLink look={destination.look} />
        </span>
      </form>
    </Group>
  )
}

/** What the email weighs, part by part. @param left findings that are to be mended */
export function WeightGroup({
  work,
  text,
  pictures,
  left,
}: {
  work: EmailWork
  text: string
  pictures: readonly NamedPicture[]
  left: number
}) {
  const bytes = useMemo(() => new TextEncoder().encode(text).length, [text])
  const pictureBytes = pictures.reduce((sum, n) => sum + n.picture.bytes, 0)
  return (
    <Group title="Weight">
      <dl className="grid grid-cols-[70px_1fr] gap-y-1 font-mono text-[11.5px]">
        <dt className="font-sans text-soft">HTML</dt>
        <dd>{kb(work.bytes)}</dd>
        <dt className="font-sans text-soft">Pictures</dt>
        <dd>
          {pictures.length}, {kb(pictureBytes)}
        </dd>
        <dt className="font-sans text-soft">Text</dt>
        <dd>{kb(bytes)}</dd>
        <dt className="font-sans text-soft">To mend</dt>
        <dd className={left ? 'text-terra' : 'text-verdigris'}>{left || 'nothing'}</dd>
      </dl>
      {work.email.way === 'bands' && (
        <Row label="HTML set">
          <Choice
            label="How the HTML is set"
            value={work.email.readable ? 'readable' : 'compact'}
            options={[
              { value: 'compact', label: 'compact', name: 'In few bytes' },
              { value: 'readable', label: 'readable', name: 'Indented, for people to read on' },
            ]}
            onChange={(v) =>
              work.apply(`set the HTML ${v}`, {
                name: 'setEmail',
                what: { readable: v === 'readable' || undefined },
              })
            }
          />
        </Row>
      )}
    </Group>
  )
}
