import { styleOf } from '../email/cascade'
import type { Band, Email } from '../email/schema'
import type { HouseStyle } from '../email/styles'
import { asSample, asWritten, replaceFields, type FieldWriter } from '../handover/fields'
import { conditionsAsWritten } from '../handover/conditions'
import { bandTree } from './band'
import { byHandHtml } from './byhand'
import type { CompileContext, ConditionWriter } from './context'
import { bodyStyle, head, nightGround, preheader } from './document'
import { attr } from './element'
import { print, printMapped, type Lines } from './print'
import type { Rule } from './rules'
import { stylesToHead } from './to-head'

export interface CompileOptions {
  /** Where each picture stands in the output. */
  src: CompileContext['src']
  /** How fields come out; as written unless said. */
  fields?: FieldWriter
  /** What becomes of conditional bands; they stand between their conditions as written unless said. */
  conditions?: ConditionWriter
  /** Marks bands, cells and tiles with `data-m` = their id, for the lenses. */
  marks?: boolean
  /**
   * `both` (unless said): styles in the elements, and rules in the head for what needs one. `inline`: no
   * style sheet at all, for platforms that strip it. `head`: all in the head.
   */
  styles?: CompileContext['styles']
  /** `readable` unless said. */
  print?: CompileContext['print']
}

/** An email as HTML, with where each band, cell and tile stands in it. */
export interface Compiled {
  html: string
  /**
   * Lines of every band, cell and tile, counted from 1, the last one included, in the order in which they
   * begin.
   */
  places: () => Lines[]
}

/** Neighbouring bands, compiled: what they are as text, and the rules they ask for. */
interface Run {
  html: string
  lines: number
  rules: ReadonlyMap<string, Rule>
  /** Its parts, or the places in a single band. */
  parts: readonly [Run, Run] | null
  places: readonly Lines[]
}

/**
 * What each band compiled to, remembered by the band itself: the document is immutable, so an edit makes only
 * its own band anew.
 */
const pieces = new WeakMap<Band, { c: CompileContext; run: Run }[]>()

const keys = ['width', 'dir', 'style', 'src', 'fields', 'conditions', 'marks', 'styles', 'print'] as const
const same = (a: CompileContext, b: CompileContext) => keys.every((k) => a[k] === b[k])

const nothing: Run = { html: '', lines: 0, rules: new Map(), parts: null, places: [] }

function piece(band: Band, c: CompileContext): Run {
  const known = pieces.get(band) ?? []
  const hit = known.find((k) => same(k.c, c))
  if (hit) return hit.run
  const run = compileBand(band, c)
  // A handful of contexts live at once (lenses, deliveries); older ones go.
  pieces.set(band, [{ c, run }, ...known].slice(0, 6))
  return run
}

function compileBand(band: Band, c: CompileContext): Run {
  const shown = band.when ? c.conditions(band.when) : true
  if (shown === false || (c.styles === 'inline' && band.show === 'narrow')) return nothing
  const { tree, rules } = bandTree(band, c)
  const indent = c.print === 'readable'
  const printed = printMapped(tree, 3, { indent, marks: c.marks, classes: c.styles !== 'inline' })
  const used = c.styles === 'inline' ? nothing.rules : rules
  if (shown === true)
    return {
      html: `${printed.html}\n`,
      lines: printed.lines,
      rules: used,
      parts: null,
      places: printed.places,
    }
  const pad = indent ? '      ' : ''
  return {
    html: `${pad}${shown.before}\n${printed.html}\n${pad}${shown.after}\n`,
    lines: printed.lines + 2,
    rules: used,
    parts: null,
    places: printed.places.map((p) => ({ ...p, from: p.from + 1, to: p.to + 1 })),
  }
}

/** What two neighbours make together, remembered by both. */
const joined = new WeakMap<Run, WeakMap<Run, Run>>()

