'use client'
import { useEffect, useRef, useState } from 'react'
import { contentOf, type Marks } from '../bench/measures'
import type { Stretch } from '../bench/ties'
import type { Drawn } from './engine'
import { frameAt, type Player } from './player'

/** Puts a frame of a sequence onto a canvas. */
export function paintFrame(canvas: HTMLCanvasElement | null, drawn: Drawn, at: number): void {
  const frame = drawn.frames[at]
  const c = canvas?.getContext('2d')
  if (!canvas || !frame || !c) return
  if (canvas.width !== drawn.width || canvas.height !== drawn.height) {
    canvas.width = drawn.width
    canvas.height = drawn.height
  }
  c.putImageData(new ImageData(frame.data as Uint8ClampedArray<ArrayBuffer>, drawn.width, drawn.height), 0, 0)
}

/** How far around the slot nothing is dimmed, so that seams are seen, px. */
const RIM = 16

/** Where the picture lies in the frame of its lens, px of the email. @param marks changes whenever something there moves */
function useContent(id: string, marks: Marks) {
  const ref = useRef<HTMLSpanElement>(null)
  const [at, setAt] = useState<Stretch | null>(null)
  useEffect(() => {
    const frame = ref.current?.closest('section')?.querySelector('iframe')
    setAt(contentOf(frame?.contentDocument, id) ?? marks.get(id) ?? null)
  }, [id, marks])
  return { ref, at }
}

/** The picture playing where it stands in the email; what is farther off is dimmed. */
export function SlotInEmail(p: {
  id: string
  marks: Marks
  /** Of the email's window, px. */
  width: number
  height: number
  drawn: Drawn | null
  player: Player
  /** Whether the frame before shows through. */
  onion: boolean
  /** Whether it is left as the email shows it. */
  bare: boolean
  /** Brings the slot into view, when it is chosen. */
  onPlace?: (at: Stretch) => void
}) {
  const { ref, at } = useContent(p.id, p.marks)
  useBroughtIn(p.id, at, p.onPlace)
  return (
    <>
      <span ref={ref} aria-hidden className="hidden" />
      {at && !p.bare && <Dimmed at={at} width={p.width} height={p.height} />}
      {at && !p.bare && p.drawn && <PlayedFrame at={at} drawn={p.drawn} player={p.player} onion={p.onion} />}
    </>
  )
}

/** Once a slot that was chosen has its place, it is brought into view; after that a person scrolls as she likes. */
function useBroughtIn(id: string, at: Stretch | null, onPlace?: (at: Stretch) => void) {
  const shown = useRef<string | null>(null)
  useEffect(() => {
    if (!at || !at.height || shown.current === id) return
    // Frames above it may still grow to their height.
    const wait = setTimeout(() => {
      shown.current = id
      onPlace?.(at)
    }, 300)
    return () => clearTimeout(wait)
  }, [id, at, onPlace])
}

/** Everything farther off than a rim. */
function Dimmed({ at, width, height }: { at: Stretch; width: number; height: number }) {
  const [top, left] = [Math.max(0, at.top - RIM), Math.max(0, at.left - RIM)]
  const [bottom, right] = [at.top + at.height + RIM, Math.min(width, at.left + at.width + RIM)]
  const sides = [
    { left: 0, top: 0, width, height: top },
    { left: 0, top, width: left, height: bottom - top },
    { left: right, top, width: width - right, height: bottom - top },
    { left: 0, top: bottom, width, height: Math.max(0, height - bottom) },
  ]
  return sides.map((style, i) => (
    <i key={i} aria-hidden className="pointer-events-none absolute bg-[#6f706e] opacity-45" style={style} />
  ))
}

function PlayedFrame({
  at,
  drawn,
  player,
  onion,
}: {
  at: Stretch
  drawn: Drawn
  player: Player
  onion: boolean
}) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const before = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    let shown = -1
    const show = () => {
      const now = frameAt(drawn.frames, player.store.getState().t)
      if (now === shown) return
      shown = now
      paintFrame(canvas.current, drawn, now)
      paintFrame(before.current, drawn, (now + drawn.frames.length - 1) % drawn.frames.length)
    }
    show()
    return player.store.subscribe(show)
  }, [drawn, player, onion])
  const style = {
    left: at.left,
    top: at.top,
    width: at.width,
    height: (at.width * drawn.height) / drawn.width,
  }
  return (
    <>
      <canvas ref={canvas} aria-hidden className="pointer-events-none absolute" style={style} />
      {onion && (
        <canvas ref={before} aria-hidden className="pointer-events-none absolute opacity-40" style={style} />
      )}
    </>
  )
}
