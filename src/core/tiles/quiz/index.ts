import { quizHtml } from '#interactive'
import { sides } from '../../email/styles'
import { linked } from '../context'
import { defineTile, none } from '../definition'
import { pairOf, plainHolder } from '../letters'
import { looksOf } from '../interactive/looks'
import { resultsOf, shareOf } from './results'
import { quizSchema, type QuizTile } from './schema'

export const quiz = defineTile<QuizTile>({
  kind: 'quiz',
  schema: quizSchema,
  first: () => ({
    padding: sides(12, 0),
    questions: [{ ask: 'Which is right?', options: ['This', 'That'], right: 0, why: '' }],
    results: [
      { from: 0, title: 'Not this time', text: '' },
      { from: 1, title: 'All right', text: '' },
    ],
    label: '',
    link: '',
  }),
  holder: plainHolder,
  html: quizHtml,
  states: () => ['asked', 'all wrong', 'all right'],
  text: (tile, c) =>
    [
      ...tile.questions.map((q, n) =>
        [`${n + 1}. ${q.ask}`, ...q.options.map((o) => `- ${o}`), `\u2713 ${q.options[q.right] ?? ''}`, q.why]
          .filter(Boolean)
          .join('\n'),
      ),
      resultsOf(tile)
        .map((r, n) => [`${shareOf(tile, n)}: ${r.title}`, r.text].filter(Boolean).join('\n'))
        .join('\n'),
      linked(tile.label, tile.link, c),
    ]
      .filter(Boolean)
      .join('\n\n'),
  links: (tile) => (tile.label || tile.link ? [{ href: tile.link, from: 'button', said: tile.label }] : []),
  relinked: (tile, swap) => ({ link: swap(tile.link) }),
  words: (tile) =>
    [
      ...tile.questions.flatMap((q) => [q.ask, ...q.options, q.why]),
      ...tile.results.flatMap((r) => [r.title, r.text]),
      tile.label,
    ].filter(Boolean),
  pictures: none,
  lacks: (tile) => {
    if (tile.questions.some((q) => !q.ask.trim())) return 'Question without words'
    return tile.questions.some((q) => q.right >= q.options.length) ? 'Question without a right answer' : null
  },
  wordless: () => null,
  pairs: (tile, look, ground) => [pairOf(looksOf(tile, { look, ground }).body, ground)],
})
