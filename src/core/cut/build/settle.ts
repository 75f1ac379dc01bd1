import type { Band, Cell, Item, Row } from '../../email/schema'
import { sides, type Sides } from '../../email/styles'
import type { Tile, TileOf } from '../../email/tile'
import { markHeight } from '../../tiles/marks/html'
import type { WordsRoom } from './runs'

/** Space on both sides that differs by no more than this is the same, px. */
const SAME = 6
/** A picture of at least this share of its cell fills it on narrow. */
const FILLS = 0.8
/** Side space of an email on a phone, px (common practice, no source). */
const NARROW_SIDE = 20
/** A band nearer to the window's side than this reaches to it, px. */
const BLEEDS = 12
/** Letters may stand so far from where their line begins, px. */
const BEARING = 2
/** Side space of an email whose bands do not say, px. */
const USUAL_SIDE = 24
/** Columns whose things stand so nearly level are level, px. */
const LEVEL = 2

/**
 * Measured places as what was meant by them: what is centred is centred, what stands at the right is held there, bands share one
 * side space, and on narrow all share one left and one right edge. Nothing moves on wide.
 * @param width of the email, px
 * @param loose ids of tiles whose words need no wall on their loose side
 * @param rooms how wide words may be, by the id of their tile
 * @param narrowSide side space on narrow, px
 */
export function settled(
  bands: readonly Band[],
  width: number,
  loose: ReadonlySet<string>,
  rooms: ReadonlyMap<string, WordsRoom>,
  narrowSide = NARROW_SIDE,
): Band[] {
  const side = sideOf(bands, width)
  // Centred words that have room between the side spaces say nothing of these.
  const free = new Set([...rooms].flatMap(([id, { least }]) => (least <= width - 2 * side ? [id] : [])))
  return bands.map((band) => {
    const wide = spread(band, side, free)
    const flush = Math.min(wide.padding.left, wide.padding.right) < BLEEDS
    const beside = flush ? 0 : narrowSide
    const { left, right } = wide.padding
    // Said only where it is another than on wide.
    const same = left === beside && right === beside
    return {
      ...wide,
      cells: inRow(levelled(wide.cells), {
        narrow: flush ? narrowSide : 0,
        reaches: { left: left < BLEEDS, right: right < BLEEDS },
        stays: wide.narrow === 'keep',
        ends: both,
        loose,
      }),
      ...(same ? {} : { narrowPadding: { ...wide.padding, left: beside, right: beside } }),
    }
  })
}

/** What a cell's tiles have around them. */
interface Place {
  /** Space that things which do not reach the band's side keep from it on narrow, px. */
  narrow: number
  /** Whether its cell reaches to the sides of the window on wide: what fills others keeps from them on narrow, too. */
  reaches: { left: boolean; right: boolean }
  /** Whether it stays beside others on narrow, and at which sides of these it stands. */
  stays: boolean
  ends: { left: boolean; right: boolean }
  loose: ReadonlySet<string>
}

/** Space at the two sides of what a band holds, px; of a side that something centred alone stands at, null. */
function besideOf(
  { padding, cells }: Band,
  free: ReadonlySet<string>,
): { left: number | null; right: number | null } {
  const [first, last] = [cells[0]!, cells.at(-1)!]
  const space = (cell: Cell, side: 'left' | 'right'): number | null => {
    if (!bare(cell) || !cell.items.length) return padding[side]
    const own = least(cell.items, side, { free })
    return own === null ? null : padding[side] + own
  }
  return { left: space(first, 'left'), right: space(last, 'right') }
}

/** What counts of what stands at a side. */
interface Counted {
  /** Whether only what is held by that side does. */
  held?: boolean
  /** Words that do not where they are centred. */
  free?: ReadonlySet<string>
}

/** Space at one side of what an item shows, px; null of what has no side. */
function sideSpaceOf(item: Item, side: 'left' | 'right', counted: Counted): number | null {
  if (item.kind !== 'row') return isSided(item, counted) ? item.padding[side] : null
  const cell = side === 'left' ? item.cells[0]! : item.cells.at(-1)!
  if (!bare(cell)) return 0
  // An empty cell is the room beside a panel.
  return cell.items.length ? least(cell.items, side, counted) : cell.width
}

const least = (items: readonly Item[], side: 'left' | 'right', counted: Counted = {}): number | null => {
  const spaces = items.flatMap((i) => sideSpaceOf(i, side, counted) ?? [])
  return spaces.length ? Math.min(...spaces) : null
}

function isSided(tile: Tile, { held, free }: Counted): boolean {
  if (tile.kind === 'gap') return false
  if (tile.kind === 'button' && tile.align === 'center') return false
  if (tile.kind === 'words' && tile.align === 'center' && free?.has(tile.id)) return false
  if (!held) return true
  return (
    (tile.kind === 'words' && tile.align !== 'center') || tile.kind === 'table' || tile.kind === 'divider'
  )
}

