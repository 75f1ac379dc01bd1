import type { BehaviourId } from '../../night/behaviours'
import type { Habit } from '../habits/habit'

/** How a reader shows a message, as far as it is known: a forecast by stated rules. */
export interface Profile {
  id: string
  /** What it is called: a fact of compatibility. */
  name: string
  /** The widths it shows a message at, px; null where it has no such window. */
  windows: { wide: number | null; narrow: number | null }
  /** Family and platform in the open data set, whose gaps are its own; left out where the set does not know it. */
  data?: string
  /** Whose conditional comments it follows. */
  branch: 'word' | 'others'
  /** What it does beside that. */
  does: readonly Habit[]
  /** Which kind of dark it has; null where it shows messages by day alone. */
  dark: BehaviourId | null
  /** Whether pictures are shown only once they are asked for. */
  asksForPictures?: true
  /** Bytes of HTML after which it cuts the message off. */
  cutsAfter?: number
  /** When our forecasts were last held against pictures of it (`scripts/held`), and what came of it; left out where it is by rule alone. */
  seen?: { at: string; what: string }
  /** Whether the email's own rules for the dark hold by day too. */
  alwaysDark?: true
}

/** The widths that a reader shows a message at, px, the widest first. */
export const windowsOf = ({ windows }: Profile): [number, ...number[]] =>
  [windows.wide, windows.narrow].filter((w): w is number => w !== null) as [number, ...number[]]
