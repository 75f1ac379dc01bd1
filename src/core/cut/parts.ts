import { boxOf, type Box } from './box'
import { barOf, besides, dashedFrames, type Dashed } from './frames'
import { groundOf } from './ground'
import { iconRow, joins, judge, TALLEST_LINE, type Judged } from './judge'
import { looksOf } from './looks'
import {
  exactly,
  fillOf,
  gapsOf,
  maskOf,
  pixelsOf,
  roundOff,
  stretches,
  tight,
  withoutRims,
  type Cells,
  type Mask,
  type Stretch,
} from './mask'
import type { PartKind } from './plan'
import { around, difference, differs, hexOf, packed, packHex, type Raster, type Rect } from './raster'
import { PLAIN } from './rows'
import { withoutShade, withoutSlope } from './slopes'

/** A part of a band: what the autocut takes it for, and how sure it is. All in design px. */
export interface Part extends Rect {
  kind: PartKind
  sure: number
  /** The column or panel it stands in: what its letters are aligned by. */
  frame: Rect
  /** The colour it stands on, and whether that is one flat colour. */
  ground: string
  /** A button's or a panel's box. */
  box?: Box
}

/** A box with a ground of its own that holds parts. */
export interface PanelFound extends Rect {
  box: Box
}

export interface PartsFound {
  parts: Part[]
  panels: PanelFound[]
}

/** An empty column of this width parts columns, px of the email. */
const GUTTER = 14

/**
 * Takes a band apart: columns, and in them grounds, photographs, drawings, words, buttons, rules and rows of
 * icons. A recursive XY-cut (Nagy and Seth, 1984) over what differs from the ground, with boxes opened when
 * they are met.
 * @param scale design px for each px of the email
 * @param noise channel difference that is still one colour: see `cleaned`
 * @param seams whether another ground begins above and below
 */
export function partsOf(
  raster: Raster,
  band: Rect,
  scale: number,
  noise: number,
  seams: { above: boolean; below: boolean } = { above: true, below: true },
): PartsFound {
  return new Taker(raster, scale, noise, seams).band(band)
}

class Taker {
  private readonly px: Int32Array
  private readonly cell: number
  private readonly parts: Part[] = []
  private readonly panels: PanelFound[] = []

  constructor(
    private readonly raster: Raster,
    private readonly scale: number,
    private readonly noise: number,
    private readonly seams: { above: boolean; below: boolean },
    private readonly even = false,
  ) {
    this.px = packed(raster)
    this.cell = Math.max(1, Math.round(scale))
  }

  band(band: Rect): PartsFound {
    const ground = groundOf(this.raster, band, Math.min(8, Math.floor(band.h / 10)))
    // A ring that is mostly one colour is a ground to stand on; else the band is a picture as a whole.
    if (ground.share < 0.9 && !this.even) {
      const even = withoutSlope(this.raster, band)
      if (even) {
        const found = new Taker(even, this.scale, this.noise, this.seams, true).band({
          x: 0,
          y: 0,
          w: band.w,
          h: band.h,
        })
        const moved = <T extends Rect>(r: T): T => ({ ...r, x: r.x + band.x, y: r.y + band.y })
        return {
          parts: found.parts.map((p) => ({ ...moved(p), frame: moved(p.frame), sure: 0.85 * p.sure })),
          panels: found.panels.map(moved),
        }
      }
    }
    if (ground.share < 0.55) {
      const seam = this.seamIn(band)
      if (seam) {
        // Two halves side by side, each on a ground of its own or a picture.
        for (const half of [
          { ...band, w: seam - band.x },
          { ...band, x: seam, w: band.x + band.w - seam },
        ])
          this.half(half)
        return this.found()
      }
      const looks = looksOf(this.raster, band, packHex(ground.color), this.noise)
      this.parts.push({
        ...band,
        kind: looks.colors >= 24 ? 'photo' : 'drawing',
        sure: 0.9 - 0.4 * ground.share,
        frame: band,
        ground: ground.color,
      })
      return this.found()
    }
    this.area(band, ground.color, band, 0, 0)
    this.likeNeighbours()
    // Many small marks strewn over a ground that is not quite flat: one picture, which would only fall into
    // pieces.
    const marks = this.parts.filter((p) => p.kind === 'drawing')
    const tiny = marks.filter((p) => Math.min(p.w, p.h) < 14 * this.scale)
    // Stars and grain lie anywhere; the points of a list stand in a column.
    const anywhere = (of: (p: Part) => number) =>
      new Set(tiny.map((p) => Math.round(of(p) / (12 * this.scale)))).size >= 4
    const strewn =
      (tiny.length >= 4 && anywhere((p) => p.x) && anywhere((p) => p.y)) ||
      (marks.length >= 4 &&
        marks.filter((p) => p.w * p.h < 0.03 * band.w * band.h).length >= 0.6 * this.parts.length)
    // Or a scene that reaches from side to side, in several strips.
    const across =
      marks.length > 1 &&
      marks.length === this.parts.length &&
      marks.filter((p) => p.w > 0.85 * band.w).length >= 0.5 * marks.length
    if (strewn || across) {
      this.parts.length = this.panels.length = 0
      this.parts.push({ ...band, kind: 'drawing', sure: 0.55, frame: band, ground: ground.color })
    }
    if (!this.parts.length)
      this.parts.push({ ...band, kind: 'ground', sure: ground.share, frame: band, ground: ground.color })
    return this.found()
  }

