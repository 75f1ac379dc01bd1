/** How many of its samples a property test draws, by `MOSAICUS_SAMPLES`: all, a quarter, or very few. */
const shares = { all: 1, some: 0.25, few: 0.02 }

const share = shares[(process.env.MOSAICUS_SAMPLES ?? 'some') as keyof typeof shares] ?? shares.some

/**
 * The number of runs of a property test (`numRuns` of fast-check). `bin/test --long` draws all of them, `bin/test` a
 * quarter, the mutation run a fiftieth.
 * @param all in a thorough run
 */
export const samples = (all: number): number => Math.max(5, Math.round(all * share))

/** Whether everything is looked at: some of what is looked at one by one is left out else. */
export const thorough = share === 1

/** All of a list in a thorough run; else as many of its first, of which the most telling stand in front. */
export const someOf = <T>(list: readonly T[], first: number): readonly T[] =>
  thorough ? list : list.slice(0, first)
