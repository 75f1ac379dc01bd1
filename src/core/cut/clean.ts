import { difference, differs, packed, type Raster } from './raster'

/** How far a colour has to hold on, px, to be no step of a slope. */
const FLAT = 40
/** Colours this near to a ground are that ground, scattered by JPEG. */
const REACH = 15
/** Share of the design a colour needs to be taken for a ground. */
const LEAST = 0.003

/**
 * The design with the noise of JPEG taken off its flat grounds: what lies near a colour that covers some of
 * the design is set to that colour. A design without such noise is given back as it is. `noise`: the channel
 * difference that rims and ringing beside letters still have, 0 to 255.
 */
export function cleaned(raster: Raster): { raster: Raster; noise: number } {
  const px = packed(raster)
  const grounds = groundsOf(px, raster.width, raster.height)
  if (!grounds.length || !noisy(px, raster.width, raster.height, grounds)) return { raster, noise: 8 }
  const out = px.slice()
  const colors = Int32Array.from(grounds),
    near = nearTable(grounds)
  const { width, height } = raster
  for (let y = 0; y < height; y += BLOCK)
    for (let x = 0; x < width; x += BLOCK) {
      const right = Math.min(width, x + BLOCK),
        bottom = Math.min(height, y + BLOCK)
      if (!settled(px, width, x, y, right, bottom, colors, near))
        settle(px, out, width, x, y, right, bottom, colors, near)
    }
  return {
    raster: { width: raster.width, height: raster.height, data: new Uint8Array(out.buffer) },
    noise: 28,
  }
}

/**
 * Whether a block needs no cleaning, by five of its points. JPEG writes block by block: where nothing stands,
 * a whole block is one colour; and inside a photograph nothing is near a ground.
 */
function settled(
  px: Int32Array,
  width: number,
  x: number,
  y: number,
  right: number,
  bottom: number,
  grounds: Int32Array,
  near: Int8Array,
): boolean {
  const first = px[y * width + x]!,
    second = px[y * width + right - 1]!,
    third = px[(bottom - 1) * width + x]!,
    fourth = px[(bottom - 1) * width + right - 1]!,
    middle = px[((y + bottom) >> 1) * width + ((x + right) >> 1)]!
  const k = near[bucketOf(first)]!
  if (first === middle && first === second && first === third && first === fourth)
    return k === SEVERAL ? grounds.includes(first) : k >= 0 && grounds[k] === first
  return (
    k === NONE &&
    near[bucketOf(second)] === NONE &&
    near[bucketOf(third)] === NONE &&
    near[bucketOf(fourth)] === NONE &&
    near[bucketOf(middle)] === NONE
  )
}

/** Sets each pixel of a block that is near a ground to that ground. */
function settle(
  px: Int32Array,
  out: Int32Array,
  width: number,
  x: number,
  y: number,
  right: number,
  bottom: number,
  grounds: Int32Array,
  near: Int8Array,
): void {
  // Neighbours are often alike.
  let last = 0,
    lastGround = 0
  for (let j = y; j < bottom; j++)
    for (let i = j * width + x, end = j * width + right; i < end; i++) {
      const p = px[i]!,
        k = near[bucketOf(p)]!
      if (k === NONE) continue
      if (k === SEVERAL && p !== last) {
        last = p
        lastGround = nearest(p, grounds)
      }
      const g = k === SEVERAL ? lastGround : grounds[k]!
      if (p !== g && !differs(p, g, REACH)) out[i] = g
    }
}

/** Colours by the upper five bits of each channel. */
const bucketOf = (p: number): number => ((p & 0xf8) >> 3) | ((p & 0xf800) >> 6) | ((p & 0xf80000) >> 9)
const NONE = -1,
  SEVERAL = 127

/**
 * For each bucket of colours the one ground (by its place in the list) that some of them may be near, `NONE`
 * or `SEVERAL`.
 */
function nearTable(grounds: readonly number[]): Int8Array {
  const table = new Int8Array(1 << 15).fill(NONE)
  grounds.forEach((g, k) => {
    const range = (shift: number) => {
      const v = (g >>> shift) & 255
      return [Math.max(0, v - REACH) >> 3, Math.min(255, v + REACH) >> 3] as const
    }
    const [r, gr, b] = [range(0), range(8), range(16)]
    for (let i = r[0]; i <= r[1]; i++)
      for (let j = gr[0]; j <= gr[1]; j++)
        for (let l = b[0]; l <= b[1]; l++) {
          const at = i | (j << 5) | (l << 10)
          table[at] = table[at] === NONE ? k : SEVERAL
        }
  })
  return table
}

/** Side of a block of JPEG, px (ITU-T T.81, section A.1). */
const BLOCK = 8

/** The ground that a colour is the noise of, else the colour itself. */
function nearest(p: number, grounds: Int32Array): number {
  let distance = REACH + 1,
    found = p
  for (let n = 0; n < grounds.length; n++) {
    const d = difference(p, grounds[n]!)
    if (d < distance) {
      distance = d
      found = grounds[n]!
    }
  }
  return found
}

/** The colours of flat areas, the commonest first, packed. */
export function groundsOf(px: Int32Array, width: number, height: number): number[] {
  const counts = new Map<number, number>()
  let seen = 0
  const step = Math.max(5, Math.round(Math.sqrt((width * height) / 60_000)))
  for (let y = FLAT; y < height; y += step + 1)
    for (let x = FLAT + (y % 3); x < width; x += step) {
      const i = y * width + x,
        p = px[i]!
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

/** A ground tells by so many of its ends, and is hazy where this share of them is. */
const TELLS = 20
const HAZY = 0.35

/**
 * Whether the flat grounds end in a haze: where a run of one ground stops, a clean design shows the rim of a
 * letter, of any difference; JPEG shows the same colour a little off. JPEG does so at most grounds; soft walls and skies of photographs in a clean design at theirs alone.
 */
function noisy(px: Int32Array, width: number, height: number, grounds: readonly number[]): boolean {
  const known = new Map(grounds.map((g) => [g, { ends: 0, hazy: 0 }]))
  for (let y = 0; y < height; y += 16)
    for (let x = 1, i = y * width + 1; x + 1 < width; x++, i++) {
      const p = px[i]!
      if (px[i + 1] === p || px[i - 1] !== p) continue
      const of = known.get(p)
      if (!of) continue
      of.ends++
      if (difference(p, px[i + 1]!) <= 4) of.hazy++
    }
  const all = [...known.values()]
  const ends = all.reduce((sum, g) => sum + g.ends, 0)
  const hazy = all.reduce((sum, g) => sum + g.hazy, 0)
  const telling = all.filter((g) => g.ends >= TELLS)
  const most = 2 * telling.filter((g) => g.hazy > HAZY * g.ends).length >= telling.length
  return hazy > HAZY * ends && most
}
