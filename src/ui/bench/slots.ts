import type { Edit } from '@/core/email/edits'
import type { Band, Cell, Email, Row } from '@/core/email/schema'
import { cellsOf, placeOf } from '@/core/email/walk'
import type { Marks } from './measures'
import type { Stretch } from './ties'

/** A place that something dragged can be put at, and the line that shows it, px of the email. */
export interface Slot {
  edit: Edit
  line: Stretch
}

const within = (s: Stretch, x: number, y: number): boolean =>
  x >= s.left && x <= s.left + s.width && y >= s.top && y <= s.top + s.height

/** How far a point is from a stretch, px. */
const distance = (s: Stretch, x: number, y: number): number =>
  Math.hypot(Math.max(s.left - x, 0, x - s.left - s.width), Math.max(s.top - y, 0, y - s.top - s.height))

/** The stretch of a cell: its own, or where it is not marked that of what it holds. */
function stretchOf(cell: Cell, marks: Marks): Stretch | undefined {
  const own = marks.get(cell.id)
  if (own) return own
  const items = cell.items.flatMap((i) => marks.get(i.id) ?? [])
  if (!items.length) return undefined
  const top = Math.min(...items.map((s) => s.top))
  const left = Math.min(...items.map((s) => s.left))
  return {
    ...{ top, left },
    width: Math.max(...items.map((s) => s.left + s.width)) - left,
    height: Math.max(...items.map((s) => s.top + s.height)) - top,
  }
}

/** The cell under a point, the innermost first; else the nearest. Cells of the thing itself do not count. */
function cellAt(bands: readonly Band[], marks: Marks, x: number, y: number) {
  let best: { cell: Cell; at: Stretch; far: number } | undefined
  for (const band of bands)
    for (const cell of cellsOf(band)) {
      const at = stretchOf(cell, marks)
      if (!at) continue
      const far = distance(at, x, y)
      // Nested cells come after those that hold them, so that the innermost prevails.
      if (!best || far < best.far || (far === 0 && within(at, x, y))) best = { cell, at, far }
    }
  return best
}

/** How thick the line of a slot is, px. */
const LINE = 3

/** Where between the items of a cell a height lies, with the line between them. */
function betweenItems(cell: Cell, at: Stretch, marks: Marks, y: number) {
  const seen = cell.items.flatMap((item, index) => {
    const s = marks.get(item.id)
    return s ? [{ index, s }] : []
  })
  const next = seen.find(({ s }) => y < s.top + s.height / 2)
  const before = next ? seen[seen.indexOf(next) - 1] : seen.at(-1)
  const edge =
    before && next
      ? (before.s.top + before.s.height + next.s.top) / 2
      : next
        ? next.s.top
        : before
          ? before.s.top + before.s.height
          : at.top + at.height / 2
  return {
    index: next ? next.index : cell.items.length,
    line: { left: at.left, width: at.width, top: edge - LINE / 2, height: LINE },
  }
}

/** Where a tile would be put that is let go at a point; null where it would stay as it is. */
function slotOfTile(email: Email, marks: Marks, id: string, x: number, y: number): Slot | null {
  const place = placeOf(email, id)
  const found = place && cellAt(email.bands, marks, x, y)
  if (!place || !found) return null
  const { index, line } = betweenItems(found.cell, found.at, marks, y)
  const same = found.cell.id === place.cell.id
  if (same && (index === place.index || index === place.index + 1)) return null
  const to = same && index > place.index ? index - 1 : index
  return { edit: { name: 'moveTile', what: { id, cell: found.cell.id, to } }, line }
}

/** Where something new would be put that is let go at a point, and the line that shows it. */
export function newSlotAt(
  email: Email,
  marks: Marks,
  x: number,
  y: number,
): { at: { cell: string; at: number }; line: Stretch } | null {
  const found = cellAt(email.bands, marks, x, y)
  if (!found) return null
  const { index, line } = betweenItems(found.cell, found.at, marks, y)
  return { at: { cell: found.cell.id, at: index }, line }
}

/** Between which bands a height lies, with the line between them. */
export function newBandSlotAt(email: Email, marks: Marks, y: number): { at: number; line: Stretch } {
  const seen = email.bands.flatMap((b, index) => {
    const s = marks.get(b.id)
    return s ? [{ index, s }] : []
  })
  const next = seen.find(({ s }) => y < s.top + s.height / 2)
  const last = seen.at(-1)?.s ?? { left: 0, width: email.width, top: 0, height: 0 }
  const edge = next ? next.s.top : last.top + last.height
  return {
    at: next ? next.index : email.bands.length,
    line: { left: last.left, width: last.width, top: edge - LINE / 2, height: LINE },
  }
}

/** Where a band would be put that is let go at a height. */
function slotOfBand(email: Email, marks: Marks, id: string, y: number): Slot | null {
  const from = email.bands.findIndex((b) => b.id === id)
  const { at, line } = newBandSlotAt(email, marks, y)
  if (from < 0 || at === from || at === from + 1) return null
  return { edit: { name: 'moveBand', what: { id, to: at > from ? at - 1 : at } }, line }
}

/** Where a tile or a band would be put that is let go at a point. @param x, y px of the email */
export const slotAt = (email: Email, marks: Marks, id: string, x: number, y: number): Slot | null =>
  email.bands.some((b) => b.id === id) ? slotOfBand(email, marks, id, y) : slotOfTile(email, marks, id, x, y)

/** The space between two cells that stand beside each other. */
export interface Gutter {
  /** The cells left and right of it. */
  left: Cell
  right: Cell
  at: Stretch
}

/** The gutters of a row where its cells stand beside each other, from left to right. */
export function guttersOf(row: Pick<Row, 'cells'>, marks: Marks): Gutter[] {
  const cells = row.cells
    .flatMap((cell) => {
      const s = stretchOf(cell, marks)
      return s ? [{ cell, s }] : []
    })
    .toSorted((a, b) => a.s.left - b.s.left)
  return cells.slice(1).flatMap(({ cell, s }, i): Gutter[] => {
    const before = cells[i]!
    const from = before.s.left + before.s.width
    // Cells that are stacked have none.
    if (s.left < from - 1) return []
    const top = Math.min(s.top, before.s.top)
    const bottom = Math.max(s.top + s.height, before.s.top + before.s.height)
    return [
      { left: before.cell, right: cell, at: { left: from, width: s.left - from, top, height: bottom - top } },
    ]
  })
}