/**
 * The side space that most bands of running words keep, px. Letters stand a px or so in from where their line begins: where pictures,
 * buttons or tables stand so near, theirs counts.
 */
export function sideOf(bands: readonly Band[], width: number): number {
  const counts = new Map<number, number>()
  const exact = new Map<number, number>()
  const usual = (side: number) => side >= BLEEDS && side <= width / 6
  for (const { padding, cells } of bands) {
    const [first] = cells
    if (!bare(first!)) continue
    const space = least(first!.items, 'left', { held: true })
    const left = space === null ? null : padding.left + space
    if (left !== null && usual(left)) counts.set(left, (counts.get(left) ?? 0) + 1)
    for (const item of first!.items) {
      if (item.kind === 'row' || item.kind === 'words' || !isSided(item, {})) continue
      const own = padding.left + item.padding.left
      exact.set(own, (exact.get(own) ?? 0) + 1)
    }
  }
  const [most] = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0])
  if (!most) return USUAL_SIDE
  const [sure] = [...exact]
    .filter(([side]) => Math.abs(side - most[0]) <= BEARING)
    .sort((a, b) => b[1] - a[1])
  return sure?.[0] ?? most[0]
}

export const bare = (cell: Cell): boolean => !cell.background && !cell.edges && !cell.radius

/** A band that keeps the side space of its email, as far as what it holds does; its cells keep the rest. */
function spread(band: Band, side: number, free: ReadonlySet<string>): Band {
  const [first, last] = [band.cells[0]!, band.cells.at(-1)!]
  if (!bare(first) || !bare(last)) return band
  const beside = besideOf(band, free)
  const left = Math.max(0, Math.min(side, beside.left ?? side))
  const right = Math.max(0, Math.min(side, beside.right ?? side))
  // What is centred stays so only between like sides.
  const centred =
    band.cells.length === 1 && first.items.some((i) => i.kind === 'button' && i.align === 'center')
  const kept = centred ? { left: Math.min(left, right), right: Math.min(left, right) } : { left, right }
  const [more, after] = [band.padding.left - kept.left, band.padding.right - kept.right]
  if ((!more && !after) || !hasRoom(first, more, 'left') || !hasRoom(last, after, 'right')) return band
  return {
    ...band,
    padding: { ...band.padding, ...kept },
    cells: band.cells.map((cell) => {
      const by = { left: cell === first ? more : 0, right: cell === last ? after : 0 }
      return by.left || by.right ? widened(cell, by) : cell
    }),
  }
}

/** Least width of a cell that gives room away, px. */
const LEAST_CELL = 16

/** Whether a cell, and those at that side inside it, can be so much wider, or narrower where that is below 0. */
function hasRoom(cell: Cell, by: number, side: 'left' | 'right'): boolean {
  if (by >= 0) return true
  // Room beside a panel may go altogether.
  if (!cell.items.length) return cell.width + by >= 0
  if (cell.width + by < LEAST_CELL) return false
  return cell.items.every((item) => {
    if (item.kind !== 'row') return true
    const end = side === 'left' ? item.cells[0]! : item.cells.at(-1)!
    return !bare(end) || hasRoom(end, by, side)
  })
}

/** A cell that is wider, with what it holds where it was. */
function widened(cell: Cell, by: { left: number; right: number }): Cell {
  const items = cell.items.map((item): Item => {
    if (item.kind === 'row') return widenedRow(item, by)
    return {
      ...item,
      padding: {
        ...item.padding,
        left: grown(item.padding.left, by.left),
        right: grown(item.padding.right, by.right),
      },
    }
  })
  return unwrapped({ ...cell, width: cell.width + by.left + by.right, items })
}

/** A cell that holds nothing but one of its width is that. */
function unwrapped(cell: Cell): Cell {
  const [row, ...more] = cell.items
  if (row?.kind !== 'row' || more.length || row.cells.length !== 1 || !bare(cell)) return cell
  const [only] = row.cells
  return Math.abs(only!.width - cell.width) < 1 ? { ...only!, width: cell.width } : cell
}

/** Space that grows or shrinks, not below none. */
const grown = (space: number, by: number): number => (by < 0 ? Math.max(0, space + by) : space + by)

