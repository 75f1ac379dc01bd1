import { asker } from './asker'

/** A worker that answers when it is told to. */
class Told extends EventTarget {
  onmessage: ((e: { data: unknown }) => void) | null = null
  sent: { call: number; n: number }[] = []
  ended = false
  postMessage(m: { call: number; n: number }) {
    this.sent.push(m)
  }
  terminate() {
    this.ended = true
  }
}

test('answers come to who asked, in whatever order; an error is one, and a broken worker is started anew', async () => {
  const workers: Told[] = []
  const ask = asker<{ n: number }, string>(() => {
    workers.push(new Told())
    return workers.at(-1) as unknown as Worker
  })
  expect(workers).toEqual([])
  const [one, two, three] = [ask({ n: 1 }), ask({ n: 2 }), ask({ n: 3 })]
  const [first] = workers
  const [a, b, c] = first!.sent
  first!.onmessage!({ data: { call: b!.call, answer: 'two' } })
  first!.onmessage!({ data: { call: a!.call, answer: 'one' } })
  first!.onmessage!({ data: { call: c!.call, error: 'It cannot be done.' } })
  expect([await one, await two]).toEqual(['one', 'two'])
  await expect(three).rejects.toThrow('It cannot be done.')
  const lost = ask({ n: 4 })
  first!.dispatchEvent(new Event('error'))
  await expect(lost).rejects.toThrow()
  expect(first!.ended).toBe(true)
  const again = ask({ n: 5 })
  expect(workers).toHaveLength(2)
  workers[1]!.onmessage!({ data: { call: workers[1]!.sent[0]!.call, answer: 'five' } })
  expect(await again).toBe('five')
})
