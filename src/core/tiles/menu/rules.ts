import type { Rules } from '../rules'

/** Links one below the other. */
export const linkOnLine = (rules: Rules) =>
  rules.ask('narrow', 'menu-col', 'display:block!important;padding:10px 0!important')

/** The line of a link with what stood before it. */
export const lineOfLink = (rules: Rules) => rules.ask('narrow', 'menu-line', 'display:block!important')

/** What stands between links goes once each has a line of its own. */
export const noMark = (rules: Rules) => rules.ask('narrow', 'menu-mark', 'display:none!important')

/** Links nearer to each other, so that more of them have room in a line. @param space on each side of a link, px */
export const nearer = (rules: Rules, space: number) =>
  rules.ask('narrow', `menu-${space}`, `padding-left:${space}px!important;padding-right:${space}px!important`)
