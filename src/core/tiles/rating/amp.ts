import type { ElementContent } from 'hast'
import { css, el, text } from '../../html/element'
import type { TileContext } from '../context'
import { ampForm } from '../interactive/answering'
import { nameOf } from '../interactive/live'
import { looksOf } from '../interactive/looks'
import { chosenStep, endsOf, questionOf, stepStyle } from './html'
import { RATING, stepsOf } from './scale'
import type { RatingTile } from './schema'

/** A form whose steps are options of an `amp-selector`; stars up to the chosen one shine (amp-bind). */
export function ratingAmp(tile: RatingTile, c: TileContext): ElementContent[] {
  const looks = looksOf(tile, c)
  const state = `${nameOf(tile)}_r`.replace(/-/g, '_')
  const name = `ix-step-${tile.scale}-${looks.accent.slice(1)}`
  const on = chosenStep(tile, looks).replace(/!important/g, '')
  c.rules.custom('', `.${name}[selected]`, on)
  c.rules.custom('', `.${name}.ix-lit`, on)
  const selector = el(
    'amp-selector',
    { layout: 'container', name: RATING, on: `select:AMP.setState({${state}:event.targetOption})` },
    stepsOf(tile).map((step, i) =>
      el(
        'div',
        {
          option: step.value,
          role: 'option',
          ariaLabel: step.said,
          className: [name],
          ...(tile.scale === 'stars' ? { '[class]': `${state}>${i}?'${name} ix-lit':'${name}'` } : {}),
          style: css(stepStyle(tile, looks)),
        },
        text(step.shown),
      ),
    ),
  )
  return [questionOf(tile, looks, c), ampForm(tile, [selector, ...endsOf(tile, looks, c)], looks, c)]
}
