import { sides } from '../../email/styles'
import { beneath, TO, type Column, type Kit } from '../kit'
import { bandsOf } from '../starter'

/** A card with what one gets. */
const choice = (k: Kit, title: string, price: string, has: string[], quiet: boolean): Column => ({
  share: 1,
  items: [
    k.words(`### ${title}\n*${price}*\n${has.map((h) => `- ${h}`).join('\n')}`),
    k.button('Choose it', { quiet, top: 18 }),
  ],
  look: {
    padding: sides(22, 20),
    edges: edgeAround(quiet ? k.tones.line : k.tones.accent, quiet ? 1 : 2),
    radius: 6,
  },
})

const edgeAround = (color: string, width: number) => {
  const edge = { width, style: 'solid' as const, color }
  return { top: edge, right: edge, bottom: edge, left: edge }
}

export const choices = bandsOf('Choices', {
  'choice-two': [
    'Two choices',
    (k, name) =>
      k.columns(
        name,
        [
          choice(k, 'The small one', '9.00', ['What is in it', 'And this'], true),
          choice(k, 'The large one', '19.00', ['All of the small one', 'And much more'], false),
        ],
        { gap: 20 },
      ),
  ],
  'choice-table': [
    'Comparison as a table',
    (k, name) =>
      k.band(name, [
        k.words('## Which one is yours'),
        beneath(
          k.table(
            [
              ['What you get', 'Seat', 'Berth', 'Cabin'],
              ['Bed', 'no', 'yes', 'yes'],
              ['Breakfast', 'no', 'yes', 'yes'],
              ['Own door', 'no', 'no', 'yes'],
              ['From', '29', '49', '99'],
            ],
            {
              columns: ['left', 'center', 'center', 'center'].map((align) => ({ align: align as 'left' })),
              headColumn: true,
              headBackground: k.tones.tint,
              headColor: undefined,
              compact: 'scroll',
              space: 6,
            },
          ),
        ),
        k.button('Choose a berth', { align: 'center', top: 24 }),
      ]),
  ],
  'choice-question': [
    'One question, five answers',
    (k, name) =>
      k.band(
        name,
        [
          k.words('## How was it?\nOne press is enough.', { align: 'center' }),
          k.row(
            ['1', '2', '3', '4', '5'].map((n) => ({
              share: 1,
              items: [
                {
                  ...k.button(n, { align: 'center', top: 18 }),
                  fullNarrow: false,
                  link: `${TO}answer?n=${n}`,
                  style: {
                    background: k.tones.paper,
                    color: k.tones.accentInk,
                    borderWidth: 2,
                    borderColor: k.tones.accentInk,
                    padX: 12,
                    padY: 10,
                  },
                },
              ],
            })),
            k.room,
            'keep',
          ),
          beneath(k.words('1 is poor, 5 is splendid', { small: true, align: 'center' })),
        ],
        { on: 'tint', top: 40, bottom: 40 },
      ),
  ],
  'choice-yes-no': [
    'Coming or not',
    (k, name) =>
      k.columns(
        name,
        [
          { share: 1, items: [k.words('### Will you come?')], look: { valign: 'middle' } },
          { share: 1, items: [k.button('Yes, I come', { align: 'center', top: 0 })] },
          { share: 1, items: [k.button('Not this time', { align: 'center', top: 0, quiet: true })] },
        ],
        { gap: 16 },
      ),
  ],
})
