import type { Rules } from '../rules'

/** Another space under a block on narrow. @param space px */
export const underOnNarrow = (rules: Rules, space: number) =>
  rules.ask('narrow', `under${space}`, `margin-bottom:${space}px!important`)

/** How far items of a list stand in for the Word engine, which knows no padding of a list. @param indent px */
export const wordIndent = (rules: Rules, indent: number, dir: 'ltr' | 'rtl') => {
  const side = dir === 'rtl' ? 'right' : 'left'
  return rules.word(`in-${side}${indent}`, `margin-${side}:${indent}px`)
}
