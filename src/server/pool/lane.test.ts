import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import { EndedError, Lane, type Limits } from './lane'

/* The lane alone, with processes that do as they are told. */

const folder = mkdtempSync(join(tmpdir(), 'lane-'))
const script = join(folder, 'told.mjs')
writeFileSync(
  script,
  `import { spawnSync } from 'node:child_process'
process.on('disconnect', () => process.exit())
process.on('message', ({ name, input }) => {
  process.send('begun')
  const answer = (value) => process.send({ answer: { value }, spent: 0 })
  if (name === 'wait') setTimeout(() => answer(process.pid), input)
  if (name === 'spin') { const end = Date.now() + input; while (Date.now() < end); answer(process.pid) }
  if (name === 'exit') process.exit(input)
  if (name === 'abort') process.abort()
  if (name === 'grow') { const all = []; for (let i = 0; i < input; i++) all.push(Buffer.alloc(1 << 20, 1)); setTimeout(() => answer(all.length), 1000) }
  if (name === 'tell') { process.send({ done: 1, total: 2 }); answer(input) }
})`,
)
const lanes: Lane[] = []
const newLane = (most = 2, queue = 100): Lane => {
  const made = new Lane({ most, queue, script })
  lanes.push(made)
  return made
}
afterEach(() => Promise.all(lanes.splice(0).map((l) => l.close())))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const roomy: Limits = { deadline: 20_000, memory: 1e9 }
const ask = (lane: Lane, name: string, input: unknown, limits = roomy, signal?: AbortSignal) =>
  lane.run({ name: name as never, input }, limits, signal ? { signal } : {})
const whyOf = (p: Promise<unknown>): Promise<string> =>
  p.then(
    () => 'answered',
    (e: unknown) => (e instanceof EndedError ? e.why : String(e)),
  )
const isAlive = (pid: number): boolean => {
  try {
    // A zombie is gone but for its parent's look (proc(5): state, the third field).
    return !/\) Z /.test(readFileSync(`/proc/${pid}/stat`, 'latin1'))
  } catch {
    return false
  }
}

test('answers and progress come back; a process is used again', async () => {
  const lane = newLane(1)
  const heard: unknown[] = []
  const told = await lane.run({ name: 'tell' as never, input: new Map([[1, Buffer.from('é')]]) }, roomy, {
    tell: (p) => heard.push(p),
  })
  expect(heard).toEqual([{ done: 1, total: 2 }])
  // Serialised as structured clone has it (HTML, 2.7), bytes as bytes.
  expect(told).toEqual({ value: new Map([[1, Buffer.from('é')]]) })
  expect(await ask(lane, 'wait', 1)).toEqual(await ask(lane, 'wait', 1))
})

test.each([
  ['that ends by itself', 'exit', 0, roomy, 'broken'],
  ['that ends with an error', 'exit', 3, roomy, 'broken'],
  ['that is aborted, as by an engine without memory', 'abort', 0, roomy, 'too much memory'],
  ['that never lets go', 'spin', 60_000, { ...roomy, deadline: 100 }, 'too long'],
  ['that takes too much memory', 'grow', 400, { ...roomy, memory: 250 * 1048576 }, 'too much memory'],
])('of a process %s its call hears why, and what waits goes on', async (_, name, input, limits, why) => {
  const lane = newLane(1)
  const ended = whyOf(ask(lane, name, input, limits))
  const next = whyOf(ask(lane, 'wait', 1))
  expect(await ended).toBe(why)
  expect(await next).toBe('answered')
})

test('what is cancelled is gone from the machine at once', async () => {
  const lane = newLane(1)
  const { value: pid } = (await ask(lane, 'wait', 1)) as { value: number }
  const stop = new AbortController()
  const spinning = whyOf(ask(lane, 'spin', 60_000, roomy, stop.signal))
  await new Promise((go) => setTimeout(go, 100))
  expect(isAlive(pid)).toBe(true)
  stop.abort()
  expect(await spinning).toBe('cancelled')
  const end = Date.now() + 1000
  while (isAlive(pid) && Date.now() < end) await new Promise((go) => setTimeout(go, 10))
  expect(isAlive(pid)).toBe(false)
})

test('more than may wait is refused', async () => {
  const lane = newLane(1, 2)
  const all = Array.from({ length: 5 }, () => whyOf(ask(lane, 'wait', 50)))
  expect((await Promise.all(all)).sort()).toEqual(['answered', 'answered', 'answered', 'busy', 'busy'])
})

test('time in the queue is no working time', async () => {
  const lane = newLane(1)
  const order: string[] = []
  const asked = (name: string, ms: number, limits: Limits) =>
    whyOf(ask(lane, 'spin', ms, limits)).then((why) => order.push(`${name} ${why}`))
  // The last waits for 900 ms, three times what it may work.
  await Promise.all([
    ...['a', 'b', 'c'].map((name) => asked(name, 300, roomy)),
    asked('last', 20, { ...roomy, deadline: 300 }),
  ])
  expect(order).toEqual(['a answered', 'b answered', 'c answered', 'last answered'])
})

// What hung once: a call that waits while the process before it is ended.
test('whatever is aborted, when, every call settles', async () => {
  const call = fc.record({
    name: fc.constantFrom('wait', 'spin', 'exit', 'abort'),
    ms: fc.integer({ min: 0, max: 30 }),
    abort: fc.option(fc.integer({ min: 0, max: 60 }), { nil: null }),
    deadline: fc.constantFrom(5, 10_000),
  })
  await fc.assert(
    fc.asyncProperty(
      fc.array(call, { minLength: 1, maxLength: 7 }),
      fc.integer({ min: 1, max: 2 }),
      async (calls, most) => {
        const lane = newLane(most)
        const late = new Promise<string>((go) => setTimeout(() => go('hangs'), 15_000).unref())
        const ends = await Promise.all(
          calls.map(({ name, ms, abort, deadline }) => {
            const stop = new AbortController()
            if (abort !== null) setTimeout(() => stop.abort(), abort)
            return Promise.race([whyOf(ask(lane, name, ms, { ...roomy, deadline }, stop.signal)), late])
          }),
        )
        expect(ends).not.toContain('hangs')
        expect(lane.queued).toBe(0)
        await lane.close()
        expect(lane.size).toBe(0)
      },
    ),
    { numRuns: Math.min(12, samples(60)) },
  )
}, 120_000)
