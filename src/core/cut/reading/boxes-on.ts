import type { BoxLook } from '../plan'
import { difference, hexOf, packed, packHex, type Raster, type Rect } from '../raster'
import { edgesIn, OFF, pixel, SIZE, STEP, THICK } from './edged'

/** It is at least so much wider than high. */
const WIDER = 1.3
/** A filled button is of its colour in this share of its place. */
const FILLED = 0.5
/** A side is drawn, or filled, along this share of it, without its corners. */
const ALONG = 0.92
/** Letters differ from what they stand on by this in a channel, and take these shares of it. */
const INK = 50
const LETTERS = { least: 0.02, most: 0.45 } as const
/** What stands beyond its sides is another colour, channel difference, along this share. */
const BEYOND = 14
const OUTSIDE = 0.8

/** A box that is drawn on a picture. */
export interface BoxOn {
  /** Design px. */
  rect: Rect
  /** px of the email */
  box: BoxLook
  /** Where its letters are, design px. */
  label: Rect
}

/**
 * The boxes on a picture that look like buttons whatever they say: of one colour with straight sides and something like letters within, or an edge of one colour all around.
 * @param rect the picture in the design @param scale design px for each px of the email
 */
export function boxesOn(raster: Raster, rect: Rect, scale: number): BoxOn[] {
  const sized = ({ w, h }: Rect) =>
    w >= SIZE.w[0] * scale &&
    w <= SIZE.w[1] * scale &&
    h >= SIZE.h[0] * scale &&
    h <= SIZE.h[1] * scale &&
    w >= WIDER * h
  const looks = [
    ...things(raster, rect)
      .filter((t) => sized(t) && t.count >= FILLED * t.w * t.h)
      .flatMap((t) => {
        const ring = ringAround(raster, t, scale)
        const box = ring ? null : filled(raster, t, scale)
        return ring ? [ring] : box ? [{ t, box }] : []
      }),
    ...edgesIn(raster, rect, scale).filter(({ t }) => sized(t)),
  ]
  const found = looks.flatMap(({ t, box }): BoxOn[] => {
    const label = box && labelIn(raster, t, box)
    return label ? [{ rect: { x: t.x, y: t.y, w: t.w, h: t.h }, box, label }] : []
  })
  // Of one in another the outer is the button.
  return found.filter(
    ({ rect: a }, i) =>
      !found.some(
        ({ rect: b }, k) =>
          (b.w * b.h > a.w * a.h || (b.w * b.h === a.w * a.h && k < i)) &&
          a.x >= b.x &&
          a.y >= b.y &&
          a.x + a.w <= b.x + b.w &&
          a.y + a.h <= b.y + b.h,
      ),
  )
}

/** What hangs together by small steps of colour, with how much of it there is. */
interface Thing extends Rect {
  count: number
  /** Whether a pixel of the design belongs to it. */
  has: (x: number, y: number) => boolean
}

/** Labels connected pixels (union of neighbours, as in Rosenfeld and Pfaltz, Sequential operations in digital picture processing, 1966). */
function things(raster: Raster, { x: left, y: top, w, h }: Rect): Thing[] {
  const px = packed(raster)
  const parent = new Int32Array(w * h)
  const rootOf = (k: number): number => {
    let root = k
    while (parent[root] !== root) root = parent[root]!
    while (parent[k] !== root) [k, parent[k]] = [parent[k]!, root]
    return root
  }
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const [k, at] = [y * w + x, (top + y) * raster.width + left + x]
      parent[k] = k
      if (x && difference(px[at]!, px[at - 1]!) <= STEP) parent[k] = rootOf(k - 1)
      if (y && difference(px[at]!, px[at - raster.width]!) <= STEP) {
        const [a, b] = [rootOf(k), rootOf(k - w)]
        if (a !== b) parent[Math.max(a, b)] = Math.min(a, b)
      }
    }
  const sides = new Map<number, { x0: number; y0: number; x1: number; y1: number; count: number }>()
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const root = rootOf(y * w + x)
      const s = sides.get(root)
      if (!s) sides.set(root, { x0: x, y0: y, x1: x, y1: y, count: 1 })
      else {
        s.x0 = Math.min(s.x0, x)
        s.x1 = Math.max(s.x1, x)
        s.y1 = y
        s.count++
      }
    }
  return [...sides].map(([root, s]) => ({
    x: left + s.x0,
    y: top + s.y0,
    w: s.x1 - s.x0 + 1,
    h: s.y1 - s.y0 + 1,
    count: s.count,
    has: (x, y) =>
      x >= left && x < left + w && y >= top && y < top + h && rootOf((y - top) * w + x - left) === root,
  }))
}

/** The share of a stretch for which something holds. */
function shareOf(from: number, to: number, holds: (at: number) => boolean): number {
  let n = 0
  for (let at = from; at < to; at++) if (holds(at)) n++
  return n / Math.max(1, to - from)
}

