import { contrast } from '../color/contrast'
import { fontStacks, isWebFont, setIn, type Font, type FontStack, type SafeFont } from '../email/fonts'
import { plainOf } from '../email/richtext'
import type { HouseStyle } from '../email/styles'
import { wordsWidth } from '../email/widths'
import { boldStroke, inkBlocks, letterSize, middle, type Ink, type InkBlock } from './ink'
import {
  bolder,
  FEW,
  heightOf,
  isWide,
  lettersOf,
  settled,
  spacingOf,
  withWords,
  within,
  type Seen,
} from './letter-size'
import type { BoxLook, Cut } from './plan'
import { around, type Rect } from './raster'
import { isItalic, offsOf, offWidth, span, tellFonts, type Off, type Sample } from './typeface'

/** How the letters of a cut are set, px. */
export interface Letters {
  ink: Ink
  blocks: InkBlock[]
  size: number
  line: number
  spacing: number | undefined
  bold: boolean
  italic: boolean
  /** Where it is another than they inherit. */
  font: SafeFont | undefined
  /** What they are set in either way. */
  stack: FontStack
  /** Whether their size is told by the width of enough letters. */
  sure: boolean
  /** Where their first line begins and their last one ends, design px. */
  top: number
  bottom: number
}

/** Letters may fill their place to this times what it holds: fonts differ. What is larger than this times that again is no measure of letters at all. */
const FULL = 1.25
const ABSURD = 1.5

/** A size that was told, or the largest that its words have room in, where it is none that letters could have. */
const sensible = (told: number, most: number): number => (told > ABSURD * most ? most : told)

/**
 * The largest letters with which the words of a cut still stand in it, px of the email: whatever their ink looks like, what a person saw there fitted. (Words of an area A in letters
 * of width w and line l times their size need about n w l s² of it.)
 */
function mostOf(cut: Cut, { said, font, main }: Seen, scale: number): number {
  if (!said || !main) return Infinity
  const [w, h] = [cut.w / scale, cut.h / scale]
  const wide = wordsWidth(said.replace(/\s+/g, ' '), font, 1)
  // In one line, or in as many as its area holds.
  return Math.max(Math.min(h * FULL, (w * FULL) / wide), Math.sqrt((w * h * FULL) / (wide * TITLE_LEADING)))
}

/** The ink of words that stand on a picture, as they were read: their pixels tell nothing apart. Null for all others. */
function setAsRead(cut: Cut, scale: number): Ink | null {
  const { lettering: own, ground, kind, x, y, w, h } = cut
  if (kind !== 'words' || ground !== null || !own) return null
  const size = own.size * scale
  const pitch = (own.line ?? own.size * TITLE_LEADING) * scale
  const count = Math.max(1, Math.round((h - CAPITALS * size) / pitch) + 1)
  const lines = Array.from({ length: count }, (_, i) => ({
    x,
    y: Math.round(y + i * pitch),
    w,
    h: Math.round(CAPITALS * size),
    base: Math.round(y + CAPITALS * size + i * pitch),
    small: SMALL * size,
    tall: CAPITALS * size,
    stroke: own.bold ? 0.3 : 0.18,
    under: false,
    contrast: 1,
    slant: 0,
    word: 0,
    gap: 0,
  }))
  return { color: own.color ?? null, lines }
}

/** Heights of capitals and of small letters, in sizes (usual proportions of Latin faces; common practice, no source). */
const [CAPITALS, SMALL] = [0.72, 0.52]

/** Short words of this size, px, are a heading (common practice, no source). */
export const TITLE_SIZE = 22

/** Words that are wider or narrower than their font has them by less than this are set in it. */
const RIGHT = 0.04

/** Blocks are of one size where the tallest is less than this times the lowest. */
const ALIKE = 1.15

/** Words that are wider than this times what their height says are words of which some were not read. */
const UNREAD = 1.7

/** Letters are as high as others within this, design px. */
const AS_HIGH = 0.7

/** From so many letters on, their width tells their size. */
const SURE = 8

/** Size of letters of which nothing is seen, px: that of most body text (common practice, no source). */
const UNSEEN = 16

/** Height of a single line in sizes of its letters (common practice, no source). */
const TITLE_LEADING = 1.2
const BODY_LEADING = 1.5