  /**
   * Where a column of pixels changes against its neighbour nearly all the way down, with a flat ground on one
   * side at least; null where nothing does.
   */
  private seamIn(band: Rect): number | null {
    const margin = Math.round(60 * this.scale),
      step = Math.max(1, Math.floor(band.h / 160))
    let best = 0.88,
      at: number | null = null
    for (let x = band.x + margin; x < band.x + band.w - margin; x++) {
      let changed = 0,
        seen = 0
      for (let y = band.y + 2; y < band.y + band.h - 2; y += step, seen++) {
        const i = y * this.raster.width + x
        if (differs(this.px[i]!, this.px[i - 1]!, PLAIN)) changed++
        // Most columns are told from a few of their pixels.
        if (seen === 12 && changed < 6) {
          seen++
          break
        }
      }
      if (changed / seen > best) {
        best = changed / seen
        at = x
      }
    }
    if (at === null) return null
    const flat = (r: Rect) => groundOf(this.raster, r, 4).share >= 0.7
    return flat({ ...band, w: at - band.x }) || flat({ ...band, x: at, w: band.x + band.w - at }) ? at : null
  }

  private half(rect: Rect): void {
    const ground = groundOf(this.raster, rect, 4)
    if (ground.share < 0.55) {
      this.parts.push({ ...rect, kind: 'photo', sure: 0.85, frame: rect, ground: ground.color })
      return
    }
    this.panels.push({ ...rect, box: { color: ground.color, radius: 0 } })
    const before = this.parts.length
    // The rim of the other half is none of its content.
    this.area({ x: rect.x + 2, y: rect.y, w: rect.w - 4, h: rect.h }, ground.color, rect, 1, 0)
    if (this.parts.length === before)
      this.parts.push({ ...rect, kind: 'ground', sure: ground.share, frame: rect, ground: ground.color })
  }

  /** A single letter or figure looks like a mark, but stands level with words of its height and ink. */
  private likeNeighbours(): void {
    const s = this.scale
    const inkOf = (p: Part) => looksOf(this.raster, p, packHex(p.ground), this.noise)
    for (const p of this.parts) {
      if (p.kind !== 'drawing' || p.h > TALLEST_LINE * s || p.w > 1.3 * p.h || p.w < 0.15 * p.h) continue
      const level = this.parts.filter(
        (q) =>
          q.kind === 'words' &&
          q.ground === p.ground &&
          Math.abs(q.y - p.y) <= 3 * s &&
          (Math.abs(q.h - p.h) <= Math.max(3 * s, 0.15 * p.h) || q.h > 1.5 * p.h),
      )
      if (!level.length) continue
      const own = inkOf(p)
      if (own.mono >= 0.72 && level.some((q) => difference(inkOf(q).color, own.color) <= 48)) {
        p.kind = 'words'
        p.sure = 0.7
      }
    }
  }