/** How far its corners are rounded, design px: where its upper side begins. */
function cornerOf(t: Thing): number {
  const most = Math.floor(t.h / 2)
  let begins = 0
  while (begins < most && !t.has(t.x + begins, t.y + 1)) begins++
  return begins >= 0.7 * most ? most : begins <= 1 ? 0 : begins
}

function filled(raster: Raster, t: Thing, scale: number): BoxLook | null {
  const corner = cornerOf(t)
  const [left, right] = [t.x + corner, t.x + t.w - corner]
  const [top, bottom] = [t.y + Math.round(t.h * 0.35), t.y + Math.round(t.h * 0.65)]
  const sides = [
    shareOf(left, right, (x) => t.has(x, t.y + 2)),
    shareOf(left, right, (x) => t.has(x, t.y + t.h - 3)),
    shareOf(top, bottom, (y) => t.has(t.x + 2, y)),
    shareOf(top, bottom, (y) => t.has(t.x + t.w - 3, y)),
  ]
  if (sides.some((s) => s < ALONG)) return null
  const color = pixel(raster, t.x + Math.max(3, corner), t.y + Math.round(t.h / 2))
  // It ends at once; a slope of the picture fades.
  const off = (x: number, y: number) =>
    y < 0 || y >= raster.height || difference(pixel(raster, x, y), color) > BEYOND
  if (shareOf(left, right, (x) => off(x, t.y - 3)) < OUTSIDE) return null
  if (shareOf(left, right, (x) => off(x, t.y + t.h + 2)) < OUTSIDE) return null
  return { background: hexOf(color), radius: Math.min(200, Math.round(corner / scale)) }
}

/** The box whose inside a thing is: an edge all around it, beyond which its own colour goes on; null where there is none. */
function ringAround(raster: Raster, t: Thing, scale: number): { t: Rect; box: BoxLook } | null {
  const [middle, row] = [t.x + (t.w >> 1), t.y + (t.h >> 1)]
  const color = pixel(raster, t.x + Math.max(3, cornerOf(t)), row)
  const at = (x: number, y: number) =>
    x < 0 || y < 0 || x >= raster.width || y >= raster.height ? null : pixel(raster, x, y)
  /** How thick the edge is that way, px; null where none ends. */
  const thick = (x: number, y: number, dx: number, dy: number): number | null => {
    for (let k = 1; k <= THICK * scale + 2; k++) {
      const p = at(x + k * dx, y + k * dy)
      if (p === null) return null
      if (difference(p, color) <= OFF) return k > 1 ? k - 1 : null
    }
    return null
  }
  const sides = [
    thick(middle, t.y, 0, -1),
    thick(middle, t.y + t.h - 1, 0, 1),
    thick(t.x, row, -1, 0),
    thick(t.x + t.w - 1, row, 1, 0),
  ]
  if (
    sides.some((k) => k === null) ||
    Math.max(...sides.map((k) => k!)) - Math.min(...sides.map((k) => k!)) > 2
  )
    return null
  const by = Math.max(...sides.map((k) => k!))
  const edge = pixel(raster, middle, t.y - Math.max(1, by >> 1))
  const corner = cornerOf(t)
  return {
    t: { x: t.x - by, y: t.y - by, w: t.w + 2 * by, h: t.h + 2 * by },
    box: {
      background: hexOf(color),
      radius: Math.min(200, Math.round((corner ? corner + by : 0) / scale)),
      borderWidth: Math.max(1, Math.round(by / scale)),
      borderColor: hexOf(edge),
    },
  }
}

/** The ink in the middle of it that may be letters: enough of another colour, not too much, in more than one piece. Null where there is none such. */
function labelIn(raster: Raster, t: Rect, box: BoxLook): Rect | null {
  const by = Math.round(0.18 * t.h)
  const inside = { x: t.x + by, y: t.y + by, w: t.w - 2 * by, h: t.h - 2 * by }
  // Letters are of the edge's own colour where there is one.
  const edge = box.borderWidth && box.borderColor ? packHex(box.borderColor) : null
  const behind = packHex(box.background ?? '#ffffff')
  const px = packed(raster)
  let inked = 0
  let [left, right, top, bottom] = [Infinity, -1, Infinity, -1]
  const columns = new Uint8Array(inside.w)
  for (let y = inside.y; y < inside.y + inside.h; y++)
    for (let x = inside.x; x < inside.x + inside.w; x++) {
      const p = px[y * raster.width + x]!
      if (edge === null ? difference(p, behind) <= INK : difference(p, edge) >= INK) continue
      inked++
      columns[x - inside.x] = 1
      if (x < left) left = x
      if (x > right) right = x
      if (y < top) top = y
      bottom = y
    }
  const share = inked / (inside.w * inside.h)
  const pieces = columns.reduce((n, c, i) => n + (c && !columns[i - 1] ? 1 : 0), 0)
  if (share < LETTERS.least || share > LETTERS.most || pieces < 2) return null
  return { x: left, y: top, w: right - left + 1, h: bottom - top + 1 }
}
