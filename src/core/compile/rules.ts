import type { Sides } from '../email/styles'
import { box, trim } from './element'

/** Where a rule holds: everywhere, on narrow, on wide, at night, or under a pointer. */
export type RuleScope = 'all' | 'narrow' | 'wide' | 'night' | 'hover' | 'custom' | 'verbatim'
export interface Rule {
  scope: RuleScope
  /** Class name; it says what the rule does, so that the output can be read. */
  name: string
  declarations: string
  /** What follows the class in the selector; for custom code, the whole selector. */
  inside?: string
  /** The media query of custom code. */
  media?: string
}

const u = (n: number): string => trim(n).replace('.', '_').replace('-', 'm')
const hex = (color: string): string => color.slice(1)

/**
 * The rules of the head that a band asks for. Everything that can stand in an element stands there; a rule is
 * for what cannot: another look on narrow, at night, under a pointer. Each way of asking says why it is
 * needed and gives back a class name. `!important` is needed throughout, since the rules have to prevail over
 * the styles in the elements.
 */
export class Rules {
  readonly used = new Map<string, Rule>()

  private add(scope: RuleScope, name: string, declarations: string, inside?: string): string {
    this.used.set(`${scope}:${name}${inside ?? ''}`, {
      scope,
      name,
      declarations,
      ...(inside ? { inside } : {}),
    })
    return name
  }

