import { z } from 'zod'
import { fontSchema } from '../email/fonts'
import { colorSchema } from '../email/styles'

/** How words of a moving picture are set. */
export const lettersSchema = z.object({
  font: fontSchema,
  /** px as shown */
  size: z.number().min(6).max(400),
  bold: z.boolean(),
  italic: z.boolean().optional(),
  color: colorSchema,
  /** Space between letters, px. */
  spacing: z.number().min(-10).max(60).optional(),
  align: z.enum(['start', 'center', 'end']),
})
export type Letters = z.infer<typeof lettersSchema>

/** Words of one drawing; a line break begins a new line. */
export const wordsSchema = z.string().max(400)
