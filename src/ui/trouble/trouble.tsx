'use client'
import { useState } from 'react'
import { call, type ApiProblem } from '../api'
import { Button } from '../parts/controls'
import { Mark } from '../parts/mark'

interface Props {
  /** Null where all is well again. */
  trouble: { title: string; detail: string } | null
  copies: { name: string; bytes: number; at: string }[]
  /** Whether it is seen on the machine of the app. */
  here: boolean
}

/** What is seen where the database cannot be worked with: why, and the copies that there are. */
export function Trouble({ trouble, copies, here }: Props) {
  const [problem, setProblem] = useState<ApiProblem | null>(null)
  const [busy, setBusy] = useState(false)
  async function takeBack(copy: string) {
    setBusy(true)
    try {
      await call('POST /api/database', { body: { copy } })
      location.assign('/')
    } catch (error) {
      setProblem(error as ApiProblem)
      setBusy(false)
    }
  }
  return (
    <main className="grid min-h-dvh place-items-center">
      <div className="w-[520px] border-t-4 border-terra bg-paper p-6">
        <Mark />
        <h1 className="mt-3 text-lg">{trouble?.title ?? 'The database is sound again'}</h1>
        <p className="mt-2">{trouble?.detail ?? 'What you came for is there.'}</p>
        {trouble && !here && <p className="mt-2 text-soft">It is mended on the machine of the app itself.</p>}
        {trouble && copies.length > 0 && (
          <>
            <h2 className="mt-4 text-sm">Copies beside it</h2>
            <p className="text-soft">
              One that is taken back holds what there was then. The present file is put aside, not deleted.
            </p>
            <ul className="mt-2 divide-y divide-grout border-y border-grout">
              {copies.map((c) => (
                <li key={c.name} className="flex items-center gap-3 py-1.5">
                  <span className="min-w-0 flex-1 truncate font-mono text-xs">{c.name}</span>
                  <span className="text-soft tabular-nums">
                    {c.bytes < 1048576
                      ? `${Math.ceil(c.bytes / 1024)} KB`
                      : `${(c.bytes / 1048576).toFixed(1)} MB`}
                    , {c.at.slice(0, 16).replace('T', ' ')} UTC
                  </span>
                  <Button disabled={busy} onClick={() => void takeBack(c.name)}>
                    Take it back
                  </Button>
                </li>
              ))}
            </ul>
          </>
        )}
        {trouble && here && !copies.length && <p className="mt-2 text-soft">There is no copy beside it.</p>}
        {problem && (
          <p role="alert" className="mt-2 text-terra">
            <b className="font-semibold">{problem.title}.</b> {problem.detail}
          </p>
        )}
        <Button look="main" className="mt-4" disabled={busy} onClick={() => location.assign('/')}>
          Try again
        </Button>
      </div>
    </main>
  )
}
