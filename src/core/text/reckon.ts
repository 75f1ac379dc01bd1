/** Longest sum that is reckoned, characters. */
const LONGEST = 60

/** What stands in a sum: numbers, signs, brackets. */
const PIECES = /\d{1,9}(?:[.,]\d{1,9})?|[-+*/x()]/g

/**
 * What a sum such as `600/3-10` or `2*(40+8)px` comes to: numbers, `+ - * / x`, brackets, in the usual order of arithmetic. Null for anything
 * else, and where it comes to no number.
 */
export function reckoned(typed: string): number | null {
  const text = typed.replace(/px|\s/gi, '').toLowerCase()
  if (!text || text.length > LONGEST) return null
  const pieces = text.match(PIECES) ?? []
  if (pieces.join('') !== text) return null
  let at = 0
  const sum = (): number => {
    let value = product()
    while (pieces[at] === '+' || pieces[at] === '-') value += pieces[at++] === '+' ? product() : -product()
    return value
  }
  const product = (): number => {
    let value = one()
    while (/^[*/x]$/.test(pieces[at] ?? '')) {
      const by = pieces[at++]
      value = by === '/' ? value / one() : value * one()
    }
    return value
  }
  const one = (): number => {
    const piece = pieces[at++]
    if (piece === '-') return -one()
    if (piece !== '(') return piece && /^\d/.test(piece) ? Number(piece.replace(',', '.')) : NaN
    const inside = sum()
    return pieces[at++] === ')' ? inside : NaN
  }
  const value = sum()
  return at === pieces.length && Number.isFinite(value) ? value : null
}
