'use client'
import type { Editor } from '@tiptap/react'
import { useCallback, useDeferredValue, useMemo, useState } from 'react'
import { useStore } from 'zustand'
import { findingsOf, type Finding } from '@/core/checks'
import { compile } from '@/core/compile'
import { compileText } from '@/core/compile/text'
import { styleOf } from '@/core/email/cascade'
import { newBand } from '@/core/email/defaults'
import { applyEdit, type Edit } from '@/core/email/edits'
import { cellsOf, placeOf } from '@/core/email/walk'
import { conditionsFor } from '@/core/email/conditions'
import { asSample } from '@/core/text/fields'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import type { Selection } from '../compose/tray'
import { rowHolding } from '../compose/groups/band'
import type { Action } from './actions'
import { Ties } from './ties'
import type { BenchJob, EmailSession } from './types'

const src = (p: { id: string }) => `/api/pictures/${p.id}`
/** Every conditional band is shown where nobody in particular is looked at. */
const everyone = () => true
const encoder = new TextEncoder()

/** What the checks find in an email as it will be handed over. */
export function proof(email: Email, house: HouseStyle): { findings: Finding[]; bytes: number } {
  const html = compile(email, house, { src })
  const bytes = encoder.encode(html).length
  return { findings: findingsOf(email, styleOf(house, email.styles), html, bytes), bytes }
}

/**
 * What the stages of an email share: the email, what is selected in it, its compiled form, and the changes
 * that can be made.
 */
