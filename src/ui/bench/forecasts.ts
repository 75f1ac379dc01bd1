import type { Parts } from '@/core/compile'
import type { Forecast, Looking } from '@/core/readers/forecast'
import type { MarkTable } from '@/core/readers/support'
import type { FeatureUse } from '@/core/readers/uses'
import type { ReadersAnswer, ReadersCall, ReadersQuestion } from '@/workers/readers'
import { call as ask } from '../api'
import { onBroken } from '../parts/on-broken'

let table: Promise<MarkTable> | null = null
let worker: Worker | null = null
let calls = 0
const waiting = new Map<
  number,
  { answer: (a: Forecast | FeatureUse[]) => void; fail: (error: Error) => void }
>()

/** What the open data set says of the readers, asked for once. */
export function support(): Promise<MarkTable> {
  table ??= ask('GET /api/readers/support', {}).catch((error: Error) => {
    table = null
    throw error
  })
  return table
}

function started(): Worker {
  if (worker) return worker
  worker = new Worker(new URL('../../workers/readers.ts', import.meta.url), { type: 'module' })
  worker.onmessage = ({ data }: MessageEvent<ReadersAnswer>) => {
    const one = waiting.get(data.call)
    waiting.delete(data.call)
    if ('answer' in data) one?.answer(data.answer)
    else one?.fail(new Error(data.error))
  }
  onBroken(worker, (error) => {
    worker = null
    for (const { fail } of waiting.values()) fail(error)
    waiting.clear()
  })
  return worker
}

/** The email as a reader shows it, computed away from the page. */
export async function forecastOf(reader: string, parts: Parts, looking: Looking): Promise<Forecast> {
  return asked<Forecast>({ kind: 'forecast', reader, table: await support(), parts, looking })
}

/** What an email needs that some readers lack, computed away from the page. @param readers names; all unless said */
export async function usesOf(parts: Parts, readers?: ReadonlySet<string>): Promise<FeatureUse[]> {
  return asked<FeatureUse[]>({ kind: 'uses', table: await support(), parts, readers })
}

function asked<A extends Forecast | FeatureUse[]>(question: ReadersQuestion): Promise<A> {
  const message: ReadersCall = { ...question, call: ++calls }
  started().postMessage(message)
  return new Promise((answer, fail) => waiting.set(message.call, { answer: (a) => answer(a as A), fail }))
}
