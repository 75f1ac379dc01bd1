import { ApiProblem } from '../api'
import { jest } from '@jest/globals'
import { GESTURE, openDocument } from './document'
import type { History } from './history'

/** A server that keeps revisions, and a browser's storage. */
function world(start = 'a') {
  const kept = new Map<string, string>()
  Object.assign(globalThis, {
    localStorage: {
      getItem: (k: string) => kept.get(k) ?? null,
      setItem: (k: string, v: string) => void kept.set(k, v),
      removeItem: (k: string) => void kept.delete(k),
    },
  })
  const server = { doc: start, revision: 1, down: false, saves: 0 }
  const open = () =>
    openDocument<string>({
      key: 'x',
      doc: server.doc,
      revision: server.revision,
      savedAt: '2026-01-01T00:00:00Z',
      save: async (doc, revision) => {
        if (server.down) throw new ApiProblem(0, 'Gone', 'Away')
        if (revision !== server.revision) throw new ApiProblem(409, 'Stale', 'Stale')
        server.saves++
        Object.assign(server, { doc, revision: revision + 1 })
        return { revision: server.revision, savedAt: '2026-01-01T00:00:01Z' }
      },
      load: async () => ({ doc: server.doc, revision: server.revision }),
    })
  return { kept, server, open }
}

test('changes are saved, undone and redone', async () => {
  const { server, open, kept } = world()
  const s = open()
  s.change('one', (d) => `${d}b`)
  s.change('two', (d) => `${d}c`)
  expect(kept.size).toBe(1)
  await s.flush()
  expect([server.doc, server.saves, kept.size, s.store.getState().status.kind]).toEqual([
    'abc',
    1,
    0,
    'saved',
  ])
  s.undo()
  s.undo()
  s.undo()
  expect(s.store.getState().doc).toBe('a')
  s.redo()
  await s.flush()
  expect([s.store.getState().doc, server.doc]).toEqual(['ab', 'ab'])
  s.change('three', (d) => `${d}x`)
  expect(s.store.getState().future).toEqual([])
  s.dispose()
})

test('a gesture is one step of undo, however long it takes; what is typed with a rest between is several', () => {
  const now = jest.spyOn(Date, 'now')
  const steps = (key: string) => {
    const s = world().open()
    for (const [i, c] of [...'bcd'].entries()) {
      now.mockReturnValue(1e12 + i * 5000)
      s.change('move', (d) => d + c, key)
    }
    const { length } = s.store.getState().past
    s.dispose()
    return length
  }
  expect(steps(`${GESTURE}1`)).toBe(1)
  expect(steps('write')).toBe(3)
  now.mockRestore()
})

test('undo lives through a reload, as long as the document is what it led back from', async () => {
  jest.useFakeTimers()
  const { server } = world()
  let kept: History<string> | null = null
  const open = () =>
    openDocument<string>({
      key: 'x',
      ...server,
      savedAt: '',
      save: (doc, revision) => {
        Object.assign(server, { doc, revision: revision + 1 })
        return Promise.resolve({ revision: server.revision, savedAt: '' })
      },
      load: () => Promise.resolve({ ...server }),
      history: {
        keep: (h) => Promise.resolve(void (kept = structuredClone(h))),
        recall: () => Promise.resolve(kept),
      },
    })
  const first = open()
  first.change('one', (d) => `${d}b`)
  first.change('two', (d) => `${d}c`)
  first.undo()
  await first.flush()
  await jest.advanceTimersByTimeAsync(1000)
  first.dispose()
  const second = open()
  await jest.advanceTimersByTimeAsync(10)
  expect(second.store.getState().doc).toBe('ab')
  second.redo()
  expect(second.store.getState().doc).toBe('abc')
  second.undo()
  second.undo()
  expect(second.store.getState().doc).toBe('a')
  await second.flush()
  await jest.advanceTimersByTimeAsync(1000)
  second.dispose()
  // Asked for before the browser's storage has answered.
  const quick = open()
  quick.redo()
  await jest.advanceTimersByTimeAsync(10)
  expect(quick.store.getState().doc).toBe('ab')
  quick.dispose()
  // Changed elsewhere meanwhile: its steps would lead to what never was.
  Object.assign(server, { doc: 'other', revision: 9 })
  const third = open()
  await jest.advanceTimersByTimeAsync(10)
  expect(third.store.getState().past).toEqual([])
  third.dispose()
  jest.useRealTimers()
})

test('typing in one place is one step of undo; a change that changes nothing is none', () => {
  const s = world().open()
  for (const c of 'bcd') s.change('write', (d) => d + c, 'key')
  s.change('nothing', (d) => d)
  expect(s.store.getState().past).toHaveLength(1)
  s.undo()
  expect(s.store.getState().doc).toBe('a')
  s.dispose()
})

test('what the server never took survives a crash', async () => {
  const { server, open } = world()
  server.down = true
  const s = open()
  s.change('write', () => 'precious')
  await s.flush()
  expect(s.store.getState().status).toMatchObject({ kind: 'failed' })
  s.dispose()
  server.down = false
  const next = open()
  expect(next.store.getState().doc).toBe('precious')
  await next.flush()
  expect(server.doc).toBe('precious')
  next.undo()
  expect(next.store.getState().doc).toBe('a')
  next.dispose()
})

