import { mix } from '../color/mix'
import type { PictureRef } from '../picture/ref'
import type { Tones } from './tones'

/**
 * Pictures of starters: small mosaics in the client's colours, to be replaced by the client's own. A shape is a test of a place (x and y
 * from 0 to 1, y down; `aspect` is width over height) and the tone it is laid in.
 */
type Tone = 'sky' | 'pale' | 'accent' | 'mid' | 'deep'
type Shape = [tone: Tone, inside: (x: number, y: number, aspect: number) => boolean]

const circle =
  (cx: number, cy: number, r: number) =>
  (x: number, y: number, aspect: number): boolean =>
    Math.hypot((x - cx) * aspect, y - cy) < r
const under =
  (line: (x: number) => number) =>
  (x: number, y: number): boolean =>
    y > line(x)
const wave = (base: number, high: number, times: number, shift = 0) =>
  under((x) => base + high * Math.sin(x * times + shift))

const motifs = {
  hills: [
    ['accent', circle(0.72, 0.36, 0.17)],
    ['pale', wave(0.62, 0.08, 5)],
    ['mid', wave(0.74, 0.07, 7, 2)],
    ['deep', wave(0.86, 0.05, 6, 4)],
  ],
  water: [
    ['accent', circle(0.3, 0.5, 0.2)],
    ['mid', (x, y) => y > 0.5 && Math.sin(x * 14 + Math.floor(y * 12) * 2) > -0.4],
    ['deep', (x, y) => y > 0.56 && Math.sin(x * 11 + Math.floor(y * 12) * 3) > 0.5],
  ],
  leaf: [
    [
      'mid',
      (x, y, a) => Math.hypot((x - 0.4) * a, y - 0.5) < 0.42 && Math.hypot((x - 0.6) * a, y - 0.4) < 0.42,
    ],
    ['accent', (x, y, a) => Math.abs((x - 0.5) * a + (y - 0.5) * 0.7) < 0.035 && y > 0.12 && y < 0.95],
    ['deep', (x, y) => y > 0.93 && Math.abs(x - 0.5) < 0.4],
  ],
  arch: [
    ['deep', (x, y, a) => Math.abs((x - 0.5) * a) < 0.34 && y > 0.42],
    ['deep', circle(0.5, 0.44, 0.34)],
    ['pale', (x, y, a) => Math.abs((x - 0.5) * a) < 0.24 && y > 0.44],
    ['pale', circle(0.5, 0.46, 0.24)],
    ['accent', circle(0.5, 0.62, 0.11)],
    ['mid', under(() => 0.9)],
  ],
  path: [
    ['pale', under(() => 0.42)],
    ['mid', (x, y) => y > 0.42 && Math.abs(x - 0.5 - 0.12 * Math.sin(y * 9)) < (y - 0.36) * 0.42],
    ['accent', circle(0.24, 0.3, 0.12)],
    ['deep', (x, y) => y > 0.3 && y < 0.5 && Math.abs(x - 0.82) < (y - 0.28) * 0.4],
  ],
  lantern: [
    ['deep', (x, y, a) => Math.abs((x - 0.5) * a) < 0.2 && y > 0.24 && y < 0.82],
    ['accent', (x, y, a) => Math.abs((x - 0.5) * a) < 0.13 && y > 0.34 && y < 0.74],
    ['pale', circle(0.5, 0.54, 0.08)],
    ['mid', (x, y, a) => Math.abs((x - 0.5) * a) < 0.04 && y < 0.26],
  ],
  boat: [
    ['accent', (x, y) => y < 0.6 && x > 0.5 && x - 0.5 < (y - 0.12) * 0.5],
    ['mid', (x, y) => y < 0.6 && x < 0.48 && 0.48 - x < (y - 0.2) * 0.4],
    ['deep', (x, y) => y > 0.62 && y < 0.76 && Math.abs(x - 0.5) < 0.3 - (y - 0.62) * 0.7],
    ['pale', wave(0.8, 0.03, 16)],
  ],
  star: [
    ['mid', circle(0.5, 0.5, 0.4)],
    ['accent', (x, y, a) => Math.abs((x - 0.5) * a) + Math.abs(y - 0.5) < 0.3],
    ['deep', circle(0.5, 0.5, 0.1)],
  ],
} satisfies Record<string, Shape[]>

