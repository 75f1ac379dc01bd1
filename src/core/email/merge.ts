/** What became of two changes of one document: both in one, or the names of what both changed. */
export type Merged<T> = { doc: T } | { clashes: string[] }

const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b)

/** Which of two values prevails over the one they started from; undefined where both changed it, each otherwise. */
function prevailing<V>(base: V, mine: V, theirs: V): { value: V } | undefined {
  if (same(mine, theirs) || same(base, theirs)) return { value: mine }
  return same(base, mine) ? { value: theirs } : undefined
}

/**
 * Brings two changes of one document together (three-way merge): each part, and each of the document's other values,
 * may have been changed on one side. Parts are told by their ids; where one side took a part away that the other
 * changed, that is a clash.
 * @param list the key of the list of parts @param nameOf what a person calls a part
 */
export function mergeDocuments<K extends string, T extends Record<K, readonly { id: string }[]>>(
  base: T,
  mine: T,
  theirs: T,
  list: K,
  nameOf: (part: T[K][number]) => string,
): Merged<T> {
  const clashes: string[] = []
  const out: Record<string, unknown> = {}
  for (const key of new Set([...Object.keys(mine), ...Object.keys(theirs)])) {
    if (key === list) continue
    const of = (doc: T) => (doc as Record<string, unknown>)[key]
    const value = prevailing(of(base), of(mine), of(theirs))
    if (!value) clashes.push(key)
    else if (value.value !== undefined) out[key] = value.value
  }
  const parts = mergeParts(base[list], mine[list], theirs[list], nameOf, clashes)
  return clashes.length ? { clashes } : { doc: { ...out, [list]: parts } as unknown as T }
}

function mergeParts<P extends { id: string }>(
  base: readonly P[],
  mine: readonly P[],
  theirs: readonly P[],
  nameOf: (part: P) => string,
  clashes: string[],
): P[] {
  const [before, ours, others] = [base, mine, theirs].map((parts) => new Map(parts.map((p) => [p.id, p])))
  const kept = new Map<string, P>()
  for (const id of new Set([...before!.keys(), ...ours!.keys(), ...others!.keys()])) {
    const [b, m, t] = [before!.get(id), ours!.get(id), others!.get(id)]
    const part = prevailing(b, m, t)
    if (!part) clashes.push(nameOf((m ?? t)!))
    else if (part.value) kept.set(id, part.value)
  }
  return order(base, mine, theirs, kept)
}

/** The parts in the order of the side that changed it; what the other side added follows what it followed there. */
function order<P extends { id: string }>(
  base: readonly P[],
  mine: readonly P[],
  theirs: readonly P[],
  kept: ReadonlyMap<string, P>,
): P[] {
  const ids = (parts: readonly P[]) => parts.map((p) => p.id)
  const common = (parts: readonly P[]) => ids(parts).filter((id) => base.some((p) => p.id === id))
  const moved = !same(
    common(mine),
    common(base).filter((id) => mine.some((p) => p.id === id)),
  )
  const [first, second] = moved ? [mine, theirs] : [theirs, mine]
  const out = ids(first).filter((id) => kept.has(id))
  for (const [i, id] of ids(second).entries()) {
    if (!kept.has(id) || out.includes(id)) continue
    const behind = ids(second)
      .slice(0, i)
      .reverse()
      .find((before) => out.includes(before))
    out.splice(behind === undefined ? 0 : out.indexOf(behind) + 1, 0, id)
  }
  return out.map((id) => kept.get(id)!)
}
