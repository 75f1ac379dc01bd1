import type { Email } from '../../email/schema'
import type { Gradient, HouseStyle } from '../../email/styles'
import { placesOf } from '../../email/walk'
import { colorAt } from '../../email/gradient'
import type { PictureRef } from '../../picture/ref'
import type { Ground } from '../ground'
import type { Ink } from '../ink'
import type { NarrowDesign } from '../narrow-design'
import { Typography } from '../typography'
import { intentOf, type Group } from '../intent'
import type { WordsOf } from '../intent/lines'
import type { WordsRoom } from './runs'
import { leavesOf, type Layout } from '../partition'
import { isUnread, type Cut, type CutPlan, type Panel } from '../plan'
import { around, overlap, type Rect } from '../raster'

/**
 * What "build the email" works from. The pixels come in as two questions, so that this stays a matter of
 * rectangles.
 */
export interface BuildInput {
  plan: CutPlan
  /** The design, px. */
  size: { width: number; height: number }
  /** px */
  emailWidth: number
  /** The encoded crop of each picture cut. */
  pictures: ReadonlyMap<string, PictureRef>
  /** And of the part that phones show instead, where there is one. */
  narrowPictures?: ReadonlyMap<string, PictureRef>
  groundOf: (rect: Rect) => Ground
  readInk: (rect: Rect, ground: string) => Ink
  /** The gradient that a place is, beside what stands apart from it; left out, all grounds are plain. */
  gradientOf?: (rect: Rect, apart: readonly Rect[]) => Gradient | null
  previous: Email | null
  /** A narrow design of the same email: phones follow it. */
  narrow?: NarrowDesign
  /** What letters inherit: how tall they are for their size depends on the font. */
  house: HouseStyle
}

/** Of the square of a round corner, this share of its side lies outside (a little more than 1 - 1 / sqrt 2). */
const CORNER = 0.45

/** The squares at the corners of a box. @param side px */
const cornersOf = ({ x, y, w, h }: Rect, side: number): Rect[] =>
  side
    ? [x, x + w - side].flatMap((cx) => [y, y + h - side].map((cy) => ({ x: cx, y: cy, w: side, h: side })))
    : []

/** Cuts, parted by straight lines. */
export type Node = Layout<Cut, Panel>

/**
 * What was placed, and the design rows that its edges come to: letters stand on lines taller than their ink.
 */
export interface Placed<T> {
  made: T
  top: number
  bottom: number
}

/** What the modules of one build share. All measures are design px unless said otherwise. */
export class Building {
  /** What the person should know, one sentence each. */
  readonly notes: string[] = []
  /** Design px for each px of the email. */
  readonly scale: number
  /** Cuts that become something, with one in place of those of a group. */
  readonly cuts: readonly Cut[]
  /** What several cuts mean together, by the id of the cut that stands for them. */
  readonly groups: ReadonlyMap<string, Group>
  readonly panels: readonly Panel[]
  readonly edges: readonly number[]
  readonly lettering: Typography
  /** Words that are held by the right edge of their column. */
  readonly right = new Set<string>()
  /** Tiles of a short single line, which needs no wall on its loose side. */
  readonly loose = new Set<string>()
  /** How wide words may be, by the id of their tile. */
  readonly rooms = new Map<string, WordsRoom>()
  /** Cuts that have a tile of their own in the previous email. */
  readonly apart: ReadonlySet<string>
  /** How many rows of columns lie around what is being built. */
  columns = 0
  /** By how much what was built so far is higher than the design. */
  drift = 0
  private readonly ids = new Set<string>()

  constructor(readonly input: BuildInput) {
    this.scale = input.size.width / input.emailWidth
    this.lettering = new Typography({
      cuts: input.plan.cuts.filter((c) => c.kind !== 'nothing' && !isUnread(c)),
      scale: this.scale,
      house: input.house,
      readInk: input.readInk,
    })
    this.apart = apartIn(input.previous)
    const intent = intentOf(input.plan, (cut) => this.wordsOf(cut), this.scale, this.apart)
    this.cuts = intent.cuts
    this.groups = intent.groups
    this.panels = intent.panels
    this.edges = intent.edges
  }

  /** A ground as it is drawn: its gradient with the plain colour for readers that draw none, else the colour that it was taken for. @param apart what stands on it @param shape its edge and its corners, px of the design */
  groundAs(
    rect: Rect,
    color: string,
    apart: readonly Rect[],
    { edge = 0, radius = 0 } = {},
  ): { background: string; gradient?: Gradient } {
    const { gradientOf } = this.input
    const inside = {
      x: rect.x + edge,
      y: rect.y + edge,
      w: Math.max(1, rect.w - 2 * edge),
      h: Math.max(1, rect.h - 2 * edge),
    }
    const gradient = gradientOf?.(inside, [...apart, ...cornersOf(inside, CORNER * radius)])
    return gradient ? { background: colorAt(gradient, 50), gradient } : { background: color }
  }

  /** Everything that stands within a place. */
  standingIn(rect: Rect): Rect[] {
    const smaller = (r: Rect) => r.w < rect.w || r.h < rect.h
    return [...this.input.plan.cuts, ...this.panels].filter((r) => smaller(r) && overlap(r, rect))
  }

  /** What is seen of a cut: the ink of words, all of anything else. */
  boxOf(cut: Cut): Rect {
    return cut.kind === 'words' ? this.wordsOf(cut).box : cut
  }

  /** How the words of a cut are set. */
  private wordsOf(cut: Cut): WordsOf {
    const { ink, size, bold, stack } = this.lettering.of(cut, cut.ground ?? '#ffffff')
    return {
      box: ink.lines.length ? around(ink.lines) : cut,
      // The base of letters lies below the middle of their line by half of what they rise above it.
      rows: ink.lines.map((l) => ({ ...l, centre: l.base - (size * stack.drop * this.scale) / 2 })),
      lines: ink.lines.length,
      size: size * this.scale,
      bold,
      color: cut.lettering?.color ?? ink.color ?? undefined,
    }
  }

  /** Design px to whole px of the email, never below 0. */
  px(v: number): number {
    return Math.max(0, Math.round(v / this.scale))
  }

  /** An id that nothing else has: what lies one in the other may begin with the same cut. */
  only(id: string): string {
    let n = 1,
      own = id
    while (this.ids.has(own)) own = `${id}-${++n}`
    this.ids.add(own)
    return own
  }
}

/** Cuts that an email holds as tiles of their own, or as words joined; a picture that stands for words not read is none yet. */
const apartIn = (previous: Email | null): Set<string> =>
  new Set(
    previous
      ? [...placesOf(previous)].flatMap(
          ({ tile }) =>
            (tile.kind === 'words' && tile.cuts) ||
            (tile.cut && !(tile.kind === 'picture' && tile.standsFor) ? [tile.cut] : []),
        )
      : [],
  )

/** The cuts of a layout that stand on no panel. */

export const loose = (n: Node): Cut[] =>
  n.kind === 'panel' ? [] : n.kind === 'rows' || n.kind === 'columns' ? n.parts.flatMap(loose) : leavesOf(n)
