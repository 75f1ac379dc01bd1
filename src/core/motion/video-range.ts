/** Luma of red, green and blue (ITU-R BT.709-6, 3.2), and what turns differences from it into chroma of ±0.5 (3.3). */
const [KR, KG, KB] = [0.2126, 0.7152, 0.0722] as const
const [CB, CR] = [1 / 1.8556, 1 / 1.5748] as const

/**
 * A picture as films keep it: a plane of luma, and two of chroma of half the size (I420), in the range that players take for granted: black is 16,
 * white 235, chroma 16 to 240 (BT.709-6, 3.5). Browsers write their canvases with all of 0 to 255, which players that do not look at the mark
 * show too harsh. What is clear stands on white.
 * @param rgba 4 bytes a pixel @param size px, both even
 */
export function toVideoRange(
  rgba: Uint8Array | Uint8ClampedArray,
  { width, height }: { width: number; height: number },
): Uint8Array {
  const [across, pixels] = [width >> 1, width * height]
  const out = new Uint8Array(pixels + 2 * across * (height >> 1))
  const [blue, red] = [pixels, pixels + across * (height >> 1)]
  const sums = new Float64Array(2 * across)
  for (let y = 0; y < height; y++) {
    if (y % 2 === 0) sums.fill(0)
    for (let x = 0; x < width; x++) {
      const i = 4 * (y * width + x)
      const [alpha, over] = [rgba[i + 3]! / 255, 255 - rgba[i + 3]!]
      const r = rgba[i]! * alpha + over
      const g = rgba[i + 1]! * alpha + over
      const b = rgba[i + 2]! * alpha + over
      const luma = KR * r + KG * g + KB * b
      out[y * width + x] = Math.round(16 + (luma * 219) / 255)
      const c = 2 * (x >> 1)
      sums[c] = sums[c]! + (b - luma) * CB
      sums[c + 1] = sums[c + 1]! + (r - luma) * CR
    }
    if (y % 2 === 0) continue
    // Four pixels share one value of chroma.
    for (let x = 0; x < across; x++) {
      const at = (y >> 1) * across + x
      out[blue + at] = Math.round(128 + (sums[2 * x]! / 4) * (224 / 255))
      out[red + at] = Math.round(128 + (sums[2 * x + 1]! / 4) * (224 / 255))
    }
  }
  return out
}
