import type { Element, ElementContent } from 'hast'
import { readStyle, styleText, type Declaration } from '../../html/stylesheet'

/** What is seen of something that a reader does. */
export interface Effect {
  /** As part of a sentence: "corners are square". Empty where nobody sees it by itself. */
  says: string
  /** The open data set with the feature's name, a standard, "seen in …", or "common practice, no source". */
  rests: string
  /** How much it matters: of several effects those with more are said first. */
  weight: number
  /** Whether it is seen in narrow windows alone, or at night alone. */
  narrow?: true
  night?: true
}

/** Tells that an effect was met in a message. */
export type Tell = (effect: Effect) => void

/** One thing that a reader does to a message, small enough to have a name of its own. A reader's profile is a list of them. */
export interface Habit extends Effect {
  /** What becomes of an element, its content already being what it will be: others in its place, or itself, changed or not. */
  element?: (e: Element, tell: Tell) => ElementContent[] | undefined
  /** What becomes of a style sheet of the head. @returns null where nothing of it is left */
  sheet?: (css: string, tell: Tell) => string | null
  /** The reader's own style: it stands before that of the message. */
  page?: string
}

/** Styles that were read; emails say the same ones again and again. */
const read = new Map<string, readonly Declaration[]>()
const MOST = 4000

/** The declarations of an element, not to be changed. */
export function said(e: Element): readonly Declaration[] {
  const { style } = e.properties
  if (typeof style !== 'string' || !style) return []
  let known = read.get(style)
  if (!known) {
    if (read.size >= MOST) read.clear()
    read.set(style, (known = readStyle(style)))
  }
  return known
}

/** Changes declarations of an element in its place. @param change null takes one away @returns whether that made a difference */
export function restyle(e: Element, change: (d: Declaration) => Declaration | null): boolean {
  const before = said(e)
  const after = before.flatMap((d) => change(d) ?? [])
  if (after.length === before.length && after.every((d, i) => d === before[i])) return false
  if (after.length) e.properties.style = styleText(after)
  else delete e.properties.style
  return true
}

/** Adds declarations behind an element's own. */
export function addStyle(e: Element, style: string): void {
  const own = typeof e.properties.style === 'string' ? e.properties.style.replace(/;\s*$/, '') : ''
  e.properties.style = own ? `${own};${style}` : style
}
