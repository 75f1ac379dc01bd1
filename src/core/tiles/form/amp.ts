import type { ElementContent } from 'hast'
import { css, el, text } from '../../html/element'
import type { TileContext } from '../context'
import { isAsked } from '../interactive/answer'
import { ampForm } from '../interactive/answering'
import { looksOf, type Looks } from '../interactive/looks'
import { said } from '../interactive/pieces'
import { field, heading } from './fields'
import { formStill } from './html'
import type { FormTile } from './schema'

/** A line for each choice, as the answers' answer counts them. */
function counted(looks: Looks, c: TileContext): ElementContent[] {
  return [
    text('{{#results}}'),
    said('p', '{{label}}: {{count}} ({{percent}} %)', looks.body, c, { margin: '0 0 6px' }),
    text('{{/results}}'),
  ]
}

/** A form that is sent in place (amp-form). */
export function formAmp(tile: FormTile, c: TileContext): ElementContent[] {
  const looks = looksOf(tile, c)
  if (!isAsked(tile.target.action)) return formStill(tile, looks, c)
  const children = tile.asked.map((_, i) => field(tile, i, looks, c))
  return [
    el('div', { style: css({ padding: '0' }) }, [
      ...heading(tile, looks, c),
      ampForm(tile, children, looks, c, tile.results ? counted(looks, c) : []),
    ]),
  ]
}
