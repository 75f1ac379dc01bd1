import { useEffect, useMemo, useState } from 'react'
import type { Parts } from '@/core/compile'
import type { FeatureUse } from '@/core/readers/uses'
import type { Share } from '@/core/readers/versions'
import { cx } from '../../parts/controls'
import { toast } from '../../parts/toast'
import { support, usesOf } from '../../bench/forecasts'

/** What the email uses that its readers lack, as long as that is looked at; null until it is known. */
function useUses(
  parts: Parts,
  readers: ReadonlySet<string> | undefined,
): { at: string; uses: FeatureUse[] } | null {
  const [known, setKnown] = useState<{ at: string; uses: FeatureUse[] } | null>(null)
  useEffect(() => {
    let wanted = true
    Promise.all([support(), usesOf(parts, readers)]).then(
      ([{ at }, uses]) => wanted && setKnown({ at, uses }),
      (e: Error) => wanted && toast.error(e.message),
    )
    return () => {
      wanted = false
    }
  }, [parts, readers])
  return known
}

/** Every feature that the email uses and some reader lacks: how often, where, who, and what is seen instead. */
export function Support({
  parts,
  shares,
  onGo,
}: {
  parts: Parts
  /** Of the client: its readers alone are looked at, where they are known. */
  shares: readonly Share[]
  /** Shows a band. */
  onGo: (band: string) => void
}) {
  const readers = useMemo(() => (shares.length ? new Set(shares.map((s) => s.reader)) : undefined), [shares])
  const known = useUses(parts, readers)
  const [open, setOpen] = useState<string | null>(null)
  if (!known) return <p className="p-3 text-xs text-soft">Looking at what the email uses…</p>
  return (
    <>
      <p className="border-b border-grout px-3 py-2 text-[11px] text-soft" role="status">
        {known.uses.length} features that some of {readers ? 'this client’s readers' : 'the readers'} lack or
        know in part, by the open data of {known.at}.
      </p>
      <ol className="min-h-0 flex-1 overflow-y-auto" aria-label="Support">
        {known.uses.map((use) => (
          <Feature
            key={use.slug}
            use={use}
            open={open === use.slug}
            onOpen={() => {
              setOpen(open === use.slug ? null : use.slug)
              if (use.bands[0]) onGo(use.bands[0])
            }}
            onGo={onGo}
          />
        ))}
      </ol>
    </>
  )
}

const marks = [
  { mark: 'y', label: 'yes', look: 'bg-verdigris' },
  { mark: 'a', label: 'in part', look: 'bg-ochre' },
  { mark: 'n', label: 'no', look: 'bg-terra' },
  { mark: 'u', label: 'not tested', look: 'bg-grout' },
] as const

function Feature({
  use,
  open,
  onOpen,
  onGo,
}: {
  use: FeatureUse
  open: boolean
  onOpen: () => void
  onGo: (band: string) => void
}) {
  const counts = marks.filter(({ mark }) => use.by[mark].length)
  return (
    <li className="border-b border-grout">
      <button
        type="button"
        aria-expanded={open}
        data-feature={use.slug}
        className={cx(
          'flex w-full flex-col gap-1 px-3 py-1.5 text-left',
          open ? 'bg-wash' : 'hover:bg-paper',
        )}
        onClick={onOpen}
      >
        <span className="flex w-full items-baseline gap-2">
          <b className="min-w-0 flex-1 font-mono text-[12px] break-words">{use.title}</b>
          <span className="text-[11px] text-soft">{times(use)}</span>
        </span>
        <span aria-hidden className="flex h-1.5 w-full gap-px">
          {counts.map(({ mark, look }) => (
            <i key={mark} className={look} style={{ flexGrow: use.by[mark].length }} />
          ))}
        </span>
        <span className="text-[11px] text-soft">
          {counts.map(({ mark, label }) => `${use.by[mark].length} ${label}`).join(', ')}
        </span>
      </button>
      {open && <Details use={use} onGo={onGo} />}
    </li>
  )
}

/** Who lacks it, what is noted of those that know it in part, what is seen instead, and each place. */
function Details({ use, onGo }: { use: FeatureUse; onGo: (band: string) => void }) {
  return (
    <div className="flex flex-col gap-1.5 px-3 pb-2.5 text-xs leading-snug">
      {use.instead && <p>{use.instead}</p>}
      {use.by.n.length > 0 && (
        <p>
          <b>No:</b> {use.by.n.join('; ')}
        </p>
      )}
      {use.by.a.length > 0 && (
        <p>
          <b>In part:</b> {use.by.a.join('; ')}
        </p>
      )}
      {use.notes.map((note) => (
        <p key={note} className="text-soft">
          {note}
        </p>
      ))}
      {use.bands.length > 1 && (
        <p className="flex flex-wrap gap-x-2">
          {use.bands.map((band, i) => (
            <button
              key={band}
              type="button"
              className="min-h-6 underline underline-offset-2"
              onClick={() => onGo(band)}
            >
              place {i + 1}
            </button>
          ))}
        </p>
      )}
    </div>
  )
}

function times({ count, bands }: FeatureUse): string {
  const often = count === 1 ? 'once' : `${count} times`
  if (!bands.length) return `${often}, around the bands`
  return bands.length === 1 ? `${often}, in one band` : `${often}, in ${bands.length} bands`
}
