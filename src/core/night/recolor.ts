import type { Element, ElementContent } from 'hast'
import { readHex } from '../color/hex'
import { colorOf, styleOfElement } from '../html/values'
import type { Rule } from '../tiles/rules'
import type { Behaviour, Behind, Said } from './behaviour'

/** Where a colour of the email stands. */
export interface Use {
  what: 'ground' | 'words' | 'border'
  color: string
  /** What it is read on, or stands beside. */
  ground: string
  behind: Behind
  /** What the element says that says the colour. */
  said: Said
  /** The grounds behind, the nearest first. */
  grounds: readonly Layer[]
  /** The mark of the band, cell or tile it stands in. */
  mark: string | null
  /** Letters of words, px. */
  size: number
  bold: boolean
  /** The same by the email's own rules for the dark. */
  night: { color: string; ground: string }
  /** Characters of the words, so that what fills most comes first. */
  length: number
}

/** A ground with what else its element says. */
export interface Layer extends Said {
  ground: string
}

/** What the email's own rules for the dark say, by class name: a ground, or words. */
export type NightRules = ReadonlyMap<string, { ground?: string; words?: string }>

/** Reads them off the rules that bands ask for. */
export function nightRulesOf(rules: Iterable<Rule>): NightRules {
  const found = new Map<string, { ground?: string; words?: string }>()
  for (const { scope, name: own, declarations, selector, media } of rules) {
    const dark = scope === 'custom' && /prefers-color-scheme:\s*dark/.test(media ?? '')
    if (scope !== 'night' && !dark) continue
    // Of custom code, the class that its rule ends in.
    const name = dark ? (/\.([\w-]+)$/.exec(selector ?? '')?.[1] ?? '') : own
    const color = COLOR.exec(declarations)?.[0]
    const plain = color && readHex(color)
    if (!plain) continue
    if (/^background/.test(declarations)) found.set(name, { ...found.get(name), ground: plain })
    else if (/^color/.test(declarations)) found.set(name, { ...found.get(name), words: plain })
  }
  return found
}

interface Context {
  behind: Behind
  grounds: readonly Layer[]
  /** What the element says that the words have their ink from. */
  said: Said
  /** By the email's own rules for the dark. */
  night: { ground: string; words: string }
  words: string
  size: number
  bold: boolean
  link: boolean
  mark: string | null
}

