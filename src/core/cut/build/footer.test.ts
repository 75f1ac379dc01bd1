import type { Band } from '../../email/schema'
import type { TileOf } from '../../email/tile'
import { newTile } from '../../tiles'
import { withFooter } from './footer'

const footerFrom = (...lines: string[]) => {
  const tile: TileOf<'words'> = {
    ...newTile('words', () => 't'),
    cuts: ['c'],
    text: {
      type: 'doc',
      content: lines.map((text) => ({ type: 'paragraph', content: [{ type: 'text', text }] })),
    },
  }
  const band = {
    ...{ id: 'b', name: '', role: 'footer', show: 'all' },
    padding: { top: 0, right: 0, bottom: 0, left: 0 },
    cells: [{ id: 'c', width: 600, items: [tile] }],
  } as unknown as Band
  return withFooter([band], () => true)[0]!.cells[0]!.items[0] as {
    kind: string
    address?: string
    why?: string
  }
}

const OUT = 'Unsubscribe'
const ADDRESS = 'Orrery Point, 4 Hill Road, 8010 Graz'

test('an address, a reason and a way out are a footer', () => {
  expect(footerFrom(ADDRESS, 'You wrote to us in May.', OUT)).toMatchObject({
    kind: 'footer',
    address: ADDRESS,
    why: 'You wrote to us in May.',
  })
  expect(footerFrom('You wrote to us in May.', OUT)).toMatchObject({
    kind: 'footer',
    why: 'You wrote to us in May.',
  })
})

// A footer tile says where before it says why: words in another order would be torn out of it.
test.each([
  [['We look up every night.', 'You wrote to us in May.', OUT]],
  [['You wrote to us in May.', ADDRESS, OUT]],
  [[ADDRESS, 'You wrote to us.', 'And once more.', OUT]],
  [[ADDRESS, 'You wrote to us in May.']],
])('%j stay words', (lines) => expect(footerFrom(...lines).kind).toBe('words'))
