import sharp from 'sharp'
import { plainOf } from '../../email/richtext'
import { autocut } from '../autocut'
import { linesOf, sizeByInk, type ReadLine } from './lines'
import type { Cut } from '../plan'
import type { Raster } from '../raster'
import { withWords } from './worded'

const SCALE = 2
/** Words as a perfect reading gives them: where they are drawn, by the usual proportions of letters. Email px. */
interface Said {
  text: string
  x: number
  base: number
  size: number
  fill: string
  bold?: boolean
  w: number
}
const drawn = ({ text, x, base, size, fill, bold, w }: Said) =>
  `<text x="${x}" y="${base}" font-family="Arimo" font-size="${size}" ${bold ? 'font-weight="700"' : ''} fill="${fill}" textLength="${w}">${text}</text>`
const read = (all: readonly Said[]): ReadLine[] =>
  linesOf([
    all.flatMap(({ text, x, base, size, w }) => {
      const each = text.split(' ')
      const letter = w / text.length
      let at = x
      return each.map((word) => {
        // As high as such words are of this size.
        const hangs = /[gjpqy,]/.test(word) ? 0.21 : 0
        const high = size / sizeByInk(word, 1)
        const box = {
          text: word,
          sure: 95,
          x: at * SCALE,
          y: (base - high + hangs * size) * SCALE,
          w: letter * word.length * SCALE,
          h: high * SCALE,
          base: base * SCALE,
        }
        at += letter * (word.length + 1)
        return box
      })
    }),
  ])

