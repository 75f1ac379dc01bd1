import { newId, type NewId } from '../../email/defaults'
import type { Autocut } from '../autocut'
import { groundOf } from '../ground'
import type { Cut, Panel } from '../plan'
import { difference, hexOf, overlap, pack, packed, packHex, type Raster, type Rect } from '../raster'
import { INSIDE, share, type WordedBy } from './blocks'
import { boxesOn } from './boxes-on'
import type { ReadLine } from './lines'
import { partedFrom } from './parting'
import { grown } from './plain-ground'

/** Around words on a card the ground is of one colour in this share of the rim. */
const FLAT = 0.85
/** Colours are one within this, channel difference; beyond its sides another by more than that. */
const SAME = 8
const NEAR = 10
/** So many columns of a card tell where it ends. */
const BESIDE = 5
const OTHER = 18
/** A side is straight along this share of it. */
const ALONG = 0.9
/** There is no edge where colours differ by more than this along less than half of it. */
const [EDGE, HALF] = [30, 0.5]
/** Of a row of the page one colour has this share. */
const PAGE = 0.9
/** Of a row that no picture crosses one colour has this share. */
const PLAIN_ROW = 0.6
/** A card keeps from the sides of its band at least so far, and is at least so wide and high, px of the email. */
const INSET = 8
const LEAST = { w: 160, h: 60 } as const
/** It lies over a picture by so much, px of the email. */
const OVER = 20

/**
 * The card that words of a band stand on where it overlaps a picture: one colour around them, with a straight upper side and straight sides that end at the picture. Its lower side may be
 * lost where the page is of its colour: it then reaches as far below its last line as it begins above its first. Null where there is none. @param scale design px for each px of the email
 */
export function cardOn(raster: Raster, band: Rect, lines: readonly ReadLine[], scale: number): Panel | null {
  const px = packed(raster)
  const at = (x: number, y: number) => px[y * raster.width + x]!
  const bottom = band.y + band.h
  for (const line of lines) {
    const by = Math.round(0.4 * line.size)
    const rect = grown(whole(line), by, raster)
    const ground = groundOf(raster, rect)
    if (ground.share < FLAT) continue
    const color = packHex(ground.color)
    const same = (x: number, y: number) => difference(at(x, y), color) <= SAME
    const [row, middle] = [rect.y, rect.x + (rect.w >> 1)]
    let [x0, x1, y0, y1] = [rect.x, rect.x + rect.w - 1, row, row]
    while (x0 > band.x && same(x0 - 1, row)) x0--
    while (x1 < band.x + band.w - 1 && same(x1 + 1, row)) x1++
    while (y0 > band.y && same(middle, y0 - 1)) y0--
    // Along its left side nothing stands: what differs there for a row or two is noise.
    const beside = Array.from({ length: BESIDE }, (_, k) => x0 + Math.round((2 + k) * scale))
    const goesOn = (y: number) =>
      2 * beside.filter((x) => difference(at(x, y), color) <= NEAR).length > BESIDE
    while (y1 < bottom - 1 && (goesOn(y1 + 1) || (y1 + 2 < bottom && goesOn(y1 + 2)))) y1++
    const inside = lines.filter((l) => share(l, { x: x0, y: y0, w: x1 - x0 + 1, h: y1 - y0 + 1 }) >= INSIDE)
    if (inside.length < 2) continue
    const first = Math.min(...inside.map((l) => l.y))
    const last = Math.max(...inside.map((l) => l.y + l.h))
    const end = y1 < bottom - 1 ? y1 + 1 : Math.min(bottom, Math.ceil(last + (first - y0)))
    const card = { x: x0, y: y0, w: x1 - x0 + 1, h: end - y0 }
    if (card.w < LEAST.w * scale || card.h < LEAST.h * scale) continue
    if (card.x - band.x < INSET * scale || band.x + band.w - x1 < INSET * scale) continue
    const straight = (n: number, ends: (k: number) => boolean, part = ALONG) => {
      let count = 0
      for (let k = 0; k < n; k++) if (ends(k)) count++
      return count >= part * n
    }
    // An edge or a shadow may lie between.
    const out = Math.round(3 * scale)
    const corner = Math.round(0.06 * card.w)
    const ends = (x: number, y: number) =>
      y < 0 || x < 0 || x >= raster.width || difference(at(x, y), color) > OTHER
    const tall = Math.round(Math.min(card.h, first - y0 + 2 * line.size) / 2)
    // What it lies over is a picture, not the page.
    const over = y0 - out >= 0 && { x: card.x, y: y0 - out, w: card.w, h: 1 }
    // A sheet ends where the pictures on it do: a picture under a card goes on beyond its sides.
    const beyond = (inner: number, outer: number) => {
      const rows = Math.min(y0 - out, Math.round(OVER * scale))
      const edged = (k: number) => difference(at(inner, y0 - out - k), at(outer, y0 - out - k)) > EDGE
      return rows > 0 && !straight(rows, edged, HALF)
    }
    const sides =
      over &&
      beyond(x0 + out, x0 - out) &&
      beyond(x1 - out, x1 + out) &&
      groundOf(raster, over).share < PAGE &&
      straight(card.w - 2 * corner, (k) => ends(x0 + corner + k, y0 - out)) &&
      straight(tall, (k) => ends(x0 - out, y0 + out + k)) &&
      straight(tall, (k) => ends(x1 + out, y0 + out + k))
    if (sides) return { ...card, color: ground.color, radius: 0 }
  }
  return null
}

