'use client'
import { useState, type ReactNode } from 'react'
import { toast } from 'sonner'
import type { Routes } from '@/contract'
import type { AnswerOf } from '@/contract/route'
import { addressOf, ApiProblem, call, formOf } from '../api'
import { runTask } from '../tasks/run'
import type { BenchJob } from '../bench/types'
import { BoardChoice, type Board } from '../parts/boards'
import { Button, NumberField, Progress, Row } from '../parts/controls'
import { Dialog } from '../parts/dialog'
import type { CutWork } from './work/use-cut-work'

type Replaced = AnswerOf<Routes['PUT /api/jobs/:job/design']>

type Making = { done: number; total: number; stop: AbortController }
type Chosen = { file: File; role: 'wide' | 'narrow'; boards: Board[] }
type Attempt = (work: () => Promise<void>) => Promise<void>

/**
 * The design's file and the plan's: replaced by a new version, paired with a narrow one, its density
 * corrected; handed out as open files.
 */
export function FilesDialog({
  work: w,
  onJob,
  onClose,
}: {
  work: CutWork
  onJob: (j: BenchJob) => void
  onClose: () => void
}) {
  const { job } = w
  const params = { job: job.id }
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const [chosen, setChosen] = useState<{ file: File; role: 'wide' | 'narrow'; boards: Board[] } | null>(null)
  const [making, setMaking] = useState<{ done: number; total: number; stop: AbortController } | null>(null)
  const taken = ({ width, design, narrow, before }: Replaced['job']) =>
    onJob({ ...job, width, design, narrow, before })
  async function attempt(work: () => Promise<void>) {
    setBusy(true)
    setProblem(null)
    try {
      await work()
    } catch (e) {
      if ((e as Error).name !== 'AbortError')
        setProblem(e instanceof ApiProblem ? `${e.title}. ${e.detail}` : String(e))
    } finally {
      setBusy(false)
    }
  }
  const send = (file: File, role: 'wide' | 'narrow', board: number) =>
    attempt(async () => {
      await w.session.flush()
      const form = formOf({ design: file, role, board: String(board) })
      const a = await runTask('PUT /api/jobs/:job/design', { params: { job: job.id }, form })
      if (role === 'wide' && a.plan && a.revision) w.session.adopt('replace the design', a.plan, a.revision)
      taken(a.job)
      setChosen(null)
      if (role === 'wide')
        toast(
          `The design was replaced: ${a.kept} cuts fit as they were, ${a.moved} moved along, ${a.changed} changed.`,
          { duration: 8000 },
        )
      a.notes.forEach((n) => toast.warning(n, { duration: 9000 }))
    })
  const open = (file: File, role: 'wide' | 'narrow') =>
    attempt(async () => {
      const { boards } = await runTask('POST /api/designs', { form: formOf({ design: file }) })
      if (boards.length > 1) setChosen({ file, role, boards })
      else await send(file, role, 0)
    })
  const zip = () =>
    attempt(async () => {
      await w.session.flush()
      const stop = new AbortController()
      setMaking({ done: 0, total: w.pictures.length, stop })
      try {
        await runTask(
          'POST /api/jobs/:job/plan',
          { params },
          { onProgress: (p) => setMaking({ ...p, stop }), signal: stop.signal },
        )
        location.href = addressOf('GET /api/jobs/:job/plan', { params, query: { as: 'zip' } })
      } finally {
        setMaking(null)
      }
    })
  const accept = 'image/png,image/jpeg,image/webp,image/avif,image/svg+xml,application/pdf,.psd'
  const input = (label: string, role: 'wide' | 'narrow') => (
    <label className="cursor-pointer border border-grout bg-sheet px-2.5 py-1 focus-within:outline-2">
      {label}
      <input
        type="file"
        accept={accept}
        className="sr-only"
        disabled={busy}
        onChange={(e) => {
          const f = e.target.files?.[0]
          if (f) void open(f, role)
          e.target.value = ''
        }}
      />
    </label>
  )
  return (
    <Dialog open onClose={onClose} title="Design and plan as files" wide>
      <div className="grid grid-cols-2 gap-5 text-xs">
        <DesignFiles
          job={job}
          input={input}
          attempt={attempt}
          taken={taken}
          params={params}
          busy={busy}
          chosen={chosen}
          send={send}
        />
        <PlanFiles params={params} busy={busy} w={w} zip={zip} making={making} />
        {problem && (
          <p role="alert" className="col-span-2 border-l-4 border-terra pl-2">
            {problem}
          </p>
        )}
      </div>
    </Dialog>
  )
}

