import { markOf, type RichText } from '../../email/richtext'
import { differs, packed, packHex, type Raster, type Rect } from '../raster'

/** Ink differs from its ground by more than this in a channel, 0 to 255. */
const INK = 40
/** Words stand at least so far apart, of the height of their ink. */
const APART = 0.28
/** The line through a word reaches over this share of it, in the middle of its height, and is no thicker than that share of it. */
const THROUGH = 0.93
const MIDDLE = [0.22, 0.78] as const
const THICK = 0.25
/** A word is at least so wide, of its height: a single letter has strokes of its own. */
const WIDE = 1.1
/** And letters fill so much of its width beyond the line. */
const LETTERS = 0.4

/** A word of a line of letters, and the rows of the line that is drawn through it, if one is. */
export interface StruckWord {
  /** px of what was looked at */
  x: number
  w: number
  line: { y: number; h: number } | null
}

/** The words of a single line of letters by the gaps between them, and which of them are struck through. @param ground the colour they stand on */
export function strikesIn(raster: Raster, rect: Rect, ground: string): StruckWord[] {
  const px = packed(raster)
  const behind = packHex(ground)
  const inked = (x: number, y: number) => differs(px[y * raster.width + x]!, behind, INK)
  const right = Math.min(raster.width, rect.x + rect.w)
  const bottom = Math.min(raster.height, rect.y + rect.h)
  const rows: number[] = []
  for (let y = rect.y; y < bottom; y++)
    for (let x = rect.x; x < right; x++)
      if (inked(x, y)) {
        rows.push(y)
        break
      }
  if (!rows.length) return []
  const [top, high] = [rows[0]!, rows.at(-1)! - rows[0]! + 1]
  const words: StruckWord[] = []
  let last = -Infinity
  for (let x = rect.x; x < right; x++) {
    let any = false
    for (let y = top; y < top + high && !any; y++) any = inked(x, y)
    if (!any) continue
    const word = words.at(-1)
    if (word && x - last <= APART * high) word.w = x - word.x + 1
    else words.push({ x, w: 1, line: null })
    last = x
  }
  for (const word of words) {
    if (word.w < WIDE * high) continue
    const through: number[] = []
    for (let y = top + Math.floor(MIDDLE[0] * high); y < top + MIDDLE[1] * high; y++) {
      let n = 0
      for (let x = word.x; x < word.x + word.w; x++) if (inked(x, y)) n++
      if (n >= THROUGH * word.w) through.push(y)
    }
    const [first, end] = [through[0], through.at(-1)]
    if (first === undefined || end! - first + 1 !== through.length || through.length > THICK * high + 1)
      continue
    // A dash is all line: letters reach above and below it.
    let beyond = 0
    for (let x = word.x; x < word.x + word.w; x++)
      for (let y = top; y < top + high; y++)
        if ((y < first - 1 || y > end! + 1) && inked(x, y)) {
          beyond++
          break
        }
    if (beyond >= LETTERS * word.w) word.line = { y: first, h: through.length }
  }
  return words
}

/** Takes the lines off that are drawn through words, in place: what is ink above and below stays. @param ground the colour they stand on */
export function withoutStrikes(raster: Raster, ground: string): void {
  const px = packed(raster)
  const behind = packHex(ground)
  const whole = { x: 0, y: 0, w: raster.width, h: raster.height }
  for (const { x: left, w, line } of strikesIn(raster, whole, ground)) {
    if (!line) continue
    // Its rims are blended.
    const [from, to] = [Math.max(1, line.y - 1), Math.min(raster.height - 2, line.y + line.h)]
    for (let x = left; x < left + w; x++) {
      const [above, below] = [px[(from - 1) * raster.width + x]!, px[(to + 1) * raster.width + x]!]
      const letter = differs(above, behind, INK) && differs(below, behind, INK)
      for (let y = from; y <= to; y++) px[y * raster.width + x] = letter ? above : behind
    }
  }
}

/** Words of a line with those struck through marked so; as they are where they are not as many as were seen. @param struck of each word */
export function withStrikes(text: RichText, struck: readonly boolean[] | undefined): RichText {
  const [block, ...more] = text.content
  if (!struck?.includes(true) || more.length || block?.type !== 'paragraph') return text
  const runs = block.content ?? []
  const [run, ...others] = runs
  if (run?.type !== 'text' || others.length || markOf(run, 'strike')) return text
  const said = run.text.trim().split(/\s+/)
  // An old price is figures: a line through letters is easily one of their own strokes.
  if (said.length !== struck.length || said.some((word, i) => struck[i] && !/\d/.test(word))) return text
  const strike = { type: 'strike' as const }
  return {
    ...text,
    content: [
      {
        ...block,
        content: said.flatMap((word, i) => {
          const marks = [...(run.marks ?? []), ...(struck[i] ? [strike] : [])]
          const space = i ? [{ ...run, text: ' ' }] : []
          return [...space, { type: 'text' as const, text: word, ...(marks.length ? { marks } : {}) }]
        }),
      },
    ],
  }
}
