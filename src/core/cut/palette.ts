import { difference, hexOf, pack, packed, type Raster, type Rect } from './raster'

/** A colour of a design, and how much of an area it covers, 0 to 1. */
export interface PaletteColor {
  color: string
  share: number
}

/**
 * The colours of an area by how much they cover, each a value that stands in the design exactly: the
 * commonest of its neighbours within 10 of a channel, whose shares it takes.
 * @param most how many
 */
export function paletteOf(
  raster: Raster,
  area: Rect = { x: 0, y: 0, w: raster.width, h: raster.height },
  most = 16,
): PaletteColor[] {
  const px = packed(raster)
  const counts = new Map<number, number>()
  const step = Math.max(1, Math.floor(Math.sqrt((area.w * area.h) / 1_000_000)))
  let total = 0
  for (let y = area.y; y < Math.min(raster.height, area.y + area.h); y += step)
    for (let x = area.x; x < Math.min(raster.width, area.x + area.w); x += step) {
      const p = px[y * raster.width + x]!
      counts.set(p, (counts.get(p) ?? 0) + 1)
      total++
    }
  const groups: { color: number; n: number }[] = []
  for (const [p, n] of [...counts].sort((a, b) => b[1] - a[1]).slice(0, 40_000)) {
    const group = groups.find((g) => difference(g.color, p) <= 10)
    if (group) group.n += n
    else if (groups.length < 200) groups.push({ color: p, n })
  }
  return groups
    .sort((a, b) => b.n - a.n)
    .slice(0, most)
    .map((g) => ({ color: hexOf(g.color), share: g.n / total }))
}

/** The colour at a place: the exact pixel, or the mean of 3 x 3 or 5 x 5 around it. */
export function pickColor(raster: Raster, x: number, y: number, side: 1 | 3 | 5): string {
  const px = packed(raster)
  const reach = side >> 1
  const sum = [0, 0, 0]
  let n = 0
  for (let j = y - reach; j <= y + reach; j++)
    for (let i = x - reach; i <= x + reach; i++) {
      if (i < 0 || j < 0 || i >= raster.width || j >= raster.height) continue
      const p = px[j * raster.width + i]!
      sum[0]! += p & 255
      sum[1]! += (p >>> 8) & 255
      sum[2]! += (p >>> 16) & 255
      n++
    }
  const [r, g, b] = sum.map((v) => Math.round(v / Math.max(1, n))) as [number, number, number]
  return hexOf(pack(r, g, b))
}
