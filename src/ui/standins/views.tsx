'use client'
import { Tabs } from 'radix-ui'
import { useEffect, useMemo, useState } from 'react'
import { ElsewhereOf, NotLoaded } from '../bench/elsewhere'
import { framed } from '../parts/framed'

/** What arrived, in several views. Markup runs in a frame without scripts and without an origin. */
export function Views({ html, views }: { html: string; views: { name: string; text: string }[] }) {
  const [allowed, setAllowed] = useState(false)
  const elsewhere = useMemo(() => ({ allowed, allow: () => setAllowed(true) }), [allowed])
  const parts = useMemo(() => ({ before: html, bands: [], after: '' }), [html])
  // The policy names the address of the page, which is known in the browser alone.
  const [framedHtml, setFramed] = useState('')
  useEffect(() => setFramed(framed(html, allowed ? 'all' : 'own')), [html, allowed])
  const tab = 'px-3 py-1 text-xs font-semibold text-[#17191a] data-[state=active]:bg-[#fffdf8]'
  return (
    <Tabs.Root defaultValue="HTML" className="flex min-h-0 flex-1 flex-col">
      <Tabs.List aria-label="View" className="flex gap-px bg-groundhead px-2 pt-1">
        {['HTML', ...views.map((v) => v.name)].map((n) => (
          <Tabs.Trigger key={n} value={n} className={tab}>
            {n}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      <Tabs.Content value="HTML" className="flex min-h-0 flex-1 flex-col gap-2 p-3">
        <ElsewhereOf value={elsewhere}>
          <NotLoaded parts={parts} />
        </ElsewhereOf>
        {framedHtml && (
          <iframe
            key={String(allowed)}
            title="The message as HTML"
            sandbox="allow-same-origin"
            srcDoc={framedHtml}
            className="min-h-0 w-full flex-1 border-0 bg-white"
          />
        )}
      </Tabs.Content>
      {views.map((v) => (
        <Tabs.Content key={v.name} value={v.name} className="min-h-0 flex-1 p-3">
          <pre
            tabIndex={0}
            role="region"
            aria-label={v.name}
            className="h-full overflow-auto bg-[#fffdf8] p-3 font-mono text-[11.5px] leading-relaxed whitespace-pre-wrap text-[#20272b]"
          >
            {v.text}
          </pre>
        </Tabs.Content>
      ))}
    </Tabs.Root>
  )
}
