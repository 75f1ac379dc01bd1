'use client'
import { useMemo, useState } from 'react'
import { useStore } from 'zustand'
import { setCut } from '@/core/cut/edits'
import { letteringOf } from '@/core/cut/layers'
import type { SeenWords } from '@/core/cut/deck'
import { nearGrounds } from '@/core/cut/near-grounds'
import { DEFAULT_BUDGET, orderedCuts, type Cut, type CutKind, type CutPlan } from '@/core/cut/plan'
import type { TextBlock } from '@/core/cut/reflow'
import { textOf } from '@/core/email/richtext'
import { smallWords } from '@/core/cut/small-words'
import type { Email } from '@/core/email/schema'
import { Ties } from '../../bench/ties'
import type { DesignedJob, CutSession } from '../../bench/types'
import { kindNames } from '../kinds'
import { buildOnServer, type Built } from './building'
import { findParts, readAndFind } from './finding'
import { useLongWork } from './long-work'
import { useContentEdges, useGrounds } from './nearby'
import { usePreview } from './preview'
import { useLayers, useReading } from './reading'
import { useCutter, type OpenCutter } from './use-cutter'
import { useWeights } from './weights'

interface Opened {
  job: DesignedJob
  session: CutSession
  email: Email | null
  onBuilt: (r: Built) => void
  /** Something was said for the email itself. */
  onSaid: (said: Pick<Email, 'subject' | 'preheader'>) => void
}

/**
 * Everything that the stage Cut works with: the plan, what the worker finds in the design, what the pictures
 * weigh, and what can be done.
 */
export function useCutWork({ job, session, email, onBuilt, onSaid }: Opened) {
  const { design } = job
  const { change } = session
  const plan = useStore(session.store, (s) => s.doc)
  const order = useMemo(() => orderedCuts(plan), [plan])
  const seams = useMemo(() => nearGrounds(plan), [plan])
  const size = useMemo(() => ({ width: design.width, height: design.height }), [design.width, design.height])
  const selection = useSelection(order)
  const current = plan.cuts.find((c) => c.id === selection.selected.at(-1)) ?? null
  const openCutter = useCutter(design.id)
  const long = useLongWork()
  const { layers, loaded } = useLayers(job)
  const { setTrouble, ...preview } = usePreview(openCutter, plan, job, email)
  const content = useContentEdges(openCutter, current, size)
  const groundAt = useGrounds(openCutter, current)
  const pictures = order.filter((c) => c.kind === 'picture')
  const weights = useWeights(job, session, pictures)
  const reading = useReading(job, session, plan, layers, openCutter, long)

  const measured = { ...size, scale: design.scale }
  const chosen = plan.language?.by === 'hand' ? plan.language.code : null
  const find = (readFirst = false) =>
    findIn({ openCutter, session, long, loaded }, measured, readFirst, chosen).then(
      () => selection.setSelected([]),
      (e: Error) => {
        if (e.name !== 'AbortError') setTrouble(e.message)
      },
    )
  const build = async () => {
    const built = await buildOnServer(job, session, long)
    if (built) onBuilt(built)
  }

  return {
    job,
    session,
    plan,
    order,
    seams,
    ...selection,
    // What is snapped to: where bands meet, and the edges of what stands near.
    edges: { x: content.x, y: [...plan.edges, ...content.y] },
    work: long.work,
    ...preview,
    layers,
    ...reading,
    size,
    current,
    change,
    ...weights,
    pictures,
    budget: plan.budget ?? DEFAULT_BUDGET,
    smallIn: (c: Cut) => smallWords(c, reading.texts, design.scale, job.width),
    groundAt,
    openCutter,
    find,
    build,
    ...changesOf(session, plan, openCutter),
    onSaid,
    seenWords: () => seenWords(openCutter, plan),
    letteringFor: (b: TextBlock) => letteringOf(b, design.scale),
  }
}
export type CutWork = ReturnType<typeof useCutWork>

/** Finds the parts of the design, with the words of its file once they are here: a press that comes before them waits. */
function findIn(
  {
    openCutter,
    session,
    long,
    loaded,
  }: {
    openCutter: OpenCutter
    session: CutSession
    long: ReturnType<typeof useLongWork>
    loaded: ReturnType<typeof useLayers>['loaded']
  },
  design: { width: number; height: number; scale: number },
  readFirst: boolean,
  language: string | null,
): Promise<void> {
  return loaded().then((layers) =>
    readFirst
      ? readAndFind(openCutter, session, long, { ...design, layers }, language)
      : findParts(openCutter, session, long, { ...design, layers }),
  )
}

