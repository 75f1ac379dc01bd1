import { body, head, type Palette, type Pen } from './scenes'
import {
  button,
  day,
  design,
  footer,
  grid,
  logo,
  named,
  sans,
  serif,
  stars,
  type StudioDesign,
} from './studio'

/*
 * More designs of the same sort, drawn after the build was tuned and in other looks, so that what it makes of them says how far it
 * carries. Whoever tunes it on one of them sets its `tuned`.
 */

const sea: Palette = {
  page: '#fbfdfd',
  soft: '#e4f0ef',
  deep: '#0f3d44',
  accent: '#0f6d6a',
  ink: '#16292c',
  quiet: '#587074',
}

const plum: Palette = {
  page: '#fffaf4',
  soft: '#f6e9e4',
  deep: '#4a1d33',
  accent: '#8c2f4b',
  ink: '#2e2028',
  quiet: '#75636c',
}

/** A speaker: a picture at the left, a name and two lines beside it. */
function speaker(pen: Pen, top: number, name: string, said: string, p: Palette): number {
  pen.photo(48, top, 120, 120)
  const y = pen.words(192, top + 8, 360, name, head(p, sans, 20))
  return Math.max(top + 120, pen.words(192, y + 6, 360, said, body(p, sans, 15)))
}

/** Two stories beside each other: picture, heading, words. */
function stories(
  pen: Pen,
  top: number,
  both: readonly (readonly [heading: string, words: string])[],
  p: Palette,
): number {
  const ends = both.map(([heading, words], i) => {
    const x = 40 + i * 270
    let y = pen.photo(x, top, 250, 150)
    y = pen.words(x, y + 14, 250, heading, head(p, serif, 21))
    return pen.words(x, y + 6, 250, words, body(p, serif, 16))
  })
  return Math.max(...ends)
}

