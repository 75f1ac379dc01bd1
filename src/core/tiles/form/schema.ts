import { z } from 'zod'
import { interactiveBase, lineSchema, sayingsSchema, targetSchema } from '../interactive/schema'

export const askedKinds = [
  'text',
  'lines',
  'email',
  'number',
  'date',
  'choice',
  'several',
  'consent',
] as const

/** One thing that is asked. */
export const askedSchema = z.object({
  kind: z.enum(askedKinds),
  /** What it is sent as. */
  name: z.string().regex(/^[A-Za-z][A-Za-z0-9_-]{0,39}$/, 'a letter, then letters, digits, - and _'),
  label: lineSchema,
  required: z.boolean(),
  /** Of a text: what it has to look like (HTML, 4.10.5.3.6), and how that is said. */
  pattern: z.string().max(200).optional(),
  title: lineSchema.optional(),
  /** Of a number, and of a date (YYYY-MM-DD). */
  least: z.string().max(20).optional(),
  most: z.string().max(20).optional(),
  /** What is chosen among. */
  options: z.array(lineSchema).max(20),
})
export type Asked = z.infer<typeof askedSchema>

/** A form, or a poll where what others chose is shown after one's own choice. */
export const formSchema = z.object({
  ...interactiveBase,
  kind: z.literal('form'),
  title: lineSchema,
  asked: z.array(askedSchema).min(1).max(20),
  /** Shows what all have chosen so far, once it was sent. */
  results: z.boolean(),
  target: targetSchema,
  sayings: sayingsSchema,
})
export type FormTile = z.infer<typeof formSchema>
