import type { Raster, Rect } from './raster'

/** What is taken off a picture: the ink of each line, told by its lightness against what lies around it. */
export interface Cleaning {
  raster: Raster
  /** The part of the design that is the picture. */
  rect: Rect
  /** Where words stand, design px. */
  lines: readonly Rect[]
  /** What is taken off with its ground, as buttons are. */
  whole: readonly Rect[]
  /** Design px for each px of the email. */
  scale: number
}

/** How far around a line's ink it is looked for, of the line's height. */
const ROUND = 0.25
/** A pixel that differs from what is usual around the line by more than this, 0 to 255, may be ink. */
const OFF = 18
/** Ink is taken away with so much around it, px of the email: letters are blurred into what they stand on. */
const RIM = 1.5

/**
 * A part of a design without the words on it: their ink is filled from what surrounds it (by pulling colours from where they are known to ever coarser levels, and pushing them back: Gortler and others,
 * The Lumigraph, 1996, 3.4). Where nothing stands on it the picture is as it was.
 */
export function cleaned({ raster, rect, lines, whole, scale }: Cleaning): Raster {
  const { w: width, h: height } = rect
  const data = new Uint8ClampedArray(width * height * 4)
  for (let y = 0; y < height; y++)
    data.set(
      raster.data.subarray(
        ((rect.y + y) * raster.width + rect.x) * 4,
        ((rect.y + y) * raster.width + rect.x + width) * 4,
      ),
      y * width * 4,
    )
  const out: Raster = { width, height, data }
  const hole = new Uint8Array(width * height)
  for (const line of lines) marked(out, hole, { ...line, x: line.x - rect.x, y: line.y - rect.y }, scale)
  const rim = Math.round(RIM * scale)
  for (const { x, y, w, h } of whole)
    for (let v = Math.max(0, y - rect.y - rim); v < Math.min(height, y - rect.y + h + rim); v++)
      hole.fill(
        1,
        v * width + Math.max(0, x - rect.x - rim),
        v * width + Math.min(width, x - rect.x + w + rim),
      )
  if (hole.includes(1)) fill(out, hole)
  return out
}

/** Marks the ink of a line, and a rim around it. */
function marked({ width, height, data }: Raster, hole: Uint8Array, line: Rect, scale: number): void {
  const by = ROUND * line.h
  const [left, top] = [Math.max(0, Math.floor(line.x - by)), Math.max(0, Math.floor(line.y - by))]
  const [right, bottom] = [
    Math.min(width, Math.ceil(line.x + line.w + by)),
    Math.min(height, Math.ceil(line.y + line.h + by)),
  ]
  const rim = Math.max(1, Math.round(RIM * scale))
  const level = (x: number, y: number) => {
    const i = 4 * (y * width + x)
    return 0.299 * data[i]! + 0.587 * data[i + 1]! + 0.114 * data[i + 2]!
  }
  for (let x = left; x < right; x++) {
    // Each column has the lightness of what is above and below it: pictures go from dark to light along a line.
    const [above, below] = [level(x, Math.max(0, top - 1)), level(x, Math.min(height - 1, bottom))]
    for (let y = top; y < bottom; y++) {
      const part = (y - top) / Math.max(1, bottom - top)
      if (Math.abs(level(x, y) - above * (1 - part) - below * part) <= OFF) continue
      for (let v = Math.max(0, y - rim); v <= Math.min(height - 1, y + rim); v++)
        for (let u = Math.max(0, x - rim); u <= Math.min(width - 1, x + rim); u++) hole[v * width + u] = 1
    }
  }
}

/** One level of the pyramid: colours, each with how far it is known, 0 to 1. */
interface Level {
  width: number
  height: number
  /** Three channels and the weight of each pixel. */
  of: Float32Array
}

/** Fills what is marked from what is not. */
function fill({ width, height, data }: Raster, hole: Uint8Array): void {
  let level: Level = { width, height, of: new Float32Array(width * height * 4) }
  for (let p = 0; p < width * height; p++) {
    const known = hole[p] ? 0 : 1
    for (let c = 0; c < 3; c++) level.of[4 * p + c] = known * data[4 * p + c]!
    level.of[4 * p + 3] = known
  }
  const levels = [level]
  while (level.width > 1 || level.height > 1) {
    level = pulled(level)
    levels.push(level)
  }
  for (let i = levels.length - 2; i >= 0; i--) pushed(levels[i]!, levels[i + 1]!)
  for (let p = 0; p < width * height; p++)
    if (hole[p])
      for (let c = 0; c < 3; c++) data[4 * p + c] = levels[0]!.of[4 * p + c]! / levels[0]!.of[4 * p + 3]!
}

/** A level of half the size: the mean of what is known of four. */
function pulled({ width, height, of }: Level): Level {
  const [w, h] = [Math.max(1, width >> 1), Math.max(1, height >> 1)]
  const out = new Float32Array(w * h * 4)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const to = 4 * (Math.min(h - 1, y >> 1) * w + Math.min(w - 1, x >> 1))
      for (let c = 0; c < 4; c++) out[to + c]! += of[4 * (y * width + x) + c]!
    }
  // No more than wholly known.
  for (let i = 0; i < out.length; i += 4) {
    const over = Math.max(1, out[i + 3]!)
    for (let c = 0; c < 4; c++) out[i + c]! /= over
  }
  return { width: w, height: h, of: out }
}

/** What a level does not know it has from the coarser one, smoothly between its pixels. */
function pushed(fine: Level, coarse: Level): void {
  for (let y = 0; y < fine.height; y++)
    for (let x = 0; x < fine.width; x++) {
      const i = 4 * (y * fine.width + x)
      const missing = 1 - fine.of[i + 3]!
      if (missing <= 0) continue
      const [u, v] = [(x - 0.5) / 2, (y - 0.5) / 2]
      const [left, top] = [Math.floor(u), Math.floor(v)]
      for (const [dx, dy] of CORNERS) {
        const cx = Math.max(0, Math.min(coarse.width - 1, left + dx))
        const cy = Math.max(0, Math.min(coarse.height - 1, top + dy))
        const share = (dx ? u - left : 1 - u + left) * (dy ? v - top : 1 - v + top) * missing
        const from = 4 * (cy * coarse.width + cx)
        const known = coarse.of[from + 3]! || 1
        for (let c = 0; c < 3; c++) fine.of[i + c]! += (share * coarse.of[from + c]!) / known
        fine.of[i + 3]! += share
      }
    }
}

const CORNERS = [
  [0, 0],
  [1, 0],
  [0, 1],
  [1, 1],
] as const