  private found(): PartsFound {
    return { parts: this.parts, panels: this.panels }
  }

  /** Everything that stands on one ground inside a rectangle. */
  private area(rect: Rect, ground: string, frame: Rect, depth: number, radius: number): void {
    const g = packHex(ground)
    const mask = maskOf(this.px, this.raster.width, rect, g, this.noise, this.cell)
    roundOff(mask, radius)
    if (this.noise > 8)
      withoutRims(mask, Math.ceil(8 / this.cell), depth ? { above: true, below: true } : this.seams)
    const dashed = dashedFrames(mask)
    const all = tight(mask, { x: 0, y: 0, w: mask.cols, h: mask.rows })
    const from = this.parts.length
    if (all) this.rows(mask, all, { ground, depth, frame, dashed })
    this.besideBars(from, ground, frame)
  }

  /**
   * An upright strip beside words is the side of a panel around them, without a ground of its own: as
   * quotations have it.
   */
  private besideBars(from: number, ground: string, frame: Rect): void {
    const s = this.scale
    for (const bar of this.parts.slice(from)) {
      if (
        bar.kind !== 'drawing' ||
        bar.w > THICKEST_BAR * s ||
        bar.h < 24 * s ||
        bar.h < 3 * bar.w ||
        this.panels.some((p) => p.box.bar && p.x === bar.x && p.y === bar.y)
      )
        continue
      const color = groundOf(this.raster, bar, 0)
      if (color.share < 0.9) continue
      const beside = this.parts.filter(
        (p) =>
          p !== bar && p.y >= bar.y - 4 * s && p.y + p.h <= bar.y + bar.h + 4 * s && p.x >= bar.x + bar.w,
      )
      if (
        !beside.length ||
        Math.min(...beside.map((p) => p.x)) > bar.x + 60 * s ||
        this.parts.some(
          (p) => p !== bar && !beside.includes(p) && p.y < bar.y + bar.h && p.y + p.h > bar.y && p.x >= bar.x,
        )
      )
        continue
      // It reaches as far from the right as the strip stands from the left.
      const rect = around([
        bar,
        ...beside,
        { ...bar, w: Math.max(bar.w, frame.x + frame.w - (bar.x - frame.x) - bar.x) },
      ])
      this.parts.splice(this.parts.indexOf(bar), 1)
      this.panels.push({
        ...rect,
        box: { color: ground, radius: 0, bar: { side: 'left', width: bar.w, color: packHex(color.color) } },
      })
    }
  }

  /** Columns first where an empty column parts the whole height, unless the rows are parted more plainly. */
  private rows(m: Mask, r: Cells, c: Context): void {
    const box = this.opened(m, r, c)
    if (box) return
    const lines = stretches(m, r, 'rows', 1)
    const columns = this.columns(m, r, lines, c)
    const heads = this.tableRows(m, r, columns)
    if (heads) {
      for (const { from, to } of heads) {
        const part = tight(m, { ...r, y: from, h: to - from })
        if (part) this.rows(m, part, c)
      }
      return
    }
    const headed = this.headed(m, r, columns, lines)
    if (headed) {
      this.rows(m, headed.head, c)
      this.rows(m, headed.below, c)
      return
    }
    if (columns.length > 1) {
      const gap = Math.min(...gapsOf(columns))
      const between = gapsOf(lines)
      const widest = Math.max(0, ...between)
      // A grid: rows of equal things, further apart than what belongs together.
      const usual = median(between.filter((v) => v < widest * 0.8))
      const grid =
        widest >= 0.85 * gap &&
        lines.length > 2 &&
        widest >= 1.3 * (usual || widest) &&
        between.filter((v) => v >= widest * 0.8).length < lines.length - 1
      if (!grid || !this.columnsIn(m, r, lines, widest)) {
        for (const col of columns) this.column(m, { ...r, x: col.from, w: col.to - col.from }, c)
        return
      }
      let from = lines[0]!.from
      lines.forEach((line, i) => {
        const next = lines[i + 1]
        if (next && next.from - line.to < widest * 0.8) return
        const part = tight(m, { ...r, y: from, h: line.to - from })
        if (part) this.rows(m, part, c)
        if (next) from = next.from
      })
      return
    }
    this.stack(m, r, lines, c)
  }

