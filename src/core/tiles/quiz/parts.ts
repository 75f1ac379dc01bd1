import type { Element, ElementContent } from 'hast'
import { css, el } from '../../html/element'
import type { TileContext } from '../context'
import type { Looks } from '../interactive/looks'
import { paragraphs, said } from '../interactive/pieces'
import type { QuizTile } from './schema'

type Question = QuizTile['questions'][number]

export const ask = (question: Question, i: number, looks: Looks, c: TileContext): Element =>
  said('p', `${i + 1}. ${question.ask}`, looks.body, c, { 'font-weight': 'bold', margin: '12px 0 6px' })

/** Whether it was right, and why. */
export const verdict = (
  question: Question,
  right: boolean,
  looks: Looks,
  c: TileContext,
): ElementContent[] => [
  said('p', right ? '\u2713' : `\u2717 ${answerOf(question)}`, looks.body, c, VERDICT),
  ...paragraphs(question.why, looks.body, c),
]

const VERDICT = { 'font-weight': 'bold', margin: '6px 0 4px' } as const

const answerOf = (question: Question): string => question.options[question.right] ?? ''

/** The right answer, and why, where nothing can be chosen. */
export const answer = (question: Question, looks: Looks, c: TileContext): ElementContent[] => [
  said('p', `\u2713 ${answerOf(question)}`, looks.body, c, VERDICT),
  ...paragraphs(question.why, looks.body, c),
]

export const result = (
  { title, text }: QuizTile['results'][number],
  looks: Looks,
  c: TileContext,
): ElementContent[] => [
  said('p', title, looks.body, c, { 'font-weight': 'bold', margin: '0 0 4px' }),
  ...paragraphs(text, looks.body, c),
]

/** A result, set off by a line of the accent. */
export const resultBox = (children: ElementContent[], looks: Looks, more = ''): Element =>
  el(
    'div',
    {
      style: [
        css({ margin: '14px 0 0', padding: '10px 0 0 12px', 'border-left': `4px solid ${looks.accent}` }),
        more,
      ]
        .filter(Boolean)
        .join(';'),
    },
    children,
  )

/** How an option looks that is pressed. */
export const optionStyle = (looks: Looks) => ({
  display: 'block',
  padding: '9px 12px',
  margin: '0 0 6px',
  border: `1px solid ${looks.edge}`,
  'border-radius': looks.radius || undefined,
  cursor: 'pointer',
})
