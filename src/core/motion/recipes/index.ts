import type { Made, MadeKind, MadeOf } from '../schema'
import { button } from './button'
import { drift } from './drift'
import { faces } from './faces'
import { glint } from './glint'
import { headline } from './headline'
import { number } from './number'
import type { Recipe } from './recipe'
import { story } from './story'
import { strip } from './strip'

/** What is drawn by a recipe; films come frame by frame, countdowns when they are opened. */
export type DrawnKind = Exclude<MadeKind, 'film' | 'countdown'>

/** The recipes, in the order in which they are offered. */
export const recipes: { [K in DrawnKind]: Recipe<MadeOf<K>> } = {
  headline,
  number,
  button,
  story,
  drift,
  glint,
  faces,
  strip,
}
export const drawnKinds = Object.keys(recipes) as DrawnKind[]

/** The recipe of what is made by one; null: a film or a countdown. */
export const recipeOf = (made: Made): Recipe<Made> | null =>
  made.kind in recipes ? (recipes[made.kind as DrawnKind] as unknown as Recipe<Made>) : null
