'use client'
import { memo, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { useStore, type StoreApi } from 'zustand'
import type { Parts } from '@/core/compile'
import { remembered } from '@/core/email/remember'
import type { Band } from '@/core/email/schema'
import { tilesOf } from '@/core/email/walk'
import { definitionOf } from '@/core/tiles'
import { useElsewhere } from '../bench/elsewhere'
import { keepBandsApart, patch } from '../bench/live-frame'
import { bottomOf, measureAll } from '../bench/measures'
import { useFirst } from '../bench/use-first'
import type { Likenesses } from './likeness/use-likeness'
import type { Measured } from './measured'
import type { SortedStrips } from './sorted-strips'
import { Strip, type StripOf } from './strip'

interface Props {
  bands: readonly Band[]
  wide: StoreApi<Measured>
  width: number
  parts: Parts
  /** Findings to mend, by band. */
  toMend: ReadonlyMap<string, number>
  /** How alike each band and its place in the design are. */
  likeness: Likenesses
  /** Open remarks of the client, by band. */
  remarks: ReadonlyMap<string, number>
  /** Whether it measures the bands itself, where no wide lens does. */
  measures: boolean
  selected: string | null
  /** Bands that are selected beside that one. */
  also: readonly string[]
  onSelect: (id: string, how?: 'also' | 'to') => void
  onMove: (id: string, to: number) => void
  onHover: (id: string | null) => void
}

const STRIP = 96

/** Bytes of a band's pictures. */
const pictureBytes = remembered((band: Band): number =>
  [...tilesOf(band)].flatMap((t) => definitionOf(t).pictures(t)).reduce((sum, p) => sum + p.picture.bytes, 0),
)

/** Bytes of each band: its share of the HTML and its pictures. */
function weigh(bands: readonly Band[], parts: Parts): Map<string, number> {
  const html = new Map(parts.bands.map((b) => [b.id, b.html.length]))
  return new Map(bands.map((b) => [b.id, (html.get(b.id) ?? 0) + pictureBytes(b)]))
}

type Sorted = typeof SortedStrips

/**
 * Dragging comes when a hand or the keyboard does. The strips are drawn anew for it, so never while one is pressed: the press
 * would be lost.
 */
function useSorting(): { Sorted: Sorted | null; come: () => void; press: () => void } {
  const [Sorted, setSorted] = useState<Sorted | null>(null)
  const pressed = useRef(false)
  const waiting = useRef<(() => void) | null>(null)
  const asked = useRef(false)
  const come = useCallback(() => {
    if (asked.current) return
    asked.current = true
    void import('./sorted-strips').then((m) => {
      const draw = () => setSorted(() => m.SortedStrips)
      if (pressed.current) waiting.current = draw
      else draw()
    })
  }, [])
  const press = useCallback(() => {
    pressed.current = true
    const release = () =>
      // The click that ends a press comes after its release.
      setTimeout(() => {
        pressed.current = false
        waiting.current?.()
        waiting.current = null
      }, AFTER_CLICK)
    window.addEventListener('pointerup', release, { once: true })
    window.addEventListener('pointercancel', release, { once: true })
  }, [])
  return { Sorted, come, press }
}

/** By when the click of a press has come, ms. */
const AFTER_CLICK = 50

/** How long the spine may lag behind the email, ms. */
const BEHIND = 120

/** What the spine draws of the email: all of one moment, so that its picture and its strips are in step. */
interface Drawn extends Measured {
  bands: readonly Band[]
  parts: Parts
}

/**
 * Nobody writes in the spine: it follows once the keys rest, and so costs none of them anything. Other bands, or another order,
 * are followed at once.
 */
function useDrawn({ bands, parts, marks, height }: Drawn): Drawn {
  const latest = useMemo(() => ({ bands, parts, marks, height }), [bands, parts, marks, height])
  const order = bands.map((b) => b.id).join('\n')
  const [drawn, setDrawn] = useState({ of: latest, order })
  useEffect(() => {
    const wait = setTimeout(() => setDrawn({ of: latest, order }), BEHIND)
    return () => clearTimeout(wait)
  }, [latest, order])
  return drawn.order === order ? drawn.of : latest
}

/**
 * The scale drawing of all bands in true proportion: for moving around, and for bringing bands into another
 * order.
 */
export function Spine({ bands, parts, wide, ...p }: Props) {
  // Kept beside the stage, so that it is not drawn anew for what the spine alone shows.
  const measured = useStore(wide)
  const drawn = useDrawn({ bands, parts, ...measured })
  return <Drawing {...p} {...{ drawn, wide }} />
}

/** What each strip shows. @param scale px as drawn for each px of the email */
function useStrips(
  p: Omit<Props, 'bands' | 'parts'>,
  { bands, parts, marks }: Drawn,
  scale: number,
): StripOf[] {
  const likeness = useStore(p.likeness.wide)
  const narrowLikeness = useStore(p.likeness.narrow)
  const weights = useMemo(() => weigh(bands, parts), [bands, parts])
  return bands.map((band): StripOf => ({
    band,
    height: (marks.get(band.id)?.height ?? 20) * scale,
    strip: p.width * scale,
    weight: weights.get(band.id) ?? 0,
    toMend: p.toMend.get(band.id) ?? 0,
    likeness: likeness.get(band.id),
    narrowLikeness: narrowLikeness.get(band.id),
    remarks: p.remarks.get(band.id) ?? 0,
    selected: p.selected === band.id || p.also.includes(band.id),
    onSelect: p.onSelect,
    onHover: p.onHover,
  }))
}

const Drawing = memo(function Drawing({
  drawn,
  ...p
}: Omit<Props, 'bands' | 'parts'> & {
  drawn: Drawn
}) {
  const list = useRef<HTMLDivElement>(null)
  const { allowed } = useElsewhere()
  const { bands, parts, height } = drawn
  const [room, setRoom] = useState(500)
  useLayoutEffect(() => {
    const el = list.current!
    const observer = new ResizeObserver(() => setRoom(el.clientHeight - 16))
    observer.observe(el)
    return () => observer.disconnect()
  }, [])
  // True proportion as long as it fits; a long email is drawn smaller as a whole.
  const scale = Math.min(STRIP / p.width, Math.max(0.035, room / Math.max(1, height)))
  const { Sorted, come, press } = useSorting()
  const refocus = useRef<string | null>(null)
  const strips = useStrips(p, drawn, scale)
  return (
    <aside aria-label="Spine" className="flex min-h-0 flex-col border-r border-grout bg-plaster">
      <div
        ref={list}
        className="min-h-0 flex-1 overflow-y-auto py-2"
        onPointerEnter={come}
        onPointerDown={press}
        onFocus={(e) => {
          // The strip that has the focus is drawn anew when it can be dragged.
          if (!Sorted) refocus.current = (e.target as HTMLElement).dataset.strip ?? null
          come()
        }}
      >
        <div className="relative">
          <div
            aria-hidden
            className="absolute top-0 left-3 overflow-hidden border border-black/10 bg-white"
            style={{ width: p.width * scale, height: height * scale }}
          >
            <SmallEmail
              key={String(allowed)}
              parts={parts}
              width={p.width}
              height={height}
              scale={scale}
              onMeasured={p.measures ? p.wide.setState : undefined}
            />
          </div>
          {Sorted ? (
            <Sorted bands={bands} onMove={p.onMove} strips={strips} refocus={refocus} />
          ) : (
            strips.map((of) => <Strip key={of.band.id} {...of} />)
          )}
        </div>
      </div>
    </aside>
  )
})

/** The email in small. It changes in place, as the lenses do, and so stays in step with the strips beside it. */
function SmallEmail(p: {
  parts: Parts
  width: number
  height: number
  scale: number
  /** Told where everything stands, where nothing else measures it. */
  onMeasured?: (measured: Measured) => void
}) {
  const { parts, width, height, scale, onMeasured } = p
  const { loads } = useElsewhere()
  const frame = useRef<HTMLIFrameElement>(null)
  const { first, shown } = useFirst(parts, loads)
  const follow = useCallback(() => {
    const doc = frame.current?.contentDocument
    if (!doc?.body?.childElementCount) return
    keepBandsApart(doc)
    if (shown.current !== parts) patch(doc, shown.current, parts, loads)
    shown.current = parts
    doc.scrollingElement?.scrollTo(0, 0)
    if (!onMeasured) return
    onMeasured({ marks: measureAll(doc), height: Math.max(40, bottomOf(doc)) })
  }, [parts, loads, onMeasured, shown])
  useEffect(follow, [follow])
  if (first === undefined) return null
  return (
    <iframe
      ref={frame}
      title="The email in small"
      sandbox="allow-same-origin"
      srcDoc={first}
      onLoad={follow}
      tabIndex={-1}
      scrolling="no"
      className="pointer-events-none border-0"
      style={{ width, height, transform: `scale(${scale})`, transformOrigin: '0 0' }}
    />
  )
}
