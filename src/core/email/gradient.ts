import { mix } from '../color/mix'
import type { Gradient } from './styles'

type Stop = Gradient['stops'][number]

const written = ({ angle, stops }: Gradient, colorOf: (s: Stop) => string): string =>
  `linear-gradient(${angle}deg,${inOrder(stops)
    .map((s, i, all) => {
      const natural = all.length > 1 && Math.abs(s.at - (100 * i) / (all.length - 1)) < 0.01
      return natural && (i === 0 || i === all.length - 1) ? colorOf(s) : `${colorOf(s)} ${trim(s.at)}%`
    })
    .join(',')})`

const trim = (n: number): string => String(Math.round(100 * n) / 100)

const inOrder = (stops: readonly Stop[]): Stop[] => [...stops].sort((a, b) => a.at - b.at)

/** As a value of `background-image` (CSS Images 3, 3.1). */
export const gradientCss = (g: Gradient): string => written(g, (s) => s.color)

/** Whether it has colours for the night. */
export const gradientAtNight = (g: Gradient): boolean => g.stops.some((s) => s.nightColor)

/** The same at night; a stop without a colour for it stays as it is. */
export const nightGradient = (g: Gradient): string => written(g, (s) => s.nightColor ?? s.color)

/**
 * The attributes of a VML fill (ECMA-376-4, 19.1.2.5). Its angle turns the other way: 0 goes up, 90 to the left (seen in LibreOffice 7.4, which draws such
 * fills of documents; not in the Word engine).
 */
export function gradientFill({ angle, stops }: Gradient): Record<string, string> {
  const all = inOrder(stops)
  // Ends that are reached at the ends of the way are said by the two colours.
  const between = all.filter((s, i) => (i > 0 || s.at > 0) && (i < all.length - 1 || s.at < 100))
  return {
    type: 'gradient',
    color: all[0]!.color,
    color2: all.at(-1)!.color,
    angle: String((360 - angle) % 360),
    ...(between.length ? { colors: between.map((s) => `${trim(s.at)}% ${s.color}`).join(';') } : {}),
  }
}

/** The plain colour of a ground: its own, else that in the middle of its gradient. */
export const plainOf = (background: string | undefined, gradient: Gradient | undefined): string | undefined =>
  background ?? (gradient && colorAt(gradient, 50))

/** The colour at a place of the way, 0 to 100 %, as it is drawn: mixed in sRGB. */
export function colorAt(g: Gradient, at: number): string {
  const all = inOrder(g.stops)
  const next = all.findIndex((s) => s.at >= at)
  if (next <= 0) return (next ? all.at(-1)! : all[0]!).color
  const [from, to] = [all[next - 1]!, all[next]!]
  return mix(from.color, to.color, (at - from.at) / (to.at - from.at || 1))
}
