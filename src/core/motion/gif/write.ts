import { joinSame, type Frame, type Sequence } from '../sequence'
import { bitsFor, control, image, screen, trailer, type Rect } from './blocks'
import { ByteWriter } from './bytes'
import { compress, type Choices } from './lzw'
import { apart, CLEAR, paletteOf, type Palette } from './palette'

/** How a sequence is written. */
export interface GifSettings {
  /** Most colours, 2 to 256. */
  colors: number
  /** How colours between those of the palette are made: by none, by a fixed pattern, or by passing on what is off. */
  dither: 'none' | 'pattern' | 'diffused'
  /** How much may be lost for the sake of bytes, 0 to 100. */
  loss: number
  /** Colours (0xRRGGBB) that have to come out exactly. */
  pinned?: readonly number[]
}

export const gifSettings: GifSettings = { colors: 256, dither: 'none', loss: 0 }

/** Delays are written in hundredths of a second; readers slow down shorter ones, ms (common practice, no source). */
export const SHORTEST = 20

/** What came of it. */
export interface WrittenGif {
  bytes: Uint8Array
  /** What each frame shows, RGBA, in the order of the frames that were written. */
  shown: readonly Frame[]
}

/** Squares of weighed distance for a loss of 100: about what a person sees as another tone. */
const WHOLE_LOSS = 9000

/**
 * Writes a sequence as GIF89a: of each frame only the rectangle that changes, and in it only what changes. Neighbours that are the same become
 * one frame. Pixels that are more than half clear are clear.
 * @param tell called with the part that is done, 0 to 1
 */
export function writeGif(
  given: Sequence,
  settings: GifSettings = gifSettings,
  tell: (done: number) => void = () => {},
): WrittenGif {
  const sequence = joinSame(given)
  const { frames, width, height } = sequence
  // One number is kept for what is clear.
  const most = Math.max(2, Math.min(255, settings.colors - 1))
  const shared = paletteOf(frames, most, settings.pinned)
  const out = new ByteWriter()
  screen(out, { width, height, loop: frames.length > 1 ? sequence.loop : 1 }, shared.rgb)
  const canvas = new Canvas(width, height)
  const shown: Frame[] = []
  const delays = hundredths(frames.map((f) => f.delay))
  frames.forEach((frame, i) => {
    const clears = canvas.clearedBy(frame, frames[i + 1])
    canvas.draw(out, frame, {
      settings,
      palette: paletteFor(frame, shared, settings, most),
      shared,
      delay: delays[i]!,
      clears,
    })
    shown.push({ data: canvas.picture(), delay: delays[i]! * 10 })
    if (clears) canvas.dispose()
    tell((i + 1) / frames.length)
  })
  trailer(out)
  return { bytes: out.done(), shown }
}

/** Delays in hundredths of a second, none shorter than readers keep; what rounding takes from one the next gets. @param delays ms */
export function hundredths(delays: readonly number[]): number[] {
  let over = 0
  return delays.map((ms) => {
    const whole = Math.max(SHORTEST / 10, Math.round((ms + over) / 10))
    over += ms - whole * 10
    return Math.min(65535, whole)
  })
}

/** Mean square that a frame is off by the shared palette, from which on one of its own is tried. */
const OFF = 10

/** What of that its own has to leave, at most, to be worth its bytes. */
const WORTH = 0.6

/** A frame's own palette where the shared one stands badly for it. */
function paletteFor(frame: Frame, shared: Palette, { pinned }: GifSettings, most: number): Palette {
  const before = offBy(frame, shared)
  if (before < OFF) return shared
  const own = paletteOf([frame], most, pinned)
  return offBy(frame, own) < before * WORTH ? own : shared
}

/** How far a palette is off from a frame: the mean over some of its pixels. */
function offBy({ data }: Frame, palette: Palette): number {
  const step = Math.max(1, Math.floor(data.length / 4 / 4000)) * 4
  let sum = 0
  let n = 0
  for (let i = 0; i < data.length; i += step) {
    if (data[i + 3]! < CLEAR) continue
    const [r, g, b] = [data[i]!, data[i + 1]!, data[i + 2]!]
    const o = palette.nearest(r, g, b) * 3
    sum += apart(r, g, b, palette.rgb[o]!, palette.rgb[o + 1]!, palette.rgb[o + 2]!)
    n++
  }
  return n ? sum / n : 0
}

interface Drawing {
  settings: GifSettings
  palette: Palette
  shared: Palette
  /** Hundredths of a second. */
  delay: number
  /** What has to be clear before the next frame. */
  clears: Rect | null
}

/** Stands for a clear pixel among colours. */
const NOTHING = -1