type Inherited = Pick<Sample, 'house' | 'web'>

/** What the words of a design as a whole are set in. */
interface Faces {
  fonts: ReadonlyMap<string, SafeFont>
  /** By how much words are wider than their font has them, as a logarithm. */
  off: number
  /** The same for each that tells it. */
  offs: readonly Off[]
}

/**
 * Tells how the words of a design are set: from their ink, from the words themselves, and from what stands
 * near.
 */
export class Typography {
  /** `scale`: design px for each px of the email. */
  constructor(
    private readonly input: {
      cuts: readonly Cut[]
      scale: number
      house: HouseStyle
      readInk: (rect: Rect, ground: string) => Ink
    },
  ) {}

  /**
   * How the letters of a cut are set, and where their first line begins and their last one ends, design px.
   */
  of(cut: Cut, behind: string): Letters {
    return this.remembered(`${cut.id}:${behind}`, () => {
      const alone = this.measured(cut, behind)
      // Of a word or two little can be measured. Words level with each other are set alike, as the columns of
      // a table are.
      const [only, more] = alone.ink.lines
      if (!only || more || cut.lettering) return alone
      const level = this.input.cuts
        .filter((o) => o.kind === 'words' && !o.lettering && o.y < cut.y + cut.h && o.y + o.h > cut.y)
        .map((o) => this.measured(o, o.ground ?? behind))
        .filter(
          ({ ink }) =>
            isLevel(ink, alone.ink, this.input.scale) &&
            Math.max(ink.lines[0]!.h, only.h) <= 1.8 * Math.min(ink.lines[0]!.h, only.h),
        )
      const [first, second] = level
      if (level.length === 2 && saidBy(cut).length < FEW) {
        const other = first!.ink === alone.ink ? second! : first!
        return other.sure && Math.abs(other.size / alone.size - 1) < 0.14
          ? this.measured(cut, behind, { size: other.size, bold: alone.bold })
          : alone
      }
      return level.length < 3
        ? alone
        : this.measured(cut, behind, {
            size: middle(
              (level.some((l) => l.sure) ? level.filter((l) => l.sure) : level).map((l) => l.size),
            ),
            bold:
              Math.abs(only.stroke - boldStroke(only)) > 0.04
                ? alone.bold
                : 2 * level.filter((l) => l.bold).length > level.length,
          })
    })
  }
  private readonly known = new Map<string, Letters>()
  private remembered(key: string, make: () => Letters): Letters {
    const made = this.known.get(key) ?? make()
    this.known.set(key, made)
    return made
  }

  /** The font that words inherit: the one of headings where they are large. */
  private inherited(cut: Cut, ink: Ink): Inherited {
    const { text, button } = this.input.house
    if (cut.kind === 'button') return this.stackOf(cut.lettering?.font ?? button.font)
    const body = this.stackOf(cut.lettering?.font ?? text.body.font)
    return (inkBlocks(ink.lines, body.house)[0]?.size ?? 0) / this.input.scale >= TITLE_SIZE
      ? this.stackOf(cut.lettering?.font ?? text.heading1.font)
      : body
  }
  private stackOf(font: Font): Inherited {
    const { webFonts } = this.input.house
    return { house: setIn(font, webFonts), web: isWebFont(font, webFonts) }
  }

  private faces(): Faces {
    if (this.told) return this.told
    const { scale, cuts } = this.input
    const inked = cuts
      .filter((c) => !c.lettering)
      .flatMap((cut) =>
        cut.kind === 'words'
          ? [{ cut, ink: this.inkOf(cut, cut.ground ?? '#ffffff') }]
          : cut.kind === 'button' && cut.box
            ? [{ cut, ink: this.labelInk(cut, cut.box) }]
            : [],
      )
    const samples = inked.map(({ cut, ink }) => ({
      id: cut.id,
      said: saidBy(cut),
      // Letters hardly darker or lighter than their ground are too blurred to tell of serifs.
      lines: isFaint(ink.color, cut.box?.background ?? cut.ground) ? [] : ink.lines,
      ...this.inherited(cut, ink),
      level: inked.filter((o) => o.cut !== cut && isLevel(o.ink, ink, scale)).map((o) => o.cut.id),
    }))
    const fonts = tellFonts(samples)
    const known = samples.map((s) => ({
      ...s,
      font: fonts.has(s.id) ? fontStacks[fonts.get(s.id)!] : s.house,
    }))
    const stacks = [...new Set(known.map((s) => s.font))]
      .map((font) => ({ font, own: known.filter((s) => s.font === font) }))
      .sort((a, b) => b.own.length - a.own.length)
    const commonest = stacks[0]
    const off = commonest ? offWidth(commonest.own, commonest.font) : 0
    return (this.told = {
      fonts,
      off: Math.abs(off) < RIGHT ? 0 : off,
      offs: stacks.flatMap(({ font, own }) => offsOf(own, font)),
    })
  }
  private told: Faces | undefined

