import type { Align } from '../../email/styles'
import { beneath, TO, type Column, type Kit } from '../kit'
import type { Motif } from '../motifs'
import { bandsOf } from '../starter'

/** A picture over a name and a price. @param width of its column, px */
const good = (k: Kit, motif: Motif, name: string, width: number, align: Align = 'left'): Column => ({
  share: 1,
  items: [
    k.picture(motif, width, width, name, { link: TO }),
    beneath(k.words(`*${name}*\n24.00`, { align, space: 2 })),
  ],
})

const GAP = 20

export const goods = bandsOf('Goods', {
  'goods-two': [
    'Two goods',
    (k, name) => {
      const width = (k.room - GAP) / 2
      return k.columns(name, [good(k, 'star', 'A bowl', width), good(k, 'leaf', 'A jug', width)], {
        gap: GAP,
        narrow: 'keep',
      })
    },
  ],
  'goods-three': [
    'Three goods',
    (k, name) => {
      const gap = k.evenGap(3, GAP)
      const width = (k.room - 2 * gap) / 3
      const list: [Motif, string][] = [
        ['star', 'A bowl'],
        ['leaf', 'A jug'],
        ['arch', 'A stand'],
      ]
      return k.columns(
        name,
        list.map(([motif, said]) => good(k, motif, said, width, 'center')),
        { gap },
      )
    },
  ],
  'goods-four': [
    'Four goods',
    (k, name) => {
      const width = (k.room - GAP) / 2
      const pair = (a: Column, b: Column) => k.row([a, b], k.room, 'keep', GAP)
      return k.band(
        name,
        [
          k.words('## Made this month'),
          pair(good(k, 'star', 'A bowl', width), good(k, 'leaf', 'A jug', width)),
          pair(good(k, 'arch', 'A stand', width), good(k, 'boat', 'A toy boat', width)),
        ].map((item, i) =>
          i && item.kind === 'row'
            ? { ...item, cells: item.cells.map((c) => ({ ...c, padding: { ...c.padding, top: GAP } })) }
            : item,
        ),
      )
    },
  ],
  'goods-one': [
    'One good, with its price and a button',
    (k, name) => {
      const width = (k.room - 28) / 2
      return k.columns(
        name,
        [
          { share: 1, items: [k.picture('lantern', width, width, 'A lantern', { radius: 6 })] },
          {
            share: 1,
            items: [
              k.words('## A lantern\nOf what, by whom, how large: what one would ask first.\n*64.00*'),
              k.button('Take it home'),
            ],
            look: { valign: 'middle' },
          },
        ],
        { on: 'tint', gap: 28 },
      )
    },
  ],
})
