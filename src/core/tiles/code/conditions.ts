import type { ElementContent } from 'hast'
import { nestingErrors, segmentsOf } from '../../html/conditional'
import { unconditional } from '../../html/nodes'
import { print } from '../../html/print-foreign'

/**
 * Conditions stay where every one is closed; where not, all go, since one left open would hide what follows.
 */
export function balanced(children: ElementContent[], notes: string[]): ElementContent[] {
  try {
    segmentsOf(children.map((c) => print(c)).join(''))
    return children
  } catch (e) {
    notes.push(`Conditions for the Word engine were left out: ${(e as Error).message}`)
    return unconditional(children)
  }
}

/** Comments say nothing to a reader; a condition of the Word engine does, and stays where it is complete. */
export function keepComment(value: string, notes: string[]): boolean {
  if (!/\[if|\[endif/i.test(value)) return false
  // The two halves of the form for all other readers are comments of their own.
  if (/^\[if [^\]]*\]><!$/.test(value) || value === '<![endif]') return true
  try {
    const [segment] = segmentsOf(`<!--${value}-->`)
    const errors = nestingErrors(segment?.markup ?? '')
    if (!errors.length) return true
    notes.push(`A condition for the Word engine was left out: ${errors[0]}.`)
  } catch (e) {
    notes.push(`A condition for the Word engine was left out: ${(e as Error).message}`)
  }
  return false
}
