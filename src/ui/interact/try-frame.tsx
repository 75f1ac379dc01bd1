'use client'
import { useEffect, useRef, useState, type ReactNode } from 'react'
import { LensFrame, useWidth } from '../bench/lens'
import { framed, type Loads } from '../parts/framed'
import { useElsewhere } from '../bench/elsewhere'

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
}: {
  name: string
  html: string
  /** Of the window it stands for, px. */
  width: number
  detail?: string
  right?: ReactNode
  /** Makes the message answer. @returns what ends that */
  onLoad?: (doc: Document) => void
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
  const loaded = () => {
    const doc = frame.current?.contentDocument
    if (!doc) return
    onLoad?.(doc)
    const measure = () => setHeight(Math.max(200, doc.documentElement.scrollHeight))
    measure()
    const observer = new ResizeObserver(measure)
    observer.observe(doc.body)
  }
  return (
    <LensFrame name={name} zoom={zoom} {...(detail ? { detail } : {})} right={right}>
      <div
        ref={ref}
        className="min-h-0 flex-1 overflow-x-hidden overflow-y-auto"
        tabIndex={0}
        role="region"
        aria-label={`${name}, scrolled`}
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
