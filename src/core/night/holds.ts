import { contrast } from '../color/contrast'
import type { Said } from './behaviour'
import { behaviourIds, behaviours, type BehaviourId } from './behaviours'

/** Where an ink has to be read. */
export interface Needs {
  /** Grounds by day, each with what it wants: 4.5, or 3 for large words and edges. */
  grounds: readonly { ground: string; wanted: number; picture?: boolean; said?: Said }[]
  /** Under which behaviours, beside the day. */
  under?: readonly BehaviourId[]
}

/** Whether an ink can be read everywhere: by day, and under each behaviour that recolours it and its grounds. */
export function holds(ink: string, { grounds, under = behaviourIds }: Needs): boolean {
  return grounds.every(({ ground, wanted, picture = false, said }) => {
    if (contrast(ink, ground) < wanted) return false
    return under.every((id) => {
      const b = behaviours[id]
      // By its own rules a reader shows what they say, not what the day says.
      if (!b.recolors) return true
      // What the same element says goes with the ink that is tried.
      const own = said?.ground === ground ? { picture, ink } : { picture }
      const after = b.ground(ground, own) ?? b.page
      return contrast(b.words(ink, { before: ground, after, picture }, said), after) >= wanted
    })
  })
}

const GREYS = Array.from({ length: 256 }, (_, v) => `#${v.toString(16).padStart(2, '0').repeat(3)}`)

/**
 * Whether some ink can be read on a ground by day and under every behaviour: looked for among the greys alone, since
 * contrast is of luminance and the thresholds of the behaviours are of brightness.
 */
export const anyInkHolds = (ground: string, wanted: number, said?: Said): boolean =>
  GREYS.some((ink) => holds(ink, { grounds: [{ ground, wanted, said }] }))
