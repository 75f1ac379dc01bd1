import { createStore, type StoreApi } from 'zustand'
import { lengthOf, type Frame } from '@/core/motion/sequence'

/** Where the playing is. */
export interface Playing {
  /** ms from the beginning of a round */
  t: number
  on: boolean
}

/** One playhead for the slot, the strip and its tracks. */
export interface Player {
  store: StoreApi<Playing>
  /** What is played. */
  load: (frames: readonly Frame[]) => void
  toggle: () => void
  stop: () => void
  seek: (t: number) => void
  /** Goes to the frame before or after, and stops. */
  step: (by: 1 | -1) => void
  /** Begins to follow the time; `dispose` ends it. */
  start: () => void
  dispose: () => void
}

/** The frame that is shown at a moment, counted from 0. */
export function frameAt(frames: readonly Pick<Frame, 'delay'>[], t: number): number {
  let end = 0
  for (const [i, f] of frames.entries()) {
    end += f.delay
    if (t < end) return i
  }
  return Math.max(0, frames.length - 1)
}

/** When a frame begins, ms. */
export const startOf = (frames: readonly Pick<Frame, 'delay'>[], at: number): number =>
  lengthOf(frames.slice(0, at))

/** People who asked for less movement see the first frame, and a button that plays (WCAG 2.2, 2.2.2; Media Queries 5, 12.1). */
const still = () => matchMedia('(prefers-reduced-motion: reduce)').matches

export function makePlayer(): Player {
  const store = createStore<Playing>(() => ({ t: 0, on: !still() }))
  let frames: readonly Frame[] = []
  let frame = 0
  let before = 0
  const tick = (now: number) => {
    const { t, on } = store.getState()
    if (!on) return
    const length = lengthOf(frames)
    if (length > 0) store.setState({ t: (t + Math.min(200, now - before)) % length })
    before = now
    frame = requestAnimationFrame(tick)
  }
  const run = () => {
    cancelAnimationFrame(frame)
    before = performance.now()
    frame = requestAnimationFrame(tick)
  }
  const seek = (t: number) => store.setState({ t: Math.max(0, Math.min(t, lengthOf(frames) - 1)), on: false })
  return {
    store,
    seek,
    load(next) {
      frames = next
      if (store.getState().t >= lengthOf(next)) store.setState({ t: 0 })
    },
    toggle() {
      store.setState((s) => ({ on: !s.on }))
      if (store.getState().on) run()
    },
    stop: () => store.setState({ on: false }),
    step(by) {
      const at = frameAt(frames, store.getState().t) + by
      seek(startOf(frames, (at + frames.length) % Math.max(1, frames.length)))
    },
    start: () => store.getState().on && run(),
    dispose: () => cancelAnimationFrame(frame),
  }
}
