'use client'
import { CloudOff } from 'lucide-react'
import { createContext, useContext, useEffect, useRef, useState } from 'react'
import type { Parts } from '@/core/compile'
import { elsewhereIn } from '@/core/html/elsewhere'
import { Button } from '../parts/controls'
import type { Loads } from '../parts/framed'

/** Whether the previews of a job load what stands elsewhere, and how a person lets them. */
interface Elsewhere {
  allowed: boolean
  allow: () => void
}

const Context = createContext<Elsewhere>({ allowed: false, allow: () => {} })
export const ElsewhereOf = Context.Provider

/** What the previews of the job load. */
export function useElsewhere(): Elsewhere & { loads: Loads } {
  const elsewhere = useContext(Context)
  return { ...elsewhere, loads: elsewhere.allowed ? 'all' : 'own' }
}

/** How long an email rests before it is searched, ms. */
const REST = 600

/** How long it is searched before the page may do something else, ms. */
const AT_ONCE = 10

/** Says what a preview does not load, with a press that lets it. */
export function NotLoaded({ parts }: { parts: Parts }) {
  const { allowed, allow } = useElsewhere()
  const [hosts, setHosts] = useState<string[]>([])
  const searched = useRef<ReadonlyMap<string, string[]>>(new Map())
  useEffect(() => {
    if (allowed) return
    let over = false
    const wait = setTimeout(async () => {
      const found = new Map<string, string[]>()
      let began = performance.now()
      for (const text of [parts.before + parts.after, ...parts.bands.map((b) => b.html)]) {
        // What has not changed is not searched again.
        found.set(text, searched.current.get(text) ?? elsewhereIn(text))
        if (performance.now() - began < AT_ONCE) continue
        await new Promise((go) => setTimeout(go))
        if (over) return
        began = performance.now()
      }
      searched.current = found
      setHosts([...new Set([...found.values()].flat())])
    }, REST)
    return () => {
      over = true
      clearTimeout(wait)
    }
  }, [parts, allowed])
  if (allowed || !hosts.length) return null
  const named = hosts.slice(0, 2).join(', ') + (hosts.length > 2 ? ` and ${hosts.length - 2} more` : '')
  return (
    <div role="status" className="flex items-center gap-2 bg-[#fffdf8] px-2.5 py-1 text-xs text-[#20272b]">
      <CloudOff size={14} aria-hidden className="shrink-0" />
      <span className="min-w-0 truncate">
        Not loaded: what stands at <b className="font-semibold">{named}</b>
      </span>
      <Button className="ml-auto shrink-0" onClick={allow}>
        Load it
      </Button>
    </div>
  )
}
