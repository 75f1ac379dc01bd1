import { beneath, TO } from '../kit'
import { bandsOf } from '../starter'

const panel = (title: string, text: string) => ({ title, text, label: '', link: '' })

/** Where a rating or a vote goes until it is written. */
const target = { action: `${TO}answers`, page: `${TO}answer` }
const sayings = {
  send: 'Send it',
  waiting: 'On its way…',
  thanks: 'Thank you, it has arrived.',
  failed: 'It did not arrive. Press again, or answer on our page.',
}

export const answers = bandsOf('Answers', {
  'answers-questions': [
    'Questions that open',
    (k, name) =>
      k.band(name, [
        k.words('## What people ask'),
        beneath(
          k.tile('panels', {
            as: 'reveal',
            one: true,
            open: 0,
            panels: [
              panel('How do I get there?', 'Say it in two sentences, with the name of the stop.'),
              panel('What should I bring?', 'Say what is needed, and what is lent out.'),
              panel('And if it rains?', 'Say by when you decide, and how people hear of it.'),
            ],
          }),
          18,
        ),
      ]),
  ],
  'answers-tabs': [
    'Three days to look at',
    (k, name) =>
      k.band(
        name,
        [
          k.words('## Three days', { align: 'center' }),
          beneath(
            k.tile('panels', {
              as: 'tabs',
              one: true,
              open: 0,
              panels: [
                panel('Friday', 'What happens in the evening, and where one meets.'),
                panel('Saturday', 'The long day, hour by hour.'),
                panel('Sunday', 'What is left, and the way home.'),
              ],
            }),
            18,
          ),
        ],
        { on: 'tint', top: 40, bottom: 40 },
      ),
  ],
  'answers-quiz': [
    'Three questions and a result',
    (k, name) =>
      k.band(name, [
        k.words('## Do you know it?\nThree presses, and you do.'),
        beneath(
          k.tile('quiz', {
            questions: [
              { ask: 'A first question', options: ['This', 'Or that'], right: 0, why: 'Why it is so.' },
              { ask: 'A second one', options: ['Sooner', 'Later'], right: 1, why: 'Why it is so.' },
              { ask: 'And a third', options: ['More', 'Less'], right: 0, why: 'Why it is so.' },
            ],
            results: [
              { from: 0, title: 'Now you know', text: 'Read on: it is all in this letter.' },
              { from: 2, title: 'You know it well', text: 'Tell us what we forgot.' },
            ],
            label: 'Read on',
            link: TO,
          }),
          18,
        ),
      ]),
  ],
  'answers-rating': [
    'Stars to press',
    (k, name) =>
      k.band(
        name,
        [
          k.tile('rating', {
            question: 'How was the evening?',
            scale: 'stars',
            low: 'poor',
            high: 'splendid',
            target,
            sayings,
          }),
        ],
        { on: 'tint', top: 40, bottom: 40 },
      ),
  ],
  'answers-vote': [
    'A vote',
    (k, name) =>
      k.band(name, [
        k.words('## Which of these next?'),
        beneath(
          k.tile('form', {
            title: '',
            asked: [
              {
                kind: 'choice',
                name: 'choice',
                label: 'Your choice',
                required: true,
                options: ['The first', 'The second', 'The third'],
              },
            ],
            results: true,
            target,
            sayings,
          }),
          18,
        ),
      ]),
  ],
})
