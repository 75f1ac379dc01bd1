import type { Rules } from '../rules'

/** Links one below the other. */
export const linkOnLine = (rules: Rules) =>
  rules.ask('narrow', 'menu-col', 'display:block!important;padding:10px 0!important')

/** What stands between links goes once each has a line of its own. */
export const noMark = (rules: Rules) => rules.ask('narrow', 'menu-mark', 'display:none!important')