  /**
   * The rows of a table: where each line of a later column stands level with one of the first, and the first
   * has more (a heading above, as a rule), the rows are read across. Null elsewhere.
   */
  private tableRows(m: Mask, r: Cells, columns: readonly Stretch[]): Stretch[] | null {
    if (columns.length < 2 || columns.length > 5) return null
    const linesOf = columns.map((col) =>
      stretches(m, { ...r, x: col.from, w: col.to - col.from }, 'rows', 1).filter((l) => l.to - l.from > 2),
    )
    const first = linesOf[0]!
    const level = (a: Stretch, b: Stretch) =>
      Math.min(a.to, b.to) - Math.max(a.from, b.from) >= 0.6 * Math.max(a.to - a.from, b.to - b.from)
    const later = linesOf.slice(1)
    if (
      later.some(
        (l) =>
          !l.length ||
          l.length >= first.length ||
          l.some((b) => b.to - b.from > TALLEST_LINE / 2 || !first.some((a) => level(a, b))),
      )
    )
      return null
    // What the later columns stand level with begins a row of its own; what comes before it in the first
    // column is another.
    const begins = first.filter((a) => later.every((l) => l.some((b) => level(a, b))))
    if (!begins.length || begins[0] === first[0]) return null
    const cuts = [
      r.y,
      ...begins.map((b) =>
        Math.min(b.from, ...later.flatMap((l) => l.filter((x) => level(b, x)).map((x) => x.from))),
      ),
      r.y + r.h,
    ]
    return cuts
      .slice(1)
      .map((to, i) => ({ from: cuts[i]!, to }))
      .filter((s) => s.to > s.from)
  }

  /**
   * A title above columns that happens to end where the first of them does: what stands beside is level with
   * what is below it, not with both.
   */
  private headed(
    m: Mask,
    r: Cells,
    columns: readonly Stretch[],
    lines: readonly Stretch[],
  ): { head: Cells; below: Cells } | null {
    if (columns.length < 2 || lines.length < 2 || lines[0]!.to - lines[0]!.from > TALLEST_LINE / 2)
      return null
    const boxes = columns.map((s) => tight(m, { ...r, x: s.from, w: s.to - s.from })!)
    const [first, ...others] = boxes as [Cells, ...Cells[]]
    const head = tight(m, { ...r, h: lines[0]!.to - r.y })!,
      below = tight(m, { ...r, y: lines[1]!.from, h: r.y + r.h - lines[1]!.from })!
    const rest = tight(m, { ...first, y: below.y, h: Math.max(0, first.y + first.h - below.y) })
    if (!rest || head.x + head.w > first.x + first.w || others.some((o) => o.y < below.y)) return null
    const middle = (b: Cells) => b.y + b.h / 2
    const level = (o: Cells) => Math.abs(o.y - rest.y) <= 6 || Math.abs(middle(o) - middle(rest)) <= 6
    return others.every((o) => level(o) && Math.abs(middle(o) - middle(first)) > 8) ? { head, below } : null
  }

  /** True where the rows of a grid have the columns of the whole: then they are rows of equal things. */
  private columnsIn(m: Mask, r: Cells, lines: Stretch[], widest: number): boolean {
    let from = lines[0]!.from,
      ok = true
    lines.forEach((line, i) => {
      const next = lines[i + 1]
      if (next && next.from - line.to < widest * 0.8) return
      ok &&= stretches(m, { ...r, y: from, h: line.to - from }, 'columns', GUTTER).length > 1
      if (next) from = next.from
    })
    return ok
  }

  private column(m: Mask, r: Cells, c: Context): void {
    const inner = tight(m, r)
    if (inner) this.rows(m, inner, { ...c, frame: pixelsOf(m, inner, this.raster) })
  }

