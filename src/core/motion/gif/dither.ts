import type { Palette } from './palette'

/** How colours between those of the palette are made: by none, by a fixed pattern, or by passing on what is off. */
export type Dither = 'none' | 'pattern' | 'diffused'

/** Pattern of thresholds by which neighbours differ (B. E. Bayer, 1973), -0.5 to 0.5. */
const BAYER = Float32Array.from(
  [
    0, 32, 8, 40, 2, 34, 10, 42, 48, 16, 56, 24, 50, 18, 58, 26, 12, 44, 4, 36, 14, 46, 6, 38, 60, 28, 52, 20,
    62, 30, 54, 22, 3, 35, 11, 43, 1, 33, 9, 41, 51, 19, 59, 27, 49, 17, 57, 25, 15, 47, 7, 39, 13, 45, 5, 37,
    63, 31, 55, 23, 61, 29, 53, 21,
  ],
  (v) => (v + 0.5) / 64 - 0.5,
)

/** What of an error is passed on: a little less than all keeps edges calm (common practice, no source). */
const PASSED_ON = 0.9

/** Picks the symbol for each pixel, row by row from the left. Colours that the palette has stay as they are. */
export class Picker {
  /** The colour aimed at for the last pixel, 0xRRGGBB: the one wanted, moved by the dither. */
  aim = 0
  /** How far neighbours of the palette are apart, as steps of grey. */
  private readonly step: number
  // What is passed on to this row and the next, 3 numbers a pixel.
  private now: Float32Array
  private next: Float32Array

  /** @param width px of the whole picture */
  constructor(
    private readonly palette: Palette,
    private readonly dither: Dither,
    width: number,
  ) {
    this.step = dither === 'pattern' ? palette.spacing : 0
    this.now = new Float32Array((width + 2) * 3)
    this.next = new Float32Array((width + 2) * 3)
  }

  /** A row begins. */
  row(): void {
    if (this.dither !== 'diffused') return
    ;[this.now, this.next] = [this.next, this.now]
    this.next.fill(0)
  }

  /** The symbol for a pixel. @param want 0xRRGGBB */
  at(x: number, y: number, want: number): number {
    const [r, g, b] = [want >> 16, (want >> 8) & 255, want & 255]
    const { palette, dither } = this
    const nearest = palette.nearest(r, g, b)
    this.aim = want
    if (dither === 'none' || palette.is(nearest, r, g, b)) return nearest
    if (dither === 'diffused') return this.diffused(x, r, g, b)
    const t = BAYER[((y & 7) << 3) | (x & 7)]! * this.step
    return this.aimedAt(r + t, g + t, b + t)
  }

  private aimedAt(r: number, g: number, b: number): number {
    const [red, green, blue] = [byte(r), byte(g), byte(b)]
    this.aim = (red << 16) | (green << 8) | blue
    return this.palette.nearest(red, green, blue)
  }

  /** R. W. Floyd, L. Steinberg, "An adaptive algorithm for spatial grey scale" (1976). */
  private diffused(x: number, r: number, g: number, b: number): number {
    const { now, next } = this
    const o = (x + 1) * 3
    const wanted = [r + now[o]!, g + now[o + 1]!, b + now[o + 2]!]
    const s = this.aimedAt(wanted[0]!, wanted[1]!, wanted[2]!)
    for (let c = 0; c < 3; c++) {
      const off = (wanted[c]! - this.palette.rgb[s * 3 + c]!) * PASSED_ON
      now[o + 3 + c]! += (off * 7) / 16
      next[o - 3 + c]! += (off * 3) / 16
      next[o + c]! += (off * 5) / 16
      next[o + 3 + c]! += off / 16
    }
    return s
  }
}

const byte = (v: number): number => (v < 0 ? 0 : v > 255 ? 255 : Math.round(v))
