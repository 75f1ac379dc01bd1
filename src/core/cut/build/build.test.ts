import { emailSchema } from '../../tiles/document'
import fc from 'fast-check'
import { samples } from '@/test-support/samples'
import sharp from 'sharp'
import { type Cell, type Email } from '../../email/schema'
import { plainOf, textOf, type RichText } from '../../email/richtext'
import { cutsOf } from '../../email/tile'
import { applyEdit } from '../../email/edits'
import { fontStacks } from '../../email/fonts'
import { plainHouseStyle } from '../../email/styles'
import { placesOf, tilesOf } from '../../email/walk'
import { wordsWidth } from '../../email/widths'
import { buildEmail, type BuildInput } from './index'
import { harvest } from '../carry'
import { addCut, mergeCuts, setCut } from '../edits'
import { partCut } from '../parting'
import { contentEdges } from '../content'
import { groundOf } from '../ground'
import { alignmentOf, inkBlocks, readInk } from '../ink'
import { leavesOf, partition } from '../partition'
import { cutKinds, emptyPlan, planSchema, type Cut, type CutPlan } from '../plan'
import type { Raster } from '../raster'

/** A white design of 1200 x 2000 with a blue band and two lines of dark ink, drawn pixel by pixel. */
function drawing(): Raster {
  const width = 1200,
    height = 2000
  const data = new Uint8Array(width * height * 4).fill(255)
  const fill = (x: number, y: number, w: number, h: number, rgb: number[]) => {
    for (let j = y; j < y + h; j++) for (let i = x; i < x + w; i++) data.set(rgb, (j * width + i) * 4)
  }
  fill(0, 600, 1200, 200, [0x12, 0x34, 0x56])
  fill(120, 1000, 800, 30, [0x33, 0x22, 0x11])
  fill(120, 1050, 700, 30, [0x33, 0x22, 0x11])
  return { width, height, data }
}
const raster = drawing()
const cut = (id: string, x: number, y: number, w: number, h: number, more: Partial<Cut> = {}): Cut => ({
  id,
  x,
  y,
  w,
  h,
  kind: 'picture',
  alt: null,
  link: '',
  words: null,
  ground: null,
  ...more,
})
const plan = (...cuts: Cut[]): CutPlan => ({ ...emptyPlan(), cuts })
const picture = (id: string) => ({
  id: id.charCodeAt(0).toString(16).padEnd(64, '0'),
  type: 'image/png' as const,
  width: 1200,
  height: 600,
  bytes: 9,
})
const build = (p: CutPlan, previous: Email | null = null) =>
  buildEmail({
    plan: p,
    size: raster,
    emailWidth: 600,
    previous,
    house: plainHouseStyle(),
    pictures: new Map(p.cuts.filter((c) => c.kind === 'picture').map((c) => [c.id, picture(c.id)])),
    groundOf: (r) => groundOf(raster, r),
    readInk: (r, g) => readInk(raster, r, g),
  } satisfies BuildInput)

const basic = plan(
  cut('a', 0, 0, 1200, 600, { alt: 'Sky', link: 'https://a.example' }),
  cut('b', 0, 600, 1200, 200, { kind: 'flat', ground: '#123456' }),
  cut('c', 0, 940, 1200, 200, { kind: 'words', ground: '#ffffff', words: textOf('One line\n\nand another') }),
  cut('d', 0, 1200, 580, 400),
  cut('e', 620, 1200, 580, 400),
)

test('a panel becomes a cell of its colour with its radius; its dashed border or the strip along its side become the edges of the cell', () => {
  const words = cut('c', 140, 980, 900, 140, { kind: 'words', ground: '#ffffff', words: textOf('One line') })
  const cellOf = (panel: Partial<CutPlan['panels'][number]>) => {
    const { email } = build({
      ...plan(words),
      panels: [{ x: 100, y: 940, w: 1000, h: 240, radius: 16, color: '#ffffff', ...panel }],
    })
    emailSchema.parse(email)
    return email.bands.find((b) => b.cells[0]!.edges)!.cells[0]!
  }
  const line = { width: 2, style: 'dashed', color: '#b4452f' }
  const dashed = cellOf({ borderWidth: 4, borderColor: '#b4452f', borderStyle: 'dashed' })
  expect(dashed).toMatchObject({
    width: 500,
    radius: 8,
    background: '#ffffff',
    edges: { top: line, right: line, bottom: line, left: line },
  })
  const quoted = cellOf({ bar: { side: 'left', width: 12, color: '#ffb300' } })
  expect(quoted.edges).toEqual({ left: { width: 6, style: 'solid', color: '#ffb300' } })
  // What stands in it stays where it was: the edge takes its width off the space beside the words (the ink
  // begins at 120, the panel at 100).
  const left = (c: typeof quoted) => {
    const item = c.items[0]!
    return item.kind === 'row' ? NaN : c.padding.left + item.padding.left
  }
  expect([left(dashed), left(quoted)]).toEqual([
    left(cellOf({ borderWidth: 2, borderColor: '#b4452f' })) - 1,
    left(dashed) - 4,
  ])
})

test('two goods with a name and a price stay beside each other on a phone; with more to read they stack', () => {
  const goods = (said: string) =>
    plan(
      ...[120, 640].flatMap((x, i) => [
        cut(`p${i}`, x, 1200, 440, 300),
        cut(`w${i}`, x, 1520, 300, 30, { kind: 'words', ground: '#ffffff', words: textOf(said) }),
      ]),
    )
  const narrow = (said: string) =>
    build(goods(said)).email.bands.flatMap((b) => (b.cells.length === 2 ? b.narrow : []))
  expect(narrow('Tea bowl, 24 euro')).toEqual(['keep'])
  expect(narrow('A bowl for tea, thrown by hand, in three glazes')).toEqual(['stack'])
})

test('a time and a dot stay beside what happens on a phone, as wide as they are', () => {
  const say = (id: string, x: number, y: number, w: number, text: string) =>
    cut(id, x, y, w, 30, { kind: 'words', ground: '#ffffff', words: textOf(text) })
  const { email } = build(
    plan(
      say('t', 80, 1200, 90, '09:30'),
      cut('d', 240, 1200, 28, 100),
      say('e', 320, 1200, 300, 'Soaking and sorting'),
      say('n', 320, 1250, 300, 'In the yard, boots on'),
    ),
  )
  const [band] = email.bands.filter((b) => b.cells.length === 3)
  expect(band?.narrow).toBe('keep')
  expect(band?.cells.map((c) => c.narrow?.keepsWidth)).toEqual([true, true, undefined])
})

test('statistics stay beside each other on a phone, though what they count is a little wider than their room', () => {
  const say = (id: string, middle: number, y: number, w: number, text: string) =>
    cut(id, middle - w / 2, y, w, y === 1200 ? 56 : 30, {
      kind: 'words',
      ground: '#ffffff',
      words: textOf(text),
    })
  const row = (captions: [string, number]) =>
    build(
      plan(
        ...[200, 600, 1000].flatMap((x, i) => [
          say(`f${i}`, x, 1200, 80, ['12', '480', '3'][i]!),
          say(`c${i}`, x, 1270, captions[1], captions[0]),
        ]),
      ),
    ).email.bands.flatMap((b) => (b.cells.length === 3 ? b.narrow : []))
  expect(row(['nights open', 210])).toEqual(['keep'])
  expect(row(['nights of the year open to all', 290])).toEqual(['stack'])
})

