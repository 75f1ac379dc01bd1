import { boxOf, type Box } from '../box'
import { barOf, besides, type Dashed } from '../frames'
import { groundOf } from '../ground'
import { looksOf } from '../looks'
import { maskOf, pixelsOf, roundOff, stretches, tight, type Cells, type Mask } from '../mask'
import { difference, hexOf, packHex, type Rect } from '../raster'
import { withoutShade } from '../slopes'
import type { Context, Finding, Inner } from './finding'

/** Width of a strip along the side of a box at most, px of the email. */
export const THICKEST_BAR = 12
/** Least size of a box, cells; of a card with a picture, and of one in a shadow, px of the email. */
const LEAST = { w: 16, h: 12 }
const LEAST_CARD = { w: 90, h: 120 }
const LEAST_SHADED = { w: 40, h: 24 }
/** Boxes in boxes beyond this are drawings. */
const DEEPEST = 4
/** Either part of a card with a picture has at least this share of its height. */
const LEAST_PART = 0.2
/** An area whose rim has this share of one colour is of that colour. */
const ONE_COLOR = 0.9
/** Widest soft shadow, px of the email. */
const WIDEST_SHADE = 40
/** A flat box this low is a line, px of the email. */
const THIN = 6
/** A smaller box with something in it is a mark, such as an icon, px of the email. */
const LEAST_PANEL = 80
/** What a button measures, px of the email; of one colour and in letters. */
const BUTTON = { w: [44, 600], h: [18, 96], words: 44, air: 3, mono: 0.75, letters: 2 } as const
/** In a wider box two lines are a note, px of the email. */
const WIDE = 260
/** Buttons are rarely wider, px of the email. */
const USUAL = 340

/**
 * Takes a filled or framed box for a button, a panel with parts on it, or a flat area. @returns what stands on the panel, yet to be taken apart; null
 * where it is no box
 */
export function opened(f: Finding, m: Mask, r: Cells, c: Context): Inner[] | null {
  if (r.w < LEAST.w || r.h < LEAST.h || c.depth > DEEPEST) return null
  const dashed = c.dashed.find(
    (d) =>
      Math.abs(d.x - r.x) <= 1 &&
      Math.abs(d.y - r.y) <= 1 &&
      Math.abs(d.w - r.w) <= 2 &&
      Math.abs(d.h - r.h) <= 2,
  )
  if (dashed) return openedDashed(f, pixelsOf(m, dashed, f.raster), dashed, c)
  const rough = f.exact(pixelsOf(m, r, f.raster), c.ground)
  const strip = barOf(f.raster, rough, Math.round(THICKEST_BAR * f.scale), f.noise)
  // One of the ground itself is what the ringing of JPEG has widened the box by.
  const outside = strip && difference(strip.color, packHex(c.ground)) <= f.noise + 8
  const rect = outside ? besides(rough, strip) : rough,
    bar = outside ? null : strip
  const beside = bar && boxOf(f.raster, besides(rect, bar), c.ground, f.noise)
  if (beside) return openedAs(f, rect, { ...beside.box, bar }, c)
  const found = boxOf(f.raster, rect, c.ground, f.noise)
  // A box is one piece: what empty rows or columns part is several things.
  const whole = () => pieces(m, r, 'columns') === 1 && pieces(m, r, 'rows') === 1
  if (!found) {
    if (r.w < LEAST_SHADED.w || r.h < LEAST_SHADED.h || !whole()) return null
    return openedStripes(f, rect, c) ?? openedCard(f, rect, c) ?? openedInShade(f, rect, c)
  }
  if (!whole()) return null
  const { box, rect: at } = found
  return openedAs(f, at, box, c)
}

/** A frame of dashes or dots. */
function openedDashed(f: Finding, rect: Rect, { line, radius, dotted }: Dashed, c: Context): Inner[] | null {
  const borderWidth = line * f.cell
  const color = groundOf(f.raster, rect, borderWidth + 2).color
  const ink = looksOf(f.raster, { ...rect, h: borderWidth }, packHex(color), f.noise).color
  return openedAs(
    f,
    rect,
    {
      color,
      radius: radius * f.cell,
      borderWidth,
      borderColor: hexOf(ink),
      borderStyle: dotted ? 'dotted' : 'dashed',
    },
    c,
  )
}

/** How high a stripe is at least and at most, px of the email, and how many there are at most. */
const STRIPE = { least: 16, most: 72, count: 40 }

