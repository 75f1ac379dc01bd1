import { sides } from '../../email/styles'
import { bandsOf } from '../starter'

export const openings = bandsOf('Openings', {
  'opening-picture': [
    'Picture over words',
    (k, name) =>
      k.band(
        name,
        [
          k.picture('hills', k.width, k.width / 2, 'Hills under a low sun'),
          k.words(
            '# One thing that is new\nSay it in two lines: what it is, for whom, and from when. Everything else can wait for the page behind the button.',
            { padding: { top: 28, right: 32, bottom: 0, left: 32 } },
          ),
          { ...k.button('See what is new'), padding: { top: 20, right: 32, bottom: 0, left: 32 } },
        ],
        { top: 0, bottom: 32, flush: true },
      ),
  ],
  'opening-strong': [
    'Words on a strong ground',
    (k, name) =>
      k.band(
        name,
        [
          k.words('# It begins on Friday\nOne line that says why it is worth coming.', {
            on: 'accent',
            align: 'center',
          }),
          k.button('Keep a place', { on: 'accent', align: 'center', top: 24 }),
        ],
        { on: 'accent', top: 48, bottom: 48 },
      ),
  ],
  'opening-beside': [
    'Words beside a picture',
    (k, name) =>
      k.columns(
        name,
        [
          {
            share: 1,
            items: [
              k.words('# A place to start\nTwo or three lines about it, no more.'),
              k.button('Have a look'),
            ],
            look: { valign: 'middle' },
          },
          {
            share: 1,
            items: [k.picture('arch', (k.room - 24) / 2, (k.room - 24) / 2, 'An arch, open to the light')],
          },
        ],
        { on: 'tint', gap: 24, narrow: 'reverse' },
      ),
  ],
  'opening-caption': [
    'Full picture with a caption',
    (k, name) =>
      k.band(
        name,
        [
          k.picture('water', k.width, k.width * 0.6, 'The sun over still water'),
          k.words('Where it was made, and by whom.', {
            small: true,
            padding: { top: 10, right: 32, bottom: 0, left: 32 },
          }),
        ],
        { top: 0, bottom: 16, flush: true },
      ),
  ],
  'opening-letter': [
    'A letter',
    (k, name) =>
      k.band(
        name,
        [
          k.words(
            'Dear [[given_name | friend]],\nBegin as you would begin a letter: with what you saw, heard or learned since the last one.\nThen say what you would like your reader to do, and [where to do it].\n*Your name*',
          ),
        ],
        { top: 40, bottom: 40 },
      ),
  ],
  'opening-changing': [
    'Place for a changing headline',
    (k, name) =>
      k.band(
        name,
        [
          k.picture(
            'lantern',
            k.width,
            k.width * 0.45,
            'Headline: say it here too, for readers without pictures',
          ),
          k.words('## The headline above may change\nWhat stands here holds for all its states.', {
            on: 'deep',
            align: 'center',
            padding: { top: 24, right: 32, bottom: 0, left: 32 },
          }),
        ],
        { on: 'deep', top: 0, bottom: 36, flush: true },
      ),
  ],
  'opening-deep': [
    'Large words on a deep ground',
    (k, name) =>
      k.band(
        name,
        [
          k.words('# Said once, and large', { on: 'deep' }),
          k.words('A sentence that carries on from there.', {
            on: 'deep',
            padding: { ...sides(0), top: 12 },
          }),
          k.button('Go on', { on: 'deep', top: 24 }),
        ],
        { on: 'deep', top: 56, bottom: 56 },
      ),
  ],
})
