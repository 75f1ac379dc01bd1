/** A personal value that the sending platform fills in: `[[name]]` or `[[name | fallback]]`. */
export interface Field {
  name: string
  fallback: string
}

const pattern = /\[\[\s*([a-z][a-z0-9_]*)\s*(?:\|([^\][]*))?\]\]/g
/** A longer name is none. Said here, not in the pattern: without a number in it its time can be reckoned, not only tried. */
const LONGEST = 60

/** The name of the field that stands for the reader's own unsubscribe address. */
export const UNSUBSCRIBE = 'unsubscribe'

/** Every field in a text, in order, repeated ones too. */
export function fieldsIn(text: string): Field[] {
  return [...text.matchAll(pattern)]
    .filter((m) => m[1]!.length <= LONGEST)
    .map((m) => ({ name: m[1]!, fallback: (m[2] ?? '').trim() }))
}

/** A text with every field put as `write` says. */
export const replaceFields = (text: string, write: (field: Field) => string): string =>
  text.replace(pattern, (whole, name: string, fallback?: string) =>
    name.length <= LONGEST ? write({ name, fallback: (fallback ?? '').trim() }) : whole,
  )

/** How fields come out: as written, or as a destination wants them. */
export type FieldWriter = (field: Field) => string

/** Fields as they stand in the document. */
export const asWritten: FieldWriter = ({ name, fallback }) =>
  fallback ? `[[${name} | ${fallback}]]` : `[[${name}]]`

/** Fields as one reader would see them: the sample value, else the fallback, else nothing. */
export const asSample =
  (samples: Record<string, string> = {}): FieldWriter =>
  ({ name, fallback }) =>
    Object.hasOwn(samples, name) ? samples[name]! : fallback
