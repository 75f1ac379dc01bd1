import type { Rules } from '../rules'

/** Columns of a scrolling table keep a width that can be read, px. */
const LEAST_COLUMN = 96

/** A wide table scrolls in its own box; a width of 0 that grows keeps it from widening the email. */
export const scroll = (rules: Rules) =>
  rules.ask('narrow', 'scroll', 'width:0!important;min-width:100%!important;overflow-x:auto!important')

export const scrollCell = (rules: Rules) =>
  rules.ask('narrow', 'scroll-cell', `min-width:${LEAST_COLUMN}px!important`)

/** Rows turned to cards: every cell on a line of its own behind its column's name. */
export const card = (rules: Rules) =>
  rules.ask('narrow', 'row-card', 'display:block!important;width:auto!important;text-align:inherit!important')

/** Space beside the words of a cell on narrow, where the whole table stays, px. */
export const NARROW_BESIDE = 6

/** A whole table has its room for words there, not for space. */
export const tightCell = (rules: Rules) =>
  rules.ask(
    'narrow',
    'tight-cell',
    `padding-left:${NARROW_BESIDE}px!important;padding-right:${NARROW_BESIDE}px!important`,
  )

/** Cards name their cells themselves. */
export const cardHead = (rules: Rules) => rules.ask('narrow', 'card-head', 'display:none!important')
