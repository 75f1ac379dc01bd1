import { drawnOf, inkOf, letters, motionOf, pixel, plain, ref } from '@/test-support/motion'
import type { Made } from '../schema'
import { lengthOf } from '../sequence'
import { recipes, drawnKinds, recipeOf } from '.'
import { written } from './number'

const white = '#ffffff'
const headline = (
  change: 'cut' | 'fade' | 'slide' | 'type' | 'letters',
  says = ['Open', 'Until ten'],
): Made => ({
  kind: 'headline',
  says,
  change,
  letters,
  ground: white,
  hold: 600,
  turn: 400,
})

describe('a headline that changes', () => {
  test.each(['cut', 'fade', 'slide', 'type', 'letters'] as const)(
    '%s: the first frame says the first line whole, and each line is read for its time',
    async (change) => {
      const { frames } = await drawnOf(motionOf(headline(change), { rate: 20 }))
      const alone = await drawnOf(motionOf(headline('cut', ['Open'])))
      expect(inkOf(frames[0]!)).toBeCloseTo(inkOf(alone.frames[0]!), 3)
      expect(lengthOf(frames)).toBeCloseTo(change === 'cut' ? 1200 : 2000, 5)
      // What does not move is one frame, as long as it is read.
      expect(frames[0]!.delay).toBeGreaterThanOrEqual(600)
    },
  )

  test('typed letters come one after the other, and stand where the whole line has them', async () => {
    const { frames } = await drawnOf(motionOf(headline('type', ['A', 'AVA']), { rate: 30 }))
    const typed = frames.filter((f) => f.t > 600 && f.t < 1000).map((f) => inkOf(f))
    expect(typed.length).toBeGreaterThan(1)
    typed.slice(1).forEach((ink, i) => expect(ink).toBeGreaterThan(typed[i]!))
  })

  test('words from right to left are typed from the right', async () => {
    const { frames } = await drawnOf(motionOf(headline('type', ['אבגדה', 'אבגדה וזחטי']), { rate: 40 }))
    const early = frames.find((f) => f.t > 600 && f.t < 700)!
    expect(inkOf(early, 0.5, 1)).toBeGreaterThan(0)
    expect(inkOf(early, 0, 0.3)).toBe(0)
  })

  test('an accent is part of its letter, whichever way it is written', async () => {
    const composed = await drawnOf(motionOf(headline('letters', ['é', 'café']), { rate: 20 }))
    const apart = await drawnOf(motionOf(headline('letters', ['e\u0301', 'cafe\u0301']), { rate: 20 }))
    expect(apart.frames).toHaveLength(composed.frames.length)
    composed.frames.forEach((f, i) => expect(inkOf(apart.frames[i]!)).toBeCloseTo(inkOf(f), 0))
  })

  test('a slide leaves upwards as the next comes', async () => {
    // What leaves is heavy, what comes is light: half way the weight is above the middle, a quarter further nearly gone.
    const { frames, width } = await drawnOf(motionOf(headline('slide', ['MMMMMM', 'i']), { rate: 20 }))
    const at = (t: number) => frames.find((f) => f.t >= t - 20 && f.t <= t + 20)!
    const rows = (frame: (typeof frames)[number], from: number, to: number) =>
      inkOf({ data: frame.data.slice(from * width * 4, to * width * 4) }, 0, 1, width)
    const half = at(800)
    expect(rows(half, 0, 25)).toBeGreaterThan(4 * rows(half, 35, 60))
    expect(rows(half, 35, 60)).toBeGreaterThan(0)
    expect(rows(at(900), 0, 30)).toBeLessThan(rows(half, 0, 30))
  })
})

test('a number counts up, and its first and last frame are true', async () => {
  const made: Made = {
    kind: 'number',
    from: 0,
    to: 8,
    decimals: 0,
    before: '',
    after: '',
    lang: 'en',
    letters,
    ground: white,
    count: 800,
    hold: 500,
  }
  const { frames } = await drawnOf(motionOf(made, { rate: 20 }))
  expect(inkOf(frames[0]!)).toBe(inkOf(frames.at(-1)!))
  // Ten digits at the most, and the first again.
  expect(frames.length).toBeLessThanOrEqual(10)
  expect(frames.length).toBeGreaterThan(5)
  expect(written(1234.5, { decimals: 1, lang: 'de' })).toBe('1.234,5')
  expect(written(0.25, { decimals: 2, lang: 'no such language' })).toBe('0.25')
})

