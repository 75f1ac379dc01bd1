import type { ElementContent } from 'hast'
import { css, el } from '../../html/element'
import { phrasesOf } from '../../text/phrases'
import type { TileContext } from '../context'
import { answerLink, hostOf } from '../interactive/answer'
import { plainForm } from '../interactive/answering'
import { liveOr } from '../interactive/live'
import { looksOf, type Looks } from '../interactive/looks'
import { pressLink, said, textLink } from '../interactive/pieces'
import { field, heading } from './fields'
import type { FormTile } from './schema'

/** What is asked, choices as links that answer at once, and a link to the page. */
export function formStill(tile: FormTile, looks: Looks, c: TileContext): ElementContent[] {
  const { page } = tile.target
  const where = hostOf(page)
  // One choice is answered by a press on its answer.
  const single = tile.asked.length === 1 && tile.asked[0]!.options.length > 0 && page.trim() !== ''
  const { answerAt, pressOne } = phrasesOf(c.lang)
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
                return single
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
    ...(single
      ? where
        ? [said('p', pressOne(where), looks.small, c)]
        : []
      : pressLink(where ? answerAt(where) : tile.sayings.send, page, looks, c)),
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