  /**
   * Stretches of columns parted over the whole height. One line of words is not parted by the spaces between
   * its words.
   */
  private columns(m: Mask, r: Cells, lines: readonly Stretch[], c: Context): Stretch[] {
    const single = lines.filter((l) => l.to - l.from > 2).length === 1 && r.h <= TALLEST_LINE
    // Spaces between the words of large letters are wider, and may lie one above the other.
    const tallest = Math.max(...lines.map((l) => l.to - l.from))
    const gap = single
      ? Math.max(36, 2.2 * r.h)
      : tallest <= TALLEST_LINE
        ? Math.max(GUTTER, 0.6 * tallest)
        : GUTTER
    // Pictures, solid from edge to edge, stand closer together than words may.
    const close = tallest > TALLEST_LINE ? stretches(m, r, 'columns', 5) : []
    if (
      close.length > 1 &&
      close.every((s) => fillOf(m, tight(m, { ...r, x: s.from, w: s.to - s.from })!) > 0.9)
    )
      return close
    const beside = this.beside(m, r)
    if (beside) return beside
    // Boxes, as buttons are, may stand as close.
    const boxed = single ? stretches(m, r, 'columns', 5) : []
    if (
      boxed.length > 1 &&
      boxed.length <= 4 &&
      boxed.every((s) => this.isBox(m, tight(m, { ...r, x: s.from, w: s.to - s.from })!, c))
    )
      return boxed
    const found = stretches(m, r, 'columns', gap)
    if (found.length < 2) return found
    // A row of icons stays together.
    if (single && iconRow(m, r)) return [{ from: r.x, to: r.x + r.w }]
    // What stands side by side shares some height.
    const heights = found.map((f) => tight(m, { ...r, x: f.from, w: f.to - f.from })!)
    const apart = heights.some(
      (h, i) =>
        i > 0 &&
        Math.min(h.y + h.h, heights[i - 1]!.y + heights[i - 1]!.h) - Math.max(h.y, heights[i - 1]!.y) <
          0.3 * Math.min(h.h, heights[i - 1]!.h),
    )
    return apart && !single ? [{ from: r.x, to: r.x + r.w }] : found
  }

  private isBox(m: Mask, r: Cells, c: Context): boolean {
    return (
      r.w >= 44 &&
      r.h >= 18 &&
      boxOf(this.raster, this.exact(pixelsOf(m, r, this.raster), c), c.ground, this.noise) !== null
    )
  }

  /**
   * An upright strip, or a picture or mark that fills its place, and the words beside it: they may stand
   * closer than columns do.
   */
  private beside(m: Mask, r: Cells): Stretch[] | null {
    const found = stretches(m, r, 'columns', 6)
    if (r.h < 20 || found.length < 2 || iconRow(m, r)) return null
    const right = r.x + r.w
    const [edge, next] = [found[0]!, found[1]!],
      last = found.at(-1)!,
      before = found.at(-2)!
    const boxOfColumns = (s: Stretch) => tight(m, { ...r, x: s.from, w: s.to - s.from })!
    const solid = (b: Cells) =>
      b.w >= 20 && b.h >= 20 && b.w <= 2.5 * b.h && b.h <= 2.5 * b.w && fillOf(m, b) >= 0.72
    const first = boxOfColumns(edge),
      rest = tight(m, { ...r, x: next.from, w: right - next.from })!
    if (first.w <= THICKEST_BAR && first.h >= 24 && fillOf(m, first) >= 0.95 && rest.h < 0.95 * r.h)
      return [edge, { from: next.from, to: right }]
    if (solid(first) && !solid(boxOfColumns(next))) return [edge, { from: next.from, to: right }]
    return solid(boxOfColumns(last)) && !solid(boxOfColumns(before))
      ? [{ from: r.x, to: before.to }, last]
      : null
  }

  /** Things one under the other: letters of one size are taken together, the rest stands alone. */
  private stack(m: Mask, r: Cells, lines: readonly Stretch[], c: Context): void {
    if (lines.length > 1) {
      const single = lines.map((line): Judged => {
        const cells = tight(m, { ...r, y: line.from, h: line.to - line.from })!
        return { cells, ...judge(m, cells, this.raster, c.ground, this.noise), last: cells.h }
      })
      // Twice, since a line whose dots stood apart is told for what it is only with them.
      const groups = this.joined(m, this.joined(m, single, c), c)
      if (groups.length > 1) {
        for (const g of groups) this.rest(m, g.cells, c, g)
        return
      }
      return this.rest(m, groups[0]!.cells, c, groups[0]!)
    }
    const judged = judge(m, r, this.raster, c.ground, this.noise)
    this.rest(m, r, c, judged)
  }