test('a button changes its face and its words', async () => {
  const made: Made = {
    kind: 'button',
    states: [
      { says: 'Book', face: '#204080', ink: '#ffffff' },
      { says: 'Two left', face: '#a03020', ink: '#ffffff' },
    ],
    letters,
    ground: 'clear',
    radius: 20,
    hold: 500,
    turn: 300,
  }
  const { frames, width } = await drawnOf(motionOf(made))
  expect(pixel(frames[0]!, 30, 8, width)).toEqual([0x20, 0x40, 0x80, 255])
  expect(pixel(frames[0]!, 0, 0, width)[3]).toBe(0)
  const second = frames.find((f) => f.t >= 800 && f.t < 1300)!
  expect(pixel(second, 30, 8, width)).toEqual([0xa0, 0x30, 0x20, 255])
})

test('a story goes over from picture to picture, with its captions on their plate', async () => {
  const [a, b] = [ref('a'), ref('b')]
  const made: Made = {
    kind: 'story',
    scenes: [
      { picture: a, caption: 'One', move: 'closer' },
      { picture: b, caption: '', move: 'none' },
    ],
    letters: { ...letters, size: 12, color: '#ffffff' },
    plate: '#000000',
    hold: 500,
    turn: 500,
  }
  const pictures = { [a.id]: await plain('#ff0000'), [b.id]: await plain('#0000ff') }
  const { frames, width } = await drawnOf(motionOf(made, { rate: 20 }), 240, pictures)
  expect(pixel(frames[0]!, 120, 5, width)).toEqual([255, 0, 0, 255])
  const between = pixel(
    frames.find((f) => f.t >= 740 && f.t <= 760)!,
    120,
    5,
    width,
  )
  expect(between[0]).toBeGreaterThan(90)
  expect(between[2]).toBeGreaterThan(90)
  expect(
    pixel(
      frames.find((f) => f.t >= 1000)!,
      120,
      5,
      width,
    ),
  ).toEqual([0, 0, 255, 255])
  // The plate lets a little of the picture through.
  expect(pixel(frames[0]!, 2, 58, width)[0]).toBeLessThan(60)
})

describe('a flash of light', () => {
  const glint = (pass: number, rest: number): Made => ({
    kind: 'glint',
    picture: ref('a'),
    color: '#ffffff',
    width: 30,
    pass,
    rest,
  })
  test('is refused above three a second (WCAG 2.2, 2.3.1)', () => {
    const refused = (pass: number, rest: number) => recipes.glint.refused!(glint(pass, rest) as never)
    expect(refused(100, 200)).toContain('three')
    expect(refused(133, 200)).toContain('WCAG')
    expect(refused(134, 200)).toBeNull()
    expect(refused(900, 1600)).toBeNull()
  })
  test('passes over the picture from left to right, and the first frame is the picture', async () => {
    const { frames, width } = await drawnOf(motionOf(glint(1000, 500), { rate: 10 }), 240, {
      [ref('a').id]: await plain('#202020'),
    })
    expect(frames[0]!.delay).toBeGreaterThanOrEqual(500)
    expect(pixel(frames[0]!, 120, 30, width)).toEqual([32, 32, 32, 255])
    const brightest = frames.slice(1).map((f) => {
      let [best, at] = [0, 0]
      for (let x = 0; x < width; x++) {
        const v = pixel(f, x, 30, width)[0]!
        if (v > best) [best, at] = [v, x]
      }
      return best > 60 ? at : null
    })
    const seen = brightest.filter((x) => x !== null)
    expect(seen.length).toBeGreaterThan(2)
    expect(seen).toEqual([...seen].sort((x, y) => x - y))
  })
})

