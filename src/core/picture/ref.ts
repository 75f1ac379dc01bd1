import { z } from 'zod'

/** What is known of a picture that moves. */
export const movingSchema = z.object({
  frames: z.number().int().min(2),
  /** Of one round, ms. */
  ms: z.number().int().min(0),
  /** How often it is shown; 0: for ever. */
  loop: z.number().int().min(0),
  /** The most flashes that any second of it has (WCAG 2.2, 2.3.1), where they were counted. */
  flashes: z.number().int().min(0).optional(),
  /** The picture that it was made of, where that came in a form which mail programs do not show. */
  of: z
    .string()
    .regex(/^[0-9a-f]{64}$/)
    .optional(),
})

/** A stored picture: pictures are kept once, by the SHA-256 of their bytes; documents refer to them. */
export const pictureRefSchema = z.object({
  /** SHA-256 of its bytes, in hexadecimal. */
  id: z.string().regex(/^[0-9a-f]{64}$/),
  type: z.enum(['image/png', 'image/jpeg', 'image/gif', 'image/webp']),
  /** Real size, px. */
  width: z.number().int().positive(),
  height: z.number().int().positive(),
  bytes: z.number().int().positive(),
  moving: movingSchema.optional(),
})
export type PictureRef = z.infer<typeof pictureRefSchema>
