import { clean } from '../compile/element'
import type { ConditionWriter } from '../compile/context'
import { holds, type Condition } from '../email/conditions'

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
