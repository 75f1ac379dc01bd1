'use client'
import { useEffect, useRef, useState, type FormEvent } from 'react'
import { call, type ApiProblem } from '../api'
import { Button, useMounted } from '../parts/controls'
import { Mark } from '../parts/mark'

/** The way in where a passphrase is set. It stands at whatever address was asked for, which is then shown. */
export function Enter() {
  const [said, setSaid] = useState('')
  const [problem, setProblem] = useState<ApiProblem | null>(null)
  const [busy, setBusy] = useState(false)
  const mounted = useMounted()
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => field.current?.focus(), [])
  async function enter(e: FormEvent) {
    e.preventDefault()
    setBusy(true)
    try {
      await call('POST /api/session', { body: { passphrase: said } })
      if (location.pathname === '/enter') location.assign('/')
      else location.reload()
    } catch (error) {
      setProblem(error as ApiProblem)
      setBusy(false)
    }
  }
  return (
    <main className="grid h-dvh place-items-center" data-ready={mounted}>
      <form className="w-[340px] border-t-4 border-lapis bg-paper p-6" onSubmit={(e) => void enter(e)}>
        <Mark />
        <h1 className="mt-3 text-lg">This bench is closed</h1>
        <label className="mt-3 block">
          <span className="mb-1 block text-soft">Passphrase</span>
          <input
            type="password"
            ref={field}
            autoComplete="current-password"
            className="w-full border border-grout bg-sheet px-2 py-1.5"
            value={said}
            onChange={(e) => setSaid(e.target.value)}
            aria-invalid={!!problem}
            aria-describedby={problem ? 'problem' : undefined}
          />
        </label>
        {problem && (
          <p id="problem" role="alert" className="mt-2 text-terra">
            <b className="font-semibold">{problem.title}.</b> {problem.detail}
          </p>
        )}
        <Button look="main" type="submit" className="mt-3" disabled={!said || busy}>
          {busy ? 'Looking' : 'Enter'}
        </Button>
      </form>
    </main>
  )
}
