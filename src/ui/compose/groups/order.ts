/** A list in which two entries change places. */
export const swap = <T>(list: readonly T[], a: number, b: number): T[] =>
  list.map((x, i) => (i === a ? list[b]! : i === b ? list[a]! : x))
