import { z } from 'zod'
import { linkSchema } from '../../email/tile'
import { interactiveBase, lineSchema, shownSchema } from '../interactive/schema'

/** Pictures of one size, of which one is seen at a time. */
export const carouselSchema = z.object({
  ...interactiveBase,
  kind: z.literal('carousel'),
  slides: z
    .array(z.object({ shows: shownSchema, caption: lineSchema, link: linkSchema }))
    .min(1)
    .max(10),
})
export type CarouselTile = z.infer<typeof carouselSchema>