export function unseenDesigns(): StudioDesign[] {
  return [
    design('programme', 201, sea.page, {}, false, [
      { ground: sea.page, draw: named(sea.accent, 'Tide House', 48) },
      {
        ground: sea.deep,
        draw: (pen) => {
          let y = pen.words(48, 44, 504, 'Three evenings by the water', head({ ink: '#ffffff' }, sans, 36))
          y = pen.words(48, y + 10, 504, 'Talks, soup and a boat home', body({ ink: '#cfe3e2' }, sans, 18))
          return y + 40
        },
      },
      {
        ground: sea.page,
        columns: 2,
        draw: (pen) => {
          let y = speaker(pen, 36, 'Ada Marsh', 'On the mud that keeps the town above the sea.', sea)
          y = speaker(pen, y + 28, 'Olav Quist', 'What a lighthouse costs when nobody looks at it.', sea)
          y = speaker(pen, y + 28, 'Noor Haddad', 'Nine knots, and the one that is never untied.', sea)
          return y + 36
        },
      },
      {
        ground: sea.soft,
        draw: (pen) => button(pen, 36, 'Keep a chair', sea, 210, 180) + 36,
      },
      { ground: sea.deep, draw: footer(sea, 'Tide House, Lower Quay 3, Aldersund', '#b9d2d1') },
    ]),
    design('bulletin', 202, plum.page, {}, false, [
      { ground: plum.deep, draw: logo('#f6e9e4') },
      {
        ground: plum.page,
        columns: 2,
        draw: (pen) => {
          let y = pen.words(
            40,
            36,
            520,
            'From the weavers this month',
            head(plum, serif, 30, { align: 'center' }),
          )
          y = stories(
            pen,
            y + 26,
            [
              ['A loom comes home', 'It took four people, a cart and most of Sunday.'],
              ['Red from madder', 'The roots are two years old and smell of rain.'],
            ],
            plum,
          )
          y = stories(
            pen,
            y + 30,
            [
              ['Rugs on the bridge', 'They dry there in June, as they always have.'],
              ['A course in knots', 'Six evenings, tea included, no talent asked for.'],
            ],
            plum,
          )
          return y + 40
        },
      },
      { ground: plum.deep, draw: footer(plum, 'The Weaving Shed, Mill Green 2, Fennmoor', '#e5cdd6') },
    ]),
    design('members', 203, plum.soft, { lists: [4], marks: [5] }, false, [
      { ground: plum.soft, draw: logo(plum.accent) },
      {
        ground: plum.soft,
        draw: (pen) => {
          pen.photo(0, 0, 600, 220)
          return 220
        },
      },
      {
        ground: '#ffffff',
        draw: (pen) => {
          let y = pen.words(48, 40, 504, 'What a member has', head(plum, sans, 28))
          for (const said of [
            'Two packets in spring',
            'A bed by the wall',
            'The key to the shed',
            'A vote in March',
          ]) {
            pen.body += `<circle cx="58" cy="${y + 23}" r="3.5" fill="${plum.accent}"/>`
            y = pen.words(74, y + 10, 478, said, body(plum, sans, 17))
            pen.parts.at(-1)!.words!.point = true
          }
          return button(pen, y + 26, 'Become one', plum) + 40
        },
      },
      {
        ground: plum.soft,
        draw: (pen) => {
          const y = stars(pen, 48, 32, 5, plum.accent)
          return (
            pen.words(
              48,
              y + 10,
              504,
              'I came for the beans and stayed for the people, nine winters now.',
              body(plum, serif, 18),
            ) + 34
          )
        },
      },
      { ground: plum.deep, draw: footer(plum, 'Fennmoor Seed Library, 4 Mill Row, Fennmoor', '#e5cdd6') },
    ]),
    design('bill', 204, sea.page, { tables: [[6, 2]] }, true, [
      { ground: sea.page, draw: named(sea.deep, 'Halden Water', 48) },
      {
        ground: sea.page,
        draw: (pen) => {
          let y = pen.words(48, 20, 504, 'Your water, this quarter', head(sea, sans, 28))
          y = pen.words(
            48,
            y + 8,
            504,
            'Nothing is to be done: it is paid on the first.',
            body(sea, sans, 16),
          )
          y = grid(
            pen,
            y + 24,
            [
              ['What', 'Crowns'],
              ['Standing charge', '14.00'],
              ['Water, 21 cubic metres', '48.30'],
              ['Drains', '22.10'],
              ['Credit from spring', '-6.40'],
              ['In all', '78.00'],
            ],
            [60, 420],
            sea,
            { right: true, zebra: sea.soft },
          )
          return y + 40
        },
      },
      { ground: sea.soft, draw: footer(sea, 'Halden Water, 1 Pump Street, Halden', '#3d5055') },
    ]),
    design('gallery', 205, '#14181c', { marks: [3] }, false, [
      { ground: '#14181c', draw: logo('#f0cf98') },
      {
        ground: '#14181c',
        columns: 3,
        draw: (pen) => {
          const type = { ink: '#f4efe6' }
          let y = pen.words(
            48,
            30,
            504,
            'Glass, blown after dark',
            head(type, serif, 34, { align: 'center' }),
          )
          const under = y + 28
          for (const [i, said] of ['The smoke bowl', 'A lamp for one', 'Tide, in green'].entries()) {
            const x = 36 + i * 180
            const end = pen.photo(x, under, 168, 168)
            y = pen.words(x, end + 12, 168, said, body(type, serif, 16, { align: 'center' }))
          }
          return (
            pen.button(210, y + 30, 'See the kiln', {
              background: '#f0cf98',
              color: '#14181c',
              size: 16,
              h: 48,
              radius: 24,
              font: serif,
              w: 180,
            }) + 48
          )
        },
      },
      {
        ground: '#0b0e11',
        draw: (pen) => {
          const y = pen.icons((600 - 3 * 26 - 2 * 20) / 2, 30, 3, 26, 20, '#f0cf98')
          return footer(day, 'The Night Kiln, Harbour Steps 8, Aldersund', '#b9b2a5')(pen, y - 8)
        },
      },
    ]),
    design('supper', 206, plum.page, { tables: [[5, 2]] }, false, [
      { ground: plum.deep, draw: named('#f6e9e4', 'The Long Table', 48) },
      {
        ground: plum.page,
        draw: (pen) => {
          let y = pen.words(48, 40, 504, 'Supper on Friday', head(plum, serif, 32))
          y = pen.words(48, y + 8, 504, 'One sitting, at eight, at one table.', body(plum, serif, 17))
          y = grid(
            pen,
            y + 24,
            [
              ['Dish', 'Crowns'],
              ['Barley and beet', '9.50'],
              ['Trout from the weir', '16.00'],
              ['Pear, baked', '7.00'],
              ['A jug of cider', '11.00'],
            ],
            [48, 430],
            plum,
            { right: true, line: '#e2cfc4', size: 17 },
          )
          return button(pen, y + 28, 'Keep a chair', plum) + 44
        },
      },
      { ground: plum.soft, draw: footer(plum, 'The Long Table, Weir Lane 4, Fennmoor', '#5c4650') },
    ]),
    design('voices', 207, day.page, { marks: [5, 5], quotes: 3 }, true, [
      { ground: day.page, draw: logo(day.accent) },
      {
        ground: day.soft,
        draw: (pen) => {
          const y = pen.words(
            70,
            44,
            460,
            '\u201cWe came for one night of stars and stayed until the ferry would not wait for us.\u201d',
            body(day, serif, 24, { align: 'center' }),
          )
          const by = { align: 'center' as const, bold: true }
          return pen.words(70, y + 14, 460, 'Maren Holt, Skerry Point', body(day, sans, 14, by)) + 44
        },
      },
      {
        ground: day.page,
        columns: 2,
        draw: (pen) => {
          const said = [
            ['\u201cThe beans came up in nine days, and not one was lost.\u201d', '\u2014 Ilse, Fennmoor'],
            ['\u201cAsk for the old varieties, they know them all by name.\u201d', '\u2014 Tam, Weir Lane'],
          ] as const
          const ends = said.map(([words, name], i) => {
            const x = 40 + i * 270
            const y = pen.words(x, stars(pen, x, 34, 5, '#e8a33d') + 10, 250, words, body(day, sans, 16))
            return pen.words(x, y + 8, 250, name, body({ ink: day.quiet }, sans, 13))
          })
          return Math.max(...ends) + 40
        },
      },
      { ground: day.deep, draw: footer(day, 'Skerry Point Station, North Quay 1, Aldersund') },
    ]),
    design('guests', 208, plum.page, { quotes: 2 }, false, [
      { ground: plum.deep, draw: named('#f6e9e4', 'The Long Table', 48) },
      {
        ground: plum.page,
        draw: (pen) => {
          let y = pen.words(48, 40, 504, 'After the last supper', head(plum, serif, 32))
          y = pen.words(48, y + 8, 504, 'Two letters lay on the table in the morning.', body(plum, serif, 17))
          const said = [
            ['\u201eEin Abend, an dem niemand auf die Uhr gesehen hat.\u201c', '\u2013 Jette Brandt'],
            ['\u00ab\u00a0On revient pour le pain, et on reste pour la table.\u00a0\u00bb', 'Luc, Port-Haut'],
          ] as const
          for (const [words, name] of said) {
            y = pen.words(48, y + 28, 504, words, body({ ink: plum.accent }, serif, 21))
            y = pen.words(48, y + 6, 504, name, body({ ink: plum.quiet }, sans, 14))
          }
          return button(pen, y + 28, 'Keep a chair', plum) + 44
        },
      },
      { ground: plum.soft, draw: footer(plum, 'The Long Table, Weir Lane 4, Fennmoor', '#5c4650') },
    ]),
    design('berths', 209, sea.page, { tables: [[4, 3]] }, true, [
      { ground: sea.deep, draw: named('#fbfdfd', 'Halden Ferries') },
      {
        ground: sea.page,
        draw: (pen) => {
          const y = pen.words(48, 36, 504, 'What changes in May', head(sea, serif, 32))
          // The last column's longest words end where the table does.
          const rows = [
            ['Quay', 'New', 'Which means'],
            ['Lower', '21:10', 'half an hour earlier'],
            ['Mill', '23:05', 'now before midnight'],
            ['Upper', '04:50', 'tea upon the quay'],
          ]
          return grid(pen, y + 20, rows, [48, 260, 400], sea, { zebra: sea.soft, size: 15 }) + 44
        },
      },
      {
        ground: sea.soft,
        columns: 3,
        draw: (pen) => {
          const y =
            pen.words(48, 40, 504, 'Choose how you lie', head(sea, serif, 32, { align: 'center' })) + 24
          for (const [i, name] of ['The nook', 'The pair', 'The room'].entries()) {
            const x = 45 + i * 175
            pen.body += `<rect x="${x}" y="${y}" width="160" height="270" rx="6" fill="#ffffff"/>`
            pen.photo(x + 8, y + 8, 144, 136, '#ffffff')
            const type = { ink: sea.ink }
            let end = pen.words(x + 12, y + 156, 136, name, { ...head(sea, serif, 19) }, '#ffffff')
            end = pen.words(
              x + 12,
              end + 4,
              136,
              'A bunk, a lamp and a shelf',
              body(type, sans, 14),
              '#ffffff',
            )
            pen.words(
              x + 12,
              end + 10,
              136,
              'from 39 a night',
              body(type, sans, 14, { bold: true }),
              '#ffffff',
            )
          }
          return y + 270 + 44
        },
      },
      { ground: sea.page, draw: footer(sea, 'Halden Ferries, Quay House, Aldersund', '#3d5055') },
    ]),
  ]
}
