import { groundOf } from '../ground'
import { differs, packed, packHex, type Raster, type Rect } from '../raster'

/** A rim of which this share is of one colour is a ground that words stand on. */
export const FLAT = 0.75
/** How far around what was seen its ground is looked at, px of the email. */
const RIM = 2
/** Colours are nearly one within this, channel difference, in that share of a rim: a slope of colour that is hardly seen. */
const [NEARLY, ALL] = [16, 0.95]

/** The ground that words of a place stand on, where it is of one colour or nearly; null where it is a picture's. @param scale design px for each px of the email */
export function plainGround(raster: Raster, around: Rect, scale: number): string | null {
  const place = grown(around, Math.round(RIM * scale), raster)
  const ground = groundOf(raster, place)
  if (ground.share >= FLAT) return ground.color
  const px = packed(raster)
  const behind = packHex(ground.color)
  let [near, all] = [0, 0]
  const see = (x: number, y: number) => {
    all++
    if (!differs(px[y * raster.width + x]!, behind, NEARLY)) near++
  }
  for (let x = place.x; x < place.x + place.w; x++) {
    see(x, place.y)
    see(x, place.y + place.h - 1)
  }
  for (let y = place.y; y < place.y + place.h; y++) {
    see(place.x, y)
    see(place.x + place.w - 1, y)
  }
  return near >= ALL * all ? ground.color : null
}

/** What is drawn around words before they are read: their ground, also where a bold figure fills its rectangle to the edge. */
export function groundBehind(raster: Raster, rect: Rect): string {
  const own = groundOf(raster, rect)
  if (own.share >= FLAT) return own.color
  const around = groundOf(raster, grown(rect, BEYOND, raster))
  return around.share > own.share ? around.color : own.color
}
const BEYOND = 3

/** A rectangle with some px more on each side, within the design. */
export function grown(r: Rect, by: number, { width, height }: Raster): Rect {
  const [x, y] = [Math.max(0, r.x - by), Math.max(0, r.y - by)]
  return { x, y, w: Math.min(width, r.x + r.w + by) - x, h: Math.min(height, r.y + r.h + by) - y }
}
