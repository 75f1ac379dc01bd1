'use client'
import { useDeferredValue, useEffect, useMemo, useState } from 'react'
import type { Email } from '@/core/email/schema'
import { behaviourIds, behaviours } from '@/core/night/behaviours'
import { colorsOf } from '@/core/night/colors'
import { emailWithColor, withColor } from '@/core/night/replace'
import { useStageActions, type Action } from '../bench/actions'
import { WorkLens } from '../bench/email-lenses'
import type { EmailWork } from '../bench/email-work'
import type { Marks } from '../bench/lens'
import { LensToggles } from '../bench/lens-toggles'
import { Ribbons } from '../bench/ribbons'
import { ColorList } from './colors'
import { useForecast, type LensId } from './forecast'
import { NightTray, type TryOn } from './tray'

const lensIds: readonly LensId[] = ['day', ...behaviourIds]
const labelOf = (id: LensId): string => (id === 'day' ? 'Day' : behaviours[id].label)

/** The same email by day and under each kind of dark mode, with every colour in one table. */
export function NightStage({ work, setActions }: { work: EmailWork; setActions: (a: Action[]) => void }) {
  const { shown, toggle, honoured, setHonoured, actions } = useChoices()
  const [chosen, setChosen] = useState<string | null>(null)
  const [pointed, setPointed] = useState<string | null>(null)
  const [tried, setTried] = useState<TryOn | null>(null)
  const [marks, setMarks] = useState<Marks>(new Map())
  const { house } = work.job.client
  const email = useDeferredValue(work.email)
  const areaOf = (mark: string) => {
    const m = marks.get(mark.split(' ')[0]!)
    return m ? m.width * m.height : null
  }
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const colors = useMemo(() => colorsOf(email, house, areaOf), [email, house, marks.size > 0])
  const color = colors.find((c) => c.color === chosen) ?? null
  useEffect(() => setTried(null), [chosen])
  const seen = useMemo(() => (tried ? emailWithColor(email, tried.from, tried.to) : email), [email, tried])
  const seenHouse = useMemo(() => (tried ? withColor(house, tried.from, tried.to) : house), [house, tried])
  const places = colors.find((c) => c.color === (pointed ?? chosen))?.uses ?? []
  const at = [...new Set(places.flatMap((u) => u.mark?.split(' ') ?? []))]
  useStageActions(setActions, [...work.actions, ...actions])
  return (
    <>
      <ColorList colors={colors} chosen={chosen} onChoose={setChosen} onPoint={setPointed} />
      <main className="relative grid min-h-0 min-w-0 grid-rows-[30px_minmax(0,1fr)] bg-ground">
        <Choices shown={shown} onToggle={toggle} honoured={honoured} onHonoured={setHonoured} />
        <div
          className="relative grid min-h-0 min-w-0"
          style={{ gridTemplateColumns: `repeat(${shown.length}, minmax(0, 1fr))` }}
        >
          {shown.map((id) => (
            <NightLens
              key={id}
              id={id}
              work={work}
              email={seen}
              house={seenHouse}
              honoured={honoured}
              marked={at}
              {...(id === shown[0] && { onMarks: setMarks })}
            />
          ))}
          <Ribbons
            ties={work.ties}
            band={(places[0]?.band ?? work.selection.band?.id) || null}
            faint={work.hovered}
            order={shown.map(labelOf)}
          />
        </div>
      </main>
      <NightTray work={work} color={color} tried={tried} onTry={setTried} />
    </>
  )
}

/** Which lenses are shown, two to four. */
function useChoices() {
  const [shown, setShown] = useState<readonly LensId[]>(['day', 'partly', 'fully'])
  const [honoured, setHonoured] = useState(false)
  const toggle = (id: LensId) =>
    setShown((now) => {
      const next = now.includes(id) ? now.filter((x) => x !== id) : [...now, id]
      return next.length < 2 || next.length > 4 ? now : lensIds.filter((x) => next.includes(x))
    })
  const actions: Action[] = [
    ...lensIds.map((id) => ({
      id: `lens-${id}`,
      label: `Show or hide: ${labelOf(id)}`,
      group: 'Night',
      run: () => toggle(id),
    })),
    {
      id: 'honoured',
      label: 'Let the email’s own rules hold, or not',
      group: 'Night',
      run: () => setHonoured((h) => !h),
    },
  ]
  return { shown, toggle, honoured, setHonoured, actions }
}

/** Which lenses stand beside each other, and whether the email's own rules hold. */
function Choices({
  shown,
  onToggle,
  honoured,
  onHonoured,
}: {
  shown: readonly LensId[]
  onToggle: (id: LensId) => void
  honoured: boolean
  onHonoured: (on: boolean) => void
}) {
  return (
    <div
      className="flex items-center gap-1 border-b border-grout bg-paper px-2.5 text-xs"
      role="group"
      aria-label="Lenses"
    >
      <LensToggles
        lenses={lensIds.map((id) => ({
          id,
          label: labelOf(id),
          about: id === 'day' ? 'As it was made' : behaviours[id].about,
        }))}
        shown={shown}
        onToggle={onToggle}
      />
      <label className="ml-auto flex min-h-6 items-center gap-1.5 text-soft">
        <input
          type="checkbox"
          className="accent-lapis"
          checked={honoured}
          onChange={(e) => onHonoured(e.target.checked)}
        />
        its own rules hold too
      </label>
    </div>
  )
}

/** The email under one behaviour, with the places of a colour marked. */
function NightLens({
  id,
  work,
  email,
  house,
  honoured,
  marked,
  onMarks,
}: {
  id: LensId
  work: EmailWork
  email: Email
  house: EmailWork['job']['client']['house']
  honoured: boolean
  marked: readonly string[]
  onMarks?: (marks: Marks) => void
}) {
  const parts = useForecast(email, house, id, honoured)
  return (
    <WorkLens
      work={work}
      name={labelOf(id)}
      width={email.width}
      parts={parts}
      speaks={id === 'day'}
      onMarks={onMarks}
      overlay={(marks) =>
        marked.map((m) => {
          const at = marks.get(m)
          return (
            at && (
              <i
                key={m}
                aria-hidden
                className="pointer-events-none absolute outline-2 outline-offset-1 outline-[#b97d12]"
                style={{ left: at.left, top: at.top, width: at.width, height: at.height }}
              />
            )
          )
        })
      }
    />
  )
}
