import fc from 'fast-check'
import sharp from 'sharp'
import { ssim } from 'ssim.js'
import { samples } from '@/test-support/samples'
import { beginMotion, type Beginning } from './begin'
import { styleOf } from '../email/cascade'
import { plainHouseStyle } from '../email/styles'
import { areaRect, clipsLength, filmAt, filmLength, moveSpan } from './film'
import { brought, tried } from './brought'
import { fit } from './fit'
import { sampled } from './fit-sample'
import { movingPart, movingStripe } from './stripe'
import { keyOf } from './key'
import { alikeTo } from './likeness'
import type { FilmMade, Strip } from './made'
import { scaled } from './scale'
import { motionSchema, type Motion } from './schema'
import { lengthOf, type Frame, type Sequence } from './sequence'
import { duplicateFrames, frameOf, moveFrames, removeFrames, reverseFrames, setDelays } from './strip-edits'
import { momentsOf } from './timing'
import { letters, motionOf, ref } from '@/test-support/motion'

const timing = { rate: 10, speed: 1 }

describe('moments', () => {
  test('are even, and as long together as what is shown', () => {
    expect(momentsOf(timing, 1000).map((m) => m.t)).toEqual([0, 100, 200, 300, 400, 500, 600, 700, 800, 900])
    expect(lengthOf(momentsOf({ ...timing, speed: 2 }, 1000))).toBeCloseTo(500)
    expect(momentsOf({ ...timing, trim: { from: 300, to: 600 } }, 1000).map((m) => m.t)).toEqual([
      300, 400, 500,
    ])
  })
  test('go back the way they came without showing the ends twice', () => {
    expect(momentsOf({ ...timing, back: true }, 400).map((m) => m.t)).toEqual([0, 100, 200, 300, 200, 100])
    expect(momentsOf({ ...timing, reverse: true }, 300).map((m) => m.t)).toEqual([200, 100, 0])
  })
  test('of a strip are those where a picture follows another', () => {
    expect(momentsOf(timing, 900, [200, 700])).toEqual([
      { t: 0, delay: 200 },
      { t: 200, delay: 500 },
      { t: 700, delay: 200 },
    ])
  })
  test('begin with the frame that stands alone, and the last rests', () => {
    const moments = momentsOf({ ...timing, first: 2, rest: 500 }, 400)
    expect(moments.map((m) => m.t)).toEqual([200, 300, 0, 100])
    expect(moments.at(-1)!.delay).toBe(600)
  })
  test('whatever is asked: none is lost, none shorter than nothing', () => {
    fc.assert(
      fc.property(
        fc.record({
          rate: fc.integer({ min: 1, max: 50 }),
          speed: fc.double({ min: 0.1, max: 10, noNaN: true }),
          reverse: fc.boolean(),
          back: fc.boolean(),
          rest: fc.integer({ min: 0, max: 5000 }),
          first: fc.integer({ min: 0, max: 50 }),
        }),
        fc.integer({ min: 20, max: 12_000 }),
        (t, length) => {
          const moments = momentsOf(t, length)
          expect(moments.every((m) => m.delay > 0 && m.t >= 0 && m.t < length)).toBe(true)
          if (!t.back) expect(lengthOf(moments)).toBeCloseTo(length / t.speed + t.rest, 3)
        },
      ),
      { numRuns: samples(200) },
    )
  })
})

describe('changes of a strip', () => {
  const strip = (n: number): Strip => ({
    kind: 'strip',
    pictures: [ref('a')],
    frames: Array.from({ length: n }, (_, page) => ({ of: 0, page, delay: 100 })),
  })
  const pages = (s: Strip) => s.frames.map((f) => f.page)
  test('frames are duplicated, taken out, moved, turned, put first', () => {
    expect(pages(duplicateFrames(strip(3), [1]))).toEqual([0, 1, 1, 2])
    expect(pages(removeFrames(strip(3), [0, 2]))).toEqual([1])
    expect(pages(removeFrames(strip(2), [0, 1]))).toEqual([0])
    expect(pages(moveFrames(strip(4), [1, 2], 0))).toEqual([1, 2, 0, 3])
    expect(pages(moveFrames(strip(4), [0], 2))).toEqual([1, 0, 2, 3])
    expect(pages(reverseFrames(strip(3), []))).toEqual([2, 1, 0])
    expect(pages(reverseFrames(strip(4), [1, 2]))).toEqual([0, 2, 1, 3])
    expect(setDelays(strip(2), [1], 40.4).frames.map((f) => f.delay)).toEqual([100, 40])
  })
  test('the frame at a moment is found whichever way it runs', () => {
    const timed: Strip = {
      ...strip(3),
      frames: [100, 250, 50].map((delay, page) => ({ of: 0, page, delay })),
    }
    expect([0, 99.9, 100, 349, 350, 9999].map((t) => frameOf(timed, t))).toEqual([0, 0, 1, 1, 2, 2])
    const starts = [0, 100, 350]
    for (const more of [{}, { reverse: true }, { back: true }, { trim: { from: 50, to: 380 } }])
      for (const m of momentsOf({ ...timing, ...more }, 400, [100, 350]))
        expect(starts[frameOf(timed, m.t)]).toBeLessThanOrEqual(m.t)
  })
  test('moving and turning lose none and make none', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.array(fc.nat(11), { maxLength: 6 }),
        fc.nat(12),
        (n, at, to) => {
          const chosen = [...new Set(at)].filter((i) => i < n).sort((a, b) => a - b)
          for (const s of [moveFrames(strip(n), chosen, to), reverseFrames(strip(n), chosen)])
            expect([...pages(s)].sort((a, b) => a - b)).toEqual(pages(strip(n)))
        },
      ),
      { numRuns: samples(200) },
    )
  })
})

