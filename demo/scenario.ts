import { berthChoice } from './berths'
import { type Tile } from '@/core/email/tile'
import type { Cut, Panel } from '@/core/cut/plan'
import { applyEdit, type Edit } from '@/core/email/edits'
import type { SafeFont } from '@/core/email/fonts'
import { textOf, type Block, type Inline, type RichText } from '@/core/email/richtext'
import type { Band, Email } from '@/core/email/schema'
import { sides, type HouseStyle } from '@/core/email/styles'
import { placeOf } from '@/core/email/walk'
import { sowingFilm } from './sowing-film'

/**
 * The demo: a made-up freelancer's three clients and their jobs. Every name, address and number is invented.
 */
export interface DemoClient {
  name: string
  house: HouseStyle
  /** Where its page has its fonts, and which: those of its designs. */
  page: string
  fonts: { family: string; fallback: SafeFont; weights: number[] }[]
}
export interface DemoJob {
  client: string
  name: string
  due: string
  /** Left out: it began with an email of its own. */
  design?: string
  cuts?: Cut[]
  /** What lies under them, and where bands begin, where it is not told by the cuts. */
  panels?: Panel[]
  edges?: number[]
  begins?: () => Email
  /** What is made for it: what moves, or what answers inside the message. */
  makes?: 'moon' | 'film' | 'berths'
  /** Whether it gets the night palette that is proposed. */
  night?: boolean
  finish?: (e: Email) => Email
}

/** How a client's design sets its words: running words, small print and headings. @param sizes px */
const text = (
  body: { font: HouseStyle['text']['body']['font']; color: string; size: number; line: number },
  headings: {
    font: HouseStyle['text']['body']['font']
    color: string
    bold: boolean
    sizes: [number, number, number]
  },
  small: string,
): HouseStyle['text'] => {
  const { font, color, bold, sizes } = headings
  const heading = (size: number, leading: number) => ({
    font,
    color,
    bold,
    size,
    line: Math.round(size * leading),
  })
  return {
    body: { ...body, bold: false },
    small: { font: body.font, size: 13, line: 21, color: small, bold: false },
    heading1: { ...heading(sizes[0], 1.08), narrowSize: Math.min(40, sizes[0]), narrowLine: 44 },
    heading2: heading(sizes[1], 1.2),
    heading3: heading(sizes[2], 1.25),
  }
}

export const clients: DemoClient[] = [
  {
    name: 'Orrery Point Observatory',
    page: 'https://orrery-point.example',
    fonts: [
      { family: 'Marcellus', fallback: 'serif', weights: [400] },
      { family: 'Source Serif 4', fallback: 'serif', weights: [400, 700] },
    ],
    house: {
      version: 2,
      webFonts: [],
      colors: [
        { name: 'copper', value: '#b4572f' },
        { name: 'night', value: '#131c35' },
        { name: 'gold', value: '#f0cf98' },
        { name: 'cream', value: '#f4efe6' },
        { name: 'ink', value: '#1f2430' },
      ],
      ground: '#e9e2d4',
      link: { color: '#9a4421', underline: true },
      text: text(
        { font: 'Source Serif 4', color: '#3b4050', size: 17, line: 26 },
        { font: 'Marcellus', color: '#1f2430', bold: false, sizes: [56, 30, 22] },
        '#5b6070',
      ),
      button: {
        background: '#b4572f',
        color: '#ffffff',
        font: 'Source Serif 4',
        size: 17,
        bold: true,
        radius: 3,
        padX: 30,
        padY: 13,
      },
      footer: { sender: 'Orrery Point Observatory', address: 'Chapel Lane 9, Upper Tarn, TN4 2OP' },
    },
  },
  {
    name: 'Halden Night Rail',
    page: 'https://halden-rail.example',
    fonts: [
      { family: 'Barlow Condensed', fallback: 'condensed', weights: [600, 700] },
      { family: 'Barlow', fallback: 'sans', weights: [400, 700] },
    ],
    house: {
      version: 2,
      webFonts: [],
      colors: [
        { name: 'deep', value: '#12343b' },
        { name: 'teal', value: '#1f6f6b' },
        { name: 'amber', value: '#ffcf70' },
        { name: 'pale', value: '#eef3ef' },
      ],
      ground: '#dfe7e3',
      link: { color: '#1f6f6b', underline: true },
      text: text(
        { font: 'Barlow', color: '#3d5055', size: 16, line: 25 },
        { font: 'Barlow Condensed', color: '#17282c', bold: true, sizes: [64, 32, 22] },
        '#52666a',
      ),
      button: {
        background: '#ffcf70',
        color: '#17282c',
        font: 'Barlow',
        size: 16,
        bold: true,
        radius: 23,
        padX: 33,
        padY: 12,
        // Some programs take a light ground away at night: the edge stays.
        borderWidth: 1,
        borderColor: '#e9a23b',
      },
      footer: { sender: 'Halden Night Rail', address: 'Platform House, Station Rise 1, Halden' },
    },
  },
  {
    name: 'Fennmoor Seed Library',
    page: 'https://fennmoor-seeds.example',
    fonts: [
      { family: 'Young Serif', fallback: 'serif', weights: [400] },
      { family: 'Karla', fallback: 'humanist', weights: [400, 700] },
    ],
    house: {
      version: 2,
      webFonts: [],
      colors: [
        { name: 'moss', value: '#3f5a36' },
        { name: 'beet', value: '#8c2f4b' },
        { name: 'paper', value: '#faf5ea' },
        { name: 'straw', value: '#e6c66b' },
      ],
      ground: '#ece6d6',
      link: { color: '#8c2f4b', underline: true },
      text: text(
        { font: 'Karla', color: '#4d4b42', size: 17, line: 26 },
        { font: 'Young Serif', color: '#2f2e28', bold: false, sizes: [52, 28, 22] },
        '#66645a',
      ),
      button: {
        background: '#8c2f4b',
        color: '#ffffff',
        font: 'Karla',
        size: 17,
        bold: true,
        radius: 2,
        padX: 30,
        padY: 13,
      },
      footer: { sender: 'Fennmoor Seed Library', address: 'The Old Weighhouse, Mill Green, Fennmoor' },
    },
  },
]

