import { produce, type Draft } from 'immer'
import { newCell, newId } from '../defaults'
import { measureBand } from '../measures'
import type { Band, Cell, Email, Item, Row } from '../schema'
import { sides, type Sides } from '../styles'
import type { Tile } from '../tile'
import { placeOf } from '../walk'
import { at, cellPath, holds, type EditOf } from './reach'

const without = (s: Sides, ...edges: (keyof Sides)[]): Sides => ({
  ...s,
  ...Object.fromEntries(edges.map((e) => [e, 0])),
})

/** A band and its cell without space on one edge, so that two halves stand as the whole did. */
const trimmed = (band: Band, edge: 'top' | 'bottom', items: Item[]): Band => ({
  ...band,
  padding: without(band.padding, edge),
  ...(band.narrowPadding ? { narrowPadding: without(band.narrowPadding, edge) } : {}),
  cells: [
    {
      ...band.cells[0]!,
      padding: without(band.cells[0]!.padding, edge),
      ...(band.cells[0]!.narrow?.padding
        ? { narrow: { ...band.cells[0]!.narrow, padding: without(band.cells[0]!.narrow.padding, edge) } }
        : {}),
      items,
    },
  ],
})

/** The band that can be split before a tile, and where: it has one cell, and something stands before the tile. */
function splitPlace(email: Email, tile: string): { band: number; at: number } | null {
  const place = placeOf(email, tile)
  const band = email.bands.findIndex((b) => b.id === place?.band.id)
  const whole = email.bands[band]
  if (!place || !whole || whole.cells.length !== 1) return null
  const items = whole.cells[0]!.items.findIndex((i) => i.id === tile)
  return items > 0 ? { band, at: items } : null
}

/** Whether a band can be split before a tile. */
export const splits = (email: Email, tile: string): boolean => splitPlace(email, tile) !== null

/** Splits a band of one cell before a tile: what follows becomes a band of its own that looks alike. */
export const splitBand: EditOf<{ tile: string }> = (email, { tile }) => {
  const place = splitPlace(email, tile)
  if (!place) return email
  const band = email.bands[place.band]!
  const { items } = band.cells[0]!
  const { kept: _, twin: __, ...rest } = band
  const second: Band = {
    ...trimmed(rest, 'top', items.slice(place.at)),
    id: newId(),
    name: `${band.name} (2)`.slice(0, 80),
  }
  second.cells = [{ ...second.cells[0]!, id: newId() }]
  return {
    ...email,
    bands: email.bands.toSpliced(place.band, 1, trimmed(band, 'bottom', items.slice(0, place.at)), second),
  }
}

/** What of a band has to be alike for two to become one. */
const lookOf = ({ background, nightBackground, bleed, nightBleed, show, role, dir, lang, when }: Band) =>
  JSON.stringify([background, nightBackground, bleed, nightBleed, show, role, dir, lang, when])

/** Whether what lies behind a band ends with it: two of them would not become one. */
const ends = (b: Band): boolean => !!(b.picture || b.gradient || b.card)

/** The neighbouring bands of those ids, in their order, where they can become one; else null. */
function mergeable(email: Email, ids: readonly string[]): Band[] | null {
  const from = email.bands.findIndex((b) => ids.includes(b.id))
  const bands = email.bands.slice(from, from + ids.length)
  const alike = bands.every((b) => ids.includes(b.id) && !ends(b) && lookOf(b) === lookOf(bands[0]!))
  return bands.length > 1 && alike ? bands : null
}

/** Whether bands stand beside each other on one ground, so that they can become one. */
export const merges = (email: Email, ids: readonly string[]): boolean => mergeable(email, ids) !== null

/** Whether a cell is no more than its items and the space around them. */
const isPlain = (c: Cell): boolean =>
  !c.background && !c.nightBackground && !c.gradient && !c.edges && !c.radius && c.valign === 'top'

const plus = (a: Sides, b: Partial<Sides>): Sides => ({
  top: a.top + (b.top ?? 0),
  right: a.right + (b.right ?? 0),
  bottom: a.bottom + (b.bottom ?? 0),
  left: a.left + (b.left ?? 0),
})

/** A tile with more space around it, and as much on narrow. */
const spaced = (tile: Tile, wide: Partial<Sides>, narrow: Partial<Sides>): Tile => {
  const padding = plus(tile.padding, wide)
  const small = plus(tile.narrow?.padding ?? tile.padding, narrow)
  const same = JSON.stringify(padding) === JSON.stringify(small)
  return { ...tile, padding, ...(same && !tile.narrow ? {} : { narrow: { ...tile.narrow, padding: small } }) }
}

