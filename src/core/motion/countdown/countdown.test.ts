import { createCanvas } from '@napi-rs/canvas'
import fc from 'fast-check'
import { decompressFrames, parseGIF } from 'gifuct-js'
import sharp from 'sharp'
import { samples } from '@/test-support/samples'
import { familyOf } from '@/server/motion/countdown/fonts'
import type { Pen } from '../pen'
import { readGif } from '../gif/read'
import { countdownAddress } from './address'
import { countdownGif, RUNS, setFirst } from './gif'
import { endWords, instantOf, leftIn } from './moment'
import { leftOf } from './open'
import { countdownQuery, designOf } from './query'
import { countdownSchema, countdownUnits, type Countdown } from './schema'
import { drawSheet } from './sheet'

const HOUR = 3_600_000
const utc = (iso: string) => Date.parse(iso)

describe('moments in a time zone', () => {
  // Offsets of the IANA time zone database; the days of change are those published for each zone.
  test.each([
    ['2026-12-24T18:00', 'Europe/Vienna', '2026-12-24T17:00Z', 'winter'],
    ['2026-07-01T12:00', 'Europe/Vienna', '2026-07-01T10:00Z', 'summer'],
    ['2026-03-29T01:59', 'Europe/Vienna', '2026-03-29T00:59Z', 'just before clocks are put forward'],
    ['2026-03-29T03:00', 'Europe/Vienna', '2026-03-29T01:00Z', 'just after'],
    [
      '2026-03-29T02:30',
      'Europe/Vienna',
      '2026-03-29T01:30Z',
      'a time that there is not: as far after the change',
    ],
    ['2026-10-25T02:30', 'Europe/Vienna', '2026-10-25T00:30Z', 'a time that comes twice: the first'],
    ['2026-11-01T01:30', 'America/New_York', '2026-11-01T05:30Z', 'the same across the sea'],
    ['2026-03-08T12:00', 'America/New_York', '2026-03-08T16:00Z', 'the day of the change'],
    ['2026-04-05T12:00', 'Australia/Lord_Howe', '2026-04-05T01:30Z', 'a change of half an hour'],
    ['2028-02-29T12:00', 'Asia/Kathmandu', '2028-02-29T06:15Z', 'a leap day, and 45 minutes'],
  ])('%s in %s is %s (%s)', (at, zone, iso) => {
    expect(instantOf({ at, zone })).toBe(utc(iso))
  })
  test('of a zone or a day that there is not are refused in words', () => {
    expect(() => instantOf({ at: '2026-12-24T18:00', zone: 'Europe/Atlantis' })).toThrow('no time zone')
    expect(() => instantOf({ at: '2026-02-30T18:00', zone: 'UTC' })).toThrow('no time')
  })
  test('a night in which clocks are put back has 25 hours', () => {
    const left = leftOf({ to: '2026-10-26T00:00', in: 'Europe/Vienna' }, utc('2026-10-24T22:00Z'), () => 0)
    expect(left).toBe(25 * HOUR)
  })
})

describe('spans', () => {
  test('run from the first opening of each key', () => {
    const first = new Map<string, number>()
    const open = (key: string | undefined, now: number) =>
      leftOf({ span: 3600, key }, now, (k) => {
        if (!first.has(k)) first.set(k, now)
        return first.get(k)!
      })
    expect(open('ada', 1000)).toBe(HOUR)
    expect(open('ada', 1000 + 600_000)).toBe(HOUR - 600_000)
    expect(open('bo', 1000 + 600_000)).toBe(HOUR)
    expect(open('ada', 1000 + 2 * HOUR)).toBe(0)
  })
  test('without a key, or with a field that was not filled in, nobody is told apart', () => {
    const never = () => {
      throw new Error('asked')
    }
    for (const key of [undefined, '', '[[recipient_id]]', '{{ id }}', '*|ID|*'])
      expect(leftOf({ span: 60, key }, 5, never)).toBe(60_000)
  })
})

test('what larger units do not hold, smaller ones do; nothing below zero', () => {
  expect(leftIn(['days', 'hours', 'minutes', 'seconds'], 90_061)).toEqual([1, 1, 1, 1])
  expect(leftIn(['hours', 'minutes'], 90_061)).toEqual([25, 1])
  expect(leftIn(['seconds'], -5)).toEqual([0])
  fc.assert(
    fc.property(fc.nat(100_000_000), (s) => {
      const [d, h, m, sec] = leftIn([...countdownUnits], s) as [number, number, number, number]
      expect(((d * 24 + h) * 60 + m) * 60 + sec).toBe(s)
      expect(h < 24 && m < 60 && sec < 60).toBe(true)
    }),
    { numRuns: samples(300) },
  )
})

const countdown = (more: Partial<Countdown> = {}): Countdown =>
  countdownSchema.parse({
    kind: 'countdown',
    until: { kind: 'moment', at: '2026-12-04T22:00', zone: 'Europe/London' },
    units: ['days', 'hours', 'minutes', 'seconds'],
    labels: { days: 'Tage', hours: 'Std.', minutes: 'Min.', seconds: 'Sek.' },
    face: 'sans',
    colors: { digits: '#f3ead8', labels: '#b9c4d0', ground: '#14202f', box: '#22344c' },
    radius: 6,
    over: 'Es ist so weit',
    server: '',
    ...more,
  })

const designFor = (made: Countdown) => {
  const size = { width: 300, height: 90, density: 1 }
  return designOf(
    countdownQuery.parse(Object.fromEntries(new URLSearchParams(countdownAddress(made, made.colors, size)))),
  )
}