type Part = Pick<Cut, 'id' | 'y' | 'h'> & Partial<Cut>
const cut = (c: Part): Cut => ({
  x: 0,
  w: 1200,
  kind: 'picture',
  alt: null,
  link: '',
  words: null,
  ground: null,
  ...c,
})
const picture = (
  id: string,
  y: number,
  h: number,
  alt: string | null,
  link = '',
  more: Partial<Cut> = {},
): Cut => cut({ id, y, h, alt, link, ...more })
const words = (
  id: string,
  y: number,
  h: number,
  ground: string,
  said: string | null,
  more: Partial<Cut> = {},
): Cut => cut({ id, y, h, kind: 'words', ground, words: said ? textOf(said) : null, ...more })

const orreryCuts: Cut[] = [
  picture('head', 0, 150, 'Orrery Point. Nights, visit, map', 'https://orrery-point.example/'),
  picture(
    'sky',
    150,
    960,
    'Total eclipse of the moon. The moon goes copper at ten. Friday 4 December, from half past seven',
    'https://orrery-point.example/eclipse',
  ),
  words(
    'invite',
    1110,
    420,
    '#ffffff',
    'Bring a coat and a flask\n\nThe dome opens at half past seven. By nine the shadow of the earth has reached the rim, and at ten the whole moon hangs over the valley the colour of an old coin. We keep the lamps off.',
  ),
  words('press', 1530, 220, '#ffffff', null, { kind: 'flat' }),
  picture(
    'phases',
    1750,
    520,
    'One evening, five looks up. 20:33 the shadow touches, 21:02 a bite is gone, 21:31 half, 22:00 copper, 23:07 out again',
    'https://orrery-point.example/eclipse#hours',
  ),
  words('ways', 2270, 160, '#f4efe6', 'Two ways up the hill'),
  picture(
    'ridge',
    2450,
    320,
    'A lamplit path up a dark ridge under the stars',
    'https://orrery-point.example/ridge-walk',
    { x: 90, w: 500 },
  ),
  picture('field', 2450, 320, 'Benches in a field at dusk', 'https://orrery-point.example/lower-field', {
    x: 610,
    w: 500,
  }),
  words(
    'ridgewords',
    2790,
    280,
    '#f4efe6',
    'The ridge walk\n\nForty minutes from the chapel gate, by the marked stones. No lamps after the stile.',
    { x: 90, w: 500 },
  ),
  words(
    'fieldwords',
    2790,
    280,
    '#f4efe6',
    'The lower field\n\nLevel ground with benches and room for wheels. Soup from the hatch until eleven.',
    { x: 610, w: 500 },
  ),
  words(
    'cloud',
    3130,
    330,
    '#b4572f',
    'Cloud over the valley?\n\nWe decide at four in the afternoon and write to everyone who has kept a place. Bring the children anyway.',
  ),
  words(
    'foot',
    3460,
    360,
    '#1f2430',
    'Orrery Point Observatory\n\nChapel Lane 9, Upper Tarn, TN4 2OP\nYou get this letter because you asked for news of our public nights.\n\nUnsubscribe   Choose what we send   See it in a browser',
  ),
]

