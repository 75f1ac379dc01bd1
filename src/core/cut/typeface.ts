import { fontStacks, type FontStack, type SafeFont } from '../email/fonts'
import { wordsWidth } from '../email/widths'
import { boldness, even, letterSize, middle, type InkLine } from './ink'

/** What letters look like, whatever their family. */
type Kind = 'sans' | 'serif' | 'mono'
const kindOf = ({ family }: FontStack): Kind =>
  family === 'courier new' ? 'mono' : family === 'georgia' || family === 'times new roman' ? 'serif' : 'sans'

/** Families that differ enough to be told apart by how wide words are for the height of their letters. */
const FAMILIES: Record<Kind, readonly SafeFont[]> = {
  sans: ['sans', 'wide', 'condensed'],
  serif: ['times', 'serif'],
  mono: ['mono'],
}

/**
 * How much letters look like ones with serifs; below 0: without; null where there are none. Serif designs
 * have thin strokes, and small letters that are smaller against their tall ones; of lines that are all
 * capitals or figures the strokes alone tell. The weights are those of a logistic regression over six fonts,
 * regular, bold and italic, from 12 to 40 px at 1x and 2x: 99 of 100 of their lines come out right, and all
 * of five fonts that were left out.
 */
export function serifs(lines: readonly InkLine[]): number | null {
  const telling = lines.filter((l) => l.small >= 5)
  return telling.length
    ? telling.reduce(
        (s, l) =>
          s + (even(l) ? 35.7 * (0.67 - l.contrast) : 45.6 * (l.tall / l.small) - 35.7 * l.contrast - 40.9),
        0,
      ) / telling.length
    : null
}

/** Whether letters lean as italics do; small ones, capitals and figures seem to now and then. */
export const isItalic = (lines: readonly InkLine[]): boolean =>
  lines.length > 0 &&
  lines.filter((l) => l.slant > (l.small < 9 || even(l) ? 0.15 : 0)).length > lines.length / 2

/**
 * Before the first letter of a line there is no ink, nor after its last, em (mean of the drawn designs):
 * serifs reach further out.
 */
export const bearing = (font: FontStack): number => (kindOf(font) === 'serif' ? 0.02 : 0.05)

/**
 * How wide the ink of words is that stand on so many lines, in sizes of their letters; 0 where there are too
 * few to tell.
 */
export function span(
  said: string,
  lines: number,
  font: FontStack,
  style: { bold?: boolean; italic?: boolean },
): number {
  const words = said.split(/\s+/).filter(Boolean)
  if (!lines || words.length < lines || said.length < 4) return 0
  return (
    words.reduce((sum, w) => sum + wordsWidth(w, font, 1, style), 0) +
    (words.length - lines) * wordsWidth(' ', font, 1, style) -
    2 * lines * bearing(font)
  )
}

/** Words of the design whose typeface is asked for. */
export interface Sample {
  id: string
  said: string
  lines: readonly InkLine[]
  /** What it would inherit. */
  house: FontStack
  /** Whether that is a web font, or what stands in for one that was not measured. */
  web: boolean
  /** Those level with it. */
  level: readonly string[]
}

/** How much a sample has to look like serifs, or like none, to go against what it would inherit. */
const SURE = 1.5

/**
 * By how much of its size a word must be wider or narrower than in the family it would inherit, for another
 * one to be taken.
 */
const APART = 0.05

/** Of fewer letters than this, those level with them say more. */
const SHORT = 12

/**
 * Tells in which email-safe font words of a design are set, where it is plainly not the one they would
 * inherit: with or without serifs by how each looks, which family of these by how wide all of its words are.
 * A few words look like all those level with them.
 */
export function tellFonts(samples: readonly Sample[]): Map<string, SafeFont> {
  const looks = new Map(samples.map((s) => [s.id, serifs(s.lines)]))
  const kinds = new Map<string, Kind>()
  for (const { id, said, house, level } of samples) {
    const inherited = kindOf(house),
      row = (said.length < SHORT ? [id, ...level] : [id]).flatMap((o) => looks.get(o) ?? [])
    if (!row.length) continue
    const mean = row.reduce((a, b) => a + b, 0) / row.length
    kinds.set(
      id,
      inherited === 'sans' && mean > SURE
        ? 'serif'
        : inherited === 'serif' && mean < -SURE
          ? 'sans'
          : inherited,
    )
  }
  const out = new Map<string, SafeFont>()
  for (const kind of ['sans', 'serif'] as const) {
    const own = samples.filter((s) => kinds.get(s.id) === kind)
    for (const group of bySize(own)) for (const [id, font] of tellFamily(group, own, kind)) out.set(id, font)
  }
  return out
}

/** Letters so much larger than those of most words are titles, which may be of another family. */
const TITLE = 1.35

/** Titles and the rest. */
function bySize(samples: readonly Sample[]): Sample[][] {
  const small = (s: Sample) => middle(s.lines.map((l) => l.small))
  const letters = samples.flatMap((s) => Array.from({ length: Math.ceil(s.said.length / 8) }, () => small(s)))
  const usual = middle(letters)
  return [
    samples.filter((s) => small(s) >= TITLE * usual),
    samples.filter((s) => small(s) < TITLE * usual),
  ].filter((g) => g.length)
}

/** The family of some words, of each that would inherit another. @param all of that kind: they speak where these say nothing */
function tellFamily(
  group: readonly Sample[],
  all: readonly Sample[],
  kind: 'sans' | 'serif',
): [string, SafeFont][] {
  const says = (of: readonly Sample[]) => FAMILIES[kind].some((f) => offsOf(of, fontStacks[f]).length)
  const known = says(group) ? group : all
  // Of a font that none of the words comes near, nothing speaks for it.
  const off = (font: FontStack) => (offsOf(known, font).length ? Math.abs(offWidth(known, font)) : Infinity)
  const [best] = [...FAMILIES[kind]].sort((a, b) => off(fontStacks[a]) - off(fontStacks[b]) || 0)
  const least = off(fontStacks[best!])
  return group.flatMap(({ id, house, web }): [string, SafeFont][] => {
    if (house === fontStacks[best!] || least === Infinity) return []
    const inherits = kindOf(house) === kind && (web || off(house) < APART || off(house) - least < APART)
    return inherits ? [] : [[id, best!]]
  })
}

/**
 * By how much words are wider than a font has them for the height of its letters, as a logarithm, with how
 * high a small x is, design px.
 */
export interface Off {
  off: number
  small: number
}

/** Each of the samples whose words say how wide they are. */
export const offsOf = (samples: readonly Pick<Sample, 'said' | 'lines'>[], font: FontStack): Off[] =>
  samples.flatMap(({ said, lines }) => {
    const smalls = lines.map((l) => l.small)
    const wide =
      said.length >= 8 &&
      // A heading and what follows it say nothing together.
      Math.max(...smalls) < TITLE * Math.min(...smalls) &&
      /\p{Ll}/u.test(said)
        ? span(said, lines.length, font, { bold: boldness(lines) > 0, italic: isItalic(lines) })
        : 0
    const off = wide
      ? Math.log(lines.reduce((s, l) => s + l.w, 0) / wide / middle(lines.map((l) => letterSize(l, font))))
      : 1
    return Math.abs(off) < 0.25 ? [{ off, small: lines[0]!.small }] : []
  })

/** The middle of them, taken from large letters where there are some. */
export function offWidth(samples: readonly Pick<Sample, 'said' | 'lines'>[], font: FontStack): number {
  const known = offsOf(samples, font),
    large = known.filter((k) => k.small >= 10)
  return middle((large.length ? large : known).map((k) => k.off))
}
