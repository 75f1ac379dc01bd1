'use client'
import { useMemo, useState } from 'react'
import type { Edit, SetTile } from '@/core/email/edits'
import type { Tile } from '@/core/email/tile'
import { placesOf, type Place } from '@/core/email/walk'
import type { PictureRef } from '@/core/picture/ref'
import { definitionOf } from '@/core/tiles'
import type { EmailWork } from '../../bench/email-work'
import { Button, fieldClass, kb } from '../../parts/controls'
import { Dialog } from '../../parts/dialog'
import { ListTable } from './table'

interface Row {
  key: string
  place: Place
  picture: PictureRef
  alt: string | null
  /** Shown width, px; null where its kind does not say. */
  shown: number | null
  /** What gives it another alt text; null where that is written in the tray alone. */
  write: ((alt: string) => SetTile['set']) | null
  link: string
}

/** The pictures of a tile as they are listed. */
function rowsOf(place: Place): Row[] {
  const { tile } = place
  const key = (i: number) => `${tile.id}-${i}`
  if (tile.kind === 'picture')
    return tile.picture
      ? [
          {
            key: key(0),
            place,
            picture: tile.picture,
            alt: tile.alt,
            shown: tile.width,
            link: tile.link,
            write: (alt) => ({ alt }),
          },
        ]
      : []
  if (tile.kind === 'marks')
    return tile.marks.map((m, i) => ({
      ...{ key: key(i), place, picture: m.picture, alt: m.alt, shown: m.width, link: m.link },
      write: (alt) => ({ marks: tile.marks.map((x, k) => (k === i ? { ...x, alt } : x)) }),
    }))
  return definitionOf(tile)
    .pictures(tile)
    .map(({ picture, alt }, i) => ({ key: key(i), place, picture, alt, shown: null, link: '', write: null }))
}

/** Every picture of the email in one table: its alt text, link, bytes and size. */
export function PicturesDialog({ work, onClose }: { work: EmailWork; onClose: () => void }) {
  const rows = useMemo(() => [...placesOf(work.email)].flatMap(rowsOf), [work.email])
  const bytes = [...new Map(rows.map((r) => [r.picture.id, r.picture.bytes])).values()].reduce(
    (a, b) => a + b,
    0,
  )
  return (
    <Dialog
      open
      onClose={onClose}
      title="All pictures"
      about={`${rows.length} pictures, ${kb(bytes)} in all. An empty alt text says that a picture is decoration.`}
      wide
    >
      <ListTable heads={['Picture', 'Alt text', 'Link', 'Bytes', 'Shown, real']}>
        {rows.map((row) => (
          <PictureRow
            key={row.key}
            row={row}
            apply={work.apply}
            onGo={() => {
              work.select(row.place.tile.id)
              onClose()
            }}
          />
        ))}
      </ListTable>
    </Dialog>
  )
}

function PictureRow({
  row,
  apply,
  onGo,
}: {
  row: Row
  apply: (label: string, edit: Edit, merge?: string) => void
  onGo: () => void
}) {
  const { place, picture, alt, shown, link, write } = row
  const [typed, setTyped] = useState<string | null>(null)
  const set = () => {
    if (typed !== null && typed !== alt && write) apply('write an alt text', edited(place.tile, write(typed)))
    setTyped(null)
  }
  return (
    <tr className="border-t border-grout align-middle">
      <td className="p-1">
        <Button
          look="plain"
          className="!p-0"
          aria-label={`Go to the picture in ${place.band.name}`}
          onClick={onGo}
        >
          <img
            src={`/api/pictures/${picture.id}?width=96`}
            alt=""
            className="h-9 w-12 border border-grout bg-ground object-contain"
          />
        </Button>
      </td>
      <td className="w-[45%] p-1">
        <input
          aria-label={`Alt text in ${place.band.name}`}
          className={fieldClass}
          placeholder={alt === null ? 'not written yet' : 'decoration'}
          value={typed ?? alt ?? ''}
          disabled={!write}
          onChange={(e) => setTyped(e.target.value)}
          onBlur={set}
          onKeyDown={(e) => {
            if (e.key === 'Enter') set()
          }}
        />
      </td>
      <td className="max-w-36 truncate p-1 font-mono" title={link}>
        {link || '-'}
      </td>
      <td className="p-1 font-mono whitespace-nowrap">{kb(picture.bytes)}</td>
      <td className="p-1 font-mono whitespace-nowrap">
        {shown === null ? '' : `${Math.round(shown)} of `}
        {picture.width} x {picture.height}
        {shown !== null && <span className="text-soft"> {(picture.width / shown).toFixed(1)}x</span>}
      </td>
    </tr>
  )
}

const edited = (tile: Tile, set: SetTile['set']): Edit => ({
  name: 'setTile',
  what: { id: tile.id, kind: tile.kind, set } as SetTile,
})
