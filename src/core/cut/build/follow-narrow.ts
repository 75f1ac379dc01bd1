import type { Band, Cell, Item, Row } from '../../email/schema'
import { cutsOf } from '../../email/tile'
import { tilesOf } from '../../email/walk'
import type { NarrowDesign } from '../narrow-design'
import { around, type Rect } from '../raster'

/** Cells beside each other on narrow share this much of the lower one's height. */
const LEVEL = 0.5
/** A button of this share of what it stands in is as wide as that. */
const FULL = 0.8

/** Bands as a narrow design has them on phones: their spaces, the order of their cells, and what is not there. */
export const followNarrow = (bands: readonly Band[], design: NarrowDesign): Band[] =>
  bands.map((band) => {
    const cuts = [...tilesOf(band)].flatMap(cutsOf)
    if (cuts.length && cuts.every((id) => design.hidden.has(id))) return { ...band, show: 'wide' }
    const placed = { ...band, ...rowAs(band, design) }
    const same = design.bands.find((b) => cuts.some((id) => b.cuts.has(id)))
    if (!same) return placed
    const padding = placed.narrowPadding ?? placed.padding
    const top = cuts.includes(same.first) ? Math.max(0, same.top - topOf(placed, same.first)) : padding.top
    const bottom = cuts.includes(same.last) ? same.bottom : padding.bottom
    return { ...placed, narrowPadding: { ...padding, top, bottom } }
  })

/** Space that the tile of a cut has above itself where it begins its cell, px. */
function topOf({ cells }: Band, cut: string): number {
  const first = cells
    .map((c) => c.items[0])
    .find((item) => item && item.kind !== 'row' && cutsOf(item).includes(cut))
  return first && first.kind !== 'row' ? (first.narrow?.padding ?? first.padding).top : 0
}

/** The cells of a row in the order, or beside each other, as on the narrow design. */
function rowAs<T extends Pick<Row, 'cells' | 'narrow'>>(
  row: T,
  design: NarrowDesign,
): Pick<Row, 'cells' | 'narrow'> {
  const cells = row.cells.map((cell) => ({
    ...cell,
    items: cell.items.map((item, i) => below(itemAs(item, design), cell.items[i - 1], design)),
  }))
  const boxes = cells.map((cell) => boxOf(cell, design))
  if (cells.length < 2 || !boxes.every((b): b is Rect => b !== null)) return { cells, narrow: row.narrow }
  if (boxes.slice(1).every((b, i) => isBeside(boxes[i]!, b))) return { cells, narrow: 'keep' }
  const order = [...boxes.keys()].sort((a, b) => boxes[a]!.y - boxes[b]!.y)
  if (order.every((at, i) => at === i)) return { cells, narrow: 'stack' }
  if (order.every((at, i) => at === cells.length - 1 - i)) return { cells, narrow: 'reverse' }
  return {
    cells: cells.map((cell, i) => ({ ...cell, narrow: { ...cell.narrow, place: order.indexOf(i) + 1 } })),
    narrow: 'stack',
  }
}

/** Where the things of a cell stand on the narrow design; null where it has none of them. */
function boxOf(cell: Cell, { places }: NarrowDesign): Rect | null {
  const boxes = [...tilesOf({ cells: [cell] })].flatMap(cutsOf).flatMap((id) => places.get(id) ?? [])
  return boxes.length ? around(boxes) : null
}

const isBeside = (a: Rect, b: Rect): boolean =>
  Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y) >= LEVEL * Math.min(a.h, b.h) && b.x >= a.x + a.w

function itemAs(item: Item, design: NarrowDesign): Item {
  if (item.kind === 'row') return { ...item, ...rowAs(item, design) }
  const cuts = cutsOf(item)
  if (cuts.length && cuts.every((id) => design.hidden.has(id))) return { ...item, show: 'wide' }
  const place = cuts.length === 1 ? design.places.get(cuts[0]!) : undefined
  if (item.kind !== 'button' || !place) return item
  return { ...item, fullNarrow: place.w >= FULL * (design.width - 2 * (design.side ?? 0)) }
}

/** A tile as far below the one before it as on the narrow design. */
function below(item: Item, before: Item | undefined, { places }: NarrowDesign): Item {
  if (item.kind === 'row' || !before || before.kind === 'row') return item
  const [own, above] = [item, before].map((t) => places.get(cutsOf(t)[0] ?? ''))
  if (!own || !above || own.y < above.y) return item
  const padding = item.narrow?.padding ?? item.padding
  const top = Math.max(0, Math.round(own.y - above.y - above.h))
  return top === padding.top ? item : { ...item, narrow: { ...item.narrow, padding: { ...padding, top } } }
}
