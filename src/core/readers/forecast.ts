import type { Comment, Element, ElementContent, Root, RootContent } from 'hast'
import { fromHtml } from 'hast-util-from-html'
import type { Parts } from '../compile'
import { branchOf } from '../html/conditional'
import { print } from '../html/print-foreign'
import { tagsOf } from '../html/tags'
import { behaviours, type Behaviour, type BehaviourId } from '../night/behaviours'
import { recoloredHand } from '../night/by-hand'
import { byDay, recoloredAround, withRules } from '../night/page'
import { recolored } from '../night/recolor'
import type { Effect, Habit, Tell } from './habits/habit'
import { lacks } from './habits/lacks'
import type { Profile } from './profiles'
import { marksOf, type MarkTable } from './support'

/** How a message is looked at in a reader. */
export interface Looking {
  night: boolean
  /** The message's bytes as it leaves: around its bands, and each of them. Where a reader cuts off is told by them. */
  weights?: { around: number; bands: ReadonlyMap<string, number> } | undefined
}

/** An email as one reader shows it. */
export interface Forecast {
  /** Its text, parted as the compiled one was. */
  parts: Parts
  /** What the reader did to it that is seen, what matters most first. */
  effects: Effect[]
}

/** A piece of a message as a reader shows it. */
interface Piece {
  html: string
  effects: readonly Effect[]
}

/** Stands for the bands in the document around them. */
const BANDS = 'bands'
const CLIPPED =
  '<div style="padding:16px;font-family:Arial,sans-serif;font-size:14px;color:#5f6368">[Message clipped] <u>View entire message</u></div>'

/**
 * Foretells how a reader shows emails. What has not changed since the last time, or stands in several emails, is remembered: a piece is
 * made of its own text alone.
 */
export class Forecaster {
  private readonly habits: readonly Habit[]
  private known = new Map<string, Piece>()

  constructor(
    readonly profile: Profile,
    table: MarkTable,
  ) {
    const own = profile.data ? [lacks(marksOf(table, profile.data), table.at)] : []
    this.habits = [...own, ...profile.does]
  }

  /** @param parts of the compiled email, each band in a wrapper of its own; one written by hand has none */
  of(parts: Parts, looking: Looking): Forecast {
    const used = new Map<string, Piece>()
    const once = (key: string, make: () => Piece): Piece => {
      const piece = this.known.get(key) ?? make()
      used.set(key, piece)
      return piece
    }
    const how = looking.night ? 'night' : 'day'
    const around = once(`${how}:page:${parts.before}:${parts.after}`, () => this.page(parts, looking.night))
    const [before, after = ''] = around.html.split(`<!--${BANDS}-->`) as [string, string?]
    const ground = groundOf(parts.before)
    const bands = parts.bands.map(({ id, html }) => ({
      id,
      ...once(`${how}:${ground}:${html}`, () => this.band(html, ground, looking.night)),
    }))
    this.known = used
    const cut = this.cut(bands, looking)
    return {
      parts: { before, bands: cut.bands.map(({ id, html }) => ({ id, html })), after },
      effects: this.ordered(looking.night, [
        ...this.darkened(looking.night),
        ...around.effects,
        ...cut.bands.flatMap((b) => b.effects),
        ...cut.effects,
      ]),
    }
  }

  /** What stands around the bands, or the whole of an email that has none. */
  private page({ before, bands, after }: Parts, night: boolean): Piece {
    const whole = this.branch(`${before}${bands.length ? `<!--${BANDS}-->` : ''}${after}`)
    const { tree, effects } = this.passed(fromHtml(whole))
    const page = this.habits.flatMap((h) => (h.page ? [h.page] : []))
    const head = headOf(tree)
    if (page.length && head)
      head.children.unshift({
        type: 'element',
        tagName: 'style',
        properties: {},
        children: [{ type: 'text', value: page.join('') }],
      })
    const own = this.habits.filter((h) => h.page && h.says)
    const html = print(tree)
    return {
      html: this.dark(html, night, bands.length ? recoloredAround : recoloredHand),
      effects: [...effects, ...own],
    }
  }

  private band(html: string, ground: string, night: boolean): Piece {
    const { tree, effects } = this.passed(fromHtml(this.branch(html), { fragment: true }))
    const behaviour = this.behaviour(night)
    const nodes = tree.children as ElementContent[]
    const shown = behaviour?.recolors ? recolored(nodes, behaviour, ground) : nodes
    return { html: this.dark(shown.map((n) => print(n as RootContent)).join(''), night), effects }
  }

  /** What the reader sees of the conditional comments; a condition that is broken is left as it is, for all of them to pass over. */
  private branch(html: string): string {
    try {
      const seen = branchOf(html, this.profile.branch)
      return this.profile.branch === 'word' ? closed(seen) : seen
    } catch (error) {
      if (error instanceof SyntaxError) return html
      throw error
    }
  }

  private dark(
    html: string,
    night: boolean,
    recolor?: (html: string, behaviour: Behaviour) => string,
  ): string {
    const behaviour = this.behaviour(night)
    if (!behaviour) return byDay(html)
    return withRules(recolor ? recolor(html, behaviour) : html, behaviour)
  }

