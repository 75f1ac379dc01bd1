import type { ElementContent } from 'hast'
import type { TileContext } from '../compile/context'
import type { FieldWriter } from '../handover/fields'
import { buttonHtml } from './button/html'
import { buttonText } from './button/text'
import { dividerHtml } from './divider/html'
import { gapHtml } from './gap/html'
import { pictureHtml } from './picture/html'
import { pictureText } from './picture/text'
import type { Tile, TileKind } from './schema'
import { wordsHtml } from './words/html'
import { wordsText } from './words/text'

/** What a kind of tile gives the compiler. */
interface Emitter<T extends Tile> {
  html: (tile: T, c: TileContext) => ElementContent[]
  /** Plain text; nothing where the kind has no words. */
  text: (tile: T, fields: FieldWriter) => string
}

const emitters: { [K in TileKind]: Emitter<Extract<Tile, { kind: K }>> } = {
  words: { html: wordsHtml, text: wordsText },
  picture: { html: pictureHtml, text: pictureText },
  button: { html: buttonHtml, text: buttonText },
  divider: { html: dividerHtml, text: () => '-'.repeat(40) },
  gap: { html: gapHtml, text: () => '' },
}

/** A tile as HTML. */
export const tileHtml = (tile: Tile, c: TileContext): ElementContent[] => (emitters[tile.kind] as Emitter<Tile>).html(tile, c)

/** A tile as plain text. */
export const tileText = (tile: Tile, fields: FieldWriter): string => (emitters[tile.kind] as Emitter<Tile>).text(tile, fields)
