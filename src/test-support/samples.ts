/** How many of its samples a property test draws, by `MOSAICUS_SAMPLES`: all, a tenth, or very few. */
const shares = { all: 1, some: 0.1, few: 0.02 }

/** Below so many a property says little, unless a run of every few seconds asks. */
const LEAST = { all: Infinity, some: 30, few: 5 }

const asked = process.env.MOSAICUS_SAMPLES ?? 'some'
const run = asked in shares ? (asked as keyof typeof shares) : 'some'

/**
 * The number of runs of a property test (`numRuns` of fast-check). `bin/test --long` draws all of them, `bin/test` a
 * tenth, the mutation run a fiftieth.
 * @param all in a thorough run
 */
export const samples = (all: number): number =>
  Math.min(all, Math.max(LEAST[run], Math.round(all * shares[run])))

/** Whether everything is looked at: some of what is looked at one by one is left out else. */
export const thorough = run === 'all'

/** All of a list in a thorough run; else as many of its first, of which the most telling stand in front. */
export const someOf = <T>(list: readonly T[], first: number): readonly T[] =>
  thorough ? list : list.slice(0, first)
