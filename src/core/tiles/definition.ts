import type { ElementContent } from 'hast'
import type { z } from 'zod'
import type { RoleStyle } from '../email/cascade'
import type { Ground } from '../email/ground'
import type { TileBase } from '../email/tile'
import type { Declarations } from '../html/element'
import type { PictureRef } from '../picture/ref'
import type { TextContext, TileContext } from './context'

/** A link of a tile. */
export interface TileLink {
  /** As written; empty where it leads nowhere yet. */
  href: string
  /** What bears it. */
  from: 'words' | 'picture' | 'button' | 'menu' | 'icon' | 'footer' | 'code'
  /** Its words, where nothing else of the tile says which link it is. */
  said?: string
}

/** A picture of a tile, with what it says: null where nobody has said yet. */
export interface TilePicture {
  picture: PictureRef
  alt: string | null
}

/** A pair of colours that words are read in. */
export interface ColorPair {
  color: string
  ground: string
  /** The same at night. */
  night: { color: string; ground: string }
  /** px */
  size: number
  bold: boolean
  /** Whether it is a link's, and whether the ground stands on the same element: some dark modes ask. */
  link?: boolean
  own?: boolean
  /** Whether the ground is drawn by a gradient, which readers leave as it is at night. */
  drawn?: boolean
}

/** What a holder, the cell around a tile, says for it: letters that its paragraphs inherit, and where their lines stand. */
export interface Holder {
  style: Declarations
  names: (string | undefined | false)[]
}

/**
 * A kind of tile: all that the rest of the app asks of it, in one place. What a kind has nothing to say to is said here too (`none`, `null`), so
 * that nothing is forgotten when a kind is added.
 */
export interface TileDefinition<T extends TileBase & { kind: string }> {
  kind: T['kind']
  schema: z.ZodType<T> & z.core.$ZodTypeDiscriminable
  /** The values that a new one begins with. */
  first: () => Omit<T, 'id' | 'kind' | 'padding' | 'show'> & Partial<Pick<T, 'padding'>>
  /** What the cell around it says for it. */
  holder: (tile: T, c: TileContext) => Holder
  html: (tile: T, c: TileContext) => ElementContent[]
  /** What each of its states is called, in their order; none where it has but one. */
  states: (tile: T) => string[]
  /** As plain text; empty where the kind has no words. */
  text: (tile: T, c: TextContext) => string
  /** Every link, in reading order. */
  links: (tile: T) => TileLink[]
  /** What to set so that links lead elsewhere; null where the kind cannot be changed so. */
  relinked: (tile: T, swap: (href: string) => string) => Partial<T> | null
  /** Every text that is read, in reading order. */
  words: (tile: T) => string[]
  /** Every picture, in the order in which they are loaded. */
  pictures: (tile: T) => TilePicture[]
  /** What it still lacks to be seen at all, or null. */
  lacks: (tile: T) => string | null
  /** What cannot be known with pictures off, or read aloud, since it has no words; null where there is nothing. */
  wordless: (tile: T) => { what: string; why: string } | null
  /** The colours its words are read in. @param ground behind it */
  pairs: (tile: T, look: RoleStyle, ground: Ground) => ColorPair[]
}

/** For parts that a kind has nothing of. */
export const none = (): never[] => []

/** A definition, checked against its schema. */
export const defineTile = <T extends TileBase & { kind: string }>(
  definition: TileDefinition<T>,
): TileDefinition<T> => definition
