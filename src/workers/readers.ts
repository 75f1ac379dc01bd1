import type { Parts } from '@/core/compile'
import { Forecaster, type Forecast, type Looking } from '@/core/readers/forecast'
import { profiles } from '@/core/readers/profiles'
import type { MarkTable } from '@/core/readers/support'
import { usesOf, type FeatureUse } from '@/core/readers/uses'
import { answering } from './answering'

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

answering((q: ReadersQuestion): Forecast | FeatureUse[] => {
  if (q.kind === 'uses') return usesOf(q.parts, q.table, q.readers)
  return forecasterOf(q.reader, q.table).of(q.parts, q.looking)
})
