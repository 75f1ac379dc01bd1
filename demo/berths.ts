import { newBand, newCell, newEmail } from '@/core/email/defaults'
import { textOf } from '@/core/email/richtext'
import type { Band, Email } from '@/core/email/schema'
import { sides } from '@/core/email/styles'
import type { Tile } from '@/core/email/tile'
import { answersAddress } from '@/core/interact/addresses'
import type { PictureRef } from '@/core/picture/ref'
import { newTile } from '@/core/tiles'
import { random, rect, text } from './drawing'
import { heading, words } from './letter'

const SITE = 'https://halden-rail.example'

/** What the stand-in answers to a live list: tonight's trains. */
export const trains = {
  items: [
    {
      title: '21:40 to Aldersund',
      text: 'Platform 4, on time',
      price: 'from 39',
      link: `${SITE}/trains/2140`,
    },
    {
      title: '22:15 to Norrvik',
      text: 'Platform 2, ten minutes late',
      price: 'from 34',
      link: `${SITE}/trains/2215`,
    },
    {
      title: '23:05 to the coast',
      text: 'Platform 4, on time',
      price: 'from 29',
      link: `${SITE}/trains/2305`,
    },
  ],
}

/** Three ways to lie down, each as its compartment at night. */
export const berths = [
  {
    name: 'Reclining seat',
    color: '#b9722d',
    price: '39',
    says: 'A reclining seat by a window, stars outside',
  },
  {
    name: 'Couchette for four',
    color: '#2f6f73',
    price: '64',
    says: 'Four bunks with blankets, two above two',
  },
  { name: 'Sleeper for two', color: '#4a3a6b', price: '118', says: 'Two made beds, a wash stand and a lamp' },
] as const

const stars = (seed: number, w: number, h: number): string => {
  const next = random(seed)
  return Array.from(
    { length: 60 },
    () => `<circle cx="${next() * w}" cy="${next() * h}" r="${0.6 + next() * 1.6}" fill="#f4e9c8"/>`,
  ).join('')
}

