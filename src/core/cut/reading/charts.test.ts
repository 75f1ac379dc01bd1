import type { Cut } from '../plan'
import { withCharts } from './charts'

const bar = (id: string, x: number, h: number, kind: Cut['kind'] = 'flat'): Cut => ({
  id,
  x,
  y: 200 - h,
  w: 40,
  h,
  kind,
  alt: null,
  link: '',
  words: null,
  ground: '#336699',
  seen: { part: kind === 'flat' ? 'ground' : 'drawing', sure: 0.8 },
})

test('bars that stand on one line, evenly apart, are one picture', () => {
  const words: Cut = { ...bar('w', 20, 20, 'words'), y: 20, w: 300 }
  const chart = withCharts(
    [words, bar('a', 20, 60), bar('b', 80, 110, 'picture'), bar('c', 140, 90), bar('d', 200, 140)],
    1,
  )
  expect(chart).toHaveLength(2)
  expect(chart[1]).toMatchObject({ kind: 'picture', x: 20, y: 60, w: 220, h: 140 })
})

test('equal panels side by side, and bars of other widths, are none', () => {
  const equal = [bar('a', 20, 100), bar('b', 80, 100), bar('c', 140, 100)]
  expect(withCharts(equal, 1)).toEqual(equal)
  const others = [bar('a', 20, 60), { ...bar('b', 80, 110), w: 90 }, bar('c', 190, 90)]
  expect(withCharts(others, 1)).toEqual(others)
})
