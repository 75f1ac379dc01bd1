import type { ElementContent } from 'hast'
import { z } from 'zod'
import { newId, type NewId } from '../email/defaults'
import { sides } from '../email/styles'
import type { Tile, TileBase, TileKind, TileOf } from '../email/tile'
import type { TextContext, TileContext } from './context'
import type { TileDefinition } from './definition'
import { kinds } from './kinds'

type Kinds = typeof kinds
type KindMap = { [K in keyof Kinds]: Kinds[K] extends TileDefinition<infer T> ? T : never }

declare module '../email/tile' {
  // eslint-disable-next-line @typescript-eslint/no-empty-object-type -- gives the document the kinds gathered here
  interface TileMap extends KindMap {}
}

export const tileKinds = Object.keys(kinds) as TileKind[]

/** What the app knows of a kind of tile. */
export const definitionOf = <T extends Tile>(tile: T): TileDefinition<T> =>
  kinds[tile.kind] as unknown as TileDefinition<T>

const schemas = Object.values(kinds).map((k) => k.schema)
/** A tile of any kind. */
export const tileSchema = z.discriminatedUnion('kind', schemas as [(typeof schemas)[number]])

/** A tile as what is compiled: HTML, unless the email is compiled to something that its kind has an own form in. */
export const tileOutput = (tile: Tile, c: TileContext): ElementContent[] =>
  c.emit?.(tile, c) ?? definitionOf(tile).html(tile, c)

/** A tile as plain text. */
export const tileText = (tile: Tile, c: TextContext): string => definitionOf(tile).text(tile, c)

/** A new tile of a kind, with its first values. */
export function newTile<K extends TileKind>(kind: K, id: NewId = newId): TileOf<K> {
  const base: TileBase = { id: id(), padding: sides(0), show: 'all' }
  return { ...base, kind, ...kinds[kind].first() } as TileOf<K>
}
