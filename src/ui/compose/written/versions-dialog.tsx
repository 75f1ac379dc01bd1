'use client'
import { useCallback, useEffect, useState } from 'react'
import type { Email } from '@/core/email/schema'
import type { Routes } from '@/contract'
import type { AnswerOf } from '@/contract/route'
import { call } from '../../api'
import type { BenchJob } from '../../bench/types'
import { Button, fieldClass } from '../../parts/controls'
import { Dialog } from '../../parts/dialog'
import { Miniature } from '../../starters/miniature'

type Version = AnswerOf<Routes['GET /api/jobs/:job/versions']>['versions'][number]

/** What was kept of the email: keeping it as it is now, and bringing one back. */
export function VersionsDialog({
  job,
  email,
  onClose,
  keep,
  onBack,
}: {
  job: BenchJob
  /** As it is now. */
  email: Email
  onClose: () => void
  keep: (name: string) => Promise<void>
  onBack: (email: Email, name: string) => void
}) {
  const [list, setList] = useState<Version[] | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [compared, setCompared] = useState<{ email: Email; name: string } | null>(null)
  const fail = (e: Error) => setProblem(e.message)
  const get = (v: Version) =>
    call('GET /api/jobs/:job/versions/:version', { params: { job: job.id, version: v.id } })
  const load = useCallback(
    () =>
      call('GET /api/jobs/:job/versions', { params: { job: job.id } }).then(
        (r) => setList(r.versions),
        (e: Error) => setProblem(e.message),
      ),
    [job.id],
  )
  useEffect(() => void load(), [load])
  return (
    <Dialog
      open
      onClose={onClose}
      title="Versions of this email"
      about="Bringing one back is a step like any other: undo takes it back again."
    >
      <Keeping onKeep={(name) => void keep(name).then(load, fail)} />
      {problem && (
        <p role="alert" className="text-terra">
          {problem}
        </p>
      )}
      {list?.length === 0 && <p className="text-soft">Nothing has been kept yet.</p>}
      <ul>
        {list?.map((v) => (
          <Kept
            key={v.id}
            version={v}
            onBack={() => void get(v).then((r) => onBack(r.email, v.name), fail)}
            onCompare={() => void get(v).then((r) => setCompared({ email: r.email, name: v.name }), fail)}
          />
        ))}
      </ul>
      {compared && (
        <Compared
          job={job}
          now={email}
          then={compared.email}
          name={compared.name}
          onClose={() => setCompared(null)}
        />
      )}
    </Dialog>
  )
}

/** What differs between a version and the email as it is now, by band. */
function differences(then: Email, now: Email): string[] {
  const [before, after] = [then, now].map((e) => new Map(e.bands.map((b) => [b.id, b])))
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)
  return [
    ...(then.subject !== now.subject ? ['the subject'] : []),
    ...(then.preheader !== now.preheader ? ['the preheader'] : []),
    ...now.bands.filter((b) => !before!.has(b.id)).map((b) => `${b.name} came`),
    ...then.bands.filter((b) => !after!.has(b.id)).map((b) => `${b.name} went`),
    ...now.bands
      .filter((b) => before!.has(b.id) && !same(before!.get(b.id), b))
      .map((b) => `${b.name} changed`),
  ]
}

/** A version beside the email as it is now. */
function Compared({
  job,
  then,
  now,
  name,
  onClose,
}: {
  job: BenchJob
  then: Email
  now: Email
  name: string
  onClose: () => void
}) {
  const differs = differences(then, now)
  const sides = [
    { title: name, email: then },
    { title: 'As it is now', email: now },
  ]
  return (
    <Dialog
      open
      onClose={onClose}
      title={`"${name}" and the email as it is now`}
      about={differs.length ? `Different: ${differs.join(', ')}.` : 'Both are the same.'}
      widest
    >
      <div
        className="grid max-h-[56vh] grid-cols-2 gap-4 overflow-auto"
        tabIndex={0}
        role="region"
        aria-label="Both"
      >
        {sides.map(({ title, email }) => (
          <figure key={title}>
            <figcaption className="mb-1 text-xs text-soft">{title}</figcaption>
            <Miniature
              bands={email.bands}
              house={job.client.house}
              emailWidth={email.width}
              width={500}
              tallest={4000}
            />
          </figure>
        ))}
      </div>
    </Dialog>
  )
}

/** Keeps the email as it is now, under a name. */
function Keeping({ onKeep }: { onKeep: (name: string) => void }) {
  const [name, setName] = useState('')
  return (
    <form
      className="mb-3 flex gap-2"
      onSubmit={(e) => {
        e.preventDefault()
        onKeep(name.trim() || 'Kept')
        setName('')
      }}
    >
      <input
        aria-label="Name of the version"
        className={fieldClass}
        placeholder="Name, such as: sent to the client"
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      <Button type="submit" look="main">
        Keep the email as it is now
      </Button>
    </form>
  )
}

/** One version that was kept. */
function Kept({
  version,
  onBack,
  onCompare,
}: {
  version: Version
  onBack: () => void
  onCompare: () => void
}) {
  return (
    <li className="flex items-center gap-2 border-t border-grout py-1.5">
      <span className="min-w-0 flex-1 truncate">{version.name}</span>
      <time className="font-mono text-[11px] text-soft" dateTime={version.at}>
        {new Date(version.at).toLocaleString('en-GB', { dateStyle: 'short', timeStyle: 'short' })}
      </time>
      <Button onClick={onCompare}>Compare</Button>
      <Button onClick={onBack}>Bring back</Button>
    </li>
  )
}
