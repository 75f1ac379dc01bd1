'use client'
import { useEffect, useRef } from 'react'
import { useStore } from 'zustand'
import type { Marks } from '../bench/lens'
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

/** The picture playing where it stands in the email; what is farther off is dimmed. */
export function SlotInEmail({
  id,
  marks,
  width,
  height,
  drawn,
  player,
}: {
  id: string
  marks: Marks
  /** Of the email's window, px. */
  width: number
  height: number
  drawn: Drawn | null
  player: Player
}) {
  const at = marks.get(id)
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    if (!drawn) return
    let shown = -1
    const show = () => {
      const now = frameAt(drawn.frames, player.store.getState().t)
      if (now === shown) return
      shown = now
      paintFrame(canvas.current, drawn, now)
    }
    show()
    return player.store.subscribe(show)
  }, [drawn, player])
  if (!at) return null
  const [top, left] = [Math.max(0, at.top - RIM), Math.max(0, at.left - RIM)]
  const [bottom, right] = [at.top + at.height + RIM, Math.min(width, at.left + at.width + RIM)]
  const dim = 'pointer-events-none absolute bg-[#6f706e] opacity-45'
  return (
    <>
      <i aria-hidden className={dim} style={{ left: 0, top: 0, width, height: top }} />
      <i aria-hidden className={dim} style={{ left: 0, top, width: left, height: bottom - top }} />
      <i
        aria-hidden
        className={dim}
        style={{ left: right, top, width: width - right, height: bottom - top }}
      />
      <i
        aria-hidden
        className={dim}
        style={{ left: 0, top: bottom, width, height: Math.max(0, height - bottom) }}
      />
      {drawn && (
        <canvas
          ref={canvas}
          aria-hidden
          className="pointer-events-none absolute"
          style={{
            left: at.left,
            top: at.top,
            width: at.width,
            height: (at.width * drawn.height) / drawn.width,
          }}
        />
      )}
    </>
  )
}

/** The moment the playhead stands at. */
export const usePlaying = (player: Player) => useStore(player.store)
