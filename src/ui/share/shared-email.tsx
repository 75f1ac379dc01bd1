'use client'
import { useMemo, useState } from 'react'
import { compileMapped } from '@/core/compile'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { withKeptFonts } from '@/core/email/fonts'
import { asSample } from '@/core/text/fields'
import type { Routes } from '@/contract'
import type { AnswerOf } from '@/contract/route'
import { call } from '../api'
import { bandOf, pickedOf, selectionOf } from '../bench/selection'
import { EmailLens, LensFrame } from '../bench/lens'
import { nightOf } from '../bench/night'
import { Ties } from '../bench/ties'
import { Button, Choice, fieldClass, useMounted } from '../parts/controls'
import { Mark } from '../parts/mark'

type Shared = AnswerOf<Routes['GET /api/shares/:share']>
type Remark = Shared['remarks'][number]

interface Props extends Omit<Shared, 'design' | 'house' | 'email'> {
  share: string
  email: Email
  house: HouseStyle
  design: { id: string; width: number; height: number } | null
}

const PHONE = 375
const views = ['Wide', 'Narrow', 'Night', 'Design'] as const
type View = (typeof views)[number]

/** The email as its client sees it under a link: wide, narrow, at night, its design; remarks are pinned to places, and a yes is said. */
export function SharedEmail(p: Props) {
  const [remarks, setRemarks] = useState(p.remarks)
  const [at, setAt] = useState<{ id: string; lens: string } | null>(null)
  const [second, setSecond] = useState<View>('Narrow')
  const mounted = useMounted()
  return (
    <div className="grid h-dvh min-h-[560px] min-w-[900px] grid-cols-[minmax(0,1fr)_330px] grid-rows-[52px_minmax(0,1fr)]">
      <header className="col-span-2 flex items-center gap-4 border-b border-grout bg-paper px-4">
        <Mark />
        <div className="min-w-0 leading-tight">
          <h1 className="truncate text-base">{p.email.subject || p.name}</h1>
          <p className="truncate text-[11.5px] text-soft">
            {p.client}, to be looked at until {new Date(p.expiresAt).toLocaleDateString('en-GB')}
          </p>
        </div>
        <div className="ml-auto w-72">
          <Choice
            label="Beside it"
            value={second}
            options={views
              .filter((v) => v !== 'Wide' && (v !== 'Design' || p.design))
              .map((v) => ({ value: v, label: v }))}
            onChange={setSecond}
          />
        </div>
      </header>
      {mounted && (
        <Lenses
          {...p}
          remarks={remarks}
          second={second}
          at={at?.id ?? null}
          onPick={(id, lens) => setAt({ id, lens })}
        />
      )}
      <aside aria-label="Remarks" className="flex min-h-0 flex-col border-l border-grout bg-paper">
        <Saying
          {...p}
          at={at}
          onPlace={(id) => setAt(id ? { id, lens: at?.lens ?? 'Wide' } : null)}
          onSaid={setRemarks}
        />
        <Remarks
          email={p.email}
          remarks={remarks}
          onGo={(r) => setAt({ id: r.tile ?? r.band, lens: r.lens })}
        />
        <Yes {...p} />
      </aside>
    </div>
  )
}

