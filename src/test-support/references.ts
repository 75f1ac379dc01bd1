import { newCell, newEmail } from '@/core/email/defaults'
import type { RichText } from '@/core/email/richtext'
import type { Band, Email, Item } from '@/core/email/schema'
import { plainHouseStyle, sides, type HouseStyle } from '@/core/email/styles'
import type { TileKind, TileOf } from '@/core/email/tile'
import { tileOf } from './tiles'

/*
 * Three emails that were also written by hand (fixtures/references): with the same words, links and pictures, the same look
 * at 600 and at 375 px, by day and at night, and the same support: the Word engine, no style sheet, dark rules. What the compiler
 * makes of them is held against what a person wrote.
 */

export const referenceHouse: HouseStyle = (() => {
  const house = plainHouseStyle()
  for (const style of Object.values(house.text)) style.nightColor = '#eeeeee'
  return {
    ...house,
    nightGround: '#101418',
    link: { ...house.link, nightColor: '#9cc4ff' },
    footer: { sender: 'Tarn Walks', address: '4 Mill Lane, Tarn' },
  }
})()

const picture = (name: string, width: number, height: number) => ({
  id: name.padEnd(64, '0'),
  type: 'image/jpeg' as const,
  width: 2 * width,
  height: 2 * height,
  bytes: 20_000,
})
/** Where a picture stands, as by hand. */
export const referenceSrc = ({ id }: { id: string }): string => `images/${id.replace(/0+$/, '')}.jpg`

let made = 0
const id = () => `r${made++}`
const tile = <K extends TileKind>(kind: K, set: Partial<TileOf<K>>): TileOf<K> => ({
  ...tileOf(kind, set),
  id: id(),
})
const block = (level: 0 | 1 | 2, ...said: (string | { text: string; href: string })[]) => ({
  ...(level
    ? { type: 'heading' as const, attrs: { level, textAlign: null } }
    : { type: 'paragraph' as const }),
  content: said.map((s) =>
    typeof s === 'string'
      ? { type: 'text' as const, text: s }
      : { type: 'text' as const, text: s.text, marks: [{ type: 'link' as const, attrs: { href: s.href } }] },
  ),
})
const text = (...content: ReturnType<typeof block>[]): RichText => ({ type: 'doc', content }) as RichText

const cellOf = (width: number, items: Item[]) => ({ ...newCell(width), id: id(), items })
const bandOf = (set: Partial<Band> & Pick<Band, 'cells'>): Band => ({
  id: id(),
  name: 'Band',
  role: 'main',
  background: '#ffffff',
  nightBackground: '#1c2228',
  padding: sides(24, 32),
  gap: 0,
  narrow: 'stack',
  show: 'all',
  ...set,
})

const header = (): Band =>
  bandOf({
    role: 'header',
    cells: [
      cellOf(536, [
        tile('picture', {
          picture: picture('logo', 120, 32),
          alt: 'Tarn Walks',
          link: 'https://walks.example/',
          width: 120,
          align: 'left',
          padding: sides(0),
        }),
      ]),
    ],
  })
const footer = (): Band =>
  bandOf({
    role: 'footer',
    cells: [
      cellOf(536, [
        tile('footer', {
          why: 'You get this letter because you walk with us.',
          unsubscribe: { label: 'Unsubscribe', link: 'https://walks.example/leave' },
          align: 'left',
        }),
      ]),
    ],
  })
const emailOf = (title: string, preheader: string, bands: Band[]): Email => ({
  ...newEmail(600),
  title,
  subject: title,
  preheader,
  bands: [header(), ...bands, footer()],
})

export const letterWords = {
  title: 'The autumn walks',
  paragraphs: [
    'The marked stones have been cleared from the chapel gate to the upper tarn, and the stile by the mill has a new step. Forty minutes are enough for the lower round; the upper one wants two hours and good shoes.',
    'On Saturdays a guide waits at the gate from nine. Nobody needs to book, but a word the day before helps us to bring enough lamps for the way back.',
    'If the fog sits in the valley, we go up all the same: above the second wall there is nearly always sun.',
  ],
  button: 'See the days',
}

/** A letter: a heading, paragraphs, a button. */
export const letter = (): Email =>
  emailOf(letterWords.title, 'When we go up, and what to bring.', [
    bandOf({
      cells: [
        cellOf(536, [
          tile('words', {
            text: text(block(1, letterWords.title), ...letterWords.paragraphs.map((p) => block(0, p))),
            align: 'left',
          }),
          tile('button', {
            label: letterWords.button,
            link: 'https://walks.example/days',
            align: 'left',
            fullNarrow: true,
            padding: { ...sides(0), top: 20 },
          }),
        ]),
      ],
    }),
  ])

export const goodsWords = ['Lamp', 'Map of the tarn', 'Wool hat', 'Flask', 'Walking stick', 'Whistle'].map(
  (name, i) => ({ name, price: `${12 + 7 * i} crowns`, link: `https://walks.example/shop/${i + 1}` }),
)

/** A grid of goods: three rows of two. */
export const goods = (): Email =>
  emailOf('Six things for the way', 'From the hut by the gate.', [
    bandOf({
      cells: [
        cellOf(536, [
          tile('words', {
            text: text(
              block(1, 'Six things for the way'),
              block(0, 'All of them are in the hut by the gate.'),
            ),
            align: 'left',
          }),
        ]),
      ],
    }),
    ...[0, 2, 4].map((from) =>
      bandOf({
        gap: 20,
        cells: [0, 1].map((k) => {
          const { name, price, link } = goodsWords[from + k]!
          return cellOf(258, [
            tile('picture', {
              picture: picture(`good${from + k + 1}`, 258, 180),
              alt: name,
              link,
              width: 258,
              align: 'left',
              padding: { ...sides(0), bottom: 12 },
            }),
            tile('words', { text: text(block(2, name), block(0, price)), align: 'left' }),
            tile('button', {
              label: 'Take it along',
              link,
              align: 'left',
              fullNarrow: true,
              padding: { ...sides(0), top: 12 },
            }),
          ])
        }),
      }),
    ),
  ])

export const storyWords = Array.from({ length: 20 }, (_, i) => ({
  title: `Walk ${i + 1}: ${['by the mill', 'to the upper tarn', 'along the wall', 'over the moor'][i % 4]}`,
  said: `${2 + (i % 5)} hours from the gate, ${['dry', 'steep', 'easy', 'wet after rain'][i % 4]} and marked with white stones all the way up.`,
  link: `https://walks.example/walks/${i + 1}`,
}))

/** A newsletter of twenty stories, each a picture beside words. */
export const stories = (): Email =>
  emailOf('Twenty walks', 'All walks of the year in one letter.', [
    bandOf({
      cells: [
        cellOf(536, [
          tile('words', {
            text: text(block(1, 'Twenty walks'), block(0, 'All walks of the year in one letter.')),
            align: 'left',
          }),
        ]),
      ],
    }),
    ...storyWords.map(({ title, said, link }, i) =>
      bandOf({
        gap: 20,
        cells: [
          cellOf(180, [
            tile('picture', {
              picture: picture(`walk${i + 1}w`, 180, 120),
              alt: title,
              link,
              width: 180,
              align: 'left',
            }),
          ]),
          cellOf(336, [
            tile('words', {
              text: text(block(2, title), block(0, `${said} `, { text: 'Read on', href: link })),
              align: 'left',
            }),
          ]),
        ],
      }),
    ),
  ])