/** Flat rectangles of one width, one under the other, as the rows of a table that touch: each is a box of its own. */
function openedStripes(f: Finding, rect: Rect, c: Context): Inner[] | null {
  const at = (x: number, y: number) => f.px[y * f.raster.width + x]!
  const [left, right] = [rect.x + Math.round(2 * f.scale), rect.x + rect.w - 1 - Math.round(2 * f.scale)]
  const stripes: Rect[] = []
  for (let y = rect.y; y < rect.y + rect.h; y++) {
    if (difference(at(left, y), at(right, y)) > f.noise) return null
    const last = stripes.at(-1)
    if (last && difference(at(left, y), at(left, last.y)) <= f.noise) last.h++
    else stripes.push({ ...rect, y, h: 1 })
  }
  const [least, most] = [STRIPE.least * f.scale, STRIPE.most * f.scale]
  if (stripes.length < 2 || stripes.length > STRIPE.count) return null
  if (stripes.some((s) => s.h < least || s.h > most)) return null
  const grounds = stripes.map((s) => groundOf(f.raster, s, 2))
  if (grounds.some((g) => g.share <= ONE_COLOR)) return null
  return stripes.map((stripe, i): Inner => {
    const box = { color: grounds[i]!.color, radius: 0 }
    f.panels.push({ ...stripe, box })
    return { rect: insetOf(stripe, box), ground: box.color, frame: stripe, depth: c.depth + 1, radius: 0 }
  })
}

/** A box with a soft shadow around it, or a card with one. */
function openedInShade(f: Finding, rect: Rect, c: Context): Inner[] | null {
  const inner = withoutShade(f.raster, rect, Math.round(WIDEST_SHADE * f.scale))
  if (
    inner.w < LEAST_SHADED.w * f.scale ||
    inner.h < 16 * f.scale ||
    Math.max(
      inner.x - rect.x,
      inner.y - rect.y,
      rect.x + rect.w - inner.x - inner.w,
      rect.y + rect.h - inner.y - inner.h,
    ) < 2
  )
    return null
  const found = boxOf(f.raster, inner, c.ground, f.noise)
  return found ? openedAs(f, found.rect, found.box, c) : openedCard(f, inner, c)
}

/**
 * A card whose upper part is a picture, or of another colour, from side to side: its lower part alone is a
 * box.
 */
function openedCard(f: Finding, rect: Rect, c: Context): Inner[] | null {
  const s = f.scale
  if (rect.w < LEAST_CARD.w * s || rect.h < LEAST_CARD.h * s) return null
  const at = (x: number, y: number) => f.px[y * f.raster.width + x]!
  // The colour of both sides, a little above the lower edge, and how far up it goes.
  const [left, right] = [rect.x + Math.round(3 * s), rect.x + rect.w - 1 - Math.round(3 * s)]
  const ground = at(left, rect.y + rect.h - Math.round(24 * s))
  let top = rect.y + rect.h - Math.round(24 * s)
  while (top > rect.y && difference(at(left, top), ground) <= 10 && difference(at(right, top), ground) <= 10)
    top--
  top++
  if (top - rect.y < LEAST_PART * rect.h || rect.y + rect.h - top < LEAST_PART * rect.h) return null
  const lower = { x: rect.x, y: top, w: rect.w, h: rect.y + rect.h - top }
  const found = boxOf(f.raster, lower, c.ground, f.noise, 'lower')
  if (!found) return null
  const { box } = found,
    line = box.borderWidth ?? 0
  const upper = { x: rect.x + line, y: rect.y + line, w: rect.w - 2 * line, h: top - rect.y - line }
  f.panels.push({ ...rect, box })
  const { radius } = box
  const depth = c.depth + 1
  const body: Inner = {
    rect: { ...insetOf(lower, box), y: top + 2, h: lower.h - 4 - line },
    ground: box.color,
    frame: { ...lower, x: lower.x + line, w: lower.w - 2 * line, h: lower.h - line },
    depth,
    radius,
  }
  const head = groundOf(f.raster, upper, 4)
  if (head.share <= ONE_COLOR) {
    f.parts.push({ ...upper, kind: 'photo', sure: 0.7, frame: rect, ground: box.color })
    return [body]
  }
  const flat = { color: head.color, radius: 0 }
  f.panels.push({ ...upper, box: flat })
  return [{ rect: insetOf(upper, flat), ground: head.color, frame: upper, depth, radius }, body]
}

