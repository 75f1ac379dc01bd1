'use client'
import { useState } from 'react'
import { call } from '../api'
import { Button, fieldClass } from '../parts/controls'

interface Props {
  job: { id: string; name: string }
  kind: 'email' | 'cuts'
  /** Why it cannot be read. */
  why: string
  revision: number
  /** The document as it is stored, as JSON. */
  source: string
  versions: { id: string; name: string; at: string }[]
}

/**
 * A job whose document cannot be read: it is shown as such, and can be taken back to a version or mended. What is
 * saved over it goes the same way as ever, so nothing is written over that was saved meanwhile.
 */
export function BrokenDocument({ job, kind, why, revision, source, versions }: Props) {
  const [problem, setProblem] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const params = { job: job.id }
  const what = kind === 'email' ? 'email' : 'cut plan'

  async function attempt(work: () => Promise<unknown>) {
    setBusy(true)
    setProblem(null)
    try {
      await work()
      location.reload()
    } catch (error) {
      setProblem((error as Error).message)
      setBusy(false)
    }
  }
  const save = (doc: unknown) =>
    kind === 'email'
      ? call('PUT /api/jobs/:job/email', { params, body: { revision, email: doc as never } })
      : call('PUT /api/jobs/:job/cuts', { params, body: { revision, plan: doc as never } })
  const takeBack = async (version: string) => {
    const { email } = await call('GET /api/jobs/:job/versions/:version', { params: { ...params, version } })
    await save(email)
  }
  return (
    <main className="mx-auto max-w-3xl p-8">
      <p className="text-soft">
        <a href="/" className="underline">
          Back to the wall
        </a>
      </p>
      <h1 className="mt-3 text-2xl">
        The {what} of {job.name} cannot be read
      </h1>
      <p className="mt-2">{why}</p>
      <p className="mt-1 text-soft">Revision {revision} is kept as it is. No other job is touched by it.</p>
      {problem && (
        <p role="alert" className="mt-3 text-terra">
          {problem}
        </p>
      )}
      {versions.length > 0 && (
        <Versions versions={versions} busy={busy} onBack={(id) => void attempt(() => takeBack(id))} />
      )}
      <Mending
        source={source}
        revision={revision}
        busy={busy}
        onSave={(text) => void attempt(() => save(JSON.parse(text)))}
      />
    </main>
  )
}

/** The versions that it can be taken back to. */
function Versions({
  versions,
  busy,
  onBack,
}: {
  versions: Props['versions']
  busy: boolean
  onBack: (id: string) => void
}) {
  return (
    <section aria-labelledby="versions" className="mt-6">
      <h2 id="versions" className="text-lg">
        Take it back to a version
      </h2>
      <ul className="mt-2">
        {versions.map((v) => (
          <li key={v.id} className="flex items-center gap-3 border-b border-grout py-1.5">
            <b className="font-semibold">{v.name}</b>
            <span className="font-mono text-[11.5px] text-soft">
              {new Date(v.at).toLocaleString('en-GB')}
            </span>
            <Button className="ml-auto" disabled={busy} onClick={() => onBack(v.id)}>
              Take it back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** The document as it is stored, to be mended by hand. */
function Mending({
  source,
  revision,
  busy,
  onSave,
}: {
  source: string
  revision: number
  busy: boolean
  onSave: (text: string) => void
}) {
  const [text, setText] = useState(source)
  return (
    <section aria-labelledby="source" className="mt-6">
      <h2 id="source" className="text-lg">
        Or mend it
      </h2>
      <p className="mt-1 text-soft">This is the document as it is stored. docs/formats.md describes it.</p>
      <textarea
        aria-labelledby="source"
        spellCheck={false}
        rows={16}
        className={`${fieldClass} mt-2 w-full font-mono text-[11.5px]`}
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <Button look="main" className="mt-2" disabled={busy} onClick={() => onSave(text)}>
        Save it as revision {revision + 1}
      </Button>
    </section>
  )
}
