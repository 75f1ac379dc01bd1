import { inReadingOrder, runsFromRight } from '../text/reading-order'

/** A line of words as a file or the reading of a picture gives it. All measures in design px. */
export interface TextLine {
  text: string
  x: number
  /** Row the letters stand on. */
  base: number
  w: number
  size: number
  font?: string
  bold?: boolean
  italic?: boolean
  color?: string
}

/** Lines of one look that follow each other: paragraphs, with the hard breaks of the box's width joined. */
export interface TextBlock {
  x: number
  y: number
  w: number
  h: number
  /** Paragraphs, parted by a blank line. */
  text: string
  size: number
  /** Distance of baselines; left out where there is one line only. */
  line?: number
  font?: string
  bold?: boolean
  italic?: boolean
  color?: string
  align?: 'left' | 'center' | 'right'
}

/** Height above the baseline and depth below it that letters take, in sizes (common practice, no source). */
const ABOVE = 0.76,
  BELOW = 0.22

/** Pieces that stand on one row, close together, as one line. @param apart from this gap on they are two, in sizes of their letters */
export function joinPieces(pieces: readonly TextLine[], apart = 1.6): TextLine[] {
  const sorted = [...pieces].filter((p) => p.text.trim()).sort((a, b) => a.base - b.base || a.x - b.x)
  const rows: TextLine[][] = []
  for (const p of sorted) {
    const row = rows.findLast((r) => Math.abs(r[0]!.base - p.base) <= 0.3 * Math.min(r[0]!.size, p.size))
    if (row) row.push(p)
    else rows.push([p])
  }
  const out: TextLine[] = []
  for (const row of rows) {
    let own: TextLine[] = []
    const end = () => own.length && out.push(lineOf(own))
    for (const p of row.sort((a, b) => a.x - b.x)) {
      const last = own.at(-1)
      if (last && p.x - last.x - last.w >= apart * p.size) {
        end()
        own = []
      }
      own.push(p)
    }
    end()
  }
  return out.map((l) => ({ ...l, text: l.text.replace(/[ \t\u00a0]+/g, ' ').trim() }))
}

/** Pieces beside each other as one line, from the left; what they say in the order in which it is read. */
function lineOf(pieces: readonly TextLine[]): TextLine {
  const [first, last] = [pieces[0]!, pieces.at(-1)!]
  const apart = (a: TextLine, b: TextLine) =>
    Math.max(b.x - a.x - a.w, a.x - b.x - b.w) > 0.15 * b.size &&
    !a.text.endsWith(' ') &&
    !b.text.startsWith(' ')
  const text = inReadingOrder(pieces).reduce(
    (said, p, i, all) => said + (i && apart(all[i - 1]!, p) ? ' ' : '') + p.text,
    '',
  )
  return { ...first, text, w: last.x + last.w - first.x, size: Math.max(...pieces.map((p) => p.size)) }
}

/** What a round list mark is read as. */
const MISREAD = /^([«»¢°*©®+oe.])\s+(?=\S)/

/**
 * Lines read off a picture, with the marks of a list told from letters: several lines that begin alike, at
 * one place.
 */
export function withBullets(lines: readonly TextLine[]): TextLine[] {
  const marked = lines.filter((l) => MISREAD.test(l.text) || /^•\s/.test(l.text))
  const told = lines.map((l) =>
    MISREAD.test(l.text) && marked.filter((o) => Math.abs(o.x - l.x) <= 0.4 * l.size).length >= 2
      ? { ...l, text: l.text.replace(MISREAD, '• ') }
      : l,
  )
  return told.map((l, i) => (isMissed(told[i - 1], l, told[i + 1]) ? { ...l, text: `• ${l.text}` } : l))
}

/** Whether a line is an item whose mark was not read: as far from the item above it as from the one below, and in from their marks. */
function isMissed(above: TextLine | undefined, line: TextLine, below: TextLine | undefined): boolean {
  const isItem = (l: TextLine | undefined) => !!l && /^•\s/.test(l.text)
  if (!above || !below || !isItem(above) || !isItem(below) || isItem(line)) return false
  const [up, down] = [line.base - above.base, below.base - line.base]
  const by = line.x - above.x
  // Lines of one item stand nearer to each other than items do, or fill the width.
  const goesOn = above.w > 0.9 * Math.max(line.w, below.w) && up < 1.7 * line.size
  return Math.abs(up - down) <= 0.12 * down && by >= 0.4 * line.size && by <= 2.5 * line.size && !goesOn
}

/** Lines that all leave this share of their column free are not broken by its width. */
const SHORT = 0.6

/** Groups lines into blocks of one look and column, in reading order. @param width of their column, where it is known, design px */
export function blocksOf(lines: readonly TextLine[], width?: number): TextBlock[] {
  const groups: TextLine[][] = []
  for (const line of [...lines].sort((a, b) => a.base - b.base || a.x - b.x)) {
    const group = groups.findLast((g) => follows(g, line))
    if (group) group.push(line)
    else groups.push([line])
  }
  return groups.map((g) => blockOf(g, width)).sort((a, b) => a.y - b.y || a.x - b.x)
}

function follows(group: readonly TextLine[], line: TextLine): boolean {
  const last = group.at(-1)!
  const step = line.base - last.base
  const alike =
    Math.max(last.size, line.size) <= 1.12 * Math.min(last.size, line.size) &&
    !!last.bold === !!line.bold &&
    (last.color ?? '') === (line.color ?? '')
  const left = Math.min(...group.map((l) => l.x)),
    right = Math.max(...group.map((l) => l.x + l.w))
  return (
    alike &&
    step > 0.4 * line.size &&
    step <= 2.6 * line.size &&
    Math.min(right, line.x + line.w) - Math.max(left, line.x) > 0.2 * Math.min(right - left, line.w)
  )
}

