'use client'
import {
  useCallback,
  useEffect,
  useLayoutEffect,
  useRef,
  useState,
  type CSSProperties,
  type ReactNode,
} from 'react'
import type { Parts } from '@/core/compile'
import { standIns } from '@/core/email/stand-ins'
import { cx } from '../parts/controls'
import type { Loads } from '../parts/framed'
import { useLensPlace } from './lens-place'
import dynamic from 'next/dynamic'
import type { GutterWork } from './gutters'
import { useComing, useLensDrag, type Dragged, type DragWork } from './lens-drag'
import { NotLoaded, useElsewhere } from './elsewhere'
import { keepBandsApart, patch, type Changed } from './live-frame'
import { bottomOf, marksOf, measureAll, Measures, type Marks } from './measures'
import type { Stretch, Ties } from './ties'
import { useFirst } from './use-first'

export type { Marks } from './measures'

// What parts cells comes with the first row that is selected.
const Gutters = dynamic(() => import('./gutters').then((m) => m.Gutters), { ssr: false })

interface FrameProps {
  name: string
  detail?: string
  /** More of what it shows, for the pointer. */
  about?: string
  right?: ReactNode
  zoom?: number
  children: ReactNode
  className?: string
}

/** The frame of a lens: its name, what it shows, and the neutral ground. */
export function LensFrame({ name, detail, about, right, zoom, children, className }: FrameProps) {
  const place = useLensPlace()
  return (
    <section
      aria-label={`${name} lens`}
      className={cx('relative flex min-h-0 min-w-0 flex-col border-r border-[#8d8e8c] bg-ground', className)}
    >
      <header className="flex h-[26px] shrink-0 items-center gap-2 bg-groundhead px-2.5 text-xs text-[#17191a]">
        <h2 className="font-sans text-xs font-semibold">{place?.menu ?? name}</h2>
        {detail && (
          <span className="truncate font-mono text-[11px]" title={about}>
            {detail}
          </span>
        )}
        <span className="ml-auto flex items-center gap-2">
          {right}
          {zoom !== undefined && <Zoom zoom={zoom} />}
          {place?.end}
        </span>
      </header>
      {children}
    </section>
  )
}

/** How large things are drawn; where the lens can be set, a press goes between fitting it and full size. */
function Zoom({ zoom }: { zoom: number }) {
  const place = useLensPlace()
  const said = `${Math.round(zoom * 100)} %`
  if (!place) return <span className="font-mono text-[11px]">{said}</span>
  return (
    <button
      type="button"
      aria-pressed={place.full}
      title={place.full ? 'Fit into the lens' : 'Full size'}
      className="font-mono text-[11px] underline decoration-dotted underline-offset-2"
      onClick={place.onFull}
    >
      {said}
      <span className="sr-only">, {place.full ? 'fit into the lens' : 'show at full size'}</span>
    </button>
  )
}

/** The width of an element, followed as it changes. */
export function useWidth<E extends HTMLElement>(): [React.RefObject<E | null>, number] {
  const ref = useRef<E>(null)
  const [width, setWidth] = useState(0)
  useLayoutEffect(() => {
    const el = ref.current
    if (!el) return
    setWidth(el.clientWidth)
    const observer = new ResizeObserver(() => setWidth(el.clientWidth))
    observer.observe(el)
    return () => observer.disconnect()
  }, [])
  return [ref, width]
}

