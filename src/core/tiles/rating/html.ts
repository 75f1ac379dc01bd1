import type { Element, ElementContent } from 'hast'
import { css, el, text, type Declarations } from '../../html/element'
import { hrefOf } from '../../text/link'
import { classes, type TileContext } from '../context'
import { answerLink } from '../interactive/answer'
import { plainForm } from '../interactive/answering'
import { inputs, labelClasses, liveOr, nameOf } from '../interactive/live'
import { looksOf, type Looks } from '../interactive/looks'
import { heard, nightNames, said } from '../interactive/pieces'
import { RATING, stepsOf } from './scale'
import type { RatingTile } from './schema'

/** How a step looks while it is not chosen. */
export function stepStyle({ scale }: Pick<RatingTile, 'scale'>, looks: Looks): Declarations {
  const ten = scale === 'ten'
  return {
    display: 'inline-block',
    'min-width': ten ? 30 : 40,
    margin: ten ? '0 3px 6px 0' : '0 4px 6px 0',
    'font-family': 'Arial, sans-serif',
    'font-size': ten ? 15 : 30,
    'line-height': ten ? '40px' : '44px',
    'text-align': 'center',
    'text-decoration': 'none',
    color: scale === 'stars' ? looks.edge : looks.body.color,
    cursor: 'pointer',
    ...(ten ? { border: `1px solid ${looks.edge}`, 'border-radius': looks.radius || undefined } : {}),
  }
}

/** Its classes at night, while it is not chosen: stars have the ink of edges. */
export function stepNight({ scale }: Pick<RatingTile, 'scale'>, looks: Looks, c: TileContext): string[] {
  if (scale === 'ten') return nightNames(looks, c, 'ink', 'edge')
  if (scale === 'stars') return looks.night ? [c.rules.nightInk(looks.night.edge)] : []
  return nightNames(looks, c, 'ink')
}

/** How a chosen step looks. */
export const chosenStep = ({ scale }: Pick<RatingTile, 'scale'>, looks: Looks): string =>
  scale === 'stars'
    ? `color:${looks.accent}!important`
    : scale === 'ten'
      ? `background-color:${looks.accent}!important;color:${looks.onAccent}!important`
      : `outline:3px solid ${looks.accent}!important`

export const questionOf = (tile: RatingTile, looks: Looks, c: TileContext): Element =>
  said('p', tile.question, looks.body, c, { 'font-weight': 'bold' })

export const endsOf = (tile: RatingTile, looks: Looks, c: TileContext): Element[] =>
  tile.low || tile.high
    ? [
        said('p', [tile.low, tile.high].filter(Boolean).join(' – '), looks.small, c, {
          margin: '0 0 10px',
        }),
      ]
    : []

/** Each step as a link that answers at once. */
export function ratingStill(tile: RatingTile, looks: Looks, c: TileContext): ElementContent[] {
  const ten = tile.scale === 'ten'
  return [
    questionOf(tile, looks, c),
    el(
      'p',
      { style: css({ margin: '0' }) },
      stepsOf(tile).map((step) =>
        el(
          'a',
          {
            href: hrefOf(answerLink(tile.target.page, RATING, step.value) || '#', c.fields),
            ariaLabel: step.said,
            className: classes(...(ten ? nightNames(looks, c, 'edge') : [])),
            style: css({
              ...stepStyle(tile, looks),
              ...(tile.scale === 'stars' ? { color: looks.accent } : {}),
            }),
          },
          // Its ink on itself: some readers have one of their own for links (seen in KMail).
          el(
            'span',
            {
              className: classes(...(tile.scale === 'stars' ? [] : nightNames(looks, c, 'ink'))),
              style: css({ color: tile.scale === 'stars' ? looks.accent : looks.body.color }),
            },
            text(step.shown),
          ),
        ),
      ),
    ),
    ...endsOf(tile, looks, c),
  ]
}

/** Steps that are chosen and sent; without a form, each step is a link that answers at once. */
export function ratingHtml(tile: RatingTile, c: TileContext): ElementContent[] {
  const looks = looksOf(tile, c)
  const steps = stepsOf(tile)
  const name = `ix-step-${tile.scale}-${looks.accent.slice(1)}-`
  const chosen = { name, declarations: chosenStep(tile, looks) }
  const labels = steps.map((step, i) => {
    const names = labelClasses(c, i, chosen)
    // A star shines with all before it.
    if (tile.scale === 'stars')
      for (let at = i + 1; at < steps.length; at++)
        c.rules.custom('', `.ix-r${at}:checked~.ix-b .${name}${i}`, chosen.declarations)
    return el(
      'label',
      {
        htmlFor: [`${nameOf(tile)}-${i}`],
        className: [...names, ...stepNight(tile, looks, c)],
        style: css(stepStyle(tile, looks)),
      },
      el('span', { ariaHidden: 'true' }, text(step.shown)),
      heard(step.said, c),
    )
  })
  const live = [
    questionOf(tile, looks, c),
    plainForm(
      tile,
      [
        ...inputs(tile, steps.length, {
          name: RATING,
          values: steps.map((s) => s.value),
          chosen: null,
        }),
        el('div', { className: ['ix-b'] }, [el('div', null, labels), ...endsOf(tile, looks, c)]),
      ],
      looks,
      c,
    ),
  ]
  return liveOr(c, live, ratingStill(tile, looks, c))
}
