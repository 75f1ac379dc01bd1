'use client'
import { Film, Plus } from 'lucide-react'
import { useId, useState, type FormEvent } from 'react'
import type { Finding } from '@/core/checks'
import { BUDGET } from '@/core/motion/schema'
import { Button, cx, kb } from '../parts/controls'
import type { Recipe } from './begin'
import { kindOf, seconds, type MovingTile } from './moving'

/** The email's moving pictures, and ways to more of them. */
export function MovingList({
  tiles,
  chosen,
  findings,
  begins,
  selected,
  onChoose,
  onBegin,
  onFiles,
  onAddress,
}: {
  tiles: readonly MovingTile[]
  chosen: string | null
  findings: readonly Finding[]
  /** Ways to make what is selected move. */
  begins: readonly Recipe[]
  /** What is selected, in words; null: nothing that could move. */
  selected: string | null
  onChoose: (id: string) => void
  onBegin: (kind: Recipe['kind']) => void
  onFiles: (files: File[]) => void
  onAddress: (address: string) => void
}) {
  return (
    <aside aria-label="Moving pictures" className="flex min-h-0 flex-col border-r border-grout bg-plaster">
      <ol className="min-h-0 flex-1 overflow-y-auto">
        {tiles.map((t) => (
          <MovingItem
            key={t.tile.id}
            moving={t}
            on={t.tile.id === chosen}
            findings={findings.filter((f) => f.where.tile === t.tile.id && f.stage === 'motion' && !f.muted)}
            onChoose={() => onChoose(t.tile.id)}
          />
        ))}
        {!tiles.length && (
          <li className="p-3 text-xs leading-snug text-soft">
            Nothing moves yet. Press a picture or words in the email and make them move, or bring something
            in.
          </li>
        )}
      </ol>
      {begins.length > 0 && (
        <section className="border-t border-grout p-2.5">
          <h3 className="mb-1.5 text-[13px]">Make it move</h3>
          <p className="mb-1.5 truncate text-[11.5px] text-soft">{selected}</p>
          <div className="flex flex-wrap gap-1">
            {begins.map((b) => (
              <Button key={b.kind} className="px-1.5 py-0.5 text-[11.5px]" onClick={() => onBegin(b.kind)}>
                {b.label}
              </Button>
            ))}
          </div>
        </section>
      )}
      <BringIn onFiles={onFiles} onAddress={onAddress} />
    </aside>
  )
}

function MovingItem({
  moving: { tile, bandName, width },
  on,
  findings,
  onChoose,
}: {
  moving: MovingTile
  on: boolean
  findings: readonly Finding[]
  onChoose: () => void
}) {
  const { picture, motion } = tile
  const budget = motion?.budget ?? BUDGET
  const part = (picture?.bytes ?? 0) / budget
  return (
    <li>
      <button
        type="button"
        aria-current={on || undefined}
        className={cx(
          'flex w-full gap-2 border-b border-grout p-2 text-left',
          on ? 'bg-wash' : 'hover:bg-paper',
        )}
        onClick={onChoose}
      >
        {picture ? (
          <img
            src={`/api/pictures/${picture.id}${picture.moving ? '?frame=0' : ''}`}
            alt=""
            className="h-11 w-12 shrink-0 bg-ground object-cover"
          />
        ) : (
          <span className="grid h-11 w-16 shrink-0 place-items-center bg-ground">
            <Film size={16} />
          </span>
        )}
        <span className="min-w-0 flex-1 text-xs leading-tight">
          <b className="block truncate font-semibold">{kindOf(motion)}</b>
          <span className="block truncate text-soft">{bandName}</span>
          <span className="mt-0.5 flex items-center gap-1.5 font-mono text-[10.5px] whitespace-nowrap text-soft">
            {picture?.moving ? seconds(picture.moving.ms) : `${width} px`}
            <span className={part > 1 ? 'text-terra' : 'text-verdigris'}>
              {picture ? kb(picture.bytes) : '…'}
            </span>
            {findings.length > 0 && <span className="text-terra">{findings.length} to see</span>}
          </span>
          <meter
            aria-label={`Bytes of the budget of ${kb(budget)}`}
            min={0}
            max={1}
            high={0.999}
            value={Math.min(1, part)}
            className="h-1.5 w-full"
          />
        </span>
      </button>
    </li>
  )
}

/** From a file, the clipboard, or an address. */
function BringIn({
  onFiles,
  onAddress,
}: {
  onFiles: (files: File[]) => void
  onAddress: (address: string) => void
}) {
  const id = useId()
  const [address, setAddress] = useState('')
  const go = (e: FormEvent) => {
    e.preventDefault()
    if (address.trim()) onAddress(address.trim())
    setAddress('')
  }
  return (
    <section className="border-t border-grout p-2.5">
      <h3 className="mb-1.5 text-[13px]">Bring in</h3>
      <label
        htmlFor={id}
        className="flex justify-center gap-1.5 border border-grout bg-sheet px-2 py-1 text-[12.5px] focus-within:outline-2 focus-within:outline-lapis hover:border-soft"
      >
        <Plus size={14} className="mt-0.5" /> Moving picture, stills, film
        <input
          id={id}
          type="file"
          multiple
          accept="image/gif,image/png,image/apng,image/webp,image/jpeg,video/mp4,video/quicktime,video/webm,.mov,.mp4,.webm"
          className="sr-only"
          onChange={(e) => {
            onFiles([...(e.target.files ?? [])])
            e.target.value = ''
          }}
        />
      </label>
      <form onSubmit={go} className="mt-1 flex gap-1">
        <input
          aria-label="Address of a picture"
          placeholder="https:// of a picture"
          className="w-full min-w-0 border border-grout bg-sheet px-1.5 py-[3px] font-mono text-[11px]"
          value={address}
          onChange={(e) => setAddress(e.target.value)}
        />
        <Button type="submit" className="px-2 py-0.5">
          Get
        </Button>
      </form>
      <p className="mt-1 text-[11px] leading-snug text-soft">
        Or paste one. What a tile says and where it leads stays.
      </p>
    </section>
  )
}