test('an icon over centred words stays in their middle on a phone, wherever its column stands', () => {
  const column = (id: string, x: number, said: string, w: number) => [
    cut(`i${id}`, x - 40, 1200, 80, 80),
    cut(`w${id}`, x - w / 2, 1300, w, 30, {
      kind: 'words',
      ground: '#ffffff',
      words: textOf(said),
      lettering: { size: 15, align: 'center' },
    }),
  ]
  const { email } = build(
    plan(
      ...column('a', 240, 'Choose a size for the bed', 300),
      ...column('b', 600, 'And then a colour of it', 320),
      ...column('c', 930, 'We send it to your door', 300),
    ),
  )
  const [band] = email.bands.filter((b) => b.cells.length === 3)
  const icons = band!.cells.flatMap((c) => c.items.flatMap((t) => (t.kind === 'picture' ? [t] : [])))
  expect([band!.narrow, ...icons.map((t) => t.align)]).toEqual(['stack', 'center', 'center', 'center'])
})

test('columns whose words begin at the left stand apart once stacked, though their middles are evenly apart', () => {
  const column = (id: string, x: number, w: number) => [
    cut(`h${id}`, x, 1200, 130, 44, { kind: 'words', ground: '#ffffff', words: textOf('Coach') }),
    cut(`w${id}`, x, 1256, w, 120, {
      kind: 'words',
      ground: '#ffffff',
      words: textOf('It leaves the square at four and comes back at one and at three.'),
    }),
  ]
  const link = (id: string, x: number) =>
    cut(`l${id}`, x, 1400, 110, 30, {
      kind: 'words',
      ground: '#ffffff',
      words: textOf('See more'),
      link: 'https://a.example',
    })
  const all = [['a', 140, 250] as const, ['b', 470, 254] as const, ['c', 800, 260] as const]
  const { email } = build(plan(...all.flatMap(([id, x, w]) => [...column(id, x, w), link(id, x)])))
  const [band] = email.bands.filter((b) => b.cells.length === 3)
  expect([band!.narrow, band!.gap]).toEqual(['stack', 16])
  // What leads on stands with the words that it belongs to.
  expect(band!.cells.map((c) => cutsOf([...tilesOf({ cells: [c] })].at(-1)!).at(-1))).toEqual([
    'la',
    'lb',
    'lc',
  ])
})

test('a row that stays beside each other keeps from the sides of a phone at its ends, in a box as in a band', () => {
  const say = (id: string, x: number, w: number, text: string, align?: 'right') =>
    cut(id, x, 1320, w, 28, {
      kind: 'words',
      ground: '#ffffff',
      words: textOf(text),
      lettering: { size: 13, align },
    })
  const card = { x: 80, y: 1000, w: 500, h: 400, radius: 20, color: '#ffffff' }
  const { email } = build({
    ...plan(cut('p', 80, 1000, 500, 300), say('h', 120, 90, '7 h 02'), say('f', 460, 80, 'from 29', 'right')),
    panels: [card],
  })
  const row = email.bands.flatMap((b) => b.cells.flatMap((c) => c.items)).find((i) => i.kind === 'row')!
  const sides = row.cells.map((c) => {
    const [item] = c.items
    return item && item.kind !== 'row' ? (item.narrow?.padding ?? item.padding) : null
  })
  expect([row.narrow, sides[0]?.left, sides[0]?.right, sides.at(-1)?.left, sides.at(-1)?.right]).toEqual([
    'keep',
    20,
    0,
    0,
    20,
  ])
})

test('a flat cut at one side is space without sides', () => {
  const { email } = build(
    plan(
      cut('a', 0, 0, 1200, 600),
      cut('f', 80, 640, 90, 46, { kind: 'flat', ground: '#ffffff' }),
      cut('b', 0, 700, 1200, 300),
    ),
  )
  const gaps = email.bands.flatMap((b) => [...tilesOf(b)].filter((t) => t.kind === 'gap'))
  expect(gaps.map((t) => [t.padding.left, t.padding.right])).toEqual(gaps.map(() => [0, 0]))
  expect(gaps.length).toBeGreaterThan(0)
})

test('a line of short words is one on a phone, each in a cell that has room for it; what is too long for that stacks', () => {
  const say = (id: string, x: number, w: number, text: string) =>
    cut(id, x, 1200, w, 28, {
      kind: 'words',
      ground: '#ffffff',
      words: textOf(text),
      lettering: { size: 13 },
    })
  const lines = (title: string) =>
    build(
      plan(say('n', 72, 90, 'No. 208'), say('d', 470, 260, title), say('f', 1076, 52, 'Free')),
    ).email.bands.filter((b) => b.cells.length === 3)
  const [line] = lines('Sunday, 3 November')
  expect(line!.narrow).toBe('keep')
  const total = line!.cells.reduce((sum, c) => sum + c.width, 0)
  const room = line!.cells.map((c) => (335 * c.width) / total)
  const needs = ['No. 208', 'Sunday, 3 November', 'Free'].map((t) => wordsWidth(t, fontStacks.sans, 13))
  needs.forEach((need, i) => expect(room[i]).toBeGreaterThan(need))
  // Ticks in a row keep their cells' widths on phones: beside them a name has no room.
  const ticks = build(
    plan(say('n', 72, 160, 'Documents'), cut('a', 470, 1200, 28, 28), cut('b', 1076, 1200, 28, 28)),
  ).email.bands.filter((b) => b.cells.length === 3)
  expect(ticks.map((b) => b.narrow)).toEqual(['stack'])
  const [long] = lines('Sunday, the third of November, and the day after it')
  expect(long!.narrow).toBe('stack')
})

test('the label of a button beside another is one line in it, also where its letters run wider here than drawn', () => {
  const button = (id: string, x: number, w: number, label: string) =>
    cut(id, x, 1200, w, 96, {
      kind: 'button',
      ground: '#ffffff',
      words: textOf(label),
      // As reading them gives it: as tall as 17 px, drawn in a condensed face.
      lettering: { size: 17, bold: true },
      box: { background: '#1d3557', radius: 20 },
    })
  const { email } = build(
    plan(button('a', 86, 281, 'Buy tickets'), button('b', 395, 180, 'See the line-up tonight')),
  )
  const made = email.bands.flatMap((b) =>
    [...tilesOf(b)].flatMap((t) => (t.kind === 'button' ? [{ label: t.label, ...t.style }] : [])),
  )
  const widths = made.map(
    ({ label, size, bold, padX }) => wordsWidth(label, fontStacks.sans, size!, { bold }) + 2 * padX!,
  )
  expect(widths[0]).toBeLessThanOrEqual(140.5)
  expect(widths[0]).toBeGreaterThan(135)
  expect(made[0]!.size).toBe(17)
  // Where there is no room for its letters they are smaller, down to what can be read.
  expect(made[1]!.size).toBe(11)
})

test('two prices under one picture belong to it: name, prices and button stack with it', () => {
  const parts = [100, 640].flatMap((x, i) => [
    cut(`p${i}`, x, 200, 440, 300),
    cut(`n${i}`, x, 520, 200, 30, { kind: 'words' }),
    cut(`x${i}`, x, 600, 60, 24, { kind: 'words' }),
    ...(i ? [cut('old', x + 80, 600, 60, 24, { kind: 'words' })] : []),
    cut(`b${i}`, x, 660, 180, 60, { kind: 'button' }),
  ])
  const layout = partition(parts)
  expect(layout.kind).toBe('columns')
  if (layout.kind !== 'columns') return
  const ids = layout.parts.map((p) => leavesOf(p).map((c) => c.id))
  expect(ids).toEqual([
    ['p0', 'n0', 'x0', 'b0'],
    ['p1', 'n1', 'x1', 'old', 'b1'],
  ])
})

