import type { Style } from './cascade'
import type { Band, Cell, Email, EmailGround, GroundPicture, Row } from './schema'
import type { Tile } from './tile'

/** What stands behind something: its colour by day and, by the email's own rules, at night; and a picture over that colour. */
export interface Ground {
  color: string
  night: string
  picture?: GroundPicture
}

/** A colour of its own covers what lies behind, by day and at night alike unless it has one for the night. */
const cover = (behind: Ground, day: string | undefined, night: string | undefined): Ground =>
  day === undefined && night === undefined
    ? behind
    : {
        ...(day === undefined ? behind : {}),
        color: day ?? behind.color,
        night: night ?? day ?? behind.night,
      }

type Colors = Pick<Style, 'ground' | 'nightGround'>

/** Behind the whole email. @param behind the picture there */
export const windowGround = (style: Colors, behind?: EmailGround): Ground => ({
  color: style.ground,
  night: style.nightGround ?? style.ground,
  ...(behind ? { picture: { ...behind, across: 'window' } } : {}),
})

/** Behind a band's own block: its bleed over the whole window, and a picture there. */
export function bleedGround(band: Band, style: Colors, behind?: EmailGround): Ground {
  const ground = cover(windowGround(style, behind), band.bleed, band.nightBleed)
  return band.picture?.across === 'window' ? { ...ground, picture: band.picture } : ground
}

/** Behind the cells of a band. */
export function bandGround(band: Band, style: Colors, behind?: EmailGround): Ground {
  const ground = cover(bleedGround(band, style, behind), band.background, band.nightBackground)
  return band.picture?.across === 'email' ? { ...ground, picture: band.picture } : ground
}

/** Behind the tiles of a cell. @param behind the cell itself */
export const cellGround = (cell: Cell, behind: Ground): Ground =>
  cover(behind, cell.background, cell.nightBackground)

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