/** A row that is wider: bare cells at its ends take the room, else empty ones do. */
function widenedRow(row: Row, by: { left: number; right: number }): Row {
  const cells = [...row.cells]
  const [first, last] = [cells[0]!, cells.at(-1)!]
  if (by.left) {
    if (bare(first)) cells[0] = widened(first, { left: by.left, right: 0 })
    else cells.unshift(room(`${row.id}-l`, by.left))
  }
  if (by.right) {
    const end = cells.length - 1
    if (bare(last)) cells[end] = widened(cells[end]!, { left: 0, right: by.right })
    else cells.push(room(`${row.id}-r`, by.right))
  }
  return { ...row, cells: cells.filter((cell) => cell.items.length || cell.width >= 1) }
}

const room = (id: string, width: number): Cell => ({
  id,
  width,
  padding: sides(0),
  align: 'left',
  valign: 'top',
  items: [],
})

/** A cell with its tiles settled; where it has a look of its own, the space inside is the cell's. */
function settledCell(cell: Cell, place: Place): Cell {
  const own = bare(cell) ? cell : hollowed(cell)
  const { left, right } = own.padding
  const content = own.width - left - right - edgesOf(own)
  const inside = bare(cell)
  // What reaches to the sides of a box does so on narrow; the rest keeps its space.
  const filled = Math.min(left, right) < BLEEDS
  const around = inside ? place : { ...place, narrow: filled ? NARROW_SIDE : 0, reaches: both, ends: both }
  const items = own.items.map((item): Item => {
    if (item.kind === 'row') return settledRow(item, around)
    const tile = overWords(place.loose.has(item.id) ? loosened(item) : item, own.items, content)
    return settledTile(
      tile,
      content,
      place.stays ? endSides(item, place) : narrowSides(tile, content, around),
    )
  })
  if (inside || place.stays) return { ...own, items }
  return {
    ...own,
    items,
    narrow: {
      ...own.narrow,
      padding: {
        ...own.padding,
        left: filled ? 0 : NARROW_SIDE,
        right: filled ? 0 : NARROW_SIDE,
      },
    },
  }
}

const edgesOf = ({ edges }: Cell): number => (edges?.left?.width ?? 0) + (edges?.right?.width ?? 0)

const settledRow = (row: Row, place: Place): Row => ({
  ...row,
  cells: inRow(row.cells, { ...place, stays: place.stays || row.narrow === 'keep' }),
})

/** The cells of a row settled: only the first and the last may reach to a side. */
const inRow = (cells: readonly Cell[], place: Place): Cell[] =>
  cells.map((cell, i) =>
    settledCell(cell, {
      ...place,
      reaches: {
        left: place.reaches.left && i === 0,
        right: place.reaches.right && i === cells.length - 1,
      },
      ends: { left: place.ends.left && i === 0, right: place.ends.right && i === cells.length - 1 },
    }),
  )

/** The space that all that a cell holds keeps, as the cell's own: the same on both sides where that is nearly so. */
function hollowed(cell: Cell): Cell {
  // In whole px: what a row leaves free beside it may be none.
  const free = (side: 'left' | 'right') => Math.floor(least(cell.items, side) ?? 0)
  const [left, right] = [free('left'), free('right')]
  const less = Math.min(left, right)
  const space = Math.abs(left - right) <= SAME ? { left, right } : { left, right: less }
  if (!hasRoom(cell, -space.left, 'left') || !hasRoom(cell, -space.right, 'right')) return cell
  const inner = widened({ ...cell, padding: sides(0) }, { left: -space.left, right: -space.right })
  return {
    ...inner,
    width: cell.width,
    padding: {
      ...cell.padding,
      left: cell.padding.left + space.left,
      right: cell.padding.right + space.right,
    },
  }
}

const both = { left: true, right: true } as const

/** Space on narrow beside what stays beside others: at the ends of its row as much as others keep there, unless it reaches to the side. */
function endSides({ padding }: Tile, { narrow, ends }: Place): Sides {
  const at = (side: 'left' | 'right') => (narrow && ends[side] && padding[side] > SAME ? narrow : 0)
  return { ...sides(0), left: at('left'), right: at('right') }
}

/** Space beside a tile on narrow: none, but where its band reaches to the window's side and it does not. */
function narrowSides(tile: Tile, content: number, { narrow, reaches: may }: Place): Sides {
  const { left, right } = tile.padding
  const reaches =
    (may.left || may.right) &&
    tile.kind === 'picture' &&
    (left + right <= SAME || tile.width >= content - SAME)
  if (!narrow || reaches) return sides(0)
  return { ...sides(0), left: narrow, right: narrow }
}

/** Width of what a tile shows, px; null where words decide it. */
function widthOf(tile: Tile): number | null {
  if (tile.kind === 'picture') return tile.width
  if (tile.kind === 'marks') return tile.marks.reduce((sum, m) => sum + m.width + tile.gap, -tile.gap)
  return null
}

