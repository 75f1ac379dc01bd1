import { colorDifference, ciede2000, toLab } from '../color/difference'
import { fromOklch, toOklch } from '../color/oklch'
import { holds, type Needs } from './holds'

/** Steps of the search: lightness, chroma, and hue in degrees. */
const LIGHT = 0.01
const CHROMA = 0.02
const HUES = [0, -6, 6, -12, 12, -24, 24]

/**
 * The nearest colour (CIEDE2000) that can be read everywhere it stands, looked for in OKLCH and then among its neighbours of 8 bits; null where none does.
 * An ink that holds is its own.
 */
export function proposal(ink: string, needs: Needs): string | null {
  if (holds(ink, needs)) return ink
  const lab = toLab(ink)
  const [, chroma, hue] = toOklch(ink)
  const tried: { color: string; off: number }[] = []
  for (const turn of HUES)
    for (let c = 0; c <= Math.max(0.14, chroma + 0.04); c += CHROMA)
      for (let l = 0; l <= 1.0001; l += LIGHT) {
        const color = fromOklch([l, c, (hue + turn + 360) % 360])
        if (color) tried.push({ color, off: ciede2000(lab, toLab(color)) })
      }
  tried.sort((a, b) => a.off - b.off)
  const first = tried.find((t) => holds(t.color, needs))
  return first ? refined(ink, first.color, needs) : null
}

/** Goes from a colour that holds towards the ink, a step of 8 bits at a time, as long as it holds and comes nearer. */
function refined(ink: string, from: string, needs: Needs): string {
  const rgb = (hex: string) => [1, 3, 5].map((i) => Number.parseInt(hex.slice(i, i + 2), 16))
  const text = (v: readonly number[]) => `#${v.map((n) => n.toString(16).padStart(2, '0')).join('')}`
  let best = from
  for (let step = 8; step >= 1; step = Math.floor(step / 2)) {
    for (let moved = true; moved;) {
      moved = false
      const now = rgb(best)
      const off = colorDifference(ink, best)
      const around = [-1, 0, 1].flatMap((r) => [-1, 0, 1].flatMap((g) => [-1, 0, 1].map((b) => [r, g, b])))
      const next = around
        .map((d) => text(now.map((v, i) => Math.max(0, Math.min(255, v + d[i]! * step)))))
        .map((color) => ({ color, off: colorDifference(ink, color) }))
        .filter((n) => n.off < off - 1e-9)
        .sort((a, b) => a.off - b.off)
        .find((n) => holds(n.color, needs))
      if (next) {
        best = next.color
        moved = true
      }
    }
  }
  return best
}
