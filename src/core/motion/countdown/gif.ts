import { bitsFor, control, image, screen, trailer, type Rect } from '../gif/blocks'
import { ByteWriter } from '../gif/bytes'
import { compress } from '../gif/lzw'
import { leftIn } from './moment'
import type { CountdownDesign } from './address'
import type { CountdownSheet } from './sheet'

/** Seconds that one picture runs. */
export const RUNS = 60

/**
 * The next minute of a countdown as a GIF, right to the second: each frame is shown for one, and paints only the digits that change. It is
 * shown once; its last frame stays. Where the end falls within it, what is shown at the end follows.
 * @param left until the end when it is opened, whole seconds
 */
export function countdownGif(
  sheet: CountdownSheet,
  { units, colors }: Pick<CountdownDesign, 'units' | 'colors'>,
  left: number,
): Uint8Array {
  const writer = new Writer(sheet)
  const from = Math.max(0, Math.floor(left))
  const ends = from <= RUNS
  const digits = Array.from({ length: Math.min(RUNS, from) }, (_, s) => digitsOf(sheet, units, from - s))
  const clear = colors.ground === 'clear'
  if (clear && ends) digits.forEach((d) => writer.whole(d, 2))
  else if (clear && !colors.box) writer.onNothing(digits)
  else writer.over(digits)
  if (ends) writer.paint(writer.all, sheet.over.slice(), 1)
  return writer.done()
}

/** Writes the frames of a countdown. */
class Writer {
  private readonly out = new ByteWriter()
  readonly all: Rect

  constructor(private readonly sheet: CountdownSheet) {
    const { width, height, palette } = sheet
    this.all = { x: 0, y: 0, w: width, h: height }
    screen(this.out, { width, height, loop: 1 }, palette.rgb)
  }

  /** @param delay hundredths of a second */
  paint(rect: Rect, pixels: Uint8Array, disposal: 1 | 2, delay = 100): void {
    const { size } = this.sheet.palette
    control(this.out, { delay, disposal, clear: size })
    image(this.out, rect, null)
    const meant = { meant: pixels, clear: -1, left: null, loss: null }
    compress(this.out, meant, bitsFor(size + 1))
  }

  /** Everything, with these digits; null leaves one out. */
  whole(digits: readonly (number | null)[], disposal: 1 | 2, delay = 100): void {
    this.paint(this.all, partOf(this.sheet, this.all, digits), disposal, delay)
  }

  /** Each second over the one before, on a ground that covers it. */
  over(digits: readonly number[][]): void {
    digits.forEach((now, i) => {
      if (!i) return this.whole(now, 1)
      const rect = changedRect(this.sheet, digits[i - 1]!, now)
      this.paint(rect, partOf(this.sheet, rect, now), 1)
    })
  }

  /**
   * The same on no ground: digits have to be taken away before the next ones come, so those that change stand in frames of their own
   * over one that stays.
   */
  onNothing(digits: readonly number[][]): void {
    const [first, ...others] = digits
    if (!first) return
    this.whole(first, 2)
    const moving = first.map((d, i) => others.some((o) => o[i] !== d))
    this.whole(
      first.map((d, i) => (moving[i] ? null : d)),
      1,
      2,
    )
    const rect = changedRect(
      this.sheet,
      first,
      first.map((d, i) => (moving[i] ? -1 : d)),
    )
    others.forEach((now, i) => this.paint(rect, partOf(this.sheet, rect, now), 2, i ? 100 : 98))
  }

  done(): Uint8Array {
    trailer(this.out)
    return this.out.done()
  }
}

/** The digits of all units in a row. */
function digitsOf({ places }: CountdownSheet, units: CountdownDesign['units'], left: number): number[] {
  return leftIn(units, left).flatMap((n, i) => {
    const room = places[i]!.length
    return [...String(n).padStart(room, '0').slice(-room)].map(Number)
  })
}

/** The rectangle around the digits that differ. Where none does, one pixel of the first. */
function changedRect(sheet: CountdownSheet, before: readonly number[], now: readonly number[]): Rect {
  const places = sheet.places.flat()
  const differ = places.filter((_, i) => before[i] !== now[i])
  const within = differ.length ? differ : [{ ...places[0]!, w: 1, h: 1 }]
  const x = Math.min(...within.map((r) => r.x))
  const y = Math.min(...within.map((r) => r.y))
  const w = Math.max(...within.map((r) => r.x + r.w)) - x
  const h = Math.max(...within.map((r) => r.y + r.h)) - y
  return { x, y, w, h }
}

/** The pixels of a rectangle, with digits. */
function partOf(sheet: CountdownSheet, rect: Rect, digits: readonly (number | null)[]): Uint8Array {
  const part = new Uint8Array(rect.w * rect.h)
  for (let row = 0; row < rect.h; row++) {
    const o = (rect.y + row) * sheet.width + rect.x
    part.set(sheet.base.subarray(o, o + rect.w), row * rect.w)
  }
  sheet.places.flat().forEach((place, i) => {
    const digit = digits[i]
    if (digit !== null && digit !== undefined) lay(part, rect, sheet.digits[digit]!, place)
  })
  return part
}

/** Lays a digit onto the pixels of a rectangle, as far as it falls on them. */
function lay(onto: Uint8Array, within: Rect, digit: Uint8Array, at: Rect): void {
  const left = Math.max(at.x, within.x)
  const right = Math.min(at.x + at.w, within.x + within.w)
  if (left >= right) return
  const bottom = Math.min(at.y + at.h, within.y + within.h)
  for (let y = Math.max(at.y, within.y); y < bottom; y++) {
    const from = (y - at.y) * at.w - at.x
    onto.set(digit.subarray(from + left, from + right), (y - within.y) * within.w + left - within.x)
  }
}

/**
 * Sets how long the first frame is shown, so that the next second comes when it is due. The bytes are changed.
 * @param ms at most 1000
 */
export function setFirst(gif: Uint8Array, ms: number): Uint8Array {
  // The screen (13 bytes) and its colours come first, then the first frame's control extension; its delay is 4 bytes in.
  const at = 13 + (3 << ((gif[10]! & 7) + 1)) + 4
  const hundredths = Math.max(2, Math.min(100, Math.round(ms / 10)))
  gif[at] = hundredths & 255
  gif[at + 1] = hundredths >> 8
  return gif
}