export function useEmailWork(job: BenchJob, session: EmailSession, setHouse: (house: HouseStyle) => void) {
  const email = useStore(session.store, (s) => s.doc)
  const [selectedId, setSelectedId] = useState<string | null>(null)
  const [hovered, setHovered] = useState<string | null>(null)
  const [editing, setEditing] = useState<string | null>(null)
  const [editor, setEditor] = useState<Editor | null>(null)
  const ties = useMemo(() => new Ties(), [])
  const style = styleOf(job.client.house, email.styles)
  const [recipient, setRecipient] = useState<string | null>(null)
  const values = useMemo(
    () => email.recipients?.find((r) => r.name === recipient)?.values ?? null,
    [email.recipients, recipient],
  )
  const seen = useMemo(
    () => ({
      fields: asSample({ unsubscribe: '#', ...values }),
      conditions: values ? conditionsFor(values) : everyone,
    }),
    [values],
  )
  const html = useMemo(
    () => compile(email, job.client.house, { src, ...seen, marks: true }),
    [email, job.client.house, seen],
  )
  const text = useMemo(
    () => (email.way === 'plain' ? compileText(email, { ...seen, house: job.client.house }) : ''),
    [email, job.client.house, seen],
  )
  const settled = useDeferredValue(email)
  const { findings, bytes } = useMemo(() => proof(settled, job.client.house), [settled, job.client.house])
  const bandIds = useMemo(() => email.bands.map((b) => b.id), [email])

  const selection: Selection = useMemo(() => {
    if (!selectedId || email.way !== 'bands') return { band: null, cell: null, tile: null }
    const band = email.bands.find((b) => b.id === selectedId)
    if (band) return { band, cell: null, tile: null }
    const holder = email.bands.find((b) => [...cellsOf(b)].some((c) => c.id === selectedId))
    if (holder)
      return { band: holder, cell: [...cellsOf(holder)].find((c) => c.id === selectedId)!, tile: null }
    const place = placeOf(email, selectedId)
    return place
      ? { band: place.band, cell: place.cell, tile: place.tile }
      : { band: null, cell: null, tile: null }
  }, [email, selectedId])

  const apply = useCallback(
    (label: string, edit: Edit, merge?: string) => session.change(label, (e) => applyEdit(e, edit), merge),
    [session],
  )
  const select = useCallback(
    (id: string | null) => {
      setSelectedId(id)
      setEditing((now) => (now === id ? now : null))
      const e = session.store.getState().doc
      const band =
        id &&
        (e.bands.some((b) => b.id === id)
          ? id
          : (placeOf(e, id)?.band.id ?? e.bands.find((b) => [...cellsOf(b)].some((c) => c.id === id))?.id))
      if (band) ties.reveal(band)
    },
    [session, ties],
  )
  /** From the marks under a pointer, innermost first: the tile, else the band. */
  const pick = useCallback(
    (ids: string[]) => {
      const e = session.store.getState().doc
      // A cell that holds nothing can only be reached itself.
      const bare = e.bands.flatMap((b) => [...cellsOf(b)]).find((c) => !c.items.length && ids.includes(c.id))
      select(
        bare?.id ??
          ids.find((id) => placeOf(e, id)) ??
          ids.find((id) => e.bands.some((b) => b.id === id)) ??
          null,
      )
    },
    [select, session],
  )
  const open = useCallback(
    (ids: string[]) => {
      const id = ids.find((x) => placeOf(session.store.getState().doc, x)?.tile.kind === 'words')
      if (id) {
        select(id)
        setEditing(id)
      }
    },
    [select, session],
  )

  const { band, cell, tile } = selection
  const move = (way: 1 | -1) => {
    if (tile && cell && band) {
      const at = cell.items.findIndex((i) => i.id === tile.id) + way
      if (at >= 0 && at < cell.items.length)
        return apply('move the tile', { name: 'moveTile', what: { id: tile.id, cell: cell.id, to: at } })
      // At the end of its cell a tile goes on to the next band.
      const next = email.bands[email.bands.indexOf(band) + way]
      if (next)
        apply('move the tile', {
          name: 'moveTile',
          what: {
            id: tile.id,
            cell: (way > 0 ? next.cells[0]! : next.cells.at(-1)!).id,
            to: way > 0 ? 0 : 999,
          },
        })
    } else if (cell && band) {
      const row = rowHolding(band, cell.id)
      apply('move the cell', {
        name: 'moveCell',
        what: { id: cell.id, to: row.findIndex((c) => c.id === cell.id) + way },
      })
    } else if (band)
      apply('move the band', { name: 'moveBand', what: { id: band.id, to: email.bands.indexOf(band) + way } })
  }
  const remove = () => {
    if (tile) {
      apply('delete the tile', { name: 'removeTile', what: { id: tile.id } })
      select(band!.id)
    } else if (cell) {
      apply('delete the cell', { name: 'removeCell', what: { id: cell.id } })
      select(band!.id)
    } else if (band) {
      const i = email.bands.indexOf(band)
      apply('delete the band', { name: 'removeBand', what: { id: band.id } })
      select(email.bands[i + 1]?.id ?? email.bands[i - 1]?.id ?? null)
    }
  }
  const addBand = () => {
    const made = newBand(email.width)
    apply('add a band', {
      name: 'addBand',
      what: { band: made, at: band ? email.bands.indexOf(band) + 1 : email.bands.length },
    })
    select(made.id)
  }
  const steps = useMemo(
    () =>
      email.bands.flatMap((b) => [
        b.id,
        ...[...cellsOf(b)].flatMap((c) => [
          ...(b.cells.length > 1 ? [c.id] : []),
          ...c.items.flatMap((i) => (i.kind === 'row' ? [] : [i.id])),
        ]),
      ]),
    [email],
  )
  const step = (way: 1 | -1) => {
    const at = selectedId ? steps.indexOf(selectedId) : -1
    select(steps[Math.max(0, Math.min(steps.length - 1, at + way))] ?? null)
  }
  const edit = () => {
    if (tile?.kind === 'words') setEditing(tile.id)
  }

  const actions: Action[] = [
    { id: 'next', label: 'Next band or tile', group: 'Email', keys: 'J', run: () => step(1) },
    { id: 'prev', label: 'Previous band or tile', group: 'Email', keys: 'K', run: () => step(-1) },
    {
      id: 'edit',
      label: 'Edit the words in place',
      group: 'Email',
      keys: 'Enter',
      run: edit,
      off: tile?.kind !== 'words',
    },
    { id: 'up', label: 'Move up', group: 'Email', keys: 'Alt ArrowUp', run: () => move(-1), off: !band },
    {
      id: 'downwards',
      label: 'Move down',
      group: 'Email',
      keys: 'Alt ArrowDown',
      run: () => move(1),
      off: !band,
    },
    {
      id: 'dup',
      label: 'Duplicate',
      group: 'Email',
      keys: 'Ctrl D',
      run: () =>
        band &&
        apply(
          'duplicate',
          tile
            ? { name: 'duplicateTile', what: { id: tile.id } }
            : { name: 'duplicateBand', what: { id: band.id } },
        ),
      off: !band,
    },
    { id: 'del', label: 'Delete', group: 'Email', keys: 'Delete', run: remove, off: !band },
    { id: 'band', label: 'Add a band', group: 'Email', keys: 'B', run: addBand },
    {
      id: 'out',
      label: 'Step out: tile, cell, band, email',
      group: 'Email',
      keys: 'Escape',
      run: () =>
        editing
          ? setEditing(null)
          : select(
              tile && cell && rowHolding(band!, cell.id).length > 1
                ? cell.id
                : tile || cell
                  ? band!.id
                  : null,
            ),
    },
    { id: 'subject', label: 'Write subject and preheader', group: 'Email', run: () => select(null) },
  ]
  return {
    job,
    setHouse,
    flush: session.flush,
    recipient,
    setRecipient,
    text,
    email,
    style,
    html,
    findings,
    bytes,
    bandIds,
    ties,
    selection,
    selectedId,
    select,
    pick,
    open,
    hovered,
    setHovered,
    editing,
    setEditing,
    editor,
    setEditor,
    apply,
    move,
    remove,
    addBand,
    edit,
    actions,
  }
}
export type EmailWork = ReturnType<typeof useEmailWork>
