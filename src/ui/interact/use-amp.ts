import { useEffect, useRef, useState } from 'react'
import type { AmpPart } from '@/core/interact/amp'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import type { ShownState } from '@/core/tiles/context'
import type { AmpAnswer, AmpCall } from '@/workers/amp'
import { call as ask } from '../api'
import { onBroken } from '../parts/on-broken'

/** What the official validator says. */
export type Checked = Awaited<ReturnType<typeof ask<'POST /api/amp/check'>>>

/** Where the way out leads while no platform has put its own (RFC 2606). */
const values = { unsubscribe: 'https://unsubscribe.example/' }

/** How long an email rests before its AMP part is made, and then before it is checked, ms. */
const REST = 150
const CHECK = 400

/** The AMP part of an email, made in a worker once the email rests; the last one stays until the next is there. */
export function useAmp(
  email: Email,
  house: HouseStyle,
  shown: ShownState | undefined,
): { part: AmpPart | null; problem: string | null } {
  const [made, setMade] = useState<{ part: AmpPart | null; problem: string | null }>({
    part: null,
    problem: null,
  })
  const worker = useRef<Worker | null>(null)
  const calls = useRef(0)
  useEffect(() => () => worker.current?.terminate(), [])
  useEffect(() => {
    const timer = setTimeout(() => {
      if (!worker.current) {
        worker.current = new Worker(new URL('../../workers/amp.ts', import.meta.url), { type: 'module' })
        onBroken(worker.current, (error) => {
          worker.current = null
          setMade((m) => ({ ...m, problem: error.message }))
        })
      }
      const call = ++calls.current
      worker.current.onmessage = ({ data }: MessageEvent<AmpAnswer>) => {
        if (data.call !== calls.current) return
        if ('part' in data) setMade({ part: data.part, problem: null })
        else setMade((m) => ({ ...m, problem: data.error }))
      }
      worker.current.postMessage({ call, email, house, values, shown } satisfies AmpCall)
    }, REST)
    return () => clearTimeout(timer)
  }, [email, house, shown])
  return made
}

/** What the official validator says of a text once it rests; null while it looks. */
export function useChecked(html: string | null): Checked | null {
  const [checked, setChecked] = useState<{ html: string; said: Checked } | null>(null)
  useEffect(() => {
    if (!html) return
    const stop = new AbortController()
    const timer = setTimeout(() => {
      void ask('POST /api/amp/check', { body: { html }, signal: stop.signal }).then(
        (said) => setChecked({ html, said }),
        () => undefined,
      )
    }, CHECK)
    return () => {
      clearTimeout(timer)
      stop.abort()
    }
  }, [html])
  return checked && checked.html === html ? checked.said : null
}