/** Words that take a part of the width. @param at x, y, width and height, px of the design */
const word = (
  id: string,
  at: readonly [x: number, y: number, w: number, h: number],
  ground: string,
  said: string,
): Cut => {
  const [x, y, w, h] = at
  return cut({ id, x, y, w, h, kind: 'words', ground, words: textOf(said) })
}

/** The hours before and after, a cut for each: in common columns and rows they become a table. */
const timetable: Cut[] = [
  ['Station', 'Until now', 'New', 'Which means'],
  ['Halden', '21:40', '21:10', '30 min earlier'],
  ['Norrbrink', '23:55', '23:05', 'now before midnight'],
  ['Aldersund', '04:20', '04:50', 'quiet until five'],
  ['Port Vessel', '07:36', '07:12', 'breakfast on the quay'],
].flatMap((row, i) =>
  row.map((said, k) => {
    const x = [114, 420, 620, 830][k]!
    const w = [180, 130, 90, 276][k]!
    return word(
      `hour${i}${k}`,
      [x, 1873 + i * 82, w, 30],
      i === 0 ? '#12343b' : i % 2 ? '#eef3ef' : '#ffffff',
      said,
    )
  }),
)

/** Three berths, each a card: a picture, its name, what it has, what it costs. */
const berths: Cut[] = (
  [
    ['nook', 'The nook', 'A bunk in six, a curtain, a light and a shelf', 'from 39 a night'],
    ['pair', 'The pair', 'Two bunks, one door, a basin and two towels', 'from 68 a night'],
    ['room', 'The room', 'A real bed, a window of your own, breakfast', 'from 119 a night'],
  ] as const
).flatMap(([id, name, has, costs], i) => {
  const x = 90 + i * 350
  return [
    cut({
      id,
      x,
      y: 2570,
      w: 320,
      h: 289,
      alt: `${name}, drawn`,
      link: 'https://halden-rail.example/berths',
    }),
    word(`${id}name`, [x, 2882, 320, 57], '#ffffff', name),
    word(`${id}has`, [x, 2954, 320, 82], '#ffffff', has),
    word(`${id}costs`, [x, 3115, 320, 54], '#ffffff', costs),
  ]
})

/** What lies under the cuts of the hours and of the berths, as the pixels show it. */
const haldenPanels: Panel[] = [
  { x: 90, y: 1850, w: 1020, h: 72, radius: 0, color: '#12343b' },
  { x: 90, y: 1922, w: 1020, h: 84, radius: 0, color: '#eef3ef' },
  { x: 90, y: 2090, w: 1020, h: 84, radius: 0, color: '#eef3ef' },
  ...[0, 1, 2].map((i) => ({ x: 90 + i * 350, y: 2570, w: 320, h: 620, radius: 12, color: '#ffffff' })),
]
/** Where one band ends and the next begins, px of the design. */
const haldenEdges = [140, 730, 1120, 1482, 1680, 2380, 3280, 3440, 3620]

const haldenCuts: Cut[] = [
  cut({
    id: 'head',
    x: 90,
    y: 42,
    w: 465,
    h: 56,
    alt: 'Halden Night Rail',
    link: 'https://halden-rail.example/',
  }),
  word('season', [854, 66, 256, 29], '#12343b', 'Winter 26/27'),
  picture('train', 140, 980, null, 'halden-rail.example/winter'),
  words(
    'earlier',
    1120,
    370,
    '#ffffff',
    'Leave a little earlier, sleep a lot longer\n\nFrom 13 December the sleeper leaves Halden half an hour earlier and stands still at Aldersund until the kitchen wakes. Nobody is shunted before five any more; we have asked, and the signalmen agreed.',
  ),
  words('press', 1490, 190, '#ffffff', null, { kind: 'flat' }),
  words('changes', 1747, 75, '#ffffff', 'What changes on 13 December'),
  ...timetable,
  words('lie', 2445, 76, '#eef3ef', 'Choose how you lie'),
  ...berths,
  words('open', 3280, 160, '#1f6f6b', 'Berths open on Monday at nine'),
  words('keep', 3440, 180, '#1f6f6b', null, { kind: 'flat' }),
  words(
    'foot',
    3620,
    300,
    '#17282c',
    'Halden Night Rail, Platform House, Station Rise 1, Halden\nYou ride with us now and then, so we tell you when the times change.\n\nUnsubscribe   Your journeys',
  ),
]

