import type { HouseStyle, Sides } from '../email/styles'
import type { Role } from '../email/schema'
import type { FieldWriter } from '../handover/fields'
import { box } from './element'

/** What the whole email lends to the compiling of one band. Everything in it takes part in remembering the band's piece. */
export interface CompileContext {
  /** px */
  width: number
  dir: 'ltr' | 'rtl'
  /** House style with the email's own values over it. */
  style: HouseStyle
  /** Where a picture stands in the output. */
  src: (picture: { id: string; type: string }) => string
  fields: FieldWriter
  /** Marks bands and tiles with `data-m`, for the lenses; never in what is handed over. */
  marks: boolean
}

/** What a tile's emitter knows of its surroundings, and where it leaves the rules it needs in the head. */
export interface TileContext extends CompileContext {
  role: Role
  /** The width its cell leaves it after paddings, px. */
  available: number
  /** Ground behind it. */
  ground: string
  rules: Rules
}

/** The rules of the narrow media query that a band needs: class name to declarations. */
export class Rules {
  readonly used = new Map<string, string>()
  /** Asks for a rule and gives back its class name. */
  add(name: string, declarations: string): string {
    this.used.set(name, declarations)
    return name
  }
  /** A class that sets space on narrow; the name says the space. */
  padding(p: Sides): string {
    return this.add(`p${[p.top, p.right, p.bottom, p.left].join('-')}`, `padding:${box(p)}!important`)
  }
}

/** Class names as an attribute value, or nothing. */
export const classes = (...names: (string | false | undefined | null)[]): string[] | undefined => {
  const list = names.filter((n): n is string => !!n)
  return list.length ? list : undefined
}
