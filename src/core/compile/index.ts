import type { ElementContent, Root } from 'hast'
import { styleOf } from '../email/cascade'
import { conditionsAsWritten, type ConditionWriter } from '../email/conditions'
import type { Band, Email } from '../email/schema'
import type { HouseStyle } from '../email/styles'
import { compacted, together } from '../html/compact'
import { rootToComments, toComments } from '../html/conditions'
import { printAround, printMapped, type Lines } from '../html/print'
import { asWritten, type FieldWriter } from '../text/fields'
import type { CompileContext } from '../tiles/context'
import type { Rule } from '../tiles/rules'
import { bandTree, type BandTree } from './band'
import { trackedEmail } from '../tiles/tracking'
import { byHandHtml } from './by-hand'
import { bodyTree, documentTree, pageFamily, type Sheets } from './document'
import { inheriting } from './passes/inherited'
import { withoutSheet } from './passes/inline'
import { StylesToHead } from './passes/to-head'

export type { BandTree } from './band'

export interface CompileOptions {
  /** Where each picture stands in the output. */
  src: CompileContext['src']
  /** Where countdowns without a server of their own are answered. */
  countdowns?: CompileContext['countdowns']
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
  styles?: 'both' | 'inline' | 'head'
  /**
   * `readable` unless said: indented, as lenses and people read it. `compact`: as it leaves, in few bytes and lines of at
   * most 998 (`places` are those of the readable form).
   */
  print?: 'readable' | 'compact'
  /** What the trees go through last, as what a dark mode does to them. The key tells one from another. */
  pass?: Pass
  /** Which state of an interactive tile is looked at, for the lenses. */
  shown?: CompileContext['shown']
  /** What tiles come to in place of their HTML, as for AMP. */
  emit?: CompileContext['emit']
  /** Every band in a wrapper of its own, so that each can be changed by itself, for the lenses: it looks the same. */
  apart?: boolean
}

/** A pass over compiled trees. */
export interface Pass {
  key: string
  run: (nodes: readonly ElementContent[]) => ElementContent[]
}

/** An email as HTML, with where each band, cell and tile stands in it. */
export interface Compiled {
  html: string
  /**
   * Lines of every band, cell and tile, counted from 1, the last one included, in the order in which they
   * begin.
   */
  places: () => Lines[]
  /** The same text, parted at its bands; one without bands is all `before`. */
  parts: () => Parts
}

/** An email's text, parted at its bands: what has not changed is the same string as before. */
export interface Parts {
  before: string
  bands: readonly { id: string; html: string }[]
  after: string
}

/** The form in which trees are written. */
type Form = Required<Pick<CompileOptions, 'marks' | 'styles' | 'print' | 'apart'>> &
  Pick<CompileOptions, 'pass'>

/** Neighbouring bands, compiled: what they are as text, and the rules they ask for. */
interface Run {
  html: string
  lines: number
  rules: ReadonlyMap<string, Rule>
  /** Its parts, or the places in a single band. */
  parts: readonly [Run, Run] | null
  places: readonly Lines[]
}

const nothing: Run = { html: '', lines: 0, rules: new Map(), parts: null, places: [] }

/** Contexts that are remembered at once: lenses and deliveries. Older ones go. */
const REMEMBERED = 6

/** Bands stand this far inside the document, in steps of indentation, and their rows inside a shared wrapper. */
const DEPTH = 2
const ROWS = DEPTH + 2

/**
 * The tree that each band compiled to, remembered by the band itself: the document is immutable, so an edit
 * makes only its own band anew.
 */
const trees = new WeakMap<Band, { c: CompileContext; tree: BandTree }[]>()

const keys = [
  'width',
  'dir',
  'lang',
  'style',
  'src',
  'countdowns',
  'fields',
  'conditions',
  'emit',
  'shown',
] as const
const same = (a: CompileContext, b: CompileContext) => keys.every((k) => a[k] === b[k])

function treeOf(band: Band, c: CompileContext): BandTree {
  const known = trees.get(band) ?? []
  const hit = known.find((k) => same(k.c, c))
  if (hit) return hit.tree
  const tree = bandTree(band, c)
  trees.set(band, [{ c, tree }, ...known].slice(0, REMEMBERED))
  return tree
}

/** What each tree was written as, by its form. */
const texts = new WeakMap<BandTree, Map<string, Run>>()