test('cuts become bands, cells and tiles at their measured places', () => {
  const { email } = build(basic)
  emailSchema.parse(email)
  expect(email.bands.map((b) => [b.id, b.cells.length, b.background])).toEqual([
    ['b-a', 1, '#ffffff'],
    ['b-b', 1, '#123456'],
    ['b-c', 1, '#ffffff'],
    ['b-d', 2, '#ffffff'],
  ])
  const [a, b, c, d] = email.bands
  expect([...tilesOf(a!)][0]).toMatchObject({
    kind: 'picture',
    alt: 'Sky',
    link: 'https://a.example',
    width: 600,
  })
  expect([...tilesOf(b!)][0]).toMatchObject({ kind: 'gap', height: 100 })
  expect([...tilesOf(c!)][0]).toMatchObject({
    kind: 'words',
    align: 'left',
    style: { color: '#332211' },
  })
  // Letters stand a little in from where their line begins.
  expect(Math.abs(c!.padding.left + [...tilesOf(c!)][0]!.padding.left - 60)).toBeLessThanOrEqual(1)
  expect([d!.gap, d!.cells.map((x) => x.width)]).toEqual([20, [290, 290]])
})

test('what no cut covers becomes the padding of the neighbour of its colour', () => {
  const { email } = build(basic)
  const [, , c, d] = email.bands
  // 800 to 940 above the words, their line box begins at the ink; 1090 to 1200 under them; 1600 to 2000
  // below: halved, since the design is double.
  expect([c!.padding.top, c!.padding.bottom, d!.padding.bottom]).toEqual([70, 55, 200])
})

test('phones get a part of their own; one chosen in Compose stays until the cut has one, and one from the cut goes with it', () => {
  const narrow = { of: 'wide' as const, x: 0, y: 0, w: 600, h: 600 }
  const of = (p: CutPlan, previous: Email | null) =>
    buildEmail({
      plan: p,
      size: raster,
      emailWidth: 600,
      previous,
      house: plainHouseStyle(),
      pictures: new Map([['a', picture('a')]]),
      narrowPictures: new Map([['a', picture('n')]]),
      groundOf: (r) => groundOf(raster, r),
      readInk: (r, g) => readInk(raster, r, g),
    })
  const shown = (e: Email) => {
    const t = [...placesOf(e)].find((p) => p.tile.id === 't-a')!.tile
    return t.kind === 'picture' ? t.narrowPicture?.id : null
  }
  const first = of(plan(cut('a', 0, 0, 1200, 600)), null)
  expect(shown(first.email)).toBeUndefined()
  const byHand = applyEdit(first.email, {
    name: 'setTile',
    what: { id: 't-a', kind: 'picture', set: { narrowPicture: picture('h') } },
  })
  const again = of(first.plan, byHand)
  expect(shown(again.email)).toBe(picture('h').id)
  const fromCut = of(setCut(again.plan, 'a', { narrow }), again.email)
  emailSchema.parse(fromCut.email)
  expect(shown(fromCut.email)).toBe(picture('n').id)
  expect(shown(of(setCut(fromCut.plan, 'a', { narrow: undefined }), fromCut.email).email)).toBeUndefined()
})

test('a look set by hand stays with its thing: what was parted from it meanwhile is looked at anew', () => {
  const first = build(basic)
  const email = applyEdit(first.email, {
    name: 'setTile',
    what: { id: 't-c', kind: 'words', set: { style: { size: 41 } } },
  })
  const sizeOf = (p: CutPlan) => {
    const tile = [...placesOf(build(p, email).email)].find((x) => x.tile.id === 't-c')!.tile
    return tile.kind === 'words' ? tile.style?.size : null
  }
  const c = first.plan.cuts.find((x) => x.id === 'c')!
  const moved = {
    ...first.plan,
    cuts: first.plan.cuts.map((x) => (x.id === 'c' ? { ...x, y: x.y + 4, h: x.h - 8 } : x)),
  }
  expect(sizeOf(moved)).toBe(41)
  expect(sizeOf(partCut(first.plan, 'c', 'across', c.y + Math.round(c.h / 3), [], () => 'c2'))).not.toBe(41)
})

test('built again, it keeps words, alt texts and links, wherever they were written last', () => {
  const first = build(basic)
  let email = applyEdit(first.email, {
    name: 'setTile',
    what: { id: 't-a', kind: 'picture', set: { alt: 'A wide sky' } },
  })
  email = applyEdit(email, {
    name: 'setTile',
    what: { id: 't-c', kind: 'words', set: { text: textOf('Written in the lens'), style: { size: 21 } } },
  })
  email = applyEdit(email, {
    name: 'addTile',
    what: {
      cell: 'c-c',
      at: 1,
      tile: {
        id: 'mine',
        kind: 'button',
        label: 'Go',
        link: 'https://go.example',
        align: 'left',
        fullNarrow: true,
        show: 'all',
        padding: { top: 0, right: 0, bottom: 0, left: 0 },
      },
    },
  })
  email = applyEdit(email, { name: 'setBand', what: { id: 'b-c', set: { name: 'My words' } } })
  // Meanwhile in Cut: the link of a, the place of c, and e is gone.
  const changed = {
    ...setCut(first.plan, 'a', { link: 'https://new.example' }),
    cuts: setCut(first.plan, 'a', { link: 'https://new.example' })
      .cuts.filter((x) => x.id !== 'e')
      .map((x) => (x.id === 'c' ? { ...x, y: 900, h: 240 } : x)),
  }
  const second = build(changed, email)
  emailSchema.parse(second.email)
  const tile = (id: string) => [...placesOf(second.email)].find((p) => p.tile.id === id)?.tile
  expect(tile('t-a')).toMatchObject({ alt: 'A wide sky', link: 'https://new.example' })
  expect(tile('t-c')).toMatchObject({ style: { size: 21 } })
  expect(tile('t-c')).toMatchObject({ text: textOf('Written in the lens') })
  expect(tile('mine')).toBeDefined()
  expect(tile('t-e')).toBeUndefined()
  expect(second.email.bands.find((b) => b.id === 'b-c')?.name).toBe('My words')
  expect(second.plan.cuts.find((x) => x.id === 'c')?.words).toEqual(textOf('Written in the lens'))
})

test('nothing changed, nothing changes', () => {
  const first = build(basic)
  expect(build(first.plan, first.email).email).toEqual(first.email)
})

test('a change of mind about a cut loses none of its words', () => {
  const first = build(basic)
  const written = applyEdit(first.email, {
    name: 'setTile',
    what: { id: 't-c', kind: 'words', set: { text: textOf('Precious') } },
  })
  const asPicture = build(setCut(harvest(first.plan, written), 'c', { kind: 'picture' }), written)
  const back = build(setCut(asPicture.plan, 'c', { kind: 'words' }), asPicture.email)
  expect([...placesOf(back.email)].find((p) => p.tile.id === 't-c')!.tile).toMatchObject({
    text: textOf('Precious'),
  })
})

