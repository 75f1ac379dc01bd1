import { useEffect, useRef } from 'react'
import { toast } from '../parts/toast'
import { z } from 'zod'
import type { Edit } from '@/core/email/edits'
import { fresh } from '@/core/email/edits/reach'
import { copiesOf } from '@/core/email/kept'
import type { Band, Email } from '@/core/email/schema'
import type { Tile } from '@/core/email/tile'
import { bandsHeld, type OnSelection } from './on-selection'
import type { Selection } from './selection'

/** What was copied lies under this type, for any job in any tab; beside it stand its words. */
const TYPE = 'application/x-mosaicus'

type Copied = { bands: Band[] } | { tile: Tile }

interface Hold {
  email: Email
  selection: Selection
  also: readonly string[]
  select: (id: string | null) => void
  apply: (label: string, edit: Edit) => void
  remove: OnSelection['remove']
  /** Whether words are being written. */
  writing: boolean
}

/** What is selected, as it is copied. */
function selected({ email, selection, also }: Hold): Copied | null {
  if (selection.tile) return { tile: selection.tile }
  const ids = bandsHeld({ email, selection, also }) ?? (selection.band ? [selection.band.id] : [])
  const bands = email.bands.filter((b) => ids.includes(b.id))
  return bands.length && !selection.cell ? { bands } : null
}

/** JSON, or null of what is none: any program may put anything there. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}

/** Puts what was copied behind what is selected. */
async function put(text: string, { email, selection, select, apply }: Hold): Promise<void> {
  const { bandSchema } = await import('@/core/tiles/document')
  const { tileSchema } = await import('@/core/tiles')
  const copied = z.union([z.object({ bands: z.array(bandSchema).min(1) }), z.object({ tile: tileSchema })])
  const found = copied.safeParse(parsed(text))
  if (!found.success)
    return void toast.error(
      'What was copied comes from another version of the app, and cannot be put in here.',
    )
  if ('tile' in found.data) {
    const cell = selection.cell ?? selection.band?.cells[0]
    if (!cell) return void toast('Select a band or a cell to put the tile into.')
    const tile = fresh(found.data.tile as Tile)
    const at = selection.tile
      ? cell.items.findIndex((i) => i.id === selection.tile!.id) + 1
      : cell.items.length
    apply('paste the tile', { name: 'addTile', what: { cell: cell.id, at, tile } })
    return select(tile.id)
  }
  const bands = copiesOf(found.data.bands)
  const at = selection.band
    ? email.bands.findIndex((b) => b.id === selection.band!.id) + 1
    : email.bands.length
  apply('paste the bands', { name: 'addBands', what: { bands, at } })
  select(bands[0]!.id)
}

/** Whether the clipboard is the page's own business: words are selected, or a field has the focus. */
const isTheirs = (e: ClipboardEvent): boolean => {
  const at = e.target
  const field =
    at instanceof HTMLElement && (at.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(at.tagName))
  return field || !!getSelection()?.toString() || !!document.querySelector('[role=dialog]')
}

/** Bands and tiles are copied, cut and pasted, within an email and from job to job. */
export function useClipboard(hold: Hold): void {
  const now = useRef(hold)
  now.current = hold
  useEffect(() => {
    const copy = (e: ClipboardEvent) => {
      const what = now.current.writing || isTheirs(e) ? null : selected(now.current)
      if (!what) return
      e.clipboardData?.setData(TYPE, JSON.stringify(what))
      e.preventDefault()
      if (e.type === 'cut') now.current.remove()
    }
    const paste = (e: ClipboardEvent) => {
      const text = now.current.writing || isTheirs(e) ? '' : e.clipboardData?.getData(TYPE)
      if (!text) return
      e.preventDefault()
      void put(text, now.current)
    }
    addEventListener('copy', copy)
    addEventListener('cut', copy)
    addEventListener('paste', paste)
    return () => {
      removeEventListener('copy', copy)
      removeEventListener('cut', copy)
      removeEventListener('paste', paste)
    }
  }, [])
}