/** A band's text: the whole, or only its rows where it shares its wrapper. */
function textOf(band: Band, c: CompileContext, form: Form, shared: boolean): Run {
  const shown = shownOf(band, c, form)
  if (shown === false) return nothing
  const tree = treeOf(band, c)
  const key = `${form.styles}:${form.print}:${form.marks}:${shared}:${form.pass?.key ?? ''}`
  let known = texts.get(tree)
  if (!known) texts.set(tree, (known = new Map()))
  let run = known.get(key)
  if (!run) {
    const compiled = shared ? tree.rows : tree.tree
    const nodes = form.pass ? form.pass.run(compiled) : compiled
    const sheet = form.styles !== 'inline'
    const made = runOf(
      form.styles === 'both' ? inheriting(nodes, pageFamily(c)) : sheet ? nodes : withoutSheet(nodes),
      sheet ? tree.rules : nothing.rules,
      form,
      shown,
      shared,
    )
    run = shared ? asBand(made, band.id) : made
    known.set(key, run)
  }
  return run
}

/** Rows have no element that stands for their band: all of them do. */
const asBand = (run: Run, id: string): Run => ({
  ...run,
  places: [{ id, from: 0, to: run.lines - 1 }, ...run.places],
})

/** Whether a band is seen at all, or what the platform wants around it. */
function shownOf(band: Band, c: CompileContext, form: Form): boolean | { before: string; after: string } {
  const shown = band.when ? c.conditions(band.when) : true
  return form.styles === 'inline' && band.show === 'narrow' ? false : shown
}

/** Neighbours that share a wrapper, or one band alone in its own. */
interface Group {
  bands: Band[]
  wrapper: NonNullable<BandTree['wrapper']> | null
}

function groupsOf(bands: readonly Band[], c: CompileContext, form: Form): Group[] {
  const groups: Group[] = []
  for (const band of bands) {
    if (shownOf(band, c, form) === false) continue
    const wrapper = form.apart ? null : treeOf(band, c).wrapper
    const last = groups.at(-1)
    if (wrapper && last?.wrapper?.like === wrapper.like) last.bands.push(band)
    else groups.push({ bands: [band], wrapper })
  }
  return groups
}

/** Opening and end of the wrappers that are shared, by their trees. */
const wrappers = new WeakMap<BandTree['rows'], Map<string, [Run, Run]>>()

function wrapperText(tree: ElementContent[], form: Form): [Run, Run] {
  const key = `${form.styles}:${form.print}`
  let known = wrappers.get(tree)
  if (!known) wrappers.set(tree, (known = new Map()))
  let runs = known.get(key)
  if (!runs) {
    const nodes = form.styles === 'inline' ? withoutSheet(tree) : tree
    const root: Root = { type: 'root', children: toComments(nodes) }
    const [open, end] = printAround(root, { indent: indentOf(form), marks: false }, DEPTH)
    known.set(key, (runs = [textRun(open), textRun(end)]))
  }
  return runs
}

const textRun = (html: string): Run => ({ ...nothing, html, lines: html.split('\n').length - 1 })

/** Spaces for each depth of a printed tree. */
const indentOf = ({ print }: Pick<Form, 'print'>): number => (print === 'readable' ? 2 : 0)

/** Trees as text. @param between what the platform wants before and after, if anything @param shared they stand in a shared wrapper */
function runOf(
  nodes: ElementContent[],
  rules: ReadonlyMap<string, Rule>,
  form: Form,
  between: true | { before: string; after: string },
  shared = false,
): Run {
  const indent = indentOf(form)
  const depth = shared ? ROWS : DEPTH
  const printed = printMapped(toComments(nodes), depth, { indent, marks: form.marks })
  const base = { rules, parts: null }
  // Compact it is so once: what did not change is not looked at again.
  const compact = form.print === 'compact' ? compacted : (html: string) => html
  if (between === true)
    return { ...base, html: compact(`${printed.html}\n`), lines: printed.lines, places: printed.places }
  const pad = ' '.repeat(indent * DEPTH)
  return {
    ...base,
    html: compact(`${pad}${between.before}\n${printed.html}\n${pad}${between.after}\n`),
    lines: printed.lines + 2,
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
  lang: email.lang,
  style: styleOf(house, email.styles),
  src: o.src,
  countdowns: o.countdowns,
  emit: o.emit,
  shown: o.shown,
  fields: o.fields ?? asWritten,
  conditions: o.conditions ?? conditionsAsWritten,
})

/** The trees of an email's bands, in their order: what lenses, checks and forecasts look at. */
export const bandTrees = (
  email: Email,
  house: HouseStyle,
  options: CompileOptions,
): { band: Band; tree: BandTree }[] => {
  const c = contextOf(email, house, options)
  return email.bands.map((band) => ({ band, tree: treeOf(band, c) }))
}

/**
 * An email as HTML: the same input gives the same bytes. Stored email -> settled styles -> a tree for each
 * band -> passes -> text. One written by hand comes out as it was written, but for pictures and fields; one of
 * plain text only has no HTML.
 */