test('what was written last prevails when it was written on one side only', () => {
  const first = build(basic)
  const written = applyEdit(first.email, {
    name: 'setTile',
    what: { id: 't-a', kind: 'picture', set: { alt: 'From the lens' } },
  })
  const harvested = harvest(first.plan, written)
  const again = harvest(
    harvested,
    applyEdit(written, { name: 'setTile', what: { id: 't-a', kind: 'picture', set: { alt: 'Once more' } } }),
  )
  expect(again.cuts[0]!.alt).toBe('Once more')
  expect(harvest(setCut(first.plan, 'a', { alt: 'From Cut' }), written).cuts[0]!.alt).toBe('From Cut')
})

test('what was deleted in the email stays deleted, and what took its place stays, until the cut changes', () => {
  const first = build(basic)
  let email = applyEdit(first.email, { name: 'removeTile', what: { id: 't-b' } })
  email = applyEdit(email, {
    name: 'addTile',
    what: {
      cell: 'c-b',
      at: 0,
      tile: {
        id: 'mine',
        kind: 'gap',
        height: 7,
        show: 'all',
        padding: { top: 0, right: 0, bottom: 0, left: 0 },
      },
    },
  })
  email = applyEdit(email, { name: 'removeBand', what: { id: 'b-a' } })
  const again = build(first.plan, email)
  expect(again.email).toEqual(email)
  expect(again.notes).toEqual([expect.stringContaining('2 cuts stay out')])
  const moved = build(
    { ...again.plan, cuts: again.plan.cuts.map((c) => (c.id === 'a' ? { ...c, h: 590 } : c)) },
    email,
  )
  expect(moved.email.bands[0]).toMatchObject({ id: 'b-a' })
})

test('bands made by hand stay where they were, also after cuts are merged', () => {
  const first = build(basic)
  const own = {
    ...first.email.bands[0]!,
    id: 'own',
    name: 'Mine',
    cells: [{ ...first.email.bands[0]!.cells[0]!, id: 'own-c', items: [] }],
  }
  const email = applyEdit(first.email, { name: 'addBand', what: { band: own, at: 2 } })
  const merged = build(mergeCuts(first.plan, ['d', 'e']), email)
  expect(merged.email.bands.map((b) => b.id)).toEqual(['b-a', 'b-b', 'own', 'b-c', 'b-d'])
})

test('layouts that straight lines part are parted; interlocking ones are told', () => {
  expect(partition([cut('a', 0, 0, 10, 5), cut('b', 0, 5, 5, 5), cut('c', 5, 5, 5, 5)])).toMatchObject({
    kind: 'rows',
    parts: [{ kind: 'leaf' }, { kind: 'columns' }],
  })
  const pinwheel = [
    cut('a', 0, 0, 800, 400),
    cut('b', 800, 0, 400, 800),
    cut('c', 400, 800, 800, 400),
    cut('d', 0, 400, 400, 800),
    cut('e', 400, 400, 400, 400),
  ]
  expect(partition(pinwheel).kind).toBe('knot')
  // What stands on a panel stays together; a picture of the whole panel needs none under it, and one that a
  // cut reaches out of is left aside.
  const panel = { x: 0, y: 0, w: 10, h: 20 }
  expect(
    partition([cut('a', 1, 1, 8, 5), cut('b', 1, 8, 8, 5), cut('c', 20, 0, 10, 20)], [panel]),
  ).toMatchObject({
    kind: 'columns',
    parts: [{ kind: 'panel', box: panel, inner: { kind: 'rows' } }, { kind: 'leaf' }],
  })
  expect(partition([cut('a', 0, 0, 10, 20), cut('c', 20, 0, 10, 20)], [panel])).toMatchObject({
    kind: 'columns',
    parts: [{ kind: 'leaf' }, { kind: 'leaf' }],
  })
  expect(partition([cut('a', 1, 1, 18, 5), cut('b', 1, 8, 8, 5)], [panel])).toMatchObject({
    kind: 'rows',
    parts: [{ kind: 'leaf' }, { kind: 'leaf' }],
  })
  expect(build(plan(...pinwheel)).notes[0]).toMatch(/5 cuts interlock/)
})

test('pictures side by side with words under them become columns, so that a phone shows each picture with its words', () => {
  const pair = (y: number, kind: 'picture' | 'words', id: string) => [
    cut(`${id}1`, 90, y, 500, 200, { kind, words: kind === 'words' ? textOf('One') : null }),
    cut(`${id}2`, 610, y, 500, 200, { kind, words: kind === 'words' ? textOf('Two') : null }),
  ]
  const { email } = build(
    plan(
      ...pair(1000, 'picture', 'p'),
      ...pair(1210, 'words', 'w'),
      ...pair(1450, 'picture', 'q'),
      ...pair(1660, 'words', 'x'),
    ),
  )
  expect(email.bands.map((b) => b.cells.map((c) => c.items.map((i) => i.id)))).toEqual([
    [
      ['t-p1', 't-w1'],
      ['t-p2', 't-w2'],
    ],
    [
      ['t-q1', 't-x1'],
      ['t-q2', 't-x2'],
    ],
  ])
})

test('the ground is the commonest colour of the edge, exactly, and says how flat it is', () => {
  expect(groundOf(raster, { x: 0, y: 600, w: 1200, h: 200 })).toEqual({ color: '#123456', share: 1 })
  expect(groundOf(raster, { x: 0, y: 500, w: 1200, h: 300 }).share).toBeLessThan(0.7)
})

test('ink is read as lines, blocks and a colour', () => {
  const ink = readInk(raster, { x: 0, y: 900, w: 1200, h: 300 }, '#ffffff')
  expect(ink).toMatchObject({
    color: '#332211',
    lines: [
      { x: 120, y: 1000, w: 800, h: 30, base: 1030 },
      { x: 120, y: 1050, w: 700, h: 30, base: 1080 },
    ],
  })
  expect(inkBlocks(ink.lines)).toMatchObject([{ pitch: 50 }])
  expect(
    inkBlocks([...ink.lines, { ...ink.lines[0]!, y: 1200, w: 500, h: 70, base: 1270, small: 70, tall: 70 }]),
  ).toHaveLength(2)
  expect(alignmentOf(ink.lines, { x: 0, w: 1200 })).toBe('left')
  expect(
    alignmentOf(
      [
        { x: 200, w: 800 },
        { x: 300, w: 600 },
      ],
      { x: 0, w: 1200 },
    ),
  ).toBe('center')
  expect(
    alignmentOf(
      [
        { x: 200, w: 900 },
        { x: 300, w: 800 },
      ],
      { x: 0, w: 1200 },
    ),
  ).toBe('right')
})

