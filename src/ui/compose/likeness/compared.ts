import type { LikenessAnswer, LikenessCall } from '@/workers/likeness'
import { onBroken } from '../../parts/on-broken'

let worker: Worker | null = null
let calls = 0
const waiting = new Map<number, { answer: (likeness: number) => void; fail: (error: Error) => void }>()

/** SSIM of two pictures, computed away from the page. */
export function likenessOf(a: ImageData, b: ImageData): Promise<number> {
  if (!worker) {
    worker = new Worker(new URL('../../../workers/likeness.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<LikenessAnswer>) => {
      waiting.get(data.call)?.answer(data.likeness)
      waiting.delete(data.call)
    }
    onBroken(worker, (error) => {
      worker = null
      for (const { fail } of waiting.values()) fail(error)
      waiting.clear()
    })
  }
  const call = ++calls
  const pixels = ({ data, width, height }: ImageData) => ({ data, width, height })
  const message: LikenessCall = { call, a: pixels(a), b: pixels(b) }
  worker.postMessage(message, [a.data.buffer, b.data.buffer])
  return new Promise((answer, fail) => waiting.set(call, { answer, fail }))
}