/** Pattern of thresholds by which neighbours differ (B. E. Bayer, 1973), -0.5 to 0.5. */
const BAYER = Float32Array.from(
  [
    0, 32, 8, 40, 2, 34, 10, 42, 48, 16, 56, 24, 50, 18, 58, 26, 12, 44, 4, 36, 14, 46, 6, 38, 60, 28, 52, 20,
    62, 30, 54, 22, 3, 35, 11, 43, 1, 33, 9, 41, 51, 19, 59, 27, 49, 17, 57, 25, 15, 47, 7, 39, 13, 45, 5, 37,
    63, 31, 55, 23, 61, 29, 53, 21,
  ],
  (v) => (v + 0.5) / 64 - 0.5,
)

/** What is shown while a GIF is played, and of what source it was painted. */
class Canvas {
  /** Colours shown, 0xRRGGBB. */
  private readonly shown: Int32Array
  /** The colours meant when each pixel was painted. */
  private readonly painted: Int32Array

  constructor(
    private readonly width: number,
    private readonly height: number,
  ) {
    this.shown = new Int32Array(width * height).fill(NOTHING)
    this.painted = new Int32Array(width * height).fill(NOTHING)
  }

  /** Where the next frame is clear and something will be shown: it has to be taken away. */
  clearedBy(frame: Frame, next: Frame | undefined): Rect | null {
    if (!next) return null
    const { shown } = this
    const seen = (p: number) => shown[p] !== NOTHING || frame.data[p * 4 + 3]! >= CLEAR
    return bounds(this.width, this.height, (p) => next.data[p * 4 + 3]! < CLEAR && seen(p))
  }

  /** Writes a frame, and shows it. */
  draw(out: ByteWriter, frame: Frame, drawing: Drawing): void {
    const { settings, palette, shared } = drawing
    const tolerance = (WHOLE_LOSS * settings.loss ** 2) / 10000
    const wanted = new Int32Array(this.width * this.height)
    for (let p = 0, i = 0; p < wanted.length; p++, i += 4)
      wanted[p] =
        frame.data[i + 3]! < CLEAR
          ? NOTHING
          : (frame.data[i]! << 16) | (frame.data[i + 1]! << 8) | frame.data[i + 2]!
    const changed = bounds(this.width, this.height, (p) => this.leftOff(p, wanted[p]!) > tolerance)
    const rect = union(changed, drawing.clears) ?? { x: 0, y: 0, w: 1, h: 1 }
    const choices = this.choices(rect, wanted, palette, settings, tolerance)
    control(out, { delay: drawing.delay, disposal: drawing.clears ? 2 : 1, clear: palette.size })
    image(out, rect, palette === shared ? null : palette.rgb)
    compressLightest(out, choices, bitsFor(palette.size + 1))
    this.show(rect, choices.meant, palette, wanted)
  }

  /** How far a pixel is off where it is left as it is. */
  private leftOff(p: number, wanted: number): number {
    const now = this.shown[p]!
    if (wanted === NOTHING) return now === NOTHING ? 0 : Infinity
    if (now === NOTHING) return Infinity
    if (this.painted[p] === wanted || now === wanted) return 0
    return distanceOf(now, wanted)
  }

  private choices(
    rect: Rect,
    wanted: Int32Array,
    palette: Palette,
    settings: GifSettings,
    tolerance: number,
  ) {
    const meant = new Uint8Array(rect.w * rect.h)
    const left = new Float32Array(rect.w * rect.h)
    const clear = palette.size
    const pick = picker(palette, settings, this.width)
    for (let y = 0, n = 0; y < rect.h; y++) {
      pick.row(y)
      for (let x = 0; x < rect.w; x++, n++) {
        const p = (rect.y + y) * this.width + rect.x + x
        const want = wanted[p]!
        left[n] = this.leftOff(p, want)
        meant[n] = want === NOTHING ? clear : pick.at(rect.x + x, rect.y + y, want)
        // What shows the same already need not be painted.
        const o = meant[n]! * 3
        if (
          want !== NOTHING &&
          this.shown[p] === ((palette.rgb[o]! << 16) | (palette.rgb[o + 1]! << 8) | palette.rgb[o + 2]!)
        )
          left[n] = 0
      }
    }
    return { meant, left, clear, distance: distances(palette), tolerance }
  }

  private show(rect: Rect, symbols: Uint8Array, palette: Palette, wanted: Int32Array): void {
    for (let y = 0, n = 0; y < rect.h; y++)
      for (let x = 0; x < rect.w; x++, n++) {
        const s = symbols[n]!
        if (s === palette.size) continue
        const p = (rect.y + y) * this.width + rect.x + x
        this.shown[p] = (palette.rgb[s * 3]! << 16) | (palette.rgb[s * 3 + 1]! << 8) | palette.rgb[s * 3 + 2]!
        this.painted[p] = wanted[p]!
      }
    this.last = rect
  }
  private last: Rect = { x: 0, y: 0, w: 0, h: 0 }

  /** What the last frame painted is gone (disposal 2). */
  dispose(): void {
    const { x, y, w, h } = this.last
    for (let row = y; row < y + h; row++) {
      this.shown.fill(NOTHING, row * this.width + x, row * this.width + x + w)
      this.painted.fill(NOTHING, row * this.width + x, row * this.width + x + w)
    }
  }

