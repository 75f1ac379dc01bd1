'use client'
import { Check, TriangleAlert } from 'lucide-react'
import { HTML_LIMIT } from '@/core/checks/weight'
import type { Finding } from '@/core/checks'
import { useStageActions, type Action } from '../bench/actions'
import { PHONE, WorkLens, WorkTray } from '../bench/email-lenses'
import type { EmailWork } from '../bench/email-work'
import { Ribbons } from '../bench/ribbons'
import { Button, cx } from '../parts/controls'

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
  const mend = findings.filter((f) => f.severity === 'mend')
  const fixes = findings.flatMap((f) => (f.fix ? [f] : []))
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
  const part = bytes / HTML_LIMIT
  return (
    <>
      <aside aria-label="Findings" className="flex min-h-0 flex-col border-r border-grout bg-plaster">
        <div className="border-b border-grout px-3 py-2.5">
          <p className="text-[13px]" role="status">
            <b className={cx('font-serif text-lg', mend.length ? 'text-terra' : 'text-verdigris')}>
              {mend.length}
            </b>{' '}
            to mend, <b>{findings.length - mend.length}</b> to mind
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
        <ol className="min-h-0 flex-1 overflow-y-auto">
          {findings.map((f) => {
            const on = work.selectedId !== null && work.selectedId === (f.where.tile ?? f.where.band)
            const band = work.email.bands.find((b) => b.id === f.where.band)
            return (
              <li
                key={f.id}
                className={cx(
                  'border-b border-l-4 border-b-grout',
                  on ? 'border-l-lapis bg-paper' : 'border-l-transparent',
                )}
              >
                <button
                  type="button"
                  onClick={() => go(f)}
                  className="block w-full px-2.5 pt-2 pb-1.5 text-left"
                >
                  <span className="flex items-start gap-1.5 font-semibold">
                    <TriangleAlert
                      aria-hidden
                      size={13}
                      className={cx('mt-[3px] shrink-0', f.severity === 'mend' ? 'text-terra' : 'text-ochre')}
                    />
                    <span className="min-w-0 break-words">
                      {f.what}
                      <span className="sr-only">, {f.severity === 'mend' ? 'to mend' : 'to mind'}</span>
                    </span>
                  </span>
                  <span className="mt-0.5 block text-[11.5px] leading-snug text-soft">
                    {band && <i className="not-italic">{band.name}: </i>}
                    {f.why}
                  </span>
                </button>
                {f.fix && (
                  <div className="px-2.5 pb-2 pl-[29px]">
                    <Button className="max-w-full" onClick={() => fix(f)}>
                      <span className="truncate">{f.fix.label}</span>
                    </Button>
                  </div>
                )}
              </li>
            )
          })}
          {!findings.length && (
            <li className="flex items-center gap-2 p-3">
              <Check size={16} className="text-verdigris" /> Nothing left to mend. It can be handed over.
            </li>
          )}
        </ol>
      </aside>
      <main className="relative grid min-h-0 min-w-0 grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)] bg-ground">
        <WorkLens work={work} name="Wide" width={work.email.width} edits />
        <WorkLens work={work} name="Narrow" width={PHONE} />
        <Ribbons
          ties={work.ties}
          band={work.selection.band?.id ?? null}
          faint={work.hovered}
          order={['Wide', 'Narrow']}
        />
      </main>
      <WorkTray work={work} />
    </>
  )
}
