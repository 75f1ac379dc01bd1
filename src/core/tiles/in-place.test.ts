import { tileOf } from '@/test-support/tiles'
import { styleOf } from '../email/cascade'
import { plainHouseStyle } from '../email/styles'
import { placeOfButton, placeOfWords } from './in-place'

const look = styleOf(plainHouseStyle(), {}).roles.main
const around = { room: 300, ground: '#ffffff', fonts: [] }
const text = (...lines: [kind: 'heading' | 'paragraph', words: string][]) => ({
  type: 'doc' as const,
  content: lines.map(([type, words]) => ({
    type,
    attrs: type === 'heading' ? { level: 2 as const } : {},
    content: [{ type: 'text' as const, text: words }],
  })),
})

test('a headline that changes takes the line that it changes, set as it was; the rest stays beneath', () => {
  const tile = tileOf('words', {
    align: 'right',
    text: text(['heading', 'Doors open'], ['paragraph', 'At seven']) as never,
  })
  const { words, letters, rest, height, under } = placeOfWords(tile, look, around)
  expect([words, letters.size, letters.bold, letters.align]).toEqual([
    'Doors open',
    look.text.heading2.size,
    look.text.heading2.bold,
    'end',
  ])
  expect(height).toBe(look.text.heading2.line)
  expect(JSON.stringify(rest)).toContain('At seven')
  expect(under).toBeGreaterThan(0)
  expect(
    placeOfWords(tileOf('words', { text: text(['paragraph', 'One']) as never }), look, around).rest,
  ).toBeNull()
})

test('a line that is broken is as high as its lines', () => {
  const long = tileOf('words', {
    text: text(['heading', 'Doors open at seven, and nobody is sent away']) as never,
  })
  expect(placeOfWords(long, look, around).height).toBeGreaterThanOrEqual(2 * look.text.heading2.line)
})

test('a button that changes keeps its width, its height and its letters', () => {
  const tile = tileOf('button', { label: 'Keep places', style: { padX: 30, padY: 12, size: 16 } })
  const { width, height, letters } = placeOfButton(tile, look, around)
  expect([height, letters.size]).toEqual([44, 16])
  expect(width).toBeGreaterThan(60 + 70)
  expect(width).toBeLessThan(60 + 120)
})
