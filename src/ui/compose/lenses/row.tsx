'use client'
import { useRef, type ReactNode } from 'react'
import { LensPlaceOf } from '../../bench/lens-place'
import { AddLens, LensMenu } from './menu'
import type { LensesWork, LensKind } from './shown'

/** Lenses beside each other, with edges that are dragged between them. */
export function LensRow({
  work,
  children,
  over,
}: {
  work: LensesWork
  /** What a kind of lens shows. */
  children: (kind: LensKind) => ReactNode
  /** What lies over all of them. */
  over?: ReactNode
}) {
  const main = useRef<HTMLElement>(null)
  const { kinds, shares, full } = work.lenses
  return (
    <main
      ref={main}
      className="relative grid min-h-0 min-w-0 bg-ground"
      style={{ gridTemplateColumns: shares.map((s) => `minmax(0, ${s}fr)`).join(' ') }}
    >
      {kinds.map((kind, at) => (
        <div key={kind} className="relative grid min-h-0 min-w-0" data-place={at}>
          <LensPlaceOf
            value={{
              menu: <LensMenu work={work} at={at} kind={kind} />,
              end: at === kinds.length - 1 ? <AddLens work={work} /> : null,
              full: full.includes(kind),
              onFull: () => work.setFull(kind, !full.includes(kind)),
            }}
          >
            {children(kind)}
          </LensPlaceOf>
          {at < kinds.length - 1 && <Edge work={work} at={at} names={[kind, kinds[at + 1]!]} />}
        </div>
      ))}
      {over}
    </main>
  )
}

/** How much one press of an arrow moves an edge, as a share of both lenses. */
const STEP = 0.04

/** The edge between a lens and its right neighbour: dragged, or moved by the arrow keys. */
function Edge({ work, at, names }: { work: LensesWork; at: number; names: [LensKind, LensKind] }) {
  const { shares } = work.lenses
  const share = shares[at]! / (shares[at]! + shares[at + 1]!)
  const drag = (e: React.PointerEvent) => {
    const left = e.currentTarget.parentElement!
    const right = left.nextElementSibling!
    const from = left.getBoundingClientRect().left
    const width = right.getBoundingClientRect().right - from
    work.divide(at, (e.clientX - from) / width)
  }
  return (
    <div
      role="slider"
      aria-orientation="horizontal"
      aria-label={`Edge between ${names[0]} and ${names[1]}`}
      aria-valuenow={Math.round(share * 100)}
      aria-valuemin={0}
      aria-valuemax={100}
      tabIndex={0}
      className="absolute top-0 -right-[3px] bottom-0 z-20 w-[6px] cursor-col-resize hover:bg-lapis/40 focus-visible:bg-lapis"
      onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
      onPointerMove={(e) => {
        if (e.currentTarget.hasPointerCapture(e.pointerId)) drag(e)
      }}
      onDoubleClick={() => work.divide(at, 0.5)}
      onKeyDown={(e) => {
        const way = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0
        if (!way) return
        e.preventDefault()
        work.divide(at, share + way * STEP)
      }}
    />
  )
}
