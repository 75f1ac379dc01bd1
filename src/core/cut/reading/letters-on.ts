import { toRgb } from '../../color/hex'
import type { ReadLine } from './lines'
import type { Raster, Rect } from '../raster'

/**
 * The colour of the letters of a line, whatever lies behind them: of the two kinds of pixels that a line's rectangle falls into by lightness, the one that is hardly found in
 * the rows right above and below it.
 */
export function inkOf({ data, width, height }: Raster, line: Rect): string {
  const level = (i: number) => 0.299 * data[i]! + 0.587 * data[i + 1]! + 0.114 * data[i + 2]!
  const read = (r: Rect): number[] => {
    const out: number[] = []
    for (let y = Math.max(0, Math.floor(r.y)); y < Math.min(height, r.y + r.h); y++)
      for (let x = Math.max(0, Math.floor(r.x)); x < Math.min(width, r.x + r.w); x++)
        out.push(4 * (y * width + x))
    return out
  }
  const rim = 0.45 * line.h
  const around = [
    ...read({ x: line.x, y: line.y - rim, w: line.w, h: rim * 0.7 }),
    ...read({ x: line.x, y: line.y + line.h + rim * 0.3, w: line.w, h: rim * 0.7 }),
  ].map(level)
  const middle = around.sort((a, b) => a - b)[around.length >> 1] ?? 255
  const own = read(line).sort((a, b) => Math.abs(level(b) - middle) - Math.abs(level(a) - middle))
  // The cores of the strokes: the tenth that differs most.
  const cores = own.slice(0, Math.max(1, Math.floor(own.length / 10)))
  const mean = (c: number) => Math.round(cores.reduce((sum, i) => sum + data[i + c]!, 0) / cores.length)
  return `#${[0, 1, 2].map((c) => mean(c).toString(16).padStart(2, '0')).join('')}`
}

/**
 * The letters of a place as black on white, whatever lies behind them: each pixel by how near it is to their ink, against how far what lies around them is. What reads letters on plain grounds
 * reads them as well.
 */
export function lettersAlone(raster: Raster, rect: Rect, ink: string): Raster {
  const [r, g, b] = toRgb(ink)
  const { w: width, h: height } = rect
  const off = new Float32Array(width * height)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = 4 * ((rect.y + y) * raster.width + rect.x + x)
      off[y * width + x] = Math.hypot(raster.data[i]! - r, raster.data[i + 1]! - g, raster.data[i + 2]! - b)
    }
  // Most of a place is none of its letters.
  const usual = [...off].sort((a, c) => a - c)[off.length >> 1] || 1
  const data = new Uint8ClampedArray(off.length * 4)
  off.forEach((v, i) => {
    const level = Math.max(0, Math.min(255, 255 * ((v / usual - NEAR) / (FAR - NEAR))))
    data.fill(level, 4 * i, 4 * i + 3)
    data[4 * i + 3] = 255
  })
  return { width, height, data }
}

/** Up to the first of these, of how far most of a place is from the ink, a pixel is ink; from the second on none. */
const [NEAR, FAR] = [0.12, 0.8]

/** The strokes of bold letters are wider than this, of their size: of usual ones a tenth, of bold ones a seventh (common practice, no source). */
const BOLD = 0.122

/** Whether letters are bold, by how long the runs of their ink are along a row. */
export function isBold({ data, width, height }: Raster, lines: readonly ReadLine[], ink: string): boolean {
  const [r, g, b] = toRgb(ink)
  const runs: number[] = []
  for (const line of lines) {
    const [top, bottom] = [Math.floor(line.base - 0.5 * line.size), Math.floor(line.base - 0.12 * line.size)]
    for (let y = Math.max(0, top); y < Math.min(height, bottom); y++) {
      let run = 0
      for (let x = Math.max(0, Math.floor(line.x)); x <= Math.min(width - 1, line.x + line.w); x++) {
        const i = 4 * (y * width + x)
        const on =
          Math.max(Math.abs(data[i]! - r), Math.abs(data[i + 1]! - g), Math.abs(data[i + 2]! - b)) < 70
        if (on) run++
        else if (run) {
          runs.push(run / line.size)
          run = 0
        }
      }
    }
  }
  const sorted = runs.filter((v) => v < 0.4).sort((x, y) => x - y)
  return (sorted[sorted.length >> 1] ?? 0) > BOLD
}
