import { beneath, type Kit } from '../kit'
import type { Motif } from '../motifs'
import { bandsOf } from '../starter'

const story = (k: Kit, title: string) =>
  k.words(`## ${title}\nThree lines of it, so that one knows whether to go on.\n[Read the whole story]`)

const half = (k: Kit, motif: Motif, alt: string) => {
  const width = (k.room - 24) / 2
  return k.picture(motif, width, width * 0.75, alt)
}

export const stories = bandsOf('Stories', {
  'story-left': [
    'Story, its picture on the left',
    (k, name) =>
      k.columns(
        name,
        [
          { share: 1, items: [half(k, 'path', 'A path between two fields')] },
          { share: 1, items: [story(k, 'The long way round')], look: { valign: 'middle' } },
        ],
        { gap: 24 },
      ),
  ],
  'story-right': [
    'Story, its picture on the right',
    (k, name) =>
      k.columns(
        name,
        [
          { share: 1, items: [story(k, 'What the boat brought')], look: { valign: 'middle' } },
          { share: 1, items: [half(k, 'boat', 'A boat under sail')] },
        ],
        { gap: 24, narrow: 'reverse' },
      ),
  ],
  'story-two': [
    'Two stories beside each other',
    (k, name) =>
      k.columns(
        name,
        [
          { share: 1, items: [half(k, 'leaf', 'A leaf'), beneath(story(k, 'From the garden'))] },
          { share: 1, items: [half(k, 'lantern', 'A lantern'), beneath(story(k, 'From the house'))] },
        ],
        { gap: 24 },
      ),
  ],
  'story-notes': [
    'Three short notes',
    (k, name) =>
      k.columns(
        name,
        ['First', 'Second', 'Third'].map((title) => ({
          share: 1,
          items: [k.words(`## ${title} note\nTwo lines and [a way on].`)],
        })),
        { on: 'tint', gap: 24 },
      ),
  ],
  'story-steps': [
    'Steps, numbered',
    (k, name) =>
      k.band(name, [
        k.words('## How it goes'),
        ...['Take the first step', 'Then the second', 'And you are done'].map((step, i) =>
          k.row(
            [
              { share: 1, items: [k.words(`### ${i + 1}`, { align: 'center' })] },
              { share: 8, items: [k.words(`*${step}*\nA line on how.`)] },
            ].map((c) => ({ ...c, look: { padding: { top: 16, right: 0, bottom: 0, left: 0 } } })),
            k.room,
            'keep',
            12,
          ),
        ),
      ]),
  ],
})
