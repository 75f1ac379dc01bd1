import { z } from 'zod'
import { fontSchema } from '../email/fonts'
import { colorSchema } from '../email/styles'
import { pictureRefSchema } from '../picture/ref'
import { lettersSchema, wordsSchema } from './letters-schema'

/** What lies behind: a colour, or nothing. */
const groundSchema = z.union([colorSchema, z.literal('clear')])

/** How long something is shown, ms. */
const msSchema = z.number().int().min(20).max(30_000)

/** One frame of a strip. */
export const stripFrameSchema = z.object({
  /** Which of the strip's pictures, and which frame of one that moves, from 0. */
  of: z.number().int().min(0).max(399),
  page: z.number().int().min(0).max(999),
  /** ms */
  delay: z.number().int().min(0).max(60_000),
})
export type StripFrame = z.infer<typeof stripFrameSchema>

export const stripSchema = z.object({
  kind: z.literal('strip'),
  pictures: z.array(pictureRefSchema).min(1).max(400),
  frames: z.array(stripFrameSchema).min(1).max(400),
})
export type Strip = z.infer<typeof stripSchema>

export const headlineSchema = z.object({
  kind: z.literal('headline'),
  /** What it says, one after the other. */
  says: z.array(wordsSchema).min(1).max(12),
  change: z.enum(['cut', 'fade', 'slide', 'type', 'letters']),
  letters: lettersSchema,
  ground: groundSchema,
  /** How long each is read, and how long the change takes, ms. */
  hold: msSchema,
  turn: msSchema,
})
export type Headline = z.infer<typeof headlineSchema>

export const numberSchema = z.object({
  kind: z.literal('number'),
  from: z.number().min(-1e9).max(1e9),
  to: z.number().min(-1e9).max(1e9),
  decimals: z.number().int().min(0).max(3),
  before: wordsSchema,
  after: wordsSchema,
  /** BCP 47: how the number is written. */
  lang: z.string().max(40),
  letters: lettersSchema,
  ground: groundSchema,
  count: msSchema,
  /** How long the last number stays, ms. */
  hold: msSchema,
})
export type CountedNumber = z.infer<typeof numberSchema>

export const buttonSchema = z.object({
  kind: z.literal('button'),
  states: z
    .array(z.object({ says: wordsSchema, face: colorSchema, ink: colorSchema }))
    .min(1)
    .max(6),
  letters: lettersSchema,
  ground: groundSchema,
  /** px */
  radius: z.number().int().min(0).max(200),
  hold: msSchema,
  turn: msSchema,
})
export type ChangingButton = z.infer<typeof buttonSchema>

export const storySchema = z.object({
  kind: z.literal('story'),
  scenes: z
    .array(
      z.object({
        picture: pictureRefSchema,
        caption: wordsSchema,
        move: z.enum(['none', 'closer', 'away', 'left', 'right']),
      }),
    )
    .min(1)
    .max(12),
  letters: lettersSchema,
  /** What captions stand on. */
  plate: colorSchema,
  hold: msSchema,
  /** How long one picture goes over into the next, ms. */
  turn: msSchema,
})
export type Story = z.infer<typeof storySchema>

export const glintSchema = z.object({
  kind: z.literal('glint'),
  picture: pictureRefSchema,
  color: colorSchema,
  /** Width of the light as a part of the slot's, %. */
  width: z.number().int().min(5).max(100),
  /** How long one takes to pass, and how long it is until the next, ms. */
  pass: msSchema,
  rest: msSchema,
})
export type Glint = z.infer<typeof glintSchema>

export const facesSchema = z.object({
  kind: z.literal('faces'),
  says: wordsSchema.min(1),
  /** Fonts that it is set in, one after the other. */
  faces: z.array(fontSchema).min(2).max(12),
  letters: lettersSchema,
  ground: groundSchema,
  each: msSchema,
})
export type Faces = z.infer<typeof facesSchema>

export const driftSchema = z.object({
  kind: z.literal('drift'),
  /** What stays. */
  picture: pictureRefSchema,
  /** What moves over it, and where it stands: parts of the slot's width and height, 0 to 1. */
  piece: pictureRefSchema.describe('the picture itself: its part at that place'),
  at: z.object({ x: z.number(), y: z.number(), w: z.number().positive(), h: z.number().positive() }),
  /** What lies where the piece was; null: the picture is whole without it. */
  patch: colorSchema.nullable(),
  move: z.enum(['drift', 'turn', 'pulse', 'appear', 'phases']),
  /** How far: of the piece's own size for a drift or a pulse, of a whole turn for a turn or phases; %. */
  far: z.number().int().min(1).max(200),
  /** Which way it drifts, degrees; 0: to the right, 90: down. */
  way: z.number().int().min(0).max(359),
  /** What darkens it in its phases. */
  shade: colorSchema,
  /** Of one round, ms. */
  round: msSchema,
})
export type Drift = z.infer<typeof driftSchema>

/** Seconds of film that a moving picture shows at most, and as a teaser (common practice, no source). */
export const LONGEST = 10_000
export const TEASER = 3_000

/** A film as it is kept. */
export const filmRefSchema = z.object({
  /** SHA-256 of its bytes. */
  id: z.string().regex(/^[0-9a-f]{64}$/),
  type: z.enum(['video/mp4', 'video/quicktime', 'video/webm']),
  name: z.string().max(200),
  bytes: z.number().int().positive(),
})
export type FilmRef = z.infer<typeof filmRefSchema>

/** Part of a film's picture: its middle and width as parts of the film's, 0 to 1; the height follows the slot. */
export const areaSchema = z.object({
  x: z.number().min(0).max(1),
  y: z.number().min(0).max(1),
  w: z.number().min(0.02).max(1),
})
export type Area = z.infer<typeof areaSchema>

export const clipSchema = z.object({
  /** ms in the film */
  from: z.number().min(0),
  to: z.number().min(0),
  area: areaSchema,
  /** Where the area has travelled to at the end. */
  areaTo: areaSchema.optional(),
})
export type Clip = z.infer<typeof clipSchema>

/** How a mark for playing is drawn. */
export const markStyles = ['disc', 'ring', 'square', 'bare', 'bar'] as const

export const filmSchema = z.object({
  kind: z.literal('film'),
  film: filmRefSchema,
  /** px of the film's picture */
  width: z.number().int().positive(),
  height: z.number().int().positive(),
  /** Clips in a row. */
  clips: z.array(clipSchema).min(1).max(12),
  captions: z.array(z.object({ says: wordsSchema, from: z.number(), to: z.number() })).max(20),
  letters: lettersSchema,
  plate: colorSchema,
  /** A mark that invites the press. */
  mark: z
    .object({ style: z.enum(markStyles), color: colorSchema, size: z.number().min(16).max(200) })
    .nullable(),
  /** What stays at the end, ms; words on a colour, or the last frame where there are none. */
  closing: z
    .object({ ms: z.number().int().min(0).max(10_000), says: wordsSchema, ground: colorSchema })
    .nullable(),
  /** A line of words beneath that leads on. */
  beneath: z
    .object({
      says: wordsSchema,
      height: z.number().int().min(12).max(120),
      ground: colorSchema,
      ink: colorSchema,
    })
    .nullable(),
  /** Where the film itself is hosted, for readers that play films; empty: nowhere. */
  address: z.string().max(2000),
})
export type FilmMade = z.infer<typeof filmSchema>
