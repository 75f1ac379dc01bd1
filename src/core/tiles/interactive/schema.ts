import { z } from 'zod'
import { colorSchema } from '../../email/styles'
import { linkSchema, tileBase } from '../../email/tile'
import { pictureRefSchema } from '../../picture/ref'

/** What every interactive tile has: its accent, where it is not that of the client's button. */
export const interactiveBase = { ...tileBase, accent: colorSchema.optional() }

/** A short line: a name, a title, a label. */
export const lineSchema = z.string().max(200)
/** Some paragraphs, parted by empty lines. */
export const paragraphsSchema = z.string().max(4000)

/** A picture that may not be chosen yet, and what it says. */
export const shownSchema = z.object({
  picture: pictureRefSchema.nullable(),
  alt: z.string().max(500).nullable(),
})
export type Shown = z.infer<typeof shownSchema>

/** Where answers go, and where people answer whose reader shows no form. */
export const targetSchema = z.object({
  /** An https address; empty: none yet. */
  action: z.string().max(2000),
  /** A page of the web. */
  page: linkSchema,
})
export type Target = z.infer<typeof targetSchema>

/** What a form says while it is sent, when it was, and when it could not be. */
export const sayingsSchema = z.object({
  send: lineSchema,
  waiting: lineSchema,
  thanks: paragraphsSchema,
  failed: paragraphsSchema,
})
export type Sayings = z.infer<typeof sayingsSchema>

export const firstSayings: Sayings = {
  send: 'Send',
  waiting: 'One moment.',
  thanks: 'Thank you. Your answer has arrived.',
  failed: 'That did not arrive. Try again, or answer on our page.',
}
export const firstTarget: Target = { action: '', page: '' }