/** Two ways of looking at it, tied band to band. */
function Lenses({
  share,
  email,
  house,
  design,
  remarks,
  second,
  at,
  onPick,
}: Props & { second: View; at: string | null; onPick: (id: string, lens: string) => void }) {
  const [ties] = useState(() => new Ties())
  const parts = useMemo(() => {
    const src = (picture: { id: string }) => `/api/shares/${share}/pictures/${picture.id}`
    const fields = asSample({ unsubscribe: '#' })
    const shown = withKeptFonts(house, (font) => `/api/shares/${share}/fonts/${font}`)
    return compileMapped(email, shown, {
      src,
      fields,
      conditions: () => true,
      marks: true,
      apart: true,
    }).parts()
  }, [share, email, house])
  const night = useMemo(() => nightOf(parts), [parts])
  const bandIds = useMemo(() => email.bands.map((b) => b.id), [email])
  const { band, tile } = selectionOf(email, at)
  const lens = (name: string, width: number, shown = parts) => (
    <EmailLens
      key={name}
      name={name}
      width={width}
      parts={shown}
      ties={ties}
      bandIds={bandIds}
      selected={tile?.id ?? band?.id}
      selectedBand={band?.id}
      onPick={(ids) => {
        const id = pickedOf(email, ids)
        if (id) onPick(id, name)
      }}
      overlay={(marks) =>
        remarks
          .filter((r) => !r.settledAt)
          .map((r, i) => {
            const place = marks.get(r.tile ?? r.band)
            return place ? (
              <Pin key={r.id} n={remarks.length - i} top={place.top} left={place.left + place.width} />
            ) : null
          })
      }
    />
  )
  return (
    <main className="grid min-h-0 grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
      {lens('Wide', email.width)}
      {second === 'Narrow' && lens('Narrow', PHONE)}
      {second === 'Night' && lens('Night', email.width, night)}
      {second === 'Design' && design && <Design share={share} design={design} />}
    </main>
  )
}

const Design = ({ share, design }: { share: string; design: NonNullable<Props['design']> }) => (
  <LensFrame name="Design" detail={`${design.width} px`}>
    <div className="min-h-0 flex-1 overflow-y-auto p-2.5" tabIndex={0} role="region" aria-label="The design">
      <img src={`/api/shares/${share}/pictures/${design.id}`} alt="The design" className="block w-full" />
    </div>
  </LensFrame>
)

const Pin = ({ n, top, left }: { n: number; top: number; left: number }) => (
  <span
    aria-hidden
    className="absolute grid h-6 w-6 -translate-x-7 translate-y-1 place-items-center bg-[#b44b2a] font-mono text-xs font-semibold text-white"
    style={{ top, left }}
  >
    {n}
  </span>
)

/** What a place is called. */
function placeName(email: Email, id: string | null): string {
  const band = id && bandOf(email, id)
  if (!band) return ''
  const { tile } = selectionOf(email, id)
  return tile ? `${band.name}, ${tile.kind}` : band.name
}

type At = { id: string; lens: string } | null

/** A remark that is being written. */
function useSaying({
  share,
  email,
  at,
  onSaid,
}: Pick<Props, 'share' | 'email'> & { at: At; onSaid: (remarks: Remark[]) => void }) {
  const [by, setBy] = useState('')
  const [said, setSaid] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const { band, tile } = selectionOf(email, at?.id ?? null)
  async function say() {
    try {
      const { remarks } = await call('POST /api/shares/:share/remarks', {
        params: { share },
        body: { band: band!.id, ...(tile ? { tile: tile.id } : {}), lens: at!.lens, by, said },
      })
      onSaid(remarks)
      setSaid('')
      setProblem(null)
    } catch (e) {
      setProblem((e as Error).message)
    }
  }
  return { by, setBy, said, setSaid, problem, band, tile, say }
}

/** A remark on the place that was pressed. */
function Saying({
  share,
  email,
  at,
  onPlace,
  onSaid,
}: Props & {
  at: At
  onPlace: (id: string) => void
  onSaid: (remarks: Remark[]) => void
}) {
  const { by, setBy, said, setSaid, problem, band, tile, say } = useSaying({ share, email, at, onSaid })
  return (
    <form
      className="flex flex-col gap-2 border-b border-grout p-4"
      onSubmit={(e) => {
        e.preventDefault()
        void say()
      }}
    >
      <h2 className="text-[15px]">A remark</h2>
      <PlaceField email={email} at={at} tile={tile?.id} onPlace={onPlace} />
      <textarea
        aria-label="The remark"
        rows={3}
        className={fieldClass}
        value={said}
        maxLength={2000}
        onChange={(e) => setSaid(e.target.value)}
      />
      <input
        aria-label="Your name"
        placeholder="Your name"
        className={fieldClass}
        value={by}
        maxLength={80}
        onChange={(e) => setBy(e.target.value)}
      />
      <Button look="main" type="submit" disabled={!band || !said.trim() || !by.trim()}>
        Pin the remark
      </Button>
      {problem && (
        <p role="alert" className="text-xs text-terra">
          {problem}
        </p>
      )}
    </form>
  )
}