  /** The letters of a cut by its own ink. @param set what is known of them already; size in px */
  private measured(cut: Cut, behind: string, set?: { size: number; bold: boolean }): Letters {
    return this.remembered(`${cut.id}:${behind}:${set ? 'set' : 'alone'}`, () => {
      const s = this.input.scale
      const own = cut.lettering
      const seen = this.seen(cut, behind)
      const { ink, font, said } = seen
      const { bold, italic, width, inked, spanned } = this.widthOf(cut, seen, set?.bold)
      const height = this.heightBeside(seen, width)
      const wide = isWide(seen, height, width)
      const told = set?.size ?? this.sizeOf(seen, height, width, wide)
      const size = within(own?.size ?? sensible(told, mostOf(cut, seen, s)), 6, 120)
      const spacing = own ? own.spacing : wide ? spacingOf(seen, { size, width, inked, spanned }) : undefined
      const line = within(own?.line ?? this.lineOf(cut, seen, size), size, 200)
      const [firstLine, lastLine] = [ink.lines[0], ink.lines.at(-1)]
      // Baseline within a line box: half the leading, then the ascent (CSS 2.2, 10.8.1).
      const down = (line + size * font.drop) / 2
      return {
        ink,
        blocks: seen.blocks,
        spacing,
        size,
        line,
        bold,
        italic,
        sure: width > 0 && said.length >= SURE,
        font: seen.told,
        stack: font,
        top: firstLine ? firstLine.base - down * s : cut.y,
        bottom: lastLine ? lastLine.base + (line - down) * s : cut.y + cut.h,
      }
    })
  }

  /** What the ink of a cut and its words show before anything is weighed. */
  private seen(cut: Cut, behind: string): Seen {
    const scale = this.input.scale
    const said = saidBy(cut)
    const ink = withWords(this.inkOf(cut, cut.ground ?? behind), said)
    const told = cut.lettering ? undefined : this.faces().fonts.get(cut.id)
    const { house, web } = this.inherited(cut, ink)
    const font = told ? fontStacks[told] : house
    const blocks = inkBlocks(ink.lines, font)
    const main = blocks.reduce<InkBlock | undefined>(
      (a, b) => (!a || b.lines.length > a.lines.length ? b : a),
      undefined,
    )
    const letters = lettersOf(said)
    return {
      said,
      ink,
      told,
      web,
      font,
      blocks,
      main,
      letters,
      high: heightOf(ink, font, letters, main) / scale,
      apart: middle(ink.lines.map((l) => l.gap)) / scale,
    }
  }

  /**
   * Whether letters are bold and slanted, and their size by the width of their words, px; 0 where that says
   * nothing.
   */
  private widthOf(cut: Cut, { said, ink, font, blocks, main, high }: Seen, knownBold?: boolean) {
    const own = cut.lettering
    const italic = own ? Boolean(own.italic) : isItalic(ink.lines)
    const sizes = blocks.map((b) => b.size)
    const alike = blocks.length > 0 && Math.max(...sizes) < ALIKE * Math.min(...sizes)
    const spanOf = (bold: boolean) =>
      alike && cut.words?.content.every((b) => b.type === 'paragraph')
        ? span(said, ink.lines.length, font, { bold, italic })
        : 0
    const inked = ink.lines.reduce((sum, l) => sum + l.w, 0) / this.input.scale
    const bySpan = (bold: boolean) => inked / (spanOf(bold) || Infinity)
    const bold = own?.bold ?? knownBold ?? (main ? bolder(main, high, bySpan) : false)
    const width = bySpan(bold) < UNREAD * high ? bySpan(bold) : 0
    return { bold, italic, width, inked, spanned: spanOf(bold) }
  }