/** Words without a wall where their line ends. */
function loosened(tile: Tile): Tile {
  const { left, right } = tile.padding
  const least = Math.min(left, right)
  const side = tile.kind === 'words' && tile.align === 'right' ? { left: least } : { right: least }
  return { ...tile, padding: { ...tile.padding, ...side } }
}

/** A tile that reaches no further than its cell. */
const inCell = (tile: Tile): Tile => {
  const { left, right } = tile.padding
  return left >= 0 && right >= 0
    ? tile
    : { ...tile, padding: { ...tile.padding, left: Math.max(0, left), right: Math.max(0, right) } }
}

/** @param beside space on narrow, px */
function settledTile(tile: Tile, content: number, beside: Sides): Tile {
  // A gap has no sides: as wide as a flat cut was, it would widen a phone.
  if (tile.kind === 'gap') return { ...tile, padding: { ...tile.padding, ...even } }
  const placed = inCell(aligned(tile, content))
  const { padding } = placed
  const narrow = { ...padding, left: beside.left, right: beside.right }
  const same = narrow.left === padding.left && narrow.right === padding.right
  const { narrow: _, ...rest } = placed
  return same ? (rest as Tile) : ({ ...rest, narrow: { padding: narrow } } as Tile)
}

/** A picture whose middle is that of centred words in its cell stands in the middle of all that they stand in, on every width. @param content width of their cell, px */
function overWords(tile: Tile, items: readonly Item[], content: number): Tile {
  if (tile.kind !== 'picture' || tile.width >= FILLS * content) return tile
  const offMiddle = ({ padding: { left, right } }: TileOf<'words'>) =>
    tile.padding.left + tile.width / 2 - (left + content - right) / 2
  const words = items.find(
    (item): item is TileOf<'words'> =>
      item.kind === 'words' && item.align === 'center' && Math.abs(offMiddle(item)) <= SAME,
  )
  if (!words) return tile
  const off = 2 * offMiddle(words)
  const left = words.padding.left + Math.max(0, off)
  const right = words.padding.right + Math.max(0, -off)
  if (left + tile.width + right > content) return tile
  return { ...tile, align: 'center', padding: { ...tile.padding, left, right } }
}

/** A tile at the place that was measured, said by its alignment where that says as much. @param content width of its cell, px */
function aligned(tile: Tile, content: number): Tile {
  if (tile.kind === 'picture' && tile.align === 'center') return tile
  if (tile.kind !== 'picture' && tile.kind !== 'marks' && tile.kind !== 'menu' && tile.kind !== 'button')
    return tile
  const { left } = tile.padding
  const width = widthOf(tile)
  const right = width === null ? tile.padding.right : Math.max(0, Math.floor(content - left - width))
  if (tile.kind === 'picture' && width! >= FILLS * content) return tile
  const middle = tile.kind === 'button' ? tile.align === 'center' : Math.abs(left - right) <= SAME
  if (middle) return { ...tile, align: 'center', padding: { ...tile.padding, ...even } }
  if (tile.kind === 'button' || left < right)
    return { ...tile, align: 'left', padding: { ...tile.padding, right: 0 } }
  return { ...tile, align: 'right', padding: { ...tile.padding, left: 0, right } }
}

const even = { left: 0, right: 0 }

/** Shown height of what begins a cell, px; null where words decide it. */
function heightOf(item: Item | undefined): number | null {
  if (item?.kind === 'picture' && item.picture) return (item.width * item.picture.height) / item.picture.width
  if (item?.kind === 'marks') return Math.max(0, ...item.marks.map(markHeight))
  return null
}

/** Cells beside each other whose first two things stand nearly level, made level. */
function levelled(cells: readonly Cell[]): Cell[] {
  const model = cells[0]!
  return cells.map((cell) => {
    const [a, c] = [model.items[0], cell.items[0]]
    if (cell === model || !a || !c || a.kind === 'row' || c.kind === 'row' || a.kind !== c.kind) return cell
    const items = [...cell.items]
    if (Math.abs(a.padding.top - c.padding.top) <= LEVEL) items[0] = withTop(c, a.padding.top)
    const [b, d] = [model.items[1], items[1]]
    const [ha, hc] = [heightOf(a), heightOf(c)]
    if (b && d && b.kind !== 'row' && d.kind !== 'row' && b.kind === d.kind && ha !== null && hc !== null) {
      const first = items[0] as Tile
      const off = a.padding.top + ha + b.padding.top - (first.padding.top + hc + d.padding.top)
      if (Math.abs(off) <= LEVEL) items[1] = withTop(d, Math.max(0, Math.round(d.padding.top + off)))
    }
    return { ...cell, items }
  })
}

const withTop = (tile: Tile, top: number): Tile => ({ ...tile, padding: { ...tile.padding, top } })