describe('films', () => {
  const made = (more: Partial<FilmMade> = {}): Pick<FilmMade, 'clips' | 'closing'> => ({
    clips: [
      { from: 1000, to: 2000, area: { x: 0.2, y: 0.5, w: 0.4 }, areaTo: { x: 0.8, y: 0.5, w: 0.4 } },
      { from: 5000, to: 5500, area: { x: 0.5, y: 0.5, w: 1 } },
    ],
    closing: { ms: 700, says: '', ground: '#000000' },
    ...more,
  })
  test('clips follow each other to the millisecond; what closes them stays on the last frame', () => {
    expect(clipsLength(made())).toBe(1500)
    expect(filmLength(made())).toBe(2200)
    expect(filmAt(made(), 0)).toMatchObject({ film: 1000, closing: false })
    expect(filmAt(made(), 999)).toMatchObject({ film: 1999 })
    expect(filmAt(made(), 1000)).toMatchObject({ film: 5000 })
    expect(filmAt(made(), 1600)).toMatchObject({ film: 5499, closing: true })
  })
  test('an area travels between its two keys', () => {
    expect(filmAt(made(), 500).area.x).toBeCloseTo(0.5)
    expect(filmAt(made(), 250).area.x).toBeCloseTo(0.35)
  })
  test('a span that is moved stays within what there is, keeps its length, and only the end that is held goes', () => {
    const span = { from: 1000, to: 2500, says: 'kept' }
    expect(moveSpan(span, 'whole', 400, 5000)).toEqual({ from: 1400, to: 2900, says: 'kept' })
    expect(moveSpan(span, 'from', -400, 5000)).toEqual({ ...span, from: 600 })
    expect(moveSpan(span, 'to', 9000, 5000)).toEqual({ ...span, to: 5000 })
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 8000 }),
        fc.integer({ min: 100, max: 2000 }),
        fc.integer({ min: -20_000, max: 20_000 }),
        (from, long, by) => {
          const before = { from, to: from + long }
          const [whole, begun, ended] = (['whole', 'from', 'to'] as const).map((hold) =>
            moveSpan(before, hold, by, 10_000),
          )
          expect(whole!.to - whole!.from).toBe(long)
          expect([begun!.to, ended!.from]).toEqual([before.to, before.from])
          for (const { from: a, to: b } of [whole!, begun!, ended!]) {
            expect(a).toBeGreaterThanOrEqual(0)
            expect(b).toBeLessThanOrEqual(10_000)
            expect(b - a).toBeGreaterThanOrEqual(100)
          }
        },
      ),
      { numRuns: samples(300) },
    )
  })
  test('whatever area is asked for, what is shown lies within the film and has the shape of the slot', () => {
    fc.assert(
      fc.property(
        fc.record({
          x: fc.double({ min: 0, max: 1, noNaN: true }),
          y: fc.double({ min: 0, max: 1, noNaN: true }),
          w: fc.double({ min: 0.02, max: 1, noNaN: true }),
        }),
        fc.integer({ min: 16, max: 4000 }),
        fc.integer({ min: 16, max: 4000 }),
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        (area, width, height, ratio) => {
          const r = areaRect(area, { width, height }, ratio)
          expect(r.w / r.h).toBeCloseTo(ratio, 5)
          expect(r.x).toBeGreaterThanOrEqual(-1e-9)
          expect(r.y).toBeGreaterThanOrEqual(-1e-9)
          expect(r.x + r.w).toBeLessThanOrEqual(width + 1e-6)
          expect(r.y + r.h).toBeLessThanOrEqual(height + 1e-6)
        },
      ),
      { numRuns: samples(300) },
    )
  })
})

