import type { Rules } from '../rules'

/** Another space under a block on narrow. @param space px */
export const underOnNarrow = (rules: Rules, space: number) =>
  rules.ask('narrow', `under${space}`, `margin-bottom:${space}px!important`)
