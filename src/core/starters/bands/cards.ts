import { sides } from '../../email/styles'
import { beneath, type Column, type Kit } from '../kit'
import { bandsOf } from '../starter'

const framed = (k: Kit, items: Column['items'], thick = 1): Column => {
  const edge = { width: thick, style: 'solid' as const, color: thick > 1 ? k.tones.accent : k.tones.line }
  return {
    share: 1,
    items,
    look: {
      padding: sides(32, 24),
      edges: { top: edge, right: edge, bottom: edge, left: edge },
      background: k.tones.paper,
    },
  }
}

/** What is said under a small name. */
const fact = (k: Kit, name: string, said: string): Column => ({
  share: 1,
  items: [k.words(name, { small: true }), k.words(`*${said}*`)],
})

export const cards = bandsOf('Cards', {
  'card-invitation': [
    'Invitation',
    (k, name) =>
      k.columns(
        name,
        [
          framed(
            k,
            [
              k.words('You are invited', { small: true, align: 'center' }),
              beneath(
                k.words(
                  '# An evening in December\nFriday the 4th, seven in the evening\nAt the old observatory',
                  {
                    align: 'center',
                  },
                ),
              ),
              k.button('I will come', { align: 'center', top: 24 }),
            ],
            2,
          ),
        ],
        { on: 'tint', top: 40, bottom: 40 },
      ),
  ],
  'card-ticket': [
    'Ticket',
    (k, name) =>
      k.columns(
        name,
        [
          framed(k, [
            k.words('## Night train to the coast'),
            k.row(
              [fact(k, 'Leaves', 'Fri 18:40'), fact(k, 'Coach', '12'), fact(k, 'Berth', '34')],
              k.room - 50,
              'keep',
              12,
            ),
            k.divider(sides(16, 0)),
            k.picture('path', 120, 120, 'Your code: show it at the door', { align: 'center' }),
            beneath(k.words('Order 4471 02', { small: true, align: 'center' }), 8),
          ]),
        ],
        { on: 'tint' },
      ),
  ],
  'card-facts': [
    'Facts in a row',
    (k, name) =>
      k.columns(
        name,
        [
          ['1,204', 'came'],
          ['38', 'talks'],
          ['6', 'days'],
        ].map(([figure, unit]) => ({
          share: 1,
          items: k.figure(figure!, unit!, 'accent'),
        })),
        { on: 'accent', narrow: 'keep', top: 36, bottom: 36 },
      ),
  ],
  'card-items': [
    'Items and their sum',
    (k, name) =>
      k.band(name, [
        k.words('## What you ordered\nOrder 4471, 26 November'),
        beneath(
          k.table([
            ['Item', 'Number', 'Price'],
            ['A bowl', '2', '48.00'],
            ['A jug', '1', '31.00'],
            ['Sending', '', '4.50'],
            ['All together', '', '83.50'],
          ]),
        ),
      ]),
  ],
  'card-delivery': [
    'Where to, and how it was paid',
    (k, name) =>
      k.columns(
        name,
        [
          { share: 1, items: [k.words('## It goes to\n[[given_name | You]]\nThe street and the place')] },
          { share: 1, items: [k.words('## Paid\nBy card, on the day of the order\n[See the invoice]')] },
        ],
        { on: 'tint', gap: 24 },
      ),
  ],
  'card-film': [
    'Place for a film',
    (k, name) =>
      k.band(name, [
        k.picture('boat', k.room, k.room * 0.5625, 'Play the film: a boat puts to sea', {
          play: true,
          link: 'https://example.com/film',
        }),
        beneath(
          k.words(
            '### Two minutes at sea\nWhat one sees in it, for those who cannot play it. [Watch it on the page]',
          ),
          18,
        ),
      ]),
  ],
})