  /** What is shown, RGBA. */
  picture(): Uint8Array {
    const data = new Uint8Array(this.shown.length * 4)
    this.shown.forEach((c, p) => {
      if (c === NOTHING) return
      data[p * 4] = c >> 16
      data[p * 4 + 1] = (c >> 8) & 255
      data[p * 4 + 2] = c & 255
      data[p * 4 + 3] = 255
    })
    return data
  }
}

/** Writes pixels with what is shown already left where that goes on longest, or without leaving any: whichever is lighter. */
function compressLightest(out: ByteWriter, choices: Choices, bits: number): void {
  const { meant, left, tolerance } = choices
  // What is clear has to stay so; where nothing may be left, both are the same.
  const solid = !meant.includes(choices.clear) && left?.some((l) => l <= tolerance)
  if (!solid) return compress(out, choices, bits)
  const [some, none] = [new ByteWriter(), new ByteWriter()]
  const whole = { ...choices, meant: meant.slice(), left: null }
  compress(some, choices, bits)
  compress(none, whole, bits)
  if (none.length < some.length) meant.set(whole.meant)
  out.put((none.length < some.length ? none : some).done())
}

/** The rectangle around the pixels of which something is true; null: of none. */
function bounds(width: number, height: number, is: (p: number) => boolean): Rect | null {
  let [left, right, top, bottom] = [width, -1, height, -1]
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++)
      if (is(p)) {
        if (x < left) left = x
        if (x > right) right = x
        if (y < top) top = y
        bottom = y
      }
  return right < 0 ? null : { x: left, y: top, w: right - left + 1, h: bottom - top + 1 }
}

function union(a: Rect | null, b: Rect | null): Rect | null {
  if (!a || !b) return a ?? b
  const x = Math.min(a.x, b.x)
  const y = Math.min(a.y, b.y)
  return { x, y, w: Math.max(a.x + a.w, b.x + b.w) - x, h: Math.max(a.y + a.h, b.y + b.h) - y }
}

const distanceOf = (a: number, b: number): number =>
  apart(a >> 16, (a >> 8) & 255, a & 255, b >> 16, (b >> 8) & 255, b & 255)

const tables = new WeakMap<Palette, Float32Array>()

/** How far the colours of a palette are apart, as a table of 256 x 256. */
function distances(palette: Palette): Float32Array {
  const before = tables.get(palette)
  if (before) return before
  const { rgb, size } = palette
  const all = new Float32Array(65536).fill(Infinity)
  for (let a = 0; a < size; a++)
    for (let b = 0; b < size; b++)
      all[(a << 8) | b] = apart(
        rgb[a * 3]!,
        rgb[a * 3 + 1]!,
        rgb[a * 3 + 2]!,
        rgb[b * 3]!,
        rgb[b * 3 + 1]!,
        rgb[b * 3 + 2]!,
      )
  tables.set(palette, all)
  return all
}

/** Picks the symbol for each pixel. Colours that the palette has exactly stay as they are. */
function picker(palette: Palette, { dither }: GifSettings, width: number) {
  const { rgb } = palette
  // About how far neighbours of the palette are apart in one channel.
  const step = 255 / Math.cbrt(Math.max(8, palette.size))
  let now = new Float32Array((width + 2) * 3)
  let next = new Float32Array((width + 2) * 3)
  const within = (v: number) => (v < 0 ? 0 : v > 255 ? 255 : Math.round(v))
  const diffused = (x: number, r: number, g: number, b: number): number => {
    const o = (x + 1) * 3
    const wanted = [r + now[o]!, g + now[o + 1]!, b + now[o + 2]!]
    const s = palette.nearest(within(wanted[0]!), within(wanted[1]!), within(wanted[2]!))
    for (let c = 0; c < 3; c++) {
      // R. W. Floyd, L. Steinberg, "An adaptive algorithm for spatial grey scale" (1976); nine tenths are passed on, which keeps edges calm.
      const off = (wanted[c]! - rgb[s * 3 + c]!) * 0.9
      now[o + 3 + c]! += (off * 7) / 16
      next[o - 3 + c]! += (off * 3) / 16
      next[o + c]! += (off * 5) / 16
      next[o + 3 + c]! += off / 16
    }
    return s
  }
  return {
    row(y: number) {
      if (dither !== 'diffused') return
      ;[now, next] = y ? [next, now] : [now.fill(0), next]
      next.fill(0)
    },
    at(x: number, y: number, want: number): number {
      const [r, g, b] = [want >> 16, (want >> 8) & 255, want & 255]
      const exact = palette.exactly(r, g, b)
      if (exact >= 0) return exact
      if (dither === 'diffused') return diffused(x, r, g, b)
      if (dither === 'none') return palette.nearest(r, g, b)
      const t = BAYER[((y & 7) << 3) | (x & 7)]! * step * 0.4
      return palette.nearest(within(r + t), within(g + t), within(b + t))
    },
  }
}