function sheetFor(made: Countdown, first = 7) {
  const design = designFor(made)
  const pen = createCanvas(design.width, design.height).getContext('2d')
  const canvas = {
    pen: pen as unknown as Pen,
    read: (r: { x: number; y: number; w: number; h: number }) => pen.getImageData(r.x, r.y, r.w, r.h).data,
    family: (face: 'sans' | 'serif' | 'mono') => familyOf('node_modules/@fontsource', face),
  }
  return { design, sheet: drawSheet(canvas, design, first) }
}

/** What libvips shows of each frame (through sharp). */
async function shownBy(gif: Uint8Array): Promise<Buffer[]> {
  const { data, info } = await sharp(gif, { animated: true })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const size = info.width * (info.pageHeight ?? info.height) * 4
  return Array.from({ length: data.length / size }, (_, i) => data.subarray(i * size, (i + 1) * size))
}

test('the address says all of the design, and leaves the field to the sending platform', () => {
  const made = countdown({ until: { kind: 'span', seconds: 7200, field: 'recipient_id' }, rtl: true })
  expect(designFor(made)).toEqual({
    width: 300,
    height: 90,
    density: 1,
    units: ['days', 'hours', 'minutes', 'seconds'],
    labels: ['Tage', 'Std.', 'Min.', 'Sek.'],
    rtl: true,
    face: 'sans',
    colors: made.colors,
    radius: 6,
    over: 'Es ist so weit',
  })
  expect(countdownAddress(made, made.colors, { width: 300, height: 90, density: 1 })).toMatch(
    /span=7200.*&key=\[\[recipient_id\]\]$/,
  )
})

describe('the picture', () => {
  const left = 7 * 86_400 + 65
  test('is a minute of seconds, shown once, each frame right, and small', () => {
    const { design, sheet } = sheetFor(countdown())
    const gif = countdownGif(sheet, design, left)
    const blocks = readGif(gif)
    expect(blocks).toMatchObject({ width: 300, height: 90, loop: 1 })
    expect(blocks.frames).toHaveLength(RUNS)
    expect(new Set(blocks.frames.map((f) => f.delay))).toEqual(new Set([1000]))
    expect(gif.length).toBeLessThan(30_000)
    const frames = decompressFrames(parseGIF(gif.slice().buffer), true)
    // From 65 to 64 only the last digit is painted; from 60 to 59 the minutes as well.
    expect(frames[1]!.dims.width).toBeLessThan(40)
    expect(frames[6]!.dims.width).toBeGreaterThan(80)
  })

  test('shows at every second what a picture made for that second shows', async () => {
    for (const more of [{}, { colors: { ...countdown().colors, ground: 'clear', box: null } }]) {
      const { design, sheet } = sheetFor(countdown(more as Partial<Countdown>))
      const shown = (await shownBy(countdownGif(sheet, design, left))).filter(
        // On no ground, one frame of a fiftieth of a second takes the first digits away.
        (_, i) => !(design.colors.ground === 'clear' && i === 1),
      )
      for (const s of [0, 1, 5, 6, 40, 59]) {
        const [alone] = await shownBy(countdownGif(sheet, design, left - s))
        expect(shown[s]!.equals(alone!)).toBe(true)
      }
    }
  })

  test('goes on to what is shown at the end, when that comes within the minute', async () => {
    for (const more of [{}, { colors: { ...countdown().colors, ground: 'clear' as const, box: null } }]) {
      const { design, sheet } = sheetFor(countdown(more))
      const ended = await shownBy(countdownGif(sheet, design, 0))
      expect(ended).toHaveLength(1)
      const shown = await shownBy(countdownGif(sheet, design, 3))
      expect(shown).toHaveLength(4)
      expect(shown[3]!.equals(ended[0]!)).toBe(true)
      expect(shown[0]!.equals(ended[0]!)).toBe(false)
    }
  })

  test('shows its second until the next is due', () => {
    const { design, sheet } = sheetFor(countdown())
    const gif = setFirst(countdownGif(sheet, design, 30), 370)
    expect(
      readGif(gif)
        .frames.slice(0, 2)
        .map((f) => f.delay),
    ).toEqual([370, 1000])
    expect(readGif(setFirst(gif, 3)).frames[0]!.delay).toBe(20)
  })

  test('has room for days of three digits, and runs from right to left where asked', () => {
    const wide = sheetFor(countdown(), 123).sheet
    expect(wide.places.map((p) => p.length)).toEqual([3, 2, 2, 2])
    const turned = sheetFor(countdown({ rtl: true })).sheet
    expect(turned.places[0]![0]!.x).toBeGreaterThan(turned.places[3]![0]!.x)
    for (const { places, width, height } of [wide, turned])
      for (const p of places.flat()) {
        expect(p.x).toBeGreaterThanOrEqual(0)
        expect(p.x + p.w).toBeLessThanOrEqual(width)
        expect(p.y + p.h).toBeLessThanOrEqual(height)
      }
  })

  test('has letters of other scripts: their labels are drawn, and not as empty boxes', () => {
    const ink = (label: string) => {
      const { sheet } = sheetFor(countdown({ labels: { days: label, hours: '', minutes: '', seconds: '' } }))
      return Buffer.from(sheet.base).toString('base64')
    }
    const missing = ink('\u{10fffd}\u{10fffd}')
    for (const label of ['дней', 'ημέρες', 'ימים', 'أيام']) expect(ink(label)).not.toBe(missing)
    expect(ink('ימים')).not.toBe(ink('שעות'))
  })
})

test('the alt text says when it ends, in the language of the email', () => {
  expect(endWords(countdown(), 'en')).toContain('4 December 2026')
  expect(endWords(countdown(), 'de')).toContain('4. Dezember 2026')
  expect(endWords(countdown({ until: { kind: 'span', seconds: 60, field: 'id' } }), 'en')).toBe('')
})
