import { z } from 'zod'
import { buttonSchema } from './button/schema'
import { dividerSchema } from './divider/schema'
import { gapSchema } from './gap/schema'
import { pictureSchema } from './picture/schema'
import { wordsSchema } from './words/schema'

/** Every kind of tile: one line here for each folder beside this file. */
export const tileSchema = z.discriminatedUnion('kind', [wordsSchema, pictureSchema, buttonSchema, dividerSchema, gapSchema])
export type Tile = z.infer<typeof tileSchema>
export type TileKind = Tile['kind']
