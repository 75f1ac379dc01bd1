/** An answer as it is counted and written out. */
export interface Given {
  at: string
  sender: string
  fields: readonly (readonly [name: string, value: string])[]
}

/** How often each value of a question was given. */
export interface Counted {
  name: string
  values: { label: string; count: number; percent: number }[]
}

/** A question with more values than this is asked for words: there is nothing to count. */
const FEW = 12

/**
 * What was answered, question by question; those of free words are left out. Percent are of the people who answered it: where several may be chosen, they
 * come to more than a hundred.
 */
export function counted(answers: readonly Given[]): Counted[] {
  const by = new Map<string, Map<string, number>>()
  const people = new Map<string, number>()
  for (const { fields } of answers) {
    for (const name of new Set(fields.map(([n]) => n))) people.set(name, (people.get(name) ?? 0) + 1)
    for (const [name, value] of fields) {
      const values = by.get(name) ?? new Map<string, number>()
      by.set(name, values.set(value, (values.get(value) ?? 0) + 1))
    }
  }
  return [...by]
    .filter(([, values]) => values.size <= FEW)
    .map(([name, values]) => {
      const all = people.get(name)!
      return {
        name,
        values: [...values]
          .map(([label, count]) => ({ label, count, percent: Math.round((count / all) * 100) }))
          .sort(inOrder(values.keys())),
      }
    })
}

/** Numbers stand in their order, as on a scale; all else by how often it was given. */
const inOrder = (labels: Iterable<string>) => {
  const scale = [...labels].every((l) => l.trim() !== '' && Number.isFinite(Number(l)))
  return (a: { label: string; count: number }, b: { label: string; count: number }): number =>
    scale ? Number(b.label) - Number(a.label) : b.count - a.count || (a.label < b.label ? -1 : 1)
}

/** A cell of CSV (RFC 4180); what a spreadsheet would take for a formula, its signs in their wide forms too, begins with an apostrophe (OWASP, "CSV Injection"). */
const cell = (value: string): string => {
  const safe = /^[=+\-@\t\r\n\uff1d\uff0b\uff0d\uff20]/.test(value) ? `'${value}` : value
  return /[",\r\n]/.test(safe) ? `"${safe.replace(/"/g, '""')}"` : safe
}

/** Answers as CSV (RFC 4180): a column for each name that was sent, several values of one parted by semicolons. */
export function answersCsv(answers: readonly Given[]): string {
  const names = [...new Set(answers.flatMap((a) => a.fields.map(([name]) => name)))].sort()
  const lines = answers.map((a) => [
    a.at,
    a.sender,
    ...names.map((name) =>
      a.fields
        .filter(([n]) => n === name)
        .map(([, v]) => v)
        .join('; '),
    ),
  ])
  return [['at', 'sender', ...names], ...lines].map((l) => `${l.map(cell).join(',')}\r\n`).join('')
}
