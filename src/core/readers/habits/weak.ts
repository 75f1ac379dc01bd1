import generate from 'css-tree/generator'
import parse from 'css-tree/parser'
import walk from 'css-tree/walker'
import type { Declaration } from '../../html/stylesheet'
import { restyle, said, type Habit } from './habit'

const FUNCTION = /\b(?:min|max|clamp|calc)\(/i

const lost = {
  says: 'sides are lost',
  rests:
    'Seen in Claws Mail 4.1 (litehtml), 2026-12: a function it does not know takes the plain value before it away.',
  weight: 7,
}

/**
 * Values by a function take what was said before away, where others pass them over (CSS Syntax 3, 9); of a shorthand for padding the other
 * sides count.
 */
export const functionsTaken: Habit = {
  ...lost,
  element: (e, tell) => {
    const by = new Set(said(e).flatMap((d) => (FUNCTION.test(d.value) ? [d.property] : [])))
    if (!by.size) return undefined
    restyle(e, (d) => {
      if (!by.has(d.property)) return d
      return d.property === 'padding' && FUNCTION.test(d.value)
        ? { ...d, value: withoutFunctions(d.value) }
        : null
    })
    if (by.has('padding')) tell(lost)
    return undefined
  },
}

/** A value with nothing in place of each function. */
function withoutFunctions(value: string): string {
  const node = parse(value, { context: 'value' })
  walk(node, (n, item, list) => {
    if (n.type === 'Function' && item && list)
      list.replace(item, list.createItem({ type: 'Number', value: '0' }))
  })
  return generate(node)
}

/** How much larger its letters are. */
const LARGER = 4 / 3

const larger = {
  says: 'letters are a third larger',
  rests:
    'Seen in Claws Mail 4.1 (litehtml), 2026-12: letters of 16 px are 21 px high; their lines stay as high as they were.',
  weight: 6,
}

const grown = (d: Declaration): Declaration => {
  const [, n, unit] = /^([\d.]+)(px)?$/.exec(d.value) ?? []
  if (d.property === 'font-size' && unit) return { ...d, value: `${Number(n) * LARGER}px` }
  return d.property === 'line-height' && n && !unit ? { ...d, value: String(Number(n) / LARGER) } : d
}

/** Letters grow in lines that do not. */
export const lettersLarger: Habit = {
  ...larger,
  element: (e, tell) => {
    if (restyle(e, grown)) tell(larger)
    return undefined
  },
}
