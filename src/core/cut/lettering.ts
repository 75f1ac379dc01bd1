import { safeFont, type Font, type FontStack } from '../email/fonts'
import { plainOf } from '../email/richtext'
import { wordsWidth } from '../email/widths'
import type { HouseStyle } from '../email/styles'
import { boldStroke, CAPITALS, inkBlocks, isBold, middle, type Ink, type InkBlock } from './ink'
import type { Cut } from './plan'
import { around, type Rect } from './raster'

/** How the letters of a cut are set, px, and where their first line begins and their last one ends, design px. */
export interface Letters { ink: Ink; spacing: number | undefined; blocks: InkBlock[]; size: number; line: number; bold: boolean; top: number; bottom: number }

/** Short words of this size, px, are a heading (common practice, no source). */
export const TITLE_SIZE = 22

/** Of more letters than this hardly anybody sets all bold, nor below this size, px (common practice, no source): there the strokes have to be plainer. */
const LONG = 40, SMALL = 14

/** Tells how the words of a design are set: from their ink, from the words themselves, and from what stands near. */
export class Lettering {
  /** `scale`: design px for each px of the email. */
  constructor(private readonly input: { cuts: readonly Cut[]; scale: number; house: HouseStyle; readInk: (rect: Rect, ground: string) => Ink }) {}

  /** How the letters of a cut are set, and where their first line begins and their last one ends, design px. */
  of(cut: Cut, behind: string): Letters {
    return this.remembered(`${cut.id}:${behind}`, () => {
      const alone = this.measured(cut, behind)
      // Of a word or two little can be measured. Words level with each other are set alike, as the columns of a table are.
      const [only, more] = alone.ink.lines
      if (!only || more || cut.lettering) return alone
      const level = this.input.cuts.filter((o) => o.kind === 'words' && !o.lettering && o.y < cut.y + cut.h && o.y + o.h > cut.y).map((o) => this.measured(o, o.ground ?? behind))
        .filter(({ ink: { lines } }) => lines.length === 1 && Math.abs(lines[0]!.base - only.base) <= 2 * this.input.scale && Math.max(lines[0]!.h, only.h) <= 1.8 * Math.min(lines[0]!.h, only.h))
      return level.length < 3 ? alone : this.measured(cut, behind, { size: middle(level.map((l) => l.size)), bold: Math.abs(only.stroke - boldStroke(only.small)) > 0.04 ? alone.bold : 2 * level.filter((l) => l.bold).length > level.length })
    })
  }
  private readonly known = new Map<string, Letters>()
  private remembered(key: string, make: () => Letters): Letters {
    const made = this.known.get(key) ?? make()
    this.known.set(key, made)
    return made
  }

  /** The letters of a cut by its own ink. @param set what is known of them already; size in px */
  private measured(cut: Cut, behind: string, set?: { size: number; bold: boolean }): Letters {
    return this.remembered(`${cut.id}:${behind}:${set ? 'set' : 'alone'}`, () => {
      const s = this.input.scale
      const ground = cut.ground ?? behind
      const own = cut.lettering
      const { house } = this.input
      const fontOf = (inherited: Font) => safeFont(own?.font ?? inherited, house.webFonts)
      const said = cut.words ? plainOf(cut.words) : ''
      const ink = withWords(this.inkOf(cut, ground), said)
      let font = fontOf(house.text.body.font)
      let blocks = inkBlocks(ink.lines, font.x)
      if ((blocks[0]?.size ?? 0) / s >= TITLE_SIZE) { font = fontOf(house.text.heading1.font); blocks = inkBlocks(ink.lines, font.x) }
      const main = blocks.reduce<InkBlock | undefined>((a, b) => (!a || b.lines.length > a.lines.length ? b : a), undefined)
      // Of capitals and figures the words tell that there is no small letter among them to be measured.
      const capitals = Boolean(said) && !/\p{Ll}/u.test(said)
      const height = (capitals && ink.lines.length ? Math.max(...ink.lines.map((l) => l.tall)) / CAPITALS : main?.size ?? 0) / s
      const spanOf = (bold: boolean) => (blocks.length === 1 && cut.words?.content.every((b) => b.type === 'paragraph') ? span(said, ink.lines.length, font, { bold, italic: own?.italic }) : 0)
      const inked = ink.lines.reduce((sum, l) => sum + l.w, 0) / s
      const bold = own?.bold ?? set?.bold ?? (main ? bolder(main, said.length, height, (b) => inked / (spanOf(b) || Infinity)) : false)
      const width = inked / (spanOf(bold) || Infinity)
      // Letters stand apart by about a tenth of their size; capitals that are set wide show more, and are wider than they could else be.
      const apart = middle(ink.lines.map((l) => l.gap)) / s
      const wide = capitals && ink.lines.length <= 2 && apart >= 0.13 * height && (width ? width > 1.06 * height : apart >= 0.25 * height)
      const size = Math.max(6, Math.min(120, Math.round(own?.size ?? set?.size ?? (main ? (wide ? height : settled(height, width)) : 16))))
      const spacing = own ? own.spacing : wide ? Math.round(2 * (width ? (inked - size * spanOf(bold)) / Math.max(1, said.length - ink.lines.length) : apart - 0.09 * size)) / 2 || undefined : undefined
      const [firstLine, lastLine] = [ink.lines[0], ink.lines.at(-1)]
      // Lines of one paragraph that stand wide apart look like so many blocks.
      const pitch = main?.pitch || (ink.lines.length > 1 && cut.words?.content.length === 1 ? (lastLine!.base - firstLine!.base) / (ink.lines.length - 1) : 0)
      const line = Math.max(size, Math.min(200, Math.round(own?.line ?? (pitch ? pitch / s : Math.min(size * (size >= 22 ? 1.2 : 1.5), this.nextLine(cut, ink))))))
      // Baseline within a line box: half the leading, then the ascent (CSS 2.2, 10.8.1).
      const down = (line + size * font.drop) / 2
      return {
        ink, blocks, spacing, size, line, bold,
        top: firstLine ? firstLine.base - down * s : cut.y, bottom: lastLine ? lastLine.base + (line - down) * s : cut.y + cut.h,
      }
    })
  }