function join(a: Run, b: Run): Run {
  if (a === nothing) return b
  if (b === nothing) return a
  let of = joined.get(a)
  if (!of) joined.set(a, (of = new WeakMap()))
  let run = of.get(b)
  if (!run)
    of.set(
      b,
      (run = {
        html: a.html + b.html,
        lines: a.lines + b.lines,
        rules: union(a.rules, b.rules),
        parts: [a, b],
        places: [],
      }),
    )
  return run
}

function union(a: ReadonlyMap<string, Rule>, b: ReadonlyMap<string, Rule>): ReadonlyMap<string, Rule> {
  let out: Map<string, Rule> | undefined
  for (const [key, rule] of b) if (!a.has(key)) (out ??= new Map(a)).set(key, rule)
  return out ?? a
}

/**
 * Runs joined as a balanced tree: after an edit of one band only the branch above it is joined anew, so its
 * cost does not grow with the email.
 */
function joinAll(runs: readonly Run[], from = 0, to = runs.length): Run {
  if (to - from <= 1) return runs[from] ?? nothing
  const middle = (from + to) >> 1
  return join(joinAll(runs, from, middle), joinAll(runs, middle, to))
}

function collect(run: Run, at: number, into: Lines[]): void {
  if (run.parts) {
    collect(run.parts[0], at, into)
    collect(run.parts[1], at + run.parts[0].lines, into)
  } else for (const p of run.places) into.push({ id: p.id, from: at + p.from, to: at + p.to })
}

/** The context that an email's bands are compiled in. */
const contextOf = (email: Email, house: HouseStyle, o: CompileOptions): CompileContext => ({
  width: email.width,
  dir: email.dir,
  style: styleOf(house, email.styles),
  src: o.src,
  fields: o.fields ?? asWritten,
  conditions: o.conditions ?? conditionsAsWritten,
  marks: o.marks ?? false,
  styles: o.styles ?? 'both',
  print: o.print ?? 'readable',
})

/**
 * An email as HTML: the same input gives the same bytes. Stored email -> settled styles -> a tree for each
 * band -> text. One written by hand comes out as it was written, but for pictures and fields; one of plain
 * text only has no HTML.
 */
export function compileMapped(email: Email, house: HouseStyle, options: CompileOptions): Compiled {
  if (email.way === 'hand' && email.hand)
    return {
      html: byHandHtml(email.hand, options.src, options.fields ?? asWritten, options.styles),
      places: () => [],
    }
  if (email.way === 'plain') return { html: '', places: () => [] }
  const c = contextOf(email, house, options)
  const run = joinAll(email.bands.map((b) => piece(b, c)))
  const pre = preheader(email, c)
  const title = attr(replaceFields(email.title || email.subject || 'Email', asSample()))
  const indent = c.print === 'readable'
  const before = [
    '<!DOCTYPE html>',
    `<html lang="${email.lang}" dir="${email.dir}">`,
    printMapped([head(email, c, run.rules)], 0, { indent, marks: false, classes: true }).html,
    `<body${nightGround(c) ? ' class="night"' : ''} style="${attr(bodyStyle(c))}">`,
    ...(pre
      ? [
          `  ${print(c.styles === 'inline' ? { ...pre, properties: { ...pre.properties, className: undefined } } : pre)}`,
        ]
      : []),
    `  <div${nightGround(c) ? ' class="night"' : ''} role="article" aria-roledescription="email" aria-label="${title}" lang="${email.lang}" dir="${email.dir}" style="background-color:${c.style.ground};overflow-wrap:anywhere">`,
    '',
  ].join('\n')
  const html = `${before}${run.html}  </div>\n</body>\n</html>\n`
  const places = () => {
    const out: Lines[] = []
    collect(run, before.split('\n').length, out)
    return out
  }
  // All in the head is a rewriting of the whole.
  return c.styles === 'head' ? { html: stylesToHead(html), places: () => [] } : { html, places }
}

/** An email as HTML. */
export const compile = (email: Email, house: HouseStyle, options: CompileOptions): string =>
  compileMapped(email, house, options).html
