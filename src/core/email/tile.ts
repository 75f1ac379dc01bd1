import { z } from 'zod'
import { sidesSchema } from './styles'

/**
 * The kinds of tile by name. The document holds tiles without knowing what each kind is made of: `tiles/index.ts`
 * fills this in (declaration merging), so that types know the kinds while nothing here imports them.
 */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type -- filled in by tiles/index.ts
export interface TileMap {}
export type TileKind = keyof TileMap
/** The smallest piece of an email: words, a picture, a button, ... */
export type Tile = TileMap[TileKind]
export type TileOf<K extends TileKind> = TileMap[K]

/** What every tile has, whatever its kind. */
export const tileBase = {
  id: z.string().min(1).max(40),
  /** The cut it was built from, so that building again finds it. */
  cut: z.string().max(40).optional(),
  /** The cuts it was built from, where there are several: one for each entry of its list; empty where an entry has none. */
  cuts: z.array(z.string().max(40)).max(2400).optional(),
  /** Cuts that it stands for beside those, such as the lines of a table. */
  covers: z.array(z.string().max(40)).max(400).optional(),
  /** What it shares with the tile of its band's twin that says the same. */
  twin: z.string().max(80).optional(),
  /** Space around it inside its cell, px. */
  padding: sidesSchema,
  show: z.enum(['all', 'wide', 'narrow']),
  narrow: z.object({ padding: sidesSchema.optional() }).optional(),
}
export type TileBase = z.infer<z.ZodObject<typeof tileBase>>

/** A link as it is written: an address, `mailto:`, `tel:`, or a field. */
export const linkSchema = z.string().max(4000)

/** The cuts that a tile was built from. */
export const cutsOf = ({ cut, cuts, covers = [] }: Pick<TileBase, 'cut' | 'cuts' | 'covers'>): string[] =>
  cuts ? [...cuts.filter(Boolean), ...covers] : cut ? [cut] : []