  /**
   * What belongs together, taken together: specks above and below letters (dots, accents) and the pieces of a
   * drawing go to what is nearest.
   */
  private joined(m: Mask, parts: readonly Judged[], c: Context): Judged[] {
    const out: Judged[] = []
    for (const part of parts) {
      const last = out.at(-1)
      if (!last || !joins(last, part, part.cells.y - (last.cells.y + last.cells.h), this.cell)) {
        out.push({ ...part })
        continue
      }
      const words = last.kind === 'words'
      last.cells = union(last.cells, part.cells)
      last.last = part.last
      last.sure = Math.min(last.sure, part.sure)
      // Of a line and the dots above it the whole line tells what it is.
      if (!words)
        Object.assign(last, judge(m, last.cells, this.raster, c.ground, this.noise), { sure: last.sure })
    }
    return out
  }

  /** A stretch of its own: opened where it is a box, parted where it has columns, else a part. */
  private rest(m: Mask, r: Cells, c: Context, judged: Pick<Judged, 'kind' | 'sure' | 'looks'>): void {
    if (this.opened(m, r, c)) return
    if (judged.kind !== 'words' || r.h <= TALLEST_LINE) {
      const lines = stretches(m, r, 'rows', 1)
      const columns = judged.kind === 'icons' ? [] : this.columns(m, r, lines, c)
      if (columns.length > 1) {
        for (const col of columns) this.column(m, { ...r, x: col.from, w: col.to - col.from }, c)
        return
      }
    }
    // Specks are noise or a neighbour's rim.
    if (
      judged.kind === 'drawing' &&
      r.w * r.h <= 24 &&
      difference(judged.looks.color, packHex(c.ground)) < 48
    )
      return
    if ((r.h <= 1 && judged.kind !== 'rule') || (r.w < 3 && r.h < 3)) return
    this.parts.push({
      ...this.exact(pixelsOf(m, r, this.raster), c),
      kind: judged.kind,
      sure: judged.sure,
      frame: c.frame,
      ground: c.ground,
    })
  }

  /** The rectangle of cells drawn in to the last pixel that is not the ground. */
  private exact(rect: Rect, { ground }: Context): Rect {
    return exactly(this.px, this.raster.width, rect, packHex(ground), this.noise, this.cell)
  }

  /** Takes a filled or framed box for a button, a panel with parts on it, or a flat area. */
  private opened(m: Mask, r: Cells, c: Context): boolean {
    if (r.w < 16 || r.h < 12 || c.depth > 4) return false
    const dashed = c.dashed.find(
      (d) =>
        Math.abs(d.x - r.x) <= 1 &&
        Math.abs(d.y - r.y) <= 1 &&
        Math.abs(d.w - r.w) <= 2 &&
        Math.abs(d.h - r.h) <= 2,
    )
    if (dashed) return this.openedDashed(pixelsOf(m, dashed, this.raster), dashed, c)
    const rough = this.exact(pixelsOf(m, r, this.raster), c)
    const strip = barOf(this.raster, rough, Math.round(THICKEST_BAR * this.scale), this.noise)
    // One of the ground itself is what the ringing of JPEG has widened the box by.
    const outside = strip && difference(strip.color, packHex(c.ground)) <= this.noise + 8
    const rect = outside ? besides(rough, strip) : rough,
      bar = outside ? null : strip
    const beside = bar && boxOf(this.raster, besides(rect, bar), c.ground, this.noise)
    if (beside) return this.openedAs(rect, { ...beside.box, bar }, c)
    const found = boxOf(this.raster, rect, c.ground, this.noise)
    // A box is one piece: what empty rows or columns part is several things.
    const whole = () => pieces(m, r, 'columns') === 1 && pieces(m, r, 'rows') === 1
    if (!found)
      return r.w >= 40 && r.h >= 24 && whole() && (this.openedCard(rect, c) || this.openedInShade(rect, c))
    if (!whole()) return false
    const { box, rect: at } = found
    return this.openedAs(at, box, c)
  }

