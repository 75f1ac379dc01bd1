import { inkOn } from '../color/contrast'
import type { Style } from '../email/cascade'
import type { ButtonStyle, Role } from '../email/styles'
import type { PictureRef } from '../picture/ref'
import type { Letters } from './letters-schema'
import type { CountdownColors } from './countdown/schema'
import { BUDGET, motionDefaults, type Made, type Motion } from './schema'

/** What a moving picture begins with: the words, the picture, the size and the ground of the tile it stands in, in the client's own style. */
export interface Beginning {
  style: Style
  role: Role
  /** Colour behind the tile. */
  ground: string
  night: string
  /** px */
  width: number
  height: number
  /** What the tile says, or what its picture says. */
  words: string
  picture: PictureRef | null
  /** How its words are set, and how its button looks, where it takes the place of such. */
  letters?: Letters
  button?: ButtonStyle
  lang: string
  /** When a countdown ends where nobody has said: a wall time, `2026-12-24T18:00`. */
  soon: string
  zone: string
}

type Kind = Exclude<Made['kind'], 'strip' | 'film'>

/** Pictures a second of a story. */
const STORY_RATE = 8

/** Makes what a tile holds move. Null where the kind needs a picture and there is none. */
export function beginMotion(kind: Kind, b: Beginning): Motion | null {
  const made = begin[kind](b)
  // Photographs that go over into each other are most of a story's bytes.
  const rate = kind === 'story' ? STORY_RATE : motionDefaults.rate
  return made && { ...motionDefaults, rate, budget: BUDGET, made, height: Math.max(1, Math.round(b.height)) }
}

function lettersOf(b: Beginning): Letters {
  if (b.letters) return b.letters
  const { text } = b.style.roles[b.role]
  const size = Math.max(12, Math.min(text.heading2.size, b.height * 0.6))
  return {
    font: text.heading2.font,
    size,
    bold: text.heading2.bold,
    color: inkOn(b.ground, text.heading2.color),
    align: 'center',
  }
}

const linesOf = (words: string): string[] => {
  const lines = words
    .split(/\n+|(?<=[.!?])\s+/)
    .map((l) => l.trim())
    .filter(Boolean)
  return lines.slice(0, 6)
}

const ms = { hold: 1400, turn: 500 }

const countdownColors = (ground: string, ink: string): CountdownColors => ({
  digits: inkOn(ground, ink),
  labels: inkOn(ground, ink),
  ground,
  box: null,
})

const begin: { [K in Kind]: (b: Beginning) => Extract<Made, { kind: K }> | null } = {
  headline: (b) => {
    const says = linesOf(b.words)
    return {
      kind: 'headline',
      says: says.length > 1 ? says : [says[0] ?? 'First line', 'And the next'],
      change: 'fade',
      letters: lettersOf(b),
      ground: b.ground,
      ...ms,
    }
  },
  number: (b) => ({
    kind: 'number',
    from: 0,
    to: Number(/\d+/.exec(b.words)?.[0] ?? 25),
    decimals: 0,
    before: '',
    after: /\d+(.{0,6})/.exec(b.words)?.[1]?.trimEnd() ?? ' %',
    lang: b.lang,
    letters: lettersOf(b),
    ground: b.ground,
    count: 1400,
    hold: 1600,
  }),
  button: (b) => {
    const main = b.button ?? b.style.roles[b.role].button.main
    const [first = 'See more', second = first] = linesOf(b.words)
    const face = main.background
    return {
      kind: 'button',
      states: [
        { says: first, face, ink: inkOn(face, main.color) },
        { says: second, face: main.color, ink: inkOn(main.color, face) },
      ],
      letters: b.button ? lettersOf(b) : { ...lettersOf(b), size: Math.min(20, b.height * 0.45), bold: true },
      ground: b.ground,
      radius: main.radius,
      hold: 1200,
      turn: 400,
    }
  },
  story: (b) =>
    b.picture && {
      kind: 'story',
      scenes: [
        { picture: b.picture, caption: b.words.slice(0, 80), move: 'closer' },
        { picture: b.picture, caption: '', move: 'left' },
      ],
      letters: { ...lettersOf(b), size: 22, color: inkOn('#1b1f22', '#ffffff') },
      plate: '#1b1f22',
      ...ms,
    },
  drift: (b) =>
    b.picture && {
      kind: 'drift',
      picture: b.picture,
      piece: b.picture,
      at: { x: 0.3, y: 0.3, w: 0.4, h: 0.4 },
      patch: null,
      move: 'drift',
      far: 8,
      way: 270,
      shade: '#101820',
      round: 3000,
    },
  glint: (b) =>
    b.picture && { kind: 'glint', picture: b.picture, color: '#ffffff', width: 30, pass: 900, rest: 1600 },
  faces: (b) => ({
    kind: 'faces',
    says: linesOf(b.words)[0] ?? 'Name',
    faces: ['serif', 'sans', 'mono', 'times'],
    letters: lettersOf(b),
    ground: b.ground,
    each: 700,
  }),
  countdown: (b) => ({
    kind: 'countdown',
    until: { kind: 'moment', at: b.soon, zone: b.zone },
    units: ['days', 'hours', 'minutes', 'seconds'],
    labels: { days: 'days', hours: 'hours', minutes: 'minutes', seconds: 'seconds' },
    face: 'sans',
    colors: countdownColors(b.ground, b.style.roles[b.role].text.heading2.color),
    ...(b.night !== b.ground && {
      night: countdownColors(b.night, b.style.roles[b.role].text.heading2.nightColor ?? '#ffffff'),
    }),
    radius: 4,
    over: linesOf(b.words)[0] ?? 'It has begun',
    server: '',
  }),
}
