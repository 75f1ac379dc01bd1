'use client'
import { Check } from 'lucide-react'
import { useMemo, useState } from 'react'
import type { Parts } from '@/core/compile'
import { profiles, windowsOf, type Profile } from '@/core/readers/profiles'
import type { Share } from '@/core/readers/versions'
import { HTML_LIMIT } from '@/core/checks/weight'
import type { Finding } from '@/core/checks'
import { toMend } from '@/core/checks/to-mend'
import { useStageActions, type Action } from '../bench/actions'
import { PHONE, WorkLens, WorkTray } from '../bench/email-lenses'
import type { EmailWork } from '../bench/email-work'
import { Ribbons } from '../bench/ribbons'
import { Choice, cx } from '../parts/controls'
import { FindingItem } from './finding'
import { ReaderList } from './readers/list'
import { Support } from './readers/support'
import { useReaders } from './readers/use-readers'
import { useWall } from './readers/use-wall'
import { weightsOf } from './readers/weights'

/**
 * What the checks found, each leading to its place; the lenses and the tray stay, so that it is mended here.
 */
export function ProofStage({
  work,
  onValue,
  setActions,
}: {
  work: EmailWork
  onValue: (value: 'subject' | 'preheader') => void
  setActions: (a: Action[]) => void
}) {
  const { findings, bytes } = work
  const [view, setView] = useState<View>('findings')
  const readers = useLookedAt(work, view === 'readers')
  const fixes = findings.filter((f) => !f.muted && f.fix)
  const go = (f: Finding) =>
    f.where.value ? onValue(f.where.value) : work.select(f.where.tile ?? f.where.band ?? null)
  const fix = (f: Finding) => {
    if (f.fix) work.apply(f.fix.label.toLowerCase(), f.fix.edit)
    go(f)
  }
  useStageActions(setActions, [
    ...work.actions,
    {
      id: 'fix',
      label: 'Mend the first that can be mended in one press',
      group: 'Proof',
      keys: 'F',
      run: () => fixes[0] && fix(fixes[0]),
      off: !fixes.length,
    },
    ...viewActions(setView, readers.onOpen),
  ])
  return (
    <>
      <aside aria-label={labels[view]} className="flex min-h-0 flex-col border-r border-grout bg-plaster">
        <div className="border-b border-grout px-3 py-2">
          <Choice
            label="What Proof looks at"
            value={view}
            options={[
              { value: 'findings', label: 'Findings' },
              { value: 'readers', label: 'Readers' },
              { value: 'support', label: 'Support' },
            ]}
            onChange={setView}
          />
        </div>
        {view === 'readers' ? (
          <ReaderList {...readers} shares={work.job.client.house.readers ?? none} />
        ) : view === 'support' ? (
          <Support parts={work.parts} shares={work.job.client.house.readers ?? none} onGo={work.select} />
        ) : (
          <FindingList work={work} findings={findings} bytes={bytes} onGo={go} onFix={fix} />
        )}
      </aside>
      <Lenses work={work} reader={view === 'readers' ? readers.shown : null} />
      <WorkTray work={work} />
    </>
  )
}

const none: readonly Share[] = []
const labels: Record<View, string> = { findings: 'Findings', readers: 'Readers', support: 'Support' }

/** Other ways of looking, for the finder. */
const viewActions = (setView: (v: View) => void, onOpen: (reader: string) => void): Action[] => [
  {
    id: 'readers',
    label: 'Look at the email as each reader shows it',
    group: 'Proof',
    run: () => setView('readers'),
  },
  {
    id: 'support',
    label: 'What the email uses that readers lack',
    group: 'Proof',
    run: () => setView('support'),
  },
  ...profiles.map((p) => ({
    id: `reader-${p.id}`,
    label: `Show as in: ${p.name}`,
    group: 'Proof',
    run: () => {
      setView('readers')
      onOpen(p.id)
    },
  })),
]

