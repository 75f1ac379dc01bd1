'use client'
import { useEffect, type PointerEvent } from 'react'
import type { Email } from '@/core/email/schema'
import { cutsOf } from '@/core/email/tile'
import { tilesOf } from '@/core/email/walk'
import type { CutPlan } from '@/core/cut/plan'
import { around } from '@/core/cut/raster'
import { cx } from '../parts/controls'
import { useLensPlace } from './lens-place'
import { LensFrame, Ring, useWidth } from './lens'
import type { Stretch, Ties } from './ties'
import type { BenchJob, Design } from './types'

/**
 * Where each band of the email came from in the design, design px. Bands made by hand have no place there.
 */
export function bandsInDesign(email: Email, plan: CutPlan): Map<string, Stretch> {
  const cuts = new Map(plan.cuts.map((c) => [c.id, c]))
  const out = new Map<string, Stretch>()
  for (const band of email.bands) {
    const own = [...tilesOf(band)].flatMap((t) => cutsOf(t).flatMap((id) => cuts.get(id) ?? []))
    if (own.length) {
      const r = around(own)
      out.set(band.id, { top: r.y, left: r.x, width: r.w, height: r.h })
    }
  }
  return out
}

/** The band that came from a place in the design. @param x, y design px */
const bandAt = (places: Map<string, Stretch>, x: number, y: number): string | null =>
  [...places].find(
    ([, r]) => x >= r.left && x < r.left + r.width && y >= r.top && y < r.top + r.height,
  )?.[0] ?? null

interface Props {
  design: Design
  places: Map<string, Stretch>
  ties: Ties
  selected: string | null
  hovered: string | null
  onPick: (band: string) => void
  onHover: (band: string | null) => void
}

/** The design as the designer sent it, tied to the email by its cuts. */
export function DesignView(p: Props) {
  const { design, places, ties } = p
  const [scroller, room] = useWidth<HTMLDivElement>()
  const full = useLensPlace()?.full
  const zoom = full ? 1 / design.scale : room ? Math.min(1, (room - 20) / design.width) : 0.3
  useEffect(() => {
    if (scroller.current)
      ties.register('Design', {
        scroller: scroller.current,
        zoom,
        origin: { x: Math.max(10, (room - design.width * zoom) / 2), y: 10 },
        bands: places,
      })
  }, [places, zoom, room, ties, scroller, design.width])
  useEffect(() => () => ties.remove('Design'), [ties])
  return (
    <LensFrame
      name="Design"
      detail={`${design.width} px, ${Number(design.scale.toFixed(2))}x`}
      zoom={zoom * design.scale}
    >
      <div
        ref={scroller}
        className={cx('min-h-0 flex-1 overflow-y-auto', full ? 'overflow-x-auto' : 'overflow-x-hidden')}
        onScroll={() => ties.scrolled('Design')}
        tabIndex={0}
        role="region"
        aria-label="The design"
      >
        <Sheet {...p} zoom={zoom} />
      </div>
    </LensFrame>
  )
}

/** The design's picture. Selecting by pointer here repeats what the spine offers to the keyboard. */
function Sheet({ design, places, selected, hovered, onPick, onHover, zoom }: Props & { zoom: number }) {
  const under = (e: PointerEvent) => {
    const box = e.currentTarget.getBoundingClientRect()
    return bandAt(places, (e.clientX - box.left) / zoom, (e.clientY - box.top) / zoom)
  }
  const at = (id: string | null) => (id ? places.get(id) : undefined)
  return (
    <div
      className="relative mx-auto my-2.5"
      style={{ width: design.width * zoom, height: design.height * zoom }}
      onPointerMove={(e) => onHover(under(e))}
      onPointerLeave={() => onHover(null)}
      onPointerDown={(e) => {
        const id = under(e)
        if (id) onPick(id)
      }}
    >
      <img
        src={`/api/pictures/${design.id}`}
        alt="The design"
        draggable={false}
        className="block h-full w-full"
      />
      <Ring of={at(hovered)} zoom={zoom} look="outline-2 -outline-offset-1 outline-[#21508f]/50" />
      <Ring of={at(selected)} zoom={zoom} look="outline-2 outline-[#21508f]" />
    </div>
  )
}

/**
 * The narrow design of the same email, beside the narrow lens. No cuts tie it band to band: it is scrolled by
 * itself.
 */
export function NarrowDesign({ design }: { design: NonNullable<BenchJob['narrow']> }) {
  return (
    <LensFrame name="Narrow design" detail={`${design.width} px`}>
      <div
        className="min-h-0 flex-1 overflow-y-auto p-2.5"
        tabIndex={0}
        role="region"
        aria-label="The narrow design"
      >
        <img
          src={`/api/pictures/${design.id}`}
          alt="The narrow design"
          draggable={false}
          className="block w-full"
        />
      </div>
    </LensFrame>
  )
}