  private openedDashed(rect: Rect, { line, radius, dotted }: Dashed, c: Context): boolean {
    const borderWidth = line * this.cell
    const color = groundOf(this.raster, rect, borderWidth + 2).color
    const ink = looksOf(this.raster, { ...rect, h: borderWidth }, packHex(color), this.noise).color
    return this.openedAs(
      rect,
      {
        color,
        radius: radius * this.cell,
        borderWidth,
        borderColor: hexOf(ink),
        borderStyle: dotted ? 'dotted' : 'dashed',
      },
      c,
    )
  }

  /** A box with a soft shadow around it, or a card with one. */
  private openedInShade(rect: Rect, c: Context): boolean {
    const inner = withoutShade(this.raster, rect, Math.round(40 * this.scale))
    if (
      inner.w < 40 * this.scale ||
      inner.h < 16 * this.scale ||
      Math.max(
        inner.x - rect.x,
        inner.y - rect.y,
        rect.x + rect.w - inner.x - inner.w,
        rect.y + rect.h - inner.y - inner.h,
      ) < 2
    )
      return false
    const found = boxOf(this.raster, inner, c.ground, this.noise)
    return found ? this.openedAs(found.rect, found.box, c) : this.openedCard(inner, c)
  }

  /**
   * A card whose upper part is a picture, or of another colour, from side to side: its lower part alone is a
   * box.
   */
  private openedCard(rect: Rect, c: Context): boolean {
    const s = this.scale
    if (rect.w < 90 * s || rect.h < 120 * s) return false
    const at = (x: number, y: number) => this.px[y * this.raster.width + x]!
    // The colour of both sides, a little above the lower edge, and how far up it goes.
    const [left, right] = [rect.x + Math.round(3 * s), rect.x + rect.w - 1 - Math.round(3 * s)]
    const ground = at(left, rect.y + rect.h - Math.round(24 * s))
    let top = rect.y + rect.h - Math.round(24 * s)
    while (
      top > rect.y &&
      difference(at(left, top), ground) <= 10 &&
      difference(at(right, top), ground) <= 10
    )
      top--
    top++
    if (top - rect.y < 0.2 * rect.h || rect.y + rect.h - top < 0.2 * rect.h) return false
    const lower = { x: rect.x, y: top, w: rect.w, h: rect.y + rect.h - top }
    const found = boxOf(this.raster, lower, c.ground, this.noise, 'lower')
    if (!found) return false
    const { box } = found,
      line = box.borderWidth ?? 0
    const upper = { x: rect.x + line, y: rect.y + line, w: rect.w - 2 * line, h: top - rect.y - line }
    this.panels.push({ ...rect, box })
    const head = groundOf(this.raster, upper, 4)
    if (head.share > 0.9) {
      this.panels.push({ ...upper, box: { color: head.color, radius: 0 } })
      this.area(insetOf(upper, { color: head.color, radius: 0 }), head.color, upper, c.depth + 1, box.radius)
    } else this.parts.push({ ...upper, kind: 'photo', sure: 0.7, frame: rect, ground: box.color })
    this.area(
      { ...insetOf(lower, box), y: top + 2, h: lower.h - 4 - line },
      box.color,
      { ...lower, x: lower.x + line, w: lower.w - 2 * line, h: lower.h - line },
      c.depth + 1,
      box.radius,
    )
    return true
  }

