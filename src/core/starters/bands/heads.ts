import { TO } from '../kit'
import { bandsOf } from '../starter'

const menu = (labels: string[]) => labels.map((label) => ({ label, link: TO }))

export const heads = bandsOf('Heads', {
  'head-mark': [
    'Mark in the middle',
    (k, name) =>
      k.band(name, [k.picture('star', 64, 64, 'Your mark', { link: TO })], {
        role: 'header',
        top: 24,
        bottom: 24,
      }),
  ],
  'head-menu': [
    'Name and menu',
    (k, name) =>
      k.columns(
        name,
        [
          { share: 2, items: [k.words('*Your name*')], look: { valign: 'middle' } },
          {
            share: 3,
            items: [
              k.tile('menu', {
                items: menu(['New', 'Visit', 'Help']),
                separator: '',
                space: 10,
                narrowSpace: 6,
                align: 'right',
                compact: 'wrap',
              }),
            ],
            look: { valign: 'middle' },
          },
        ],
        { role: 'header', top: 20, bottom: 20, narrow: 'keep' },
      ),
  ],
  'head-line': [
    'Name over a line',
    (k, name) =>
      k.band(
        name,
        [k.words('*Your name*', { align: 'center' }), k.divider({ top: 16, right: 0, bottom: 0, left: 0 })],
        {
          role: 'header',
          top: 24,
          bottom: 0,
        },
      ),
  ],
  'head-issue': [
    'Name and issue',
    (k, name) =>
      k.columns(
        name,
        [
          { share: 1, items: [k.words('*Your name*', { on: 'deep' })] },
          { share: 1, items: [k.words('No. 12, spring', { on: 'deep', align: 'right' })] },
        ],
        { role: 'header', on: 'deep', top: 16, bottom: 16, narrow: 'keep' },
      ),
  ],
})
