/** `emitters.ts` in a page, as `code/reading-later` does it: until it is there, each function throws the promise of it. */
import type * as emitters from './emitters'

type Emitters = typeof emitters

let known: Emitters | undefined
let coming: Promise<unknown> | undefined

function now(): Emitters {
  if (known) return known
  coming ??= import('./emitters').then((there) => {
    known = there
  })
  throw coming
}

export const panelsHtml: Emitters['panelsHtml'] = (tile, c) => now().panelsHtml(tile, c)
export const carouselHtml: Emitters['carouselHtml'] = (tile, c) => now().carouselHtml(tile, c)
export const spotsHtml: Emitters['spotsHtml'] = (tile, c) => now().spotsHtml(tile, c)
export const swapHtml: Emitters['swapHtml'] = (tile, c) => now().swapHtml(tile, c)
export const ratingHtml: Emitters['ratingHtml'] = (tile, c) => now().ratingHtml(tile, c)
export const formHtml: Emitters['formHtml'] = (tile, c) => now().formHtml(tile, c)
export const quizHtml: Emitters['quizHtml'] = (tile, c) => now().quizHtml(tile, c)
export const swatchesHtml: Emitters['swatchesHtml'] = (tile, c) => now().swatchesHtml(tile, c)
export const liveHtml: Emitters['liveHtml'] = (tile, c) => now().liveHtml(tile, c)
