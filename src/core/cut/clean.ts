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
  const out = px.slice()
  const known = new Set(grounds)
  // Noise has few colours, which come back all the time: what each becomes is remembered by its lower bits.
  const keys = new Int32Array(REMEMBERED), values = new Int32Array(REMEMBERED)
  const { width, height } = raster
  let last = px[0]!, now = nearest(last, grounds)
  for (let y = 0; y < height; y += BLOCK) for (let x = 0; x < width; x += BLOCK) {
    const right = Math.min(width, x + BLOCK), bottom = Math.min(height, y + BLOCK)
    // JPEG writes block by block: where nothing stands, a whole block is one colour, and a few of its points tell.
    const first = px[y * width + x]!, middle = px[((y + bottom) >> 1) * width + ((x + right) >> 1)]!, second = px[y * width + right - 1]!, third = px[(bottom - 1) * width + x]!, fourth = px[(bottom - 1) * width + right - 1]!
    if (first === middle && first === second && first === third && first === fourth) { if (known.has(first)) continue }
    // Inside a photograph nothing is near a ground.
    else if (nearest(first, grounds) === first && nearest(second, grounds) === second && nearest(third, grounds) === third && nearest(fourth, grounds) === fourth && nearest(middle, grounds) === middle && !known.has(first) && !known.has(second) && !known.has(third) && !known.has(fourth) && !known.has(middle)) continue
    for (let j = y; j < bottom; j++) for (let i = j * width + x, end = j * width + right; i < end; i++) {
      const p = px[i]!
      // Neighbours are often alike.
      if (p !== last) {
        const slot = (p ^ (p >>> 5) ^ (p >>> 10)) & (REMEMBERED - 1)
        if (keys[slot] !== p) { keys[slot] = p; values[slot] = nearest(p, grounds) }
        last = p
        now = values[slot]!
      }
      if (now !== p) out[i] = now
    }
  }
  return { raster: { width: raster.width, height: raster.height, data: new Uint8Array(out.buffer) }, noise: 28 }
}

/** Side of a block of JPEG, px (ITU-T T.81, section A.1). */
const BLOCK = 8
const REMEMBERED = 16384

/** The ground that a colour is the noise of, else the colour itself. */
function nearest(p: number, grounds: readonly number[]): number {
  let distance = REACH + 1, found = p
  for (let n = 0; n < grounds.length; n++) { const d = difference(p, grounds[n]!); if (d < distance) { distance = d; found = grounds[n]! } }
  return found
}

/** The colours of flat areas, the commonest first, packed. */
export function groundsOf(px: Int32Array, width: number, height: number): number[] {
  const counts = new Map<number, number>()
  let seen = 0
  const step = Math.max(5, Math.round(Math.sqrt((width * height) / 60_000)))
  for (let y = FLAT; y < height; y += step + 1) for (let x = FLAT + (y % 3); x < width; x += step) {
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
function noisy(px: Int32Array, width: number, height: number, grounds: readonly number[]): boolean {
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
