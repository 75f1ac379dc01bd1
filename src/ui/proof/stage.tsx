'use client'
import { Check } from 'lucide-react'
import { HTML_LIMIT } from '@/core/checks/weight'
import type { Finding } from '@/core/checks'
import { toMend } from '@/core/checks/to-mend'
import { useStageActions, type Action } from '../bench/actions'
import { PHONE, WorkLens, WorkTray } from '../bench/email-lenses'
import type { EmailWork } from '../bench/email-work'
import { Ribbons } from '../bench/ribbons'
import { cx } from '../parts/controls'
import { FindingItem } from './finding'

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
  const muted = findings.filter((f) => f.muted)
  const open = findings.filter((f) => !f.muted)
  const mend = toMend(findings)
  const mind = open.length - mend.length
  const fixes = open.filter((f) => f.fix)
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
  ])
  return (
    <>
      <aside aria-label="Findings" className="flex min-h-0 flex-col border-r border-grout bg-plaster">
        <Summary mend={mend.length} mind={mind} muted={muted.length} bytes={bytes} />
        <ol className="min-h-0 flex-1 overflow-y-auto">
          {[...open, ...muted].map((f) => (
            <FindingItem
              key={f.id}
              finding={f}
              band={work.email.bands.find((b) => b.id === f.where.band)?.name}
              on={work.selectedId !== null && work.selectedId === (f.where.tile ?? f.where.band)}
              onGo={() => go(f)}
              onFix={() => fix(f)}
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
      </aside>
      <Lenses work={work} />
      <WorkTray work={work} />
    </>
  )
}

/** The email, wide and narrow. */
function Lenses({ work }: { work: EmailWork }) {
  return (
    <main className="relative grid min-h-0 min-w-0 grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)] bg-ground">
      <WorkLens work={work} name="Wide" width={work.email.width} edits speaks />
      <WorkLens work={work} name="Narrow" width={PHONE} />
      <Ribbons
        ties={work.ties}
        band={work.selection.band?.id ?? null}
        faint={work.hovered}
        order={['Wide', 'Narrow']}
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