  private inkOf(cut: Cut, ground: string): Ink {
    const key = `${cut.id}:${ground}`, ink = this.inks.get(key) ?? this.input.readInk(cut, ground)
    this.inks.set(key, ink)
    return ink
  }
  private readonly inks = new Map<string, Ink>()

  /** How far a single line is from the nearest one of another cut above or below it, px: a taller line than that would push it away. */
  private nextLine(cut: Cut, { lines }: Ink): number {
    if (lines.length !== 1) return Infinity
    const [{ base, h }, s] = [lines[0]!, this.input.scale]
    const near = this.input.cuts.filter((o) => o !== cut && o.kind === 'words' && o.x < cut.x + cut.w && o.x + o.w > cut.x && o.y < cut.y + cut.h + 40 * s && o.y + o.h > cut.y - 40 * s)
    return Math.min(...near.flatMap((o) => this.inkOf(o, o.ground ?? '#ffffff').lines.map((l) => Math.abs(l.base - base))).filter((d) => d > 0.5 * h)) / s
  }

  /** How a line is aligned to what stands right above and below it: by the middle or the right edge, where nothing shares its left edge. */
  alignedBeside(cut: Cut, line: Rect): 'center' | 'right' | null {
    const s = this.input.scale
    const near = this.input.cuts.filter((o) => o !== cut && ['words', 'picture', 'button'].includes(o.kind) && o.x < line.x + line.w && o.x + o.w > line.x && Math.max(o.y - cut.y - cut.h, cut.y - o.y - o.h) <= 60 * s)
    const boxes = near.map((o): Rect => { const lines = o.kind === 'words' ? this.of(o, o.ground ?? '#ffffff').ink.lines : []; return lines.length ? around(lines) : o }).filter((b) => Math.abs(b.w - line.w) > 4 * s)
    if (boxes.some((b) => Math.abs(b.x - line.x) <= 2 * s)) return null
    if (boxes.some((b) => Math.abs(b.x + b.w / 2 - line.x - line.w / 2) <= 3 * s)) return 'center'
    return boxes.some((b) => Math.abs(b.x + b.w - line.x - line.w) <= 2 * s) ? 'right' : null
  }
}

/** Before the first letter of a line and after its last there is no ink, em: the two together (mean of the drawn designs). */
const BEARINGS = 0.1

/** How wide the ink of words is that stand on so many lines, in sizes of their letters; 0 where there are too few to tell. */
function span(said: string, lines: number, font: FontStack, style: { bold: boolean; italic?: boolean }): number {
  const words = said.split(/\s+/).filter(Boolean)
  if (!lines || words.length < lines || said.length < 4) return 0
  return words.reduce((sum, w) => sum + wordsWidth(w, font, 1, style), 0) + (words.length - lines) * wordsWidth(' ', font, 1, style) - lines * BEARINGS
}

/** The size of letters, px, by their height and by the width of the words they make; 0: not known. Height is told to a pixel or so, width far better, but only of the font that they are set in. */
function settled(height: number, width: number): number {
  const off = Math.abs(width / height - 1)
  return !width || off > 0.25 ? height : off < 0.08 ? width : (height + width) / 2
}

/** Whether letters are bold: by their strokes, and where these are near the border by how wide the words are. @param height their size by height, px @param widthOf their size by width if bold, if not */
function bolder(block: InkBlock, letters: number, height: number, widthOf: (bold: boolean) => number): boolean {
  const strokes = isBold(block, letters > LONG ? 0.04 : height < SMALL ? 0.03 : 0)
  const [off, offOther] = [strokes, !strokes].map((b) => Math.abs(widthOf(b) / height - 1))
  return isBold(block, 0.05) === isBold(block, -0.05) || offOther! > 0.03 || off! - offOther! < 0.04 ? strokes : !strokes
}

/** A single line whose words are known: without letters that reach below, it stands on its last rows, whatever its rows of ink say. */
function withWords(ink: Ink, said: string): Ink {
  const [line, more] = ink.lines
  if (!line || more || !said || /[\ngjpqyQ,;()[\]{}|@$§_/\\]/.test(said) || line.base >= line.y + line.h - 2) return ink
  const base = line.y + line.h
  return { ...ink, lines: [{ ...line, base, tall: base - line.y }] }
}
