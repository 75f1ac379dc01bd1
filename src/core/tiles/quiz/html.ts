import type { Element, ElementContent } from 'hast'
import { css, el } from '../../html/element'
import type { TileContext } from '../context'
import { hidden, inputs, labelClasses, liveOr, nameOf, panelClass } from '../interactive/live'
import { looksOf, type Looks } from '../interactive/looks'
import { nightNames, pressLink, said } from '../interactive/pieces'
import { answer, ask, optionStyle, result, resultBox, verdict } from './parts'
import { resultsOf, shareOf } from './results'
import type { QuizTile } from './schema'

/** Where the options of each question begin, counted through. */
const startsOf = (tile: QuizTile): number[] => {
  let at = 0
  return tile.questions.map((q) => (at += q.options.length) - q.options.length)
}

/** Which options are chosen where a state is looked at: 0 nothing, 1 all wrong, 2 all right. */
const chosenOf = (tile: QuizTile, state: number | undefined) => (q: QuizTile['questions'][number]) =>
  state === 2 ? q.right : state === 1 ? (q.right + 1) % q.options.length : null

/**
 * All inputs stand first, so that a chain of siblings counts: `.ok:checked~.ok:checked` holds from two right answers on, and of
 * the results that hold the longest chain prevails (Selectors 4, 17: specificity).
 */
function live(tile: QuizTile, looks: Looks, c: TileContext): ElementContent[] {
  const starts = startsOf(tile)
  const chosen = chosenOf(tile, c.shown?.tile === tile.id ? c.shown.state : undefined)
  const boxes = tile.questions.flatMap((q, n) =>
    inputs(tile, q.options.length, {
      name: `${nameOf(tile)}-q${n}`,
      from: starts[n]!,
      chosen: chosen(q),
    }).map((box, i) =>
      i === q.right
        ? {
            ...box,
            properties: {
              ...box.properties,
              className: [...(box.properties.className as string[]), 'ix-ok'],
            },
          }
        : box,
    ),
  )
  const mark = {
    name: `ix-said-${looks.accent.slice(1)}-`,
    declarations: `border-color:${looks.accent}!important;box-shadow:inset 4px 0 0 ${looks.accent}!important`,
  }
  const results = resultsOf(tile)
  for (const [n, r] of results.entries()) {
    const chain = '.ix-ok:checked~'.repeat(r.from) || '.ix-i:checked~'
    results.forEach((_, other) =>
      c.rules.custom(
        '',
        `${chain}.ix-b .ix-res${other}`,
        `display:${other === n ? 'block' : 'none'}!important`,
      ),
    )
  }
  return [
    ...boxes,
    el('div', { className: ['ix-b'] }, [
      ...tile.questions.flatMap((q, n) => [
        ask(q, n, looks, c),
        ...q.options.map((option, i) => {
          const at = starts[n]! + i
          const label = said('label', option, looks.body, c, optionStyle(looks), [
            ...labelClasses(c, at, mark),
            ...nightNames(looks, c, 'edge'),
          ])
          return { ...label, properties: { htmlFor: [`${nameOf(tile)}-${at}`], ...label.properties } }
        }),
        ...q.options.map((_, i) =>
          el(
            'div',
            { className: [panelClass(c, starts[n]! + i)], style: hidden },
            verdict(q, i === q.right, looks, c),
          ),
        ),
      ]),
      ...results.map((r, n) => hiddenResult(r, n, looks, c)),
      ...pressLink(tile.label, tile.link, looks, c),
    ]),
  ]
}

function hiddenResult(r: QuizTile['results'][number], n: number, looks: Looks, c: TileContext): Element {
  const box = resultBox(result(r, looks, c), looks, hidden)
  return { ...box, properties: { className: [`ix-res${n}`], ...box.properties } }
}

/** A quiz; without it, the questions with their answers. */
export function quizHtml(tile: QuizTile, c: TileContext): ElementContent[] {
  const looks = looksOf(tile, c)
  const still = [
    ...tile.questions.flatMap((q, n) => [
      ask(q, n, looks, c),
      el(
        'ul',
        { style: css({ margin: '0 0 8px', padding: '0 0 0 20px' }) },
        q.options.map((o) => said('li', o, looks.body, c)),
      ),
      ...answer(q, looks, c),
    ]),
    ...resultsOf(tile).flatMap((r, n) =>
      result({ ...r, title: `${shareOf(tile, n)}: ${r.title}` }, looks, c),
    ),
    ...pressLink(tile.label, tile.link, looks, c),
  ]
  return liveOr(c, live(tile, looks, c), still)
}