const svg = (w: number, h: number, inside: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="0 0 ${w} ${h}">${inside}</svg>`

/** A compartment as SVG, px of double size: bunks below a window, in the colour of its kind. */
export function berthDrawing(i: number): string {
  const { color } = berths[i]!
  const [w, h] = [1020, 520]
  const window = `<svg x="330" y="50" width="360" height="190">${rect(0, 0, 360, 190, '#0d1b2a')}${stars(7 + i, 360, 190)}</svg><rect x="330" y="50" width="360" height="190" fill="none" stroke="#e7dcc6" stroke-width="10" rx="14"/>`
  const bunk = (x: number, y: number, width: number) =>
    rect(x, y, width, 46, color, 'rx="8"') +
    rect(x + 8, y - 26, 96, 34, '#f3ecdd', 'rx="10"') +
    rect(x + 110, y - 12, width - 122, 22, '#e7dcc6', 'rx="8"')
  const seat =
    rect(180, 250, 90, 190, color, 'rx="18"') +
    rect(180, 390, 260, 60, color, 'rx="14"') +
    rect(580, 390, 260, 60, color, 'rx="14"') +
    rect(750, 250, 90, 190, color, 'rx="18"')
  const inside = [
    seat,
    bunk(60, 330, 380) + bunk(580, 330, 380) + bunk(60, 160, 230) + bunk(730, 160, 230),
    bunk(60, 360, 520) +
      bunk(60, 190, 230) +
      rect(780, 300, 180, 150, '#e7dcc6', 'rx="10"') +
      `<circle cx="870" cy="270" r="26" fill="#f0c674"/>`,
  ][i]!
  return svg(w, h, rect(0, 0, w, h, '#24393d') + rect(0, 450, w, 70, '#182a2d') + window + inside)
}

/** The same compartment by day and by night, for the picture that changes. */
export const windowDrawing = (night: boolean): string =>
  svg(
    1020,
    420,
    rect(0, 0, 1020, 420, night ? '#0d1b2a' : '#bcd7d9') +
      (night ? stars(3, 1020, 230) : `<circle cx="820" cy="110" r="52" fill="#f6d488"/>`) +
      `<path d="M0 300 Q 180 190 360 280 T 720 250 T 1020 290 V420 H0Z" fill="${night ? '#1c3140' : '#7fa58b'}"/>` +
      `<path d="M0 350 Q 250 290 520 345 T 1020 335 V420 H0Z" fill="${night ? '#12222e' : '#5c8a6d'}"/>` +
      text(48, 392, night ? 'Norrvik, three in the morning' : 'Norrvik, an hour after breakfast', {
        font: 'Georgia, serif',
        size: 30,
        color: night ? '#e9dcc8' : '#12343b',
      }),
  )

/** A little space between what follows each other. */
const spaced = (tile: Tile, i: number): Tile =>
  i ? { ...tile, padding: { ...tile.padding, top: 12 } } : tile

const band = (id: string, name: string, items: Tile[], more: Partial<Band> = {}): Band => ({
  ...newBand(600, () => id),
  id: `b-${id}`,
  name,
  background: '#ffffff',
  padding: { top: 22, right: 45, bottom: 22, left: 45 },
  narrowPadding: { top: 18, right: 20, bottom: 18, left: 20 },
  cells: [{ ...newCell(510, () => `c-${id}`), items: items.map(spaced) }],
  ...more,
})

const answered = (form: string) => ({ action: answersAddress(form), page: answersAddress(form) })

const sayings = (thanks: string) => ({
  send: 'Send',
  waiting: 'One moment.',
  thanks,
  failed: 'That did not arrive. Try again, or answer on our page.',
})

/** Everything that answers inside the message. @param pictures of the berths, then of the window by day and by night */
function interactive([seat, couchette, sleeper, day, night]: readonly PictureRef[]): Record<string, Tile> {
  const shown = [seat, couchette, sleeper]
  return {
    berths: {
      ...newTile('swatches'),
      id: 't-berths',
      title: 'How would you like to lie?',
      options: berths.map((b, i) => ({
        name: b.name,
        color: b.color,
        price: b.price,
        shows: { picture: shown[i] ?? null, alt: b.says },
        link: `${SITE}/berths/${i + 1}`,
      })),
      label: 'Keep this berth',
    } as Tile,
    window: {
      ...newTile('swap'),
      id: 't-window',
      how: 'press',
      first: { picture: day ?? null, alt: 'Hills near Norrvik by day' },
      second: { picture: night ?? null, alt: 'The same hills under stars' },
      hint: 'Press the window for the night.',
      link: '',
    } as Tile,
    trains: {
      ...newTile('live'),
      id: 't-trains',
      address: `${answersAddress('lists')}/trains`,
      most: 3,
      label: 'See this train',
      rows: trains.items,
      page: `${SITE}/trains`,
      more: 'All trains',
    } as Tile,
    rating: {
      ...newTile('rating'),
      id: 't-rating',
      question: 'You came with us in October. How did you sleep?',
      scale: 'stars',
      low: 'not at all',
      high: 'like a stone',
      target: answered('slept'),
      sayings: sayings('Thank you: the night crew reads every answer.'),
    } as Tile,
    poll: {
      ...newTile('form'),
      id: 't-poll',
      title: '',
      asked: [
        {
          kind: 'choice',
          name: 'stop',
          label: 'Where should the train stop next winter?',
          required: true,
          options: ['Skerry Bridge', 'Old Sawmill', 'Lake End'],
        },
      ],
      results: true,
      target: answered('next-stop'),
      sayings: sayings('Counted. So far:'),
    } as Tile,
    questions: {
      ...newTile('panels'),
      id: 't-questions',
      as: 'reveal',
      one: true,
      open: null,
      panels: [
        {
          title: 'May I bring a bicycle?',
          text: 'Yes, in the van behind the engine. Be there twenty minutes early.',
          label: '',
          link: '',
        },
        {
          title: 'What is for breakfast?',
          text: 'Rye bread, cheese, an apple and as much tea as you like, from six.',
          label: '',
          link: '',
        },
        {
          title: 'Can I change my mind?',
          text: 'Until noon of the day before, at no cost.',
          label: 'Change a berth',
          link: `${SITE}/change`,
        },
      ],
    } as Tile,
  }
}

/** A letter in which a berth is chosen, a night is rated and a stop is voted for, without leaving it. */
export function berthChoice(pictures: readonly PictureRef[]): Email {
  const t = interactive(pictures)
  return {
    ...newEmail(600),
    title: 'Choose a berth',
    subject: 'Your night to Aldersund: choose how to lie',
    preheader: 'Three kinds of berth, tonight’s trains, and a stop to vote for.',
    bands: [
      band(
        'head',
        'Head',
        [{ ...words('t-head', ...textOf('Halden Night Rail').content), style: { color: '#ffffff' } } as Tile],
        {
          role: 'header',
          background: '#12343b',
          padding: sides(18, 45),
        },
      ),
      band('choose', 'Choose a berth', [
        words(
          't-choose',
          heading(1, 'A berth for the winter'),
          ...textOf(
            'The night train leaves at 21:40. Choose how you would like to lie, and we keep it for two days.',
          ).content,
        ),
        t.berths!,
      ]),
      band('look', 'Out of the window', [words('t-look', heading(2, 'Out of the window')), t.window!]),
      band('tonight', 'Tonight', [words('t-tonight', heading(2, 'Tonight’s trains')), t.trains!], {
        background: '#eef3ef',
      }),
      band('asked', 'You are asked', [t.rating!]),
      band('vote', 'Vote', [t.poll!], { background: '#eef3ef' }),
      band('know', 'Good to know', [words('t-know', heading(2, 'Good to know')), t.questions!]),
      band(
        'foot',
        'Foot',
        [
          words('t-foot', ...textOf('Halden Night Rail, Platform House, Station Road 1, Halden').content, {
            type: 'paragraph',
            content: [
              {
                type: 'text',
                text: 'Unsubscribe',
                marks: [{ type: 'link', attrs: { href: '[[unsubscribe]]' } }],
              },
            ],
          }),
        ],
        { role: 'footer' },
      ),
    ],
  }
}
