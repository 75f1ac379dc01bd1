import { z } from 'zod'

/** A stored picture: pictures are kept once, by the SHA-256 of their bytes; documents refer to them. */
export const pictureRefSchema = z.object({
  /** SHA-256 of its bytes, in hexadecimal. */
  id: z.string().regex(/^[0-9a-f]{64}$/),
  type: z.enum(['image/png', 'image/jpeg', 'image/gif', 'image/webp']),
  /** Real size, px. */
  width: z.number().int().positive(),
  height: z.number().int().positive(),
  bytes: z.number().int().positive(),
})
export type PictureRef = z.infer<typeof pictureRefSchema>