/** The colours of a gradient that an element draws. */
const gradientIn = (style: Record<string, string>): string[] => {
  const value = style['background-image'] ?? style.background ?? ''
  return /gradient\(/.test(value)
    ? [...value.matchAll(new RegExp(COLOR, 'g'))].flatMap(([c]) => readHex(c) ?? [])
    : []
}

/** The first colour in a value. */
const COLOR = /#[0-9a-fA-F]{3,6}\b/

const hex = (value: string | undefined): string | null => {
  const color = colorOf(value)
  return color ? readHex(color) : null
}

/** All that a ground is said with. */
const BACKGROUND = /^background(?:-|$)/

/** Whether a gradient is taken away. */
const goes = ({ drawn, plain }: Said, behaviour: Behaviour | null): boolean =>
  !!drawn && !!plain && !!behaviour?.losesGradients

/** Declarations whose colours are those of a ground, of words, of a border. */
const GROUNDS = /^background(?:-color)?$/
const BORDERS = /^border(?:-(?:top|right|bottom|left))?(?:-color)?$/

/** Walks what was compiled with what stands behind each colour, and gives the same with other colours. @param seen called with every use of a colour */
class Walk {
  constructor(
    private readonly behaviour: Behaviour | null,
    private readonly seen: (use: Use) => void,
    private readonly rules: NightRules = new Map(),
  ) {}

  nodes(nodes: readonly ElementContent[], at: Context): ElementContent[] {
    return nodes.map((node) => {
      if (node.type === 'element') return this.element(node, at)
      if (node.type === 'text') {
        this.words(node.value, at)
        return node
      }
      // What the Word engine alone sees is recoloured by nobody.
      if (!('children' in node) || (node.type === 'conditional' && node.hidden)) return node
      return { ...node, children: this.nodes(node.children, at) }
    })
  }

  private words(
    value: string,
    { behind, grounds, said, words, night, size, bold, mark, link }: Context,
  ): void {
    const length = value.trim().length
    if (!length) return
    const own = { color: night.words, ground: night.ground }
    this.seen({
      what: 'words',
      color: words,
      ground: behind.before,
      behind,
      grounds,
      said: { ...said, link },
      night: own,
      mark,
      size,
      bold,
      length,
    })
  }

  private element(node: Element, outer: Context): ElementContent {
    if (this.behaviour?.spares?.has(node.tagName)) return node
    const style = styleOfElement(node)
    const at = this.contextOf(node, style, outer)
    const own = this.own(node, style, outer, at)
    return { ...node, properties: own, children: this.nodes(node.children, at) }
  }

  /** What stands behind and how words are set within an element. */
  private contextOf(node: Element, style: Record<string, string>, outer: Context): Context {
    const link = outer.link || node.tagName === 'a'
    const picture =
      /url\(/.test(style['background-image'] ?? style.background ?? '') || !!node.properties.background
    const ground =
      hex(style['background-color']) ??
      hex(style.background) ??
      hex(node.properties.bgColor as string | undefined)
    const ink = hex(style.color) ?? undefined
    let { behind, grounds } = outer
    const drawn = gradientIn(style)
    if (drawn.length) {
      const middle = drawn[drawn.length >> 1]!
      const layer: Layer = { drawn: true, plain: !!ground, ground: middle }
      behind = {
        before: middle,
        after: goes(layer, this.behaviour) ? outer.behind.after : middle,
        picture: false,
      }
      grounds = [layer, ...grounds]
    } else if (ground) {
      const said = { picture, link: node.tagName === 'a', ink }
      const after = this.behaviour ? this.behaviour.ground(ground, said) : ground
      behind = { before: ground, after: after ?? outer.behind.after, picture }
      grounds = [{ ...said, ground }, ...grounds]
    } else if (picture) behind = { ...behind, picture }
    const inks = ink ?? outer.words
    const rules = namesOf(node).map((name) => this.rules.get(name))
    const night = {
      ground: rules.find((r) => r?.ground)?.ground ?? ground ?? outer.night.ground,
      words: rules.find((r) => r?.words)?.words ?? ink ?? outer.night.words,
    }
    const size = /^([\d.]+)px$/.exec(style['font-size'] ?? '')?.[1]
    const weight = style['font-weight']
    return {
      behind,
      grounds,
      said: ink ? { picture, ground: ground ?? undefined } : outer.said,
      link,
      words: inks,
      night,
      size: size ? Number(size) : outer.size,
      bold: weight
        ? weight === 'bold' || Number(weight) >= 600
        : outer.bold || /^(?:b|strong|h[1-6])$/.test(node.tagName),
      mark: markOf(node) ?? outer.mark,
    }
  }

  /** Its attributes with other colours. */
  private own(
    node: Element,
    style: Record<string, string>,
    outer: Context,
    at: Context,
  ): Element['properties'] {
    const { behind } = at
    const said = {
      picture: behind.picture,
      link: node.tagName === 'a',
      ink: hex(style.color) ?? undefined,
    }
    const set = new Map<string, string | null>()
    const drawn = gradientIn(style)
    for (const color of new Set(drawn)) this.seenGround(color, outer, at, at.grounds[0])
    const gone = drawn.length > 0 && goes(at.grounds[0]!, this.behaviour)
    if (gone) for (const name of Object.keys(style)) if (BACKGROUND.test(name)) set.set(name, null)
    for (const [name, value] of Object.entries(style)) {
      const color = COLOR.exec(value)?.[0]
      const plain = color && readHex(color)
      if (!plain) continue
      if (GROUNDS.test(name)) {
        this.seenGround(plain, outer, at)
        if (this.behaviour && !gone) {
          const next = this.behaviour.ground(plain, said)
          set.set(name, next === null ? null : value.replace(COLOR, next))
        }
      } else if (name === 'color') {
        if (this.behaviour)
          set.set(
            name,
            value.replace(COLOR, this.behaviour.words(plain, behind, { ...at.said, link: at.link })),
          )
      } else if (BORDERS.test(name)) {
        this.seen({
          ...this.useOf(at),
          ...beside(outer),
          what: 'border',
          color: plain,
          night: { color: plain, ground: outer.night.ground },
        })
        if (this.behaviour) set.set(name, value.replace(COLOR, this.behaviour.border(plain, outer.behind)))
      }
    }
    const bg = hex(node.properties.bgColor as string | undefined)
    const byAttribute = bg && ![...Object.keys(style)].some((name) => GROUNDS.test(name))
    if (byAttribute) this.seenGround(bg, outer, at)
    const bgColor = bg && this.behaviour ? (this.behaviour.ground(bg, said) ?? undefined) : undefined
    if (!set.size) return bg && this.behaviour ? { ...node.properties, bgColor } : node.properties
    const written = Object.entries(style).flatMap(([name, value]) => {
      const next = set.has(name) ? set.get(name)! : value
      return next === null ? [] : [`${name}:${next}`]
    })
    const properties = { ...node.properties, style: written.join(';') }
    return bg && this.behaviour ? { ...properties, bgColor } : properties
  }

  private seenGround(color: string, outer: Context, at: Context, said: Said = {}): void {
    const use = this.useOf(at)
    this.seen({
      ...use,
      said: { ...use.said, ...said },
      ...beside(outer),
      what: 'ground',
      color,
      night: { color: at.night.ground, ground: outer.night.ground },
    })
  }

  private useOf = ({ mark, size, bold, grounds: [own] }: Context) => ({
    mark,
    size,
    bold,
    length: 0,
    said: own ?? {},
  })
}

const beside = ({ behind, grounds }: Context) => ({ ground: behind.before, behind, grounds })

const namesOf = (node: Element): string[] => {
  const { className } = node.properties
  return Array.isArray(className) ? className.map(String) : []
}

const markOf = (node: Element): string | null => {
  const mark = node.properties.dataM ?? node.properties['data-m']
  return typeof mark === 'string' ? mark : null
}

const contextOf = (page: string, after: string, words: string, night = page): Context => ({
  behind: { before: page, after, picture: false },
  grounds: [{ ground: page }],
  said: {},
  words,
  night: { ground: night, words },
  size: 16,
  bold: false,
  link: false,
  mark: null,
})

/** What was compiled, as a reader with such a dark mode shows it. @param page the ground behind everything, by day */
export const recolored = (
  nodes: readonly ElementContent[],
  behaviour: Behaviour,
  page: string,
  words = '#000000',
): ElementContent[] => {
  if (!behaviour.recolors) return [...nodes]
  const after = behaviour.ground(page, {}) ?? behaviour.page
  return new Walk(behaviour, () => {}).nodes(nodes, contextOf(page, after, words))
}

/** Every colour of what was compiled, with where it stands. */
export function usesOf(
  nodes: readonly ElementContent[],
  { page, night, rules }: { page: string; night: string; rules: NightRules },
  words = '#000000',
): Use[] {
  const uses: Use[] = []
  new Walk(null, (use) => uses.push(use), rules).nodes(nodes, contextOf(page, page, words, night))
  return uses
}

/** What a use becomes under a behaviour: the colour and what stands behind it. */
export function underBehaviour(use: Use, behaviour: Behaviour): { color: string; ground: string } {
  if (!behaviour.recolors) return use.night
  const ground = lastingOf(use.grounds, behaviour)
  const behind = { before: use.ground, after: ground, picture: use.behind.picture }
  const color =
    use.what === 'ground'
      ? use.said.drawn
        ? goes(use.said, behaviour)
          ? ground
          : use.color
        : (behaviour.ground(use.color, use.said) ?? ground)
      : use.what === 'words'
        ? behaviour.words(use.color, behind, use.said)
        : behaviour.border(use.color, behind)
  return { color, ground }
}

/** What is seen of grounds behind one another: the nearest that is left, else the reader's own. */
function lastingOf(grounds: readonly Layer[], behaviour: Behaviour): string {
  for (const layer of grounds) {
    if (goes(layer, behaviour)) continue
    if (layer.drawn) return layer.ground
    const after = behaviour.ground(layer.ground, layer)
    if (after !== null) return after
  }
  return behaviour.page
}
