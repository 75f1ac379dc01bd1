'use client'
import { useEffect, useRef, useState, type ReactNode, type RefObject } from 'react'
import { LensFrame, useWidth } from '../bench/lens'
import { framed, type Loads } from '../parts/framed'
import { useElsewhere } from '../bench/elsewhere'
import { marksOf } from '../bench/measures'
import type { Stretch, Ties } from '../bench/ties'

/**
 * A message that can be tried: pressed, typed in, gone through by keys. Nothing in it runs script; what makes it answer works on it from outside.
 */
export function TryFrame({
  name,
  html,
  width,
  detail,
  right,
  onLoad,
  tied,
}: {
  name: string
  html: string
  /** Of the window it stands for, px. */
  width: number
  detail?: string
  right?: ReactNode
  /** Makes the message answer. @returns what ends that */
  onLoad?: (doc: Document) => void
  /** What keeps it together with the lenses beside it, band by band. */
  tied?: { ties: Ties; bandIds: readonly string[] }
}) {
  const [ref, room] = useWidth<HTMLDivElement>()
  const frame = useRef<HTMLIFrameElement>(null)
  const [height, setHeight] = useState(600)
  const { allowed } = useElsewhere()
  const loads: Loads = allowed ? 'all' : 'own'
  const [source, setSource] = useState('')
  // The policy names the address of the page, which is known in the browser alone.
  useEffect(() => setSource(html && framed(html, loads)), [html, loads])
  const zoom = room ? Math.min(1, room / width) : 1
  const [bands, setBands] = useState<ReadonlyMap<string, Stretch>>(new Map())
  const ids = tied?.bandIds
  const loaded = () => {
    const doc = frame.current?.contentDocument
    if (!doc) return
    onLoad?.(doc)
    const measure = () => {
      setHeight(Math.max(200, doc.documentElement.scrollHeight))
      if (ids) setBands(stretchesIn(doc, ids))
    }
    measure()
    const observer = new ResizeObserver(measure)
    observer.observe(doc.body)
  }
  useTied(name, tied?.ties, ref, zoom, bands)
  return (
    <LensFrame name={name} zoom={zoom} {...(detail ? { detail } : {})} right={right}>
      <div
        ref={ref}
        className="min-h-0 flex-1 overflow-x-hidden overflow-y-auto"
        tabIndex={0}
        role="region"
        aria-label={`${name}, scrolled`}
        onScroll={() => tied?.ties.scrolled(name)}
      >
        {source && (
          <div style={{ height: height * zoom, width: width * zoom }} className="mx-auto overflow-hidden">
            <iframe
              ref={frame}
              title={`The message, ${name}`}
              sandbox="allow-same-origin"
              srcDoc={source}
              onLoad={loaded}
              style={{ width, height, transform: `scale(${zoom})`, transformOrigin: '0 0' }}
              className="border-0 bg-white"
            />
          </div>
        )}
      </div>
    </LensFrame>
  )
}

/** Where the bands of a message stand, px from its top. */
function stretchesIn(doc: Document, ids: readonly string[]): Map<string, Stretch> {
  const marked = new Map(
    [...doc.querySelectorAll<HTMLElement>('[data-m]')].flatMap((e) => marksOf(e).map((m) => [m, e] as const)),
  )
  return new Map(
    ids.flatMap((id) => {
      const box = marked.get(id)?.getBoundingClientRect()
      return box
        ? [[id, { top: box.top, left: box.left, width: box.width, height: box.height }] as const]
        : []
    }),
  )
}

/** Tells the ties where its bands stand. */
function useTied(
  name: string,
  ties: Ties | undefined,
  scroller: RefObject<HTMLElement | null>,
  zoom: number,
  bands: ReadonlyMap<string, Stretch>,
): void {
  useEffect(() => {
    if (!ties || !scroller.current) return
    ties.register(name, { scroller: scroller.current, zoom, origin: { x: 0, y: 0 }, bands: new Map(bands) })
    return () => ties.remove(name)
  }, [name, ties, scroller, zoom, bands])
}
