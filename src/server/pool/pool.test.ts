import { emptyPlan } from '@/core/cut/plan'
import { takeInDesign, ownData, samplePng } from '@/test-support/server'
import { fileOf } from '../pictures/store'
import { compute } from './index'

ownData()

test('a computation runs in another process, with its progress', async () => {
  const { id } = await takeInDesign(await samplePng(600, 400), 'd.png')
  const steps: number[] = []
  let ticks = 0
  const clock = setInterval(() => ticks++, 5)
  const found = await compute(
    'autocut',
    { design: fileOf(id), scale: 1, layers: null },
    { tell: ({ done }) => steps.push(done) },
  )
  clearInterval(clock)
  expect(found.cuts.length).toBeGreaterThan(0)
  expect(steps.length).toBeGreaterThan(1)
  // This thread went on meanwhile.
  expect(ticks).toBeGreaterThan(3)
})

test('a Problem crosses the border between processes whole', async () => {
  await expect(compute('openDesign', { content: Buffer.from('words'), name: 'd.png' })).rejects.toMatchObject(
    {
      status: 415,
      kind: 'not-a-design',
      title: expect.stringMatching(/not a design/),
      detail: expect.stringMatching(/d\.png/),
    },
  )
})

test('cancelling ends the process; the next computation gets another', async () => {
  const { id } = await takeInDesign(await samplePng(1200, 2400), 'd.png')
  const stop = new AbortController()
  const long = compute('autocut', { design: fileOf(id), scale: 1, layers: null }, { signal: stop.signal })
  setTimeout(() => stop.abort(), 50)
  await expect(long).rejects.toMatchObject({ name: 'AbortError' })
  expect(await compute('deckOfFile', { content: Buffer.from('one\n\ntwo'), name: 'a.txt' })).toMatchObject({
    pieces: [{ text: 'one' }, { text: 'two' }],
  })
})

test('what takes too long is ended with a clear message', async () => {
  const { id } = await takeInDesign(await samplePng(1200, 2401), 'd.png')
  const late = compute(
    'replan',
    { plan: emptyPlan(), before: fileOf(id), after: fileOf(id) },
    { deadline: 1 },
  )
  await expect(late).rejects.toMatchObject({ status: 422, kind: 'too-long' })
})