export interface EmailLensProps {
  name: string
  /** Width of the window it stands for, px. */
  width: number
  parts: Parts
  /** Whether this is the lens that says what is not loaded. */
  speaks?: boolean
  ties: Ties
  /** Which marks are bands: they are what ties one lens to another. */
  bandIds: readonly string[]
  selected?: string | null
  selectedBand?: string | null
  /** What is selected beside it. */
  also?: readonly string[]
  hovered?: string | null
  /** Called with the ids of all marks under the pointer, innermost first. */
  onPick?: (ids: string[], press: { ctrlKey: boolean; metaKey: boolean; shiftKey: boolean }) => void
  onOpen?: (ids: string[]) => void
  onHover?: (band: string | null) => void
  onMarks?: (marks: Marks, height: number) => void
  /** What lies over a mark, such as the editor in place; drawn in px of the email. */
  overlay?: (marks: Marks) => ReactNode
  /** What can be dragged in it, and the row whose cells can be made wider. */
  drag?: DragWork
  gutters?: GutterWork
  right?: ReactNode
  /** What stands beneath the lens's head, over the email. */
  bar?: ReactNode
  detail?: string
  /** False: nothing is loaded, as in a reader with pictures off. */
  pictures?: boolean
  /** What lies over all of the email and is looked through, in px of the email. */
  cover?: Cover
}

/** A picture over the email, and how it is seen through. */
export interface Cover {
  node: (marks: Marks) => ReactNode
  style: CSSProperties
}

/** How tall emails were when they were last seen, by their width and bands: a lens that comes back has its height at once. px of the email */
const lastHeights = new Map<string, number>()

/** A frame whose height is not known is shown once it is, or after so long, ms: what is slow may still grow. */
const PATIENCE = 8_000

/**
 * How tall a frame is, px of the email, and whether that is known yet: it is not shown before, so that nothing jumps.
 * @param of whose height it is
 */
function useHeight(of: string) {
  const [height, setHeight] = useState(() => lastHeights.get(of) ?? 400)
  const [known, setKnown] = useState(() => lastHeights.has(of))
  useEffect(() => {
    if (known) return
    const wait = setTimeout(() => setKnown(true), PATIENCE)
    return () => clearTimeout(wait)
  }, [known])
  const latest = useRef(of)
  latest.current = of
  const settle = useCallback((tall: number) => {
    lastHeights.set(latest.current, tall)
    setHeight(tall)
    setKnown(true)
  }, [])
  return { height, known, settle }
}

/**
 * The frame that the email stands in, without scripts. The page reaches in only to measure, and changes it in
 * place, band by band, when the email changes, so that nothing flickers.
 * @param onMarks told where everything marked lies, and how tall the email is, px of the email
 */
function useFrame(
  parts: Parts,
  width: number,
  loads: Loads,
  onMarks?: (marks: Marks, height: number) => void,
) {
  const frame = useRef<HTMLIFrameElement>(null)
  const { first, shown } = useFirst(parts, loads)
  const { height, known, settle } = useHeight(`${width} ${parts.bands.map((b) => b.id).join()}`)
  const [marks, setMarks] = useState<Marks>(new Map())
  const latest = useRef(parts)
  latest.current = parts
  const ready = useRef(false)
  const tell = useRef(onMarks)
  tell.current = onMarks
  const measures = useRef(new Measures())
  const tall = useRef(0)

  const measure = useCallback(
    (changed: Changed) => {
      const doc = frame.current?.contentDocument
      if (!doc?.body) return
      const ids = shown.current.bands.map((b) => b.id)
      const next = ids.length ? measures.current.take(doc, ids, changed) : measureAll(doc)
      tall.current = bottomOf(doc)
      settle(Math.max(tall.current, 40))
      setMarks(next)
      tell.current?.(next, tall.current)
    },
    [shown, settle],
  )

  /** Brings the frame to the latest state. */
  const follow = useCallback(() => {
    const doc = frame.current?.contentDocument
    if (!ready.current || !doc || shown.current === latest.current) return
    const changed = patch(doc, shown.current, latest.current, loads)
    shown.current = latest.current
    if (changed === 'all' || changed.size) measure(changed)
    else measure(new Set())
  }, [loads, measure, shown])

  useEffect(() => {
    const el = frame.current
    if (!el || first === undefined) return
    let observer: ResizeObserver | undefined
    const loaded = () => {
      ready.current = true
      const doc = el.contentDocument
      if (!doc?.body) return
      if (shown.current.bands.length) keepBandsApart(doc)
      observer = new ResizeObserver(() => {
        // What was just measured after a change is not measured again.
        if (bottomOf(doc) !== tall.current) measure('all')
      })
      observer.observe(doc.body)
      doc.body.addEventListener('load', () => measure('all'), true)
      // Letters that come later are measured when they are there.
      doc.fonts.addEventListener('loadingdone', () => measure('all'))
      measure('all')
      follow()
    }
    el.addEventListener('load', loaded)
    if (el.contentDocument?.readyState === 'complete' && el.contentDocument.body?.childElementCount) loaded()
    return () => {
      el.removeEventListener('load', loaded)
      observer?.disconnect()
    }
  }, [first, follow, measure, shown])

  useEffect(follow, [parts, follow])

  const under = (x: number, y: number) => marksUnder(frame.current?.contentDocument, x, y)
  return { frame, first, height, known, marks, under }
}

