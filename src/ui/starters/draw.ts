import type { Band } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import { drawingsIn, withDrawn } from '@/core/starters'
import { tonesOf } from '@/core/starters/tones'
import { call } from '../api'

/** Bands of starters with their pictures drawn and kept, in a client's colours. Throws an ApiProblem. */
export async function drawnBands(bands: readonly Band[], house: HouseStyle): Promise<Band[]> {
  const { tint, accent, deep } = tonesOf(house)
  const made = await Promise.all(
    [...drawingsIn(bands)].map(
      async ([id, drawing]) =>
        [
          id,
          await call('POST /api/drawings', { body: { ...drawing, colors: { tint, accent, deep } } }),
        ] as const,
    ),
  )
  return withDrawn(bands, new Map(made))
}