  /**
   * A column takes the whole width once columns are stacked: its own greatest width would leave room beside
   * it.
   */
  stack = () => this.add('narrow', 'stack', 'max-width:100%!important')
  /** The gap between columns lies across once they are stacked. */
  gap = (px: number) =>
    this.add(
      'narrow',
      `gap${u(px)}`,
      `display:block!important;width:100%!important;max-width:100%!important;height:${trim(px)}px!important`,
    )
  /** Space that differs on narrow. @param p as it lies on screen, px */
  padding = (p: Sides) =>
    this.add(
      'narrow',
      `p${[p.top, p.right, p.bottom, p.left].map(u).join('-')}`,
      `padding:${box(p)}!important`,
    )
  /** What is for wide only goes on narrow. */
  hide = () => this.add('narrow', 'hide', 'display:none!important')
  /**
   * What is for narrow only starts hidden, so that a reader without media queries does not show both of a
   * pair of twins.
   */
  show = (display: 'table' | 'table-row' | 'inline') =>
    this.add('narrow', `show-${display}`, `display:${display}!important`)
  /** A thumb wants the whole width, and 44 px of height (WCAG 2.2, 2.5.5). */
  wideButton = () => this.add('narrow', 'btn', 'display:block!important;text-align:center!important')
  /** Beside other cells a button's own space would leave no room for its words. */
  tightButton = () =>
    this.add('narrow', 'btn-tight', 'padding-left:6px!important;padding-right:6px!important')
  /**
   * Space above and below that makes a button 44 px high (WCAG 2.2, 2.5.5).
   * @param px on each of the two sides
   */
  tallButton = (px: number) =>
    this.add(
      'narrow',
      `btn-tall${u(px)}`,
      `padding-top:${trim(px)}px!important;padding-bottom:${trim(px)}px!important`,
    )
  /** A picture that fills its column fills the window once columns are stacked. */
  fill = () => this.add('narrow', 'full', 'max-width:100%!important')
  /** Letters of another size on narrow. @param size px @param line px */
  letters = (size: number, line: number) =>
    this.add(
      'narrow',
      `t${u(size)}-${u(line)}`,
      `font-size:${trim(size)}px!important;line-height:${trim(line)}px!important`,
    )
  /** A gap of another height on narrow. */
  height = (px: number) =>
    this.add('narrow', `h${u(px)}`, `height:${trim(px)}px!important;line-height:${trim(px)}px!important`)
  /**
   * Cells in an order of their own once stacked: only a flex column can do that; without it they keep the
   * order of the source.
   */
  ordered = () => this.add('narrow', 'ordered', 'display:flex!important;flex-direction:column!important')
  place = (n: number) => this.add('narrow', `place${n}`, `order:${n}!important`)
  /** A menu's links one below the other. */
  menuColumn = () => this.add('narrow', 'menu-col', 'display:block!important;padding:10px 0!important')
  menuMark = () => this.add('narrow', 'menu-mark', 'display:none!important')
  /** A wide table scrolls in its own box; a width of 0 that grows keeps it from widening the email. */
  scroll = () =>
    this.add('narrow', 'scroll', 'width:0!important;min-width:100%!important;overflow-x:auto!important')
  /** Columns of a scrolling table keep a width that can be read. */
  scrollCell = () => this.add('narrow', 'scroll-cell', 'min-width:96px!important')
  /** Rows of a table turned to cards: every cell on a line of its own behind its column's name. */
  card = () =>
    this.add('narrow', 'card', 'display:block!important;width:auto!important;text-align:inherit!important')
  cardHead = () => this.add('narrow', 'card-head', 'display:none!important')
  /**
   * Columns of one height, so that their grounds end together; without flex each is as tall as its content.
   */
  even = () => this.add('wide', 'even', 'display:flex!important')
  /** Middle or bottom of a column that was made taller. */
  settle = (valign: 'middle' | 'bottom') =>
    this.add(
      'wide',
      `to-${valign}`,
      `display:flex!important;flex-direction:column;justify-content:${valign === 'middle' ? 'center' : 'flex-end'}`,
    )
  /** Colours of the night. */
  nightInk = (color: string) => this.add('night', `n-ink-${hex(color)}`, `color:${color}!important`)
  nightGround = (color: string) =>
    this.add('night', `n-ground-${hex(color)}`, `background-color:${color}!important`)
  nightEdge = (color: string) => this.add('night', `n-edge-${hex(color)}`, `border-color:${color}!important`)
  /** A button under a pointer. */
  hover = (background: string | undefined, color: string | undefined) =>
    this.add(
      'hover',
      `hover${background ? `-${hex(background)}` : ''}${color ? `-on-${hex(color)}` : ''}`,
      [background && `background-color:${background}!important`, color && `color:${color}!important`]
        .filter(Boolean)
        .join(';'),
    )
  /** What custom code does under a media query or a pointer; its selectors are scoped already. */
  custom = (media: string, selector: string, declarations: string) => {
    this.used.set(`custom:${media}:${selector}:${declarations}`, {
      scope: 'custom',
      name: '',
      inside: selector,
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

const selector = (r: Rule) =>
  `${r.name && `.${r.name}`}${r.inside ?? ''}${r.scope === 'hover' ? ':hover' : ''}`

/**
 * The rules as lines of a style sheet, in a settled order. Night rules stand three times: in the media query,
 * and beneath the two attributes that one webmail gives to elements whose colours it has changed (`data-ogsc`
 * for the letters, `data-ogsb` for the ground; from memory).
 */
export function sheetLines(rules: ReadonlyMap<string, Rule>): string[] {
  const by = (scope: RuleScope) =>
    [...rules.values()].filter((r) => r.scope === scope).sort((a, b) => (selector(a) < selector(b) ? -1 : 1))
  const lines = (list: Rule[], indent: string) =>
    list.map((r) => `${indent}${selector(r)}{${r.declarations}}`)
  const within = (query: string, list: Rule[]) =>
    list.length ? [`@media ${query}{`, ...lines(list, '  '), '}'] : []
  const night = by('night')
  const custom = by('custom')
  const media = [...new Set(custom.map((r) => r.media ?? ''))]
  const changed = (mark: string, list: Rule[]) =>
    list.map((r) => `[${mark}] ${selector(r)}{${r.declarations}}`)
  return [
    ...lines(by('all'), ''),
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
