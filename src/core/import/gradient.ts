import * as csstree from 'css-tree'
import type { Element } from 'hast'
import { colorDifference } from '../color/difference'
import { colorAt } from '../email/gradient'
import type { Gradient } from '../email/styles'
import { colorOf, styleOfElement } from '../html/values'

/** Sides and corners that a gradient may go to, in degrees (CSS Images 3, 3.1.1); corners as of a square. */
const towards: Record<string, number> = {
  top: 0,
  'top right': 45,
  right: 90,
  'bottom right': 135,
  bottom: 180,
  'bottom left': 225,
  left: 270,
  'top left': 315,
}

/** A document holds so many stops. */
const MOST = 5

/** The linear gradient that an element draws behind what it holds; null where there is none, or one that a document cannot hold. */
export function gradientOf(e: Element): Gradient | null {
  const { background = '', 'background-image': image = '' } = styleOfElement(e)
  const value = image || background
  return /(?<!repeating-)linear-gradient\(/i.test(value) ? readGradient(value) : null
}

/** The first linear gradient in a value (CSS Images 3, 3.1). */
export function readGradient(value: string): Gradient | null {
  const call = csstree.find(
    csstree.parse(value, { context: 'value' }),
    (n) => n.type === 'Function' && n.name.toLowerCase() === 'linear-gradient',
  )
  if (call?.type !== 'Function') return null
  const [first, ...rest] = partsOf(call.children.toArray())
  if (!first) return null
  const angle = angleOf(first)
  const stops = spread((angle === null ? [first, ...rest] : rest).map(stopOf))
  if (!stops) return null
  const g: Gradient = { angle: angle ?? 180, stops }
  return stops.length <= MOST ? g : { ...g, stops: fewer(g) }
}

/** What stands between commas, as written. */
function partsOf(nodes: readonly csstree.CssNode[]): string[] {
  const parts: string[][] = [[]]
  for (const n of nodes)
    if (n.type === 'Operator' && n.value === ',') parts.push([])
    else parts.at(-1)!.push(csstree.generate(n))
  return parts.map((p) => p.join(' ').trim().toLowerCase())
}

const turns: Record<string, number> = { deg: 1, grad: 0.9, turn: 360, rad: 180 / Math.PI }

function angleOf(part: string): number | null {
  const to = /^to (.+)$/.exec(part)
  // Side and corner names stand in any order.
  if (to) return towards[to[1]!] ?? towards[to[1]!.split(' ').reverse().join(' ')] ?? null
  const said = /^(-?[\d.]+)(deg|grad|turn|rad)$/.exec(part)
  if (said) return ((Math.round(Number(said[1]) * turns[said[2]!]!) % 360) + 360) % 360
  return part === '0' ? 0 : null
}

type Said = { color: string; at: number[] } | null

function stopOf(part: string): Said {
  const at = [...part.matchAll(/(?<=\s)(-?[\d.]+)(?:%|(?=\s|$))/g)].map((m) => Number(m[1]))
  const color = colorOf(part.replace(/(?<=\s)-?[\d.]+%?(?=\s|$)/g, '').trim())
  const wrong = /\s-?[\d.]+(?!%)[a-z]/.test(part)
  return color && !wrong ? { color, at } : null
}

/** Stops at their places: those without one are spread evenly between their neighbours (CSS Images 3, 3.4.3). */
function spread(said: readonly Said[]): Gradient['stops'] | null {
  if (said.length < 2 || said.some((s) => !s)) return null
  const stops = said.flatMap((s) =>
    s!.at.length ? s!.at.map((at) => ({ color: s!.color, at })) : [{ color: s!.color, at: NaN }],
  )
  if (Number.isNaN(stops[0]!.at)) stops[0]!.at = 0
  if (Number.isNaN(stops.at(-1)!.at)) stops.at(-1)!.at = 100
  for (let i = 1; i < stops.length; i++) {
    if (!Number.isNaN(stops[i]!.at)) continue
    const next = stops.findIndex((s, k) => k > i && !Number.isNaN(s.at))
    const from = stops[i - 1]!.at
    stops[i]!.at = from + (stops[next]!.at - from) / (next - i + 1)
  }
  // None stands before the one ahead of it.
  let least = 0
  return stops.map(({ color, at }) => ({ color, at: (least = Math.min(100, Math.max(least, at))) }))
}

/** The same with as many stops as a document holds, evenly. */
const fewer = (g: Gradient): Gradient['stops'] =>
  Array.from({ length: MOST }, (_, i) => {
    const at = (100 * i) / (MOST - 1)
    return { color: colorAt(g, at), at }
  })

/** A colour behind a gradient is taken for its plain ground where it is no further from its middle (CIEDE2000). */
const AKIN = 25

/** The plain colour that goes with an element's gradient: its own, that of what it fills, else that of its middle. */
export function plainBehind(e: Element, g: Gradient, behind: string | undefined): string {
  const own = colorOf(styleOfElement(e)['background-color'])
  const middle = colorAt(g, 50)
  return own ?? (behind && colorDifference(behind, middle) < AKIN ? behind : middle)
}
