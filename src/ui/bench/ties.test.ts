import { bandAt, type Stretch } from './ties'

const bands = new Map<string, Stretch>([
  ['a', { top: 0, height: 100, left: 0, width: 600 }],
  ['b', { top: 100, height: 300, left: 0, width: 600 }],
  ['c', { top: 420, height: 80, left: 0, width: 600 }],
])

test('tells the band at a height and the part of it', () => {
  expect(bandAt(bands, 50)).toEqual({ id: 'a', part: 0.5 })
  expect(bandAt(bands, 175)).toEqual({ id: 'b', part: 0.25 })
})

test('outside every band the nearest one counts', () => {
  expect(bandAt(bands, 412)).toEqual({ id: 'c', part: 0 })
  expect(bandAt(bands, 900)).toEqual({ id: 'c', part: 1 })
  expect(bandAt(new Map(), 10)).toBeNull()
})
