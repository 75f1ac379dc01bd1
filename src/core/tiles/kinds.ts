import { button } from './button'
import { carousel } from './carousel'
import { code } from './code'
import { conditional } from './conditional'
import { divider } from './divider'
import { footer } from './footer'
import { form } from './form'
import { gap } from './gap'
import { live } from './live'
import { marks } from './marks'
import { menu } from './menu'
import { panels } from './panels'
import { picture } from './picture'
import { quiz } from './quiz'
import { rating } from './rating'
import { review } from './review'
import { social } from './social'
import { spots } from './spots'
import { swap } from './swap'
import { swatches } from './swatches'
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
  panels,
  carousel,
  spots,
  swap,
  rating,
  form,
  quiz,
  swatches,
  live,
  footer,
  code,
  conditional,
}
