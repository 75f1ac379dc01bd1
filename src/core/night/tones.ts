import { contrast } from '../color/contrast'
import { ciede2000, toLab } from '../color/difference'
import { fromOklch, toOklch } from '../color/oklch'

/** Grounds lighter than the first, and of less chroma than the second unless nearly white, become dark; others stay (common practice, no source). */
const LIGHT = 0.72
const VIVID = 0.06
const NEARLY_WHITE = 0.9

/** Lightness of the page at night, and how much room lies above it for what is lighter by day. */
const PAGE = 0.2
const ROOM = 0.12

/** Chroma that a dark ground keeps at most: more would glow. */
const CALM = 0.05

/** Colours of the day that are told apart stay apart by this at least (CIEDE2000). */
const APART = 1.5

/** Colours darker than this are inks rather than marks of a brand (common practice, no source). */
const INK = 0.4

/** A hair more than is wanted, since colours are rounded to 8 bits. */
const SPARE = 1.02

/** The colour of a lightness and a hue with as much of a chroma as sRGB holds. */
function held(L: number, C: number, h: number): string {
  for (let chroma = C; chroma > 0; chroma -= 0.005) {
    const color = fromOklch([L, chroma, h])
    if (color) return color
  }
  return fromOklch([Math.max(0, Math.min(1, L)), 0, h]) ?? '#ffffff'
}

/**
 * Colours of the night for those of the day, in OKLCH (CSS Color 4, 9.4): hues stay, what is lighter than the page by day is so at night, and no two
 * colours of the day become one.
 */
export class NightTones {
  private readonly grounds = new Map<string, string>()
  private readonly inks = new Map<string, string>()
  private readonly shift: number

  /** @param page the ground behind everything, by day */
  constructor(page: string) {
    const [l, c] = toOklch(page)
    this.shift = darkens(l, c) ? PAGE - depth(l) : 0
  }

  /** A ground at night; one that is dark or vivid stays. */
  ground(day: string): string {
    const known = this.grounds.get(day)
    if (known) return known
    const [l, c, h] = toOklch(day)
    let night = day
    if (darkens(l, c)) {
      let to = Math.max(0.1, depth(l) + this.shift)
      night = held(to, Math.min(c, CALM), h)
      while (this.grounds.size < 200 && taken(this.grounds, night) && to < 0.45)
        night = held((to += 0.012), Math.min(c, CALM), h)
    }
    this.grounds.set(day, night)
    return night
  }

  /**
   * An ink at night that is read on all of some grounds; null where none is, as on dark and light ones at once.
   * @param wanted contrast (WCAG 2.2, 1.4.3)
   */
  ink(day: string, on: readonly string[], wanted = 4.5): string | null {
    const key = `${day} ${[...new Set(on)].sort().join()} ${wanted}`
    const known = this.inks.get(key)
    if (known) return known
    const found = this.readable(day, on, wanted)
    if (found) this.inks.set(key, found)
    return found
  }

  private readable(day: string, on: readonly string[], wanted: number): string | null {
    const reads = (ink: string) => on.every((g) => contrast(ink, g) >= wanted * SPARE)
    const [l, c, h] = toOklch(day)
    const dark = on.every((g) => toOklch(g)[0] < 0.5)
    const neutral = c < 0.04
    // Greys keep their rank, and so does what is dark in any hue, as inks are: the darkest by day is the lightest at night.
    const begin = dark && l < (neutral ? 0.7 : INK) ? 1.1 - 0.75 * l : l
    if (begin === l && reads(day)) return day
    const step = dark ? 0.01 : -0.01
    for (let to = begin; to >= 0 && to <= 1.001; to += step) {
      const ink = held(Math.min(1, to), c, h)
      if (reads(ink) && !this.confused(day, ink, on)) return ink
    }
    // Rather two alike than one that cannot be read.
    const last = dark ? '#ffffff' : '#000000'
    return reads(last) ? last : null
  }

  /** Whether another ink of the day has become the same on these grounds. */
  private confused(day: string, ink: string, on: readonly string[]): boolean {
    const grounds = ` ${[...new Set(on)].sort().join()} `
    return [...this.inks].some(
      ([key, other]) =>
        key.includes(grounds) && !key.startsWith(day) && ciede2000(toLab(other), toLab(ink)) < APART,
    )
  }

  /** A line at night: it stands off its ground as it does by day, so that a quiet one stays quiet. */
  line(day: string, dayGround: string, nightGround: string): string {
    if (dayGround === nightGround) return day
    const [l, c, h] = toOklch(day)
    const off = Math.abs(l - toOklch(dayGround)[0])
    // One that is loud by its hue stays as it is where it is seen.
    if (c >= VIVID && contrast(day, nightGround) >= 1.5) return day
    return held(Math.min(0.95, toOklch(nightGround)[0] + off), c, h)
  }
}

const darkens = (l: number, c: number): boolean => l > LIGHT && (c < VIVID || l > NEARLY_WHITE)

/** How far above black a light ground comes: near white a step of the day is a larger one of the night, so that cards are told from the page. */
const depth = (l: number): number => PAGE + ROOM * ((l - LIGHT) / (1 - LIGHT)) ** 3

const taken = (colors: ReadonlyMap<string, string>, night: string): boolean =>
  [...colors.values()].some((other) => ciede2000(toLab(other), toLab(night)) < APART)
