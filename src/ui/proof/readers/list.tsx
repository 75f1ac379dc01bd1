import { useEffect, useRef } from 'react'
import { sentenceOf, type Forecast } from '@/core/readers/forecast'
import { profiles, windowsOf, type Profile } from '@/core/readers/profiles'
import type { Share } from '@/core/readers/versions'
import { Choice, cx } from '../../parts/controls'
import { VerdictLine } from './verdict'
import type { ReaderPicture, Wall } from './use-wall'

/** The wall of readers: the email as each of them shows it, in small, the least like the email as written first. */
export function ReaderList({
  forecasts,
  wall,
  open,
  onOpen,
  night,
  onNight,
  asked,
  onAsked,
  shares,
}: {
  forecasts: ReadonlyMap<string, Forecast>
  wall: Wall
  /** The reader that stands as a lens. */
  open: string | null
  onOpen: (id: string) => void
  night: boolean
  onNight: (night: boolean) => void
  /** Whether pictures were asked for, where a reader shows none before. */
  asked: boolean
  onAsked: (asked: boolean) => void
  /** Of the client, where they are known. */
  shares: readonly Share[]
}) {
  const likeness = (p: Profile) => leastOf(wall.get(p.id))
  // Those that are not drawn yet stand last, in their own order.
  const sorted = profiles.toSorted((a, b) => (likeness(a) ?? 2) - (likeness(b) ?? 2))
  const drawn = profiles.filter((p) => wall.has(p.id)).length
  return (
    <>
      <div className="flex flex-col gap-1.5 border-b border-grout px-3 py-2">
        <Choice
          label="When it is read"
          value={night ? 'night' : 'day'}
          options={[
            { value: 'day', label: 'By day' },
            { value: 'night', label: 'At night' },
          ]}
          onChange={(v) => onNight(v === 'night')}
        />
        <label className="flex min-h-6 items-center gap-1.5 text-[11.5px]">
          <input
            type="checkbox"
            className="accent-lapis"
            checked={asked}
            onChange={(e) => onAsked(e.target.checked)}
          />
          pictures were asked for
        </label>
        <p className="text-[11px] text-soft" role="status">
          {drawn < profiles.length
            ? `Drawing: ${drawn} of ${profiles.length} readers`
            : `${profiles.length} readers, the least like the email as written first. Forecasts by rule.`}
        </p>
        <VerdictLine forecasts={forecasts} shares={shares} />
      </div>
      <ol className="min-h-0 flex-1 overflow-y-auto" aria-label="Wall of readers">
        {sorted.map((p) => (
          <Reader
            key={p.id}
            profile={p}
            forecast={forecasts.get(p.id)}
            pictures={wall.get(p.id)}
            on={open === p.id}
            night={night}
            onOpen={() => onOpen(p.id)}
          />
        ))}
      </ol>
    </>
  )
}

const leastOf = (pictures: readonly ReaderPicture[] | undefined): number | null =>
  pictures?.length ? Math.min(...pictures.map((p) => p.likeness)) : null

function Reader({
  profile,
  forecast,
  pictures,
  on,
  night,
  onOpen,
}: {
  profile: Profile
  forecast: Forecast | undefined
  pictures: readonly ReaderPicture[] | undefined
  on: boolean
  night: boolean
  onOpen: () => void
}) {
  const likeness = leastOf(pictures)
  const stays = night && profile.dark === null
  return (
    <li>
      <button
        type="button"
        aria-pressed={on}
        data-reader={profile.id}
        className={cx(
          'grid w-full grid-cols-[84px_minmax(0,1fr)] gap-2.5 border-b border-grout px-3 py-2 text-left',
          on ? 'bg-wash' : 'hover:bg-paper',
        )}
        onClick={onOpen}
      >
        <span className="flex h-[92px] items-start gap-1 overflow-hidden bg-ground p-1">
          {pictures?.map((p) => (
            <Small key={p.width} picture={p} of={pictures.length} />
          ))}
        </span>
        <span className="flex min-w-0 flex-col gap-0.5 text-xs">
          <b className="text-[12.5px] leading-tight">{profile.name}</b>
          <span className="font-mono text-[11px] text-soft">
            {windowsOf(profile).join(' and ')} px{likeness === null ? '' : ` · ${percent(likeness)} alike`}
          </span>
          <span className="leading-snug text-ink">
            {forecast ? sentenceOf(forecast.effects) : 'Not looked at yet.'}
          </span>
          {stays && <span className="text-soft">Has no dark of its own for messages.</span>}
          {profile.asksForPictures && (
            <span className="text-soft">Shows pictures once they are asked for.</span>
          )}
        </span>
      </button>
    </li>
  )
}

const percent = (likeness: number): string => `${Math.floor(likeness * 100)} %`

/** A picture of the email, from its top. */
function Small({ picture, of }: { picture: ReaderPicture; of: number }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const { picture: drawn } = picture
  useEffect(() => {
    canvas.current?.getContext('2d')?.drawImage(drawn, 0, 0)
  }, [drawn])
  return (
    <canvas
      ref={canvas}
      aria-hidden
      width={drawn.width}
      height={drawn.height}
      style={{ width: of > 1 ? (picture.width > 480 ? 46 : 26) : picture.width > 480 ? 76 : 44 }}
    />
  )
}
