'use client'
import { useState } from 'react'
import { ApiProblem, formOf } from '../api'
import type { BenchJob } from '../bench/types'
import { runTask } from '../tasks/run'

/** What Cut says of a job that began without a design, and the way to give it one. */
export function NoDesign({ job, onJob }: { job: BenchJob; onJob: (j: BenchJob) => void }) {
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  async function give(file: File) {
    setBusy(true)
    setProblem(null)
    try {
      const form = formOf({ design: file, role: 'wide', board: '0' })
      const { job: now } = await runTask('PUT /api/jobs/:job/design', { params: { job: job.id }, form })
      onJob({ ...job, width: now.width, design: now.design, narrow: now.narrow, before: now.before })
    } catch (e) {
      setProblem(e instanceof ApiProblem ? `${e.title}. ${e.detail}` : String(e))
    } finally {
      setBusy(false)
    }
  }
  return (
    <div className="col-span-2 row-span-2 grid place-items-center bg-ground">
      <div className="max-w-sm bg-paper p-6">
        <h2 className="text-lg">This job began without a design</h2>
        <p className="mt-1 text-soft">
          There is nothing to cut. The email is made in Compose; give the job a design, and it can be cut and
          compared with.
        </p>
        <label className="mt-3 inline-flex cursor-pointer bg-lapis px-2.5 py-1 text-[12.5px] font-semibold text-onlapis focus-within:outline-2">
          {busy ? 'Taking the design in…' : 'Give it a design'}
          <input
            type="file"
            accept="image/png,image/jpeg,image/webp,image/avif,image/svg+xml,application/pdf,.psd"
            className="sr-only"
            disabled={busy}
            onChange={(e) => {
              const f = e.target.files?.[0]
              if (f) void give(f)
              e.target.value = ''
            }}
          />
        </label>
        {problem && (
          <p role="alert" className="mt-2 border-l-4 border-terra bg-sheet px-2.5 py-1.5">
            {problem}
          </p>
        )}
      </div>
    </div>
  )
}
