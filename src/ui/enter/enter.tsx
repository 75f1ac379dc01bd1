'use client'
import { useEffect, useRef, useState, type FormEvent } from 'react'
import { call, type ApiProblem } from '../api'
import { Button, useMounted } from '../parts/controls'
import { Mark } from '../parts/mark'

type Tries = Awaited<ReturnType<typeof call<'POST /api/session'>>>['tries']

/** To what was asked for. */
function goOn(): void {
  if (location.pathname === '/enter') location.assign('/')
  else location.reload()
}

/** Who tried meanwhile, for the one person who ought to know. */
function WrongTries({ tries }: { tries: Tries }) {
  const all = tries.reduce((sum, t) => sum + t.count, 0)
  return (
    <main className="grid h-dvh place-items-center">
      <div className="w-[340px] border-t-4 border-ochre bg-paper p-6">
        <Mark />
        <h1 className="mt-3 text-lg">
          {all === 1 ? 'One wrong try' : `${all} wrong tries`} since somebody last entered
        </h1>
        <ul className="mt-3">
          {tries.map((t) => (
            <li key={t.address} className="flex justify-between gap-3">
              <span className="font-mono">{t.address || 'address not known'}</span>
              <span>
                {t.count}, last {new Date(t.at).toLocaleString()}
              </span>
            </li>
          ))}
        </ul>
        <p className="mt-3 text-soft">If these were not yours, set another passphrase with bin/passphrase.</p>
        <Button look="main" className="mt-3" onClick={goOn}>
          Go on
        </Button>
      </div>
    </main>
  )
}

/** The way in where a passphrase is set. It stands at whatever address was asked for, which is then shown. */
export function Enter() {
  const [said, setSaid] = useState('')
  const [problem, setProblem] = useState<ApiProblem | null>(null)
  const [busy, setBusy] = useState(false)
  const [tries, setTries] = useState<Tries | null>(null)
  const mounted = useMounted()
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => field.current?.focus(), [])
  async function enter(e: FormEvent) {
    e.preventDefault()
    setBusy(true)
    try {
      const entered = await call('POST /api/session', { body: { passphrase: said } })
      if (entered.tries.length) setTries(entered.tries)
      else goOn()
    } catch (error) {
      setProblem(error as ApiProblem)
      setBusy(false)
    }
  }
  if (tries) return <WrongTries tries={tries} />
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
