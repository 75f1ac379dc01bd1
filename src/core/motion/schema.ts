import { z } from 'zod'
import {
  buttonSchema,
  driftSchema,
  facesSchema,
  filmSchema,
  glintSchema,
  headlineSchema,
  numberSchema,
  storySchema,
  stripSchema,
} from './made'
import { countdownSchema } from './countdown/schema'

/** What a moving picture is made of. */
export const madeSchema = z.discriminatedUnion('kind', [
  stripSchema,
  headlineSchema,
  numberSchema,
  buttonSchema,
  storySchema,
  glintSchema,
  facesSchema,
  driftSchema,
  filmSchema,
  countdownSchema,
])
export type Made = z.infer<typeof madeSchema>
export type MadeKind = Made['kind']
export type MadeOf<K extends MadeKind> = Extract<Made, { kind: K }>

/** How a moving picture is made, as it stands in the document. */
export const motionSchema = z.object({
  made: madeSchema,
  /** Height of the slot, px as shown; its width is that of the tile. */
  height: z.number().int().min(1).max(2000),
  /** Which stripe of a taller picture this is, where stills stand above and below it: its top and the height of the whole, px. */
  window: z.object({ top: z.number().int().min(0), of: z.number().int().min(1).max(4000) }).optional(),
  /** Pixels of the file for each that is shown. */
  density: z.number().min(0.25).max(3),
  /** Pictures a second. */
  rate: z.number().min(1).max(50),
  /** How often it is shown; 0: for ever. */
  loop: z.number().int().min(0).max(100),
  /** How fast, as a factor. */
  speed: z.number().min(0.1).max(10),
  reverse: z.boolean().optional(),
  /** Whether it goes back the way it came. */
  back: z.boolean().optional(),
  /** How much longer its last picture stays, ms. */
  rest: z.number().int().min(0).max(20_000).optional(),
  /** What part of it is shown, ms of what it is made of. */
  trim: z.object({ from: z.number().min(0), to: z.number().min(0) }).optional(),
  /** Which frame of the result comes first: readers that do not animate show it alone. */
  first: z.number().int().min(0).max(999).optional(),
  colors: z.number().int().min(2).max(256),
  dither: z.enum(['none', 'pattern', 'diffused']),
  loss: z.number().int().min(0).max(100),
  /** Bytes that it may have. */
  budget: z.number().int().min(1000).max(20_000_000),
  /** What the tile's picture was made of; it is made anew where this is another. */
  key: z.string().max(64).optional(),
})
export type Motion = z.infer<typeof motionSchema>

/** Bytes that a moving picture may have where nobody says (common practice, no source). */
export const BUDGET = 400 * 1024

/** How a moving picture is made where nobody says. */
export const motionDefaults = {
  density: 1,
  rate: 12,
  loop: 0,
  speed: 1,
  colors: 128,
  dither: 'none',
  loss: 0,
  budget: BUDGET,
} as const satisfies Partial<Motion>