/** A picture beside a card is worth one of its own from this height on, px of the email. */
const LEFT = 40
/** Where one colour has this share of it there is no picture. */
const ALL_PLAIN = 0.98

/**
 * Where words of a band stand on a card that overlaps a picture, they are on a box of their own below it: what of the picture is seen above the card, and below it, stays. Mail programs lay nothing over
 * another. @param on ids of the cuts with words that cannot be parted from them
 */
export function withCards(found: Autocut, on: ReadonlySet<string>, by: WordedBy): Autocut {
  const { raster, scale, id = newId } = by
  const tops = [0, ...found.edges.map((e) => e.y)]
  let { cuts, panels } = found
  for (const [i, y] of tops.entries()) {
    const band = { x: 0, y, w: raster.width, h: (tops[i + 1] ?? raster.height) - y }
    const picture = cuts.find((c) => on.has(c.id) && c.y >= band.y - 1 && c.y + c.h <= band.y + band.h + 1)
    if (!picture) continue
    const lines = by.lines.filter((l) => l.y >= band.y && l.y + l.h <= band.y + band.h)
    const card = cardOn(raster, band, lines, scale)
    if (card && (overlap(card, picture)?.h ?? 0) < OVER * scale) continue
    const said = card && cutsOn(card, lines, picture, { raster, scale, id })
    if (!card || !said) continue
    const under = card.y + card.h
    const above = { ...picture, h: card.y - picture.y }
    const [head, top] = headOf(raster, above, lines, id)
    const heading = head && partedFrom(raster, head, linesIn(lines, head), { scale, id, all: true })
    const seen = [heading ? top : above, { ...picture, y: under, h: picture.y + picture.h - under }].filter(
      (p) => p.h >= LEFT * scale && groundOf(raster, p).share < ALL_PLAIN,
    )
    const apart = cuts.filter((c) => c !== picture && !overlap(c, card))
    // Others than before: what stood on it is apart from it now, so that it lies behind nothing.
    const pictures = seen.map((p) => ({ ...p, id: id(), alt: null }))
    cuts = [...apart, ...(heading ?? []), ...pictures, ...said]
    panels = [...panels.filter((p) => !overlap(p, card)), ...aroundCard(raster, band, card), card]
  }
  return { ...found, panels, cuts: cuts.sort((a, b) => a.y - b.y || a.x - b.x) }
}

/** What a card stands on where a picture is beside it: a box from side to side in the colour that this is on the whole; none where it ends on a plain ground. */
function aroundCard(raster: Raster, band: Rect, { y, h, x, w }: Panel): Panel[] {
  const sides: Rect[] = [
    { x: band.x, y, w: x - band.x, h },
    { x: x + w, y, w: band.x + band.w - x - w, h },
  ]
  // Where the picture ends before the card does, that stands on the page.
  const under = { x: band.x, y: Math.min(raster.height - 1, y + h + 1), w: band.w, h: 1 }
  if (groundOf(raster, under).share >= PLAIN_ROW) return []
  return [{ x: band.x, y, w: band.w, h, color: meanOf(raster, sides), radius: 0 }]
}

/** The colour of some places on the whole: every eighth pixel both ways. */
function meanOf({ data, width }: Raster, places: readonly Rect[]): string {
  const sum = [0, 0, 0]
  let n = 0
  for (const { x, y, w, h } of places)
    for (let row = y; row < y + h; row += 8)
      for (let column = x; column < x + w; column += 8, n++)
        for (const c of [0, 1, 2]) sum[c]! += data[4 * (row * width + column) + c]!
  const [r, g, b] = sum.map((v) => Math.round(v / Math.max(1, n)))
  return hexOf(pack(r!, g!, b!))
}

const linesIn = (lines: readonly ReadLine[], place: Rect): ReadLine[] =>
  lines.filter((l) => share(l, place) >= INSIDE)

/** A plain head with words above a picture that was taken for one with it, and that picture; no head where there is none. */
function headOf(
  raster: Raster,
  whole: Cut,
  lines: readonly ReadLine[],
  id: NewId,
): [head: Cut | null, picture: Cut] {
  const own = linesIn(lines, whole)
  if (!own.length) return [null, whole]
  const end = whole.y + whole.h
  let y = Math.ceil(Math.max(...own.map((l) => l.y + l.h)))
  while (y < end && groundOf(raster, { ...whole, y, h: 1 }).share >= PLAIN_ROW) y++
  if (y >= end) return [null, whole]
  return [
    { ...whole, id: id(), alt: null, h: y - whole.y },
    { ...whole, y, h: end - y },
  ]
}

/** What stands on a card, as cuts. */
function cutsOn(
  { x, y, w, h }: Rect,
  lines: readonly ReadLine[],
  like: Cut,
  { raster, scale, id }: Required<Pick<WordedBy, 'raster' | 'scale' | 'id'>>,
): Cut[] | null {
  const by = Math.round(INSIDE_EDGE * scale)
  const inner = { x: x + by, y: y + by, w: w - 2 * by, h: h - 2 * by }
  const own = linesIn(lines, inner)
  const cut: Cut = { ...like, ...inner, id: id(), kind: 'picture', alt: null, words: null }
  return partedFrom(raster, cut, own, { scale, id, boxes: boxesOn(raster, inner, scale), all: true })
}

/** An edge of a card is no wider, px of the email. */
const INSIDE_EDGE = 3

const whole = ({ x, y, w, h }: Rect): Rect => ({
  x: Math.floor(x),
  y: Math.floor(y),
  w: Math.ceil(w) + 1,
  h: Math.ceil(h) + 1,
})
