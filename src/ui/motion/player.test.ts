/** @jest-environment node */
import { jest } from '@jest/globals'
import { frameAt, makePlayer, startOf } from './player'

const frames = [100, 250, 50].map((delay) => ({ data: new Uint8Array(), delay }))

/** What a page has: a clock for drawings, and what its person asked for. */
let next: ((now: number) => void) | null = null
beforeEach(() => {
  next = null
  Object.assign(globalThis, {
    requestAnimationFrame: (f: (now: number) => void) => {
      next = f
      return 1
    },
    cancelAnimationFrame: () => {
      next = null
    },
    matchMedia: () => ({ matches: false }),
  })
})
const wait = (ms: number, now = performance.now()) => {
  const f = next
  next = null
  f?.(now + ms)
}

test('the frame of a moment, and the moment of a frame', () => {
  expect([0, 99, 100, 349, 350, 399, 5000].map((t) => frameAt(frames, t))).toEqual([0, 0, 1, 1, 2, 2, 2])
  expect([0, 1, 2].map((i) => startOf(frames, i))).toEqual([0, 100, 350])
  expect(frameAt([], 10)).toBe(0)
})

test('it plays in time, and comes round', () => {
  const player = makePlayer()
  player.load(frames)
  player.start()
  wait(150)
  const { t } = player.store.getState()
  expect(t).toBeGreaterThan(100)
  expect(t).toBeLessThan(220)
  for (let i = 1; i <= 3; i++) wait(150 + i * 150)
  expect(player.store.getState().t).toBeLessThan(400)
})

test('stepping stops it, and goes round both ways', () => {
  const player = makePlayer()
  player.load(frames)
  player.step(1)
  expect(player.store.getState()).toEqual({ t: 100, on: false })
  player.step(-1)
  player.step(-1)
  expect(player.store.getState().t).toBe(350)
  player.step(1)
  expect(player.store.getState().t).toBe(0)
})

test('seeking stays within what there is; shorter frames bring it back', () => {
  const player = makePlayer()
  player.load(frames)
  player.seek(9999)
  expect(player.store.getState().t).toBe(399)
  player.seek(-5)
  expect(player.store.getState().t).toBe(0)
  player.seek(380)
  player.load(frames.slice(0, 1))
  expect(player.store.getState().t).toBe(0)
})

test('who asked for less movement gets it standing still, until it is played on purpose', () => {
  Object.assign(globalThis, { matchMedia: jest.fn(() => ({ matches: true })) })
  const player = makePlayer()
  player.load(frames)
  player.start()
  expect(next).toBeNull()
  player.toggle()
  expect(player.store.getState().on).toBe(true)
  expect(next).not.toBeNull()
  player.toggle()
  player.dispose()
  expect(next).toBeNull()
})
