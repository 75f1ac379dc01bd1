import type { Align } from '../../email/styles'
import { beneath, TO, type Kit, type On } from '../kit'
import { bandsOf } from '../starter'

const WHY = 'You get this since you asked for it on our page.'

function foot(k: Kit, align: Align, on: On = 'paper') {
  const color = on === 'deep' ? k.tones.softOnDeep : undefined
  return k.tile('footer', {
    why: WHY,
    unsubscribe: { label: 'Unsubscribe', link: '[[unsubscribe]]' },
    preferences: { label: 'Choose what you get', link: TO },
    align,
    ...(color ? { style: { color } } : {}),
  })
}

export const feet = bandsOf('Feet', {
  'foot-middle': ['Foot in the middle', (k, name) => k.band(name, [foot(k, 'center')], { role: 'footer' })],
  'foot-deep': [
    'Foot on a deep ground',
    (k, name) => k.band(name, [foot(k, 'left', 'deep')], { role: 'footer', on: 'deep' }),
  ],
  'foot-menu': [
    'Foot with a menu',
    (k, name) =>
      k.band(
        name,
        [
          k.tile('menu', {
            items: ['About us', 'Help', 'Write to us'].map((label) => ({ label, link: TO })),
            separator: '',
            space: 12,
            align: 'center',
            compact: 'wrap',
          }),
          beneath(foot(k, 'center'), 20),
        ],
        { role: 'footer', on: 'tint' },
      ),
  ],
  'foot-words': [
    'Foot after a word of thanks',
    (k, name) =>
      k.band(
        name,
        [
          k.words('### Thank you for reading\nAnswer this message: it reaches a person.'),
          beneath(foot(k, 'left'), 20),
        ],
        { role: 'footer' },
      ),
  ],
})
