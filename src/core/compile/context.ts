import type { RoleStyle, Style } from '../email/cascade'
import type { Condition } from '../email/conditions'
import type { Dir, Role } from '../email/schema'
import type { FieldWriter } from '../handover/fields'
import type { Rules } from './rules'

/**
 * What becomes of a conditional band: it is shown, left out, or stands between two marks that the platform
 * understands.
 */
export type ConditionWriter = (condition: Condition) => boolean | { before: string; after: string }

/**
 * What the whole email lends to the compiling of one band. Everything in it takes part in remembering the
 * band's piece.
 */
export interface CompileContext {
  /** px */
  width: number
  dir: Dir
  /** House style with the email's own values and those of each role over it. */
  style: Style
  /** Where a picture stands in the output. */
  src: (picture: { id: string; type: string }) => string
  fields: FieldWriter
  conditions: ConditionWriter
  /** Marks bands and tiles with `data-m`, for the lenses; never in what is handed over. */
  marks: boolean
  /**
   * Where the styles stand: in the elements with what needs a rule in the head; in the elements alone; or all
   * in the head.
   */
  styles: 'both' | 'inline' | 'head'
  print: 'readable' | 'minified'
}

/** What a tile's emitter knows of its surroundings, and where it leaves the rules it needs in the head. */
export interface TileContext extends CompileContext {
  role: Role
  /** What bands of its role inherit. */
  look: RoleStyle
  /** The width its cell leaves it after paddings, px. */
  available: number
  /** Ground behind it. */
  ground: string
  /** Whether its cell stays beside others on narrow, where there is little room. */
  kept: boolean
  rules: Rules
}

/** Class names as an attribute value, or nothing. */
export const classes = (...names: (string | false | undefined | null)[]): string[] | undefined => {
  const list = [...new Set(names.filter((n): n is string => !!n))]
  return list.length ? list : undefined
}
