'use client'
import type { Editor } from '@tiptap/react'
import { startTransition, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import type { Finding } from '@/core/checks'
import { bandByBand, compileMapped, type CompileOptions } from '@/core/compile'
import { compileText } from '@/core/compile/text'
import { styleOf } from '@/core/email/cascade'
import { conditionsFor } from '@/core/email/conditions'
import { applyEdit, type Edit } from '@/core/email/edits'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { placeOf } from '@/core/email/walk'
import { asSample } from '@/core/text/fields'
import type { ShownState } from '@/core/tiles/context'
import { shownHouse, useHouseFonts } from '../parts/house-fonts'
import { whenRead } from '@/core/tiles/code/when-read'
import { inSlices } from '../parts/slices'
import { useDoc } from '../session/use-doc'
import type { CurrentWords } from '../compose/editor'
import type { Action } from './actions'
import { useClipboard } from './clipboard'
import { onSelection, type OnSelection } from './on-selection'
import { bandOf, kinOf, pickedOf, selectionOf } from './selection'
import { src } from './src'
import { Ties } from './ties'
import type { BenchJob, EmailSession } from './types'

/** The email as everyone is to see it: every conditional band is shown. */
const asEveryone: Pick<CompileOptions, 'fields' | 'conditions'> = {
  fields: asSample({ unsubscribe: '#' }),
  conditions: () => true,
}

/** How the bench compiles an email for its lenses. */
const forLenses: CompileOptions = { src, countdowns: '/api/countdown', marks: true, apart: true }

/**
 * Compiles an email for the lenses in slices before they are first laid out, so that the page is not held by all of it at
 * once: the bands are remembered. @returns whether that is done
 */
export function useFirstCompile(email: Email, house: HouseStyle): boolean {
  const [done, setDone] = useState(false)
  const first = useRef({ email, house })
  useEffect(() => {
    let wanted = true
    const { email, house } = first.current
    const work = () => bandByBand(email, shownHouse(house), { ...forLenses, ...asEveryone })
    void inSlices(work, () => wanted)
      // What cannot be compiled says so where it is shown.
      .catch(() => {})
      .then(() => wanted && setDone(true))
    return () => {
      wanted = false
    }
  }, [])
  return done
}

/**
 * What the stages of an email share: the email, what is selected in it, its compiled form, and the changes
 * that can be made.
 */
export function useEmailWork(job: BenchJob, session: EmailSession, setHouse: (house: HouseStyle) => void) {
  const email = useDoc(session.store)
  const ties = useMemo(() => new Ties(), [])
  const [hovered, setHovered] = useState<string | null>(null)
  useHouseFonts(job.client.house)
  const style = useMemo(() => styleOf(job.client.house, email.styles), [job.client.house, email.styles])
  // The lenses follow what is typed in the tray; its fields do not wait for them.
  const seen = useSeen(useDeferredValue(email), job.client.house)
  const { findings, bytes } = useProof(email, job.client.house)
  const bandIds = useMemo(() => email.bands.map((b) => b.id), [email.bands])
  const apply = useCallback(
    (label: string, edit: Edit | readonly Edit[], merge?: string) =>
      session.change(label, (e) => ([] as readonly Edit[]).concat(edit).reduce(applyEdit, e), merge),
    [session],
  )
  const selected = useSelected(email, session, ties)
  const { selection, editing, setEditing } = selected
  const hand = onSelection({ email, apply, ...selected })
  useClipboard({ email, apply, remove: hand.remove, ...selected, writing: editing !== null })
  const { tile } = selection
  const edit = () => {
    if (tile?.kind === 'words') setEditing(tile.id)
  }
  const stepOut = () => (editing ? setEditing(null) : hand.stepOut())
  const actions = emailActions(hand, {
    edit: tile?.kind === 'words' ? edit : null,
    stepOut,
    toInboxLine: () => selected.select(null),
    any: !!selection.band,
  })
  return {
    job,
    setHouse,
    flush: session.flush,
    amend: useCallback((edit: Edit) => session.amend((e) => applyEdit(e, edit)), [session]),
    writing: useWriting(session, selected.editing),
    email,
    style,
    ...seen,
    findings,
    bytes,
    bandIds,
    ties,
    ...selected,
    hovered,
    setHovered,
    apply,
    ...hand,
    edit,
    actions,
  }
}
export type EmailWork = ReturnType<typeof useEmailWork>

/** The words that are being written in, as they stand in the document. */
const useWriting = (session: EmailSession, id: string | null): CurrentWords =>
  useMemo(
    () => ({
      now() {
        const tile = id ? placeOf(session.store.getState().doc, id)?.tile : undefined
        return tile?.kind === 'words' ? tile.text : undefined
      },
      subscribe: session.store.subscribe,
    }),
    [session, id],
  )

/** How long an email rests before the checks look at it again, ms. */
const REST = 250

interface Proof {
  findings: Finding[]
  bytes: number
}
const unproved: Proof = { findings: [], bytes: 0 }

/** What the checks find once the email rests: they follow neither each key, nor the first look at it. */
function useProof(email: Email, house: HouseStyle): Proof {
  const [found, setFound] = useState(unproved)
  const began = useRef(false)
  useEffect(() => {
    let current = true
    const look = async () => {
      began.current = true
      // The checks come once there is something to look at.
      const { askForLooks, proof, proofByBand } = await import('./proof')
      await inSlices(
        () => proofByBand(email, house),
        () => current,
      )
      const tell = async () => {
        if (!current) return
        const now = await whenRead(() => proof(email, house))
        if (current) startTransition(() => setFound(now))
      }
      await tell()
      // What rests on the pixels of its pictures follows once they are measured.
      if (await askForLooks(email)) await tell()
    }
    const wait = setTimeout(() => void look(), began.current ? REST : 0)
    return () => {
      current = false
      clearTimeout(wait)
    }
  }, [email, house])
  return found
}

/** The email as somebody sees it: everyone, or one of its sample recipients. */
function useSeen(email: Email, house: HouseStyle) {
  const [recipient, setRecipient] = useState<string | null>(null)
  const [shown, setShown] = useState<ShownState | undefined>(undefined)
  const values = useMemo(
    () => email.recipients?.find((r) => r.name === recipient)?.values ?? null,
    [email.recipients, recipient],
  )
  const seen = useMemo(
    () =>
      values
        ? { fields: asSample({ unsubscribe: '#', ...values }), conditions: conditionsFor(values) }
        : asEveryone,
    [values],
  )
  const parts = useMemo(
    () => compileMapped(email, shownHouse(house), { ...forLenses, ...seen, shown }).parts(),
    [email, house, seen, shown],
  )
  const text = useMemo(
    () => (email.way === 'plain' ? compileText(email, { ...seen, house }) : ''),
    [email, house, seen],
  )
  return { recipient, setRecipient, parts, text, shown, setShown }
}

/** What is selected and what is being written in. */
function useSelected(email: Email, session: EmailSession, ties: Ties) {
  const [selectedId, setSelectedId] = useState<string | null>(null)
  // Bands that are selected beside that of the selection.
  const [also, setAlso] = useState<readonly string[]>([])
  const [editing, setEditing] = useState<string | null>(null)
  const [editor, setEditor] = useState<Editor | null>(null)
  const selection = useMemo(() => selectionOf(email, selectedId), [email, selectedId])
  const select = useCallback(
    (id: string | null, lens?: string) => {
      setSelectedId(id)
      setAlso([])
      setEditing((now) => (now === id ? now : null))
      const band = id && bandOf(session.store.getState().doc, id)
      if (band) ties.reveal(band.id, lens)
    },
    [session, ties],
  )
  // Its name, which stays the same while it is written in: what is handed on would change with every key.
  const first = (selection.tile ?? selection.band)?.id
  /** Selects a band beside the selected one, or a tile beside a tile, or no longer; or all up to it. */
  const selectMore = useCallback(
    (id: string, how: 'also' | 'to') => {
      const kin = kinOf(session.store.getState().doc, id)
      if (!first || !kin.includes(first)) return select(id)
      const [a, b] = [kin.indexOf(first), kin.indexOf(id)]
      const range = kin.slice(Math.min(a, b), Math.max(a, b) + 1)
      setSelectedId(first)
      setAlso((now) => {
        const next = how === 'to' ? range : now.includes(id) ? now.filter((x) => x !== id) : [...now, id]
        return next.filter((x) => x !== first)
      })
    },
    [select, first, session],
  )
  const pick = useCallback(
    (ids: string[], lens: string, how?: 'also' | 'to') => {
      const id = pickedOf(session.store.getState().doc, ids)
      if (how && id) selectMore(id, how)
      else select(id, lens)
    },
    [select, selectMore, session],
  )
  const open = useCallback(
    (ids: string[], lens: string) => {
      const id = ids.find((x) => placeOf(session.store.getState().doc, x)?.tile.kind === 'words')
      if (id) {
        select(id, lens)
        setEditing(id)
      }
    },
    [select, session],
  )
  const beside = useMemo(() => (also.length ? also.filter((id) => bandOf(email, id)) : also), [also, email])
  return {
    selection,
    selectedId,
    also: beside,
    select,
    selectMore,
    pick,
    open,
    editing,
    setEditing,
    editor,
    setEditor,
  }
}

/** What can be done with the email by name and by shortcut. */
function emailActions(
  hand: OnSelection,
  now: { edit: (() => void) | null; stepOut: () => void; toInboxLine: () => void; any: boolean },
): Action[] {
  const off = !now.any
  const of = (
    id: string,
    label: string,
    run: () => void,
    more: Pick<Action, 'keys' | 'off'> = {},
  ): Action => ({
    id,
    label,
    group: 'Email',
    run,
    ...more,
  })
  return [
    of('next', 'Next band or tile', () => hand.step(1), { keys: 'J' }),
    of('prev', 'Previous band or tile', () => hand.step(-1), { keys: 'K' }),
    of('edit', 'Edit the words in place', () => now.edit?.(), { keys: 'Enter', off: !now.edit }),
    of('up', 'Move up', () => hand.move(-1), { keys: 'Alt ArrowUp', off }),
    of('downwards', 'Move down', () => hand.move(1), { keys: 'Alt ArrowDown', off }),
    of('more', 'Select the next too', () => hand.extend(1), { keys: 'Shift J', off }),
    of('less', 'Select the one before too', () => hand.extend(-1), { keys: 'Shift K', off }),
    of('dup', 'Duplicate', () => void hand.duplicate(), { keys: 'Ctrl D', off }),
    of('del', 'Delete', hand.remove, { keys: 'Delete', off }),
    of('split', 'Split the band before this tile', () => hand.reshape.split?.(), {
      off: !hand.reshape.split,
    }),
    of('merge', 'Make one band of these', () => hand.reshape.merge?.(), { off: !hand.reshape.merge }),
    of('wrap', 'Put the tile into a row of cells', () => hand.reshape.wrap?.(), {
      off: !hand.reshape.wrap,
    }),
    of('band', 'Add a band', hand.addBand, { keys: 'B' }),
    of('out', 'Step out: tile, cell, band, email', now.stepOut, { keys: 'Escape' }),
    of('subject', 'Write subject and preheader', now.toInboxLine),
  ]
}
