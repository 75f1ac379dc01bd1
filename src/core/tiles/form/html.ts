import type { ElementContent } from 'hast'
import { css, el } from '../../html/element'
import type { TileContext } from '../context'
import { answerLink } from '../interactive/answer'
import { plainForm } from '../interactive/answering'
import { liveOr } from '../interactive/live'
import { looksOf, type Looks } from '../interactive/looks'
import { pressLink, said, textLink } from '../interactive/pieces'
import { field, heading } from './fields'
import type { FormTile } from './schema'

/** What is asked, choices as links that answer at once, and a link to the page. */
export function formStill(tile: FormTile, looks: Looks, c: TileContext): ElementContent[] {
  const { page } = tile.target
  const single = tile.asked.length === 1
  return [
    ...heading(tile, looks, c),
    ...tile.asked.flatMap((asked): ElementContent[] => [
      said('p', asked.label, looks.body, c, { margin: '0 0 6px' }),
      ...(asked.options.length
        ? [
            el(
              'ul',
              { style: css({ margin: '0 0 10px', padding: '0 0 0 20px' }) },
              asked.options.map((o) => {
                const item = said('li', o, looks.body, c, { margin: '0 0 6px' })
                return single && page.trim()
                  ? {
                      ...item,
                      children: [textLink(o, answerLink(page, asked.name, o), looks.body, looks, c)],
                    }
                  : item
              }),
            ),
          ]
        : []),
    ]),
    ...pressLink(tile.sayings.send, page, looks, c),
  ]
}

/** A form; without one, what is asked, choices as links that answer at once, and a link to the page. */
export function formHtml(tile: FormTile, c: TileContext): ElementContent[] {
  const looks = looksOf(tile, c)
  const live = [
    ...heading(tile, looks, c),
    plainForm(
      tile,
      tile.asked.map((_, i) => field(tile, i, looks, c)),
      looks,
      c,
    ),
  ]
  return liveOr(c, live, formStill(tile, looks, c))
}
