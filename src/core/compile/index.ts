import type { Band, Email } from '../email/schema'
import { resolveStyle, type HouseStyle, type StyleOverrides } from '../email/styles'
import { asSample, asWritten, replaceFields, type FieldWriter } from '../handover/fields'
import { bandTree } from './band'
import type { CompileContext } from './context'
import { bodyStyle, head, preheader } from './document'
import { attr } from './element'
import { indented, print } from './print'

export interface CompileOptions {
  /** Where each picture stands in the output. */
  src: CompileContext['src']
  /** How fields come out; as written unless said. */
  fields?: FieldWriter
  /** Marks bands, cells and tiles with `data-m` = their id, for the lenses. */
  marks?: boolean
}

interface Piece { html: string; rules: ReadonlyMap<string, string> }

/** What each band compiled to, remembered by the band itself: the document is immutable, so an edit makes only its own band anew. */
const pieces = new WeakMap<Band, { c: CompileContext; piece: Piece }[]>()
const styles = new WeakMap<HouseStyle, WeakMap<StyleOverrides, HouseStyle>>()

/** The settled style, the same object for the same inputs, so that remembered bands stay good. */
export function styleOf(house: HouseStyle, own: StyleOverrides): HouseStyle {
  let of = styles.get(house)
  if (!of) styles.set(house, (of = new WeakMap()))
  let style = of.get(own)
  if (!style) of.set(own, (style = resolveStyle(house, own)))
  return style
}

const same = (a: CompileContext, b: CompileContext) => a.width === b.width && a.dir === b.dir && a.style === b.style && a.src === b.src && a.fields === b.fields && a.marks === b.marks

function piece(band: Band, c: CompileContext): Piece {
  const known = pieces.get(band) ?? []
  const hit = known.find((k) => same(k.c, c))
  if (hit) return hit.piece
  const { tree, rules } = bandTree(band, c)
  const made = { html: print(indented(tree, 3)), rules }
  // A handful of contexts live at once (lenses, deliveries); older ones go.
  pieces.set(band, [{ c, piece: made }, ...known].slice(0, 4))
  return made
}

/** An email as HTML: the same input gives the same bytes. Stored email -> settled styles -> a tree for each band -> text. */
export function compile(email: Email, house: HouseStyle, options: CompileOptions): string {
  const c: CompileContext = { width: email.width, dir: email.dir, style: styleOf(house, email.styles), src: options.src, fields: options.fields ?? asWritten, marks: options.marks ?? false }
  const parts = email.bands.map((b) => piece(b, c))
  const rules = new Map<string, string>()
  for (const p of parts) for (const [name, declarations] of p.rules) rules.set(name, declarations)
  const pre = preheader(email, c)
  const title = attr(replaceFields(email.title || email.subject || 'Email', asSample()))
  return [
    '<!DOCTYPE html>',
    `<html lang="${email.lang}" dir="${email.dir}">`,
    print(indented(head(email, c, rules))),
    `<body style="${attr(bodyStyle(c))}">`,
    ...(pre ? [`  ${print(pre)}`] : []),
    `  <div role="article" aria-roledescription="email" aria-label="${title}" lang="${email.lang}" dir="${email.dir}" style="background-color:${c.style.ground}">`,
    ...parts.map((p) => `      ${p.html}`),
    '  </div>',
    '</body>',
    '</html>',
    '',
  ].join('\n')
}