async function cut(height: number, body: string, said: readonly Said[]) {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="${height * SCALE}" viewBox="0 0 600 ${height}"><rect width="600" height="${height}" fill="#fff"/>${body}${said.map(drawn).join('')}</svg>`
  const { data, info } = await sharp(Buffer.from(svg))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const raster: Raster = { width: info.width, height: info.height, data: new Uint8ClampedArray(data) }
  const found = autocut(raster, SCALE)
  return { found, worded: withWords(found, { lines: read(said), raster, scale: SCALE }) }
}
const saysOf = (c: Cut) => (c.words ? plainOf(c.words).replace(/\s+/g, ' ') : null)
const of = (cuts: readonly Cut[]) => cuts.map((c) => [c.kind, saysOf(c)])

const sea = (top: number, height: number) =>
  `<defs><linearGradient id="sea" x2="1" y2="1"><stop stop-color="#123a5a"/><stop offset="0.5" stop-color="#7a8a86"/><stop offset="1" stop-color="#c98e63"/></linearGradient><filter id="n" x="0" y="0" width="1" height="1"><feTurbulence baseFrequency="0.02 0.2" numOctaves="3" seed="5"/><feColorMatrix values="0 0 0 0 .5 0 0 0 0 .5 0 0 0 0 .5 .5 0 0 0 0"/></filter></defs><rect y="${top}" width="600" height="${height}" fill="url(#sea)"/><rect y="${top}" width="600" height="${height}" filter="url(#n)" opacity=".5"/>`
const head: Said = {
  text: 'Your crossing is',
  x: 36,
  base: 160,
  size: 40,
  fill: '#ffffff',
  bold: true,
  w: 310,
}
const head2: Said = { ...head, text: 'on Friday', base: 206, w: 180 }
const small: Said = {
  text: 'All you need for the morning',
  x: 36,
  base: 250,
  size: 16,
  fill: '#ffffff',
  w: 210,
}
const under: Said = {
  text: 'Foot passengers may board until noon',
  x: 36,
  base: 420,
  size: 16,
  fill: '#16324f',
  w: 280,
}

test('words on a photograph are words, with it behind their band, in their size, weight and colour', async () => {
  const { found, worded } = await cut(460, sea(60, 300), [head, head2, small, under])
  expect(found.cuts.filter((c) => c.kind === 'words')).toHaveLength(1)
  const [ground, ...others] = worded.panels.filter((p) => p.picture)
  expect(others).toEqual([])
  expect(ground).toMatchObject({ x: 0, w: 1200 })
  const on = worded.cuts.filter((c) => c.y < 600 && c.kind === 'words')
  expect(of(on)).toEqual([
    ['words', 'Your crossing is on Friday'],
    ['words', 'All you need for the morning'],
  ])
  expect(on[0]!.lettering).toMatchObject({ bold: true })
  expect(on[0]!.lettering!.size).toBeGreaterThan(36)
  expect(on[0]!.lettering!.size).toBeLessThan(44)
  expect(on[1]!.lettering!.bold).toBeUndefined()
  for (const { lettering } of on)
    expect(Number.parseInt(lettering!.color!.slice(1, 3), 16)).toBeGreaterThan(235)
  // The line ends of large letters stay.
  expect(JSON.stringify(on[0]!.words)).toContain('hardBreak')
})

test('what was taken for a picture and is all words is words; an outlined label is a button', async () => {
  const pill =
    '<rect x="450" y="40" width="88" height="36" rx="18" fill="none" stroke="#b3261e" stroke-width="1.5"/>'
  const label: Said = { text: 'Book', x: 478, base: 63, size: 14, fill: '#b3261e', bold: true, w: 32 }
  const day: Said = { text: '26', x: 36, base: 72, size: 36, fill: '#16324f', bold: true, w: 40 }
  const { worded } = await cut(120, pill, [label, day])
  expect(of(worded.cuts)).toEqual(
    expect.arrayContaining([
      ['words', '26'],
      ['button', 'Book'],
    ]),
  )
  const button = worded.cuts.find((c) => c.kind === 'button')!
  expect(button.box!.borderColor).toMatch(/^#b[0-9a-f]/)
  expect(button.box!.radius).toBeGreaterThan(14)
})

test('a drawing that says something stays one, and says it as its alt text', async () => {
  // A ticket: what stands on it is in place with it alone.
  const ticket =
    '<path d="M30 40 H420 A16 16 0 0 0 452 40 H570 V180 H452 A16 16 0 0 0 420 180 H30 Z" fill="#fff1c9"/><path d="M436 60 V164" stroke="#b3261e" stroke-dasharray="4 4" stroke-width="2"/><rect x="30" y="40" width="8" height="140" fill="#b3261e"/>'
  const on: Said[] = [
    { text: 'Four for three', x: 60, base: 90, size: 28, fill: '#221a12', bold: true, w: 190 },
    { text: 'CURTAIN', x: 462, base: 120, size: 22, fill: '#b3261e', bold: true, w: 96 },
  ]
  const { worded } = await cut(220, `<rect width="600" height="220" fill="#f6c945"/>${ticket}`, on)
  expect(worded.panels.filter((p) => p.picture)).toEqual([])
  const all = worded.cuts.map((c) => saysOf(c) ?? c.alt ?? '').join(' ')
  expect(all).toContain('Four for three')
  expect(all).toContain('CURTAIN')
})

test('without words nothing is another', async () => {
  const { found } = await cut(200, sea(0, 200), [])
  const raster: Raster = { width: 1, height: 1, data: new Uint8ClampedArray(4) }
  expect(withWords(found, { lines: [], raster, scale: SCALE })).toEqual(found)
})

const said = (text: string, x: number, base: number, more: Partial<Said> = {}): Said => ({
  text,
  x,
  base,
  size: 16,
  fill: '#222222',
  w: text.length * 8,
  ...more,
})

test('icons before lines are pictures of their own, and no icon is a letter', async () => {
  const rows = [60, 130, 200]
  const icons = rows
    .map((y) => `<circle cx="62" cy="${y}" r="17" fill="none" stroke="#0b7285" stroke-width="3"/>`)
    .join('')
  const lines = rows.flatMap((y, i) => [
    said(['Pick a morning', 'Tell us you swim', 'Bring a towel'][i]!, 100, y - 4, { bold: true }),
    said(['Weekdays are calmer', 'Fifty metres will do', 'The rest is here'][i]!, 100, y + 16, {
      fill: '#777777',
    }),
  ])
  const { worded } = await cut(270, icons, lines)
  expect(worded.cuts.filter((c) => c.kind === 'picture')).toHaveLength(3)
  const words = worded.cuts.filter((c) => c.kind === 'words')
  expect(words.every((c) => c.x >= 95 * SCALE && c.h <= 60 * SCALE)).toBe(true)
  expect(words.map(saysOf).join(' ')).toBe(lines.map((l) => l.text).join(' '))
})

test('a price beside an outlined button: the button is one though nothing of it was read', async () => {
  const body = `<rect x="421" y="41" width="138" height="34" rx="4" fill="none" stroke="#9a4d1c" stroke-width="2"/><text x="446" y="63" font-family="Arimo" font-size="14" font-weight="700" fill="#9a4d1c">Add to basket</text><text x="370" y="64" font-family="Arimo" font-size="16" fill="#222">£42</text>`
  const { worded } = await cut(120, body, [said('Bread tray', 40, 62)])
  const button = worded.cuts.find((c) => c.kind === 'button')
  expect(button).toMatchObject({ x: 840, y: 80, w: 280, h: 72, box: { borderWidth: 2 } })
  expect(worded.cuts.some((c) => c.kind === 'picture')).toBe(false)
  expect(worded.cuts.some((c) => c.kind === 'words' && c.x >= 730 && c.x < 800)).toBe(true)
})

test('words on a slope of colour that fills its band are live, and so is their button', async () => {
  const body =
    '<defs><linearGradient id="s" x2=".4" y2="1"><stop stop-color="#23401a"/><stop offset="1" stop-color="#3d7a1f"/></linearGradient></defs><rect y="100" width="600" height="300" fill="url(#s)"/><rect x="220" y="300" width="160" height="48" rx="6" fill="#fff"/>'
  const head = said('Learn to row before summer', 110, 190, { size: 30, fill: '#ffffff', w: 380, bold: true })
  const lead = said('Six mornings and one coach for four', 160, 240, { fill: '#ffffff', w: 280 })
  const label = said('Reserve a seat', 246, 329, { fill: '#23401a', bold: true, w: 108 })
  const { worded } = await cut(500, body, [head, lead, label])
  expect(worded.panels.filter((p) => p.picture)).toHaveLength(1)
  expect(of(worded.cuts.filter((c) => c.y >= 200 && c.y < 800)).sort()).toEqual([
    ['button', label.text],
    ['words', head.text],
    ['words', lead.text],
  ])
})

const card = '<rect x="48" y="240" width="504" height="180" fill="#fffaf2"/>'
const onCard = [
  said('Low water, high rocks', 80, 290, { size: 26, bold: true, w: 270 }),
  said('We walk to the island and back', 80, 326),
  said('before the tide returns at noon', 80, 350),
]

test('a card over a photograph is a box below what is seen of it, and its words are on the box', async () => {
  const { worded } = await cut(480, sea(40, 320) + card, onCard)
  const box = worded.panels.find((p) => !p.picture)!
  expect(box).toMatchObject({ x: 96, y: 480, w: 1008, color: '#fffaf2' })
  expect(worded.panels.some((p) => p.picture)).toBe(false)
  const photos = worded.cuts.filter((c) => c.kind === 'picture')
  expect(photos.map((p) => [p.y, p.y + p.h])).toEqual([[80, 480]])
  const words = worded.cuts.filter((c) => c.kind === 'words')
  expect(words.map(saysOf).join(' ')).toBe(onCard.map((l) => l.text).join(' '))
  expect(words.every((c) => c.x >= box.x && c.x + c.w <= box.x + box.w && c.y > box.y)).toBe(true)
})

test('words straight on a photograph are on no card', async () => {
  const { worded } = await cut(
    480,
    sea(40, 400),
    onCard.map((l) => ({ ...l, fill: '#ffffff' })),
  )
  expect(worded.panels.filter((p) => !p.picture)).toEqual([])
})

test('a slope from side to side under words is one picture behind them', async () => {
  const body =
    '<defs><linearGradient id="s" x2="1" y2="0"><stop stop-color="#5b2a86"/><stop offset="1" stop-color="#e0655b"/></linearGradient></defs><rect y="60" width="600" height="240" fill="url(#s)"/>'
  const head = said('One night in May', 150, 160, { size: 36, fill: '#ffffff', w: 300, bold: true })
  const lead = said('All rooms are open', 220, 210, { fill: '#ffffff', w: 160 })
  const { worded } = await cut(420, body, [head, lead, said('A line below', 40, 370)])
  expect(worded.panels.filter((p) => p.picture)).toHaveLength(1)
  const on = worded.cuts.filter((c) => c.y >= 120 && c.y < 600)
  expect(of(on)).toEqual([
    ['words', head.text],
    ['words', lead.text],
  ])
  expect(on.map((c) => c.lettering?.align)).toEqual(['center', 'center'])
})

test('two names and the score between them are three things, read or not', async () => {
  const row = [
    said('Crosby Town', 140, 84, { fill: '#ffffff', bold: true, w: 96 }),
    said('0 – 0', 274, 88, { fill: '#e4c100', size: 22, bold: true, w: 50 }),
    said('Harriers', 360, 84, { fill: '#ffffff', bold: true, w: 64 }),
  ]
  const ground = '<rect width="600" height="160" fill="#16253c"/>'
  const { worded } = await cut(160, ground, row)
  const read = worded.cuts.filter((c) => c.kind === 'words')
  expect(read.map((c) => Math.round(c.x / SCALE / 10)).sort()).toEqual([14, 27, 36])
  // What was read with a gap in it is read again; nothing says what is another's.
  for (const c of read)
    expect([null, row.find((r) => Math.abs(r.x - c.x / SCALE) < 8)!.text]).toContain(saysOf(c))
  expect(new Set(read.map((c) => c.id)).size).toBe(3)
  // Where nothing of it was read each is read by itself.
  const drawnOnly = await cut(160, `${ground}${row.map(drawn).join('')}`, [
    said('x', 20, 150, { fill: '#16253c', w: 8 }),
  ])
  const unread = drawnOnly.worded.cuts.filter((c) => c.kind === 'words' && !c.words)
  expect(unread.map((c) => Math.round(c.x / SCALE / 10)).sort()).toEqual([14, 27, 36])
})
