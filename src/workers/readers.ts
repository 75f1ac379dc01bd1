import type { Parts } from '@/core/compile'
import { Forecaster, type Forecast, type Looking } from '@/core/readers/forecast'
import { profiles } from '@/core/readers/profiles'
import type { MarkTable } from '@/core/readers/support'
import { usesOf, type FeatureUse } from '@/core/readers/uses'

/** An email to be shown as one reader does. */
interface ForecastCall {
  kind: 'forecast'
  reader: string
  looking: Looking
}
/** An email whose features are wanted, with what readers make of them. @see usesOf */
interface UsesCall {
  kind: 'uses'
  readers?: ReadonlySet<string> | undefined
}
export type ReadersQuestion = (ForecastCall | UsesCall) & { table: MarkTable; parts: Parts }
/** The answer bears the number of the call. */
export type ReadersCall = ReadersQuestion & { call: number }
export type ReadersAnswer = { call: number } & ({ answer: Forecast | FeatureUse[] } | { error: string })

/** Each remembers what it made, so that an edit is made anew alone. */
const forecasters = new Map<string, Forecaster>()

function forecasterOf(id: string, table: MarkTable): Forecaster {
  let known = forecasters.get(id)
  if (!known)
    forecasters.set(
      id,
      (known = new Forecaster(
        profiles.find((p) => p.id === id)!,
        table,
      )),
    )
  return known
}

function answer(q: ReadersQuestion): Forecast | FeatureUse[] {
  if (q.kind === 'uses') return usesOf(q.parts, q.table, q.readers)
  return forecasterOf(q.reader, q.table).of(q.parts, q.looking)
}

/** What code is read with comes when it is needed: until then its promise is thrown. */
async function whenRead(q: ReadersQuestion): Promise<Forecast | FeatureUse[]> {
  for (;;)
    try {
      return answer(q)
    } catch (waiting) {
      if (!(waiting instanceof Promise)) throw waiting
      await waiting
    }
}

self.onmessage = ({ data }: MessageEvent<ReadersCall>) =>
  void whenRead(data).then(
    (answer) => self.postMessage({ call: data.call, answer } satisfies ReadersAnswer),
    (error: Error) => self.postMessage({ call: data.call, error: error.message } satisfies ReadersAnswer),
  )
