'use client'
import { filmLength } from '@/core/motion/film'
import type { Made, Motion } from '@/core/motion/schema'
import { lengthOf } from '@/core/motion/sequence'
import type { EmailWork } from '../bench/email-work'
import { Progress } from '../parts/controls'
import { BudgetGroup, FileGroup, TimingGroup } from './budget'
import { kindOf, type MovingTile } from './moving'
import { FormsGroup } from './forms-group'
import { LessMotion } from './less-motion'
import { splitOff, useSplit } from './split'
import type { MotionWork } from './use-motion'
import { KindValues } from './values'

/** What a moving picture is called as a file, after its alt text. */
const fileName = ({ tile }: MovingTile): string =>
  (tile.alt ?? '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .split('-')
    .filter(Boolean)
    .slice(0, 4)
    .join('-') || 'moving'

/** The recipe's or film's values, and the budget. */
export function MotionTray({
  work,
  own,
  chosen,
  motion,
  busy,
}: {
  work: EmailWork
  own: MotionWork
  chosen: MovingTile | null
  motion: Motion | null
  busy: { what: string; cancel: () => void } | null
}) {
  const { drawn } = own
  const split = useSplit(own, chosen, motion)
  const length =
    motion?.made.kind === 'film' ? filmLength(motion.made) : Math.round(lengthOf(drawn?.frames ?? []))
  return (
    <section aria-label="Tray" className="col-span-2 flex min-h-0 flex-col border-t-2 border-ink bg-paper">
      <TrayHead kind={chosen ? kindOf(motion ?? undefined) : null} own={own} busy={busy} />
      <div className="more-below min-h-0 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="Values">
        {chosen && motion && (
          <div className="grid w-max auto-cols-[248px] grid-flow-col">
            {motion.made.kind !== 'countdown' && (
              <BudgetGroup
                motion={motion}
                work={own}
                picture={chosen.tile.picture}
                split={split}
                onSplit={(by) => splitOff(work, chosen, motion, by)}
              />
            )}
            <KindValues
              made={motion.made}
              style={work.style}
              // A stripe is a part of what is made: places and areas are those of the whole.
              slot={{ width: chosen.width, height: motion.window?.of ?? motion.height }}
              put={(label, patch, merge) =>
                own.set(label, { made: { ...motion.made, ...patch } as Made }, merge)
              }
            />
            {motion.made.kind !== 'countdown' && (
              <TimingGroup motion={motion} set={own.set} length={length} />
            )}
            <FileGroup motion={motion} set={own.set}>
              <LessMotion work={work} chosen={chosen} drawn={own.pending ? null : drawn} />
            </FileGroup>
            {motion.made.kind !== 'countdown' && (
              <FormsGroup drawn={drawn} name={fileName(chosen)} setBusy={own.setBusy} />
            )}
          </div>
        )}
      </div>
    </section>
  )
}

/** What is chosen, what is wrong with it, and what is under way. */
function TrayHead({
  kind,
  own,
  busy,
}: {
  kind: string | null
  own: MotionWork
  busy: { what: string; cancel: () => void } | null
}) {
  return (
    <div className="flex h-[31px] shrink-0 items-center gap-2 border-b border-grout px-3.5 text-xs text-soft">
      <span>Motion</span>
      <span aria-hidden className="text-grout">
        /
      </span>
      <b className="text-ink">{kind ?? 'Nothing chosen'}</b>
      {own.problem && (
        <span role="alert" className="ml-3 truncate text-terra" title={own.problem}>
          {own.problem}
        </span>
      )}
      <span className="ml-auto flex items-center gap-3">
        {busy && <Progress what={busy.what} done={0} total={1} onCancel={busy.cancel} />}
        {own.busy && (
          <Progress what={own.busy.what} done={own.busy.done} total={1} onCancel={own.busy.cancel} />
        )}
      </span>
    </div>
  )
}
