import { createStore, type StoreApi } from 'zustand'
import { ApiProblem } from '../api'
import type { HistoryPlace } from './history'
import { draftPlace, type Draft, type DraftPlace } from './draft'

/** How the saving stands. */
export type SaveStatus =
  | { kind: 'saved'; at: string }
  | { kind: 'saving' }
  | { kind: 'waiting' }
  | { kind: 'failed'; why: string }
  | { kind: 'conflict' }

export interface DocumentState<T> {
  doc: T
  revision: number
  status: SaveStatus
  past: { doc: T; label: string }[]
  future: { doc: T; label: string }[]
  /** What was saved elsewhere, while a choice between it and ours is open, and what both changed. */
  theirs: { doc: T; revision: number; clashes: string[] } | null
  /** Whether what is not yet saved is kept in this browser; null where nothing has to be. */
  kept: boolean | null
}

export interface DocumentSession<T> {
  store: StoreApi<DocumentState<T>>
  /** Changes the document. Changes with the same `merge` key in quick succession are one step of undo. */
  change: (label: string, next: (doc: T) => T, merge?: string) => void
  /** Brings the document in line with another one it belongs to: no step of undo. */
  amend: (next: (doc: T) => T) => void
  undo: () => void
  redo: () => void
  /** Takes over what the server made of the document (building the email), as one step of undo. */
  adopt: (label: string, doc: T, revision: number) => void
  /** Takes over what was saved elsewhere as a later revision, while there is nothing of its own to be saved. */
  hear: (revision: number) => void
  /** Settles a conflict; the side not taken can be reached by undo. */
  settle: (side: 'mine' | 'theirs') => void
  /** Saves now what waits; resolves when all is saved or has failed. */
  flush: () => Promise<void>
  dispose: () => void
}

interface Options<T> {
  /** Names the draft kept in this browser until the server has acknowledged it. */
  key: string
  doc: T
  revision: number
  savedAt: string
  save: (doc: T, revision: number) => Promise<{ revision: number; savedAt: string }>
  load: () => Promise<{ doc: T; revision: number }>
  /**
   * Brings a draft that an older version of the app left in the browser up to date. Throws for what is none.
   */
  read?: (draft: unknown) => T
  /** Where undo is kept through a reload; left out, it ends with the page. */
  history?: HistoryPlace<T>
  /** Brings two changes of one document together, or names what both changed. */
  merge?: (base: T, mine: T, theirs: T) => { doc: T } | { clashes: string[] }
}

/** Steps that undo reaches back. */
const DEPTH = 300

/** How long after the last change the document is saved, ms. */
const PAUSE = 450

/** Changes of one kind within this are one step, ms. */
const MERGE = 1200

/** What the merge keys of one gesture begin with, such as a drag: it is one step however long it takes. */
export const GESTURE = 'gesture-'

/** After a failure saving is tried again this much later, twice as late each time, at most so late, ms. */
const RETRY = 1500
const RETRY_MOST = 30_000

/** How long after a clash that could not be looked at saving is tried again, ms. */
const CLASH_AGAIN = 3000

/**
 * A document being edited: undo, redo, and saving by itself. A draft stands in the browser's own storage from
 * the first keystroke until the server has acknowledged it, so that a crash or a reload loses nothing; a
 * stale revision is never written over without asking.
 */
export function openDocument<T>(o: Options<T>): DocumentSession<T> {
  const store = createStore<DocumentState<T>>(() => ({
    doc: o.doc,
    revision: o.revision,
    status: { kind: 'saved', at: o.savedAt },
    past: [],
    future: [],
    theirs: null,
    kept: null,
  }))
  const draft = draftPlace(o.key, o.read)
  /** What the server acknowledged last: what changes of both sides are told from. */
  const base: Base<T> = { doc: o.doc }
  const saving = savingOf(o, store, draft, base)
  takeUp(o, store, draft, saving.touched)
  const remembered = o.history && remembering(store, o.history)
  return {
    store,
    ...changes(store, saving.touched, remembered?.taken),
    ...takingOver(store, draft, base, saving.touched),
    hear: (revision) => void hearOf(o, store, base, revision),
    flush: saving.flush,
    dispose() {
      remembered?.end()
      saving.dispose()
    },
  }
}

/** After so long without a change the steps of undo are kept, ms. */
const RESTED = 300

/** Takes up the steps that a page before this one left, and keeps those of this one. */
function remembering<T>(store: StoreApi<DocumentState<T>>, place: HistoryPlace<T>): Remembered {
  const { revision } = store.getState()
  const taken = place.recall().then((kept) => {
    // Steps lead back from one state alone.
    if (!kept || kept.revision !== revision) return
    store.setState((s) => ({
      past: [...kept.past, ...s.past].slice(-DEPTH),
      future: s.past.length ? s.future : kept.future,
    }))
  })
  let timer: ReturnType<typeof setTimeout> | undefined
  const end = store.subscribe((s, before) => {
    const changed = s.past !== before.past || s.future !== before.future || s.revision !== before.revision
    if (!changed) return
    clearTimeout(timer)
    timer = setTimeout(() => {
      const { revision, past, future, status } = store.getState()
      if (status.kind === 'saved') void place.keep({ revision, past, future })
    }, RESTED)
  })
  return {
    taken,
    end() {
      clearTimeout(timer)
      end()
    },
  }
}

