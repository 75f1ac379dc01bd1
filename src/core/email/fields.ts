import { z } from 'zod'
import { hasScheme } from '../text/link'

/** The kinds of value a field holds. */
export const fieldTypes = ['text', 'date', 'number', 'link'] as const
export type FieldType = (typeof fieldTypes)[number]

const name = z.string().regex(/^[a-z][a-z0-9_]{0,59}$/, 'a field name is lower-case letters, digits and _')

/** A field the email uses, with the kind of value it holds. Fields not listed are text. */
export const fieldSchema = z.object({ name, type: z.enum(fieldTypes) })
export type FieldSpec = z.infer<typeof fieldSchema>

/** A made-up person to look at the email as. */
export const sampleRecipientSchema = z.object({
  name: z.string().min(1).max(60),
  values: z.record(name, z.string().max(1000)),
})
export type SampleRecipient = z.infer<typeof sampleRecipientSchema>

/**
 * True where a text can be a value of the type: a date as YYYY-MM-DD (ISO 8601), a decimal number, an address
 * with a scheme. An empty one always can.
 */
export function fits(value: string, type: FieldType): boolean {
  const v = value.trim()
  if (!v) return true
  switch (type) {
    case 'text':
      return true
    case 'date':
      return (
        /^\d{4}-\d{2}-\d{2}$/.test(v) &&
        !Number.isNaN(Date.parse(v)) &&
        new Date(v).toISOString().startsWith(v)
      )
    case 'number':
      return /^-?\d+(\.\d+)?$/.test(v)
    case 'link':
      return hasScheme(v)
  }
}
