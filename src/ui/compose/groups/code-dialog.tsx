'use client'
import { useEffect, useMemo, useState } from 'react'
import { compile } from '@/core/compile'
import { newBand, newCell } from '@/core/email/defaults'
import { sides } from '@/core/email/styles'
import { call } from '../../api'
import { src } from '../../bench/src'
import { CodeField } from '../../parts/code-field-later'
import { Button } from '../../parts/controls'
import { Dialog } from '../../parts/dialog'
import { framed } from '../../parts/framed'
import { snippets } from './snippets'
import type { TileProps } from './parts'

type Notes = Awaited<ReturnType<typeof call<'POST /api/code/lint'>>>['notes']

/** How long code rests before it is looked at, ms. */
const REST = 400

/** What is wrong with code, and what readers do not know of it, once it rests. */
function useLint(html: string, css: string): Notes {
  const [notes, setNotes] = useState<Notes>([])
  useEffect(() => {
    const stop = new AbortController()
    const timer = setTimeout(() => {
      void call('POST /api/code/lint', { body: { html, css }, signal: stop.signal }).then(
        (said) => setNotes(said.notes),
        () => undefined,
      )
    }, REST)
    return () => {
      clearTimeout(timer)
      stop.abort()
    }
  }, [html, css])
  return notes
}

const fields = [
  { key: 'html', label: 'HTML', language: 'html', what: 'write the code' },
  { key: 'css', label: 'CSS', language: 'css', what: 'write the style sheet' },
  { key: 'amp', label: 'AMP version', language: 'html', what: 'write the AMP version' },
  { key: 'still', label: 'Static version', language: 'html', what: 'write the static version' },
] as const

/** Code is written here, with what is wrong at its line, and tried beside it. */
export function CodeDialog(p: TileProps<'code'> & { onClose: () => void }) {
  const { tile, set, onClose } = p
  const [open, setOpen] = useState<(typeof fields)[number]['key']>('html')
  const notes = useLint(tile.html, tile.css)
  const field = fields.find((f) => f.key === open)!
  const own = notes.filter((n) => n.of === open)
  return (
    <Dialog
      open
      onClose={onClose}
      title="Your own markup"
      about="What cannot stand in an email is left out, and said in the tray. What is wrong, or not known to some reader, is marked at its line."
      widest
    >
      <div className="grid grid-cols-[minmax(0,1fr)_400px] gap-4">
        <div className="flex min-w-0 flex-col gap-2">
          <div className="flex flex-wrap items-center gap-1" role="group" aria-label="Versions">
            {fields.map((f) => (
              <Button
                key={f.key}
                look={f.key === open ? 'main' : 'line'}
                aria-pressed={f.key === open}
                onClick={() => setOpen(f.key)}
              >
                {f.label}
              </Button>
            ))}
            {open === 'html' && (
              <Snippets onChosen={(s) => set('put a snippet in', { html: `${tile.html}\n${s}` })} />
            )}
          </div>
          <CodeField
            key={open}
            label={field.label}
            language={field.language}
            value={tile[open] ?? ''}
            height="300px"
            {...(open === 'html' || open === 'css' ? { notes: own } : {})}
            onChange={(v) =>
              set(field.what, { [open]: v || (open === 'html' || open === 'css' ? '' : undefined) }, open)
            }
          />
          <NoteList notes={own} />
        </div>
        <TryOut {...p} />
      </div>
    </Dialog>
  )
}

function Snippets({ onChosen }: { onChosen: (html: string) => void }) {
  return (
    <select
      aria-label="Put a snippet in"
      value=""
      className="ml-auto border border-grout bg-sheet px-1.5 py-1 text-xs"
      onChange={(e) => {
        const found = snippets.find((s) => s.name === e.target.value)
        if (found) onChosen(found.html)
      }}
    >
      <option value="">Put a snippet in…</option>
      {snippets.map((s) => (
        <option key={s.name}>{s.name}</option>
      ))}
    </select>
  )
}

function NoteList({ notes }: { notes: Notes }) {
  if (!notes.length)
    return <p className="text-[11.5px] text-verdigris">Nothing is wrong, and every major reader knows it.</p>
  return (
    <ul aria-label="What is said of the code" className="max-h-28 overflow-y-auto text-[11.5px]">
      {notes.map((n, i) => (
        <li key={i} className={n.severity === 'ERROR' ? 'text-terra' : 'text-soft'}>
          Line {n.line}: {n.why} <span className="font-mono text-[10.5px]">{n.message}</span>
        </li>
      ))}
    </ul>
  )
}

/** The code alone in an email of the client's style, where it can be pressed. */
function TryOut({ tile, email, house, available }: TileProps<'code'>) {
  const html = useMemo(() => {
    const cell = { ...newCell(Math.round(available), () => 'try-cell'), items: [tile] }
    const band = {
      ...newBand(email.width, () => 'try-band'),
      padding: sides(0),
      cells: [{ ...cell, width: email.width }],
    }
    return compile({ ...email, preheader: '', bands: [band] }, house, { src })
  }, [tile, email, house, available])
  const [source, setSource] = useState('')
  useEffect(() => setSource(framed(html, 'own')), [html])
  return (
    <div className="flex min-w-0 flex-col gap-1">
      <p className="text-xs text-soft">Try it: it is pressed and typed in like the message</p>
      <iframe
        title="The code, to be tried"
        sandbox="allow-same-origin"
        srcDoc={source}
        className="h-[360px] w-full border border-grout bg-white"
      />
    </div>
  )
}
