import { newId, type NewId } from '../email/defaults'
import { cleaned } from './clean'
import { edgesAtCurves } from './curves'
import { findEdges, type Edge } from './edges'
import { goesOn } from './goes-on'
import { groundOf } from './ground'
import { maskOf, stretches } from './mask'
import { isOneBand } from './one-band'
import { partsOf, type Part } from './parts'
import type { Cut, CutKind, Panel, PartKind } from './plan'
import { difference, hexOf, overlap, packed, packHex, type Raster, type Rect } from './raster'
import { rowFacts } from './rows'
import { columnsOnly, sheetOf, type Sheet } from './sheet'

/**
 * What the autocut found: where bands meet, with their signs; the boxes that parts stand on; and a cut for
 * each part, in order from the top.
 */
export interface Autocut {
  edges: Edge[]
  panels: Panel[]
  cuts: Cut[]
}

/** What each kind of part is proposed to become. */
export const proposal: Record<PartKind, CutKind> = {
  ground: 'flat',
  photo: 'picture',
  drawing: 'picture',
  icons: 'picture',
  words: 'words',
  button: 'button',
  rule: 'rule',
}

/**
 * Cuts a design by its pixels: into bands, these into columns and parts, and proposes for each what it
 * becomes.
 * @param scale design pixels for each px of the email (its density)
 * @param progress called with 0 to 1
 */
export function autocut(
  design: Raster,
  scale: number,
  progress?: (done: number) => void,
  id: NewId = newId,
): Autocut {
  const { raster, noise } = cleaned(design)
  const sheet = sheetOf(raster, scale, noise)
  if (!sheet) return foundIn(raster, noise, scale, progress, id)
  const inside = foundIn(columnsOnly(raster, sheet.x, sheet.w), noise, scale, progress, id)
  return onPage(raster, inside, sheet, noise)
}

/** What was found on a sheet, where it lies in the design: the grounds of its bands are boxes on the page. */
function onPage(raster: Raster, { edges, panels, cuts }: Autocut, sheet: Sheet, noise: number): Autocut {
  const moved = <T extends Rect>(r: T): T => ({ ...r, x: r.x + sheet.x })
  const tops = [0, ...edges.map((e) => e.y)]
  const grounds = tops.flatMap((y, i): Panel[] => {
    const h = (edges[i]?.y ?? raster.height) - y
    const rect = { x: sheet.x, y, w: sheet.w, h }
    const ground = groundOf(raster, rect, Math.min(8, Math.floor(h / 10)))
    const picture = cuts.some((c) => c.kind === 'picture' && c.y <= y + 2 && c.w >= sheet.w && c.h >= 0.9 * h)
    const plain =
      picture || ground.share < ON_GROUND || difference(packHex(ground.color), packHex(sheet.page)) <= noise
    return plain ? [] : [{ ...rect, color: ground.color, radius: 0 }]
  })
  const inked = cuts.map((c) =>
    c.ink ? { ...moved(c), ink: { ...moved(c.ink), room: moved(c.ink.room) } } : moved(c),
  )
  return { edges, panels: [...grounds, ...panels.map(moved)], cuts: inked }
}

/** A band of which this share of the rim is of one colour stands on it. */
const ON_GROUND = 0.55

/** Cuts a design whose bands reach from edge to edge. @param noise channel difference that is still one colour */
function foundIn(
  raster: Raster,
  noise: number,
  scale: number,
  progress: ((done: number) => void) | undefined,
  id: NewId,
): Autocut {
  const facts = rowFacts(raster, (p) => progress?.(p * 0.5))
  const found = findEdges(raster, scale, facts).filter((e) => !goesOn(raster, e.y))
  const tops = [0, ...found.map((e) => e.y)]
  const other = (e: Edge | undefined) => e?.why === 'ground' || e?.why === 'seam'
  /** The parts between two edges, by their indices; -1 is the top of the design. */
  const partsIn = (from: number, to: number) => {
    const y = found[from]?.y ?? 0
    const band = { x: 0, y, w: raster.width, h: (found[to]?.y ?? raster.height) - y }
    const parts = partsOf(raster, band, scale, noise, { above: other(found[from]), below: other(found[to]) })
    return { from, to, band, ...parts }
  }
  const bands: ReturnType<typeof partsIn>[] = []
  tops.forEach((_, i) => {
    const next = partsIn(i - 1, i)
    const last = bands.at(-1)
    const edge = found[i - 1]
    if (last && edge && isOneBand(last, edge, next, { scale, width: raster.width }))
      bands[bands.length - 1] = partsIn(last.from, i)
    else bands.push(next)
    progress?.(0.5 + (0.5 * (i + 1)) / tops.length)
  })
  const cuts = bands.flatMap(({ parts, band }) => cutsOf(parts, band, raster, scale, id))
  return withoutHulls(
    {
      edges: edgesAtCurves(
        bands.flatMap(({ from }) => found[from] ?? []),
        cuts,
        raster,
      ),
      panels: bands.flatMap(({ panels }) =>
        panels.map(({ box: { bar, ...box }, ...rect }): Panel => ({
          ...rect,
          ...box,
          ...(bar ? { bar: { ...bar, color: hexOf(bar.color) } } : {}),
        })),
      ),
      cuts,
    },
    scale,
  )
}

