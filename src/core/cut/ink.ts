import { difference, hexOf, packed, type Raster, type Rect } from './raster'
import { toRgb } from '../color/hex'

/** One line of letters: its box in design pixels, relative to the raster. */
export interface InkLine { x: number; y: number; w: number; h: number }

/** What the letters of an area look like. */
export interface Ink { color: string | null; lines: InkLine[] }

const pack = (hex: string): number => { const [r, g, b] = toRgb(hex); return ((255 << 24) | (b << 16) | (g << 8) | r) >>> 0 }

/**
 * Reads letters as whatever stands off the ground: their lines as runs of inked rows, their colour as the commonest colour far from
 * the ground (the cores of the strokes; anti-aliased rims lie between).
 */
export function readInk(raster: Raster, rect: Rect, ground: string): Ink {
  const px = packed(raster)
  const g = pack(ground)
  const counts = new Map<number, number>()
  const lines: InkLine[] = []
  let open: { y: number; from: number; to: number } | null = null
  const close = (y: number) => { if (open) lines.push({ x: open.from, y: open.y, w: open.to - open.from + 1, h: y - open.y }); open = null }
  const bottom = Math.min(rect.y + rect.h, raster.height), right = Math.min(rect.x + rect.w, raster.width)
  let far = 40
  for (let y = rect.y; y < bottom; y++) {
    let from = -1, to = -1
    for (let x = rect.x; x < right; x++) {
      const p = px[y * raster.width + x]!
      const d = p === g ? 0 : difference(p, g)
      if (d <= 24) continue
      if (from < 0) from = x
      to = x
      if (d > far) { counts.set(p, (counts.get(p) ?? 0) + 1); if (d > 2 * far) far = d / 2 }
    }
    if (from < 0) close(y)
    else if (!open) open = { y, from, to }
    else { const o: { y: number; from: number; to: number } = open; o.from = Math.min(o.from, from); o.to = Math.max(o.to, to) }
  }
  close(bottom)
  let color: string | null = null, most = 0
  for (const [p, n] of counts) if (difference(p, g) >= far && n > most) { most = n; color = hexOf(p) }
  return { color, lines: lines.filter((l) => l.h > 2) }
}

/** Lines that belong together: a paragraph, a heading. Parted where the white between lines is more than the lines' own pitch allows. */
export interface InkBlock { lines: InkLine[]; /** Letter size, design px. */ size: number; /** Distance of baselines, design px; 0 for a single line. */ pitch: number }

/** Groups lines into blocks by size and distance. A line's ink from ascender to descender is about 0.94 of the letter size (common practice, no source). */
export function inkBlocks(lines: readonly InkLine[]): InkBlock[] {
  const groups: InkLine[][] = []
  for (const line of lines) {
    const last = groups.at(-1)
    const prev = last?.at(-1)
    const tall = last ? Math.max(...last.map((l) => l.h)) : 0
    const gap = prev ? line.y - (prev.y + prev.h) : 0
    const alike = last && Math.max(line.h, tall) / Math.min(line.h, tall) < 1.5
    if (last && prev && alike && gap < 0.75 * Math.max(line.h, tall)) last.push(line)
    else groups.push([line])
  }
  return groups.map((g) => ({
    lines: g,
    size: middle(g.map((l) => l.h)) / 0.94,
    pitch: g.length > 1 ? (g.at(-1)!.y + g.at(-1)!.h - (g[0]!.y + g[0]!.h)) / (g.length - 1) : 0,
  }))
}

const middle = (v: number[]): number => [...v].sort((a, b) => a - b)[v.length >> 1]!

/** How lines stand in a box: told by which of their edges vary least. One line counts as left unless it is centred. */
export function alignmentOf(lines: readonly InkLine[], box: { x: number; w: number }): 'left' | 'center' | 'right' {
  if (!lines.length) return 'left'
  const spread = (of: (l: InkLine) => number) => { const v = lines.map(of); return Math.max(...v) - Math.min(...v) }
  const mid = box.x + box.w / 2
  const centred = lines.every((l) => Math.abs(l.x + l.w / 2 - mid) < Math.max(6, box.w * 0.012))
  if (centred && (lines.length === 1 ? lines[0]!.w < 0.9 * box.w : spread((l) => l.x) > 4)) return 'center'
  return spread((l) => l.x) <= spread((l) => l.x + l.w) ? 'left' : 'right'
}
