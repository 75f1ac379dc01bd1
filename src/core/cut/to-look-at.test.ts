import { textOf } from '../email/richtext'
import type { Cut } from './plan'
import { toLookAt } from './to-look-at'

const cut = (more: Partial<Cut>): Cut => ({
  id: 'a',
  x: 0,
  y: 0,
  w: 100,
  h: 40,
  kind: 'picture',
  alt: null,
  link: '',
  words: null,
  ground: null,
  ...more,
})

test('before anything was read nothing is missing', () => {
  expect(toLookAt({ cuts: [cut({ kind: 'words' }), cut({ id: 'b', kind: 'button' })] })).toEqual([])
})

test('pictures that say most come first, then what could not be read; what is decided or says little does not come', () => {
  const left = toLookAt({
    cuts: [
      cut({ id: 'unread', kind: 'words' }),
      cut({ id: 'logo', alt: 'Lumen House' }),
      cut({ id: 'headline', alt: 'Six plays, no happy endings' }),
      cut({ id: 'locked', alt: 'Four for three until the end of March', locked: true }),
      cut({ id: 'said', kind: 'words', words: textOf('Words') }),
    ],
  })
  expect(left.map((l) => [l.cut.id, l.what, l.instead[0]])).toEqual([
    ['headline', 'said by a picture', 'words'],
    ['unread', 'unread', 'picture'],
  ])
})
