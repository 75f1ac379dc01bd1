import type { Parts } from '@/core/compile'
import type { Forecast, Looking } from '@/core/readers/forecast'
import type { MarkTable } from '@/core/readers/support'
import type { FeatureUse } from '@/core/readers/uses'
import type { ReadersQuestion } from '@/workers/readers'
import { call } from '../api'
import { asker } from '../parts/asker'

let table: Promise<MarkTable> | null = null

/** What the open data set says of the readers, asked for once. */
export function support(): Promise<MarkTable> {
  table ??= call('GET /api/readers/support', {}).catch((error: Error) => {
    table = null
    throw error
  })
  return table
}

const ask = asker<ReadersQuestion, Forecast | FeatureUse[]>(
  () => new Worker(new URL('../../workers/readers.ts', import.meta.url), { type: 'module' }),
)

/** The email as a reader shows it, computed away from the page. */
export async function forecastOf(reader: string, parts: Parts, looking: Looking): Promise<Forecast> {
  return (await ask({ kind: 'forecast', reader, table: await support(), parts, looking })) as Forecast
}

/** What an email needs that some readers lack, computed away from the page. @param readers names; all unless said */
export async function usesOf(parts: Parts, readers?: ReadonlySet<string>): Promise<FeatureUse[]> {
  return (await ask({ kind: 'uses', table: await support(), parts, readers })) as FeatureUse[]
}