/** A button fills at least this share of what is taken for a box around it, where that is its own edge. */
const HULL = 0.7

/** JPEG blurs a button's edge to a box around it: what holds nothing but a button that fills it is that button. */
function withoutHulls({ edges, panels, cuts }: Autocut, scale: number): Autocut {
  const buttonIn = (panel: Panel): Cut | undefined => {
    const [only, ...others] = cuts.filter((c) => overlap(c, panel))
    return only?.kind === 'button' && !others.length && only.w * only.h >= HULL * panel.w * panel.h
      ? only
      : undefined
  }
  const hulls = new Map(panels.flatMap((p) => (buttonIn(p) ? [[buttonIn(p)!.id, p] as const] : [])))
  return {
    edges,
    panels: panels.filter((p) => !buttonIn(p)),
    cuts: cuts.map((c) => {
      const hull = hulls.get(c.id)
      if (!hull || !c.box) return c
      const { x, y, w, h, radius } = hull
      return { ...c, x, y, w, h, box: { ...c.box, radius: Math.min(200, Math.round(radius / scale)) } }
    }),
  }
}

/**
 * A band's parts as cuts. Pictures, buttons and rules are cut at their edges; words get the room of their
 * column, so that their alignment can be told.
 */
function cutsOf(parts: readonly Part[], band: Rect, raster: Raster, scale: number, id: NewId): Cut[] {
  const out: Cut[] = []
  for (const part of parts) {
    for (const rect of part.kind === 'icons'
      ? iconsOf(raster, part, scale)
      : [part.kind === 'words' ? roomFor(part, parts, scale) : part]) {
      const inside = overlap(rect, band)
      if (!inside || out.some((o) => overlap(o, inside))) continue
      const { x, y, w, h } = inside
      const kind = proposal[part.kind]
      out.push({
        id: id(),
        x,
        y,
        w,
        h,
        kind,
        alt: null,
        link: '',
        words: null,
        ground:
          part.kind === 'photo' ? null : part.kind === 'ground' && part.box ? part.box.color : part.ground,
        seen: { part: part.kind, sure: Math.round(part.sure * 100) / 100 },
        ...(part.kind === 'button' && part.box ? { box: emailBox(part.box, scale) } : {}),
        ...(part.kind === 'words'
          ? { ink: { x: part.x, y: part.y, w: part.w, h: part.h, room: { x, y, w, h } } }
          : {}),
      })
    }
  }
  return out.sort((a, b) => a.y - b.y || a.x - b.x)
}

/** A box measured in design px, in px of the email. */
const emailBox = (box: NonNullable<Part['box']>, scale: number): NonNullable<Cut['box']> => ({
  background: box.color,
  radius: Math.min(200, Math.round(box.radius / scale)),
  ...(box.borderWidth
    ? {
        borderWidth: Math.max(1, Math.min(12, Math.round(box.borderWidth / scale))),
        borderColor: box.borderColor,
      }
    : {}),
})

/** Words take their whole column's width and a little air above and below, where nothing else is. */
function roomFor(part: Part, parts: readonly Part[], scale: number): Rect {
  const others = parts.filter(
    (p) => p !== part && p.x < part.frame.x + part.frame.w && p.x + p.w > part.frame.x,
  )
  const air = 4 * scale
  const above = Math.max(part.frame.y, ...others.filter((p) => p.y + p.h <= part.y).map((p) => p.y + p.h))
  const below = Math.min(
    part.frame.y + part.frame.h,
    ...others.filter((p) => p.y >= part.y + part.h).map((p) => p.y),
  )
  const y = Math.round(Math.max(part.y - air, (above + part.y) / 2)),
    bottom = Math.round(Math.min(part.y + part.h + air, (below + part.y + part.h) / 2))
  const x = Math.min(part.x, part.frame.x),
    right = Math.max(part.x + part.w, part.frame.x + part.frame.w)
  return {
    x,
    y: Math.min(y, part.y),
    w: right - x,
    h: Math.max(bottom, part.y + part.h) - Math.min(y, part.y),
  }
}

/** A row of icons, icon by icon: each has a link of its own. */
function iconsOf(raster: Raster, part: Part, scale: number): Rect[] {
  const mask = maskOf(packed(raster), raster.width, part, packHex(part.ground), 24, 1)
  return stretches(mask, { x: 0, y: 0, w: mask.cols, h: mask.rows }, 'columns', Math.round(4 * scale))
    .map(({ from, to }) => ({ x: part.x + from, y: part.y, w: to - from, h: part.h }))
    .filter((r) => r.w > 3)
}
