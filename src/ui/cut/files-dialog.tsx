'use client'
import { useState } from 'react'
import { toast } from '../parts/toast'
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

type Role = 'wide' | 'narrow'
type Making = { done: number; total: number; stop: AbortController }
type Chosen = { file: File; role: Role; boards: Board[] }

/** What is done with the design's file and the plan's, and how far it is. */
function useFiles(w: CutWork, onJob: (j: BenchJob) => void) {
  const { job } = w
  const params = { job: job.id }
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const [chosen, setChosen] = useState<Chosen | null>(null)
  const [making, setMaking] = useState<Making | null>(null)
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
  const send = (file: File, role: Role, board: number) =>
    attempt(async () => {
      await w.session.flush()
      const form = formOf({ design: file, role, board: String(board) })
      const a = await runTask('PUT /api/jobs/:job/design', { params, form })
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
  const open = (file: File, role: Role) =>
    attempt(async () => {
      const { boards } = await runTask('POST /api/designs', { form: formOf({ design: file }) })
      if (boards.length > 1) setChosen({ file, role, boards })
      else await send(file, role, 0)
    })
  const setWidth = (width: number) =>
    attempt(async () => taken(await call('PATCH /api/jobs/:job', { params, body: { width } })))
  const unpair = () =>
    attempt(async () => taken((await call('DELETE /api/jobs/:job/design', { params })).job))
  const zip = () => attempt(() => allCrops(w, setMaking))
  return { job, params, busy, problem, chosen, making, send, open, setWidth, unpair, zip }
}
type Files = ReturnType<typeof useFiles>

/** Cuts all pictures, then lets the browser fetch them in a ZIP. */
async function allCrops(
  { job, session, pictures }: CutWork,
  tell: (m: Making | null) => void,
): Promise<void> {
  const params = { job: job.id }
  await session.flush()
  const stop = new AbortController()
  tell({ done: 0, total: pictures.length, stop })
  try {
    await runTask(
      'POST /api/jobs/:job/plan',
      { params },
      { onProgress: (p) => tell({ ...p, stop }), signal: stop.signal },
    )
    location.href = addressOf('GET /api/jobs/:job/plan', { params, query: { as: 'zip' } })
  } finally {
    tell(null)
  }
}

/**
 * The design's file and the plan's: replaced by a new version, paired with a narrow one, its density
 * corrected; handed out as open files.
 */
export function FilesDialog({
  work,
  onJob,
  onClose,
}: {
  work: CutWork
  onJob: (j: BenchJob) => void
  onClose: () => void
}) {
  const files = useFiles(work, onJob)
  return (
    <Dialog open onClose={onClose} title="Design and plan as files" wide>
      <div className="grid grid-cols-2 gap-5 text-xs">
        <DesignFiles files={files} />
        <PlanFiles files={files} pictures={work.pictures.length} />
        {files.problem && (
          <p role="alert" className="col-span-2 border-l-4 border-terra pl-2">
            {files.problem}
          </p>
        )}
      </div>
    </Dialog>
  )
}

function DesignInput({ label, of, files: { busy, open } }: { label: string; of: Role; files: Files }) {
  return (
    <label className="cursor-pointer border border-grout bg-sheet px-2.5 py-1 focus-within:outline-2">
      {label}
      <input
        type="file"
        accept="image/png,image/jpeg,image/webp,image/avif,image/svg+xml,application/pdf,.psd"
        className="sr-only"
        disabled={busy}
        onChange={(e) => {
          const f = e.target.files?.[0]
          if (f) void open(f, of)
          e.target.value = ''
        }}
      />
    </label>
  )
}

/** The plan as open files. */
function PlanFiles({
  files: { params, busy, zip, making },
  pictures,
}: {
  files: Files
  /** How many pictures there are. */
  pictures: number
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
        <Button disabled={busy || !pictures} onClick={() => void zip()}>
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
function DesignFiles({ files }: { files: Files }) {
  const { job, setWidth, chosen, send } = files
  return (
    <section className="flex flex-col items-start gap-2">
      <h3 className="text-[13px]">The design</h3>
      <p className="text-soft">
        {job.design.name}, {job.design.width} x {job.design.height}. A new version keeps the cuts whose place
        still fits, takes those that moved along, and flags both the moved and the changed.
      </p>
      <DesignInput label="Replace it by a new version…" of="wide" files={files} />
      <Row label="Email, px">
        <NumberField
          label="Width of the email, px"
          value={job.width}
          min={320}
          max={900}
          onChange={(width) => void setWidth(width)}
        />
      </Row>
      <p className="font-mono text-soft">{Number(job.design.scale.toFixed(3))} design pixels for each px</p>
      <h3 className="mt-2 text-[13px]">Its narrow pair</h3>
      <p className="text-soft">
        {job.narrow
          ? `${job.narrow.name}, ${job.narrow.width} x ${job.narrow.height}: Compose shows it beside the narrow lens.`
          : 'A narrow design of the same email: what is built after it is paired follows it on phones, and Compose shows it beside the narrow lens.'}
      </p>
      <NarrowPair files={files} />
      {chosen && (
        <BoardChoice boards={chosen.boards} onChosen={(i) => void send(chosen.file, chosen.role, i)} />
      )}
    </section>
  )
}

/** A narrow design of the same email, added or taken away. */
function NarrowPair({ files }: { files: Files }) {
  const { job, busy, unpair } = files
  return (
    <span className="flex gap-2">
      <DesignInput label={job.narrow ? 'Another…' : 'Add the narrow design…'} of="narrow" files={files} />
      {job.narrow && (
        <Button disabled={busy} onClick={() => void unpair()}>
          Take it away
        </Button>
      )}
    </span>
  )
}
