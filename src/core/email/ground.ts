import type { Style } from './cascade'
import { plainOf } from './gradient'
import type { Band, Cell, Email, EmailGround, GroundPicture, Row } from './schema'
import type { Gradient } from './styles'
import type { Tile } from './tile'

/** What stands behind something: its colour by day and, by the email's own rules, at night; and a gradient or a picture over that colour. */
export interface Ground {
  color: string
  night: string
  gradient?: Gradient
  picture?: GroundPicture
}

/** A colour of its own covers what lies behind, by day and at night alike unless it has one for the night. */
const cover = (
  behind: Ground,
  day: string | undefined,
  night: string | undefined,
  gradient?: Gradient,
): Ground =>
  day === undefined && night === undefined && !gradient
    ? behind
    : {
        ...(day === undefined && !gradient ? behind : {}),
        color: plainOf(day, gradient) ?? behind.color,
        night: night ?? plainOf(day, gradient) ?? behind.night,
        ...(gradient ? { gradient } : {}),
      }

/** The gradient of a band where it runs so far. */
export const gradientAcross = (band: Band, across: 'email' | 'window'): Gradient | undefined =>
  band.gradient?.across === across ? band.gradient : undefined

/** The ground at each stop of its gradient, by day and at night; the ground itself where it has none, or a picture over it. */
export const groundTones = (g: Ground): Ground[] =>
  g.gradient && !g.picture
    ? g.gradient.stops.map(({ color, nightColor }) => ({ color, night: nightAt(g, color, nightColor) }))
    : [g]

/** A gradient gives way at night to a plain ground of the night, unless it has colours for the night itself. */
const nightAt = (g: Ground, day: string, night: string | undefined): string =>
  g.gradient!.stops.some((s) => s.nightColor) ? (night ?? day) : g.night === g.color ? day : g.night

type Colors = Pick<Style, 'ground' | 'nightGround'>

/** Behind the whole email. @param behind the picture there */
export const windowGround = (style: Colors, behind?: EmailGround): Ground => ({
  color: style.ground,
  night: style.nightGround ?? style.ground,
  ...(behind ? { picture: { ...behind, across: 'window' } } : {}),
})

/** Behind a band's own block: its bleed over the whole window, and a picture there. */
export function bleedGround(band: Band, style: Colors, behind?: EmailGround): Ground {
  const ground = cover(
    windowGround(style, behind),
    band.bleed,
    band.nightBleed,
    gradientAcross(band, 'window'),
  )
  return band.picture?.across === 'window' ? { ...ground, picture: band.picture } : ground
}

/** Behind the cells of a band. */
export function bandGround(band: Band, style: Colors, behind?: EmailGround): Ground {
  const ground = cover(
    bleedGround(band, style, behind),
    band.background,
    band.nightBackground,
    gradientAcross(band, 'email'),
  )
  return band.picture?.across === 'email' ? { ...ground, picture: band.picture } : ground
}

/** Behind the tiles of a cell. @param behind the cell itself */
export const cellGround = (cell: Cell, behind: Ground): Ground =>
  cover(behind, cell.background, cell.nightBackground, cell.gradient)

/** Every tile of a band with what stands behind it, in reading order. */
export function* groundsOf(band: Band, style: Colors, behind?: EmailGround): Generator<[Tile, Ground]> {
  yield* within(band, bandGround(band, style, behind))
}

function* within(row: Pick<Row, 'cells'>, behind: Ground): Generator<[Tile, Ground]> {
  for (const cell of row.cells) {
    const ground = cellGround(cell, behind)
    for (const item of cell.items)
      if (item.kind === 'row') yield* within(item, ground)
      else yield [item, ground]
  }
}

/** What stands behind a tile or the tiles of a cell; behind the email where there is none of that id. */
export function groundOf(email: Pick<Email, 'bands' | 'behind'>, style: Colors, id: string): Ground {
  for (const band of email.bands) {
    const found = search(band, bandGround(band, style, email.behind), id)
    if (found) return found
  }
  return windowGround(style, email.behind)
}

function search(row: Pick<Row, 'cells'>, behind: Ground, id: string): Ground | undefined {
  for (const cell of row.cells) {
    const ground = cellGround(cell, behind)
    if (cell.id === id || cell.items.some((i) => i.id === id)) return ground
    for (const item of cell.items) {
      const found = item.kind === 'row' ? search(item, ground, id) : undefined
      if (found) return found
    }
  }
  return undefined
}
