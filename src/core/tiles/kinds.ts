import { button } from './button'
import { code } from './code'
import { conditional } from './conditional'
import { divider } from './divider'
import { footer } from './footer'
import { gap } from './gap'
import { marks } from './marks'
import { menu } from './menu'
import { picture } from './picture'
import { review } from './review'
import { social } from './social'
import { table } from './table'
import { words } from './words'

/** Every kind of tile: one line here for each folder beside this file. */
export const kinds = {
  words,
  picture,
  button,
  divider,
  gap,
  menu,
  social,
  marks,
  table,
  review,
  footer,
  code,
  conditional,
}
