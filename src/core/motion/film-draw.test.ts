import { createCanvas } from '@napi-rs/canvas'
import { familyOf } from '@/server/motion/countdown/fonts'
import { inkOf, letters, pixel } from '@/test-support/motion'
import { drawFilm, drawMark } from './film-draw'
import { markStyles, type FilmMade } from './made'
import type { Pen, PenImage, Slot } from './pen'

const [width, height] = [200, 120]
const slot: Slot = {
  width,
  height,
  picture: () => null,
  family: () => familyOf('node_modules/@fontsource', 'sans'),
  dir: 'ltr',
}

/** A film's picture: red on its left half, blue on its right. */
function picture() {
  const canvas = createCanvas(400, 240)
  const c = canvas.getContext('2d')
  c.fillStyle = '#ff0000'
  c.fillRect(0, 0, 200, 240)
  c.fillStyle = '#0000ff'
  c.fillRect(200, 0, 200, 240)
  return canvas as unknown as PenImage
}

const made = (more: Partial<FilmMade> = {}): FilmMade => ({
  kind: 'film',
  film: { id: '0'.repeat(64), type: 'video/mp4', name: 'f.mp4', bytes: 1 },
  width: 400,
  height: 240,
  clips: [{ from: 0, to: 1000, area: { x: 0.5, y: 0.5, w: 1 } }],
  captions: [],
  letters: { ...letters, size: 14, color: '#ffffff' },
  plate: '#000000',
  mark: null,
  closing: null,
  beneath: null,
  address: '',
  ...more,
})

function drawn(what: FilmMade, t = 0, image: PenImage | null = picture()) {
  const pen = createCanvas(width, height).getContext('2d')
  pen.fillStyle = '#ffffff'
  pen.fillRect(0, 0, width, height)
  drawFilm(pen as unknown as Pen, what, t, image, slot)
  return { data: pen.getImageData(0, 0, width, height).data }
}

test('the area of the clip fills the slot', () => {
  const whole = drawn(made())
  expect(pixel(whole, 20, 60, width)).toEqual([255, 0, 0, 255])
  expect(pixel(whole, 180, 60, width)).toEqual([0, 0, 255, 255])
  const right = drawn(made({ clips: [{ from: 0, to: 1000, area: { x: 0.75, y: 0.5, w: 0.5 } }] }))
  expect(pixel(right, 20, 60, width)).toEqual([0, 0, 255, 255])
})

test('captions are seen in their time, and only then', () => {
  const what = made({ captions: [{ says: 'Now', from: 200, to: 600 }] })
  const plate = (t: number) => pixel(drawn(what, t), 4, 117, width)[0]!
  expect([plate(100), plate(200), plate(599), plate(600)].map((v) => v > 200)).toEqual([
    true,
    false,
    false,
    true,
  ])
})

test('what closes it lies over the last frame, without a caption or a mark', () => {
  const closing = { ms: 500, says: 'See it', ground: '#00ff00' }
  const what = made({ closing, mark: { style: 'disc', color: '#000000', size: 60 } })
  expect(pixel(drawn(what, 1200), 3, 3, width)).toEqual([0, 255, 0, 255])
  // Without words the last frame itself stays, and the mark on it.
  const still = drawn(made({ closing: { ...closing, says: '' }, mark: what.mark }), 1200)
  expect(pixel(still, 3, 3, width)).toEqual([255, 0, 0, 255])
})

test('a line beneath takes its height from the picture', () => {
  const what = made({ beneath: { says: 'The whole film', height: 30, ground: '#00ff00', ink: '#000000' } })
  const frame = drawn(what)
  expect(pixel(frame, 2, 118, width)).toEqual([0, 255, 0, 255])
  expect(pixel(frame, 2, 85, width)).toEqual([255, 0, 0, 255])
})

test('a moment without a picture draws the rest all the same', () => {
  const what = made({ beneath: { says: '', height: 30, ground: '#00ff00', ink: '#000000' } })
  expect(pixel(drawn(what, 0, null), 2, 118, width)).toEqual([0, 255, 0, 255])
})

describe('marks for playing', () => {
  const mark = (style: (typeof markStyles)[number], color: string) => {
    const pen = createCanvas(width, height).getContext('2d')
    pen.fillStyle = '#ffffff'
    pen.fillRect(0, 0, width, height)
    drawMark(pen as unknown as Pen, { style, color, size: 60 }, slot)
    return { data: pen.getImageData(0, 0, width, height).data }
  }
  test.each(markStyles)('%s lies in the middle, alike above and below, and points to the right', (style) => {
    const frame = mark(style, '#204080')
    const ink = inkOf(frame, 0, 1, width)
    expect(ink).toBeGreaterThan(150)
    const half = (from: number, to: number) =>
      inkOf({ data: frame.data.slice(from * width * 4, to * width * 4) }, 0, 1, width)
    expect(half(0, 60) / ink).toBeCloseTo(0.5, 1)
    // Nothing near the edges of the slot.
    expect(inkOf(frame, 0, 0.2, width) + inkOf(frame, 0.8, 1, width)).toBe(0)
  })
  test('an arrow is light on a dark mark, and dark on a light one', () => {
    expect(pixel(mark('disc', '#101418'), 100, 60, width)).toEqual([255, 255, 255, 255])
    expect(pixel(mark('disc', '#fff1c8'), 100, 60, width)[0]).toBeLessThan(60)
  })
  test('no two are drawn alike', () => {
    const drawings = markStyles.map((s) => Buffer.from(mark(s, '#204080').data).toString('base64'))
    expect(new Set(drawings).size).toBe(markStyles.length)
  })
})
