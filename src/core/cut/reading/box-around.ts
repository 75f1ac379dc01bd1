import type { BoxLook } from '../plan'
import { inkOf } from './letters-on'
import type { ReadLine } from './lines'
import { difference, hexOf, packed, packHex, type Raster, type Rect } from '../raster'

/** What a button on a picture measures, px of the email. */
const SIZE = { w: [60, 420], h: [24, 80] } as const
/** Its label is no longer than this, letters. */
const LABEL = 32
/** Its edge is looked for so far above and below its words, of their size. */
const FAR = 2.2
/** Colours are one within this, channel difference; an edge is of the ink within that. */
const SAME = 10
const LIKE_INK = 70
/** Beyond a filled button the colour is another by more than this, channel difference. */
const ENDS = 20
/** A side is a line, or a colour ends along it, in so much of what its words reach. */
const ALONG = 0.9

/**
 * The button whose label a line is, where it stands on a picture: of one colour around its words, or with an edge of their ink. Null where nothing tells of one.
 */
export function boxAround(
  raster: Raster,
  line: ReadLine,
  scale: number,
): { rect: Rect; box: BoxLook } | null {
  if (line.text.length > LABEL) return null
  // What an outline holds may be of one soft colour, too.
  const found = outlinedAround(raster, line) ?? filledAround(raster, line)
  if (!found) return null
  const { rect, box } = found
  const [w, h] = [rect.w / scale, rect.h / scale]
  if (w < SIZE.w[0] || w > SIZE.w[1] || h < SIZE.h[0] || h > SIZE.h[1]) return null
  return {
    rect,
    box: {
      ...box,
      // As the email has it.
      radius: Math.min(200, Math.round(box.radius / scale)),
      ...(box.borderWidth ? { borderWidth: Math.max(1, Math.round(box.borderWidth / scale)) } : {}),
    },
  }
}

/** One colour all around the words, which ends at four straight sides. */
function filledAround(raster: Raster, line: ReadLine): { rect: Rect; box: BoxLook } | null {
  const px = packed(raster)
  const { width, height } = raster
  const at = (x: number, y: number) =>
    px[Math.min(height - 1, Math.max(0, y)) * width + Math.min(width - 1, Math.max(0, x))]!
  const near = Math.round(0.3 * line.size)
  const [left, right] = [Math.round(line.x) - near, Math.round(line.x + line.w) + near]
  const [top, bottom] = [Math.round(line.y) - near, Math.round(line.y + line.h) + near]
  const color = at(left, (top + bottom) >> 1)
  const plain = (y: number) => {
    let n = 0
    for (let x = left; x <= right; x++) if (difference(at(x, y), color) <= SAME) n++
    return n / (right - left + 1)
  }
  const upright = (x: number) => {
    let n = 0
    for (let y = top; y <= bottom; y++) if (difference(at(x, y), color) <= SAME) n++
    return n / (bottom - top + 1)
  }
  if ([plain(top), plain(bottom), upright(left), upright(right)].some((s) => s < 0.98)) return null
  const far = Math.round(FAR * line.size)
  let [t, b, l, r] = [top, bottom, left, right]
  while (t > 0 && top - t < far && plain(t - 1) >= ALONG) t--
  while (b < height - 1 && b - bottom < far && plain(b + 1) >= ALONG) b++
  // Its ends may be round: they reach as far as its middle does.
  const goesTo = (x: number) => difference(at(x, (top + bottom) >> 1), color) <= SAME
  while (l > 0 && left - l < 6 * far && goesTo(l - 1)) l--
  while (r < width - 1 && r - right < 6 * far && goesTo(r + 1)) r++
  if (top - t >= far || b - bottom >= far || left - l >= 6 * far || r - right >= 6 * far) return null
  // It ends at once: a slope of colour fades.
  const ends = (y: number) => {
    let n = 0
    for (let x = left; x <= right; x++) if (difference(at(x, y), color) > ENDS) n++
    return n >= ALONG * (right - left + 1)
  }
  if (!ends(t - 2) || !ends(b + 2)) return null
  // The words stand in its middle.
  const off = Math.abs(line.y + line.h / 2 - (t + b) / 2)
  if (off > 0.25 * (b - t) || Math.abs(line.x + line.w / 2 - (l + r) / 2) > 0.15 * (r - l)) return null
  const rect = { x: l, y: t, w: r - l + 1, h: b - t + 1 }
  const corner =
    difference(at(l + 1, t + 1), color) > SAME
      ? Math.min(
          rect.h / 2,
          cornerOf(rect, (x, y) => difference(at(x, y), color) <= SAME),
        )
      : 0
  return { rect, box: { background: hexOf(color), radius: corner } }
}

/** How far a corner is cut, along its upper side, px. */
function cornerOf(rect: Rect, inside: (x: number, y: number) => boolean): number {
  let n = 0
  while (n < rect.w / 2 && !inside(rect.x + n, rect.y + 1)) n++
  return n
}

/** A line of the words' own ink above and below them, and at both sides. */
function outlinedAround(raster: Raster, line: ReadLine): { rect: Rect; box: BoxLook } | null {
  const px = packed(raster)
  const { width, height } = raster
  const ink = packHex(inkOf(raster, line))
  const inked = (x: number, y: number) =>
    x >= 0 && x < width && y >= 0 && y < height && difference(px[y * width + x]!, ink) <= LIKE_INK
  const [left, right] = [Math.round(line.x), Math.round(line.x + line.w)]
  const row = (y: number) => {
    let n = 0
    for (let x = left; x <= right; x++) if (inked(x, y)) n++
    return n / (right - left + 1) >= ALONG
  }
  const least = Math.round(0.3 * line.size),
    far = Math.round(FAR * line.size)
  const look = (from: number, way: 1 | -1) => {
    for (let k = least; k <= far; k++) if (row(from + way * k)) return from + way * k
    return null
  }
  const [above, below] = [look(Math.round(line.y), -1), look(Math.round(line.y + line.h), 1)]
  if (above === null || below === null) return null
  let thick = 1
  while (thick < line.size / 2 && row(above - thick)) thick++
  // As far as the upper line goes.
  let [l, r] = [left, right]
  while (l > 0 && inked(l - 1, above)) l--
  while (r < width - 1 && inked(r + 1, above)) r++
  const rect = { x: l, y: above - thick + 1, w: r - l + 1, h: below + thick - (above - thick + 1) }
  const inside = px[(above + 2) * width + left]!
  return {
    rect,
    box: { background: hexOf(inside), radius: 0, borderWidth: thick, borderColor: hexOf(ink) },
  }
}