  private openedAs(rect: Rect, box: Box, c: Context): boolean {
    const s = this.scale
    const inner = insetOf(rect, box)
    const inside = this.insideOf(inner, box)
    const [w, h] = [rect.w / s, rect.h / s]
    if (!inside) {
      if (h <= 6) return false
      this.parts.push({ ...rect, kind: 'ground', sure: 0.8, frame: c.frame, ground: box.color, box })
      return true
    }
    const sides = {
      left: inside.x - rect.x,
      right: rect.x + rect.w - inside.x - inside.w,
      top: inside.y - rect.y,
      bottom: rect.y + rect.h - inside.y - inside.h,
    }
    const looks = looksOf(this.raster, inside, packHex(box.color), this.noise)
    const centred =
      Math.abs(sides.left - sides.right) <= Math.max(14 * s, 0.26 * rect.w) &&
      Math.abs(sides.top - sides.bottom) <= Math.max(8 * s, 0.3 * rect.h)
    // A button says one thing on one line; two lines in a wide box are a note.
    const note = !!box.bar || (w > 260 && this.linesIn(inside, box) > 1)
    if (
      !note &&
      h >= 18 &&
      h <= 96 &&
      w >= 44 &&
      w <= 600 &&
      inside.h / s <= Math.min(44, 0.75 * h) &&
      centred &&
      looks.mono > 0.75 &&
      looks.pieces >= 2 &&
      sides.top >= 3 * s &&
      this.oneGroup(inside, box)
    ) {
      this.parts.push({
        ...rect,
        kind: 'button',
        sure: Math.min(0.99, 0.7 + 0.15 * looks.mono + (w <= 340 ? 0.12 : 0)),
        frame: c.frame,
        ground: c.ground,
        box,
      })
      return true
    }
    // A small box with something in it is a mark of its own, such as an icon.
    if (w < 80 && h < 80) return false
    this.panels.push({ ...rect, box })
    this.area(inner, box.color, within(rect, box), c.depth + 1, box.radius)
    return true
  }

  private insideOf(rect: Rect, { color: ground, radius }: Box): Rect | null {
    if (rect.w < 2 || rect.h < 2) return null
    const m = maskOf(this.px, this.raster.width, rect, packHex(ground), Math.max(20, this.noise + 12), 1)
    // What JPEG leaves beside a round corner is no part.
    roundOff(m, radius + (this.noise > 10 ? 5 * this.scale : 0))
    const t = tight(m, { x: 0, y: 0, w: m.cols, h: m.rows })
    return t && t.w > 2 && t.h > 2 ? pixelsOf(m, t, this.raster) : null
  }

  private linesIn(inside: Rect, { color }: Box): number {
    const m = maskOf(this.px, this.raster.width, inside, packHex(color), Math.max(20, this.noise), this.cell)
    return stretches(m, { x: 0, y: 0, w: m.cols, h: m.rows }, 'rows', 2).filter((l) => l.to - l.from > 4)
      .length
  }

  /** A button says one thing; a row of a table says several, far apart. */
  private oneGroup(inside: Rect, { color }: Box): boolean {
    const m = maskOf(this.px, this.raster.width, inside, packHex(color), Math.max(20, this.noise), this.cell)
    return (
      stretches(m, { x: 0, y: 0, w: m.cols, h: m.rows }, 'columns', Math.max(24, 1.6 * m.rows)).length === 1
    )
  }
}

/** What a part stands on, how many boxes deep, the column it stands in, and the frames of dashes there. */
interface Context {
  ground: string
  depth: number
  frame: Rect
  dashed: readonly Dashed[]
}

/** Width of a strip along the side of a box at most, px of the email. */
const THICKEST_BAR = 12

/** How many things stand side by side or one above the other, specks aside. */
const pieces = (m: Mask, r: Cells, along: 'rows' | 'columns'): number =>
  stretches(m, r, along, 4).filter((s) => s.to - s.from > 2).length
const median = (v: number[]): number => [...v].sort((a, b) => a - b)[v.length >> 1] ?? 0
const union = (a: Cells, b: Cells): Cells => {
  const x = Math.min(a.x, b.x),
    y = Math.min(a.y, b.y)
  return { x, y, w: Math.max(a.x + a.w, b.x + b.w) - x, h: Math.max(a.y + a.h, b.y + b.h) - y }
}

/** A box without its border. */
function within(r: Rect, box: Box): Rect {
  const inner = box.bar ? besides(r, box.bar) : r,
    by = box.borderWidth ?? 0
  return { x: inner.x + by, y: inner.y + by, w: inner.w - 2 * by, h: inner.h - 2 * by }
}

/** The inside of a box, without its border and the blended pixels of its rim. */
function insetOf(r: Rect, box: Box): Rect {
  const { x, y, w, h } = within(r, box)
  return { x: x + 2, y: y + 2, w: w - 4, h: h - 4 }
}
