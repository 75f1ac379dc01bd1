import { beneath, type Kit } from '../kit'
import { bandsOf } from '../starter'

const voice = (k: Kit, text: string, who: string, about: string, align: 'left' | 'center') =>
  k.tile('review', { text, who, about, stars: 5, starColor: k.tones.accentInk, align })

export const voices = bandsOf('Voices', {
  'voice-one': [
    'One voice, with stars',
    (k, name) =>
      k.band(
        name,
        [
          voice(
            k,
            'I slept through two borders and woke to tea. I would not go another way.',
            'A passenger',
            'on the way north',
            'center',
          ),
        ],
        { on: 'tint', top: 44, bottom: 44 },
      ),
  ],
  'voice-two': [
    'Two voices beside each other',
    (k, name) =>
      k.columns(
        name,
        [
          {
            share: 1,
            items: [voice(k, 'It came whole, and a day early.', 'A reader', 'who ordered twice', 'left')],
          },
          { share: 1, items: [voice(k, 'They knew the answer at once.', 'A caller', 'on a Sunday', 'left')] },
        ],
        { gap: 32 },
      ),
  ],
  'voice-quotation': [
    'A quotation',
    (k, name) =>
      k.band(name, [
        k.words('> What somebody said, in the words in which it was said, short enough to be remembered.'),
        beneath(k.words('*Who said it*, and where', { small: true })),
      ]),
  ],
  'voice-portrait': [
    'A portrait and a few words',
    (k, name) =>
      k.columns(
        name,
        [
          { share: 1, items: [k.picture('arch', 96, 96, 'Who writes this', { radius: 48 })] },
          {
            share: 4,
            items: [k.words('## Who writes this\nA line or two, so that readers know with whom they speak.')],
            look: { valign: 'middle' },
          },
        ],
        { gap: 20, narrow: 'keep' },
      ),
  ],
})
