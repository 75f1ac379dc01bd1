import { plainOf } from '../../email/richtext'
import { wordsWidth } from '../../email/widths'
import type { Rect } from '../raster'
import type { Building, Node } from './building'

/** What is lower stands in one line, px of the email. */
export const LOW = 56
/** A usual phone without the space at its sides, and what stands between two things there, px. */
const PHONE = 335
const BETWEEN = 8
/** Letters are no smaller than this on phones, px. */
const SMALLEST = 12
/** More things than this in a line are something else. */
const MOST = 4

/**
 * Where the cells of a line of short words or small pictures end, so that each keeps its line beside the others on a phone: a number, a date and a price, or a name and where to read it online.
 * Null where there is no room for that, or where they are no such line. @returns the ends of all but the last, design px
 */
export function boundsOfLine(b: Building, parts: readonly Node[], rect: Rect): number[] | null {
  if (parts.length < 2 || parts.length > MOST) return null
  const needs = parts.map((part) => need(b, part))
  // Pictures keep the width of their cells on phones: several of them take the words' room.
  const pictures = parts.flatMap((p, i) => (p.kind === 'leaf' && p.cut.kind === 'picture' ? [i] : []))
  if (pictures.length > 1) return null
  if (needs.some((n) => n === null) || !parts.some((p) => p.kind === 'leaf' && p.cut.words)) return null
  // What a cell needs there, as wide as the whole line is here.
  const wide = needs.map((n) => ((n! + BETWEEN) * rect.w) / PHONE)
  if (wide.reduce((sum, n) => sum + n, 0) > rect.w) return null
  const boxes = parts.map((p) => b.boxOf((p as Extract<Node, { kind: 'leaf' }>).cut))
  const gaps = boxes.slice(1).map((box, i) => [boxes[i]!.x + boxes[i]!.w, box.x] as const)
  const lows: number[] = []
  for (const [i, [end]] of gaps.entries()) lows.push(Math.max(end, (lows.at(-1) ?? rect.x) + wide[i]!))
  const highs: number[] = []
  for (const [i, [, begin]] of [...gaps.entries()].reverse())
    highs.unshift(Math.min(begin, (highs[0] ?? rect.x + rect.w) - wide[i + 1]!))
  if (lows.some((low, i) => low > highs[i]!)) return null
  const bounds: number[] = []
  for (const [i, [end, begin]] of gaps.entries()) {
    const least = Math.max(lows[i]!, (bounds.at(-1) ?? rect.x) + wide[i]!)
    bounds.push(Math.min(highs[i]!, Math.max(least, (end + begin) / 2)))
  }
  const ends = [rect.x, ...bounds, rect.x + rect.w]
  const taken = pictures.reduce((sum, i) => sum + (ends[i + 1]! - ends[i]!) / b.scale, 0)
  const others = needs.reduce<number>((sum, n, i) => sum + (pictures.includes(i) ? 0 : n! + BETWEEN), 0)
  return taken + others > PHONE ? null : bounds
}

/** The width that a thing of a line has on a phone, px; null where it is none of one line. */
function need(b: Building, part: Node): number | null {
  if (part.kind !== 'leaf' || b.groups.has(part.cut.id)) return null
  const { cut } = part
  const { w, h } = b.boxOf(cut)
  if (h > LOW * b.scale) return null
  if (cut.kind === 'picture') return w / b.scale
  if (cut.kind !== 'words' || !cut.words) return null
  const text = plainOf(cut.words).trim()
  const { size, stack, bold, ink } = b.lettering.of(cut, cut.ground ?? '#ffffff')
  if (text.includes('\n') || ink.lines.length > 1) return null
  return wordsWidth(text, stack, Math.max(size, SMALLEST), { bold })
}
