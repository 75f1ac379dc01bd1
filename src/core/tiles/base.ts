import { z } from 'zod'
import { sidesSchema } from '../email/styles'

/** What every tile has, whatever its kind. */
export const tileBase = {
  id: z.string().min(1).max(40),
  /** The cut it was built from, so that building again finds it. */
  cut: z.string().max(40).optional(),
  /** Space around it inside its cell, px. */
  padding: sidesSchema,
  show: z.enum(['all', 'wide', 'narrow']),
  narrow: z.object({ padding: sidesSchema.optional() }).optional(),
}

/** A link as it is written: an address, `mailto:`, `tel:`, or a field. */
export const linkSchema = z.string().max(4000)