const run = (s: string, href?: string, color?: string): Inline => ({
  type: 'text',
  text: s,
  ...(href || color
    ? {
        marks: [
          ...(href ? [{ type: 'link' as const, attrs: { href } }] : []),
          ...(color ? [{ type: 'textStyle' as const, attrs: { color } }] : []),
        ],
      }
    : {}),
})
const paragraph = (...content: Inline[]): Block => ({ type: 'paragraph', content })
const heading = (words: string): Block => ({
  type: 'heading',
  attrs: { level: 2, textAlign: null },
  content: [run(words)],
})
const doc = (...content: Block[]): RichText => ({ type: 'doc', content })

/** Replaces the flat space of a cut by a button of the house. */
const buttonFor = (
  e: Email,
  cutId: string,
  label: string,
  link: string,
  more: Partial<Extract<Tile, { kind: 'button' }>> = {},
): Edit[] => {
  const band = e.bands.find((b) => b.cells.some((c) => c.items.some((i) => 'cut' in i && i.cut === cutId)))!
  const cell = band.cells[0]!
  return [
    { name: 'removeTile', what: { id: `t-${cutId}` } },
    {
      name: 'addTile',
      what: {
        cell: cell.id,
        at: 0,
        tile: {
          id: `button-${cutId}`,
          kind: 'button',
          label,
          link,
          align: 'left',
          fullNarrow: true,
          show: 'all',
          padding: sides(0),
          ...more,
        },
      },
    },
  ]
}
const play = (e: Email, edits: Edit[]): Email => edits.reduce(applyEdit, e)

function finishOrrery(e: Email): Email {
  const gold = '#f0cf98',
    pale = '#c2c8d6'
  return play(e, [
    {
      name: 'setEmail',
      what: {
        subject: 'The moon goes copper at ten',
        preheader: 'Friday 4 December: the dome opens at half past seven. Two places are kept for you.',
        title: 'Eclipse night at Orrery Point',
      },
    },
    ...buttonFor(
      e,
      'press',
      'Keep two places',
      'https://orrery-point.example/places?for=[[reader_id | guest]]',
    ),
    {
      name: 'setBand',
      what: {
        id: 'b-press',
        set: {
          name: 'Keep places',
          padding: { top: 4, right: 45, bottom: 48, left: 45 },
          narrowPadding: { top: 4, right: 20, bottom: 32, left: 20 },
        },
      },
    },
    {
      name: 'setTile',
      what: {
        id: 't-ridgewords',
        kind: 'words',
        set: {
          space: undefined,
          style: { size: 17, line: 26, color: '#3b4050' },
          text: doc(
            heading('The ridge walk'),
            paragraph(
              run('Forty minutes from the chapel gate, by the marked stones. No lamps after the stile.'),
            ),
          ),
          headings: { size: 22, line: 28, color: '#1f2430' },
        },
      },
    },
    {
      name: 'setTile',
      what: {
        id: 't-fieldwords',
        kind: 'words',
        set: {
          space: undefined,
          style: { size: 17, line: 26, color: '#3b4050' },
          text: doc(
            heading('The lower field'),
            paragraph(
              run('Level ground with benches and room for wheels. Soup from the hatch until eleven.'),
            ),
          ),
          headings: { size: 22, line: 28, color: '#1f2430' },
        },
      },
    },
    {
      name: 'setTile',
      what: {
        id: 't-cloud',
        kind: 'words',
        set: {
          text: doc(
            heading('Cloud over the valley?'),
            paragraph(
              run(
                'We decide at four in the afternoon and write to everyone who has kept a place. Bring the children anyway.',
              ),
            ),
          ),
          headings: { size: 26, line: 32, color: '#ffffff' },
          style: { size: 17, line: 26, color: '#ffffff' },
        },
      },
    },
    {
      name: 'setTile',
      what: {
        id: 't-foot',
        kind: 'words',
        set: {
          space: undefined,
          style: { color: pale, size: 13, line: 21 },
          text: doc(
            paragraph(run('Orrery Point Observatory', undefined, gold)),
            paragraph(
              run(
                'Chapel Lane 9, Upper Tarn, TN4 2OP. You get this letter because you asked for news of our public nights, [[given_name | friend]].',
              ),
            ),
            paragraph(
              run('Unsubscribe', '[[unsubscribe]]', gold),
              run('   '),
              run('Choose what we send', 'https://orrery-point.example/letters', gold),
            ),
          ),
        },
      },
    },
  ])
}

