import type { ElementContent } from 'hast'
import { css, el, text } from '../../html/element'
import type { TileContext } from '../context'
import { isAsked } from '../interactive/answer'
import { ampForm } from '../interactive/answering'
import { nameOf } from '../interactive/live'
import { looksOf } from '../interactive/looks'
import { chosenStep, endsOf, questionOf, ratingStill, stepStyle } from './html'
import { RATING, stepsOf } from './scale'
import type { RatingTile } from './schema'

/** A form whose steps are options of an `amp-selector`; stars up to the chosen one shine (amp-bind). */
export function ratingAmp(tile: RatingTile, c: TileContext): ElementContent[] {
  const looks = looksOf(tile, c)
  if (!isAsked(tile.target.action)) return ratingStill(tile, looks, c)
  const state = `${nameOf(tile)}_r`.replace(/-/g, '_')
  const name = `ix-step-${tile.scale}-${looks.accent.slice(1)}`
  const on = chosenStep(tile, looks).replace(/!important/g, '')
  c.rules.custom('', `.${name}[selected]`, on)
  c.rules.custom('', `.${name} .ix-lit`, on)
  // What is bound takes the place of all classes, so a star has an element of its own without any other.
  const star = (shown: string, i: number) =>
    el('span', { '[class]': `${state}>${i}?'ix-lit':''` }, text(shown))
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
          style: css(stepStyle(tile, looks)),
        },
        tile.scale === 'stars' ? star(step.shown, i) : text(step.shown),
      ),
    ),
  )
  return [questionOf(tile, looks, c), ampForm(tile, [selector, ...endsOf(tile, looks, c)], looks, c)]
}
