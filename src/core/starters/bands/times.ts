import { beneath } from '../kit'
import { bandsOf } from '../starter'

export const times = bandsOf('Times', {
  'times-table': [
    'Timetable',
    (k, name) =>
      k.band(name, [
        k.words('## When'),
        beneath(
          k.table(
            [
              ['From', 'Leaves', 'Arrives'],
              ['First stop', '18:40', '07:05'],
              ['Second stop', '19:25', '07:50'],
              ['Third stop', '20:10', '08:35'],
            ],
            { zebra: k.tones.tint },
          ),
        ),
      ]),
  ],
  'times-days': [
    'Day by day',
    (k, name) =>
      k.band(name, [
        k.words('## The days'),
        ...[
          ['Fri 4', 'Doors at seven', 'What happens that evening, and where.'],
          ['Sat 5', 'All day', 'What happens then.'],
          ['Sun 6', 'Till noon', 'And how it ends.'],
        ].map(([day, title, more]) =>
          k.row(
            [
              {
                share: 1,
                items: [k.words(`*${day}*`, { on: 'accent', align: 'center' })],
                look: {
                  background: k.tones.accent,
                  edges: { bottom: { width: 4, style: 'solid', color: k.tones.paper } },
                  padding: { top: 12, right: 6, bottom: 12, left: 6 },
                },
              },
              {
                share: 5,
                items: [k.words(`*${title}*\n${more}`)],
                look: { padding: { top: 10, right: 0, bottom: 10, left: 16 } },
              },
            ],
            k.room,
            'keep',
          ),
        ),
      ]),
  ],
  'times-hours': [
    'Opening hours',
    (k, name) =>
      k.band(
        name,
        [
          k.words('### Open'),
          beneath(
            k.table(
              [
                ['Tuesday to Friday', '10 to 18'],
                ['Saturday', '10 to 16'],
                ['Sunday and Monday', 'closed'],
              ],
              { headRow: false, headColumn: true, headBackground: undefined, headColor: undefined, space: 7 },
            ),
            8,
          ),
        ],
        { on: 'tint' },
      ),
  ],
  'times-countdown': [
    'Place for a countdown',
    (k, name) =>
      k.band(
        name,
        [
          k.words('## Until it opens', { on: 'deep', align: 'center' }),
          k.row(
            [
              ['12', 'days'],
              ['08', 'hours'],
              ['45', 'minutes'],
            ].map(([figure, unit]) => ({
              share: 1,
              items: k.figure(figure!, unit!, 'deep'),
              look: { padding: { top: 16, right: 0, bottom: 0, left: 0 } },
            })),
            k.room,
            'keep',
          ),
          k.button('Set a reminder', { on: 'deep', align: 'center', top: 24 }),
        ],
        { on: 'deep', top: 40, bottom: 40 },
      ),
  ],
})