/** The table of the design says the hours; this says what each way brings. */
const routes: Band = {
  id: 'b-routes',
  name: 'Compare the ways',
  role: 'main',
  background: '#ffffff',
  padding: { top: 8, right: 45, bottom: 40, left: 45 },
  narrowPadding: { top: 8, right: 20, bottom: 32, left: 20 },
  gap: 0,
  narrow: 'stack',
  show: 'all',
  cells: [
    {
      id: 'c-routes',
      width: 510,
      padding: sides(0),
      align: 'left',
      valign: 'top',
      items: [
        {
          id: 't-routes',
          kind: 'table',
          show: 'all',
          padding: sides(0),
          caption: 'Three ways to Aldersund',
          columns: [{ align: 'left', width: 34 }, { align: 'right' }, { align: 'right' }, { align: 'left' }],
          rows: [
            ['', 'Leaves', 'Arrives', 'Comes with'],
            ['Sleeper', '21:40', '07:55', 'a bed and breakfast'],
            ['Day coach', '09:12', '16:48', 'a window seat'],
            ['Ferry and rail', '18:05', '09:30', 'a cabin to the quay'],
          ],
          headRow: true,
          headColumn: true,
          headBackground: '#12343b',
          headColor: '#ffffff',
          zebra: '#eef3ef',
          edge: { width: 1, style: 'solid', color: '#cfdcd6' },
          space: 9,
          compact: 'cards',
          style: { size: 15, line: 22 },
        },
      ],
    },
  ],
}

function finishHalden(e: Email): Email {
  return play(e, [
    {
      name: 'setEmail',
      what: { subject: 'The winter timetable of the night train: what changes', title: 'Winter timetable' },
    },
    // On phones each row is a card, which the station heads.
    {
      name: 'setTile',
      what: {
        id: 't-hour00',
        kind: 'table',
        set: {
          headColumn: true,
          columns: [
            { align: 'left', width: 29.9 },
            { align: 'left', width: 19.6, color: '#5b696b' },
            { align: 'left', width: 17.2, color: '#1f6f6b', bold: true },
            { align: 'left', width: 33.3 },
          ],
        },
      },
    },
    // Phones have room for both, smaller, beside each other.
    { name: 'setBand', what: { id: 'b-head', set: { narrow: 'keep' } } },
    ...buttonFor(e, 'press', 'See your train', 'www.halden-rail.example/trains'),
    {
      name: 'setBand',
      what: {
        id: 'b-press',
        set: {
          name: 'See your train',
          padding: { top: 0, right: 45, bottom: 40, left: 45 },
          narrowPadding: { top: 0, right: 20, bottom: 32, left: 20 },
        },
      },
    },
    { name: 'addBand', what: { at: e.bands.indexOf(placeOf(e, 't-hour00')!.band) + 1, band: routes } },
    ...buttonFor(e, 'keep', 'Keep a berth', '', {
      align: 'center',
      style: { background: '#ffffff', color: '#12343b' },
    }),
    {
      name: 'setBand',
      what: {
        id: 'b-keep',
        set: {
          name: 'Keep a berth',
          padding: { top: 0, right: 45, bottom: 44, left: 45 },
          narrowPadding: { top: 12, right: 20, bottom: 36, left: 20 },
        },
      },
    },
  ])
}

export const jobs: DemoJob[] = [
  {
    client: 'Halden Night Rail',
    name: 'Choose a berth',
    due: '2027-01-15',
    begins: () => berthChoice([]),
    makes: 'berths',
    night: true,
  },
  {
    client: 'Fennmoor Seed Library',
    name: 'How to sow a row',
    due: '2027-01-08',
    begins: sowingFilm,
    makes: 'film',
  },
  {
    client: 'Fennmoor Seed Library',
    name: 'Sowing letter',
    due: '2026-12-18',
    design: 'fennmoor-sowing-letter',
  },
  {
    client: 'Halden Night Rail',
    name: 'Winter timetable',
    due: '2026-12-08',
    design: 'halden-night-rail-timetable',
    cuts: haldenCuts,
    panels: haldenPanels,
    edges: haldenEdges,
    finish: finishHalden,
  },
  {
    client: 'Orrery Point Observatory',
    name: 'Eclipse night',
    due: '2026-12-03',
    design: 'orrery-point-eclipse-night',
    cuts: orreryCuts,
    finish: finishOrrery,
    makes: 'moon',
  },
]
