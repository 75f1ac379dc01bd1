'use client'
import { useMemo, useState } from 'react'
import { findIn, replacedIn, type Hit, type Kind, type Sought } from '@/core/tiles/find'
import type { EmailWork } from '../../bench/email-work'
import { Button, fieldClass } from '../../parts/controls'
import { Dialog } from '../../parts/dialog'
import { Tick } from '../groups/parts'

const kinds: { kind: Kind; label: string }[] = [
  { kind: 'words', label: 'words' },
  { kind: 'alt', label: 'alt texts' },
  { kind: 'link', label: 'links' },
]
/** So many places are listed. */
const MOST = 200

/** Looks for something in words, alt texts and links, and puts something else in its place. */
export function FindDialog({ work, onClose }: { work: EmailWork; onClose: () => void }) {
  const [sought, setSought] = useState<Sought>({
    text: '',
    matchCase: false,
    whole: false,
    in: { words: true, alt: true, link: true },
  })
  const [by, setBy] = useState('')
  const { email, apply } = work
  const hits = useMemo(() => findIn(email, sought), [email, sought])
  const set = (what: Partial<Sought>) => setSought((s) => ({ ...s, ...what }))
  const replace = (tile?: string) =>
    apply(`replace "${sought.text}"`, {
      name: 'replace',
      what: { email: replacedIn(email, sought, by, tile) },
    })
  return (
    <Dialog
      open
      onClose={onClose}
      title="Find and replace"
      about="In the subject, the preheader and all bands, as it is written; markup of code tiles is left alone."
      wide
    >
      <Form {...{ sought, set, by, setBy }} found={hits.length > 0} onReplace={() => replace()} />
      <p role="status" className="mt-3 text-xs text-soft">
        {sought.text ? said(hits.length) : 'Write what to look for.'}
      </p>
      <Hits
        hits={hits}
        work={work}
        onGo={(hit) => {
          work.select(hit.tile)
          onClose()
        }}
        onReplace={(hit) => replace(hit.tile ?? undefined)}
      />
    </Dialog>
  )
}

/** What is looked for, and what comes in its place. */
function Form({
  sought,
  set,
  by,
  setBy,
  found,
  onReplace,
}: {
  sought: Sought
  set: (what: Partial<Sought>) => void
  by: string
  setBy: (by: string) => void
  found: boolean
  onReplace: () => void
}) {
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault()
        onReplace()
      }}
    >
      <div className="grid grid-cols-[1fr_1fr_auto] gap-2">
        <input
          aria-label="Find"
          placeholder="Find"
          className={fieldClass}
          value={sought.text}
          onChange={(e) => set({ text: e.target.value })}
        />
        <input
          aria-label="Replace by"
          placeholder="Replace by"
          className={fieldClass}
          value={by}
          onChange={(e) => setBy(e.target.value)}
        />
        <Button look="main" type="submit" disabled={!found}>
          Replace all
        </Button>
      </div>
      <div className="flex flex-wrap gap-4 text-xs">
        {kinds.map(({ kind, label }) => (
          <Tick
            key={kind}
            checked={sought.in[kind]}
            onChange={(on) => set({ in: { ...sought.in, [kind]: on } })}
          >
            {label}
          </Tick>
        ))}
        <Tick checked={sought.matchCase} onChange={(matchCase) => set({ matchCase })}>
          capitals as written
        </Tick>
        <Tick checked={sought.whole} onChange={(whole) => set({ whole })}>
          whole words
        </Tick>
      </div>
    </form>
  )
}

const said = (count: number): string =>
  count
    ? `${count} ${count === 1 ? 'place' : 'places'}${count > MOST ? `, the first ${MOST}` : ''}`
    : 'Nowhere.'

function Hits({
  hits,
  work,
  onGo,
  onReplace,
}: {
  hits: readonly Hit[]
  work: EmailWork
  onGo: (hit: Hit) => void
  onReplace: (hit: Hit) => void
}) {
  const names = new Map(work.email.bands.map((b) => [b.id, b.name]))
  return (
    <ul className="max-h-[38vh] overflow-auto" aria-label="Where it stands">
      {hits.slice(0, MOST).map((hit, i) => (
        <li
          key={i}
          className="grid grid-cols-[120px_1fr_auto] items-center gap-2 border-t border-grout py-1 text-xs"
        >
          <span className="truncate text-soft">{hit.band ? names.get(hit.band) : 'Inbox line'}</span>
          <span className="truncate font-mono">
            {hit.before}
            <mark className="bg-wash font-semibold text-ink">{hit.match}</mark>
            {hit.after}
          </span>
          {hit.tile && (
            <span className="flex gap-1">
              <Button look="plain" onClick={() => onGo(hit)}>
                Go there
              </Button>
              <Button look="plain" onClick={() => onReplace(hit)}>
                Replace in this tile
              </Button>
            </span>
          )}
        </li>
      ))}
    </ul>
  )
}
