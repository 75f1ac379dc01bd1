import { eachInline, markOf, plainOf, type RichText } from '../../email/richtext'
import type { Cut } from '../plan'
import type { Rect } from '../raster'

/** What is asked of a cut's words: where their ink is and how they are set. All measures are design px. */
export interface WordsOf {
  /** The rectangle of the ink; of the cut where none was found. */
  box: Rect
  /** Each line of it, and where the middle of its line box is. */
  rows: readonly (Rect & { centre: number })[]
  /** How many lines there are. */
  lines: number
  /** Size of the letters. */
  size: number
  bold: boolean
  color: string | undefined
}

/** Words of a cut, all of them or those of one of its lines. */
export interface LineCell {
  cut: Cut
  words: WordsOf
  said: string
  /** Where it leads: by itself, or as words of it do; empty where nowhere. */
  link: string
}

/** Words that stand in one line across the design, from the left. */
export interface Line {
  top: number
  bottom: number
  cells: LineCell[]
}

/** Lines of a cut stand at least this many sizes of their letters apart where each is a thing of its own. */
const APART = 1.75

/** Words whose heights share this much of the lower one stand in one line. */
const LEVEL = 0.6

/** Words cuts as lines, from the top. */
export function linesOf(cuts: readonly Cut[], wordsOf: (cut: Cut) => WordsOf): Line[] {
  const cells = cuts
    .filter((c) => c.kind === 'words')
    .flatMap((cut) => parted(cut, wordsOf(cut)))
    .sort((a, b) => middleOf(a.words.box) - middleOf(b.words.box))
  const out: Line[] = []
  for (const cell of cells) {
    const { y, h } = cell.words.box
    const last = out.at(-1)
    const shared = last ? Math.min(last.bottom, y + h) - Math.max(last.top, y) : 0
    if (last && shared >= LEVEL * Math.min(h, last.bottom - last.top)) {
      last.cells.push(cell)
      last.top = Math.min(last.top, y)
      last.bottom = Math.max(last.bottom, y + h)
    } else out.push({ top: y, bottom: y + h, cells: [cell] })
  }
  for (const line of out) line.cells.sort((a, b) => a.words.box.x - b.words.box.x)
  return out
}

/** A cut whose lines are well apart, each ended by will, line by line. */
function parted(cut: Cut, words: WordsOf): LineCell[] {
  const link = cut.link || (cut.words ? firstLink(cut.words) : '')
  const said = cut.words ? plainOf(cut.words).split('\n').filter(Boolean) : []
  const { rows, size } = words
  const pitch = rows.length > 1 ? (rows.at(-1)!.y - rows[0]!.y) / (rows.length - 1) : 0
  if (rows.length < 2 || said.length !== rows.length || pitch < APART * size)
    return [{ cut, words, said: said.join(' '), link }]
  return rows.map((box, i) => ({
    cut,
    words: { ...words, box, rows: [box], lines: 1 },
    said: said[i]!,
    link,
  }))
}

function firstLink(text: RichText): string {
  let link = ''
  eachInline(text, (run) => {
    link ||= markOf(run, 'link')?.attrs.href ?? ''
  })
  return link
}

const middleOf = ({ y, h }: Rect): number => y + h / 2
