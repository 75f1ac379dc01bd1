import type { Motion } from './schema'

/** FNV-1a of 53 bits' worth in two halves (G. Fowler, L. C. Noll, K.-P. Vo): tells values apart, guards nothing. */
function digest(text: string): string {
  let a = 0x811c9dc5
  let b = 0x1000193
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i)
    a = Math.imul(a ^ c, 0x01000193)
    b = Math.imul(b ^ c, 0x85ebca6b)
  }
  return (a >>> 0).toString(16).padStart(8, '0') + (b >>> 0).toString(16).padStart(8, '0')
}

/** Properties in one order, so that equal values are equal text. */
const sorted = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(sorted)
    : value && typeof value === 'object'
      ? Object.fromEntries(
          Object.entries(value)
            .filter(([, v]) => v !== undefined)
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([k, v]) => [k, sorted(v)]),
        )
      : value

/** Tells whether a picture was made of this. What it may weigh, and the number of rounds it is offered at, do not change its pixels; the budget is left out. @param width of the slot, px */
export function keyOf(motion: Motion, width: number): string {
  const { key: _key, budget: _budget, ...rest } = motion
  return digest(JSON.stringify(sorted({ ...rest, width: Math.round(width) })))
}
