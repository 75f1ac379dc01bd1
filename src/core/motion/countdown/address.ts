import {
  countdownUnits,
  type Countdown,
  type CountdownColors,
  type countdownFaces,
  type CountdownUnit,
} from './schema'

/** What a server of countdowns draws: all of it stands in its address, so that any server can. */
export interface CountdownDesign {
  width: number
  height: number
  /** Pixels of the file for each that is shown. */
  density: number
  units: CountdownUnit[]
  labels: string[]
  rtl: boolean
  face: (typeof countdownFaces)[number]
  colors: CountdownColors
  radius: number
  over: string
}

const bare = (hex: string) => hex.replace('#', '')

/**
 * The part of a countdown's address behind its `?`. Fields stay as they are written, for the sending platform to fill in.
 * @param size as shown, px
 */
export function countdownAddress(
  made: Countdown,
  colors: CountdownColors,
  { width, height, density }: Pick<CountdownDesign, 'width' | 'height' | 'density'>,
): string {
  const { until } = made
  const q = new URLSearchParams()
  if (until.kind === 'moment') {
    q.set('to', until.at)
    q.set('in', until.zone)
  } else q.set('span', String(until.seconds))
  q.set('w', String(Math.round(width)))
  q.set('h', String(Math.round(height)))
  if (density > 1) q.set('x', String(Math.min(2, density)))
  const units = countdownUnits.filter((u) => made.units.includes(u))
  q.set('u', units.map((u) => u[0]).join(''))
  q.set('l', units.map((u) => made.labels[u].replaceAll('|', ' ')).join('|'))
  if (made.rtl) q.set('rtl', '1')
  q.set('f', made.face)
  q.set('c', bare(colors.digits))
  q.set('lc', bare(colors.labels))
  q.set('g', bare(colors.ground))
  if (colors.box) q.set('b', bare(colors.box))
  if (made.radius) q.set('r', String(made.radius))
  if (made.over) q.set('over', made.over)
  const key = until.kind === 'span' ? `&key=[[${until.field}]]` : ''
  return q.toString() + key
}
