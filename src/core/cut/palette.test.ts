import { redQuarter } from '@/test-support/cuts'
import { paletteOf, pickColor } from './palette'

test('a palette counts by area, with exact values; a picked colour is the pixel or the mean around it', () => {
  expect(paletteOf(redQuarter()).slice(0, 2)).toEqual([
    { color: '#ffffff', share: 0.7499 },
    { color: '#c04020', share: 0.25 },
  ])
  expect(paletteOf(redQuarter(), { x: 0, y: 0, w: 50, h: 50 })).toEqual([{ color: '#c04020', share: 1 }])
  expect([pickColor(redQuarter(), 49, 10, 1), pickColor(redQuarter(), 50, 10, 1)]).toEqual([
    '#c04020',
    '#ffffff',
  ])
  // Three columns, of which two are red: a third of white in each channel.
  expect(pickColor(redQuarter(), 49, 10, 3)).toBe('#d5806a')
  expect(pickColor(redQuarter(), 0, 0, 5)).toBe('#c04020')
})
