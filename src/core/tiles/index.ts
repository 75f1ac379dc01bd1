import type { ElementContent } from 'hast'
import type { TileContext } from '../compile/context'
import { buttonHtml } from './button/html'
import { buttonText } from './button/text'
import { codeHtml } from './code/html'
import { codeText } from './code/text'
import { dividerHtml } from './divider/html'
import { footerHtml } from './footer/html'
import { footerText } from './footer/text'
import { gapHtml } from './gap/html'
import { menuHtml } from './menu/html'
import { menuText } from './menu/text'
import { pictureHtml } from './picture/html'
import { pictureText } from './picture/text'
import { reviewHtml } from './review/html'
import { reviewText } from './review/text'
import type { Tile, TileKind, TileOf } from './schema'
import { socialHtml } from './social/html'
import { socialText } from './social/text'
import { tableHtml } from './table/html'
import { tableText } from './table/text'
import type { TextContext } from './texts'
import { wordHtml } from './word/html'
import { wordText } from './word/text'
import { wordsHtml } from './words/html'
import { wordsText } from './words/text'

/** What a kind of tile gives the compiler. */
interface Emitter<T extends Tile> {
  html: (tile: T, c: TileContext) => ElementContent[]
  /** Plain text; nothing where the kind has no words. */
  text: (tile: T, c: TextContext) => string
}

const emitters: { [K in TileKind]: Emitter<TileOf<K>> } = {
  words: { html: wordsHtml, text: wordsText },
  picture: { html: pictureHtml, text: pictureText },
  button: { html: buttonHtml, text: buttonText },
  divider: { html: dividerHtml, text: (t) => (t.invisible ? '' : '-'.repeat(40)) },
  gap: { html: gapHtml, text: () => '' },
  menu: { html: menuHtml, text: menuText },
  social: { html: socialHtml, text: socialText },
  table: { html: tableHtml, text: tableText },
  review: { html: reviewHtml, text: reviewText },
  footer: { html: footerHtml, text: footerText },
  code: { html: codeHtml, text: codeText },
  word: { html: wordHtml, text: wordText },
}

/** A tile as HTML. */
export const tileHtml = (tile: Tile, c: TileContext): ElementContent[] =>
  (emitters[tile.kind] as Emitter<Tile>).html(tile, c)

/** A tile as plain text. */
export const tileText = (tile: Tile, c: TextContext): string =>
  (emitters[tile.kind] as Emitter<Tile>).text(tile, c)
