import { newBand, newCell } from './defaults'
import { bandGround, bleedGround, groundOf, groundsOf, windowGround } from './ground'
import type { Band, Cell } from './schema'

const style = { ground: '#eeeeee', nightGround: '#111111' }
const picture = {
  picture: { id: 'a'.repeat(64), type: 'image/png' as const, width: 1, height: 1, bytes: 1 },
  across: 'email' as const,
  fit: 'cover' as const,
  x: 'center' as const,
  y: 'center' as const,
}
const gap = (id: string) => ({
  id,
  kind: 'gap' as const,
  height: 4,
  padding: { top: 0, right: 0, bottom: 0, left: 0 },
  show: 'all' as const,
})
const band = (set: Partial<Band>, cell: Partial<Cell> = {}): Band => {
  const made = newBand(600, () => 'b')
  return {
    ...made,
    background: undefined,
    cells: [{ ...newCell(600, () => 'c'), items: [gap('t')], ...cell }],
    ...set,
  }
}
const behind = (b: Band) => groundOf({ bands: [b] }, style, 't')

test('behind a tile lies the nearest colour of cell, band, bleed and window', () => {
  expect(behind(band({}))).toEqual({ color: '#eeeeee', night: '#111111' })
  expect(behind(band({ bleed: '#aa0000' })).color).toBe('#aa0000')
  expect(behind(band({ bleed: '#aa0000', background: '#00aa00' })).color).toBe('#00aa00')
  expect(behind(band({ background: '#00aa00' }, { background: '#0000aa' })).color).toBe('#0000aa')
  expect(groundOf({ bands: [] }, style, 't')).toEqual(windowGround(style))
})

test('a colour without one for the night stays what it is by night, and covers the night behind it', () => {
  expect(behind(band({ background: '#00aa00' })).night).toBe('#00aa00')
  expect(behind(band({ background: '#00aa00', nightBackground: '#002200' })).night).toBe('#002200')
  expect(behind(band({ nightBackground: '#002200' }))).toEqual({ color: '#eeeeee', night: '#002200' })
  expect(behind(band({ nightBackground: '#002200' }, { background: '#0000aa' })).night).toBe('#0000aa')
  expect(windowGround({ ground: '#eeeeee', nightGround: undefined }).night).toBe('#eeeeee')
})

test("a picture lies over its band's colour, and under the colours of cells; one behind the window, under the band's too", () => {
  expect(behind(band({ picture, background: '#00aa00' }))).toMatchObject({ color: '#00aa00', picture })
  expect(behind(band({ picture }, { background: '#0000aa' })).picture).toBeUndefined()
  const wide = { ...picture, across: 'window' as const }
  expect(bleedGround(band({ picture: wide }), style).picture).toBe(wide)
  expect(bandGround(band({ picture: wide }), style).picture).toBe(wide)
  expect(bandGround(band({ picture: wide, background: '#00aa00' }), style).picture).toBeUndefined()
  expect(bleedGround(band({ picture }), style).picture).toBeUndefined()
})

test('tiles of nested rows stand on the ground of the cells around them', () => {
  const inner = { ...newCell(100, () => 'd'), items: [gap('u')] }
  const b = band(
    {},
    {
      background: '#0000aa',
      items: [gap('t'), { id: 'r', kind: 'row', gap: 0, narrow: 'stack', cells: [inner] }],
    },
  )
  expect([...groundsOf(b, style)].map(([tile, g]) => [tile.id, g.color])).toEqual([
    ['t', '#0000aa'],
    ['u', '#0000aa'],
  ])
  expect(groundOf({ bands: [b] }, style, 'u').color).toBe('#0000aa')
  expect(groundOf({ bands: [b] }, style, 'd').color).toBe('#0000aa')
})