/** The ids of all marks under a place, innermost first. @param x, y px of the email */
function marksUnder(doc: Document | null | undefined, x: number, y: number): string[] {
  const ids: string[] = []
  for (let el = doc?.elementFromPoint(x, y) ?? null; el; el = el.parentElement)
    ids.push(...marksOf(el as HTMLElement).toReversed())
  return ids
}

/** What stands in for the faces that emails name. */
const LETTERS = `Letters are alike on every machine: ${standIns.map((s) => `${s.family} by ${s.by}`).join(', ')}`

/**
 * The email in a window of a set width. The markup runs in a frame without scripts; the page reaches in only
 * to measure, and changes it in place when the email changes, so that nothing flickers.
 */
export function EmailLens(p: EmailLensProps) {
  // A policy once given to a frame holds: letting it load takes another frame.
  const { loads } = useElsewhere()
  const own = p.pictures === false ? 'nothing' : loads
  return <Lens key={own} {...p} loads={own} />
}

function Lens(p: EmailLensProps & { loads: Loads }) {
  const { name, width, parts, ties, bandIds, onMarks } = p
  const framed = useFrame(parts, width, p.loads, onMarks)
  const { marks } = framed
  const [scroller, room] = useWidth<HTMLDivElement>()
  const full = useLensPlace()?.full
  const zoom = full ? 1 : room ? Math.min(1, (room - 20) / width) : 0.5
  const bands = useRef(bandIds)
  bands.current = bandIds
  useEffect(() => {
    if (!scroller.current) return
    const own = new Set(bands.current)
    ties.register(name, {
      scroller: scroller.current,
      zoom,
      origin: { x: Math.max(10, (room - width * zoom) / 2), y: 10 },
      bands: new Map([...marks].filter(([id]) => own.has(id))),
    })
  }, [marks, zoom, room, name, ties, width, scroller])
  useEffect(() => () => ties.remove(name), [ties, name])
  return (
    <LensFrame name={name} detail={p.detail ?? String(width)} about={LETTERS} zoom={zoom} right={p.right}>
      {p.bar}
      {p.speaks && <NotLoaded parts={parts} />}
      <div
        ref={scroller}
        className={cx('min-h-0 flex-1 overflow-y-auto', full ? 'overflow-x-auto' : 'overflow-x-hidden')}
        onScroll={() => ties.scrolled(name)}
        tabIndex={0}
        role="region"
        aria-label={`${name}, ${width} px`}
      >
        <Window {...p} framed={framed} zoom={zoom} />
      </div>
    </LensFrame>
  )
}

