import type { Cut } from '../plan'
import { around } from '../raster'

/** A chart has at least so many bars. */
const LEAST = 3
/** They stand on one line within this, px of the email; are as thick, and as far apart, within that share of their thickness. */
const LEVEL = 2
const ALIKE = 0.15

/** Bars of a chart that were taken for things of their own, as the one picture that they are. @param scale design px for each px of the email */
export function withCharts(cuts: readonly Cut[], scale: number): Cut[] {
  let out = [...cuts]
  for (const [from, size, across, long] of [
    // Upright bars stand on a line, lying ones begin at one.
    [(c: Cut) => c.y + c.h, (c: Cut) => c.w, (c: Cut) => c.x, (c: Cut) => c.h],
    [(c: Cut) => c.x, (c: Cut) => c.h, (c: Cut) => c.y, (c: Cut) => c.w],
  ] as const) {
    const bars = out
      .filter((c) => c.kind === 'flat' || (c.kind === 'picture' && c.seen?.part === 'drawing' && !c.alt))
      .sort((a, b) => across(a) - across(b))
    for (const first of bars) {
      const run = [first]
      for (const c of bars.slice(bars.indexOf(first) + 1)) {
        const last = run.at(-1)!
        if (Math.abs(from(c) - from(first)) > LEVEL * scale) continue
        if (Math.abs(size(c) - size(first)) > ALIKE * size(first)) continue
        const gap = across(c) - across(last) - size(last)
        const usual = run[1] ? across(run[1]) - across(first) - size(first) : gap
        if (gap <= 0 || gap > 2 * size(first) || Math.abs(gap - usual) > ALIKE * size(first)) break
        run.push(c)
      }
      const uneven = new Set(run.map((c) => Math.round(long(c) / (LEVEL * scale)))).size > 1
      if (run.length < LEAST || !uneven || run.some((c) => !out.includes(c))) continue
      const chart: Cut = {
        ...first,
        ...around(run),
        kind: 'picture',
        alt: null,
        words: null,
        seen: { part: 'drawing', sure: 0.7 },
      }
      out = out.flatMap((c) => (c === first ? [chart] : run.includes(c) ? [] : [c]))
    }
  }
  return out
}
