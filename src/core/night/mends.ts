import { toHex, toRgb } from '../color/hex'
import { fromOklch, toOklch } from '../color/oklch'
import type { Rgba } from '../picture/ssim'

/** Mends for pictures at night; each gives new pixels. */

const copy = ({ width, height, data }: Rgba): Rgba => ({ width, height, data: Uint8Array.from(data) })

/** Lays a picture over a colour: nothing of it is clear any more. */
export function flattened(picture: Rgba, ground: string): Rgba {
  const out = copy(picture)
  const rgb = toRgb(ground)
  for (let i = 0; i < out.data.length; i += 4) {
    const a = out.data[i + 3]! / 255
    for (let c = 0; c < 3; c++) out.data[i + c] = Math.round(out.data[i + c]! * a + rgb[c]! * (1 - a))
    out.data[i + 3] = 255
  }
  return out
}

/** A line of one colour around what is opaque, drawn under it; the picture keeps its size. @param width px of the file */
export function haloed(picture: Rgba, color: string, width: number): Rgba {
  const { data } = picture
  const [W, H] = [picture.width, picture.height]
  const out = copy(picture)
  const rgb = toRgb(color)
  const reach = Math.ceil(width)
  for (let y = 0; y < H; y++)
    for (let x = 0; x < W; x++) {
      const i = (y * W + x) * 4
      const own = data[i + 3]! / 255
      if (own === 1) continue
      let around = 0
      for (let dy = -reach; dy <= reach; dy++)
        for (let dx = -reach; dx <= reach; dx++) {
          const [X, Y] = [x + dx, y + dy]
          if (X < 0 || Y < 0 || X >= W || Y >= H) continue
          const near = Math.max(0, Math.min(1, width + 0.5 - Math.hypot(dx, dy)))
          around = Math.max(around, (near * data[(Y * W + X) * 4 + 3]!) / 255)
        }
      const a = own + around * (1 - own)
      if (!a) continue
      for (let c = 0; c < 3; c++)
        out.data[i + c] = Math.round((data[i + c]! * own + rgb[c]! * around * (1 - own)) / a)
      out.data[i + 3] = Math.round(a * 255)
    }
  return out
}

/** A plate of one colour behind the whole picture, its corners rounded. @param radius px of the file */
export function plated(picture: Rgba, color: string, radius: number): Rgba {
  const { width, height } = picture
  const r = Math.min(radius, width / 2, height / 2)
  const out = flattened(picture, color)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const dx = Math.max(0, r - x - 0.5, x + 0.5 - (width - r))
      const dy = Math.max(0, r - y - 0.5, y + 0.5 - (height - r))
      const inside = dx && dy ? Math.max(0, Math.min(1, r + 0.5 - Math.hypot(dx, dy))) : 1
      out.data[(y * width + x) * 4 + 3] = Math.round(inside * 255)
    }
  return out
}

/** Dark ink made light, its hue kept; what is light already stays. */
export function lightened(picture: Rgba): Rgba {
  const out = copy(picture)
  const known = new Map<number, readonly [number, number, number]>()
  for (let i = 0; i < out.data.length; i += 4) {
    if (!out.data[i + 3]) continue
    const key = (out.data[i]! << 16) | (out.data[i + 1]! << 8) | out.data[i + 2]!
    let light = known.get(key)
    if (!light) known.set(key, (light = lightOf(toHex([key >> 16, (key >> 8) & 255, key & 255]))))
    out.data.set(light, i)
  }
  return out
}

function lightOf(hex: string): readonly [number, number, number] {
  const [l, c, h] = toOklch(hex)
  if (l >= 0.62) return toRgb(hex)
  // As light as it was dark; less chroma where sRGB does not hold it.
  for (let chroma = c; chroma >= 0; chroma -= 0.01) {
    const light = fromOklch([1 - l * 0.35, chroma, h])
    if (light) return toRgb(light)
  }
  return [255, 255, 255]
}

/** Cuts a light box free: what is of its colour and joined to the border becomes clear. @param box the colour of the border */
export function freed(picture: Rgba, box: string): Rgba {
  const { width, height } = picture
  const out = copy(picture)
  const [r, g, b] = toRgb(box)
  const off = (p: number) =>
    Math.max(
      Math.abs(out.data[p * 4]! - r),
      Math.abs(out.data[p * 4 + 1]! - g),
      Math.abs(out.data[p * 4 + 2]! - b),
    )
  const seen = new Uint8Array(width * height)
  const stack: number[] = []
  const visit = (p: number) => {
    if (seen[p]) return
    seen[p] = 1
    const d = off(p)
    if (d > SOFT) return
    // Half covered pixels keep a part of themselves.
    out.data[p * 4 + 3] = d <= SAME ? 0 : Math.round((255 * (d - SAME)) / (SOFT - SAME))
    if (d <= SAME) stack.push(p)
  }
  for (let x = 0; x < width; x++) for (const y of [0, height - 1]) visit(y * width + x)
  for (let y = 0; y < height; y++) for (const x of [0, width - 1]) visit(y * width + x)
  for (let p = stack.pop(); p !== undefined; p = stack.pop()) {
    const x = p % width
    if (x > 0) visit(p - 1)
    if (x < width - 1) visit(p + 1)
    if (p >= width) visit(p - width)
    if (p < width * (height - 1)) visit(p + width)
  }
  return out
}
/** How far a pixel's channels may be off the box to be of it, and to be half of it. */
const SAME = 12
const SOFT = 90