function blockOf(lines: TextLine[], width?: number): TextBlock {
  const first = lines[0]!
  const x = Math.min(...lines.map((l) => l.x)),
    right = Math.max(...lines.map((l) => l.x + l.w))
  const steps = lines
    .slice(1)
    .map((l, i) => l.base - lines[i]!.base)
    .sort((a, b) => a - b)
  const line = steps.length ? steps[steps.length >> 1] : undefined
  const { size, font, bold, italic, color } = first
  return {
    x,
    y: first.base - ABOVE * size,
    w: right - x,
    h: lines.at(-1)!.base - first.base + (ABOVE + BELOW) * size,
    text: paragraphsOf(lines, width).join('\n\n'),
    size,
    ...(line ? { line } : {}),
    ...(font ? { font } : {}),
    ...(bold !== undefined ? { bold } : {}),
    ...(italic ? { italic } : {}),
    ...(color ? { color } : {}),
    ...(lines.length > 1 ? { align: alignOf(lines) } : {}),
  }
}

function alignOf(lines: readonly TextLine[]): 'left' | 'center' | 'right' {
  const spread = (v: number[]) => Math.max(...v) - Math.min(...v)
  const [left, mid, right] = [
    spread(lines.map((l) => l.x)),
    spread(lines.map((l) => l.x + l.w / 2)),
    spread(lines.map((l) => l.x + l.w)),
  ]
  const least = Math.min(left, mid, right)
  return left <= least + 1 ? 'left' : mid <= right ? 'center' : 'right'
}

/** Entries stand further apart than lines of running words do, in sizes of their letters, and have no more words than that. */
const ENTRY = { apart: 1.65, words: 3 } as const
const isEntry = ({ text, size }: Pick<TextLine, 'text' | 'size'>, pitch: number): boolean =>
  pitch >= ENTRY.apart * size && text.trim().split(/\s+/).length <= ENTRY.words

/** Lines are a list where this share of them ends before it had to. */
const LISTED = 0.6

/**
 * Joins lines that only the width of their box broke, and keeps real paragraphs: where the next line stands
 * further away than the lines usually do, or a list item begins. Where only the next word would still have
 * fitted, the break stays as one of a line. Two or three lines that leave much of their column free, as a title and its price do, are
 * broken by will.
 * @param width of their column, where it is known, design px
 */
export function paragraphsOf(
  lines: readonly Pick<TextLine, 'text' | 'base' | 'w' | 'size'>[],
  width = 0,
): string[] {
  const steps = lines
    .slice(1)
    .map((l, i) => l.base - lines[i]!.base)
    .sort((a, b) => a - b)
  const usual = steps[steps.length >> 1] ?? 0
  const room = Math.max(...lines.map((l) => l.w))
  const short = lines.length <= 3 && room <= SHORT * width
  const firstWord = (text: string) => text.trim().split(/\s/)[0] ?? ''
  /** Whether the first word of a line would have had room in the one above. */
  const hadRoom = (line: (typeof lines)[number], above: (typeof lines)[number]) =>
    above.w +
      0.28 * line.size +
      (line.w * firstWord(line.text).length) / Math.max(1, line.text.trim().length) <=
    0.985 * room
  // Where most lines end before they had to, as in a list, all were meant to.
  const roomy = lines.slice(1).filter((l, i) => hadRoom(l, lines[i]!)).length
  const entries = lines.length >= 3 && lines.every((l) => isEntry(l, usual))
  const list = entries || (roomy >= 2 && roomy >= LISTED * (lines.length - 1))
  const out: string[] = []
  lines.forEach((line, i) => {
    const text = line.text.trim()
    const before = lines[i - 1]
    if (!before) {
      out.push(text)
      return
    }
    const fits = hadRoom(line, before)
    const ended = /[.!?:…"”»]$/.test(before.text.trim())
    // A word that would have fitted tells of a break; unless the sentence goes on, it is one.
    const apart = line.base - before.base > 1.3 * usual || /^([•·–▪*-]|\d{1,2}[.)])\s/.test(text)
    const early = short || list || (fits && (ended || before.w < 0.72 * room) && lines.length > 1)
    if (apart) out.push(text)
    else if (early) out[out.length - 1] += `\n${text}`
    else out[out.length - 1] = glued(out.at(-1)!, text)
  })
  return out.filter(Boolean)
}

/** Joins two lines with a space; a soft hyphen at the end goes, a hyphen stays. */
const glued = (a: string, b: string): string =>
  a.endsWith('\u00ad') ? a.slice(0, -1) + b : /\p{L}-$/u.test(a) ? a + b : `${a} ${b}`

/**
 * What blocks say together: one below the other they are paragraphs; on one row they are one line, with the
 * design's space between them in ems.
 */
export function readAcross(blocks: readonly TextBlock[]): string {
  const level = (a: TextBlock, b: TextBlock) =>
    Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y) > 0.6 * Math.min(a.h, b.h) &&
    !a.text.includes('\n') &&
    !b.text.includes('\n')
  const fromRight = runsFromRight(blocks.map((b) => b.text).join(' '))
  return [...blocks]
    .sort((a, b) => (level(a, b) ? (fromRight ? b.x - a.x : a.x - b.x) : a.y - b.y))
    .reduce((said, b, i, all) => {
      const before = all[i - 1]
      if (!before) return b.text
      return (
        said +
        (level(before, b)
          ? '\u2003'.repeat(
              Math.max(
                1,
                Math.min(4, Math.round(Math.max(b.x - before.x - before.w, before.x - b.x - b.w) / b.size)),
              ),
            )
          : '\n\n') +
        b.text
      )
    }, '')
}
