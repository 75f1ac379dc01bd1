import { z } from 'zod'
import { interactiveBase, lineSchema, paragraphsSchema } from '../interactive/schema'
import { linkSchema } from '../../email/tile'

/** A list that is fetched when the message is opened; kept lines stand where it cannot be. */
export const liveSchema = z.object({
  ...interactiveBase,
  kind: z.literal('live'),
  /** Where its JSON is answered (https). */
  address: z.string().max(2000),
  /** Where in it the list stands, such as `data.items`. */
  items: z.string().max(100),
  /** What of each entry is shown: names of its values; empty shows nothing. */
  title: z.string().max(60),
  text: z.string().max(60),
  price: z.string().max(60),
  picture: z.string().max(60),
  link: z.string().max(60),
  /** The size of its pictures, px. */
  pictureWidth: z.number().int().min(16).max(600),
  pictureHeight: z.number().int().min(16).max(600),
  /** How many are shown at most. */
  most: z.number().int().min(1).max(30),
  /** What each links with. */
  label: lineSchema,
  /** The list as it was when it was last fetched. */
  rows: z
    .array(z.object({ title: lineSchema, text: paragraphsSchema, price: lineSchema, link: linkSchema }))
    .max(30),
  /** Where all of it can be seen, and what leads there. */
  page: linkSchema,
  more: lineSchema,
})
export type LiveTile = z.infer<typeof liveSchema>
