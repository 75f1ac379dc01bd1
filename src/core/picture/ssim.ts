/** Pixels to compare: RGBA, 4 bytes a pixel. */
export interface Rgba {
  width: number
  height: number
  data: Uint8Array | Uint8ClampedArray
}

interface Gray {
  width: number
  height: number
  data: Float64Array
}

const WINDOW = 11
const C1 = (0.01 * 255) ** 2
const C2 = (0.03 * 255) ** 2

/**
 * Mean structural similarity of two pictures of one size, 1 for the same ones: Z. Wang, A. C. Bovik, H. R.
 * Sheikh, E. P. Simoncelli, "Image quality assessment: from error visibility to structural similarity"
 * (2004), with their constants, an even 11 px window, and their scale for the usual viewing distance (the
 * shorter side brought to about 256 px). Throws a RangeError where the sizes differ.
 */
export const ssim = (a: Rgba, b: Rgba): number => ssimTo(a)(b)

/** The same against one picture that several are held against: it is prepared once. */
export function ssimTo(a: Rgba): (b: Rgba) => number {
  const f = Math.max(1, Math.round(Math.min(a.width, a.height) / 256))
  const x = shrink(gray(a), f)
  return (b) => {
    if (a.width !== b.width || a.height !== b.height)
      throw new RangeError('Only pictures of one size can be compared')
    return similarity(x, shrink(gray(b), f), Math.min(WINDOW, x.width, x.height))
  }
}

/** Luma by integer weights (77, 150, 29 of 256), as the reference implementations take it. */
function gray({ width, height, data }: Rgba): Gray {
  const out = new Float64Array(width * height)
  for (let i = 0, p = 0; i < out.length; i++, p += 4)
    out[i] = (77 * data[p]! + 150 * data[p + 1]! + 29 * data[p + 2]! + 128) >> 8
  return { width, height, data: out }
}

/** Every f-th pixel of the picture averaged over f x f, edges mirrored. */
function shrink(g: Gray, f: number): Gray {
  if (f === 1) return g
  const width = Math.ceil(g.width / f),
    height = Math.ceil(g.height / f)
  const out = new Float64Array(width * height)
  // The window of a filter of even size reaches one further back than forward.
  const back = Math.ceil((f - 1) / 2)
  const mirror = (i: number, n: number) => {
    while (i < 0 || i >= n) i = i < 0 ? -1 - i : 2 * n - 1 - i
    return i
  }
  // Which column each step of each window falls on.
  const columns = Int32Array.from({ length: width * f }, (_, k) =>
    mirror(Math.floor(k / f) * f - back + (k % f), g.width),
  )
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      let sum = 0
      for (let j = 0; j < f; j++) {
        const row = mirror(y * f - back + j, g.height) * g.width
        for (let i = x * f, end = i + f; i < end; i++) sum += g.data[row + columns[i]!]!
      }
      out[y * width + x] = Math.round(sum / (f * f))
    }
  }
  return { width, height, data: out }
}

/** Means over all windows, from running sums down the columns and along the rows. */
function similarity(a: Gray, b: Gray, window: number): number {
  const { width, height } = a
  const columns = Array.from({ length: 5 }, () => new Float64Array(width))
  const [sa, sb, saa, sbb, sab] = columns as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ]
  const take = (y: number, sign: number) => {
    for (let x = 0, i = y * width; x < width; x++, i++) {
      const p = a.data[i]!,
        q = b.data[i]!
      sa[x]! += sign * p
      sb[x]! += sign * q
      saa[x]! += sign * p * p
      sbb[x]! += sign * q * q
      sab[x]! += sign * p * q
    }
  }
  const n = window * window
  let total = 0,
    count = 0
  for (let y = 0; y < height; y++) {
    take(y, 1)
    if (y >= window) take(y - window, -1)
    if (y < window - 1) continue
    let ta = 0,
      tb = 0,
      taa = 0,
      tbb = 0,
      tab = 0
    for (let x = 0; x < width; x++) {
      ta += sa[x]!
      tb += sb[x]!
      taa += saa[x]!
      tbb += sbb[x]!
      tab += sab[x]!
      if (x >= window) {
        const o = x - window
        ta -= sa[o]!
        tb -= sb[o]!
        taa -= saa[o]!
        tbb -= sbb[o]!
        tab -= sab[o]!
      }
      if (x < window - 1) continue
      const ma = ta / n,
        mb = tb / n
      total +=
        ((2 * ma * mb + C1) * (2 * (tab / n - ma * mb) + C2)) /
        ((ma * ma + mb * mb + C1) * (taa / n - ma * ma + tbb / n - mb * mb + C2))
      count++
    }
  }
  return total / count
}
