'use client'
import { useEffect, useMemo, useRef, useState } from 'react'
import { toast } from 'sonner'
import { useStore } from 'zustand'
import type { BuildResult } from '@/core/cut/build'
import { setCut } from '@/core/cut/edits'
import type { Ground } from '@/core/cut/ground'
import { letteringOf, saidBy, textsIn, type DesignLayers } from '@/core/cut/layers'
import { nearGrounds } from '@/core/cut/near-grounds'
import { DEFAULT_BUDGET, orderedCuts, type Cut, type CutKind, type CutPlan } from '@/core/cut/plan'
import { overlap, type Rect } from '@/core/cut/raster'
import { readAcross, type TextBlock } from '@/core/cut/reflow'
import { smallWords } from '@/core/cut/small-words'
import { textOf, withLists } from '@/core/email/richtext'
import type { Email } from '@/core/email/schema'
import type { PictureRef } from '@/core/picture/ref'
import { ApiProblem, call } from '../api'
import { runTask } from '../tasks/run'
import { Ties } from '../bench/ties'
import type { BenchJob, CutSession } from '../bench/types'
import { Cutter } from './cutter'
import { kindNames } from './kinds'
import { READING_MARGIN, readableOf, Reader } from './reading'

/**
 * What a picture cut comes to: its file, SSIM against the design, and what the same pixels weigh as a plain
 * PNG.
 */
export interface CropFigure {
  cut: string
  picture: PictureRef
  likeness: number
  plain: number
  narrow?: { picture: PictureRef }
}
export interface LongWork {
  what: string
  done: number
  total: number
  cancel: () => void
}
export interface Built {
  email: Email
  revision: number
  plan: CutPlan
  cutsRevision: number
  notes: string[]
}
/** Words read off a picture, to be taken or not. */
export interface Proposal {
  text: string
  sure: number
  blocks: TextBlock[]
}

const rectKey = (c: Cut) =>
  [
    c.x,
    c.y,
    c.w,
    c.h,
    c.own?.id ?? '',
    JSON.stringify([c.encoding, c.narrow]),
    c.encoding?.cutout ? c.ground : '',
  ].join()

/**
 * Everything that the stage Cut works with: the plan, what the worker finds in the design, what the pictures
 * weigh, and what can be done.
 */