export type Motif = keyof typeof motifs
export const motifNames = Object.keys(motifs) as [Motif, ...Motif[]]

/** Lines of grout between the stones, and most stones along the longer side. */
const GROUT = 0.08
const STONES = 30

/** What is drawn, and how large: px of the picture, twice what is shown. */
export interface Drawing {
  motif: Motif
  width: number
  height: number
  /** Whether a mark for playing lies on it. */
  play?: boolean
}

/** The colours of a drawing. */
export type DrawnIn = Pick<Tones, 'tint' | 'accent' | 'deep'>

/** A drawing as SVG. */
export function drawn({ motif, width, height, play }: Drawing, colors: DrawnIn): string {
  const tones: Record<Tone, string> = {
    sky: mix(colors.tint, colors.accent, 0.1),
    pale: mix(colors.tint, colors.accent, 0.28),
    accent: colors.accent,
    mid: mix(colors.accent, colors.deep, 0.5),
    deep: colors.deep,
  }
  const stone = Math.max(width, height) / STONES
  const [across, down] = [Math.round(width / stone), Math.round(height / stone)]
  const [w, h] = [width / across, height / down]
  const grout = GROUT * stone
  const paths = new Map<string, string>()
  for (let j = 0; j < down; j++)
    for (let i = 0; i < across; i++) {
      const shapes: Shape[] = motifs[motif]
      const at = shapes.findLast(([, inside]) => inside((i + 0.5) / across, (j + 0.5) / down, width / height))
      const fill = shade(tones[at?.[0] ?? 'sky'], i, j)
      const stoneAt = `M${fixed(i * w + grout / 2)} ${fixed(j * h + grout / 2)}h${fixed(w - grout)}v${fixed(h - grout)}h${fixed(grout - w)}z`
      paths.set(fill, `${paths.get(fill) ?? ''}${stoneAt}`)
    }
  const stones = [...paths].map(([fill, d]) => `<path fill="${fill}" d="${d}"/>`).join('')
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}"><path fill="${colors.tint}" d="M0 0h${width}v${height}H0z"/>${stones}${play ? playMark(width, height, colors) : ''}</svg>`
}

const fixed = (n: number): string => String(Math.round(n * 10) / 10)

/** No two stones beside each other are quite alike. */
const shade = (color: string, i: number, j: number): string =>
  mix(color, '#ffffff', [0, 0.05, 0.1, 0.03][(i * 7 + j * 13 + i * j) % 4]!)

function playMark(width: number, height: number, { deep, tint }: DrawnIn): string {
  const [x, y, r] = [width / 2, height / 2, Math.min(width, height) * 0.16]
  const side = r * 0.5
  return `<circle cx="${x}" cy="${y}" r="${r}" fill="${deep}"/><path fill="${tint}" d="M${x - side * 0.7} ${y - side}L${x + side} ${y}L${x - side * 0.7} ${y + side}z"/>`
}

const BEGINS = 'mosaic|'

/** A drawing as the picture of a tile, before it is made: its id says what is to be drawn (hexadecimal, as ids are). */
export function refOf({ motif, width, height, play }: Drawing): PictureRef {
  const said = `${BEGINS}${motif}|${width}|${height}${play ? '|p' : ''}`
  const id = [...said]
    .map((c) => c.charCodeAt(0).toString(16).padStart(2, '0'))
    .join('')
    .padEnd(64, '0')
  return { id, type: 'image/png', width, height, bytes: 1 }
}

/** What a picture's id says is to be drawn; null of one that is kept. */
export function drawingOf({ id }: Pick<PictureRef, 'id'>): Drawing | null {
  const codes = (id.match(/../g) ?? []).map((c) => parseInt(c, 16))
  const said = String.fromCharCode(...codes.filter((c) => c > 0))
  if (!said.startsWith(BEGINS)) return null
  const [, motif, width, height, play] = said.split('|')
  return {
    motif: motif as Motif,
    width: Number(width),
    height: Number(height),
    ...(play ? { play: true } : {}),
  }
}
