import { z } from 'zod'
import { buttonSchema } from './button/schema'
import { codeSchema } from './code/schema'
import { dividerSchema } from './divider/schema'
import { footerSchema } from './footer/schema'
import { gapSchema } from './gap/schema'
import { menuSchema } from './menu/schema'
import { pictureSchema } from './picture/schema'
import { reviewSchema } from './review/schema'
import { socialSchema } from './social/schema'
import { tableSchema } from './table/schema'
import { wordSchema } from './word/schema'
import { wordsSchema } from './words/schema'

/** Every kind of tile: one line here for each folder beside this file. */
export const tileSchema = z.discriminatedUnion('kind', [
  wordsSchema,
  pictureSchema,
  buttonSchema,
  dividerSchema,
  gapSchema,
  menuSchema,
  socialSchema,
  tableSchema,
  reviewSchema,
  footerSchema,
  codeSchema,
  wordSchema,
])
export type Tile = z.infer<typeof tileSchema>
export type TileKind = Tile['kind']
export type TileOf<K extends TileKind> = Extract<Tile, { kind: K }>
