import { CLEAR, paletteOf, wordsOf, type Palette } from '../gif/palette'
import type { Rect } from '../gif/blocks'
import type { Pen } from '../pen'
import type { CountdownDesign } from './address'

/** What a countdown is put together of: pictures in numbers of one palette, drawn once for a design. */
export interface CountdownSheet {
  /** px of the file */
  width: number
  height: number
  palette: Palette
  /** Everything but the digits, and what is shown at the end. */
  base: Uint8Array
  over: Uint8Array
  /** Where the digits of each unit stand, the first digit first. */
  places: Rect[][]
  /** The digits 0 to 9, each as large as its place. */
  digits: Uint8Array[]
}

/** What a sheet is drawn on. */
export interface CountdownCanvas {
  pen: Pen
  read: (rect: Rect) => Uint8Array | Uint8ClampedArray
  /** A face as a list of CSS families. */
  family: (face: CountdownDesign['face']) => string
}

/** Places and sizes of a countdown, px as shown. */
interface Layout {
  /** Of the digits. */
  size: number
  digitWidth: number
  boxes: Rect[]
  places: Rect[][]
  labelSize: number
}

const fontOf = (canvas: CountdownCanvas, { face }: CountdownDesign, size: number): string =>
  `600 ${size}px ${canvas.family(face)}`

/** How many digits a unit shows: days as many as they need, everything else two. @param first what the first unit says */
const digitsFor = (n: number, i: number): number => (i === 0 ? Math.max(2, String(n).length) : 2)

/** Lays the units out side by side, as large as the width and the height allow. @param first what the first unit begins with */
function layoutOf(canvas: CountdownCanvas, design: CountdownDesign, first: number): Layout {
  const { pen } = canvas
  const { width, height, units, labels } = design
  const labelled = labels.some(Boolean)
  const counts = units.map((_, i) => digitsFor(first, i))
  const all = counts.reduce((a, b) => a + b, 0)
  pen.font = fontOf(canvas, design, 100)
  const widest = Math.max(...Array.from({ length: 10 }, (_, d) => pen.measureText(String(d)).width)) / 100
  // In sizes of the digits: a box is 0.25 wider at each side, and 0.35 stands between boxes.
  const widthIn = all * widest + units.length * 0.5 + (units.length - 1) * 0.35
  const size = Math.max(4, Math.min((width - 4) / widthIn, height / (labelled ? 1.95 : 1.4)))
  const digitWidth = Math.ceil(size * widest)
  const boxHeight = size * 1.3
  const labelSize = Math.max(6, size * 0.3)
  const top = (height - boxHeight - (labelled ? labelSize * 1.7 : 0)) / 2
  const boxWidths = counts.map((n) => n * digitWidth + size * 0.5)
  const gap = size * 0.35
  let x = (width - boxWidths.reduce((a, b) => a + b, 0) - gap * (units.length - 1)) / 2
  const order = design.rtl ? units.map((_, i) => units.length - 1 - i) : units.map((_, i) => i)
  const boxes: Rect[] = []
  const places: Rect[][] = []
  for (const i of order) {
    const w = boxWidths[i]!
    boxes[i] = { x, y: top, w, h: boxHeight }
    places[i] = Array.from({ length: counts[i]! }, (_, d) => ({
      x: x + size * 0.25 + d * digitWidth,
      y: top + size * 0.1,
      w: digitWidth,
      h: size * 1.1,
    }))
    x += w + gap
  }
  return { size, digitWidth, boxes, places, labelSize }
}

/**
 * Draws a design once: what stays, the ten digits, and the end.
 * @param canvas of the file's size
 * @param first what the largest unit begins with: it may need more digits than two
 */
