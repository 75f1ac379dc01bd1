'use client'
import { useMemo, useState } from 'react'
import { scopeCode } from '#reading'
import dynamic from 'next/dynamic'
import { Button, Group } from '../../parts/controls'
import type { TileProps } from './parts'

// What code is written in comes when it is first opened.
const CodeDialog = dynamic(() => import('./code-dialog').then((m) => m.CodeDialog), { ssr: false })

export function CodeGroups(p: TileProps<'code'>) {
  const { tile } = p
  const [open, setOpen] = useState(false)
  const { notes } = useMemo(() => scopeCode(tile), [tile])
  return (
    <>
      <Group title="Your own markup">
        <Button look="main" onClick={() => setOpen(true)}>
          Edit the code
        </Button>
        <p className="font-mono text-[11px] text-soft">
          {tile.html.length} characters of HTML, {tile.css.length} of CSS
          {tile.amp ? ', an AMP version' : ''}
          {tile.still ? ', a static version' : ''}
        </p>
        <p className="text-[11.5px] text-soft">
          Its style sheet counts inside it alone, and is written into its elements.
        </p>
      </Group>
      <Group title="Left out" className="overflow-y-auto">
        {notes.length ? (
          <ul className="list-disc pl-4 text-[11.5px] text-terra">
            {notes.map((n) => (
              <li key={n}>{n}</li>
            ))}
          </ul>
        ) : (
          <p className="text-[11.5px] text-verdigris">Nothing: it leaves as it is written.</p>
        )}
      </Group>
      {open && <CodeDialog {...p} onClose={() => setOpen(false)} />}
    </>
  )
}