/** Which place the remark is on: the one that was pressed, or a band by its name. */
function PlaceField({
  email,
  at,
  tile,
  onPlace,
}: Pick<Props, 'email'> & { at: At; tile: string | undefined; onPlace: (id: string) => void }) {
  return (
    <label className="block text-xs">
      <span className="text-soft">On</span>
      <select
        aria-label="Place of the remark"
        className={fieldClass}
        value={at?.id ?? ''}
        onChange={(e) => onPlace(e.target.value)}
      >
        <option value="">Press a place in the email, or choose a band</option>
        {tile && <option value={tile}>{placeName(email, tile)}</option>}
        {email.bands.map((b) => (
          <option key={b.id} value={b.id}>
            {b.name}
          </option>
        ))}
      </select>
    </label>
  )
}

/** What was remarked, the latest first. */
function Remarks({
  email,
  remarks,
  onGo,
}: {
  email: Email
  remarks: readonly Remark[]
  onGo: (r: Remark) => void
}) {
  return (
    <ol className="min-h-0 flex-1 overflow-auto" aria-label="Remarks so far">
      {remarks.length === 0 && <li className="p-4 text-xs text-soft">No remarks yet.</li>}
      {remarks.map((r, i) => (
        <li key={r.id} className="border-b border-grout px-4 py-2 text-xs">
          <button type="button" className="text-left hover:text-lapis" onClick={() => onGo(r)}>
            <b className="font-semibold">
              {remarks.length - i}. {placeName(email, r.tile ?? r.band) || 'A place that is gone'}
            </b>
          </button>
          <p className="my-0.5 text-[13px]">{r.said}</p>
          <p className="text-soft">
            {r.by}, {r.lens.toLowerCase()}
            {r.settledAt ? ': settled' : ''}
          </p>
        </li>
      ))}
    </ol>
  )
}

/** Saying yes to the email as it is. */
function Yes({ share, revision, yes: before }: Props) {
  const [yes, setYes] = useState(before)
  const [by, setBy] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  async function say() {
    try {
      setYes((await call('POST /api/shares/:share/yes', { params: { share }, body: { by, revision } })).yes)
      setProblem(null)
    } catch (e) {
      setProblem((e as Error).message)
    }
  }
  return (
    <form
      className="flex flex-col gap-2 border-t-2 border-ink p-4"
      onSubmit={(e) => {
        e.preventDefault()
        void say()
      }}
    >
      {yes && (
        <p role="status" className="border-l-4 border-verdigris bg-sheet px-2.5 py-1.5 text-xs">
          {yes.by} said yes on {new Date(yes.at).toLocaleDateString('en-GB')}
          {yes.revision === revision ? '.' : ', to an earlier state of it.'}
        </p>
      )}
      {yes?.revision !== revision && (
        <div className="grid grid-cols-[1fr_auto] gap-2">
          <input
            aria-label="Who says yes"
            placeholder="Your name"
            className={fieldClass}
            value={by}
            maxLength={80}
            onChange={(e) => setBy(e.target.value)}
          />
          <Button look="main" type="submit" disabled={!by.trim()}>
            Yes, send it
          </Button>
        </div>
      )}
      {problem && (
        <p role="alert" className="text-xs text-terra">
          {problem}
        </p>
      )}
    </form>
  )
}