/** What the checks found, with what is done about it. */
function FindingList({
  work,
  findings,
  bytes,
  onGo,
  onFix,
}: {
  work: EmailWork
  findings: readonly Finding[]
  bytes: number
  onGo: (f: Finding) => void
  onFix: (f: Finding) => void
}) {
  const muted = findings.filter((f) => f.muted)
  const open = findings.filter((f) => !f.muted)
  const mend = toMend(findings)
  return (
    <>
      <Summary mend={mend.length} mind={open.length - mend.length} muted={muted.length} bytes={bytes} />
      <ol className="min-h-0 flex-1 overflow-y-auto">
        {[...open, ...muted].map((f) => (
          <FindingItem
            key={f.id}
            finding={f}
            band={work.email.bands.find((b) => b.id === f.where.band)?.name}
            on={work.selectedId !== null && work.selectedId === (f.where.tile ?? f.where.band)}
            onGo={() => onGo(f)}
            onFix={() => onFix(f)}
            onLeave={(reason) =>
              work.apply('leave it as it is', { name: 'mute', what: { finding: f.id, reason } })
            }
            onTakeUp={() => work.apply('take it up again', { name: 'unmute', what: { finding: f.id } })}
          />
        ))}
        {!open.length && (
          <li className="flex items-center gap-2 p-3">
            <Check size={16} className="text-verdigris" /> Nothing left to mend. It can be handed over.
          </li>
        )}
      </ol>
    </>
  )
}

/** What stands in the spine's place. */
type View = 'findings' | 'readers' | 'support'

/** The email as each reader shows it, as long as that is looked at, and the one that is seen in a lens. */
function useLookedAt({ parts, bytes }: EmailWork, wanted: boolean) {
  const [night, setNight] = useState(false)
  const [open, setOpen] = useState<string | null>(null)
  const [asked, setAsked] = useState(true)
  const weights = useMemo(() => weightsOf(parts, bytes), [parts, bytes])
  const forecasts = useReaders(wanted ? parts : null, { night, weights })
  const wall = useWall(parts, forecasts, night)
  const profile = profiles.find((p) => p.id === open)
  const forecast = open ? forecasts.get(open) : undefined
  return {
    forecasts,
    wall,
    open,
    onOpen: setOpen,
    night,
    onNight: setNight,
    asked,
    onAsked: setAsked,
    shown:
      profile && forecast
        ? { profile, parts: forecast.parts, pictures: asked || !profile.asksForPictures }
        : null,
  }
}

/** The email as written, wide, beside it narrow, or as the chosen reader shows it. */
function Lenses({
  work,
  reader,
}: {
  work: EmailWork
  reader: { profile: Profile; parts: Parts; pictures: boolean } | null
}) {
  const name = reader?.profile.name ?? 'Narrow'
  return (
    <main className="relative grid min-h-0 min-w-0 grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)] bg-ground">
      <WorkLens work={work} name="Wide" width={work.email.width} edits speaks />
      {reader ? (
        <WorkLens
          key={reader.profile.id}
          work={work}
          name={name}
          width={windowsOf(reader.profile)[0]}
          parts={reader.parts}
          pictures={reader.pictures}
          detail={`${windowsOf(reader.profile)[0]}, ${reader.profile.seen ? `seen ${reader.profile.seen.at}` : 'by rule, not seen'}`}
        />
      ) : (
        <WorkLens work={work} name="Narrow" width={PHONE} />
      )}
      <Ribbons
        ties={work.ties}
        band={work.selection.band?.id ?? null}
        faint={work.hovered}
        order={['Wide', name]}
      />
    </main>
  )
}

/** How much there is to do, and how much of the limit the HTML uses. @param bytes of the HTML in UTF-8 */
function Summary({ mend, mind, muted, bytes }: { mend: number; mind: number; muted: number; bytes: number }) {
  const part = bytes / HTML_LIMIT
  return (
    <div className="border-b border-grout px-3 py-2.5">
      <p className="text-[13px]" role="status">
        <b className={cx('font-serif text-lg', mend ? 'text-terra' : 'text-verdigris')}>{mend}</b> to mend,{' '}
        <b>{mind}</b> to mind
        {muted > 0 && <span className="text-soft">, {muted} left as they are</span>}
      </p>
      <div className="mt-1.5 flex items-center gap-2 font-mono text-[11px] text-soft">
        <meter
          aria-label="HTML used of the limit"
          min={0}
          max={1}
          high={0.85}
          value={Math.min(1, part)}
          className="h-2 w-16"
        />
        <span>
          {(bytes / 1024).toFixed(1)} of {HTML_LIMIT / 1024} KB HTML
        </span>
      </div>
    </div>
  )
}
