'use client'
import { useEffect, useMemo, useState } from 'react'
import { toast } from '../parts/toast'
import { behaviourIds, behaviours } from '@/core/night/behaviours'
import { leastOf, type EmailColor, type Standing, type StandingUse } from '@/core/night/colors'
import { colorHere } from '@/core/night/here'
import { proposal } from '@/core/night/propose'
import { countColor, countInEmail, emailWithColor, withColor } from '@/core/night/replace'
import { call } from '../api'
import type { EmailWork } from '../bench/email-work'
import { Button, cx, Group } from '../parts/controls'
import { CardEdge, PictureAtNight } from './picture'
import { askForLooks } from '../bench/looks'
import { proposeNight, toMendAtNight } from './propose'
import { NightValues } from './values'

/** One colour in place of another, looked at before it is taken. */
export interface TryOn {
  from: string
  to: string
}

/** Where a colour is used, how it stands off, and what would hold instead. */
export function NightTray({
  work,
  color,
  tried,
  onTry,
}: {
  work: EmailWork
  color: EmailColor | null
  tried: TryOn | null
  onTry: (t: TryOn | null) => void
}) {
  const { tile } = work.selection
  const picture = tile?.kind === 'picture' ? tile : null
  return (
    <section aria-label="Tray" className="col-span-2 flex min-h-0 flex-col border-t-2 border-ink bg-paper">
      <div className="flex h-[31px] shrink-0 items-center gap-2 border-b border-grout px-3.5 text-xs text-soft">
        <span>Night</span>
        <span aria-hidden className="text-grout">
          /
        </span>
        <b className="text-ink">{color?.color ?? 'All colours'}</b>
        <span className="ml-auto">
          A forecast by rule: what it rests on stands with each lens. Readers differ, and change.
        </span>
      </div>
      <div className="more-below min-h-0 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="Values">
        <div className="grid w-max auto-cols-[minmax(248px,max-content)] grid-flow-col">
          <NightValues work={work} />
          {picture && <PictureAtNight key={picture.id} work={work} tile={picture} />}
          {color && <Contrasts color={color} bands={work.email.bands} onSelect={work.select} />}
          {color && <Proposals work={work} color={color} tried={tried} onTry={onTry} />}
          <WholePalette work={work} />
          <Group title="What is foretold" className="w-[300px]">
            {behaviourIds.map((id) => (
              <p key={id} className="text-[11.5px] leading-snug text-soft">
                <b className="text-ink">{behaviours[id].label}.</b> {behaviours[id].about} Rests on:{' '}
                {behaviours[id].rests}
              </p>
            ))}
          </Group>
        </div>
      </div>
    </section>
  )
}

const shown = (n: number): string => (Math.floor(n * 10) / 10).toFixed(1)

type Bands = EmailWork['email']['bands']

/** A contrast, told from what is wanted. */
const StandingCell = ({ of: { contrast, wanted } }: { of: Standing }) => (
  <td
    className={cx('px-1.5 text-right', wanted > 0 && (contrast < wanted ? 'text-terra' : 'text-verdigris'))}
  >
    {wanted ? shown(contrast) : ''}
  </td>
)

function PlaceRow({
  use,
  count,
  bands,
  onSelect,
}: {
  use: StandingUse
  count: number
  bands: Bands
  onSelect: (id: string | null) => void
}) {
  return (
    <tr>
      <td className="max-w-40 truncate pr-2">
        <button type="button" className="underline decoration-dotted" onClick={() => onSelect(use.band)}>
          {bands.find((b) => b.id === use.band)?.name ?? use.band}
        </button>{' '}
        <span className="text-soft">
          {use.what}
          {count > 1 && ` x ${count}`}
        </span>
      </td>
      <td className="px-1.5">
        <i
          className="inline-block h-3 w-3 border border-grout align-middle"
          style={{ background: use.ground }}
        />{' '}
        {use.ground}
      </td>
      <StandingCell of={use.day} />
      {behaviourIds.map((id) => (
        <StandingCell key={id} of={use.at[id]} />
      ))}
    </tr>
  )
}

/** A small table of contrasts by behaviour; the places that fail come first. */
function Contrasts({
  color,
  bands,
  onSelect,
}: {
  color: EmailColor
  bands: Bands
  onSelect: (id: string | null) => void
}) {
  const rows = useMemo(() => rowsOf(color.uses), [color.uses])
  const heads = [
    'place',
    'on',
    'day',
    ...behaviourIds.map((id) => behaviours[id].label.split(' ')[0]!.toLowerCase()),
  ]
  return (
    <Group title="Where it stands">
      <table className="font-mono text-[11px]">
        <thead>
          <tr className="text-left text-soft">
            {heads.map((h) => (
              <th key={h} className="px-1.5 font-normal first:pl-0">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ use, count }) => (
            <PlaceRow
              key={`${use.band}${use.what}${use.ground}${use.size}`}
              use={use}
              count={count}
              bands={bands}
              onSelect={onSelect}
            />
          ))}
        </tbody>
      </table>
      <p className="font-mono text-[11px] text-soft">
        shifts by{' '}
        {behaviourIds
          .map((id) => `${color.shift[id].toFixed(0)} ${behaviours[id].label.toLowerCase()}`)
          .join(', ')}{' '}
        (CIEDE2000)
      </p>
    </Group>
  )
}