test.each([
  ['mine', 'here', 'there'],
  ['theirs', 'there', 'here'],
] as const)('two versions: taking %s keeps the other within undo', async (side, taken, other) => {
  const { server, open } = world()
  const s = open()
  Object.assign(server, { doc: 'there', revision: 5 })
  s.change('write', () => 'here')
  await s.flush()
  expect([server.doc, s.store.getState().status.kind]).toEqual(['there', 'conflict'])
  s.settle(side)
  await s.flush()
  expect([s.store.getState().doc, server.doc]).toEqual([taken, taken])
  s.undo()
  expect(s.store.getState().doc).toBe(other)
  s.dispose()
})

test('a change elsewhere is brought together with ours where both can be; undo reaches ours alone', async () => {
  const { server, open } = mergingWorld()
  const s = open()
  s.change('ours', (d) => ({ ...d, a: 'ours' }))
  Object.assign(server, { doc: { a: '', b: 'theirs' }, revision: 2 })
  await s.flush()
  await s.flush()
  expect([server.doc, s.store.getState().status.kind]).toEqual([{ a: 'ours', b: 'theirs' }, 'saved'])
  s.undo()
  expect(s.store.getState().doc).toEqual({ a: 'ours', b: '' })
  s.dispose()
})

test('what both changed is a choice, which names it; saving waits', async () => {
  const { server, open } = mergingWorld()
  const s = open()
  s.change('ours', (d) => ({ ...d, a: 'ours' }))
  Object.assign(server, { doc: { a: 'theirs', b: '' }, revision: 2 })
  await s.flush()
  expect(s.store.getState()).toMatchObject({ status: { kind: 'conflict' }, theirs: { clashes: ['a'] } })
  s.change('more', (d) => ({ ...d, b: 'more' }))
  await s.flush()
  expect(server.doc).toEqual({ a: 'theirs', b: '' })
  s.settle('mine')
  await s.flush()
  expect(server.doc).toEqual({ a: 'ours', b: 'more' })
  s.undo()
  expect(s.store.getState().doc).toEqual({ a: 'theirs', b: '' })
  s.dispose()
})

test('a full storage is told, and told no more once all is saved', async () => {
  const { open, server } = world()
  const s = open()
  localStorage.setItem = () => {
    throw new DOMException('full', 'QuotaExceededError')
  }
  server.down = true
  s.change('one', (d) => `${d}b`)
  expect(s.store.getState().kept).toBe(false)
  server.down = false
  await s.flush()
  expect(s.store.getState().kept).toBeNull()
  s.dispose()
})

/** The same with documents of two values, which can be brought together. */
function mergingWorld() {
  world()
  interface Doc {
    a: string
    b: string
  }
  const server: { doc: Doc; revision: number } = { doc: { a: '', b: '' }, revision: 1 }
  const open = () =>
    openDocument<Doc>({
      key: 'y',
      ...server,
      savedAt: '',
      save: async (doc, revision) => {
        if (revision !== server.revision) throw new ApiProblem(409, 'Stale', 'Stale')
        Object.assign(server, { doc, revision: revision + 1 })
        return { revision: server.revision, savedAt: '' }
      },
      load: async () => ({ ...server }),
      merge: (base, mine, theirs) => {
        const clashes = (['a', 'b'] as const).filter(
          (k) => mine[k] !== base[k] && theirs[k] !== base[k] && mine[k] !== theirs[k],
        )
        const of = (k: 'a' | 'b') => (mine[k] === base[k] ? theirs[k] : mine[k])
        return clashes.length ? { clashes } : { doc: { a: of('a'), b: of('b') } }
      },
    })
  return { server, open }
}

describe('what is saved elsewhere is heard', () => {
  test('with nothing of its own to save it is taken over, and undo brings back what was there', async () => {
    const { server, open } = world()
    const s = open()
    Object.assign(server, { doc: 'theirs', revision: 2 })
    s.hear(2)
    await Promise.resolve().then(() => {})
    await new Promise((r) => setTimeout(r))
    expect(s.store.getState()).toMatchObject({ doc: 'theirs', revision: 2, status: { kind: 'saved' } })
    s.undo()
    await s.flush()
    expect([server.doc, server.revision]).toEqual(['a', 3])
    s.dispose()
  })

  test('with changes of its own it waits for the saving, which asks; its own saving is no news', async () => {
    const { server, open } = world()
    const s = open()
    s.change('write', () => 'mine')
    Object.assign(server, { doc: 'theirs', revision: 2 })
    s.hear(2)
    await new Promise((r) => setTimeout(r))
    expect(s.store.getState().doc).toBe('mine')
    await s.flush()
    expect(s.store.getState().status.kind).toBe('conflict')
    s.settle('mine')
    await s.flush()
    const { past, revision } = s.store.getState()
    s.hear(revision)
    await new Promise((r) => setTimeout(r))
    expect(s.store.getState().past).toBe(past)
    s.dispose()
  })
})
