import { z } from 'zod'
import { clean } from '../text/clean'

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
  const is = (Object.hasOwn(values, field) ? values[field]! : '').trim().toLowerCase()
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

/**
 * What becomes of a conditional band: it is shown, left out, or stands between two marks that the platform
 * understands.
 */
export type ConditionWriter = (condition: Condition) => boolean | { before: string; after: string }

/**
 * A condition as it stands in the document: in comments, so that nothing of it is seen where a platform
 * leaves it.
 */
export const conditionsAsWritten: ConditionWriter = (c) => ({
  before: `<!-- [[if ${said(c)}]] -->`,
  after: '<!-- [[end]] -->',
})

/** What a condition says, without anything that could end the comment it stands in. */
export const said = ({ field, test, value }: Condition): string =>
  test === 'is' || test === 'is not'
    ? `${field} ${test} "${clean(value)
        .replace(/["<>]|--/g, ' ')
        .replace(/\s+/g, ' ')
        .trim()}"`
    : `${field} ${test}`

/** Conditional bands as one reader gets them. @param values of the reader's fields */
export const conditionsFor =
  (values: Readonly<Record<string, string>>): ConditionWriter =>
  (c) =>
    holds(c, values)
