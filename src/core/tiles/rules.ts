import { gradientAtNight, nightGradient } from '../email/gradient'
import type { Gradient, Sides } from '../email/styles'
import { trim } from '../html/element'
import { box } from './space'

/** Where a rule holds: on narrow, on wide, at night, under a pointer, or in the Word engine; `vml` stands for that engine's drawings. */
export type RuleScope = 'narrow' | 'wide' | 'night' | 'hover' | 'custom' | 'verbatim' | 'word' | 'vml'
export interface Rule {
  scope: RuleScope
  /** Class name; it says what the rule does, so that the output can be read. */
  name: string
  declarations: string
  /** The whole selector, for custom code. */
  selector?: string
  /** The media query of custom code. */
  media?: string
}

/** Columns that lie beneath each other are parted by this at least, px (common practice, no source). */
export const STACKED = 16

/**
 * A line height as a multiple of the letters' size: it grows with letters that a reader enlarges.
 * @param line px @param size px
 */
// Up: a line that came to a hair less than its px would stand a whole px higher.
export const lineHeight = (line: number, size: number): string =>
  String(Math.ceil(Number(((line / size) * 1e4).toFixed(6))) / 1e4)

/** A number as part of a class name. */
export const inName = (n: number): string => trim(n).replace('.', '_').replace('-', 'm')
const hex = (color: string): string => color.slice(1)

/**
 * The rules of the head that a band asks for. Everything that can stand in an element stands there; a rule is
 * for what cannot: another look on narrow, at night, under a pointer. Each way of asking says why it is
 * needed and gives back a class name. `!important` is needed throughout, since the rules have to prevail over
 * the styles in the elements. Rules that one kind of tile needs stand in its folder.
 */
export class Rules {
  readonly used = new Map<string, Rule>()

  /** Asks for a rule under a class name, which it gives back. The same name always means the same rule. */
  ask(scope: RuleScope, name: string, declarations: string): string {
    this.used.set(`${scope}:${name}`, { scope, name, declarations })
    return name
  }

  /** A column takes the whole width once columns are stacked: its own greatest width would leave room beside it. */
  stack = () => this.ask('narrow', 'stack', 'max-width:100%!important')

  /** The gap between columns lies across once they are stacked, and is high enough to part them. */
  gap = (px: number) =>
    this.ask(
      'narrow',
      `gap${inName(px)}`,
      `display:block!important;width:100%!important;height:${trim(Math.max(px, STACKED))}px!important`,
    )

  /** Space that differs on narrow. @param p as it lies on screen, px */
  padding = (p: Sides) =>
    this.ask(
      'narrow',
      `p${[p.top, p.right, p.bottom, p.left].map(inName).join('-')}`,
      `padding:${box(p)}!important`,
    )

  /** What is for wide only goes on narrow. */
  hide = () => this.ask('narrow', 'hide', 'display:none!important')

  /** What is for narrow only starts hidden, so that a reader without media queries does not show both of a pair of twins. */
  show = (display: 'table' | 'block' | 'table-row' | 'inline') =>
    this.ask('narrow', `show-${display}`, `display:${display}!important`)

  /** Letters of another size on narrow. @param size px @param line px */
  letters = (size: number, line: number) =>
    this.ask(
      'narrow',
      `t${inName(size)}-${inName(line)}`,
      `font-size:${trim(size)}px!important;line-height:${lineHeight(line, size)}!important`,
    )

  /** What the Word engine alone is told. */
  word = (name: string, declarations: string) => this.ask('word', name, declarations)

  /** A line whose runs differ in size grows with the largest: the Word engine would crop it at the line height. */
  loose = () => this.word('loose', 'mso-line-height-rule:at-least')

  /** The Word engine draws something: its namespaces stand on the root. */
  vml = () => void this.ask('vml', 'vml', '')

  /**
   * Cells in an order of their own once stacked: only a flex column can do that; without it they keep the
   * order of the source.
   */
  ordered = () =>
    this.ask(
      'narrow',
      'ordered',
      'display:flex!important;flex-direction:column!important;align-items:center!important',
    )
  place = (n: number) => this.ask('narrow', `place${n}`, `order:${n}!important`)

  /** Columns of one height, so that their grounds end together; without flex each is as tall as its content. */
  even = () => this.ask('wide', 'even', 'display:flex!important')