export function drawSheet(canvas: CountdownCanvas, design: CountdownDesign, first: number): CountdownSheet {
  const { pen } = canvas
  const { density, colors } = design
  const [width, height] = [Math.round(design.width * density), Math.round(design.height * density)]
  const whole = { x: 0, y: 0, w: width, h: height }
  pen.save()
  pen.scale(density, density)
  pen.textBaseline = 'middle'
  pen.textAlign = 'center'
  const layout = layoutOf(canvas, design, first)
  const px = (r: Rect): Rect => ({
    x: Math.round(r.x * density),
    y: Math.round(r.y * density),
    w: Math.round(r.w * density),
    h: Math.round(r.h * density),
  })
  ground(pen, design)
  drawBoxes(canvas, design, layout)
  const base = canvas.read(whole)
  const places = layout.places.map((row) => row.map(px))
  // Digits are drawn where the first one stands: on the very ground they have.
  const at = layout.places[0]![0]!
  const place = places[0]![0]!
  pen.font = fontOf(canvas, design, layout.size)
  const digits = Array.from({ length: 10 }, (_, d) => {
    ground(pen, design)
    drawBox(pen, design, layout.boxes[0]!)
    pen.fillStyle = colors.digits
    pen.fillText(String(d), at.x + at.w / 2, at.y + at.h / 2)
    return canvas.read(place)
  })
  ground(pen, design)
  drawOver(canvas, design)
  const over = canvas.read(whole)
  pen.restore()
  const frames = [base, over, ...digits].map((data) => ({ data, delay: 0 }))
  const grounds = colors.ground === 'clear' ? [] : [Number.parseInt(colors.ground.slice(1), 16)]
  const palette = paletteOf(frames, 63, grounds)
  const indexed = (data: Uint8Array | Uint8ClampedArray) => numbersOf(data, palette)
  return {
    width,
    height,
    palette,
    base: indexed(base),
    over: indexed(over),
    digits: digits.map(indexed),
    places: places.map((row) => row.map((r) => ({ ...r, w: place.w, h: place.h }))),
  }
}

function ground(pen: Pen, { width, height, colors }: CountdownDesign): void {
  pen.clearRect(0, 0, width, height)
  if (colors.ground === 'clear') return
  pen.fillStyle = colors.ground
  pen.fillRect(0, 0, width, height)
}

function drawBox(pen: Pen, { colors, radius }: CountdownDesign, b: Rect): void {
  if (!colors.box) return
  pen.fillStyle = colors.box
  pen.beginPath()
  pen.roundRect(b.x, b.y, b.w, b.h, Math.min(radius, b.h / 2, b.w / 2))
  pen.fill()
}

function drawBoxes(canvas: CountdownCanvas, design: CountdownDesign, { boxes, labelSize }: Layout): void {
  const { pen } = canvas
  const { colors, labels } = design
  boxes.forEach((b, i) => {
    drawBox(pen, design, b)
    const label = labels[i]
    if (!label) return
    let size = labelSize
    pen.font = fontOf(canvas, design, size)
    const room = b.w * 1.3
    const { width } = pen.measureText(label)
    if (width > room) pen.font = fontOf(canvas, design, (size = Math.max(6, (size * room) / width)))
    pen.fillStyle = colors.labels
    pen.fillText(label, b.x + b.w / 2, b.y + b.h + labelSize)
  })
}

function drawOver(canvas: CountdownCanvas, design: CountdownDesign): void {
  const { pen } = canvas
  const { width, height, over, colors } = design
  let size = height * 0.34
  pen.font = fontOf(canvas, design, size)
  const wide = pen.measureText(over).width
  if (wide > width * 0.92) pen.font = fontOf(canvas, design, (size = (size * width * 0.92) / wide))
  pen.fillStyle = colors.digits
  pen.fillText(over, width / 2, height / 2)
}

/** Pixels as numbers of a palette; its size stands for clear ones. */
function numbersOf(data: Uint8Array | Uint8ClampedArray, palette: Palette): Uint8Array {
  const words = wordsOf({ data })
  const out = new Uint8Array(words.length)
  let last = 0
  let number = palette.size
  for (let p = 0; p < words.length; p++) {
    const word = words[p]!
    if (word !== last)
      number =
        word >>> 24 < CLEAR
          ? palette.size
          : palette.nearest(word & 255, (word >> 8) & 255, (word >> 16) & 255)
    last = word
    out[p] = number
  }
  return out
}