describe('a piece that moves over the rest', () => {
  const drift = (move: 'drift' | 'turn' | 'pulse' | 'appear' | 'phases', more = {}): Made => ({
    kind: 'drift',
    picture: ref('a'),
    piece: ref('b'),
    at: { x: 0.25, y: 0.25, w: 0.25, h: 0.5 },
    patch: null,
    move,
    far: 50,
    way: 0,
    shade: '#000000',
    round: 1000,
    ...more,
  })
  const pictures = async () => ({
    [ref('a').id]: await plain('#00ff00'),
    [ref('b').id]: await plain('#ff0000'),
  })
  test.each(['drift', 'turn', 'pulse', 'appear', 'phases'] as const)(
    '%s: it begins where it stands in the design, and moves',
    async (move) => {
      const { frames, width } = await drawnOf(motionOf(drift(move)), 240, await pictures())
      expect(pixel(frames[0]!, 90, 30, width)).toEqual([255, 0, 0, 255])
      expect(pixel(frames[0]!, 20, 30, width)).toEqual([0, 255, 0, 255])
      expect(frames.length).toBeGreaterThan(3)
    },
  )
  test('a patch covers the place it leaves', async () => {
    const { frames, width } = await drawnOf(
      motionOf(drift('drift', { far: 120, patch: '#0000ff' })),
      240,
      await pictures(),
    )
    const away = frames.find((f) => Math.abs(f.t - 250) < 45)!
    expect(pixel(away, 64, 30, width)).toEqual([0, 0, 255, 255])
  })
  test('phases wane from the right, are dark at a half, and grow from the right', async () => {
    const { frames, width } = await drawnOf(
      motionOf(drift('phases', { far: 100 }), { rate: 20 }),
      240,
      await pictures(),
    )
    const at = (t: number) => frames.find((f) => f.t >= t)!
    const lit = (f: (typeof frames)[number], x: number) => pixel(f, x, 30, width)[0]! > 128
    // The ball reaches from 75 to 105: half the piece's lesser side around 90.
    expect([lit(at(250), 80), lit(at(250), 100)]).toEqual([true, false])
    expect([lit(at(500), 80), lit(at(500), 100)]).toEqual([false, false])
    expect([lit(at(750), 80), lit(at(750), 100)]).toEqual([false, true])
  })
  test('without a picture of its own, the piece is the part of the picture at its place', async () => {
    const { frames, width } = await drawnOf(
      motionOf(drift('phases', { piece: ref('a'), far: 100 }), { rate: 20 }),
      240,
      await pictures(),
    )
    expect(pixel(frames[0]!, 90, 30, width)).toEqual([0, 255, 0, 255])
    expect(
      pixel(
        frames.find((f) => f.t >= 500)!,
        90,
        30,
        width,
      ),
    ).toEqual([0, 0, 0, 255])
  })
})

test('a name in changing faces shows each for its time', async () => {
  const made: Made = {
    kind: 'faces',
    says: 'Ada',
    faces: ['sans', 'serif'],
    letters,
    ground: white,
    each: 700,
  }
  const { frames } = await drawnOf(motionOf(made))
  // Both faces are drawn with the font of the tests here, so neighbours that are the same are one.
  expect(lengthOf(frames)).toBeCloseTo(1400, 5)
})

test('a strip shows each picture as long as it says, and only as many frames as it has', async () => {
  const made: Made = {
    kind: 'strip',
    pictures: [ref('a'), ref('b')],
    frames: [
      { of: 0, page: 0, delay: 120 },
      { of: 1, page: 0, delay: 500 },
      { of: 0, page: 0, delay: 80 },
    ],
  }
  const { frames, width } = await drawnOf(motionOf(made), 240, {
    [ref('a').id]: await plain('#ff0000'),
    [ref('b').id]: await plain('#0000ff'),
  })
  expect(frames.map((f) => f.delay)).toEqual([120, 500, 80])
  expect(pixel(frames[1]!, 120, 30, width)).toEqual([0, 0, 255, 255])
})

test('every recipe has a name, and is the one of what it makes', () => {
  for (const kind of drawnKinds) {
    expect(recipes[kind].label).toMatch(/^[A-Z]/)
    expect(recipeOf({ kind } as Made)).toBe(recipes[kind])
  }
  expect(recipeOf({ kind: 'film' } as Made)).toBeNull()
})
