'use client'
import dynamic from 'next/dynamic'
import { useState } from 'react'
import type { Style } from '@/core/email/cascade'
import type { Edit } from '@/core/email/edits'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import type { BenchJob } from '../../bench/types'
import { Button, Choice, ColorField, Group, NumberField, Row, TextRow } from '../../parts/controls'
import { TextPart } from '../text-part'
import { WrittenGroup } from '../written/written-group'
import { MaybeColor, PictureChooser } from './parts'
import { LanguageRow } from './language'

const HouseStyleDialog = dynamic(() => import('../../house/house-dialog').then((m) => m.HouseStyleDialog), {
  ssr: false,
})

type Apply = (label: string, edit: Edit, merge?: string) => void
/** Sets values of the email, as one step of the undo history. */
type SetEmail = (label: string, what: Partial<Email>, merge?: string) => void

/** How the line looks in a list of messages: two lines on a phone, one where there is more room (common practice, no source). */
function InboxLines({ subject, preheader }: { subject: string; preheader: string }) {
  const line = 'truncate bg-white px-2 text-[#17191a] border-grout'
  return (
    <div
      aria-label="How it looks in a list"
      role="group"
      className="grid grid-cols-[48px_minmax(0,1fr)] gap-x-2 gap-y-1 text-[11px] text-soft"
    >
      <span>Phone</span>
      <div className="w-[300px] max-w-full border border-grout">
        <p className={`${line} pt-0.5 text-[15px] leading-tight font-semibold`}>{subject || 'No subject'}</p>
        <p className={`${line} pb-0.5 text-[13px] leading-tight`}>{preheader}</p>
      </div>
      <span>Wide</span>
      <p className={`${line} border text-[13px]`}>
        <b className="font-semibold">{subject || 'No subject'}</b> {preheader}
      </p>
    </div>
  )
}

/** The email's own values. */
export function EmailGroups({
  email,
  style,
  apply,
  job,
  setHouse,
  flush,
}: {
  setHouse: (house: HouseStyle) => void
  email: Email
  style: Style
  apply: (label: string, edit: Edit, merge?: string) => void
  job: BenchJob
  flush: () => Promise<void>
}) {
  const set = (label: string, what: Partial<Email>, merge?: string) =>
    apply(label, { name: 'setEmail', what }, merge)
  const { styles } = email
  const [open, setOpen] = useState(false)
  const link = style.roles.main.link
  return (
    <div
      className={
        email.way === 'bands'
          ? 'grid h-full grid-cols-[1.4fr_1fr_1fr_1.2fr]'
          : 'grid h-full grid-cols-[1.4fr_1fr_1.2fr]'
      }
    >
      <Group title="Inbox line">
        <TextRow
          plain
          label="Subject"
          value={email.subject}
          placeholder="At most about 50 characters"
          onChange={(v) => set('write the subject', { subject: v }, 'subject')}
        />
        <TextRow
          plain
          label="Preheader"
          value={email.preheader}
          placeholder="The line that follows the subject"
          onChange={(v) => set('write the preheader', { preheader: v }, 'preheader')}
        />
        <p className="font-mono text-[11px] text-soft">
          {[...email.subject].length} characters; a phone shows about 50
        </p>
        <InboxLines subject={email.subject} preheader={email.preheader} />
      </Group>
      <DocumentGroup email={email} set={set} job={job} apply={apply} />
      {email.way === 'bands' && (
        <GroundGroup
          email={email}
          style={style}
          styles={styles}
          set={set}
          link={link}
          setOpen={setOpen}
          job={job}
          open={open}
          setHouse={setHouse}
        />
      )}
      <WrittenGroup email={email} job={job} apply={apply} flush={flush} />
    </div>
  )
}

