import fc from 'fast-check'
import sharp from 'sharp'
import { samples } from '@/test-support/samples'
import { plainOf, textOf } from '../email/richtext'
import { lengthOfWords, splitWords } from '../email/split-words'
import { addCut, LEAST, setCut } from './edits'
import { groundOf } from './ground'
import { bestPart, drawCut, gapsIn, inkIn, partCut } from './parting'
import { emptyPlan, type Cut, type CutPlan } from './plan'
import { overlap, type Raster, type Rect } from './raster'

const size = { width: 600, height: 400 }
let n = 0
const id = () => `c${n++}`

async function raster(body: string): Promise<Raster> {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="600" height="400"><rect width="600" height="400" fill="#fff"/>${body}</svg>`
  const { data, info } = await sharp(Buffer.from(svg))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) }
}
const said = (text: string, x: number, base: number, size = 18) =>
  `<text x="${x}" y="${base}" font-family="Arimo" font-size="${size}" fill="#222">${text}</text>`

/** A plan of one words cut over a heading, two lines and a foot. */
const page =
  said('Cellar evenings', 40, 60, 34) +
  said('Five wines and a loaf, told by', 40, 120) +
  said('the people who made them.', 40, 144) +
  said('Doors at seven', 40, 330)
const words = textOf(
  'Cellar evenings\n\nFive wines and a loaf, told by the people who made them.\n\nDoors at seven',
)
const whole: Rect = { x: 20, y: 20, w: 500, h: 330 }
function planOf(set: Partial<Cut>): { plan: CutPlan; cut: string } {
  const { plan, id: cut } = addCut(emptyPlan(), whole, size, 'words', id)
  return { plan: setCut(plan, cut!, { ground: '#ffffff', ...set }), cut: cut! }
}
const saysOf = (c: Cut) => c.words && plainOf(c.words).replace(/\s+/g, ' ').trim()

test('a cut is parted at the widest gap, and each part keeps its own words and is looked at by itself', async () => {
  const r = await raster(page)
  const { plan, cut } = planOf({ words, lettering: { size: 17, color: '#222222' } })
  const at = bestPart(gapsIn(r, whole, 'across'), whole, 'across')
  expect(at).toBeGreaterThan(150)
  expect(at).toBeLessThan(315)
  const lines = inkIn(r, whole, groundOf(r, whole).color)
  const lower = partCut(plan, cut, 'across', at, lines, id)
  expect(lower.cuts.map(saysOf)).toEqual([
    'Cellar evenings Five wines and a loaf, told by the people who made them.',
    'Doors at seven',
  ])
  // Letters of two sizes: what was measured of the whole holds of neither.
  expect(lower.cuts.map((c) => c.lettering)).toEqual([undefined, undefined])
  const upper = lower.cuts[0]!
  const again = bestPart(gapsIn(r, upper, 'across'), upper, 'across')
  const three = partCut(lower, upper.id, 'across', again, inkIn(r, upper, '#ffffff'), id)
  expect(three.cuts.map(saysOf)).toEqual([
    'Cellar evenings',
    'Five wines and a loaf, told by the people who made them.',
    'Doors at seven',
  ])
})

test('beside each other it is parted between the words, and where nothing parts it in the middle', async () => {
  const r = await raster(said('Monday', 40, 60) + said('nine to four', 300, 60))
  const row = { x: 30, y: 40, w: 400, h: 30 }
  const at = bestPart(gapsIn(r, row, 'down'), row, 'down')
  expect(at).toBeGreaterThan(120)
  expect(at).toBeLessThan(298)
  const { plan, id: cut } = addCut(emptyPlan(), row, size, 'words', id)
  const told = setCut(plan, cut!, { words: textOf('Monday nine to four'), ground: '#ffffff' })
  expect(partCut(told, cut!, 'down', at, inkIn(r, row, '#ffffff'), id).cuts.map(saysOf)).toEqual([
    'Monday',
    'nine to four',
  ])
  const photo = await raster(
    '<defs><linearGradient id="g" y2="1"><stop stop-color="#123"/><stop offset="1" stop-color="#db8"/></linearGradient></defs><rect width="600" height="400" fill="url(#g)"/>',
  )
  expect(gapsIn(photo, { x: 0, y: 0, w: 600, h: 400 }, 'across')).toEqual([])
  expect(bestPart([], { x: 0, y: 0, w: 600, h: 400 }, 'across')).toBe(200)
})

test('a cut drawn within another takes its place, and what it said there', async () => {
  const r = await raster(page)
  const { plan, cut } = planOf({ words })
  const lines = inkIn(r, whole, '#ffffff')
  const drawn = { x: 20, y: 90, w: 500, h: 66 }
  const made = drawCut(plan, drawn, size, () => lines, id)
  const [first, , last] = made.plan.cuts
  expect(made.plan.cuts.map((c) => [c.y, c.h])).toEqual([
    [20, 70],
    [90, 66],
    [156, 194],
  ])
  expect(first!.id).toBe(cut)
  expect(made.plan.cuts.map(saysOf)).toEqual([
    'Cellar evenings',
    'Five wines and a loaf, told by the people who made them.',
    'Doors at seven',
  ])
  expect(last!.kind).toBe('words')
  // A locked one gives no way.
  const locked = setCut(plan, cut, { locked: true })
  expect(drawCut(locked, drawn, size, () => lines, id)).toEqual({ plan: locked, id: null })
})

const num = fc.integer({ min: -20, max: 620 })
const rect = fc.record({
  x: num,
  y: num,
  w: fc.integer({ min: 1, max: 400 }),
  h: fc.integer({ min: 1, max: 400 }),
})

test('wherever cuts are drawn, the last is where it was drawn, and none overlap', () => {
  fc.assert(
    fc.property(fc.array(rect, { minLength: 1, maxLength: 9 }), (rects) => {
      let plan = emptyPlan()
      for (const r of rects) {
        const made = drawCut(plan, r, size, () => [], id)
        const inside = overlap(r, { x: 0, y: 0, ...{ w: size.width, h: size.height } })
        if (inside && inside.w >= LEAST && inside.h >= LEAST)
          expect(made.plan.cuts.find((c) => c.id === made.id)).toMatchObject(inside)
        else expect(made.plan).toBe(plan)
        plan = made.plan
      }
      plan.cuts.forEach((a, i) => {
        expect(a.w >= LEAST && a.h >= LEAST).toBe(true)
        for (const b of plan.cuts.slice(i + 1)) expect(overlap(a, b)).toBeNull()
      })
    }),
    { numRuns: samples(200) },
  )
})

test('words parted anywhere say together what they said, and no word is cut', () => {
  const word = fc.constantFrom('tide', 'a', 'harbour', 'Øre', 'x-ray', '42')
  const paragraph = fc.array(word, { minLength: 1, maxLength: 9 }).map((w) => w.join(' '))
  fc.assert(
    fc.property(
      fc.array(paragraph, { minLength: 1, maxLength: 4 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (list, share) => {
        const doc = textOf(list.join('\n\n'))
        const parts = splitWords(doc, share)
        const wordsOf = (d: typeof doc) => plainOf(d).split(/\s+/).filter(Boolean)
        if (!parts) return expect(wordsOf(doc)).toHaveLength(1)
        expect(parts.flatMap(wordsOf)).toEqual(wordsOf(doc))
        return expect(parts.every((p) => lengthOfWords(p) > 0)).toBe(true)
      },
    ),
    { numRuns: samples(200) },
  )
})
