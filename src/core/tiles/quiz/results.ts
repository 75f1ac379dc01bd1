import type { QuizTile } from './schema'

/** Results from the fewest right answers on: of those that hold, the last is meant. */
export const resultsOf = (tile: QuizTile): QuizTile['results'] =>
  [...tile.results].sort((a, b) => a.from - b.from)

/** How many right answers of all a result stands for, where all results are seen at once: "0-1/3". @param n which of the results in their order */
export function shareOf(tile: QuizTile, n: number): string {
  const results = resultsOf(tile)
  const all = tile.questions.length
  const from = Math.min(results[n]!.from, all)
  const to = Math.max(from, Math.min(all, (results[n + 1]?.from ?? all + 1) - 1))
  return `${from === to ? from : `${from}\u2013${to}`}/${all}`
}
