import { z } from 'zod'

/** When a band is shown: a comparison with one of the reader's fields. */
export const conditionSchema = z.object({
  field: z.string().regex(/^[a-z][a-z0-9_]{0,59}$/, 'a field name is lower-case letters, digits and _'),
  test: z.enum(['is', 'is not', 'filled', 'empty']),
  value: z.string().max(200),
})
export type Condition = z.infer<typeof conditionSchema>

/**
 * True where one reader, with these values, is shown what the condition guards. Upper and lower case count
 * alike.
 */
export function holds({ field, test, value }: Condition, values: Readonly<Record<string, string>>): boolean {
  const is = (values[field] ?? '').trim().toLowerCase()
  switch (test) {
    case 'is':
      return is === value.trim().toLowerCase()
    case 'is not':
      return is !== value.trim().toLowerCase()
    case 'filled':
      return is !== ''
    case 'empty':
      return is === ''
  }
}
