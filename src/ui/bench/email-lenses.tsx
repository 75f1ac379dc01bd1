'use client'
import type { Parts } from '@/core/compile'
import { groundOf } from '@/core/email/ground'
import dynamic from 'next/dynamic'
import { startTransition, useEffect, useMemo, type ReactNode } from 'react'
import type { Band } from '@/core/email/schema'
import { nestedRow, placeOf } from '@/core/email/walk'
import { RecipientPick } from '../compose/recipients'
import { Tray } from '../compose/tray'
import type { EmailWork } from './email-work'
import { EmailLens, type EmailLensProps, type Marks } from './lens'
import { dayOf, nightOf } from './night'
import { pickedOf } from './selection'
import type { DraggedIn } from './dragged-in'
import { newBandSlotAt, newSlotAt, slotAt, type Slot } from './slots'
import { addTile } from '../compose/adding'
import { offeredKinds } from '../compose/groups'
import type { TileKind } from '@/core/email/tile'
import { toast } from '../parts/toast'

const loadEditor = () => import('../compose/editor').then((m) => m.InPlaceEditor)
const InPlaceEditor = dynamic(loadEditor, { ssr: false })

/** The width that stands for a phone, px. */
export const PHONE = 375

/**
 * The email through one lens, with selection, ties, and the words edited in place.
 * @param edits whether this lens is the one that holds the editor
 */
export function WorkLens({
  work,
  name,
  width,
  edits,
  night,
  parts: given,
  ...more
}: {
  work: EmailWork
  name: string
  width: number
  edits?: boolean
  /** Whether it is seen at night, by the email's own rules. */
  night?: boolean
  /** What is shown, where it is not the email as the other lenses show it. */
  parts?: Parts
} & Pick<
  EmailLensProps,
  'onMarks' | 'pictures' | 'cover' | 'overlay' | 'right' | 'bar' | 'detail' | 'speaks'
>) {
  const {
    selection: { band, tile },
  } = work
  const own = given ?? work.parts
  const parts = useMemo(() => (night ? nightOf(own) : dayOf(own)), [night, own])
  // The editor comes while words are looked at, so that it is there when they are opened.
  const words = tile?.kind === 'words'
  useEffect(() => {
    if (words) void loadEditor()
  }, [words])
  const { drag, gutters } = useReshaping(work)
  return (
    <EmailLens
      name={name}
      width={width}
      parts={parts}
      ties={work.ties}
      bandIds={work.bandIds}
      selected={tile?.id ?? band?.id}
      selectedBand={band?.id}
      hovered={work.hovered}
      onHover={work.setHovered}
      also={work.also}
      drag={drag}
      gutters={gutters}
      onPick={(ids, press) =>
        work.pick(ids, name, press.shiftKey ? 'to' : press.ctrlKey || press.metaKey ? 'also' : undefined)
      }
      onOpen={(ids) => work.open(ids, name)}
      overlay={(marks) => edits && <WordsInPlace work={work} marks={marks} />}
      {...more}
    />
  )
}

/** The words that are written in, where they stand. */
function WordsInPlace({ work, marks }: { work: EmailWork; marks: Marks }) {
  const place = work.editing ? placeOf(work.email, work.editing) : undefined
  const at = place && marks.get(place.tile.id)
  if (!place || place.tile.kind !== 'words' || !at) return null
  const words = place.tile
  return (
    <InPlaceEditor
      key={words.id}
      tile={words}
      words={work.writing}
      role={place.band.role}
      dir={words.dir ?? place.band.dir ?? work.email.dir}
      style={work.style}
      ground={groundOf(work.email, work.style, words.id).color}
      at={at}
      onEditor={work.setEditor}
      onDone={() => work.setEditing(null)}
      onChange={(text) =>
        // The editor shows what is typed; everything else follows when there is time.
        startTransition(() =>
          work.apply(
            'write',
            { name: 'setTile', what: { id: words.id, kind: 'words', set: { text } } },
            `write-${words.id}`,
          ),
        )
      }
    />
  )
}

/** What is dragged in the lenses: tiles and bands to other places, and what stands between cells. */
function useReshaping({ email, apply, select, selection }: EmailWork) {
  const { band, cell } = selection
  const drag = useMemo(
    () => ({
      holds: (ids: string[]) => pickedOf(email, ids),
      slotAt: (marks: Marks, id: string, x: number, y: number) => slotAt(email, marks, id, x, y),
      onDrop: (id: string, slot: Slot) => {
        apply(slot.edit.name === 'moveBand' ? 'move the band' : 'move the tile', slot.edit)
        select(id)
      },
      onNew: (what: DraggedIn, marks: Marks, x: number, y: number) => {
        if ('bands' in what) {
          const { at } = newBandSlotAt(email, marks, y)
          void placeBands(what, (bands) => {
            apply(`add ${what.name}`, { name: 'addBands', what: { bands, at } })
            select(bands[0]?.id ?? null)
          })
          return
        }
        const place = newSlotAt(email, marks, x, y)
        if (place && offeredKinds.includes(what.kind as TileKind))
          addTile({ email, selection, apply, onSelect: select }, what.kind as TileKind, place.at)
      },
      newSlotAt: (what: DraggedIn, marks: Marks, x: number, y: number) =>
        'bands' in what ? newBandSlotAt(email, marks, y) : newSlotAt(email, marks, x, y),
    }),
    [email, selection, apply, select],
  )
  const gutters = useMemo(() => {
    const row = band && (cell ? (nestedRow(band, cell.id) ?? band) : band)
    if (!row || row.cells.length < 2) return undefined
    return {
      row,
      onMove: (left: string, right: string, width: number) =>
        apply('share the width', { name: 'moveGutter', what: { left, right, width } }, `gutter-${left}`),
    }
  }, [band, cell, apply])
  return { drag, gutters }
}

/** Bands that were let go, once their pictures are drawn. */
async function placeBands(
  { bands }: Extract<DraggedIn, { name: string }>,
  place: (bands: Band[]) => void,
): Promise<void> {
  try {
    place(await bands())
  } catch (error) {
    toast.error((error as Error).message)
  }
}

/** The tray of an email's stage. */
export function WorkTray({ work, right }: { work: EmailWork; right?: ReactNode }) {
  return (
    <Tray
      email={work.email}
      job={work.job}
      setHouse={work.setHouse}
      flush={work.flush}
      style={work.style}
      selection={work.selection}
      also={work.also}
      reshape={work.reshape}
      onDuplicate={() => void work.duplicate()}
      editor={work.editor}
      apply={work.apply}
      onSelect={work.select}
      onEdit={work.edit}
      onMove={work.move}
      onRemove={work.remove}
      onAddBand={work.addBand}
      shown={work.shown}
      onShown={work.setShown}
      right={
        <>
          {work.email.way === 'plain' ? null : <RecipientPick work={work} />}
          {right}
        </>
      }
    />
  )
}