export function compileMapped(written: Email, house: HouseStyle, options: CompileOptions): Compiled {
  const email = trackedEmail(written)
  if (email.way === 'hand' && email.hand)
    return whole(byHandHtml(email.hand, options.src, options.fields ?? asWritten, options.styles))
  if (email.way === 'plain') return whole('')
  const c = contextOf(email, house, options)
  const form = formOf(options)
  return form.styles === 'head' ? compileHead(email, c, form) : compileBands(email, c, form)
}

const formOf = (options: CompileOptions): Form => ({
  apart: options.apart ?? false,
  marks: options.marks ?? false,
  styles: options.styles ?? 'both',
  print: options.print ?? 'readable',
  pass: options.pass,
})

/**
 * Compiles an email band by band, for who has to give way between them; compiled whole afterwards, it is only joined, since
 * each band is remembered.
 */
export function* bandByBand(written: Email, house: HouseStyle, options: CompileOptions): Generator<void> {
  const email = trackedEmail(written)
  if (email.way !== 'bands') return
  const c = contextOf(email, house, options)
  const form = formOf(options)
  for (const band of email.bands) {
    treeOf(band, c)
    yield
  }
  for (const { bands, wrapper } of groupsOf(email.bands, c, form))
    for (const band of bands) {
      textOf(band, c, form, wrapper !== null)
      yield
    }
}

/** A text without bands. */
const whole = (html: string): Compiled => ({
  html,
  places: () => [],
  parts: () => ({ before: html, bands: [], after: '' }),
})

function compileBands(email: Email, c: CompileContext, form: Form): Compiled {
  const sheets: Sheets = { sheet: form.styles !== 'inline' }
  const own = new Map<string, string>()
  const runs = groupsOf(email.bands, c, form).flatMap(({ bands, wrapper }): Run[] => {
    const inside = bands.map((band) => {
      const run = textOf(band, c, form, wrapper !== null)
      own.set(band.id, run.html)
      return run
    })
    if (!wrapper) return inside
    const [open, end] = wrapperText(wrapper.tree, form)
    return [open, ...inside, end]
  })
  const body = [bodyTree(email, c, sheets)]
  return around(email, c, form, sheets.sheet ? body : withoutSheet(body), runs, own, sheets)
}

/** All styles in the head: their names are counted through the whole document, so no band is remembered. */
function compileHead(email: Email, c: CompileContext, form: Form): Compiled {
  const pass = new StylesToHead()
  const body = pass.apply([bodyTree(email, c, { sheet: true })])
  const own = new Map<string, string>()
  const runs = groupsOf(email.bands, c, form).flatMap(({ bands, wrapper }): Run[] => {
    const [open, end] = wrapper ? wrapperText(pass.apply(wrapper.tree), form) : [nothing, nothing]
    const inside = bands.map((band) => {
      const { tree, rows, rules } = treeOf(band, c)
      const shown = shownOf(band, c, form)
      const between = typeof shown === 'object' ? shown : true
      const run = runOf(pass.apply(wrapper ? rows : tree), rules, form, between, wrapper !== null)
      own.set(band.id, run.html)
      return wrapper ? asBand(run, band.id) : run
    })
    return [open, ...inside, end]
  })
  return around(email, c, form, body, runs, own, { sheet: true, own: pass.lines() })
}

/** The document around its bands. @param runs bands, and what opens and ends shared wrappers @param own what each band is written as */
function around(
  email: Email,
  c: CompileContext,
  form: Form,
  body: ElementContent[],
  runs: readonly Run[],
  own: ReadonlyMap<string, string>,
  sheets: Sheets,
): Compiled {
  const run = joinAll(runs)
  // A font that no band says is not asked for.
  const webFonts = c.style.webFonts.filter(
    (f) => run.html.includes(f.family) || pageFamily(c).includes(f.family),
  )
  const lean = webFonts.length === c.style.webFonts.length ? c : { ...c, style: { ...c.style, webFonts } }
  const root = rootToComments(documentTree(email, lean, body, run.rules, sheets))
  const [before, after] = printAround(root, { indent: indentOf(form), marks: false })
  const places = () => {
    const out: Lines[] = []
    collect(run, before.split('\n').length, out)
    return out
  }
  const bands = () => email.bands.map(({ id }) => ({ id, html: own.get(id) ?? '' }))
  const compact = form.print === 'compact'
  const html = compact
    ? together([compacted(before), run.html, compacted(after)])
    : `${before}${run.html}${after}`
  return {
    html,
    places,
    parts: () => ({ before, bands: bands(), after }),
  }
}

/** The form in which an email's HTML leaves, unless another is asked for. */
export const printOf = ({ readable }: Pick<Email, 'readable'>): Form['print'] =>
  readable ? 'readable' : 'compact'

/** An email as HTML. */
export const compile = (email: Email, house: HouseStyle, options: CompileOptions): string =>
  compileMapped(email, house, options).html
