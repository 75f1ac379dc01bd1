import { z } from 'zod'
import { alignSchema, colorSchema } from '../../email/styles'
import { linkSchema, tileBase } from '../../email/tile'
import { pictureRefSchema } from '../../picture/ref'

/** What an icon is drawn on. */
export const iconShapes = ['none', 'square', 'rounded', 'circle'] as const
export type IconShape = (typeof iconShapes)[number]

export const socialIconSchema = z.object({
  /** Name of a shipped icon; left out where the picture is the person's own. */
  icon: z.string().max(60).optional(),
  picture: pictureRefSchema.nullable(),
  alt: z.string().max(200),
  title: z.string().max(200).optional(),
  /**
   * Where it leads: a page to follow, or an address pattern to share by, with `{address}` and `{title}` in
   * it.
   */
  link: linkSchema,
  /** The page to share, put into the pattern; left out, the link is one to follow. */
  share: linkSchema.optional(),
})
export type SocialIcon = z.infer<typeof socialIconSchema>

/** Links to places where people gather, as small pictures. */
export const socialSchema = z.object({
  ...tileBase,
  kind: z.literal('social'),
  icons: z.array(socialIconSchema).max(16),
  /** Shown size, px; the pictures have twice as many. */
  size: z.number().int().min(12).max(96),
  /** Between two icons, px. */
  gap: z.number().int().min(0).max(60),
  color: colorSchema,
  shape: z.enum(iconShapes),
  /** Colour of the shape. */
  ground: colorSchema,
  align: alignSchema,
})
export type SocialTile = z.infer<typeof socialSchema>
