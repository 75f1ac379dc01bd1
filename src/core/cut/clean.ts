import { difference, packed, type Raster } from './raster'

/** How far a colour has to hold on, px, to be no step of a slope. */
const FLAT = 40
/** Colours this near to a ground are that ground, scattered by JPEG. */
const REACH = 15
/** Share of the design a colour needs to be taken for a ground. */
const LEAST = 0.003

/**
 * The design with the noise of JPEG taken off its flat grounds: what lies near a colour that covers some of the design is set to that colour. A design
 * without such noise is given back as it is. `noise`: the channel difference that rims and ringing beside letters still have, 0 to 255.
 */
export function cleaned(raster: Raster): { raster: Raster; noise: number } {
  const px = packed(raster)
  const grounds = groundsOf(px, raster.width, raster.height)
  if (!grounds.length || !noisy(px, raster.width, raster.height, grounds)) return { raster, noise: 8 }
  // Which grounds may be near, by the upper five bits of each channel: none, one (its place, from 1), or several (-1).
  const near: number[][] = Array.from({ length: 32768 }, () => [])
  grounds.forEach((g) => {
    const range = (shift: number) => { const v = (g >>> shift) & 255; return [Math.max(0, v - REACH) >> 3, Math.min(255, v + REACH) >> 3] as const }
    const [r, gr, b] = [range(0), range(8), range(16)]
    for (let i = r[0]; i <= r[1]; i++) for (let j = gr[0]; j <= gr[1]; j++) for (let k = b[0]; k <= b[1]; k++) near[(k << 10) | (j << 5) | i]!.push(g)
  })
  const few = Int8Array.from(near, (list) => (list.length > 1 ? -1 : list.length ? grounds.indexOf(list[0]!) + 1 : 0))
  const out = new Uint32Array(px.length)
  let last = px[0]!, now = last
  for (let i = 0; i < px.length; i++) {
    const p = px[i]!
    // Neighbours are mostly alike.
    if (p !== last || i === 0) {
      last = p
      now = p
      const cell = ((p >>> 9) & 0x7c00) | ((p >>> 6) & 0x3e0) | ((p >>> 3) & 31)
      const k = few[cell]!
      if (k > 0) { const g = grounds[k - 1]!; if (difference(p, g) <= REACH) now = g } else if (k < 0) {
        let distance = REACH + 1
        const list = near[cell]!
        for (let n = 0; n < list.length; n++) { const d = difference(p, list[n]!); if (d < distance) { distance = d; now = list[n]! } }
      }
    }
    out[i] = now
  }
  return { raster: { width: raster.width, height: raster.height, data: new Uint8Array(out.buffer) }, noise: 28 }
}

/** The colours of flat areas, the commonest first, packed. */
export function groundsOf(px: Uint32Array, width: number, height: number): number[] {
  const counts = new Map<number, number>()
  let seen = 0
  for (let y = FLAT; y < height; y += 7) for (let x = FLAT + (y % 3); x < width; x += 6) {
    const i = y * width + x, p = px[i]!
    seen++
    if (difference(p, px[i - FLAT]!) > 1 || difference(p, px[i - FLAT * width]!) > 1) continue
    counts.set(p, (counts.get(p) ?? 0) + 1)
  }
  const out: number[] = []
  for (const [p, n] of [...counts].sort((a, b) => b[1] - a[1])) {
    if (n < LEAST * seen || out.length >= 24) break
    if (!out.some((o) => difference(o, p) <= 4)) out.push(p)
  }
  return out
}

/**
 * Whether the flat grounds end in a haze: where a run of one ground stops, a clean design shows the rim of a letter, of any difference; JPEG shows the
 * same colour a little off.
 */
function noisy(px: Uint32Array, width: number, height: number, grounds: readonly number[]): boolean {
  const known = new Set(grounds)
  let ends = 0, hazy = 0
  for (let y = 0; y < height; y += 16) for (let x = 1, i = y * width + 1; x + 1 < width; x++, i++) {
    const p = px[i]!
    if (px[i + 1] === p || px[i - 1] !== p || !known.has(p)) continue
    ends++
    if (difference(p, px[i + 1]!) <= 4) hazy++
  }
  return hazy > 0.35 * ends
}
