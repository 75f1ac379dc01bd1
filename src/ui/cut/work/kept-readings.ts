import { z } from 'zod'
import { textBlockSchema } from '@/core/cut/layers'

const keptSchema = z.object({
  read: z.array(textBlockSchema),
  proposals: z.array(
    z.tuple([z.string(), z.object({ text: z.string(), sure: z.number(), blocks: z.array(textBlockSchema) })]),
  ),
})
export type KeptReadings = z.infer<typeof keptSchema>

const nameOf = (job: string, design: string) => `mosaicus:readings:${job}:${design}`

/** What was read of a design in this tab and not yet decided: it lives through a reload. */
export function keptReadings(job: string, design: string): KeptReadings | null {
  try {
    return keptSchema.parse(JSON.parse(sessionStorage.getItem(nameOf(job, design)) ?? 'null'))
  } catch {
    return null
  }
}

export function keepReadings(job: string, design: string, readings: KeptReadings): void {
  try {
    if (readings.read.length || readings.proposals.length)
      sessionStorage.setItem(nameOf(job, design), JSON.stringify(readings))
    else sessionStorage.removeItem(nameOf(job, design))
  } catch {
    /* Full or forbidden: it can be read again. */
  }
}
