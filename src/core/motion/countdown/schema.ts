import { z } from 'zod'
import { colorSchema } from '../../email/styles'

/** Faces that every server of countdowns has: the fonts that ship with the app. */
export const countdownFaces = ['sans', 'serif', 'mono'] as const

export const countdownUnits = ['days', 'hours', 'minutes', 'seconds'] as const
export type CountdownUnit = (typeof countdownUnits)[number]

const countdownColors = z.object({
  digits: colorSchema,
  labels: colorSchema,
  ground: z.union([colorSchema, z.literal('clear')]),
  /** What digits stand in; null: nothing. */
  box: colorSchema.nullable(),
})
export type CountdownColors = z.infer<typeof countdownColors>

export const countdownSchema = z.object({
  kind: z.literal('countdown'),
  /** A moment in a time zone, or a span from each recipient's first opening. */
  until: z.discriminatedUnion('kind', [
    z.object({
      kind: z.literal('moment'),
      /** Wall time, `2026-12-24T18:00`. */
      at: z.string().regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d)?$/),
      /** IANA */
      zone: z.string().min(1).max(60),
    }),
    z.object({
      kind: z.literal('span'),
      /** s */
      seconds: z.number().int().min(60).max(8_640_000),
      /** What tells recipients apart: a field of the sending platform. */
      field: z.string().min(1).max(60),
    }),
  ]),
  units: z.array(z.enum(countdownUnits)).min(1).max(4),
  /** What stands under each unit; an empty one: nothing. */
  labels: z.object({
    days: z.string().max(24),
    hours: z.string().max(24),
    minutes: z.string().max(24),
    seconds: z.string().max(24),
  }),
  rtl: z.boolean().optional(),
  face: z.enum(countdownFaces),
  colors: countdownColors,
  /** Its colours at night, for readers that know. */
  night: countdownColors.optional(),
  /** Corners of the boxes, px. */
  radius: z.number().int().min(0).max(60),
  /** What is shown when it is over. */
  over: z.string().max(120),
  /** Where its server is; empty: this app. */
  server: z.string().max(300),
})
export type Countdown = z.infer<typeof countdownSchema>
