'use client'
import { useEffect, useState } from 'react'
import { FileButton } from '../parts/file-button'
import { toast } from '../parts/toast'
import { sharesOf, versionIn, type ReaderSupport, type Version } from '@/core/readers/versions'
import type { Email } from '@/core/email/schema'
import type { Tile } from '@/core/email/tile'
import { placesOf } from '@/core/email/walk'
import { isInteractive } from '@/core/interact/kinds'
import { call } from '../api'
import type { EmailWork } from '../bench/email-work'
import { kindLabel } from '../compose/groups'
import { cx } from '../parts/controls'

const versions: readonly { id: Version; label: string; color: string }[] = [
  { id: 'amp', label: 'AMP', color: 'bg-lapis' },
  { id: 'live', label: 'CSS only', color: 'bg-verdigris' },
  { id: 'still', label: 'Static', color: 'bg-grout' },
]

const sends = (tile: Tile) => tile.kind === 'rating' || tile.kind === 'form'

/** The readers' support, once it is known. */
function useReaders() {
  const [known, setKnown] = useState<{ at: string; readers: ReaderSupport[] } | null>(null)
  useEffect(() => {
    void call('GET /api/readers/interactive', {}).then(setKnown, (e: Error) => toast.error(e.message))
  }, [])
  return known
}

/** Tiles by what decides which version is seen, in the order of their first. */
const alike = (tiles: readonly Tile[]): Tile[][] => [
  ...tiles
    .reduce((by, tile) => {
      const key = `${tile.kind === 'live'} ${sends(tile)}`
      return by.set(key, [...(by.get(key) ?? []), tile])
    }, new Map<string, Tile[]>())
    .values(),
]

/** Under the interactive tiles, once for those that are alike: in which readers which version is seen, with the client's own shares where they are known. */
export function Support({ work, amp }: { work: EmailWork; amp: boolean }) {
  const known = useReaders()
  const { email, selection } = work
  const tiles = interactiveIn(email)
  const shares = work.job.client.house.readers ?? []
  return (
    <section aria-label="Which version is seen" className="flex flex-col gap-2 p-3 text-xs">
      <h2 className="text-[13px]">What readers see</h2>
      {known && (
        <p className="text-[11px] text-soft">
          By the open data of {known.at.slice(0, 10)}
          {shares.length ? ', with this client’s shares' : ''}.
        </p>
      )}
      {!tiles.length && (
        <p className="text-soft">
          Nothing in this email answers inside the message. Add panels, a rating, a poll or a quiz in Compose:
          under &quot;Other tile&quot;.
        </p>
      )}
      <ul className="flex flex-col gap-2.5">
        {known &&
          alike(tiles).map((group) => (
            <li key={group[0]!.id}>
              {group.map((tile) => (
                <button
                  key={tile.id}
                  type="button"
                  aria-pressed={selection.tile?.id === tile.id}
                  className={cx(
                    'block min-h-6 w-full border-l-[3px] pl-2 text-left font-semibold',
                    selection.tile?.id === tile.id ? 'border-lapis' : 'border-grout hover:border-soft',
                  )}
                  onClick={() => work.select(tile.id)}
                >
                  {kindLabel(tile.kind)}
                </button>
              ))}
              <Seen tile={group[0]!} readers={known.readers} amp={amp} shares={shares} />
            </li>
          ))}
      </ul>
      <SharesField work={work} />
    </section>
  )
}

export const interactiveIn = (email: Email): Tile[] =>
  email.way === 'bands' ? [...placesOf(email)].map((p) => p.tile).filter(isInteractive) : []

function Seen({
  tile,
  readers,
  amp,
  shares,
}: {
  tile: Tile
  readers: readonly ReaderSupport[]
  amp: boolean
  shares: readonly { reader: string; share: number }[]
}) {
  const by = (version: Version) =>
    readers.filter((r) => versionIn(r, { amp, live: tile.kind !== 'live', form: sends(tile) }) === version)
  const part = (list: readonly ReaderSupport[]) =>
    shares.filter((s) => list.some((r) => r.name === s.reader)).reduce((sum, s) => sum + s.share, 0)
  return (
    <dl className="mt-1 flex flex-col gap-1 pl-2.5">
      {versions.map(({ id, label, color }) => {
        const list = by(id)
        return (
          list.length > 0 && (
            <div key={id}>
              <dt className="flex items-center gap-1.5">
                <i aria-hidden className={cx('inline-block h-2 w-2', color)} />
                {label}
                <span className="ml-auto font-mono text-[11px]">
                  {shares.length
                    ? `${Math.round(part(list) * 100)} %`
                    : `${list.length} of ${readers.length}`}
                </span>
              </dt>
              <dd className="text-[11px] leading-snug text-soft">{list.map((r) => r.name).join('; ')}</dd>
            </div>
          )
        )
      })}
    </dl>
  )
}

/** Takes the client's own shares from a CSV, and takes them away. */
function SharesField({ work }: { work: EmailWork }) {
  const { client } = work.job
  const keep = async (readers: { reader: string; share: number }[] | undefined) => {
    const house = { ...client.house, readers }
    try {
      await call('PATCH /api/clients/:client', { params: { client: client.id }, body: { house } })
      work.setHouse(house)
    } catch (e) {
      toast.error((e as Error).message)
    }
  }
  async function take(file: File) {
    const { shares, unknown } = sharesOf(await file.text())
    if (!shares.length)
      return toast.error(
        'No share was found. A CSV has a reader and its part in each line, such as "Gmail, web, 0.31" as two columns.',
      )
    await keep(shares)
    if (unknown.length) toast.warning(`Not known here, so left over: ${unknown.slice(0, 6).join(', ')}`)
  }
  return (
    <p className="flex flex-wrap items-center gap-2 text-[11.5px]">
      <FileButton
        label={client.house.readers?.length ? 'Other shares (CSV)' : `Shares of ${client.name} (CSV)`}
        accept=".csv,text/csv,text/plain"
        onFile={(f) => void take(f)}
      />
      {client.house.readers?.length ? (
        <button type="button" className="underline underline-offset-2" onClick={() => void keep(undefined)}>
          take them off
        </button>
      ) : null}
    </p>
  )
}
