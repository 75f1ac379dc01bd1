import { houseStyleSchema, type HouseStyle } from './styles'

type Json = Record<string, unknown>
const isObject = (v: unknown): v is Json => typeof v === 'object' && v !== null && !Array.isArray(v)

/**
 * What turns a document of one version into the next. Each is written once and never changed again, since old
 * documents stay as they are.
 */
const emailSteps: Record<number, (doc: Json) => Json> = {
  // Links became a style of their own; an email says in which of three ways it is written.
  1: (doc) => ({
    ...doc,
    version: 2,
    way: 'bands',
    styles: isObject(doc.styles) ? linkAsStyle(doc.styles) : {},
  }),
  // What is for the Word engine alone got the name of what it is; made-up people are recipients, since readers are programs.
  2: ({ readers, ...doc }) => ({
    ...(renamed(doc, 'word', 'conditional') as Json),
    version: 3,
    ...(readers === undefined ? {} : { recipients: readers }),
  }),
}

/** A document whose tiles of one kind are of another, wherever they stand. */
function renamed(value: unknown, from: string, to: string): unknown {
  if (Array.isArray(value)) return value.map((v) => renamed(v, from, to))
  if (!isObject(value)) return value
  const out = Object.fromEntries(
    Object.entries(value).map(([k, v]) => [
      k,
      k === 'bands' || k === 'cells' || k === 'items' ? renamed(v, from, to) : v,
    ]),
  )
  return out.kind === from ? { ...out, kind: to } : out
}

const linkAsStyle = ({ link, ...rest }: Json): Json =>
  typeof link === 'string' ? { ...rest, link: { color: link } } : rest

const houseSteps: Record<number, (doc: Json) => Json> = {
  1: (doc) => ({ ...doc, version: 2, link: { color: doc.link, underline: true }, webFonts: [] }),
}

function upgrade(doc: unknown, steps: Record<number, (doc: Json) => Json>): unknown {
  let now = doc
  // A house style had no version before the second.
  while (isObject(now)) {
    const step = steps[typeof now.version === 'number' ? now.version : 1]
    if (!step) break
    now = step(now)
  }
  return now
}

/** A house style of any version as one of the present, checked. Throws a ZodError where it is none. */
export const readHouse = (doc: unknown): HouseStyle => houseStyleSchema.parse(upgrade(doc, houseSteps))

/** Brings a document up to date without checking it, for a border that checks by itself. */
export const upgradeEmail = (doc: unknown): unknown => upgrade(doc, emailSteps)
export const upgradeHouse = (doc: unknown): unknown => upgrade(doc, houseSteps)