/** A disc that moves over a slope of colours. */
function scene(n = 8, width = 120, height = 80): Sequence {
  const frames = Array.from({ length: n }, (_, k): Frame => {
    const data = new Uint8Array(width * height * 4)
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const disc = (x - 20 - k * 10) ** 2 + (y - 40) ** 2 < 200
        data.set(disc ? [230, 190, 60, 255] : [x, 60 + y, 140, 255], (y * width + x) * 4)
      }
    return { data, delay: 100 }
  })
  return { width, height, loop: 0, frames }
}

describe('what fits', () => {
  test('the best of the search fits, is the most alike of those that do, and is what its values give', () => {
    const source = scene()
    const whole = tried(source, { size: 1, rate: 1, colors: 256, loss: 0, dither: 'none' }, [])
    let visible = 0
    for (const budget of [whole.bytes * 0.7, whole.bytes * 0.3, whole.bytes * 0.1].map(Math.round)) {
      const points = []
      const search = fit(source, budget, { dither: 'none' })
      let step = search.next()
      for (; !step.done; step = search.next()) points.push(step.value.point)
      const best = step.value
      expect(best.bytes).toBeLessThanOrEqual(budget)
      for (const p of points) if (p.bytes <= budget) expect(p.mean).toBeLessThanOrEqual(best.mean)
      expect(tried(source, best.squeeze, []).bytes).toBe(best.bytes)
      // Where a loss can be seen, every dither was tried on what was found.
      const others = new Set(points.slice(-3).map((p) => p.squeeze.dither))
      if (best.mean >= 0.98) continue
      expect([...others].sort()).toEqual(['diffused', 'none', 'pattern'])
      visible++
    }
    expect(visible).toBeGreaterThan(0)
  })
  test('a long one is looked for on a sample, and what is taken was written whole', () => {
    const source = scene(12, 120, 150)
    const from = { frames: 12, pixels: 0 }
    const lossless = { size: 1, rate: 1, colors: 256, loss: 0, dither: 'none' as const }
    const reckoned = sampled(source, [], from)!.look(lossless).bytes
    const { bytes } = tried(source, lossless, [])
    expect(reckoned / bytes).toBeGreaterThan(0.5)
    expect(reckoned / bytes).toBeLessThan(2)
    const budget = Math.round(bytes * 0.5)
    const search = fit(source, budget, { dither: 'none' }, from)
    let step = search.next()
    const points = []
    for (; !step.done; step = search.next()) points.push(step.value.point)
    const best = step.value
    expect(best.reckoned).toBeUndefined()
    expect(best.bytes).toBeLessThanOrEqual(budget)
    expect(tried(source, best.squeeze, []).bytes).toBe(best.bytes)
    expect(points.filter((p) => !p.reckoned).length).toBeLessThan(points.filter((p) => p.reckoned).length)
    expect(sampled(scene(), [])).toBeNull()
  })
  // A budget is a bound: a file that is one byte above it is refused where it is sent.
  test('one byte above the budget is above it', () => {
    const source = scene(4, 60, 60)
    const end = (budget: number) => {
      const search = fit(source, budget, { dither: 'none' })
      let step = search.next()
      for (; !step.done; step = search.next());
      return step.value.bytes
    }
    const { bytes } = tried(source, { size: 1, rate: 1, colors: 256, loss: 0, dither: 'none' }, [])
    const found = end(Math.round(bytes * 0.4))
    for (const budget of [found, found - 1, Math.round(found * 0.99), Math.round(found * 0.96)])
      expect(end(budget)).toBeLessThanOrEqual(budget)
  })
  test('where nothing fits, the lightest is named', () => {
    const search = fit(scene(4, 60, 60), 100, { dither: 'none' })
    let step = search.next()
    const bytes = []
    for (; !step.done; step = search.next()) bytes.push(step.value.point.bytes)
    expect(step.value.bytes).toBe(Math.min(...bytes))
  })
  test('fewer pictures a second last as long as before, and the first stays the first', () => {
    const source = scene(9)
    const half = brought(source, { size: 1, rate: 0.5 })
    expect(half.frames).toHaveLength(5)
    expect(lengthOf(half.frames)).toBe(900)
    expect(half.frames[0]!.data).toBe(source.frames[0]!.data)
    expect(brought(source, { size: 0.5, rate: 1 })).toMatchObject({ width: 60, height: 40 })
  })
  test('the stripe that moves begins and ends at whole px as shown; what stands above and below never changes', () => {
    const source = scene(5, 120, 80)
    // Shown at half its height: the disc lies in rows 26 to 54, so in 13 to 28 as shown.
    const { top, bottom, still, sequence } = movingStripe(source, 40)!
    expect([top, bottom]).toEqual([13, 28])
    expect(sequence).toMatchObject({ width: 120, height: 30 })
    expect(still).toBeGreaterThan(0.4)
    const row = (f: Frame, y: number) => Buffer.from(f.data.subarray(y * 480, (y + 1) * 480))
    source.frames.forEach((f, i) => {
      for (let y = 0; y < 80; y++) {
        const moves = y >= 26 && y < 56
        const now = moves ? row(sequence.frames[i]!, y - 26) : row(source.frames[0]!, y)
        expect(row(f, y).equals(now)).toBe(true)
      }
    })
    // A column that moves reaches from top to bottom: no stripe leaves anything still.
    const bar = source.frames.map((f, k) => ({
      ...f,
      data: Uint8Array.from(f.data, (v, i) => ((i >> 2) % 120 < 10 ? k : i % 4 === 3 ? 255 : 9)),
    }))
    expect(movingStripe({ ...source, frames: bar }, 40)).toBeNull()
  })
  test('the part that moves is found where the rest never changes', () => {
    const source = scene(3)
    const part = movingPart(source)!
    expect(part.x).toBeLessThanOrEqual(6)
    expect(part.y).toBeGreaterThan(20)
    expect(part.h).toBeLessThan(35)
    expect(movingPart({ ...source, frames: source.frames.slice(0, 1) })).toBeNull()
  })
})

