import { ApiProblem } from '../api'
import { openDocument } from './document'

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
