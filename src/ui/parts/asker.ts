import type { Answered } from '@/workers/answering'
import { onBroken } from './on-broken'

/**
 * Asks one worker many things (`workers/answering`). It is started with the first question, and anew after it broke off; what was asked of
 * the broken one fails. @returns asks; throws an Error, in words
 */
export function asker<Q extends object, A>(
  start: () => Worker,
): (question: Q, transfer?: Transferable[]) => Promise<A> {
  let worker: Worker | null = null
  let calls = 0
  const waiting = new Map<number, { answer: (a: A) => void; fail: (error: Error) => void }>()
  const started = (): Worker => {
    const made = start()
    made.onmessage = ({ data }: MessageEvent<Answered<A>>) => {
      const one = waiting.get(data.call)
      waiting.delete(data.call)
      if ('answer' in data) one?.answer(data.answer)
      else one?.fail(new Error(data.error))
    }
    onBroken(made, (error) => {
      worker = null
      for (const { fail } of waiting.values()) fail(error)
      waiting.clear()
    })
    return made
  }
  return (question, transfer = []) => {
    const call = ++calls
    worker ??= started()
    worker.postMessage({ ...question, call }, transfer)
    return new Promise((answer, fail) => waiting.set(call, { answer, fail }))
  }
}
