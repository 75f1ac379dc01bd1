import { colorDifference, ciede2000, toLab } from '../color/difference'
import { toHex } from '../color/hex'
import { fromOklch, toOklch } from '../color/oklch'
import { holds, type Needs } from './holds'

/** Steps of the search: lightness, chroma, and hue in degrees. */
const LIGHT = 0.02
const CHROMA = 0.03
const HUES = [0, -6, 6, -12, 12, -24, 24]

/** All colours, a step of 17 in each of red, green and blue apart. */
const COARSE = Array.from({ length: 16 ** 3 }, (_, i) =>
  toHex([(i >> 8) * 17, ((i >> 4) & 15) * 17, (i & 15) * 17]),
)
const ANY = 360

/** What is so much further than the nearest found at first is not gone on from (CIEDE2000). */
const WITHIN = 4

/**
 * The nearest colour (CIEDE2000) that can be read everywhere it stands, looked for in OKLCH and then among its neighbours of 8 bits; null where none does.
 * An ink that holds is its own.
 */
export function proposal(ink: string, needs: Needs): string | null {
  if (holds(ink, needs)) return ink
  const lab = toLab(ink)
  const [, chroma, hue] = toOklch(ink)
  const tried: { color: string; off: number; hue: number }[] = []
  for (const turn of HUES)
    for (let c = 0; c <= Math.max(0.14, chroma + 0.04); c += CHROMA)
      for (let l = 0; l <= 1.0001; l += LIGHT) {
        const color = fromOklch([l, c, (hue + turn + 360) % 360])
        if (color) tried.push({ color, off: ciede2000(lab, toLab(color)), hue: turn })
      }
  // Where nothing near its hue holds, something far from it may.
  for (const color of COARSE) tried.push({ color, off: ciede2000(lab, toLab(color)), hue: ANY })
  tried.sort((a, b) => a.off - b.off)
  // What holds need not lie in one piece: the nearest of each hue is gone on from.
  const first = new Map<number, string>()
  let far = Infinity
  for (const t of tried) {
    if (t.off > far) break
    if (first.has(t.hue) || !holds(t.color, needs)) continue
    first.set(t.hue, t.color)
    far = Math.min(far, t.off + WITHIN)
  }
  const best = [...new Set(first.values())].map((color) => {
    const near = refined(ink, color, needs)
    return { color: near, off: colorDifference(ink, near) }
  })
  return best.sort((a, b) => a.off - b.off)[0]?.color ?? null
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