interface Remembered {
  /** Resolves once the steps of the page before are taken up, where there are some. */
  taken: Promise<void>
  end: () => void
}

/** The last state that the server is known to have. */
interface Base<T> {
  doc: T
}

/** After so long a change is kept, once nothing else is to be done, and after as long again in any case, ms. */
const KEPT_WITHIN = 150

/** Keeps what is not yet saved in the browser, while nothing else is to be done. */
function keepingOf<T>(store: StoreApi<DocumentState<T>>, draft: DraftPlace<T>) {
  let waiting: ReturnType<typeof setTimeout> | undefined
  let idle: number | undefined
  const now = () => {
    cancel()
    const { doc, revision } = store.getState()
    store.setState({ kept: draft.remember({ doc, revision }) })
  }
  const cancel = () => {
    clearTimeout(waiting)
    if (idle !== undefined) cancelIdleCallback(idle)
    waiting = idle = undefined
  }
  const whenIdle = () => {
    idle = requestIdleCallback(now, { timeout: KEPT_WITHIN })
  }
  return {
    soon() {
      if (typeof requestIdleCallback === 'undefined') now()
      else waiting ??= setTimeout(whenIdle, KEPT_WITHIN)
    },
    /** At once, where something waits. */
    settle() {
      if (waiting !== undefined) now()
    },
    forget() {
      cancel()
      draft.forget()
      store.setState({ kept: null })
    },
  }
}

/** Saves what was touched, by itself and after a pause; never over what was saved elsewhere. */
function savingOf<T>(o: Options<T>, store: StoreApi<DocumentState<T>>, draft: DraftPlace<T>, base: Base<T>) {
  let timer: ReturnType<typeof setTimeout> | undefined
  let running: Promise<void> | null = null
  let retry = 0
  const keeping = keepingOf(store, draft)
  const later = (ms = PAUSE) => {
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), ms)
  }
  function touched() {
    const { kind } = store.getState().status
    if (kind !== 'conflict' && kind !== 'waiting') store.setState({ status: { kind: 'waiting' } })
    keeping.soon()
    later()
  }

  async function saveOnce(): Promise<void> {
    const { doc, revision, status } = store.getState()
    if (status.kind === 'conflict' || status.kind === 'saved') return
    store.setState({ status: { kind: 'saving' } })
    try {
      const saved = await o.save(doc, revision)
      retry = 0
      base.doc = doc
      const same = store.getState().doc === doc
      store.setState({
        revision: saved.revision,
        status: same ? { kind: 'saved', at: saved.savedAt } : { kind: 'waiting' },
      })
      if (same) keeping.forget()
      else {
        keeping.soon()
        later()
      }
    } catch (error) {
      if (error instanceof ApiProblem && error.status === 409) return clash()
      const why = error instanceof ApiProblem ? error.message : String(error)
      store.setState({ status: { kind: 'failed', why } })
      // The draft is safe in the browser; the server is tried again, ever more seldom.
      later(Math.min(RETRY_MOST, RETRY * 2 ** retry++))
    }
  }

  async function clash() {
    try {
      const theirs = await o.load()
      const took = bringTogether(o, store, base, theirs)
      if (took === 'same') keeping.forget()
      else if (took === 'merged') touched()
    } catch {
      later(CLASH_AGAIN)
    }
  }

  function flush(): Promise<void> {
    clearTimeout(timer)
    keeping.settle()
    running = (running ?? Promise.resolve()).then(saveOnce)
    return running
  }
  function dispose() {
    clearTimeout(timer)
    if (store.getState().status.kind === 'waiting') void flush()
  }
  return { touched, flush, dispose }
}

/** Takes in what was saved elsewhere meanwhile, where it leaves no choice to the person. */
function bringTogether<T>(
  o: Options<T>,
  store: StoreApi<DocumentState<T>>,
  base: Base<T>,
  theirs: { doc: T; revision: number },
): 'same' | 'merged' | 'choice' {
  const mine = store.getState().doc
  const { revision } = theirs
  if (JSON.stringify(theirs.doc) === JSON.stringify(mine)) {
    base.doc = theirs.doc
    store.setState({ revision, status: { kind: 'saved', at: new Date().toISOString() } })
    return 'same'
  }
  const merged = o.merge?.(base.doc, mine, theirs.doc) ?? { clashes: [] }
  if ('clashes' in merged) {
    store.setState({ theirs: { ...theirs, ...merged }, status: { kind: 'conflict' } })
    return 'choice'
  }
  base.doc = theirs.doc
  store.setState((s) => ({
    doc: merged.doc,
    revision,
    past: [...s.past, { doc: mine, label: 'what was changed elsewhere' }].slice(-DEPTH),
    status: { kind: 'waiting' },
  }))
  return 'merged'
}

/** Whether a document has nothing that waits to be saved, and is older than a revision. */
const isBehind = <T>({ status, revision }: DocumentState<T>, other: number): boolean =>
  status.kind === 'saved' && revision < other