/** The plan as open files. */
function PlanFiles({
  params,
  busy,
  w,
  zip,
  making,
}: {
  params: { job: string }
  busy: boolean
  w: CutWork
  zip: () => Promise<void>
  making: Making | null
}) {
  return (
    <section className="flex flex-col items-start gap-2">
      <h3 className="text-[13px]">The cut plan</h3>
      <p className="text-soft">
        An open file (docs/formats.md): the plan as JSON, an image map of the cuts as SVG, or both with all
        crops in a ZIP.
      </p>
      <span className="flex flex-wrap gap-2">
        <a
          className="border border-grout bg-sheet px-2.5 py-1"
          href={addressOf('GET /api/jobs/:job/plan', { params })}
          download="cuts.json"
        >
          Plan as JSON
        </a>
        <a
          className="border border-grout bg-sheet px-2.5 py-1"
          href={addressOf('GET /api/jobs/:job/plan', { params, query: { as: 'svg' } })}
          download="cuts.svg"
        >
          Image map as SVG
        </a>
        <Button disabled={busy || !w.pictures.length} onClick={() => void zip()}>
          All crops as ZIP
        </Button>
      </span>
      {making && (
        <Progress
          what="Cutting the pictures"
          done={making.done}
          total={making.total}
          onCancel={() => making.stop.abort()}
        />
      )}
    </section>
  )
}

/** The design: a new version, its density, its narrow pair. */
function DesignFiles({
  job,
  input,
  attempt,
  taken,
  params,
  busy,
  chosen,
  send,
}: {
  job: BenchJob
  input: (label: string, role: 'wide' | 'narrow') => ReactNode
  attempt: Attempt
  taken: (job: Replaced['job']) => void
  params: { job: string }
  busy: boolean
  chosen: Chosen | null
  send: (file: File, role: 'wide' | 'narrow', board: number) => Promise<void>
}) {
  return (
    <section className="flex flex-col items-start gap-2">
      <h3 className="text-[13px]">The design</h3>
      <p className="text-soft">
        {job.design.name}, {job.design.width} x {job.design.height}. A new version keeps the cuts whose place
        still fits, takes those that moved along, and flags both the moved and the changed.
      </p>
      {input('Replace it by a new version…', 'wide')}
      <Row label="Email, px">
        <NumberField
          label="Width of the email, px"
          value={job.width}
          min={320}
          max={900}
          onChange={(width) =>
            void attempt(async () => taken(await call('PATCH /api/jobs/:job', { params, body: { width } })))
          }
        />
      </Row>
      <p className="font-mono text-soft">{Number(job.design.scale.toFixed(3))} design pixels for each px</p>
      <h3 className="mt-2 text-[13px]">Its narrow pair</h3>
      <p className="text-soft">
        {job.narrow
          ? `${job.narrow.name}, ${job.narrow.width} x ${job.narrow.height}: Compose shows it beside the narrow lens.`
          : 'A narrow design of the same email is compared with the narrow lens.'}
      </p>
      <NarrowPair input={input} job={job} busy={busy} attempt={attempt} taken={taken} params={params} />
      {chosen && (
        <BoardChoice boards={chosen.boards} onChosen={(i) => void send(chosen.file, chosen.role, i)} />
      )}
    </section>
  )
}

/** A narrow design of the same email, added or taken away. */
function NarrowPair({
  input,
  job,
  busy,
  attempt,
  taken,
  params,
}: {
  input: (label: string, role: 'wide' | 'narrow') => ReactNode
  job: BenchJob
  busy: boolean
  attempt: Attempt
  taken: (job: Replaced['job']) => void
  params: { job: string }
}) {
  return (
    <span className="flex gap-2">
      {input(job.narrow ? 'Another…' : 'Add the narrow design…', 'narrow')}
      {job.narrow && (
        <Button
          disabled={busy}
          onClick={() =>
            void attempt(async () => taken((await call('DELETE /api/jobs/:job/design', { params })).job))
          }
        >
          Take it away
        </Button>
      )}
    </span>
  )
}
