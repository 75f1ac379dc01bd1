import { cutAt, redQuarter } from '@/test-support/cuts'
import { leftOut } from './left-out'

test('what no cut covers is told only where something stands there', () => {
  expect(leftOut(redQuarter(), [], [])).toEqual([{ x: 0, y: 0, w: 100, h: 100 }])
  expect(leftOut(redQuarter(), [cutAt('a', 0, 0, 50, 50)], [])).toEqual([])
  // A panel under the red tells why it is there.
  expect(leftOut(redQuarter(), [], [{ x: 0, y: 0, w: 50, h: 50, radius: 0, color: '#c04020' }])).toEqual([])
  // A picture behind a band holds all that is drawn there, whatever stands on it.
  const behind = { x: 0, y: 0, w: 100, h: 100, radius: 0, color: '#c04020', picture: true }
  expect(leftOut(redQuarter(), [cutAt('a', 10, 10, 20, 20)], [behind])).toEqual([])
  // The rest of the red, and the one green pixel in the far corner.
  expect(leftOut(redQuarter(), [cutAt('a', 0, 0, 50, 30)], [])).toEqual([{ x: 0, y: 30, w: 100, h: 70 }])
})
