import type { RatingTile } from './schema'

/** A step of a scale: what is sent, what is seen, and what is read aloud. */
export interface Step {
  value: string
  shown: string
  said: string
}

/** What a rating is sent as. */
export const RATING = 'rating'

const FACES = ['\u{1F61E}', '\u{1F641}', '\u{1F610}', '\u{1F642}', '\u{1F600}']
const MOODS = ['very bad', 'bad', 'neither', 'good', 'very good']

/** The steps of a scale, from the lowest on. */
export function stepsOf({ scale }: Pick<RatingTile, 'scale'>): Step[] {
  if (scale === 'ten')
    return Array.from({ length: 11 }, (_, n) => ({ value: String(n), shown: String(n), said: `${n} of 10` }))
  return Array.from({ length: 5 }, (_, i) =>
    scale === 'stars'
      ? { value: String(i + 1), shown: '\u2605', said: `${i + 1} of 5` }
      : { value: String(i + 1), shown: FACES[i]!, said: MOODS[i]! },
  )
}