  /**
   * The size of letters by their height, px. Of lines that differ the one that agrees best with the width
   * tells; where that says nothing, the width of others as high does.
   */
  private heightBeside({ main, font, letters, high }: Seen, width: number): number {
    if (!main) return high
    if (!width) {
      const alike = this.faces().offs.filter((o) => Math.abs(o.small - main.lines[0]!.small) <= AS_HIGH)
      return high * Math.exp(middle(alike.map((o) => o.off)))
    }
    if (letters !== 'mixed') return high
    return main.lines
      .map((l) => letterSize(l, font) / this.input.scale)
      .reduce((a, b) => (Math.abs(b - width) < Math.abs(a - width) ? b : a))
  }

  private sizeOf(
    { main, said, web, told, font }: Seen,
    height: number,
    width: number,
    wide: boolean,
  ): number {
    if (!main) return UNSEEN
    if (wide) return height
    const trust = said.length < FEW ? (this.input.scale < 1.5 ? 0.5 : 0) : 1
    return settled(height, width, { off: this.offOf(font), web: web && !told, trust })
  }

  /** By how much words are wider than their font has them; those of a font that was measured are as wide as it has them. */
  private offOf(font: FontStack): number {
    return font.faces ? 0 : this.faces().off
  }

  /** The height of the lines, px: by their pitch, and of a single one by what is usual and by what is near. */
  private lineOf(cut: Cut, { ink, main }: Seen, size: number): number {
    const [first, last] = [ink.lines[0], ink.lines.at(-1)]
    // Lines of one paragraph that stand wide apart look like so many blocks.
    const pitch =
      main?.pitch ||
      (ink.lines.length > 1 && cut.words?.content.length === 1
        ? (last!.base - first!.base) / (ink.lines.length - 1)
        : 0)
    if (pitch) return pitch / this.input.scale
    return Math.min(size * (size >= TITLE_SIZE ? TITLE_LEADING : BODY_LEADING), this.nextLine(cut, ink))
  }

  /**
   * How the words of a button are set: their font where it is another than its own, the size of their letters
   * and how wide they are, px.
   */
  label(
    cut: Cut,
    box: BoxLook,
  ): {
    color: string | null
    font: SafeFont | undefined
    stack: FontStack
    size: number
    bold: boolean
    width: number
  } {
    const { scale } = this.input
    const ink = this.labelInk(cut, box),
      { color, lines } = ink,
      own = cut.lettering,
      said = saidBy(cut).replace(/\s+/g, ' ')
    const { fonts } = this.faces()
    const told = own ? undefined : fonts.get(cut.id),
      { house, web } = this.inherited(cut, ink),
      font = told ? fontStacks[told] : house
    const main = inkBlocks(lines, font)[0],
      // On a picture what stands off a colour may be the picture.
      seen = cut.ground === null && cut.ink ? cut.ink : lines.length ? around(lines) : { w: cut.w / 2 },
      inked = seen.w / scale
    const bold = own?.bold ?? main?.bold ?? true,
      wide = lines.length === 1 ? span(said, 1, font, { bold }) : 0
    const height = (main?.size ?? 16 * scale) / scale
    const size = within(
      own?.size ??
        settled(height, wide && inked / wide, {
          off: this.offOf(font),
          web: web && !told,
          trust: said.length < FEW ? 0.5 : 1,
        }),
      8,
      60,
    )
    const set = wide * size
    // What a font that readers load is wide, the design alone tells; others are as wide as they are measured.
    const asDrawn = !wide || (web && !told && Math.abs(set / inked - 1) >= 0.06)
    const width = wordsWidth(said, font, size, { bold })
    const room = cut.w / scale - 2 * LEAST_PAD
    if (asDrawn || width <= room)
      return { color, font: told, stack: font, size, bold, width: asDrawn ? inked : width }
    // In a font that is wider than the drawn one the label must still be one line of its button.
    const less = Math.max(SMALLEST_LABEL, Math.floor((size * room) / width))
    return { color, font: told, stack: font, size: less, bold, width: wordsWidth(said, font, less, { bold }) }
  }

