import type { ElementContent } from 'hast'
import { css, el, text } from '../../html/element'
import type { TileContext } from '../context'
import { nameOf, shownState } from '../interactive/live'
import { looksOf } from '../interactive/looks'
import { optionContent, ring, swatchStyle, titleOf } from './html'
import type { SwatchesTile } from './schema'

/** A selector whose choice hides the other kinds (amp-bind; pictures may not be bound in email, so each has its own). */
export function swatchesAmp(tile: SwatchesTile, c: TileContext): ElementContent[] {
  const looks = looksOf(tile, c)
  const state = nameOf(tile).replace(/-/g, '_')
  const open = shownState(tile, c, 0) ?? 0
  const mark = `ix-sw-${looks.accent.slice(1)}`
  c.rules.custom('', `.${mark}[selected]`, ring(looks))
  return [
    ...titleOf(tile, looks, c),
    ...tile.options.map((option, i) =>
      el(
        'div',
        {
          '[hidden]': `(${state}==null?'${open}':${state})!='${i}'`,
          ...(i === open ? {} : { hidden: true }),
        },
        optionContent(option, tile.label, looks, c),
      ),
    ),
    el(
      'amp-selector',
      { layout: 'container', on: `select:AMP.setState({${state}:event.targetOption})` },
      tile.options.map((option, i) =>
        el(
          'div',
          {
            option: String(i),
            role: 'option',
            ariaLabel: option.name,
            className: [mark],
            ...(i === open ? { selected: true } : {}),
            style: css(swatchStyle(option.color, looks)),
          },
          text('\u00a0'),
        ),
      ),
    ),
  ]
}