/** Takes over a later revision; where something of its own came in between, saving brings the two together. */
async function hearOf<T>(
  o: Options<T>,
  store: StoreApi<DocumentState<T>>,
  base: Base<T>,
  revision: number,
): Promise<void> {
  if (!isBehind(store.getState(), revision)) return
  const theirs = await o.load().catch(() => null)
  const now = store.getState()
  if (!theirs || !isBehind(now, theirs.revision)) return
  base.doc = theirs.doc
  store.setState({
    ...theirs,
    past: [...now.past, { doc: now.doc, label: 'what was changed elsewhere' }].slice(-DEPTH),
    future: [],
    status: { kind: 'saved', at: new Date().toISOString() },
  })
}

/** Changing the document, and going back and forth among its changes. */
function changes<T>(
  store: StoreApi<DocumentState<T>>,
  touched: () => void,
  taken?: Promise<void>,
): Pick<DocumentSession<T>, 'change' | 'amend' | 'undo' | 'redo'> {
  let lastMerge = { key: '', at: 0 }
  let recalling = !!taken
  void taken?.finally(() => (recalling = false))
  const step = (from: 'past' | 'future') => {
    const s = store.getState()
    const last = s[from].at(-1)
    if (!last) return
    const other = from === 'past' ? 'future' : 'past'
    lastMerge = { key: '', at: 0 }
    store.setState({
      doc: last.doc,
      [from]: s[from].slice(0, -1),
      [other]: [...s[other], { doc: s.doc, label: last.label }],
    } as Partial<DocumentState<T>>)
    touched()
  }
  /** Who is quicker than the browser's storage, just after a reload, gets the step all the same. */
  const walk = (from: 'past' | 'future') => {
    if (recalling && !store.getState()[from].length) void taken?.then(() => step(from))
    else step(from)
  }
  return {
    change(label, next, merge) {
      const s = store.getState()
      const doc = next(s.doc)
      if (doc === s.doc) return
      const now = Date.now()
      const soon = now - lastMerge.at < MERGE || !!merge?.startsWith(GESTURE)
      const joined = !!merge && merge === lastMerge.key && soon
      lastMerge = { key: merge ?? '', at: now }
      store.setState({
        doc,
        future: [],
        past: joined ? s.past : [...s.past, { doc: s.doc, label }].slice(-DEPTH),
      })
      touched()
    },
    amend(next) {
      const doc = next(store.getState().doc)
      if (doc === store.getState().doc) return
      store.setState({ doc })
      touched()
    },
    undo: () => walk('past'),
    redo: () => walk('future'),
  }
}

/** Taking over what was made elsewhere: by the server, or in another tab. */
function takingOver<T>(
  store: StoreApi<DocumentState<T>>,
  draft: DraftPlace<T>,
  base: Base<T>,
  touched: () => void,
): Pick<DocumentSession<T>, 'adopt' | 'settle'> {
  return {
    adopt(label, doc, revision) {
      const s = store.getState()
      draft.forget()
      base.doc = doc
      store.setState({
        kept: null,
        doc,
        revision,
        past: [...s.past, { doc: s.doc, label }].slice(-DEPTH),
        future: [],
        status: { kind: 'saved', at: new Date().toISOString() },
      })
    },
    settle(side) {
      const s = store.getState()
      if (!s.theirs) return
      const { doc: theirs, revision } = s.theirs
      base.doc = theirs
      if (side === 'mine') {
        store.setState({
          revision,
          theirs: null,
          past: [...s.past, { doc: theirs, label: 'the other version' }],
          status: { kind: 'waiting' },
        })
        touched()
      } else {
        store.setState({
          doc: theirs,
          revision,
          theirs: null,
          past: [...s.past, { doc: s.doc, label: 'your version' }],
          future: [],
          kept: null,
          status: { kind: 'saved', at: new Date().toISOString() },
        })
        draft.forget()
      }
    },
  }
}

/** Takes up a draft from before a crash where the server still stands at its revision; else it is a choice. */
function takeUp<T>(
  o: Options<T>,
  store: StoreApi<DocumentState<T>>,
  place: DraftPlace<T>,
  touched: () => void,
): void {
  const draft = place.recall()
  if (draft) return resume(o, store, place, draft, touched)
  void place.inherit().then((left) => {
    // Whoever began to work here meanwhile is not disturbed.
    if (left && store.getState().status.kind === 'saved') resume(o, store, place, left, touched)
  })
}

function resume<T>(
  o: Options<T>,
  store: StoreApi<DocumentState<T>>,
  place: DraftPlace<T>,
  draft: Draft<T>,
  touched: () => void,
): void {
  if (JSON.stringify(draft.doc) === JSON.stringify(o.doc)) return place.forget()
  if (draft.revision === o.revision) {
    store.setState({ doc: draft.doc, past: [{ doc: o.doc, label: 'what had not been saved' }] })
    touched()
  } else
    store.setState({
      doc: draft.doc,
      theirs: { doc: o.doc, revision: o.revision, clashes: [] },
      status: { kind: 'conflict' },
    })
}
