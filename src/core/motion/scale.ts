import type { Rgba } from '../picture/ssim'

/**
 * A picture at another size: the mean of what each pixel covers where it becomes smaller, between neighbours where it becomes larger.
 * Colours weigh by how much they cover, so that clear pixels lend none.
 */
export function scaled({ width, height, data }: Rgba, toWidth: number, toHeight: number): Rgba {
  if (width === toWidth && height === toHeight) return { width, height, data }
  const columns = weightsOf(width, toWidth)
  const rows = weightsOf(height, toHeight)
  // First along the rows, as premultiplied colours; then down the columns.
  const across = new Float32Array(toWidth * height * 4)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < toWidth; x++) {
      const o = (y * toWidth + x) * 4
      for (const [from, weight] of columns[x]!) {
        const i = (y * width + from) * 4
        const a = (data[i + 3]! / 255) * weight
        across[o]! += data[i]! * a
        across[o + 1]! += data[i + 1]! * a
        across[o + 2]! += data[i + 2]! * a
        across[o + 3]! += a
      }
    }
  const out = new Uint8Array(toWidth * toHeight * 4)
  for (let y = 0; y < toHeight; y++)
    for (let x = 0; x < toWidth; x++) {
      const sum = [0, 0, 0, 0]
      for (const [from, weight] of rows[y]!)
        for (let c = 0; c < 4; c++) sum[c]! += across[(from * toWidth + x) * 4 + c]! * weight
      const o = (y * toWidth + x) * 4
      const a = sum[3]!
      if (a > 0) for (let c = 0; c < 3; c++) out[o + c] = Math.round(sum[c]! / a)
      out[o + 3] = Math.round(a * 255)
    }
  return { width: toWidth, height: toHeight, data: out }
}

/** For each place of the new size, which of the old it takes and how much. */
function weightsOf(from: number, to: number): [number, number][][] {
  const step = from / to
  return Array.from({ length: to }, (_, i) => {
    const width = Math.max(1, step)
    const start = (i + 0.5) * step - width / 2
    const taken: [number, number][] = []
    for (let k = Math.floor(start); k < start + width; k++) {
      const part = Math.min(k + 1, start + width) - Math.max(k, start)
      if (part > 1e-6) taken.push([Math.max(0, Math.min(from - 1, k)), part / width])
    }
    return taken
  })
}