test('what a band is too high for whole px, the next makes good: heights do not drift apart from the design', () => {
  // Each band and each space between is an odd number of design px, half a px of the email too much.
  const step = 101 + 33
  const cuts = Array.from({ length: 14 }, (_, i) =>
    cut(String.fromCharCode(97 + i), 0, 17 + i * step, 1200, 101),
  )
  const { email } = buildEmail({
    plan: { ...plan(...cuts), edges: cuts.slice(1).map((c) => c.y - 17) },
    size: raster,
    emailWidth: 600,
    previous: null,
    house: plainHouseStyle(),
    pictures: new Map(cuts.map((c) => [c.id, { ...picture(c.id), width: 1200, height: 101 }])),
    groundOf: (r) => groundOf(raster, r),
    readInk: (r, g) => readInk(raster, r, g),
  })
  const heights = email.bands.map((band) => {
    const [tile] = [...tilesOf(band)]
    const shown = tile?.kind === 'picture' ? ((tile.width ?? 600) * 101) / 1200 : 0
    return band.padding.top + shown + band.padding.bottom
  })
  expect(heights).toHaveLength(14)
  let y = 0
  heights.forEach((h, i) => {
    y += h
    const end = i < 13 ? cuts[i + 1]!.y - 17 : raster.height
    expect(Math.abs(y - end / 2)).toBeLessThan(1)
  })
})

