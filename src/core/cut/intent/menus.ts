import type { Cut } from '../plan'
import { around, type Rect } from '../raster'
import type { Line, LineCell } from './lines'

/** A row of short words of one style. All measures are design px. */
export interface MenuGroup {
  kind: 'menu'
  cells: LineCell[]
  box: Rect
}

/** Fewer words beside each other are no menu. */
const LEAST = 3
/** Longest entry, characters. */
const LONGEST = 24
/** Larger letters are figures or titles, px of the email. */
const LARGEST = 20
/** Entries are of one size within this. */
const ONE_SIZE = 1.12
/** Something this near above or below, in the columns of the entries, makes them captions or heads, px of the email. */
const NEAR = 40

/** Menus among the lines of a design. @param others all other cuts @param scale design px for each px of the email */
export function menusIn(lines: readonly Line[], others: readonly Cut[], scale: number): MenuGroup[] {
  return lines.flatMap((line): MenuGroup[] => {
    const { cells } = line
    if (cells.length < LEAST || cells.length > 12) return []
    if (
      cells.some(
        (c) => !/\p{L}/u.test(c.said) || c.said.length > LONGEST || c.words.size > LARGEST * scale,
      ) ||
      cells.some((c) => c.words.lines > 1)
    )
      return []
    if (new Set(cells.map((c) => c.cut.id)).size < cells.length) return []
    const sizes = cells.map((c) => c.words.size)
    if (Math.max(...sizes) > ONE_SIZE * Math.min(...sizes)) return []
    const under = [...others, ...lines.filter((l) => l !== line).flatMap((l) => l.cells.map((c) => c.cut))]
    if (cells.filter((c) => columned(c, under, NEAR * scale)).length > 1) return []
    return [{ kind: 'menu', cells, box: around(cells.map((c) => c.words.box)) }]
  })
}

/** Whether something stands close above or below an entry, in its column alone. */
const columned = ({ cut, words }: LineCell, others: readonly Cut[], near: number): boolean =>
  others.some(
    (o) =>
      o !== cut &&
      o.x < words.box.x + words.box.w &&
      o.x + o.w > words.box.x &&
      // What reaches across several entries is no column of theirs.
      o.w < 4 * Math.max(words.box.w, cut.w / 2) &&
      (Math.abs(o.y + o.h - words.box.y) <= near || Math.abs(words.box.y + words.box.h - o.y) <= near),
  )