/** A box as a flat area, a button or a panel. */
function openedAs(f: Finding, rect: Rect, box: Box, c: Context): Inner[] | null {
  const s = f.scale
  const inner = insetOf(rect, box)
  const inside = insideOf(f, inner, box)
  const [w, h] = [rect.w / s, rect.h / s]
  // As small as an icon it is a mark of its own, with something in it or not.
  const small = w < LEAST_PANEL && h < LEAST_PANEL
  if (!inside) {
    if (h <= THIN || small) return null
    // Soft folds of a fabric are no flat colour, be they ever so dark.
    if (!isFlat(f, inner, box)) {
      f.parts.push({ ...rect, kind: 'photo', sure: 0.75, frame: c.frame, ground: c.ground })
      return []
    }
    f.parts.push({ ...rect, kind: 'ground', sure: 0.8, frame: c.frame, ground: box.color, box })
    return []
  }
  const sure = buttonIn(f, rect, inside, box)
  if (sure) {
    f.parts.push({ ...rect, kind: 'button', sure, frame: c.frame, ground: c.ground, box })
    return []
  }
  if (small) return null
  f.panels.push({ ...rect, box })
  return [
    { rect: inner, ground: box.color, frame: within(rect, box), depth: c.depth + 1, radius: box.radius },
  ]
}

/** A flat area is of its colour within this, channel difference, in so much of it. */
const EVEN = { by: 3, share: 0.9 }

/** Whether an area is of one colour all over. */
function isFlat(f: Finding, rect: Rect, { color }: Box): boolean {
  const ground = packHex(color)
  const by = f.noise > 8 ? f.noise : EVEN.by
  let [same, all] = [0, 0]
  for (let y = rect.y; y < rect.y + rect.h; y += 3)
    for (let x = rect.x; x < rect.x + rect.w; x += 3, all++)
      if (difference(f.px[y * f.raster.width + x]!, ground) <= by) same++
  return same >= EVEN.share * all
}

/** How sure a box with something inside is a button: 0 where it is none. @param inside what stands in it */
function buttonIn(f: Finding, rect: Rect, inside: Rect, box: Box): number {
  const s = f.scale
  const [w, h] = [rect.w / s, rect.h / s]
  // It says one thing on one line; two lines in a wide box are a note.
  if (box.bar || (w > WIDE && linesIn(f, inside, box) > 1)) return 0
  if (h < BUTTON.h[0] || h > BUTTON.h[1] || w < BUTTON.w[0] || w > BUTTON.w[1]) return 0
  if (inside.h / s > Math.min(BUTTON.words, 0.75 * h)) return 0
  const sides = {
    left: inside.x - rect.x,
    right: rect.x + rect.w - inside.x - inside.w,
    top: inside.y - rect.y,
    bottom: rect.y + rect.h - inside.y - inside.h,
  }
  const centred =
    Math.abs(sides.left - sides.right) <= Math.max(14 * s, 0.26 * rect.w) &&
    Math.abs(sides.top - sides.bottom) <= Math.max(8 * s, 0.3 * rect.h)
  if (!centred || sides.top < BUTTON.air * s) return 0
  const looks = looksOf(f.raster, inside, packHex(box.color), f.noise)
  if (looks.mono <= BUTTON.mono || looks.pieces < BUTTON.letters || !oneGroup(f, inside, box)) return 0
  return Math.min(0.99, 0.7 + 0.15 * looks.mono + (w <= USUAL ? 0.12 : 0))
}

/** What stands in a box, as the rectangle around it; null where there is nothing. */
function insideOf(f: Finding, rect: Rect, { color: ground, radius }: Box): Rect | null {
  if (rect.w < 2 || rect.h < 2) return null
  const m = maskOf(f.px, f.raster.width, rect, packHex(ground), Math.max(20, f.noise + 12), 1)
  // What JPEG leaves beside a round corner is no part.
  roundOff(m, radius + (f.noise > 10 ? 5 * f.scale : 0))
  const t = tight(m, { x: 0, y: 0, w: m.cols, h: m.rows })
  return t && t.w > 2 && t.h > 2 ? pixelsOf(m, t, f.raster) : null
}

/** How many lines stand in a box. */
function linesIn(f: Finding, inside: Rect, { color }: Box): number {
  const m = maskOf(f.px, f.raster.width, inside, packHex(color), Math.max(20, f.noise), f.cell)
  return stretches(m, { x: 0, y: 0, w: m.cols, h: m.rows }, 'rows', 2).filter((l) => l.to - l.from > 4).length
}

/** A button says one thing; a row of a table says several, far apart. */
function oneGroup(f: Finding, inside: Rect, { color }: Box): boolean {
  const m = maskOf(f.px, f.raster.width, inside, packHex(color), Math.max(20, f.noise), f.cell)
  return (
    stretches(m, { x: 0, y: 0, w: m.cols, h: m.rows }, 'columns', Math.max(24, 1.6 * m.rows)).length === 1
  )
}

/** How many things stand side by side or one above the other, specks aside. */
const pieces = (m: Mask, r: Cells, along: 'rows' | 'columns'): number =>
  stretches(m, r, along, 4).filter((s) => s.to - s.from > 2).length
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