  /** Middle or bottom of a column that was made taller, or that stands beside one. */
  settle = (valign: 'middle' | 'bottom') =>
    this.ask(
      'wide',
      `to-${valign}`,
      `display:flex!important;flex-direction:column;justify-content:${valign === 'middle' ? 'center' : 'flex-end'}`,
    )

  /** Colours of the night. */
  nightInk = (color: string) => this.ask('night', `n-ink-${hex(color)}`, `color:${color}!important`)
  nightGround = (color: string) =>
    this.ask('night', `n-ground-${hex(color)}`, `background-color:${color}!important`)
  /** The ground of the night where there is a gradient: that in its own colours of the night, or none where the night has a plain ground. @param ground of the night */
  nightGradient = (g: Gradient, ground: string | undefined) => {
    if (!gradientAtNight(g))
      return ground && this.ask('night', 'n-ground-plain', 'background-image:none!important')
    const stops = g.stops.map((s) => `${hex(s.nightColor ?? s.color)}_${inName(s.at)}`)
    const name = `n-ground-${g.angle}-${stops.join('-')}`
    return this.ask('night', name, `background-image:${nightGradient(g)}!important`)
  }
  nightEdge = (color: string) => this.ask('night', `n-edge-${hex(color)}`, `border-color:${color}!important`)

  /** What custom code does under a media query or a pointer; its selectors are scoped already. */
  custom = (media: string, selector: string, declarations: string) => {
    this.used.set(`custom:${media}:${selector}:${declarations}`, {
      scope: 'custom',
      name: '',
      selector,
      declarations,
      ...(media ? { media } : {}),
    })
  }

  /** Fonts and animations of custom code. */
  verbatim = (rule: string) => {
    this.used.set(`verbatim:${rule}`, { scope: 'verbatim', name: '', declarations: rule })
  }
}

/**
 * Narrow begins at this width and below, px. Phones are 320 to 430 wide; the widest email is never shown in
 * full there.
 */
export const NARROW = 480

const selectorOf = (r: Rule): string =>
  r.selector ?? `.${r.name}${r.scope === 'hover' && !r.name.includes(':') ? ':hover' : ''}`

/**
 * The rules as lines of a style sheet, in a settled order. Night rules stand three times: in the media query,
 * and beneath the two attributes that one webmail gives to elements whose colours it has changed (`data-ogsc`
 * for the letters, `data-ogsb` for the ground; from memory).
 */
export function sheetLines(rules: ReadonlyMap<string, Rule>): string[] {
  const by = (scope: RuleScope) =>
    [...rules.values()]
      .filter((r) => r.scope === scope)
      .sort((a, b) => (selectorOf(a) < selectorOf(b) ? -1 : 1))
  const lines = (list: Rule[], indent: string) =>
    list.map((r) => `${indent}${selectorOf(r)}{${r.declarations}}`)
  const within = (query: string, list: Rule[]) =>
    list.length ? [`@media ${query}{`, ...lines(list, '  '), '}'] : []
  const night = by('night')
  const custom = by('custom')
  const media = [...new Set(custom.map((r) => r.media ?? ''))]
  const changed = (mark: string, list: Rule[]) =>
    list.map((r) => `[${mark}] ${selectorOf(r)}{${r.declarations}}`)
  return [
    ...lines(by('hover'), ''),
    ...within(`(max-width:${NARROW}px)`, by('narrow')),
    ...within(`(min-width:${NARROW + 1}px)`, by('wide')),
    ...within('(prefers-color-scheme:dark)', night),
    ...changed(
      'data-ogsc',
      night.filter((r) => r.name.startsWith('n-ink') || r.name.startsWith('n-edge')),
    ),
    ...changed(
      'data-ogsb',
      night.filter((r) => r.name.startsWith('n-ground')),
    ),
    ...by('verbatim').map((r) => r.declarations),
    ...media.flatMap((m) => {
      const own = custom.filter((r) => (r.media ?? '') === m)
      return m ? within(m, own) : lines(own, '')
    }),
  ]
}

/** Rules for the Word engine alone, in one line. */
export const wordLines = (rules: ReadonlyMap<string, Rule>): string =>
  [...rules.values()]
    .filter((r) => r.scope === 'word')
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .map((r) => `.${r.name}{${r.declarations}}`)
    .join('')