/** Space as something that stands between others. @param height px */
const gapOf = (height: number): Tile =>
  ({ id: newId(), kind: 'gap', height, padding: sides(0), show: 'all' }) as unknown as Tile

/** What a band holds as items of one cell, with its space in them as far as it is more than what all share. */
function itemsOf(band: Band, shared: Pick<Sides, 'left' | 'right'>, first: boolean, last: boolean): Item[] {
  const wide = band.padding
  const narrow = band.narrowPadding ?? band.padding
  const side = { left: wide.left - shared.left, right: wide.right - shared.right }
  const [cell] = band.cells
  if (band.cells.length > 1 || !isPlain(cell!)) {
    const cells = band.cells.map((c, i) => ({
      ...c,
      padding: plus(c.padding, {
        left: i === 0 ? side.left : 0,
        right: i === band.cells.length - 1 ? side.right : 0,
      }),
    }))
    const row: Row = { id: newId(), kind: 'row', gap: band.gap, narrow: band.narrow, cells }
    return [
      ...(!first && wide.top ? [gapOf(wide.top)] : []),
      row,
      ...(!last && wide.bottom ? [gapOf(wide.bottom)] : []),
    ]
  }
  const { items, padding } = cell!
  const small = cell!.narrow?.padding ?? padding
  const end = items.length - 1
  return items.flatMap((item, i): Item[] => {
    const above = i === 0 ? (first ? 0 : wide.top) + padding.top : 0
    const below = i === end ? (last ? 0 : wide.bottom) + padding.bottom : 0
    if (item.kind === 'row') return [...(above ? [gapOf(above)] : []), item, ...(below ? [gapOf(below)] : [])]
    const more = {
      top: above,
      bottom: below,
      left: side.left + padding.left,
      right: side.right + padding.right,
    }
    const less = {
      top: i === 0 ? (first ? 0 : narrow.top) + small.top : 0,
      bottom: i === end ? (last ? 0 : narrow.bottom) + small.bottom : 0,
      left: small.left,
      right: small.right,
    }
    return [spaced(item, more, less)]
  })
}

/**
 * Makes one band of neighbours on one ground: their tiles follow each other in one cell, rows of cells stand in it as rows; the
 * space between is kept.
 */
export const mergeBands: EditOf<{ ids: readonly string[] }> = (email, { ids }) => {
  const bands = mergeable(email, ids)
  if (!bands) return email
  const [first, last] = [bands[0]!, bands.at(-1)!]
  const shared = {
    left: Math.min(...bands.map((b) => b.padding.left)),
    right: Math.min(...bands.map((b) => b.padding.right)),
  }
  const narrow = bands.some((b) => b.narrowPadding)
    ? {
        ...(first.narrowPadding ?? first.padding),
        bottom: (last.narrowPadding ?? last.padding).bottom,
      }
    : undefined
  const items = bands.flatMap((b, i) => itemsOf(b, shared, i === 0, i === bands.length - 1))
  const { kept: _, twin: __, narrowPadding: ___, ...rest } = first
  const one: Band = {
    ...rest,
    padding: { ...shared, top: first.padding.top, bottom: last.padding.bottom },
    ...(narrow ? { narrowPadding: narrow } : {}),
    gap: 0,
    narrow: 'stack',
    cells: [{ ...newCell(email.width - shared.left - shared.right), align: first.cells[0]!.align, items }],
  }
  return { ...email, bands: email.bands.toSpliced(email.bands.indexOf(first), bands.length, one) }
}

/** Puts a tile into a row of two cells of its own, so that something can stand beside it. */
export const wrapTile: EditOf<{ id: string }> = (email, { id }) => {
  const path = cellPath(email, holds(id))
  if (!path) return email
  const cell = at<Cell>(email, path)
  const band = email.bands[path[1] as number]!
  const room = measureBand(band, email.width).get(cell.id)?.content ?? email.width
  return produce(email, (d) => {
    const { items } = at<Draft<Cell>>(d, path)
    const index = items.findIndex((i) => i.id === id)
    const cells = [newCell(room / 2), newCell(room / 2)]
    const row: Row = { id: newId(), kind: 'row', gap: 0, narrow: 'stack', cells }
    const [tile] = items.splice(index, 1, row as Draft<Row>)
    ;(items[index] as Draft<Row>).cells[0]!.items.push(tile!)
  })
}
