import { restyle, said, type Habit } from './habit'

/** Columns that are blocks in a line cannot stand side by side: each takes a line of its own. */
const effect = {
  says: 'columns lie beneath each other',
  rests:
    'Seen in Claws Mail (litehtml): columns of inline-block do not stand beside each other, nor does flex help them.',
  weight: 8,
}

export const inBlocks: Habit = {
  ...effect,
  element: (e, tell) => {
    const column = said(e).some((d) => d.property === 'display' && d.value === 'inline-block')
    if (!column || e.tagName === 'a' || e.tagName === 'img') return undefined
    restyle(e, (d) => (d.property === 'display' ? { ...d, value: 'block' } : d))
    tell(effect)
    return undefined
  },
  sheet: (css) => css.replace(/display:\s*flex\s*!important;?/g, ''),
}
