import { z } from 'zod'
import { useCallback, useState } from 'react'
import { PHONE } from '../../bench/email-lenses'

/** The ways of looking at one email, in the order in which they are offered. */
export const lensKinds = [
  'Design',
  'Compare',
  'Wide',
  'Narrow',
  'Night',
  'No pictures',
  'Narrow design',
  'Text',
  'Source',
  'Version',
  'Reader',
] as const
export type LensKind = (typeof lensKinds)[number]

/** So many stand beside each other. */
export const MOST_LENSES = 4
/** Widths of a phone that stands upright, px. */
export const NARROW = { least: 320, most: 480 } as const
/** How much longer than wide a phone is (common practice, no source). */
export const LONGER = 19.5 / 9

const schema = z.object({
  kinds: z.array(z.enum(lensKinds)).min(1).max(MOST_LENSES),
  /** How much of the room each has beside the others. */
  shares: z.array(z.number().min(0.2).max(5)),
  /** Those that show full size. */
  full: z.array(z.enum(lensKinds)),
  /** Width of the phone, px, and whether it lies on its side. */
  narrow: z.number().int().min(NARROW.least).max(NARROW.most),
  lying: z.boolean(),
})
export type Lenses = z.infer<typeof schema>

/** How much of the room a lens has unless it is dragged: the words of a wide one are read, a narrow one is narrow. */
const usualShare = (kind: LensKind): number =>
  kind === 'Wide' || kind === 'Night' || kind === 'Compare' || kind === 'No pictures'
    ? 1.06
    : kind === 'Narrow' || kind === 'Narrow design'
      ? 0.8
      : 1

/** What a job begins with. @param has what there is to look at */
const usual = (has: { design: boolean; narrow: boolean }): Lenses => {
  const kinds: LensKind[] = has.design
    ? ['Design', 'Wide', 'Narrow', ...(has.narrow ? (['Narrow design'] as const) : [])]
    : ['Wide', 'Narrow']
  return { kinds, shares: kinds.map(usualShare), full: [], narrow: PHONE, lying: false }
}

const keyOf = (job: string) => `lenses:${job}`

/** What was last chosen for a job in this browser, as far as it can still be shown. */
function remembered(job: string, has: { design: boolean; narrow: boolean }): Lenses {
  try {
    const kept = schema.parse(JSON.parse(localStorage.getItem(keyOf(job)) ?? ''))
    const missing = kept.kinds.some((k) => !offered(has).includes(k))
    return missing || kept.shares.length !== kept.kinds.length ? usual(has) : kept
  } catch {
    return usual(has)
  }
}

/** The lenses that there is something to see in. */
export const offered = (has: { design: boolean; narrow: boolean }): LensKind[] =>
  lensKinds.filter((k) =>
    k === 'Design' || k === 'Compare' ? has.design : k === 'Narrow design' ? has.narrow : true,
  )

/** Which lenses show an email, how large and in which order; remembered for each job in this browser. */
export function useLenses(job: string, has: { design: boolean; narrow: boolean }) {
  const [lenses, setLenses] = useState(() => remembered(job, has))
  const set = useCallback(
    (next: (l: Lenses) => Lenses) =>
      setLenses((now) => {
        const after = next(now)
        try {
          localStorage.setItem(keyOf(job), JSON.stringify(after))
        } catch {
          // A full store costs no more than the choice.
        }
        return after
      }),
    [job],
  )
  return { lenses, ...changes(set), offered: offered(has) }
}
export type LensesWork = ReturnType<typeof useLenses>

const changes = (set: (next: (l: Lenses) => Lenses) => void) => ({
  /** Shows another kind in place of one. */
  swap: (at: number, kind: LensKind) =>
    set((l) => ({ ...l, ...placed(l, (list) => list.with(at, { kind, share: usualShare(kind) })) })),
  add: (kind: LensKind) =>
    set((l) => ({ ...l, ...placed(l, (list) => [...list, { kind, share: usualShare(kind) }]) })),
  close: (at: number) => set((l) => ({ ...l, ...placed(l, (list) => list.toSpliced(at, 1)) })),
  move: (at: number, by: 1 | -1) =>
    set((l) => ({
      ...l,
      ...placed(l, (list) => list.toSpliced(at, 1).toSpliced(at + by, 0, list[at]!)),
    })),
  /** Gives a lens another share of what it and its right neighbour have. @param share of both, 0 to 1 */
  divide: (at: number, share: number) =>
    set((l) => {
      const both = l.shares[at]! + l.shares[at + 1]!
      const left = Math.max(0.2, Math.min(both - 0.2, both * share))
      return { ...l, shares: l.shares.with(at, left).with(at + 1, both - left) }
    }),
  setFull: (kind: LensKind, full: boolean) =>
    set((l) => ({ ...l, full: full ? [...l.full, kind] : l.full.filter((k) => k !== kind) })),
  setNarrow: (what: Partial<Pick<Lenses, 'narrow' | 'lying'>>) => set((l) => ({ ...l, ...what })),
})

type Placed = { kind: LensKind; share: number }

/** Kinds and shares changed together. */
function placed(l: Lenses, change: (list: Placed[]) => Placed[]): Pick<Lenses, 'kinds' | 'shares'> {
  const next = change(l.kinds.map((kind, i) => ({ kind, share: l.shares[i] ?? 1 })))
  return { kinds: next.map((p) => p.kind), shares: next.map((p) => p.share) }
}