describe('how letters are set is told from the pixels, with the words known', () => {
  const drawn = async (body: string) => {
    const { data, info } = await sharp(
      Buffer.from(
        `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="400" viewBox="0 0 600 200" font-family="Arimo, Arial"><rect width="600" height="200" fill="#ffffff"/>${body}</svg>`,
      ),
    )
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true })
    return { width: info.width, height: info.height, data }
  }
  const allOfDrawn = async (body: string, cuts: Cut[]) => {
    const r = await drawn(body)
    const { email } = buildEmail({
      plan: plan(...cuts),
      size: r,
      emailWidth: 600,
      previous: null,
      house: plainHouseStyle(),
      pictures: new Map(),
      groundOf: (x) => groundOf(r, x),
      readInk: (x, g) => readInk(r, x, g),
    })
    emailSchema.parse(email)
    return [...placesOf(email)].map(({ tile }) => tile)
  }
  const tilesOfDrawn = async (body: string, cuts: Cut[]) =>
    (await allOfDrawn(body, cuts)).flatMap((tile) => (tile.kind === 'words' ? [tile] : []))
  const words = (id: string, x: number, y: number, w: number, h: number, said: string) =>
    cut(id, x, y, w, h, { kind: 'words', ground: '#ffffff', words: textOf(said) })

  test('capitals set wide keep their spacing; the line under a link is none of its letters', async () => {
    const [title, link] = await tilesOfDrawn(
      '<text x="300" y="60" text-anchor="middle" font-size="28" font-weight="700" letter-spacing="7">VESPER</text><text x="40" y="140" font-size="15" font-weight="700" text-decoration="underline">About the players</text>',
      [words('a', 0, 60, 1200, 90, 'VESPER'), words('b', 80, 250, 290, 44, 'About the players')],
    )
    expect(Math.abs(title!.style!.spacing! - 7)).toBeLessThanOrEqual(1)
    expect(title!.align).toBe('center')
    expect([
      Math.abs(title!.style!.size! - 28) <= 1,
      Math.abs(link!.style!.size! - 15) <= 1,
      link!.style!.bold,
      link!.style!.spacing,
    ]).toEqual([true, true, true, undefined])
  })

  test('a heading and its words in one cut: each line lies where the design has it', async () => {
    const said =
      'A night of three moons\n\nThe dome opens at nine and closes late, and the path is lit until midnight.'
    const [tile] = await tilesOfDrawn(
      '<text x="40" y="70" font-size="32" font-weight="700">A night of three moons</text><text x="40" y="120" font-size="16">The dome opens at nine and closes late, and the</text><text x="40" y="145" font-size="16">path is lit until midnight.</text>',
      [words('a', 60, 0, 1000, 310, said)],
    )
    const { padding, style, headings, text } = tile!
    expect(text.content.map((block) => block.type)).toEqual(['heading', 'paragraph'])
    // Baseline in a line: half its leading, then the ascent (CSS 2.2, 10.8.1); 0.693: what Arial rises above its middle, twice.
    const down = ({ size = 0, line = 0 }: { size?: number; line?: number }) => (line + size * 0.693) / 2
    const space = (text.content[0] as { attrs?: { space?: number } }).attrs!.space!
    const first = padding.top + down(headings!)
    const second = padding.top + headings!.line! + space + down(style!)
    expect(Math.abs(first - 70)).toBeLessThanOrEqual(1)
    expect(Math.abs(second - 120)).toBeLessThanOrEqual(1)
    expect(style!.line).toBe(25)
  })

  test('a row that stands out in a table keeps its ground, ink and weight; letters are those of the others', async () => {
    const rows = [
      ['1', 'Harriers', '28'],
      ['2', 'Fleetwood', '26'],
      ['3', 'Formby', '21'],
      ['4', 'Crosby', '12'],
    ]
    const at = [60, 140, 520]
    const body = rows
      .map((row, r) =>
        row
          .map(
            (said, c) =>
              `<text x="${at[c]}" y="${60 + 40 * r}" font-size="15" ${r !== 1 ? 'fill="#223"' : 'font-weight="700" fill="#8a1c00"'}>${said}</text>`,
          )
          .join(''),
      )
      .join('')
    const made = await allOfDrawn(
      `<rect x="40" y="74" width="520" height="40" fill="#ffe27a"/>${body}`,
      rows.flatMap((row, r) =>
        row.map((said, c) => ({
          ...words(`w${r}${c}`, 2 * at[c]!, 2 * (46 + 40 * r), 20 * said.length, 36, said),
          ground: r === 1 ? '#ffe27a' : '#ffffff',
        })),
      ),
    )
    const [table] = made.flatMap((t) => (t.kind === 'table' ? [t] : []))
    expect(table!.rows).toEqual(rows)
    expect(table!.rowLooks).toEqual([
      { row: 1, background: '#ffe27a', color: expect.stringMatching(/^#8/), bold: true },
    ])
    expect(table!.style!.bold).toBe(false)
    expect(table!.style!.color).toMatch(/^#2/)
  })

  test('figures of a row are set alike, whatever each of them measures; names and their prices are rows of one table', async () => {
    const figure = (x: number, n: string) =>
      `<text x="${x}" y="60" text-anchor="middle" font-size="30" font-weight="700">${n}</text>`
    const made = await allOfDrawn(
      `${figure(80, '8')}${figure(230, '31')}${figure(380, '220')}${figure(530, '0')}<text x="40" y="130" font-size="15">Single evening</text><text x="560" y="130" text-anchor="end" font-size="15">€ 24</text><text x="40" y="170" font-size="15">All eight evenings</text><text x="560" y="170" text-anchor="end" font-size="15">€ 140</text>`,
      [
        ...[
          [80, '8'],
          [230, '31'],
          [380, '220'],
          [530, '0'],
        ].map(([x, n], i) => words(`f${i}`, 2 * Number(x) - 80, 60, 160, 80, String(n))),
        words('a', 80, 230, 220, 44, 'Single evening'),
        words('b', 1050, 230, 70, 44, '€ 24'),
        words('c', 80, 310, 260, 44, 'All eight evenings'),
        words('d', 1030, 310, 90, 44, '€ 140'),
      ],
    )
    const of = (id: string) => made.flatMap((t) => (t.cut === id && t.kind === 'words' ? [t] : []))[0]!
    const figures = ['f0', 'f1', 'f2', 'f3'].map((id) => of(id).style!)
    expect([
      new Set(figures.map((s) => s.size)).size,
      Math.abs(figures[0]!.size! - 30) <= 1,
      figures.every((s) => s.bold),
    ]).toEqual([1, true, true])
    const bill = made.flatMap((t) => (t.kind === 'table' ? [t] : []))[0]!
    expect(bill.rows).toEqual([
      ['Single evening', '€ 24'],
      ['All eight evenings', '€ 140'],
    ])
    expect(bill.columns.map((c) => c.align)).toEqual(['left', 'right'])
    expect([bill.headRow, bill.compact]).toEqual([false, 'whole'])
  })

  test('the sum of a bill is a row of its own that stays one line on a phone; a caption beside a link is none', async () => {
    const line = (y: number, name: string, price: string) =>
      `<text x="40" y="${y}" font-size="16" font-weight="700">${name}</text><text x="560" y="${y}" text-anchor="end" font-size="16" font-weight="700">${price}</text>`
    const [bill] = await allOfDrawn(line(60, 'To pay', '48.00'), [
      words('a', 80, 88, 120, 44, 'To pay'),
      words('b', 1010, 88, 110, 44, '48.00'),
    ])
    expect(bill).toMatchObject({
      kind: 'table',
      rows: [['To pay', '48.00']],
      columns: [{ align: 'left' }, { align: 'right' }],
      style: { bold: true },
      compact: 'whole',
    })
    const others = await allOfDrawn(line(60, 'To pay', 'Read on'), [
      words('a', 80, 88, 120, 44, 'To pay'),
      words('b', 1000, 88, 120, 44, 'Read on'),
    ])
    expect(others.map((t) => t.kind)).toEqual(['words', 'words'])
  })
})

test('clean edges are where content begins and ends', () => {
  expect(contentEdges(raster, { x: 0, y: 900, w: 1200, h: 300 })).toEqual({
    x: [120, 920],
    y: [1000, 1030, 1050, 1080],
  })
  expect(contentEdges(raster, { x: 0, y: 0, w: 1200, h: 700 })).toEqual({ x: [], y: [] })
})

test('whatever is cut, what is built is a whole email, with every cut in it once', () => {
  const size = { width: 1200, height: 6000 }
  const rect = fc.record({
    x: fc.integer({ min: 0, max: 1190 }),
    y: fc.integer({ min: 0, max: 5990 }),
    w: fc.integer({ min: 4, max: 1200 }),
    h: fc.integer({ min: 4, max: 2500 }),
    kind: fc.constantFrom(...cutKinds),
  })
  // Few columns of many cuts, as rows of icons and tables are, come about seldom by chance.
  const rows = fc
    .tuple(fc.integer({ min: 2, max: 12 }), fc.integer({ min: 0, max: 5000 }), fc.constantFrom(...cutKinds))
    .map(([n, y, kind]) =>
      Array.from({ length: n }, (_, i) => ({
        x: Math.floor((i * 1200) / n) + 4,
        y,
        w: Math.floor(1200 / n) - 8,
        h: 90,
        kind,
      })),
    )
  fc.assert(
    fc.property(
      fc.array(rect, { minLength: 1, maxLength: 9 }),
      fc.array(rows, { maxLength: 2 }),
      fc.uniqueArray(fc.integer({ min: 1, max: 5999 }), { maxLength: 4 }),
      fc.constantFrom(320, 600, 900),
      fc.array(rect, { maxLength: 4 }),
      (rects, more, edges, emailWidth, boxes) => {
        const panels = boxes.map(({ kind, ...r }): CutPlan['panels'][number] => ({
          ...r,
          w: Math.min(r.w, 1200 - r.x),
          radius: 8,
          color: '#eeeeee',
          ...(kind === 'words'
            ? { borderWidth: 2, borderStyle: 'dashed' }
            : kind === 'rule'
              ? { bar: { side: 'left', width: 9, color: '#123456' } }
              : {}),
        }))
        let p: CutPlan = { ...emptyPlan(), edges: edges.sort((a, b) => a - b), panels },
          n = 0
        for (const r of [...rects, ...more.flat()]) p = addCut(p, r, size, r.kind, () => `c${n++}`).plan
        // Every third was not read.
        const read = (c: Cut, i: number) => (i % 3 ? { ...c, words: textOf('Said here') } : c)
        p = { ...p, cuts: p.cuts.map(read) }
        const { email, plan: after } = buildEmail({
          plan: p,
          size,
          emailWidth,
          previous: null,
          house: plainHouseStyle(),
          pictures: new Map(p.cuts.map((c) => [c.id, picture('a')])),
          groundOf: () => ({ color: '#ffffff', share: 1 }),
          readInk: (r) => ({
            color: '#222222',
            lines:
              r.h > 40
                ? [
                    {
                      x: r.x + 2,
                      y: r.y + 4,
                      w: Math.max(1, r.w - 4),
                      h: 24,
                      base: r.y + 24,
                      small: 12,
                      tall: 20,
                      contrast: 0.8,
                      under: false,
                      slant: 0,
                      stroke: 0.2,
                      word: 20,
                      gap: 2,
                    },
                  ]
                : [],
          }),
        })
        expect(emailSchema.safeParse(email).error).toBeUndefined()
        expect(planSchema.safeParse(after).error).toBeUndefined()
        // Nothing shares an id, or its width would be that of the other.
        const ids: string[] = []
        const visit = (c: Cell) => {
          ids.push(c.id)
          for (const i of c.items) {
            ids.push(i.id)
            if (i.kind === 'row') i.cells.forEach(visit)
          }
        }
        for (const b of email.bands) {
          ids.push(b.id)
          b.cells.forEach(visit)
        }
        expect(ids).toHaveLength(new Set(ids).size)
        const shown = [...new Set([...placesOf(email)].flatMap(({ tile }) => cutsOf(tile)))]
        expect(shown.sort()).toEqual(
          p.cuts
            .filter((c) => c.kind !== 'nothing')
            .map((c) => c.id)
            .sort(),
        )
      },
    ),
    {
      numRuns: samples(300),
      // Words so far apart that no one text could say it: they stay two.
      examples: [
        // A box in a box, hardly larger than what it holds.
        [
          [
            { x: 15, y: 3, w: 4, h: 4, kind: 'picture' },
            { x: 0, y: 0, w: 4, h: 4, kind: 'picture' },
          ],
          [],
          [],
          320,
          [
            { x: 16, y: 3, w: 4, h: 5, kind: 'picture' },
            { x: 0, y: 4, w: 76, h: 4, kind: 'picture' },
          ],
        ],
        [
          [
            { x: 0, y: 0, w: 4, h: 4, kind: 'picture' },
            { x: 0, y: 330, w: 4, h: 41, kind: 'words' },
            { x: 0, y: 0, w: 4, h: 8, kind: 'picture' },
            { x: 0, y: 16, w: 4, h: 41, kind: 'words' },
            { x: 0, y: 0, w: 4, h: 12, kind: 'picture' },
            { x: 0, y: 0, w: 4, h: 16, kind: 'picture' },
          ],
          [],
          [],
          900,
          [{ x: 0, y: 0, w: 12, h: 370, kind: 'picture' }],
        ],
      ],
    },
  )
})

test('words with a line under them get one; what the person made of them afterwards stays', () => {
  const words = cut('c', 140, 980, 900, 60, {
    kind: 'words',
    ground: '#ffffff',
    words: textOf('Leave the list'),
  })
  const read = (p: CutPlan, previous: Email | null) =>
    buildEmail({
      plan: p,
      size: raster,
      emailWidth: 600,
      previous,
      house: plainHouseStyle(),
      pictures: new Map(),
      groundOf: () => ({ color: '#ffffff', share: 1 }),
      readInk: () => ({
        color: '#222222',
        lines: [
          {
            x: 142,
            y: 990,
            w: 190,
            h: 34,
            base: 1020,
            small: 16.6,
            tall: 23,
            contrast: 0.8,
            under: true,
            slant: 0,
            stroke: 0.2,
            word: 90,
            gap: 2,
          },
        ],
      }),
    })
  const first = read(plan(words), null)
  const marksOf = (e: Email) =>
    e.bands
      .flatMap((b) => [...tilesOf(b)])
      .flatMap((t) =>
        t.kind === 'words' && t.text.content[0]!.type === 'paragraph'
          ? t.text.content[0]!.content!.map((r) => r.marks ?? [])
          : [],
      )
  expect(marksOf(first.email)).toEqual([[{ type: 'underline' }]])
  expect(marksOf(read(first.plan, first.email).email)).toEqual([[{ type: 'underline' }]])
  const tile = first.email.bands.flatMap((b) => [...tilesOf(b)]).find((t) => t.kind === 'words')!
  const plain = applyEdit(first.email, {
    name: 'setTile',
    what: { id: tile.id, kind: 'words', set: { text: textOf('Leave the list') } },
  })
  expect(marksOf(read(first.plan, plain).email)).toEqual([[]])
})

describe('cuts that mean one thing become one tile', () => {
  const said = (id: string, x: number, y: number, words: string, more: Partial<Cut> = {}) =>
    cut(id, x, y, 160, 30, { kind: 'words', words: textOf(words), ground: '#ffffff', ...more })
  const rows = [
    ['Train', 'Leaves', 'Arrives'],
    ['Night', '21:40', '07:55'],
    ['Day', '09:12', '16:48'],
  ]
  const cells = rows.flatMap((r, i) => r.map((s, k) => said(`w${i}${k}`, 120 + k * 300, 1200 + i * 100, s)))
  const rules = [0, 1].map((i) => cut(`r${i}`, 100, 1264 + i * 100, 1000, 2, { kind: 'rule' }))
  const icons = [0, 1, 2].map((i) => cut(`i${i}`, 470 + i * 100, 1700, 60, 60, { alt: `Icon ${i}` }))
  const whole = plan(...cells, ...rules, ...icons)
  const tilesIn = (e: Email) => [...placesOf(e)].map((p) => p.tile)

  test('words in common columns and rows are a table, small pictures in a row are marks; nothing of them is left out', () => {
    const { email, notes } = build(whole)
    emailSchema.parse(email)
    expect(tilesIn(email).map((t) => t.kind)).toEqual(['table', 'marks'])
    expect(tilesIn(email)[0]).toMatchObject({ rows, compact: 'whole', edgeBetween: true })
    expect(tilesIn(email)[1]).toMatchObject({
      align: 'center',
      gap: 20,
      marks: [0, 1, 2].map((i) => ({ alt: `Icon ${i}`, width: 30 })),
    })
    expect(notes).toEqual([])
  })

  test('what stands as tiles of its own already stays so when it is built again', () => {
    const linked = build(
      plan(...cells.map((c) => (c.id === 'w11' ? { ...c, link: 'https://a.example' } : c))),
    )
    const styled = applyEdit(linked.email, {
      name: 'setTile',
      what: { id: 't-w00', kind: 'words', set: { style: { size: 31 } } },
    })
    const free = setCut(linked.plan, 'w11', { link: '' })
    const again = tilesIn(build(free, styled).email)
    expect(again.map((t) => t.kind)).not.toContain('table')
    expect(again.find((t) => cutsOf(t).includes('w00'))).toMatchObject({ style: { size: 31 } })
  })

  test('what leads somewhere is no cell of a table; entries of a menu keep where their words lead', () => {
    const linked = cells.map((c) => (c.id === 'w11' ? { ...c, link: 'https://a.example' } : c))
    const { email } = build(plan(...linked))
    expect(tilesIn(email).map((t) => t.kind)).not.toContain('table')
    expect(
      tilesIn(email)
        .flatMap((t) => cutsOf(t))
        .sort(),
    ).toEqual(cells.map((c) => c.id).sort())
    const to: RichText = {
      type: 'doc',
      content: [
        {
          type: 'paragraph',
          content: [
            { type: 'text', text: 'Visit', marks: [{ type: 'link', attrs: { href: 'https://b.example' } }] },
          ],
        },
      ],
    }
    const entries = [
      said('m0', 200, 1200, 'Nights', { link: 'https://a.example' }),
      said('m1', 520, 1200, 'Visit', { words: to }),
      said('m2', 840, 1200, 'Map'),
    ]
    const [menu] = tilesIn(build(plan(...entries)).email)
    expect(menu).toMatchObject({
      kind: 'menu',
      items: [
        { label: 'Nights', link: 'https://a.example' },
        { label: 'Visit', link: 'https://b.example' },
        { label: 'Map', link: '' },
      ],
    })
  })

  test('built again, a cell, an alt text or a look changed in the email stays, and comes back to its cut', () => {
    const first = build(whole)
    const changed = tilesIn(first.email).reduce((e, tile) => {
      if (tile.kind === 'table') {
        const next = tile.rows.map((r, i) => (i === 1 ? [r[0]!, '22:10', r[2]!] : r))
        const set = { rows: next, zebra: '#eeeeee' }
        return applyEdit(e, { name: 'setTile', what: { id: tile.id, kind: 'table', set } })
      }
      if (tile.kind !== 'marks') return e
      const marks = tile.marks.map((m, i) => (i ? m : { ...m, alt: 'The map', link: 'https://a.example' }))
      return applyEdit(e, { name: 'setTile', what: { id: tile.id, kind: 'marks', set: { marks } } })
    }, first.email)
    const again = build(first.plan, changed)
    expect(again.email).toEqual(changed)
    expect(again.plan.cuts.find((c) => c.id === 'w11')!.words).toEqual(textOf('22:10'))
    expect(again.plan.cuts.find((c) => c.id === 'i0')).toMatchObject({
      alt: 'The map',
      link: 'https://a.example',
    })
    expect(again.notes).toEqual([])
  })

  describe('words that follow each other', () => {
    const lines = ['What the keeper saw', 'A night of rain, then stars.', 'Come up and look.']
    const run = {
      ...plan(...lines.map((line, i) => said(`w${i}`, 120, 1200 + i * 60, line))),
      edges: [1150],
    }
    const texts = (e: Email) =>
      tilesIn(e).flatMap((t) =>
        t.kind === 'words' ? [t.text.content.map((b) => plainOf({ type: 'doc', content: [b] }))] : [],
      )

    test('are one tile, at the spaces that were measured', () => {
      const { email } = build(run)
      emailSchema.parse(email)
      expect(tilesIn(email)).toHaveLength(1)
      expect(tilesIn(email)[0]).toMatchObject({ kind: 'words', cuts: ['w0', 'w1', 'w2'], align: 'left' })
      expect(texts(email)).toEqual([lines])
      const moved = run.cuts.map((c, i) => (i === 1 ? { ...c, x: 160 } : c))
      const apart = build({ ...run, cuts: moved }).email
      expect(texts(apart)).toEqual([[lines[0]], [lines[1]], [lines[2]]])
    })

    test('what is written in it comes back to its cuts; what is added, taken out or styled stays so', () => {
      const first = build(run)
      const [tile] = tilesIn(first.email)
      const blocks = (...list: string[]) => list.flatMap((l) => textOf(l).content)
      const written = (...list: string[]) =>
        applyEdit(first.email, {
          name: 'setTile',
          what: {
            id: tile!.id,
            kind: 'words',
            set: { text: { type: 'doc', content: blocks(...list) }, style: { size: 21 }, space: 30 },
          },
        })
      const changed = build(first.plan, written(lines[0]!, 'A clear night.', 'Bring soup.', lines[2]!))
      expect(texts(changed.email)).toEqual([[lines[0], 'A clear night.', 'Bring soup.', lines[2]]])
      expect(tilesIn(changed.email)[0]).toMatchObject({ style: { size: 21 }, space: 30 })
      expect(changed.plan.cuts.map((c) => c.words && plainOf(c.words))).toEqual([
        lines[0],
        'A clear night.\n\nBring soup.',
        lines[2],
      ])
      expect(build(changed.plan, changed.email).email).toEqual(changed.email)
      const less = build(first.plan, written(lines[0]!, lines[2]!))
      expect(texts(less.email)).toEqual([[lines[0], lines[2]]])
      expect(tilesIn(less.email)[0]).toMatchObject({ style: { size: 21 }, space: 30, cuts: ['w0', 'w2'] })
      expect(less.plan.cuts.map((c) => c.kind)).toEqual(['words', 'nothing', 'words'])
      expect(less.notes).toEqual([])
    })
  })

  test('what somebody said stays a quotation when it is built again, whatever was written in it since', () => {
    const first = build({
      ...plan(
        cut('p', 0, 0, 1200, 500),
        said('q', 120, 1200, '\u201cA night worth the climb.\u201d', { w: 800 }),
        said('n', 120, 1236, 'Ada, keeper', { w: 120, h: 20 }),
        cut('o', 0, 1500, 1200, 400),
      ),
      edges: [600, 1400],
    })
    const reviewIn = (email: Email) => tilesIn(email).find((t) => t.kind === 'review')
    expect(reviewIn(first.email)).toMatchObject({
      text: '\u201cA night worth the climb.\u201d',
      who: 'Ada',
      about: 'keeper',
      cuts: ['q', 'n'],
    })
    const set = { text: 'No marks now', who: 'Ines', style: { size: 30 } }
    const written = applyEdit(first.email, { name: 'setTile', what: { id: 't-q', kind: 'review', set } })
    const second = build(first.plan, written)
    expect(reviewIn(second.email)).toEqual(reviewIn(written))
    expect(['q', 'n'].map((id) => plainOf(second.plan.cuts.find((c) => c.id === id)!.words!))).toEqual([
      'No marks now',
      'Ines, keeper',
    ])
  })

  test('small print at the end is a footer with its way out; what is written there comes back to its cut', () => {
    const small = (words: string) => ({
      ...plan(
        said('h', 120, 20, 'Fennmoor'),
        cut('p', 0, 600, 1200, 200),
        said('f', 120, 1800, words, { w: 960, h: 90 }),
      ),
      edges: [500, 1700],
    })
    const first = build(small('4 Mill Row, Fennmoor\n\nUnsubscribe | Choose what you get'))
    emailSchema.parse(first.email)
    const footer = tilesIn(first.email).at(-1)!
    expect(footer).toMatchObject({
      kind: 'footer',
      sender: '',
      address: '4 Mill Row, Fennmoor',
      why: '',
      unsubscribe: { label: 'Unsubscribe', link: '[[unsubscribe]]' },
      preferences: { label: 'Choose what you get', link: '' },
    })
    const set = { why: 'You asked for it.', style: { size: 15 } }
    const written = applyEdit(first.email, { name: 'setTile', what: { id: footer.id, kind: 'footer', set } })
    const again = build(first.plan, written)
    expect(again.email).toEqual(written)
    expect(plainOf(again.plan.cuts[2]!.words!)).toBe(
      '4 Mill Row, Fennmoor\n\nYou asked for it.\n\nUnsubscribe | Choose what you get',
    )
    // In a sentence the way out is linked where it stands.
    const [line] = tilesIn(
      build(small('You asked for these letters. Leave the list at any time you like.')).email,
    ).slice(-1)
    expect(line).toMatchObject({
      kind: 'words',
      text: {
        content: [
          {
            content: [
              { text: 'You asked for these letters. ' },
              { text: 'Leave the list', marks: [{ type: 'link', attrs: { href: '[[unsubscribe]]' } }] },
              { text: ' at any time you like.' },
            ],
          },
        ],
      },
    })
  })

  test('a menu that was read as one line is a menu; what is written in it comes back to its cut', () => {
    const first = build(
      plan(said('m', 120, 1200, 'Classes\u2003\u2003Kiln\u2003\u2003\u2003Visit', { w: 500 })),
    )
    const [menu] = tilesIn(first.email)
    expect(menu).toMatchObject({
      kind: 'menu',
      cuts: ['m'],
      items: ['Classes', 'Kiln', 'Visit'].map((label) => ({ label, link: '' })),
    })
    expect(build(first.plan, first.email).email).toEqual(first.email)
    const items = [
      { label: 'Classes', link: 'https://a.example' },
      { label: 'The kiln', link: '' },
      { label: 'Visit', link: '' },
    ]
    const written = applyEdit(first.email, {
      name: 'setTile',
      what: { id: menu!.id, kind: 'menu', set: { items } },
    })
    const again = build(first.plan, written)
    expect(again.email).toEqual(written)
    expect(plainOf(again.plan.cuts[0]!.words!)).toBe('Classes\u2003The kiln\u2003Visit')
    expect(build(again.plan, again.email).email).toEqual(written)
  })

  test('words that were not read stand as the picture they are, and become words once they are', () => {
    const unread = plan(said('a', 120, 940, ' '), said('b', 120, 1200, 'Read'))
    const room = { x: 120, y: 940, w: 160, h: 30 }
    const ink = { x: 130, y: 945, w: 90, h: 20, room }
    const p = { ...unread, cuts: unread.cuts.map((c) => (c.id === 'a' ? { ...c, words: null, ink } : c)) }
    const from = (of: CutPlan, previous: Email | null) =>
      buildEmail({
        plan: of,
        size: raster,
        emailWidth: 600,
        previous,
        house: plainHouseStyle(),
        pictures: new Map([['a', picture('a')]]),
        groundOf: (r) => groundOf(raster, r),
        readInk: (r, g) => readInk(raster, r, g),
      })
    const first = from(p, null)
    expect(tilesIn(first.email).map((t) => [t.kind, t.cut])).toEqual([
      ['picture', 'a'],
      ['words', 'b'],
    ])
    expect(tilesIn(first.email)[0]).toMatchObject({ width: 45 })
    // Of a cut that was moved since, all is shown.
    const moved = { ...p, cuts: p.cuts.map((c) => (c.id === 'a' ? { ...c, y: 930 } : c)) }
    expect(tilesIn(from(moved, null).email)[0]).toMatchObject({ width: 80 })
    const texts = (e: Email) => tilesIn(e).map((t) => (t.kind === 'words' ? plainOf(t.text) : ''))
    const later = setCut(first.plan, 'a', { words: textOf('Now read') })
    expect(texts(from(later, first.email).email)).toEqual(['Now read', 'Read'])
  })
})
