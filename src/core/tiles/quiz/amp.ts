import type { ElementContent } from 'hast'
import { el } from '../../html/element'
import type { TileContext } from '../context'
import { nameOf } from '../interactive/live'
import { looksOf } from '../interactive/looks'
import { pressLink, said } from '../interactive/pieces'
import { ask, optionStyle, result, resultBox, verdict } from './parts'
import { resultsOf } from './results'
import type { QuizTile } from './schema'

/** A selector for each question; what is said, and the result, hang on what was chosen (amp-bind). */
export function quizAmp(tile: QuizTile, c: TileContext): ElementContent[] {
  const looks = looksOf(tile, c)
  const name = nameOf(tile).replace(/-/g, '_')
  const of = (n: number) => `${name}_q${n}`
  const answered = tile.questions.map((_, n) => `${of(n)}!=null`).join('&&')
  const count = tile.questions.map((q, n) => `(${of(n)}=='${q.right}'?1:0)`).join('+')
  const results = resultsOf(tile)
  const mark = `ix-said-${looks.accent.slice(1)}`
  c.rules.custom('', `.${mark}[selected]`, `border-color:${looks.accent}`)
  return [
    ...tile.questions.flatMap((q, n): ElementContent[] => [
      ask(q, n, looks, c),
      el(
        'amp-selector',
        { layout: 'container', on: `select:AMP.setState({${of(n)}:event.targetOption})` },
        q.options.map((option, i) => {
          const made = said('div', option, looks.body, c, optionStyle(looks), [mark])
          return { ...made, properties: { option: String(i), role: 'option', ...made.properties } }
        }),
      ),
      el('div', { '[hidden]': `${of(n)}!='${q.right}'`, hidden: true }, verdict(q, true, looks, c)),
      el(
        'div',
        { '[hidden]': `${of(n)}==null||${of(n)}=='${q.right}'`, hidden: true },
        verdict(q, false, looks, c),
      ),
    ]),
    ...results.map((r, n) => {
      const next = results[n + 1]
      const holds = `(${count})>=${r.from}${next ? `&&(${count})<${next.from}` : ''}`
      const box = resultBox(result(r, looks, c), looks)
      return {
        ...box,
        properties: { '[hidden]': `!(${answered}&&${holds})`, hidden: true, ...box.properties },
      }
    }),
    ...pressLink(tile.label, tile.link, looks, c),
  ]
}
