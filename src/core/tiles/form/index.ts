import { formHtml } from '#interactive'
import { sides } from '../../email/styles'
import { linked } from '../context'
import { defineTile, none } from '../definition'
import { pairOf, plainHolder } from '../letters'
import { phrasesOf } from '../../text/phrases'
import { hostOf, sentStates } from '../interactive/answer'
import { looksOf } from '../interactive/looks'
import { firstSayings, firstTarget } from '../interactive/schema'
import { formSchema, type FormTile } from './schema'

/** What leads to the page where nothing can be sent: it says where. */
function sendWords({ target, sayings }: FormTile, lang: string): string {
  const where = hostOf(target.page)
  return where ? phrasesOf(lang).answerAt(where) : sayings.send
}

export const form = defineTile<FormTile>({
  kind: 'form',
  schema: formSchema,
  first: () => ({
    padding: sides(12, 0),
    title: '',
    asked: [
      {
        kind: 'choice',
        name: 'choice',
        label: 'Which of these?',
        required: true,
        options: ['The first', 'The second'],
      },
    ],
    results: true,
    target: firstTarget,
    sayings: firstSayings,
  }),
  holder: plainHolder,
  html: formHtml,
  states: () => ['asked', ...sentStates],
  text: (tile, c) =>
    [
      tile.title,
      ...tile.asked.flatMap((a) => [a.label, ...a.options.map((o) => `- ${o}`)]),
      linked(sendWords(tile, c.lang), tile.target.page, c),
    ]
      .filter(Boolean)
      .join('\n'),
  links: (tile) => [{ href: tile.target.page, from: 'button', said: tile.sayings.send }],
  relinked: (tile, swap) => ({ target: { ...tile.target, page: swap(tile.target.page) } }),
  words: (tile) =>
    [
      tile.title,
      ...tile.asked.flatMap((a) => [a.label, a.title ?? '', ...a.options]),
      ...Object.values(tile.sayings),
    ].filter(Boolean),
  pictures: none,
  lacks: (tile) => {
    const empty = tile.asked.find((a) => !a.label.trim())
    if (empty) return 'Question without words'
    const none = tile.asked.find((a) => ['choice', 'several'].includes(a.kind) && a.options.length < 2)
    return none ? `Nothing to choose among: ${none.label}` : null
  },
  wordless: () => null,
  pairs: (tile, look, ground) => [pairOf(looksOf(tile, { look, ground }).body, ground)],
})