/** Uses that look the same as one row, the worst first. */
function rowsOf(uses: readonly StandingUse[]): { use: StandingUse; count: number }[] {
  const rows = new Map<string, { use: StandingUse; count: number }>()
  for (const use of uses) {
    const key = `${use.band} ${use.what} ${use.ground} ${use.size}`
    const row = rows.get(key)
    if (row) row.count++
    else rows.set(key, { use, count: 1 })
  }
  return [...rows.values()].sort((a, b) => leastOf(a.use) - leastOf(b.use)).slice(0, 12)
}

interface ProposalsProps {
  work: EmailWork
  color: EmailColor
  tried: TryOn | null
  onTry: (t: TryOn | null) => void
}

/** The nearest colour that holds everywhere, to try on and to take. */
function Proposals(p: ProposalsProps) {
  const { color, uses } = p.color
  const grounds = useMemo(
    () =>
      uses
        .filter((u) => u.what === 'words')
        .map((u) => ({
          ground: u.ground,
          wanted: u.day.wanted,
          picture: u.behind.picture,
          said: u.said,
        })),
    [uses],
  )
  const found = useMemo(() => (grounds.length ? proposal(color, { grounds }) : null), [color, grounds])
  if (!grounds.length) return null
  return (
    <Group title="What would hold" className="w-[248px]">
      {found === color ? (
        <p className="text-xs text-verdigris">
          It is read everywhere, by day and under all that is foretold.
        </p>
      ) : found ? (
        <Proposal {...p} found={found} />
      ) : (
        <p className="text-xs text-terra">
          No colour is read on all the grounds it stands on, by day and at night: give one of these grounds
          another, or the words there.
        </p>
      )}
    </Group>
  )
}

function Proposal({ work, color: { color }, tried, onTry, found }: ProposalsProps & { found: string }) {
  const { email, job } = work
  const { house, id } = job.client
  const inEmail = countInEmail(email, color)
  const inHouse = countColor(house, color)
  const { band } = work.selection
  const inBand = band && email.way === 'bands' ? colorHere(email, house, band, color, found) : []
  const takeInHouse = async () => {
    const next = withColor(house, color, found)
    try {
      await call('PATCH /api/clients/:client', { params: { client: id }, body: { house: next } })
      work.setHouse(next)
      onTry(null)
    } catch (error) {
      toast.error((error as Error).message)
    }
  }
  const takeHere = () => {
    work.apply('change the colour', { name: 'replace', what: { email: emailWithColor(email, color, found) } })
    onTry(null)
  }
  return (
    <>
      <button
        type="button"
        aria-pressed={tried?.to === found}
        className="flex items-center gap-2 border border-grout bg-sheet p-1.5 text-left font-mono text-xs aria-pressed:border-lapis"
        onClick={() => onTry(tried ? null : { from: color, to: found })}
      >
        <i className="h-7 w-10" style={{ background: found }} />
        <span>
          {found}
          <br />
          <span className="text-[11px] text-soft">
            {tried ? 'tried on: press to take it off' : 'press to try it on'}
          </span>
        </span>
      </button>
      <Button look="main" disabled={!inEmail} onClick={takeHere}>
        Take it in this email ({inEmail})
      </Button>
      {band && (
        <Button
          disabled={!inBand.length}
          onClick={() => {
            work.apply('change the colour in the band', inBand)
            onTry(null)
          }}
        >
          Take it in {band.name} alone ({inBand.length})
        </Button>
      )}
      <Button disabled={!inHouse} onClick={() => void takeInHouse()}>
        Take it in the house style ({inHouse})
      </Button>
    </>
  )
}

/** Night colours for all of the email, from the day's, and what is left to mend of its pictures. */
function WholePalette({ work }: { work: EmailWork }) {
  const [busy, setBusy] = useState(false)
  const [known, setKnown] = useState(0)
  const { email } = work
  const { house } = work.job.client
  useEffect(() => {
    let current = true
    void askForLooks(email).then((news) => current && news && setKnown((n) => n + 1))
    return () => {
      current = false
    }
  }, [email])
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const left = useMemo(() => toMendAtNight(email, house), [email, house, known])
  const propose = async () => {
    setBusy(true)
    try {
      const plates = await proposeNight(work)
      if (plates) toast.success(`Night colours proposed, ${counted(plates, 'mark')} on a light plate.`)
    } catch (error) {
      toast.error((error as Error).message)
    } finally {
      setBusy(false)
    }
  }
  return (
    <Group title="All of it">
      <Button disabled={busy} onClick={() => void propose()}>
        {busy ? 'Proposing…' : 'Propose night colours'}
      </Button>
      <CardEdge work={work} />
      {left.length > 0 && (
        <Button
          onClick={() => {
            const { band, tile } = left[0]!.where
            if (band) work.select(band, tile)
          }}
        >
          {counted(left.length, 'picture')} to mend
        </Button>
      )}
      <p className="w-52 text-[11.5px] leading-snug text-soft">
        From the day’s: light grounds dark, hue kept, words as they can be read there. What was set for the
        night stays. Marks that would go lost get a light plate. Press a band or a tile to tune it.
      </p>
    </Group>
  )
}

const counted = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`
