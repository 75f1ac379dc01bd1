import type { ElementContent } from 'hast'
import type { Tile, TileKind, TileOf } from '../email/tile'
import type { TileContext } from '../tiles/context'
import { carouselAmp } from '../tiles/carousel/amp'
import { codeAmp } from '../tiles/code/amp'
import { formAmp } from '../tiles/form/amp'
import { liveAmp } from '../tiles/live/amp'
import { panelsAmp } from '../tiles/panels/amp'
import { pictureAmp } from '../tiles/picture/amp'
import { quizAmp } from '../tiles/quiz/amp'
import { ratingAmp } from '../tiles/rating/amp'
import { spotsAmp } from '../tiles/spots/amp'
import { swapAmp } from '../tiles/swap/amp'
import { swatchesAmp } from '../tiles/swatches/amp'

type Amp<K extends TileKind> = (tile: TileOf<K>, c: TileContext) => ElementContent[] | null

/** What each kind comes to in AMP; null: its HTML, which the pass turns into what AMP allows. Apart from the definitions, since a page needs it last. */
const kinds: { [K in TileKind]: Amp<K> | null } = {
  words: null,
  picture: pictureAmp,
  button: null,
  divider: null,
  gap: null,
  menu: null,
  social: null,
  marks: null,
  table: null,
  review: null,
  panels: panelsAmp,
  carousel: carouselAmp,
  spots: spotsAmp,
  swap: swapAmp,
  rating: ratingAmp,
  form: formAmp,
  quiz: quizAmp,
  swatches: swatchesAmp,
  live: liveAmp,
  footer: null,
  code: codeAmp,
  conditional: null,
}

/** A tile as AMP, where its kind has an own form in it. */
export const ampOf = (tile: Tile, c: TileContext): ElementContent[] | null =>
  (kinds[tile.kind] as Amp<TileKind> | null)?.(tile as TileOf<TileKind>, c) ?? null

/** Kinds that have a form of their own in AMP, but answer nothing by it. */
const QUIET: readonly TileKind[] = ['code', 'picture']

/** Kinds that answer inside the message. */
export const isInteractive = ({ kind }: Pick<Tile, 'kind'>): boolean =>
  !QUIET.includes(kind) && kinds[kind] !== null
