import { groundOf, type Ground } from '../ground'
import { TALLEST_LINE } from '../judge'
import { looksOf } from '../looks'
import { around, difference, differs, packHex, type Raster, type Rect } from '../raster'
import { PLAIN } from '../rows'
import { withoutSlope } from '../slopes'
import { area } from './area'
import { Finding, type Part, type PartsFound } from './finding'

export type { PanelFound, Part, PartsFound } from './finding'

/** A ring of which this share is one colour is that colour; of less it may be a slope; of still less, a picture. */
const ONE_COLOR = 0.9
const PICTURE = 0.55
/** A flat half beside a picture has this share of one colour at its rim. */
const FLAT = 0.7
/** A picture of at least so many colours is a photograph. */
const PHOTO_COLORS = 24
/** Where two halves may meet: so far from the sides, px of the email, and in so many of a hundred rows. */
const SEAM_MARGIN = 60
const SEAM = 0.88
/** Marks smaller than this are tiny; of so many that lie in so many places, px of the email, they are strewn. */
const TINY = 14
const PLACE = 12
const STREWN = 4
/** So small a share of the band, marks are pieces of one drawing where they are so many of all parts. */
const PIECE = 0.03
const PIECES = 0.6
/** A logo begins no further from the top than this, px of the email. */
const HEAD = 60
/** Its mark is no higher, px of the email; its lettering stands so near, and is no longer, both of the mark's height. */
const MOST_MARK = 52
const BESIDE_MARK = 0.7
const LETTERS = 0.3
const LETTERING = 7
/** A word of two or three letters is no wider than this, of its height. */
const SHORT_WORD = 2.8
/** Drawings that reach across this share of the band, if half of them do, are strips of one scene. */
const ACROSS = 0.85

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
  const ground = groundOf(raster, band, Math.min(8, Math.floor(band.h / 10)))
  // A ring that is mostly one colour is a ground to stand on; else the band is a picture as a whole.
  const even = ground.share < ONE_COLOR ? withoutSlope(raster, band) : null
  if (!even) return takeBand(new Finding(raster, scale, noise, seams), band, ground)
  const flat = { x: 0, y: 0, w: band.w, h: band.h }
  const found = takeBand(
    new Finding(even, scale, noise, seams),
    flat,
    groundOf(even, flat, Math.min(8, Math.floor(band.h / 10))),
  )
  const moved = <T extends Rect>(r: T): T => ({ ...r, x: r.x + band.x, y: r.y + band.y })
  return {
    parts: found.parts.map((p) => ({ ...moved(p), frame: moved(p.frame), sure: 0.85 * p.sure })),
    panels: found.panels.map(moved),
  }
}

function takeBand(f: Finding, band: Rect, ground: Ground): PartsFound {
  if (ground.share < PICTURE) return takePicture(f, band, ground)
  area(f, { rect: band, ground: ground.color, frame: band, depth: 0, radius: 0 })
  likeNeighbours(f)
  if (band.y < HEAD * f.scale) withLettering(f)
  if (isScene(f, band)) {
    f.parts.length = f.panels.length = 0
    f.parts.push({ ...band, kind: 'drawing', sure: 0.55, frame: band, ground: ground.color })
  }
  if (!f.parts.length)
    f.parts.push({ ...band, kind: 'ground', sure: ground.share, frame: band, ground: ground.color })
  return f
}

/** A band without a ground of its own: one picture, or two halves side by side. */
function takePicture(f: Finding, band: Rect, ground: Ground): PartsFound {
  const seam = seamIn(f, band)
  if (seam) {
    // Each on a ground of its own or a picture.
    takeHalf(f, { ...band, w: seam - band.x })
    takeHalf(f, { ...band, x: seam, w: band.x + band.w - seam })
    return f
  }
  const looks = looksOf(f.raster, band, packHex(ground.color), f.noise)
  f.parts.push({
    ...band,
    kind: looks.colors >= PHOTO_COLORS ? 'photo' : 'drawing',
    sure: 0.9 - 0.4 * ground.share,
    frame: band,
    ground: ground.color,
  })
  return f
}

