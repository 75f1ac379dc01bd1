import { newBand, newCell, newEmail } from '@/core/email/defaults'
import { textOf } from '@/core/email/richtext'
import type { Band, Email } from '@/core/email/schema'
import { sides } from '@/core/email/styles'
import type { Tile } from '@/core/email/tile'
import { newTile } from '@/core/tiles'
import { heading, words } from './letter'

/** The seed library's short letter about a film, written without a design. */

const band = (id: string, name: string, items: Tile[], more: Partial<Band> = {}): Band => {
  const made = newBand(600, () => id)
  return {
    ...made,
    id: `b-${id}`,
    name,
    background: '#faf5ea',
    padding: sides(24, 30),
    narrowPadding: sides(20, 20),
    cells: [{ ...newCell(540, () => `c-${id}`), items }],
    ...more,
  }
}

const LINK = 'https://fennmoor-seeds.example/film'

/** The letter; its film's tile is `t-film`. */
export const sowingFilm = (): Email => ({
  ...newEmail(600),
  title: 'How to sow a row by hand',
  subject: 'A row of peas in eight seconds',
  preheader: 'Watch it once, then do it: a row, a seed for every hand, ten days.',
  bands: [
    band('head', 'Head', [words('t-head', ...textOf('Fennmoor Seed Library').content)], {
      role: 'header',
      padding: sides(18, 30),
    }),
    band('film', 'The film', [
      words('t-title', heading(1, 'How to sow a row')),
      {
        ...newTile('picture'),
        id: 't-film',
        width: 540,
        alt: 'A row is drawn a thumb deep, seeds are laid a hand apart, and ten days later they are up. Press to watch the film',
        link: LINK,
      } as Tile,
    ]),
    band('say', 'What to do', [
      words(
        't-say',
        ...textOf(
          'Peas like to be sown early and thin. Draw the row with the back of a rake, lay a seed for every hand, cover it and water it once. Then leave it alone.',
        ).content,
      ),
      { ...newTile('button'), id: 't-watch', label: 'Watch it slowly', link: LINK, align: 'left' } as Tile,
    ]),
    band(
      'foot',
      'Foot',
      [
        words(
          't-foot',
          ...textOf('Fennmoor Seed Library, The Old Weighhouse, Mill Green, Fennmoor').content,
          {
            type: 'paragraph',
            content: [
              {
                type: 'text',
                text: 'Unsubscribe',
                marks: [{ type: 'link', attrs: { href: '[[unsubscribe]]' } }],
              },
            ],
          },
        ),
      ],
      { role: 'footer' },
    ),
  ],
})
