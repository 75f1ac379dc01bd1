import { joinSame, type Frame, type Sequence } from '../sequence'
import { bitsFor, control, image, screen, trailer, type Rect } from './blocks'
import { ByteWriter } from './bytes'
import { compress } from './lzw'
import { Picker, type Dither } from './dither'
import { apart, AXES, seen, weightsOf } from './eye'
import { CLEAR, paletteOf, type Palette } from './palette'
import { mayBeOff, type Choices, type Loss } from './search'

/** How a sequence is written. */
export interface GifSettings {
  /** Most colours, 2 to 256. */
  colors: number
  dither: Dither
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
  /** Bytes of each of them. */
  sizes: readonly number[]
}

/** What a calm pixel may be off for a loss of 100, so that one more is said by the same code: about what a person sees as another tone. */
const WHOLE_LOSS = 1500

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
  const sizes: number[] = []
  const delays = hundredths(frames.map((f) => f.delay))
  frames.forEach((frame, i) => {
    const clears = canvas.clearedBy(frame, frames[i + 1])
    const before = out.length
    canvas.draw(out, frame, {
      settings,
      palette: paletteFor(frame, shared, settings, most),
      shared,
      delay: delays[i]!,
      clears,
    })
    shown.push({ data: canvas.picture(), delay: delays[i]! * 10 })
    sizes.push(out.length - before)
    if (clears) canvas.dispose()
    tell((i + 1) / frames.length)
  })
  trailer(out)
  return { bytes: out.done(), shown, sizes }
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
    sum += apart((r << 16) | (g << 8) | b, palette.color(palette.nearest(r, g, b)))
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

/** What is shown while a GIF is played, and of what source it was painted. */
class Canvas {
  /** Colours shown, 0xRRGGBB. */
  private readonly shown: Int32Array
  /** The colours meant when each pixel was painted. */
  private readonly painted: Int32Array
  private readonly lighter = new Lighter()

  constructor(
    readonly width: number,
    readonly height: number,
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
    const { palette, shared } = drawing
    const tolerance = WHOLE_LOSS * (drawing.settings.loss / 100) ** 2
    const most = mayBeOff({ tolerance })
    const wanted = new Int32Array(this.width * this.height)
    for (let p = 0, i = 0; p < wanted.length; p++, i += 4)
      wanted[p] =
        frame.data[i + 3]! < CLEAR
          ? NOTHING
          : (frame.data[i]! << 16) | (frame.data[i + 1]! << 8) | frame.data[i + 2]!
    const changed = bounds(this.width, this.height, (p) => this.leftOff(p, wanted[p]!) > most)
    const rect = union(changed, drawing.clears) ?? { x: 0, y: 0, w: 1, h: 1 }
    const weights = tolerance ? weightsOf(frame.data, this, rect) : null
    const choices = this.choices(rect, wanted, drawing, weights && { tolerance, weights })
    control(out, { delay: drawing.delay, disposal: drawing.clears ? 2 : 1, clear: palette.size })
    image(out, rect, palette === shared ? null : palette.rgb)
    this.lighter.write(out, choices, bitsFor(palette.size + 1))
    this.show(rect, choices.meant, palette, wanted)
  }

  /** How far a pixel is off where it is left as it is. */
  private leftOff(p: number, wanted: number): number {
    const now = this.shown[p]!
    if (wanted === NOTHING) return now === NOTHING ? 0 : Infinity
    if (now === NOTHING) return Infinity
    if (this.painted[p] === wanted || now === wanted) return 0
    return apart(now, wanted)
  }

  /** What may stand for each pixel of a rectangle. */
  private choices(
    rect: Rect,
    wanted: Int32Array,
    { palette, settings }: Drawing,
    lost: Pick<Loss, 'tolerance' | 'weights'> | null,
  ): Choices {
    const size = rect.w * rect.h
    const meant = new Uint8Array(size)
    const left = new Float32Array(size)
    const points = new Float32Array(lost ? size * AXES : 0)
    const pick = new Picker(palette, settings.dither, this.width)
    for (let y = rect.y, n = 0; y < rect.y + rect.h; y++) {
      pick.row()
      for (let x = rect.x; x < rect.x + rect.w; x++, n++) {
        const p = y * this.width + x
        const want = wanted[p]!
        left[n] = this.leftOff(p, want) * (lost ? lost.weights[n]! : 1)
        if (want === NOTHING) {
          meant[n] = palette.size
          continue
        }
        meant[n] = pick.at(x, y, want)
        if (lost) seen(pick.aim >> 16, (pick.aim >> 8) & 255, pick.aim & 255, points, n * AXES)
        // What shows the same already need not be painted.
        if (this.shown[p] === palette.color(meant[n]!)) left[n] = 0
      }
    }
    const loss = lost && { ...lost, wanted: points, colors: palette.seen, neighbours: palette.neighbours }
    return { meant, left, clear: palette.size, loss }
  }

  private show(rect: Rect, symbols: Uint8Array, palette: Palette, wanted: Int32Array): void {
    for (let y = 0, n = 0; y < rect.h; y++)
      for (let x = 0; x < rect.w; x++, n++) {
        const s = symbols[n]!
        if (s === palette.size) continue
        const p = (rect.y + y) * this.width + rect.x + x
        this.shown[p] = palette.color(s)
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

/** Frames for which the lighter of the two ways is kept, before both are tried again. */
const KEPT = 4

/** Writes pixels with what is shown already left where that says more, or without leaving any: the way that was lighter of late. */
class Lighter {
  private leaves = true
  private kept = 0

  write(out: ByteWriter, choices: Choices, bits: number): void {
    const { meant, left, loss } = choices
    const most = mayBeOff(loss)
    // What is clear has to stay so; where nothing may be left, both are the same.
    const either = !meant.includes(choices.clear) && left?.some((l) => l <= most)
    if (!either) return compress(out, choices, bits)
    const solid = { ...choices, left: null }
    if (this.kept > 0) {
      this.kept--
      return compress(out, this.leaves ? choices : solid, bits)
    }
    const [some, none] = [new ByteWriter(), new ByteWriter()]
    solid.meant = meant.slice()
    compress(some, choices, bits)
    compress(none, solid, bits)
    this.leaves = some.length <= none.length
    this.kept = KEPT
    if (!this.leaves) meant.set(solid.meant)
    out.put((this.leaves ? some : none).done())
  }
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
