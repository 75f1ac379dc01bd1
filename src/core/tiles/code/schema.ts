import { z } from 'zod'
import { tileBase } from '../base'

/** Markup of one's own, with a style sheet that holds inside it alone. */
export const codeSchema = z.object({
  ...tileBase,
  kind: z.literal('code'),
  html: z.string().max(200_000),
  css: z.string().max(100_000),
})
export type CodeTile = z.infer<typeof codeSchema>
