'use client'
import { useCallback, useEffect, useState } from 'react'
import type { Email } from '@/core/email/schema'
import type { Routes } from '@/contract'
import type { AnswerOf } from '@/contract/route'
import { call } from '../../api'
import type { BenchJob } from '../../bench/types'
import { Button, fieldClass } from '../../parts/controls'
import { Dialog } from '../../parts/dialog'
import { useChosenVersion } from '../lenses/chosen-version'

type Version = AnswerOf<Routes['GET /api/jobs/:job/versions']>['versions'][number]

/** What was kept of the email: keeping it as it is now, and bringing one back. */
export function VersionsDialog({
  job,
  onClose,
  keep,
  onBack,
}: {
  job: BenchJob
  onClose: () => void
  keep: (name: string) => Promise<void>
  onBack: (email: Email, name: string) => void
}) {
  const [list, setList] = useState<Version[] | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const { show } = useChosenVersion()
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
            onCompare={() => {
              show(job.id, v.id)
              onClose()
            }}
          />
        ))}
      </ul>
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
