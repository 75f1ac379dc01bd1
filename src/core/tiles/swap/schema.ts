import { z } from 'zod'
import { linkSchema } from '../../email/tile'
import { interactiveBase, lineSchema, shownSchema } from '../interactive/schema'

/** A picture that gives way to another: under a pointer, when pressed, or piece by piece as it is uncovered. */
export const swapSchema = z.object({
  ...interactiveBase,
  kind: z.literal('swap'),
  how: z.enum(['hover', 'press', 'uncover']),
  first: shownSchema,
  second: shownSchema,
  /** What to do, beneath it. */
  hint: lineSchema,
  link: linkSchema,
})
export type SwapTile = z.infer<typeof swapSchema>
