import type { Email } from '@/core/email/schema'

/** One thing that differs: in words, and the band that it is in, where the later email has it. */
export interface Difference {
  said: string
  band: string | null
}

const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b)

/** What differs between a kept version and a later email, by band. */
export function differencesOf(then: Email, now: Email): Difference[] {
  const before = new Map(then.bands.map((b) => [b.id, b]))
  const after = new Set(now.bands.map((b) => b.id))
  const kept = (e: Email) => e.bands.map((b) => b.id).filter((id) => before.has(id) && after.has(id))
  const values = (['subject', 'preheader', 'title', 'width', 'styles'] as const).filter(
    (key) => !same(then[key], now[key]),
  )
  return [
    ...values.map((key) => ({ said: `the ${key} changed`, band: null })),
    ...now.bands.flatMap((b): Difference[] => {
      const was = before.get(b.id)
      if (!was) return [{ said: `${b.name} came`, band: b.id }]
      return same(was, b) ? [] : [{ said: `${b.name} changed`, band: b.id }]
    }),
    ...then.bands.filter((b) => !after.has(b.id)).map((b) => ({ said: `${b.name} went`, band: null })),
    ...(same(kept(then), kept(now)) ? [] : [{ said: 'the order changed', band: null }]),
  ]
}
