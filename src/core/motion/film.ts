import type { Area, FilmMade } from './made'

/** What is shown of a film at a moment. */
export type FilmMoment = {
  /** ms in the film */
  film: number
  area: Area
  /** Whether the closing words are over it. */
  closing: boolean
}

/** How long the clips are together, ms. */
export const clipsLength = ({ clips }: Pick<FilmMade, 'clips'>): number =>
  clips.reduce((sum, c) => sum + Math.max(0, c.to - c.from), 0)

/** How long all of it is, ms. */
export const filmLength = (made: Pick<FilmMade, 'clips' | 'closing'>): number =>
  clipsLength(made) + (made.closing?.ms ?? 0)

const between = (a: number, b: number, part: number): number => a + (b - a) * part

/** What is shown at a moment of the sequence. @param t ms */
export function filmAt(made: Pick<FilmMade, 'clips' | 'closing'>, t: number): FilmMoment {
  let start = 0
  for (const clip of made.clips) {
    const length = clip.to - clip.from
    if (t < start + length) {
      const part = (t - start) / length
      const to = clip.areaTo ?? clip.area
      const area = {
        x: between(clip.area.x, to.x, part),
        y: between(clip.area.y, to.y, part),
        w: between(clip.area.w, to.w, part),
      }
      return { film: clip.from + t - start, area, closing: false }
    }
    start += Math.max(0, length)
  }
  const last = made.clips.at(-1)!
  // The last frame is the one before the clip's end.
  return { film: Math.max(last.from, last.to - 1), area: last.areaTo ?? last.area, closing: true }
}

/** The rectangle of a film's picture that an area stands for, within the picture; px of the film. @param ratio of the slot: width by height */
export function areaRect(area: Area, film: { width: number; height: number }, ratio: number) {
  const w = Math.min(area.w * film.width, film.height * ratio, film.width)
  const h = w / ratio
  const x = Math.max(0, Math.min(film.width - w, area.x * film.width - w / 2))
  const y = Math.max(0, Math.min(film.height - h, area.y * film.height - h / 2))
  return { x, y, w, h }
}

/** Part of a film or of what is shown, ms. */
export interface Span {
  from: number
  to: number
}

/** What of a span is taken hold of: all of it, or one of its ends. */
export type Hold = 'whole' | 'from' | 'to'

/** A span is no shorter than this, ms: readers show no frame for less than a twentieth of it. */
const SHORTEST_SPAN = 100

/**
 * A span that is moved, or of which one end is. It stays within what there is, and as long as it was where all of it is moved.
 * @param by ms
 * @param most the end of what there is, ms
 */
export function moveSpan<S extends Span>(span: S, hold: Hold, by: number, most: number): S {
  const within = (v: number, least: number, end: number) => Math.round(Math.max(least, Math.min(end, v)))
  const { from, to } = span
  if (hold === 'from') return { ...span, from: within(from + by, 0, Math.max(0, to - SHORTEST_SPAN)) }
  if (hold === 'to') return { ...span, to: within(to + by, from + SHORTEST_SPAN, Math.max(most, to)) }
  const start = within(from + by, 0, Math.max(0, most - (to - from)))
  return { ...span, from: start, to: Math.round(start + to - from) }
}