  /** What stands inside the edge and the round ends of a button. */
  private labelInk(cut: Cut, box: BoxLook): Ink {
    const s = this.input.scale,
      inset = Math.round(3 * s),
      round = Math.round(Math.max(0, box.radius * s - inset))
    const [w, h] = [Math.max(1, cut.w - 2 * inset), Math.max(1, cut.h - 2 * inset)],
      by = Math.min(round, w >> 2)
    return this.input.readInk({ x: cut.x + inset + by, y: cut.y + inset, w: w - 2 * by, h }, box.background)
  }

  private inkOf(cut: Cut, ground: string): Ink {
    const key = `${cut.id}:${ground}`,
      ink = this.inks.get(key) ?? setAsRead(cut, this.input.scale) ?? this.input.readInk(cut, ground)
    this.inks.set(key, ink)
    return ink
  }
  private readonly inks = new Map<string, Ink>()

  /**
   * How tall a single line may be, px: taller, it would push the next one away, be it of another cut above or
   * below it or of what stands level with it.
   */
  private nextLine(cut: Cut, ink: Ink): number {
    const { lines } = ink
    if (lines.length !== 1) return Infinity
    const [{ base, h }, s] = [lines[0]!, this.input.scale]
    const words = this.input.cuts.filter((o) => o.kind === 'words')
    const level = words.filter((o) => o === cut || isLevel(this.inkOf(o, o.ground ?? '#ffffff'), ink, s))
    const near = words.filter(
      (o) =>
        !level.includes(o) &&
        o.y < cut.y + cut.h + 40 * s &&
        o.y + o.h > cut.y - 40 * s &&
        level.some((l) => o.x < l.x + l.w && o.x + o.w > l.x),
    )
    return (
      Math.min(
        ...near
          .flatMap((o) => this.inkOf(o, o.ground ?? '#ffffff').lines.map((l) => Math.abs(l.base - base)))
          .filter((d) => d > 0.5 * h),
      ) / s
    )
  }

  /**
   * How a line is aligned to what stands right above and below it: by the middle or the right edge, where
   * nothing shares its left edge.
   */
  alignedBeside(cut: Cut, line: Rect): 'center' | 'right' | null {
    const s = this.input.scale
    const near = this.input.cuts.filter(
      (o) =>
        o !== cut &&
        ['words', 'picture', 'button'].includes(o.kind) &&
        o.x < line.x + line.w &&
        o.x + o.w > line.x &&
        Math.max(o.y - cut.y - cut.h, cut.y - o.y - o.h) <= 60 * s,
    )
    const boxes = near
      .map((o): Rect => {
        const lines = o.kind === 'words' ? this.of(o, o.ground ?? '#ffffff').ink.lines : []
        return lines.length ? around(lines) : o
      })
      .filter((b) => Math.abs(b.w - line.w) > 4 * s)
    if (boxes.some((b) => Math.abs(b.x - line.x) <= 2 * s)) return null
    if (boxes.some((b) => Math.abs(b.x + b.w / 2 - line.x - line.w / 2) <= 3 * s)) return 'center'
    return boxes.some((b) => Math.abs(b.x + b.w - line.x - line.w) <= 2 * s) ? 'right' : null
  }
}

/** Whether two single lines stand on one line. @param scale design px for each px of the email */
const isLevel = ({ lines: [a, ...more] }: Ink, { lines: [b, ...rest] }: Ink, scale: number): boolean =>
  Boolean(a && b && !more.length && !rest.length && Math.abs(a.base - b.base) <= 2 * scale)

/** Least space beside the label of a button, and the size down to which its letters give way to it, px of the email. */
const LEAST_PAD = 6
const SMALLEST_LABEL = 11

/** Least contrast at which the shapes of letters are told (WCAG 2.2 asks as much of large words). */
const CLEAR = 3

const isFaint = (ink: string | null, ground: string | null | undefined): boolean =>
  !!ink && !!ground && contrast(ink, ground) < CLEAR

const saidBy = (cut: Cut): string => (cut.words ? plainOf(cut.words) : '')