/** Changes of cuts that first look at the design. */
function changesOf({ change }: CutSession, plan: CutPlan, openCutter: OpenCutter) {
  const groundOf = async (cut: Cut) => (await openCutter().ask({ kind: 'ground', rect: cut })).color
  async function become(ids: readonly string[], kind: CutKind) {
    const seen = new Map<string, string>()
    for (const id of ids) {
      const cut = plan.cuts.find((c) => c.id === id)
      if (cut && kind !== 'picture' && !cut.ground) seen.set(id, await groundOf(cut))
    }
    change(`make it ${kindNames[kind].toLowerCase()}`, (p) =>
      ids.reduce((q, id) => {
        const cut = q.cuts.find((c) => c.id === id)
        return cut ? setCut(q, id, turned(cut, kind, seen.get(id))) : q
      }, p),
    )
  }
  async function readGround(cut: Cut) {
    const ground = await groundOf(cut)
    change('read the ground colour', (p) => setCut(p, cut.id, { ground }))
  }
  const setNarrow = (id: string, narrow: Cut['narrow']) =>
    change(narrow ? 'give narrow its own picture' : 'show the same picture on narrow', (p) =>
      setCut(p, id, { narrow }),
    )
  return { become, readGround, setNarrow }
}

/** A letter's width as a part of its line's height, about (common practice, no source). */
const LETTER = 0.55

/** What is seen of all cuts' words, read or not: how tall their lines are, and how much they hold. */
async function seenWords(openCutter: OpenCutter, plan: CutPlan): Promise<Map<string, SeenWords>> {
  const cuts = plan.cuts.filter((c) => c.kind === 'words')
  const seen = await Promise.all(
    cuts.map(async ({ id, ground, ...rect }) => {
      const { lines } = await openCutter().ask({ kind: 'parting', rect, ground })
      const heights = lines.map((l) => l.h).sort((a, b) => a - b)
      const height = heights[heights.length >> 1]
      if (!height) return []
      const room = lines.reduce((n, l) => n + l.w, 0) / (LETTER * height)
      return [[id, { height, room: Math.max(1, room) }] as const]
    }),
  )
  return new Map(seen.flat())
}

/** What is selected and what the pointer is over; selecting shows it in every view. */
function useSelection(order: readonly Cut[]) {
  const [selected, setSelected] = useState<string[]>([])
  const [hovered, setHovered] = useState<string | null>(null)
  const ties = useMemo(() => new Ties(), [])
  /** @param more adds it, or takes it away @param from the lens it was pressed in, which stays where it is */
  const select = (id: string | null, more = false, from?: string) => {
    setSelected((s) =>
      id === null ? [] : more ? (s.includes(id) ? s.filter((x) => x !== id) : [...s, id]) : [id],
    )
    if (id) ties.reveal(`t-${id}`, from)
  }
  /** All from the one selected last to another, in reading order. */
  const selectTo = (id: string) => {
    const ids = order.map((c) => c.id)
    const last = selected.at(-1) ?? id
    const [from, to] = [ids.indexOf(last), ids.indexOf(id)]
    const range = ids.slice(Math.min(from, to), Math.max(from, to) + 1)
    // The next range begins where this one did.
    setSelected([...range.filter((x) => x !== last), last])
    ties.reveal(`t-${id}`)
  }
  return { selected, setSelected, select, selectTo, hovered, setHovered, ties }
}

/** The colour of a button whose ground was not read. */
const BUTTON = '#1f4f8a'

/** What of a cut changes when it becomes another kind. @param ground what was read under it just now */
function turned(cut: Cut, kind: CutKind, ground: string | undefined): Partial<Cut> {
  const box = { background: ground ?? cut.ground ?? BUTTON, radius: 0 }
  // What a picture said as its alt text it says as words.
  const said = (kind === 'words' || kind === 'button') && !cut.words && cut.alt
  return {
    kind,
    ...(ground && { ground }),
    ...(kind === 'button' && !cut.box && { box }),
    ...(said && { words: textOf(said) }),
  }
}
