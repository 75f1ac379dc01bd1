import type { Cut } from '../plan'
import { entriesOf } from '../entries'
import { around, overlap, type Rect } from '../raster'
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
  const parted = lines.flatMap(({ cells }) => cells.flatMap((cell) => withinOne(cell) ?? []))
  const own = new Set(parted.map((g) => g.cells[0]!.cut))
  const whole = lines.flatMap((line): MenuGroup[] => {
    const cells = line.cells.filter((c) => !own.has(c.cut))
    if (cells.length < LEAST || cells.length > 12 || areFigures(cells)) return []
    if (
      cells.some((c) => !isEntry(c.said) || c.words.size > LARGEST * scale) ||
      cells.some((c) => c.words.lines > 1)
    )
      return []
    if (new Set(cells.map((c) => c.cut.id)).size < cells.length) return []
    const sizes = cells.map((c) => c.words.size)
    if (Math.max(...sizes) > ONE_SIZE * Math.min(...sizes)) return []
    const box = around(cells.map((c) => c.words.box))
    // What stands among them may be one of them that was not read.
    if (others.some((o) => overlap(o, box) && o.h <= 2 * box.h)) return []
    const under = [...others, ...lines.filter((l) => l !== line).flatMap((l) => l.cells.map((c) => c.cut))]
    if (cells.filter((c) => columned(c, under, NEAR * scale)).length > 1) return []
    return [{ kind: 'menu', cells, box }]
  })
  return [...parted, ...whole]
}

/** Width of a letter, in sizes, at least: entries read as one line are taken to be no wider. */
const LETTER = 0.3

/** A menu that was read as one line, its entries far apart; null where words are none. */
function withinOne({ cut, words }: LineCell): MenuGroup | null {
  const entries = cut.words ? entriesOf(cut.words) : []
  if (entries.length < LEAST || words.lines > 1 || entries.some((e) => !isEntry(e.said))) return null
  const { box, size } = words
  const widths = entries.map(({ said }) => LETTER * size * said.length)
  const gap = (box.w - widths.reduce((a, b) => a + b, 0)) / (entries.length - 1)
  let x = box.x
  const cells = entries.map(({ said, link }, i): LineCell => {
    const own = { ...box, x, w: widths[i]! }
    x += widths[i]! + gap
    return { cut, words: { ...words, box: own, rows: [] }, said, link: link || cut.link }
  })
  return { kind: 'menu', cells, box }
}

/** Figures, prices, dates and times beside each other lead nowhere. */
const areFigures = (cells: readonly LineCell[]): boolean =>
  2 * cells.filter((c) => /\d/.test(c.said)).length > cells.length

const isEntry = (said: string): boolean => /\p{L}/u.test(said) && said.length <= LONGEST

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
