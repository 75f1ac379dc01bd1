import type { ElementContent } from 'hast'
import type { RoleStyle, Style } from '../email/cascade'
import type { ConditionWriter } from '../email/conditions'
import type { Ground } from '../email/ground'
import type { Dir, Role } from '../email/schema'
import type { Tile } from '../email/tile'
import { replaceFields, type FieldWriter } from '../text/fields'
import { textHref, wordsAndLink } from '../text/link'
import type { Rules } from './rules'

/**
 * What the whole email lends to the compiling of one band. Everything in it takes part in remembering the
 * band's tree.
 */
export interface CompileContext {
  /** px */
  width: number
  dir: Dir
  /** BCP 47; what it says by itself is in this language. */
  lang: string
  /** House style with the email's own values and those of each role over it. */
  style: Style
  /** Where a picture stands in the output. */
  src: (picture: { id: string; type: string }) => string
  /** Where countdowns that name no server of their own are answered, as for lenses; left out: nowhere, and their still stands. */
  countdowns?: string
  fields: FieldWriter
  conditions: ConditionWriter
  /** What tiles come to in place of their HTML; null where a kind has nothing of its own. */
  emit?: (tile: Tile, c: TileContext) => ElementContent[] | null
  /** Which state of an interactive tile is looked at. */
  shown?: ShownState
}

/** A state of an interactive tile, counted from 0. */
export interface ShownState {
  tile: string
  state: number
}

/** What a tile's emitter knows of its surroundings, and where it leaves the rules it needs in the head. */
export interface TileContext extends CompileContext {
  role: Role
  /** What bands of its role inherit. */
  look: RoleStyle
  /** The width its cell leaves it after paddings, px. */
  available: number
  /** Ground behind it. */
  ground: Ground
  /** Whether its cell stays beside others on narrow, where there is little room. */
  kept: boolean
  /** Whether it stands in a drawing of the Word engine, which may hold no other. */
  drawn?: boolean
  rules: Rules
}

/** Class names as an attribute value, or nothing. */
export const classes = (...names: (string | false | undefined | null)[]): string[] | undefined => {
  const list = [...new Set(names.filter((n): n is string => !!n))]
  return list.length ? list : undefined
}

/** What tiles need to write themselves as plain text. */
export interface TextContext {
  fields: FieldWriter
  /**
   * A link after its words: in angle brackets (RFC 3986, appendix C), or as the number of a reference at the
   * end.
   */
  link: (href: string) => string
  footer: { sender: string; address: string }
  /** BCP 47 */
  lang: string
  /** Longest line, characters. */
  columns: number
}

/** Words with where they lead, as far as there are both. */
export function linked(words: string, link: string, c: TextContext): string {
  const said = replaceFields(words, c.fields).trim()
  const href = textHref(link, c.fields)
  return wordsAndLink(said, href, c.link)
}