test('likeness is the reference SSIM, mean and worst over the moments', () => {
  const source = scene(3, 96, 64)
  const worse = {
    ...source,
    frames: source.frames.map((f, i) => (i === 1 ? { ...f, data: f.data.map((v) => v ^ 24) } : f)),
  }
  worse.frames[1]!.data.forEach((_, i) => i % 4 === 3 && (worse.frames[1]!.data[i] = 255))
  const image = (f: Frame) => ({ data: Uint8ClampedArray.from(f.data), width: 96, height: 64 })
  const reference = source.frames.map(
    (f, i) => ssim(image(f) as never, image(worse.frames[i]!) as never).mssim,
  )
  const { mean, worst } = alikeTo(source)(worse)
  expect(mean).toBeCloseTo(reference.reduce((a, b) => a + b) / 3, 2)
  expect(worst).toBeCloseTo(Math.min(...reference), 2)
  expect(alikeTo(source)(source).mean).toBeCloseTo(1, 9)
})

test('pictures are made smaller as a reference library does (sharp, box)', async () => {
  const { frames, width, height } = scene(1)
  const raw = { raw: { width, height, channels: 4 as const } }
  const reference = await sharp(Buffer.from(frames[0]!.data), raw)
    .resize(60, 40, { kernel: 'linear', fit: 'fill' })
    .raw()
    .toBuffer()
  const ours = scaled({ width, height, data: frames[0]!.data }, 60, 40)
  let off = 0
  reference.forEach((v, i) => (off += Math.abs(v - ours.data[i]!)))
  expect(off / reference.length).toBeLessThan(3)
  // Clear pixels lend no colour.
  const edge = Uint8Array.from([255, 0, 0, 255, 0, 255, 0, 0])
  expect([...scaled({ width: 2, height: 1, data: edge }, 1, 1).data]).toEqual([255, 0, 0, 128])
})

test('a picture is known by what it was made of: order and budget play no part, everything seen does', () => {
  const motion = motionOf({
    kind: 'faces',
    says: 'A',
    faces: ['sans', 'serif'],
    letters,
    ground: '#ffffff',
    each: 500,
  })
  const key = keyOf(motion, 300)
  expect(keyOf({ ...motion, budget: 5000, key: 'x' }, 300)).toBe(key)
  expect(keyOf(Object.fromEntries(Object.entries(motion).reverse()) as Motion, 300.3)).toBe(key)
  expect(keyOf({ ...motion, rate: 13 }, 300)).not.toBe(key)
  expect(keyOf(motion, 301)).not.toBe(key)
})

test('everything that can be begun is whole, in the style of its client and readable on its ground', () => {
  const base: Beginning = {
    style: styleOf(plainHouseStyle(), {}),
    role: 'main',
    ground: '#20272b',
    night: '#101214',
    width: 400,
    height: 90,
    words: 'Doors open at seven. Save 30 %.',
    picture: ref('a', 800, 180),
    lang: 'en',
    soon: '2026-12-04T22:00',
    zone: 'Europe/London',
  }
  for (const kind of [
    'headline',
    'number',
    'button',
    'story',
    'drift',
    'glint',
    'faces',
    'countdown',
  ] as const) {
    const motion = beginMotion(kind, base)!
    expect(motionSchema.parse(motion)).toEqual(motion)
  }
  expect(beginMotion('headline', base)!.made).toMatchObject({
    says: ['Doors open at seven.', 'Save 30 %.'],
    ground: '#20272b',
    letters: { color: '#ffffff' },
  })
  expect(beginMotion('number', base)!.made).toMatchObject({ to: 30, after: ' %.' })
  expect(beginMotion('story', { ...base, picture: null })).toBeNull()
})