/** The email in its frame, what is marked on it, and what lies over it. */
function Window(p: EmailLensProps & { framed: ReturnType<typeof useFrame>; zoom: number }) {
  const { name, width, bandIds, zoom } = p
  const { frame, first, height, known, marks, under } = p.framed
  const underPointer = (e: { clientX: number; clientY: number; currentTarget: Element }) => {
    const box = e.currentTarget.getBoundingClientRect()
    return under((e.clientX - box.left) / zoom, (e.clientY - box.top) / zoom)
  }
  const isBand = (id: string) => bandIds.includes(id)
  const { dragged, handlers, ended } = useLensDrag(p.drag, marks, zoom, underPointer)
  const coming = useComing(p.drag, marks, zoom)
  const scaled = { transform: `scale(${zoom})`, transformOrigin: '0 0' }
  return (
    <div
      className={cx('relative mx-auto my-2.5 bg-white', !known && 'invisible')}
      style={{ width: width * zoom, height: height * zoom }}
    >
      {first !== undefined && (
        <iframe
          ref={frame}
          title={`The email, ${name}, ${width} px wide`}
          sandbox="allow-same-origin"
          srcDoc={first}
          tabIndex={-1}
          scrolling="no"
          className="pointer-events-none absolute top-0 left-0 border-0"
          style={{ width, height, ...scaled, willChange: 'transform' }}
        />
      )}
      <div
        className="absolute inset-0"
        data-lens={name}
        {...handlers}
        {...coming.handlers}
        onPointerMove={(e) => {
          handlers.onPointerMove(e)
          if (!dragged) p.onHover?.(underPointer(e).find(isBand) ?? null)
        }}
        onPointerLeave={() => p.onHover?.(null)}
        onClick={(e) => !ended() && p.onPick?.(underPointer(e), e)}
        onDoubleClick={(e) => p.onOpen?.(underPointer(e))}
      />
      <Rings {...p} marks={marks} dragged={dragged} />
      <Ring of={coming.line ?? undefined} zoom={zoom} look="bg-[#21508f]" />
      {p.gutters && <Gutters work={p.gutters} marks={marks} zoom={zoom} />}
      {p.cover && (
        <div
          aria-hidden
          className="pointer-events-none absolute top-0 left-0 overflow-hidden"
          style={{ width, height, ...scaled, ...p.cover.style }}
        >
          {p.cover.node(marks)}
        </div>
      )}
      {p.overlay && (
        <div className="absolute top-0 left-0" style={{ width, ...scaled }}>
          {p.overlay(marks)}
        </div>
      )}
    </div>
  )
}

/** Lines around what the pointer is over, the selected band, and what is selected in it. */
function Rings({
  marks,
  zoom,
  hovered,
  selected,
  selectedBand,
  also,
  dragged,
}: Pick<EmailLensProps, 'hovered' | 'selected' | 'selectedBand' | 'also'> & {
  marks: Marks
  zoom: number
  dragged: Dragged | null
}) {
  const at = (id: string | null | undefined) => (id ? marks.get(id) : undefined)
  return (
    <>
      {also?.map((id) => (
        <Ring
          key={id}
          of={at(id)}
          zoom={zoom}
          look="outline-2 -outline-offset-1 outline-dashed outline-[#21508f]"
        />
      ))}
      <Ring of={at(dragged?.id)} zoom={zoom} look="bg-white/60 outline-2 outline-[#21508f]" />
      <Ring of={dragged?.slot?.line} zoom={zoom} look="bg-[#21508f]" />
      <Ring of={at(hovered)} zoom={zoom} look="outline-2 -outline-offset-1 outline-[#21508f]/50" />
      <Ring of={at(selectedBand)} zoom={zoom} look="outline-2 outline-[#21508f]" />
      {selected !== selectedBand && (
        <Ring
          of={at(selected)}
          zoom={zoom}
          look="outline-2 -outline-offset-1 outline-dashed outline-[#21508f]"
        />
      )}
    </>
  )
}

/** A line around what is marked. */
export function Ring({ of, zoom, look }: { of: Stretch | undefined; zoom: number; look: string }) {
  if (!of) return null
  return (
    <div
      aria-hidden
      className={cx('pointer-events-none absolute', look)}
      style={{ top: of.top * zoom, left: of.left * zoom, width: of.width * zoom, height: of.height * zoom }}
    />
  )
}