/** The picture or pattern behind the email, and how it lies. */
function BehindRow({ email: { behind }, set }: { email: Email; set: SetEmail }) {
  const fits = [
    { value: 'repeat' as const, label: 'tiled' },
    { value: 'cover' as const, label: 'fills' },
    { value: 'once' as const, label: 'once' },
  ]
  return (
    <Row label="Picture">
      <span className="flex flex-col gap-1">
        <PictureChooser
          label={behind ? 'Replace' : 'Choose a file'}
          onChosen={(picture) =>
            set('put a picture behind the email', {
              behind: { fit: 'repeat', x: 'center', y: 'top', ...behind, picture },
            })
          }
          onClear={behind && (() => set('take the picture off', { behind: undefined }))}
        />
        {behind && (
          <Choice
            label="How the picture behind lies"
            value={behind.fit}
            options={fits}
            onChange={(fit) => set('lay the picture behind', { behind: { ...behind, fit } })}
          />
        )}
      </span>
    </Row>
  )
}

/** What stands behind it, its links, and the house style it inherits from. */
function GroundGroup({
  email,
  style,
  styles,
  set,
  link,
  setOpen,
  job,
  open,
  setHouse,
}: {
  email: Email
  style: Style
  styles: Email['styles']
  set: SetEmail
  link: { color: string }
  setOpen: (open: boolean) => void
  job: BenchJob
  open: boolean
  setHouse: (house: HouseStyle) => void
}) {
  return (
    <Group title="Ground">
      <Row label="Behind">
        <ColorField
          label="Ground behind the email"
          value={style.ground}
          swatches={style.colors}
          own={styles.ground !== undefined}
          note="house"
          onClear={() => set('inherit the ground', { styles: { ...styles, ground: undefined } })}
          onChange={(v) => set('set the ground', { styles: { ...styles, ground: v } }, 'ground')}
        />
      </Row>
      <MaybeColor
        label="Night"
        name="Ground behind the email at night"
        value={styles.nightGround}
        fallback={style.nightGround ?? style.ground}
        swatches={style.colors}
        onChange={(nightGround) =>
          set('set the ground at night', { styles: { ...styles, nightGround } }, 'nground')
        }
      />
      <BehindRow email={email} set={set} />
      <Row label="Links">
        <ColorField
          label="Link colour"
          value={link.color}
          swatches={style.colors}
          own={styles.link?.color !== undefined}
          note="house"
          onClear={() => set('inherit the link colour', { styles: { ...styles, link: undefined } })}
          onChange={(color) =>
            set(
              'set the link colour',
              { styles: { ...styles, link: { ...styles.link, color } } },
              'linkcolor',
            )
          }
        />
      </Row>
      <Button onClick={() => setOpen(true)}>House style of {job.client.name}</Button>
      {open && <HouseStyleDialog job={job} onSaved={setHouse} onClose={() => setOpen(false)} />}
    </Group>
  )
}

/** Title, language and the plain-text part. */
function DocumentGroup({
  email,
  set,
  job,
  apply,
}: {
  email: Email
  set: SetEmail
  job: BenchJob
  apply: Apply
}) {
  return (
    <Group title="Document">
      <TextRow
        plain
        label="Title"
        value={email.title}
        onChange={(v) => set('set the title', { title: v }, 'title')}
      />
      <LanguageRow value={email.lang} onChange={(lang) => set('set the language', { lang }, 'lang')} />
      <Row label="Runs">
        <Choice
          label="Direction"
          value={email.dir}
          options={[
            { value: 'ltr', label: 'left to right' },
            { value: 'rtl', label: 'right to left' },
          ]}
          onChange={(dir) => set('set the direction', { dir })}
        />
      </Row>
      {email.way !== 'plain' && <TextPart email={email} job={job} apply={apply} />}
      {email.way === 'bands' ? (
        <Row label="Width">
          <span className="flex items-center gap-2 font-mono text-[11px] text-soft">
            <NumberField
              label="Width of the email, px"
              className="w-14"
              min={320}
              max={900}
              value={email.width}
              onChange={(width) => set('set the width', { width }, 'width')}
            />
            px
          </span>
        </Row>
      ) : (
        <p className="font-mono text-[11px] text-soft">
          {email.way === 'plain' ? '78 columns' : `${email.width} px wide`}
        </p>
      )}
    </Group>
  )
}
