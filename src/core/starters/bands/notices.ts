import { sides } from '../../email/styles'
import { bandsOf } from '../starter'

export const notices = bandsOf('Notices', {
  'notice-bar': [
    'A line of notice',
    (k, name) =>
      k.band(name, [k.words('Until Sunday: sending costs nothing.', { on: 'accent', align: 'center' })], {
        role: 'notice',
        on: 'accent',
        top: 12,
        bottom: 12,
      }),
  ],
  'notice-call': [
    'A call in the middle',
    (k, name) =>
      k.band(
        name,
        [
          k.words('## Ready?\nOne sentence that takes away the last doubt.', { align: 'center' }),
          k.button('Begin', { align: 'center', top: 22 }),
        ],
        { on: 'tint', top: 44, bottom: 44 },
      ),
  ],
  'notice-list': [
    'What to bring',
    (k, name) =>
      k.band(name, [k.words('## What to bring\n- A warm coat\n- Good shoes\n- Something to share')]),
  ],
  'notice-line': ['A line', (k, name) => k.band(name, [k.divider(sides(8, 0))], { top: 8, bottom: 8 })],
  'notice-small-print': [
    'Small print',
    (k, name) =>
      k.band(
        name,
        [
          k.words(
            'Prices hold until the end of the month. What is left over can be sent back within thirty days.',
            { small: true },
          ),
        ],
        { top: 20, bottom: 20 },
      ),
  ],
})
