import { body, head, Pen, type Palette } from './scenes'
import { day, design, sans, serif, type Part, type StudioDesign } from './studio'

/**
 * One email drawn twice, wide and for a phone of 375 px: with other sizes, sides and spaces there, the picture of a row above its words,
 * figures that stay beside each other, and a picture that phones do not get.
 */
export function pairedDesign(): { wide: StudioDesign; narrow: StudioDesign } {
  return {
    wide: design('paired, wide', 201, day.page, {}, true, bands(false, { side: 48, width: 600 })),
    narrow: design('paired, narrow', 201, day.page, {}, true, bands(true, { side: 24, width: 375 }), 375),
  }
}

/** The words of the hero, of a story and of figures. */
const HERO = 'Six nights under a comet'
const LEAD = 'We followed it from the ridge until the moon drowned it.'
const STORY = 'The keeper of the lamp'
const TOLD = 'For forty years she has climbed the tower at dusk.'
const FIGURES = [
  ['41', 'nights'],
  ['9', 'storms'],
  ['1', 'comet'],
] as const

function bands(phone: boolean, { side, width }: { side: number; width: number }): Part[] {
  const inner = width - 2 * side
  const quiet: Palette = { ...day, ink: '#c9d0d8' }
  const all: (Part | null)[] = [
    {
      ground: day.deep,
      draw: (pen) => {
        let y = phone ? 40 : 64
        y = pen.words(
          side,
          y,
          inner,
          HERO,
          head({ ink: '#ffffff' }, serif, phone ? 30 : 44, { align: 'center' }),
        )
        y = pen.words(
          side,
          y + (phone ? 10 : 16),
          inner,
          LEAD,
          body({ ink: '#dfe5ee' }, sans, phone ? 16 : 18, { align: 'center', line: phone ? 24 : 28 }),
        )
        return y + (phone ? 36 : 60)
      },
    },
    phone ? null : { ground: day.page, draw: (pen) => pen.photo(0, 0, width, 220) },
    {
      ground: day.soft,
      columns: phone ? 1 : 2,
      draw: (pen) => {
        const told = (x: number, top: number, w: number) => {
          const y = pen.words(x, top, w, STORY, head(day, serif, phone ? 24 : 26))
          return pen.words(x, y + 8, w, TOLD, body(day, sans, phone ? 17 : 16, { line: phone ? 26 : 24 }))
        }
        if (phone) {
          // As many random numbers as the picture takes that phones do not get, so that the next is the same.
          new Pen(pen.r, day.page, 'gone').photo(0, 0, 600, 220)
          return told(side, pen.photo(side, 28, inner, 0.75 * inner) + 20, inner) + 28
        }
        const y = told(side, 44, 240)
        pen.photo(312, 40, 240, 180)
        return Math.max(220, y) + 40
      },
    },
    {
      ground: day.page,
      columns: 3,
      draw: (pen) => {
        const w = inner / 3
        let y = 0
        FIGURES.forEach(([figure, said], i) => {
          const x = side + i * w
          y = pen.words(x, phone ? 28 : 40, w, figure, head(day, sans, phone ? 26 : 34, { align: 'center' }))
          y = pen.words(x, y + 4, w, said, body(day, sans, 15, { align: 'center', line: 22 }))
        })
        return y + (phone ? 28 : 40)
      },
    },
    {
      ground: day.deep,
      draw: (pen) =>
        pen.words(
          side,
          phone ? 24 : 32,
          inner,
          'Lamp and Ridge, Upper Tarn',
          body(quiet, sans, phone ? 14 : 13, { align: 'center', line: phone ? 22 : 20 }),
        ) + (phone ? 24 : 32),
    },
  ]
  return all.filter((part) => part !== null)
}