/** Whether what was found are pieces of one picture, which would only fall apart. */
function isScene(f: Finding, band: Rect): boolean {
  // Many small marks strewn over a ground that is not quite flat.
  const marks = f.parts.filter((p) => p.kind === 'drawing')
  const tiny = marks.filter((p) => Math.min(p.w, p.h) < TINY * f.scale)
  // Stars and grain lie anywhere; the points of a list stand in a column.
  const anywhere = (of: (p: Part) => number) =>
    new Set(tiny.map((p) => Math.round(of(p) / (PLACE * f.scale)))).size >= STREWN
  if (tiny.length >= STREWN && anywhere((p) => p.x) && anywhere((p) => p.y)) return true
  const small = marks.filter((p) => p.w * p.h < PIECE * band.w * band.h)
  if (marks.length >= STREWN && small.length >= PIECES * f.parts.length) return true
  // Or a scene that reaches from side to side, in several strips.
  const wide = marks.filter((p) => p.w > ACROSS * band.w)
  return marks.length > 1 && marks.length === f.parts.length && wide.length >= 0.5 * marks.length
}

/**
 * Where a column of pixels changes against its neighbour nearly all the way down, with a flat ground on one
 * side at least; null where nothing does.
 */
function seamIn(f: Finding, band: Rect): number | null {
  const margin = Math.round(SEAM_MARGIN * f.scale),
    step = Math.max(1, Math.floor(band.h / 160))
  let best = SEAM,
    at: number | null = null
  for (let x = band.x + margin; x < band.x + band.w - margin; x++) {
    let changed = 0,
      seen = 0
    for (let y = band.y + 2; y < band.y + band.h - 2; y += step, seen++) {
      const i = y * f.raster.width + x
      if (differs(f.px[i]!, f.px[i - 1]!, PLAIN)) changed++
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
  const flat = (r: Rect) => groundOf(f.raster, r, 4).share >= FLAT
  return flat({ ...band, w: at - band.x }) || flat({ ...band, x: at, w: band.x + band.w - at }) ? at : null
}

/** One of two halves of a band: a picture, or a panel with what stands on it. */
function takeHalf(f: Finding, rect: Rect): void {
  const ground = groundOf(f.raster, rect, 4)
  if (ground.share < PICTURE) {
    f.parts.push({ ...rect, kind: 'photo', sure: 0.85, frame: rect, ground: ground.color })
    return
  }
  f.panels.push({ ...rect, box: { color: ground.color, radius: 0 } })
  const before = f.parts.length
  // The rim of the other half is none of its content.
  const inner = { x: rect.x + 2, y: rect.y, w: rect.w - 4, h: rect.h }
  area(f, { rect: inner, ground: ground.color, frame: rect, depth: 1, radius: 0 })
  if (f.parts.length === before)
    f.parts.push({ ...rect, kind: 'ground', sure: ground.share, frame: rect, ground: ground.color })
}

/** A mark at the head of a design and the word beside it are one logo: its lettering is no running text. */
function withLettering(f: Finding): void {
  const s = f.scale
  for (const mark of [...f.parts]) {
    if ((mark.kind !== 'drawing' && mark.kind !== 'icons') || mark.h > MOST_MARK * s || mark.w > 1.7 * mark.h)
      continue
    const word = f.parts.find(
      (p) =>
        p.kind === 'words' &&
        p.x >= mark.x + mark.w &&
        p.x - mark.x - mark.w <= BESIDE_MARK * mark.h &&
        p.y + p.h / 2 > mark.y &&
        p.y + p.h / 2 < mark.y + mark.h &&
        p.h <= 1.2 * mark.h &&
        p.h >= LETTERS * mark.h &&
        p.w <= LETTERING * mark.h,
    )
    if (!word) continue
    const [at, whole] = [f.parts.indexOf(mark), around([mark, word])]
    f.parts[at] = { ...mark, ...whole, kind: 'drawing', sure: 0.7 }
    f.parts.splice(f.parts.indexOf(word), 1)
  }
}

/** A single letter or figure looks like a mark, but stands level with words of its height and ink. */
function likeNeighbours(f: Finding): void {
  const s = f.scale
  const inkOf = (p: Part) => looksOf(f.raster, p, packHex(p.ground), f.noise)
  for (const p of f.parts) {
    if (
      (p.kind !== 'drawing' && p.kind !== 'photo') ||
      p.h > TALLEST_LINE * s ||
      p.w > SHORT_WORD * p.h ||
      p.w < 0.15 * p.h
    )
      continue
    const level = f.parts.filter(
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