  /** A tree after all habits, from within. */
  private passed(tree: Root): { tree: Root; effects: Effect[] } {
    const met = new Set<Effect>()
    const tell: Tell = (effect) => met.add(effect)
    const inside = (nodes: readonly RootContent[]): RootContent[] =>
      nodes.flatMap((node): RootContent[] => {
        if (node.type === 'comment') return isMark(node) ? [node] : []
        if (node.type !== 'element') return [node]
        const e: Element = { ...node, children: inside(node.children) as ElementContent[] }
        return e.tagName === 'style' ? this.sheet(e, tell) : this.element(e, tell)
      })
    return { tree: { ...tree, children: inside(tree.children) }, effects: [...met] }
  }

  private element(e: Element, tell: Tell): ElementContent[] {
    let at = 0
    for (const habit of this.habits) {
      at++
      const others = habit.element?.(e, tell)
      if (!others) continue
      // What takes its place goes through what is left to be done.
      const rest = this.habits.slice(at)
      return others.map((o) => {
        if (o.type === 'element' && !e.children.includes(o)) for (const h of rest) h.element?.(o, tell)
        return o
      })
    }
    return [e]
  }

  private sheet(e: Element, tell: Tell): ElementContent[] {
    let css: string | null = e.children.map((c) => (c.type === 'text' ? c.value : '')).join('')
    for (const habit of this.habits) if (css !== null && habit.sheet) css = habit.sheet(css, tell)
    return css === null ? [] : [{ ...e, children: [{ type: 'text', value: css }] }]
  }

  /** The message cut off where the reader does. */
  private cut<B extends { id: string; html: string }>(
    bands: B[],
    { weights }: Looking,
  ): { bands: B[]; effects: Effect[] } {
    const limit = this.profile.cutsAfter
    if (!limit || !weights) return { bands, effects: [] }
    let bytes = weights.around
    const over = bands.findIndex(({ id }) => (bytes += weights.bands.get(id) ?? 0) > limit)
    if (over < 0) return { bands, effects: [] }
    const kept = bands.map((b, i) => (i < over ? b : { ...b, html: i === over ? CLIPPED : '' }))
    return { bands: kept, effects: [clipped] }
  }

  /** Its dark, where it is dark. */
  private behaviour(night: boolean): Behaviour | null {
    const { dark, alwaysDark } = this.profile
    return dark && (night || alwaysDark) ? behaviours[dark] : null
  }

  /** What its dark does to colours. */
  private darkened(night: boolean): Effect[] {
    const behaviour = this.behaviour(night)
    if (!behaviour?.recolors) return []
    return [{ says: `colours ${RECOLORED[behaviour.id]}`, rests: behaviour.rests, weight: 8 }]
  }

  /** Effects that are seen in its windows at that time, each once, the weightiest first. */
  private ordered(night: boolean, effects: readonly Effect[]): Effect[] {
    const seen = effects.filter(
      (e) => e.says && (night || !e.night) && (!e.narrow || this.profile.windows.narrow !== null),
    )
    const by = new Map(seen.map((e) => [e.says, e]))
    return [...by.values()].sort((a, b) => b.weight - a.weight || (a.says < b.says ? -1 : 1))
  }
}

/** What is said of each kind of dark. */
const RECOLORED: Record<BehaviourId, string> = {
  written: 'as written for the night',
  attributes: 'partly inverted, its own rules kept',
  partly: 'partly inverted',
  fully: 'fully inverted',
  desktop: 'taken away where they are light',
}

const clipped: Effect = {
  says: 'cut off before its end',
  rests: 'About 102 KB of HTML (common practice, no source).',
  weight: 10,
}

const isMark = (node: Comment): boolean => node.value === BANDS

/** The colour behind the bands, by day. */
const groundOf = (before: string): string =>
  /background-color:\s?(#[0-9a-f]{6})/i.exec(before.slice(Math.max(0, before.lastIndexOf('<body'))))?.[1] ??
  '#ffffff'

const headOf = (tree: Root): Element | undefined => {
  const html = tree.children.find((c): c is Element => c.type === 'element' && c.tagName === 'html')
  return html?.children.find((c): c is Element => c.type === 'element' && c.tagName === 'head')
}

/** As a parser of HTML can read it: elements of XML that close themselves with end tags, settings in XML left out. */
function closed(written: string): string {
  // Islands of XML would end the head for a parser of HTML.
  const html = written
    .split('<xml>')
    .map((piece, i) => (i ? piece.slice(piece.indexOf('</xml>') + 6) : piece))
    .join('')
  let out = ''
  let at = 0
  for (const tag of tagsOf(html)) {
    if (!tag.selfClosing || !tag.name.includes(':')) continue
    out += `${html.slice(at, tag.to - 2)}></${tag.name}>`
    at = tag.to
  }
  return out + html.slice(at)
}

/** The one sentence that matters, of up to three effects. */
export function sentenceOf(effects: readonly Effect[]): string {
  if (!effects.length) return 'As it was made.'
  const said = effects
    .slice(0, 3)
    .map((e) => e.says)
    .join(', ')
  return `${said[0]!.toUpperCase()}${said.slice(1)}.`
}
