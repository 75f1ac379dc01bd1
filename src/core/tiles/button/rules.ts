import { trim } from '../../html/element'
import { inName, type Rules } from '../rules'

/** The least height of what a thumb presses, px (WCAG 2.2, 2.5.5). */
export const THUMB = 44

/** Space beside a button's words where it stands beside other cells on a phone, px. */
export const TIGHT = 6

/** A thumb wants the whole width. */
export const wideButton = (rules: Rules) => rules.ask('narrow', 'wide-btn', 'width:100%!important')

/** Beside other cells a button's own space would leave no room for its words. */
export const tightButton = (rules: Rules) =>
  rules.ask('narrow', 'btn-tight', `padding-left:${TIGHT}px!important;padding-right:${TIGHT}px!important`)

/** Space above and below that makes a button as high as a thumb wants. @param px on each of the two sides */
export const tallButton = (rules: Rules, px: number) =>
  rules.ask(
    'narrow',
    `btn-tall${inName(px)}`,
    `padding-top:${trim(px)}px!important;padding-bottom:${trim(px)}px!important`,
  )

/** A button under a pointer: its ground, and the ink of its words. @param onWords whether the ground stands on the words too */
export function hover(
  rules: Rules,
  background: string | undefined,
  color: string | undefined,
  onWords = false,
): string {
  const name = `hover${background ? `-${background.slice(1)}` : ''}${color ? `-on-${color.slice(1)}` : ''}${onWords ? '-words' : ''}`
  if (background) rules.ask('hover', name, `background-color:${background}!important`)
  const words = [
    color && `color:${color}!important`,
    onWords && background && `background-color:${background}!important`,
  ].filter(Boolean)
  if (words.length) rules.ask('hover', `${name}:hover span`, words.join(';'))
  return name
}