export function useCutWork({
  job,
  session,
  email,
  onBuilt,
}: {
  job: BenchJob
  session: CutSession
  email: Email | null
  onBuilt: (r: Built) => void
}) {
  const plan = useStore(session.store, (s) => s.doc)
  const order = useMemo(() => orderedCuts(plan), [plan])
  const seams = useMemo(() => nearGrounds(plan), [plan])
  const [selected, setSelected] = useState<string[]>([])
  const [hovered, setHovered] = useState<string | null>(null)
  const [found, setFound] = useState<number[]>([])
  const [content, setContent] = useState<{ x: number[]; y: number[] }>({ x: [], y: [] })
  const [work, setWork] = useState<LongWork | null>(null)
  const [result, setResult] = useState<BuildResult | null>(null)
  const [figures, setFigures] = useState<Map<string, CropFigure>>(new Map())
  const [trouble, setTrouble] = useState<string | null>(null)
  const [left, setLeft] = useState<Rect[]>([])
  const [layers, setLayers] = useState<DesignLayers | null>(null)
  const [read, setRead] = useState<TextBlock[]>([])
  const [proposals, setProposals] = useState<Map<string, Proposal>>(new Map())
  const [grounds, setGrounds] = useState<Map<string, Ground>>(new Map())
  const ties = useMemo(() => new Ties(), [])
  const cutter = useRef<Cutter | null>(null)
  const { design } = job
  const size = useMemo(() => ({ width: design.width, height: design.height }), [design.width, design.height])
  const current = plan.cuts.find((c) => c.id === selected.at(-1)) ?? null
  const change = session.change
  const openCutter = () => (cutter.current ??= new Cutter(`/api/pictures/${design.id}`))

  // A design that was replaced is read anew.
  useEffect(
    () => () => {
      cutter.current?.close()
      cutter.current = null
    },
    [design.id],
  )
  useEffect(() => {
    if (design.worded)
      call('GET /api/jobs/:job/layers', { params: { job: job.id } }).then(
        (r) => setLayers(r.layers),
        () => {},
      )
    else setLayers(null)
  }, [job.id, design.id, design.worded])
  // What the cuts become, made anew by the worker shortly after each change.
  useEffect(() => {
    let late = false
    const timer = setTimeout(() => {
      openCutter()
        .ask({ kind: 'preview', plan, emailWidth: job.width, previous: email, house: job.client.house })
        .then(
          (r) => {
            if (!late) {
              setResult(r)
              setTrouble(null)
            }
          },
          (e: Error) => {
            if (!late && e.name !== 'AbortError') setTrouble(e.message)
          },
        )
      openCutter()
        .ask({ kind: 'leftOut', cuts: plan.cuts, panels: plan.panels })
        .then(
          (r) => {
            if (!late) setLeft(r)
          },
          () => {},
        )
    }, 160)
    return () => {
      late = true
      clearTimeout(timer)
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [plan, job.width, job.client.house, design.id])
  // Clean edges to snap to: where bands meet, and where the selected cut's content and its surroundings begin
  // and end.
  useEffect(() => {
    setFound(plan.edges)
  }, [plan.edges])
  const around =
    current && `${Math.max(0, current.y - 200)},${Math.min(design.height, current.y + current.h + 200)}`
  useEffect(() => {
    if (!around) return setContent({ x: [], y: [] })
    const [top, bottom] = around.split(',').map(Number) as [number, number]
    const timer = setTimeout(
      () =>
        openCutter()
          .ask({ kind: 'content', rect: { x: 0, y: top, w: design.width, h: bottom - top } })
          .then(setContent, () => {}),
      250,
    )
    return () => clearTimeout(timer)
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [around, design.width])
  // How flat the selected cut's ground is: a slope of colour or a texture cannot stand behind live words.
  useEffect(() => {
    if (!current || current.kind === 'picture' || current.kind === 'nothing') return
    const key = rectKey(current)
    if (!grounds.has(key))
      openCutter()
        .ask({ kind: 'ground', rect: current })
        .then(
          (g) => setGrounds((m) => new Map(m).set(key, g)),
          () => {},
        )
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [current])

  // The bytes each picture will have, from the real encoder; what it has encoded before comes at once.
  const pictureKey = plan.cuts
    .filter((c) => c.kind === 'picture')
    .map(rectKey)
    .join(';')
  const [measuring, setMeasuring] = useState<{ done: number; total: number } | null>(null)
  useEffect(() => {
    if (!pictureKey) return
    const stop = new AbortController()
    const timer = setTimeout(() => {
      const doc = session.store.getState().doc
      const at = new Map(doc.cuts.map((c) => [c.id, rectKey(c)]))
      const show = (found: readonly CropFigure[]) =>
        setFigures((m) => new Map([...m, ...found.map((f): [string, CropFigure] => [at.get(f.cut)!, f])]))
      runTask(
        'POST /api/jobs/:job/crops',
        { params: { job: job.id }, body: { plan: doc } },
        {
          onProgress: ({ done, total, figure }) => {
            setMeasuring(done < total ? { done, total } : null)
            if (figure) show([figure])
          },
          signal: stop.signal,
        },
      )
        .then((r) => show(r.crops))
        .catch((e: Error) => {
          if (e.name !== 'AbortError') toast.error(e.message)
        })
        .finally(() => setMeasuring(null))
    }, 900)
    return () => {
      clearTimeout(timer)
      stop.abort()
    }
  }, [pictureKey, job.id, session, design.id])
  const figureOf = (c: Cut) => figures.get(rectKey(c))
  const pictures = order.filter((c) => c.kind === 'picture')
  const total = pictures.reduce(
    (sum, c) => sum + (figureOf(c)?.picture.bytes ?? 0) + (figureOf(c)?.narrow?.picture.bytes ?? 0),
    0,
  )
  const budget = plan.budget ?? DEFAULT_BUDGET
  const texts = useMemo(() => [...(layers?.texts ?? []), ...read], [layers, read])
  const smallIn = (c: Cut) => smallWords(c, texts, design.scale, job.width)

  async function find() {
    const worker = openCutter()
    setWork({
      what: 'Finding the parts',
      done: 0,
      total: 1,
      cancel: () => {
        worker.close()
        cutter.current = null
        setWork(null)
      },
    })
    try {
      const cutting = await worker.ask({ kind: 'autocut', scale: design.scale, layers }, (done) =>
        setWork((w) => w && { ...w, done }),
      )
      // Cuts that lie where they lay keep what they say; locked ones stay as they are.
      const place = (c: Cut) => `${c.x},${c.y},${c.w},${c.h}`
      const said = new Map(plan.cuts.map((c) => [place(c), c]))
      const locked = plan.cuts.filter((c) => c.locked)
      const free = cutting.cuts.filter((c) => !locked.some((l) => overlap(l, c)))
      change('find the parts', (p) => ({
        ...p,
        cuts: [...locked, ...free.map((c) => said.get(place(c)) ?? c)]
          .sort((a, b) => a.y - b.y || a.x - b.x)
          .slice(0, 500),
        edges: cutting.edges.map((e) => e.y),
        panels: cutting.panels,
        order: undefined,
      }))
      setSelected([])
      const bands = cutting.edges.length + 1
      toast(
        `${bands} ${bands === 1 ? 'band' : 'bands'} and ${cutting.cuts.length} parts found. Undo brings the former cuts back.`,
      )
    } catch (e) {
      if ((e as Error).name !== 'AbortError') setTrouble((e as Error).message)
    } finally {
      setWork(null)
    }
  }

  async function build() {
    const stop = new AbortController()
    setWork({ what: 'Building the email', done: 0, total: plan.cuts.length, cancel: () => stop.abort() })
    try {
      await session.flush()
      onBuilt(
        await runTask(
          'POST /api/jobs/:job/build',
          { params: { job: job.id } },
          { onProgress: (p) => setWork((w) => w && { ...w, ...p }), signal: stop.signal },
        ),
      )
    } catch (e) {
      if ((e as Error).name !== 'AbortError')
        toast.error(e instanceof ApiProblem ? e.title : 'The email could not be built', {
          description: e instanceof ApiProblem ? e.detail : (e as Error).message,
          duration: 9000,
        })
      else toast('Cancelled. Nothing was changed.')
    } finally {
      setWork(null)
    }
  }

  /**
   * Reads words off the design for some cuts, as proposals; where the file itself carries them they come from
   * there.
   */
  async function readWords(cuts: readonly Cut[]) {
    const open = cuts.filter((c) => c.kind === 'words' || c.kind === 'button' || c.kind === 'picture')
    const fromFile = open.filter((c) => layers && textsIn(layers.texts, c).length)
    if (fromFile.length)
      change('take the words from the file', (p) =>
        fromFile.reduce((q, c) => {
          const now = q.cuts.find((x) => x.id === c.id)
          return now ? setCut(q, c.id, saidBy(now, layers!.texts, design.scale)) : q
        }, p),
      )
    const rest = open.filter((c) => !fromFile.includes(c))
    if (!rest.length) {
      toast(`The words of ${fromFile.length} cuts were taken from the design's own file.`)
      return
    }
    const reader = new Reader()
    let stopped = false
    setWork({
      what: 'Reading the words',
      done: 0,
      total: rest.length,
      cancel: () => {
        stopped = true
        reader.end()
        setWork(null)
      },
    })
    let none = 0
    try {
      for (const [i, c] of rest.entries()) {
        const at = readableOf(c, design.scale)
        const { blocks, sure } = await reader.words(
          (zoom) => openCutter().ask({ kind: 'crop', rect: at, zoom, margin: READING_MARGIN }),
          at,
          design.scale,
          c.kind === 'picture',
        )
        if (stopped) return
        const text = c.kind === 'picture' ? blocks.map((b) => b.text).join('\n\n') : readAcross(blocks)
        if (text) {
          setProposals((m) => new Map(m).set(c.id, { text, sure, blocks }))
          setRead((r) => [...r.filter((t) => !textsIn([t], c).length), ...blocks])
        } else none++
        setWork((w) => w && { ...w, done: i + 1 })
      }
      toast(`${rest.length - none} of ${rest.length} read. Look each proposal over, then take it.`)
    } catch (e) {
      if (!stopped) toast.error('The words could not be read', { description: (e as Error).message })
    } finally {
      reader.end()
      setWork(null)
    }
  }

  /**
   * Those read surely enough to be taken all at once (on pictures much looks like letters); the rest is
   * looked at one by one.
   */
  const sureOnes = [...proposals]
    .filter(([id, p]) => p.sure >= (plan.cuts.find((c) => c.id === id)?.kind === 'picture' ? 0.9 : 0.7))
    .map(([id]) => id)

  /** Takes proposals over into their cuts. */
  function takeProposals(ids: readonly string[]) {
    const chosen = ids.filter((id) => proposals.has(id))
    change('take the words that were read', (p) =>
      chosen.reduce((q, id) => {
        const cut = q.cuts.find((c) => c.id === id),
          proposal = proposals.get(id)!
        if (!cut) return q
        if (cut.kind === 'picture')
          return setCut(q, id, { alt: proposal.text.replace(/\s+/g, ' ').slice(0, 2000) })
        return setCut(q, id, {
          words:
            cut.kind === 'button'
              ? textOf(proposal.text.replace(/\s+/g, ' '))
              : withLists(textOf(proposal.text)),
        })
      }, p),
    )
    dropProposals(chosen)
  }
  const dropProposals = (ids: readonly string[]) =>
    setProposals((m) => {
      const next = new Map(m)
      ids.forEach((id) => next.delete(id))
      return next
    })

  async function become(ids: readonly string[], kind: CutKind) {
    const seen = new Map<string, string>()
    for (const id of ids) {
      const cut = plan.cuts.find((c) => c.id === id)
      if (cut && kind !== 'picture' && !cut.ground)
        seen.set(id, (await openCutter().ask({ kind: 'ground', rect: cut })).color)
    }
    change(`make it ${kindNames[kind].toLowerCase()}`, (p) =>
      ids.reduce((q, id) => {
        const cut = q.cuts.find((c) => c.id === id)
        const ground = seen.get(id)
        const box =
          kind === 'button' && cut && !cut.box
            ? { box: { background: ground ?? cut.ground ?? '#1f4f8a', radius: 0 } }
            : {}
        return setCut(q, id, { kind, ...(ground ? { ground } : {}), ...box })
      }, p),
    )
  }
  const setNarrow = (id: string, narrow: Cut['narrow']) =>
    change(narrow ? 'give narrow its own picture' : 'show the same picture on narrow', (p) =>
      setCut(p, id, { narrow }),
    )
  async function readGround(cut: Cut) {
    const ground = await openCutter().ask({ kind: 'ground', rect: cut })
    change('read the ground colour', (p) => setCut(p, cut.id, { ground: ground.color }))
  }
  const select = (id: string | null, more = false) => {
    setSelected((s) =>
      id === null ? [] : more ? (s.includes(id) ? s.filter((x) => x !== id) : [...s, id]) : [id],
    )
    if (id) ties.reveal(`t-${id}`)
  }

  return {
    job,
    session,
    plan,
    order,
    seams,
    selected,
    setSelected,
    select,
    hovered,
    setHovered,
    edges: { x: content.x, y: [...found, ...content.y] },
    work,
    result,
    trouble,
    left,
    layers,
    texts,
    proposals,
    ties,
    size,
    current,
    change,
    figures,
    figureOf,
    measuring,
    pictures,
    total,
    budget,
    smallIn,
    groundAt: (c: Cut) => grounds.get(rectKey(c)),
    openCutter,
    find,
    build,
    readWords,
    sureOnes,
    takeProposals,
    dropProposals,
    become,
    readGround,
    setNarrow,
    letteringFor: (b: TextBlock) => letteringOf(b, design.scale),
  }
}
export type CutWork = ReturnType<typeof useCutWork>
