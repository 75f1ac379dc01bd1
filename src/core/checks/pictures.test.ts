import { house, longEmail } from '@/test-support/emails'
import { picture, tileOf } from '@/test-support/tiles'
import { styleOf } from '../email/cascade'
import { applyEdit } from '../email/edits'
import { textOf } from '../email/richtext'
import type { Email } from '../email/schema'
import type { TileOf } from '../email/tile'
import { lookOf, type PictureLook } from '../night/look'
import type { Check } from './check'
import { pictureAtNight } from './picture-at-night'
import { runChecks, scopeOf } from './run'
import { wordsOnPicture } from './words-on-picture'

/* What rests on the pixels of pictures. Each picture here is drawn pixel by pixel, so what must be said of it is known. */

type Ink = readonly [r: number, g: number, b: number, alpha?: number]

/** A picture of 40 by 40 px. */
function drawn(at: (x: number, y: number) => Ink): PictureLook {
  const side = 40
  const data = new Uint8ClampedArray(side * side * 4)
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      const [r, g, b, alpha = 255] = at(x, y)
      data.set([r, g, b, alpha], (y * side + x) * 4)
    }
  return lookOf({ width: side, height: side, data })
}

const disc = (x: number, y: number) => Math.hypot(x - 20, y - 20) < 14
const mark = (ink: Ink, ground: Ink) => drawn((x, y) => (disc(x, y) ? ink : ground))
const clear: Ink = [0, 0, 0, 0]
const [black, white, copper]: Ink[] = [
  [20, 20, 24],
  [255, 255, 255],
  [180, 87, 47],
] as const

const ref = (id: string) => ({ ...picture, id: id.repeat(64) })
const found = (check: Check, email: Email, looks: Record<string, PictureLook>) =>
  runChecks(
    [check],
    scopeOf(email, styleOf(house, email.styles), '', 1, (id) => looks[id[0]!]),
  ).map((f) => [f.severity, f.stage, f.what])

describe('a picture at night', () => {
  /** A white band, which is dark at night, with a picture in it. */
  const at = (more: Partial<TileOf<'picture'>> = {}, night = '#101418'): Email => {
    const tile = { ...tileOf('picture', { picture: ref('d'), alt: 'A mark', ...more }), id: 't' }
    const email = applyEdit(longEmail(1), {
      name: 'addTile',
      what: { cell: 'c0-0', at: 0, tile: tile as never },
    })
    const set = { background: '#ffffff', nightBackground: night }
    return applyEdit(email, { name: 'setBand', what: { id: email.bands[0]!.id, set } })
  }

  test('a dark mark on clear ground goes lost, unless it has a picture for the night', () => {
    const looks = { d: mark(black, clear), e: mark(white, clear) }
    expect(found(pictureAtNight, at(), looks)).toEqual([
      ['mind', 'night', 'The mark goes lost at night: 100 % of its edge'],
    ])
    // Readers that turn colours over do not take it.
    expect(found(pictureAtNight, at({ nightPicture: ref('e') }), looks)).toEqual([
      ['mind', 'night', 'The mark goes lost where a reader turns colours over: 100 % of its edge'],
    ])
    expect(found(pictureAtNight, at(), { d: mark(copper, clear) })).toEqual([])
  })

  test('a light box that melts by day stands out at night; a photograph, and a box seen by day, are left alone', () => {
    const boxed = ['mind', 'night', 'The picture is a #ffffff box at night']
    expect(found(pictureAtNight, at(), { d: mark(copper, white) })).toEqual([boxed])
    const photograph = drawn((x, y) => [x * 6, y * 6, 90])
    expect(found(pictureAtNight, at(), { d: photograph })).toEqual([])
    expect(found(pictureAtNight, at(), { d: mark(copper, [225, 225, 210]) })).toEqual([])
    // Nothing is said of what was not measured.
    expect(found(pictureAtNight, at(), {})).toEqual([])
  })

  test('marks in a row are looked at too, once for all', () => {
    const tile = tileOf('marks', {
      marks: ['d', 'e'].map((id) => ({ picture: ref(id), alt: id, link: '', width: 30 })),
    })
    const email = applyEdit(at({ picture: null }), {
      name: 'addTile',
      what: { cell: 'c0-0', at: 0, tile: { ...tile, id: 'm' } as never },
    })
    expect(found(pictureAtNight, email, { d: mark(black, clear), e: mark(black, clear) })).toHaveLength(1)
  })
})

describe('words over a picture', () => {
  const over = (more: Partial<Email>, band: object = {}): Email => {
    const tile = {
      ...tileOf('words', { text: textOf('Read me'), style: { color: '#ffffff', size: 16 } }),
      id: 't',
    }
    const email = applyEdit(
      { ...longEmail(1), ...more },
      {
        name: 'addTile',
        what: { cell: 'c0-0', at: 0, tile: tile as never },
      },
    )
    return { ...email, bands: [{ ...email.bands[0]!, background: undefined, bleed: undefined, ...band }] }
  }
  const ground = { picture: ref('g'), fit: 'cover', x: 'center', y: 'top' } as const
  const ofTile = (email: Email, look: PictureLook) =>
    found(wordsOnPicture, email, { g: look }).filter(([, , what]) => what!.includes('%'))
  const half = drawn((x) => (x < 20 ? [250, 250, 250] : [10, 10, 30]))
  const dark = drawn(() => [10, 10, 30])

  test('behind the band, and behind the email', () => {
    const inBand = over({}, { picture: { ...ground, across: 'email' } })
    expect(ofTile(inBand, half)[0]).toEqual([
      'mind',
      'compose',
      'On 50 % of the picture behind, contrast is under 4.5',
    ])
    expect(ofTile(over({ behind: ground }), half)[0]![2]).toContain('50 %')
    expect(found(wordsOnPicture, over({ behind: ground }), {})).toEqual([])
  })

  test('a ground between them, and a picture calm enough, are left alone', () => {
    const white = (email: Email, look: PictureLook) =>
      runChecks(
        [wordsOnPicture],
        scopeOf(email, styleOf(house, email.styles), '', 1, () => look),
      ).filter((f) => f.where.tile === 't')
    expect(white(over({ behind: ground }, { background: '#101010' }), half)).toEqual([])
    expect(white(over({ behind: ground }), dark)).toEqual([])
    expect(white(over({ behind: ground }), half)).toHaveLength(1)
  })

  // A light pattern stays where dark words turn white.
  test('a light pattern under dark words, where a reader turns words over', () => {
    const light = drawn(() => [245, 240, 230])
    const email = over({}, { picture: { ...ground, across: 'email' } })
    const [band] = email.bands
    const items = band!.cells[0]!.items.map((t) =>
      t.id === 't' ? { ...t, style: { color: '#222222', size: 16 } } : t,
    )
    const dark = { ...email, bands: [{ ...band!, cells: [{ ...band!.cells[0]!, items: items as never }] }] }
    expect(ofTile(dark, light)[0]).toEqual([
      'mind',
      'night',
      'Fully inverted: on 100 % of the picture behind, contrast is under 4.5',
    ])
  })
})
