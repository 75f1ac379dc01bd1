import type { Element, Root } from 'hast'
import { fromHtml } from 'hast-util-from-html'
import { elementsOf } from '../html/elements'
import { inlineRules, readSheet } from '../html/stylesheet'
import { colorOf, paddingOf, pxOf, styleOfElement } from '../html/values'
import { logoOf } from './logo'
import { safeFontFor } from '../email/safe-fonts'
import type { SafeFont, WebFont } from '../email/fonts'

/** A value found on a page, and how often it stands there. */
export interface Found<T> {
  value: T
  count: number
}

/** A button as a page draws it, px. */
export interface PageButton {
  background: string
  color: string
  radius: number
  padX: number
  padY: number
  label: string
}

/** What a client's page says of its looks; the person picks. */
export interface PageStyle {
  backgrounds: Found<string>[]
  texts: Found<string>[]
  links: Found<string>[]
  buttons: Found<PageButton>[]
  /** Families as the page names them, with the email-safe stack that stands in for each. */
  fonts: (Found<string> & {
    safe: SafeFont
    /** Its own files, where their licence allows a house style to name them. */
    offer?: { licence: string; files: WebFont['files'] }
    /** Why its files are not offered. */
    held?: string
  })[]
  /** Pictures that may be the logo, the likeliest first: addresses or inline SVG. */
  logos: { src: string; alt: string; why: string }[]
}

/** A style sheet beside a page. */
export interface PageSheet {
  css: string
  /** As the page links it; left out, it links it nowhere. */
  href?: string
}

/** All sheets in the order in which they prevail, the last most (CSS Cascading and Inheritance Level 4, 6.1: order of appearance). */
function inOrder(tree: Root, sheets: readonly PageSheet[]): string[] {
  const left = new Set(sheets)
  const out: string[] = []
  for (const e of elementsOf(tree)) {
    if (e.tagName === 'style') out.push(textOf(e))
    if (e.tagName !== 'link') continue
    const found = [...left].find((s) => s.href !== undefined && s.href === e.properties.href)
    if (found) {
      out.push(found.css)
      left.delete(found)
    }
  }
  return [...[...left].map((s) => s.css), ...out]
}

/**
 * Reads the looks off a page: its rules are written into its elements by the cascade, then colours, fonts,
 * buttons and logo candidates are counted, by how much text or how many elements have them. Scripts are never
 * run.
 * @param sheets style sheets that came beside the page: those it links stand where their links do, others before all
 * @param base address of the page, for pictures named relatively
 */
export function pageStyle(html: string, sheets: readonly PageSheet[] = [], base?: string): PageStyle {
  const tree = fromHtml(html)
  const sheet = readSheet(inOrder(tree, sheets).join('\n'))
  inlineRules(tree, sheet.statics)
  const page: Counted = {
    backgrounds: new Map(),
    texts: new Map(),
    links: new Map(),
    fonts: new Map(),
    buttons: new Map(),
  }
  const logos: PageStyle['logos'] = []
  visit(
    tree,
    { color: undefined, font: undefined, header: false, menu: false, properties: new Map() },
    { counted: page, logos, base },
  )
  const top = <K>(m: Map<string, { value: K; count: number }>, most: number) =>
    [...m.values()].sort((a, b) => b.count - a.count).slice(0, most)
  const fonts = new Map<string, Found<string> & { safe: SafeFont }>()
  for (const f of top(page.fonts, 8)) {
    const family = f.value
      .split(',')[0]!
      .trim()
      .replace(/^['"]|['"]$/g, '')
    fonts.set(family, {
      value: family,
      count: f.count,
      safe: safeFontFor(family) ?? safeFontFor(f.value.split(',').at(-1)!.trim()) ?? 'sans',
    })
  }
  return {
    backgrounds: top(page.backgrounds, 6),
    texts: top(page.texts, 6),
    links: top(page.links, 4),
    buttons: top(page.buttons, 4),
    fonts: [...fonts.values()],
    logos: logos.slice(0, 8),
  }
}

type Tally<T> = Map<string, { value: T; count: number }>
interface Counted {
  backgrounds: Tally<string>
  texts: Tally<string>
  links: Tally<string>
  fonts: Tally<string>
  buttons: Tally<PageButton>
}
interface Inherited {
  color: string | undefined
  font: string | undefined
  header: boolean
  /** Whether it stands among the links that lead around a site. */
  menu: boolean
  /** Custom properties as they are in force there (CSS Custom Properties Level 1, section 2). */
  properties: ReadonlyMap<string, string>
}

const count = <T>(m: Tally<T>, value: T, by: number, key = String(value)) => {
  const f = m.get(key)
  if (f) f.count += by
  else m.set(key, { value, count: by })
}
/** The words of an element, without those of scripts and sheets. */
export const textOf = (e: Element | Root): string =>
  e.children
    .map((c) =>
      c.type === 'text'
        ? c.value
        : c.type === 'element' && c.tagName !== 'script' && c.tagName !== 'style'
          ? textOf(c)
          : '',
    )
    .join('')

/** Most custom properties put into one value, one in the other, and its longest form, characters. */
const DEEPEST = 8
const LONGEST_VALUE = 2000

/** A value with its custom properties put in; one that is not set, or stands for itself, is empty. */
function resolved(value: string, properties: ReadonlyMap<string, string>, depth = 0): string {
  // Each may hold many of the next.
  if (depth > DEEPEST || value.length > LONGEST_VALUE || !value.includes('var(')) return value
  return resolved(
    value.replace(
      /var\(\s*(--[\w-]+)\s*(?:,((?:[^()]|\([^()]*\))*))?\)/g,
      (_, name: string, other?: string) => properties.get(name) ?? other?.trim() ?? '',
    ),
    properties,
    depth + 1,
  )
}

/** The custom properties in force on an element: those it inherits, and its own over them. */
function propertiesOf(
  style: Record<string, string>,
  inherited: ReadonlyMap<string, string>,
): ReadonlyMap<string, string> {
  const own = Object.entries(style).filter(([name]) => name.startsWith('--'))
  if (!own.length) return inherited
  const all = new Map([...inherited, ...own])
  for (const [name, value] of own) {
    // One that holds itself is invalid (section 2.3).
    const others = new Map(all)
    others.delete(name)
    all.set(name, resolved(value.trim(), others))
  }
  return all
}

/** What the visit of a page needs and gathers. */
interface Visit {
  counted: Counted
  logos: PageStyle['logos']
  base?: string
}

/** Elements whose words nobody reads on the page. */
const unread = new Set(['script', 'style', 'template', 'noscript', 'head'])

/** Letters that a page's own ground counts for: more than any part of it (common practice, no source). */
const PAGE_LETTERS = 1000

/** What holds the links that lead around a site. */
const MENU = /\b(nav|navbar|menu|breadcrumbs?|pagination|footer|header)\b/

function visit(node: Element | Root, from: Inherited, page: Visit): void {
  for (const e of node.children) {
    if (e.type !== 'element' || unread.has(e.tagName)) continue
    const written = styleOfElement(e)
    const properties = propertiesOf(written, from.properties)
    const style = Object.fromEntries(
      Object.entries(written).flatMap(([k, v]) => (k.startsWith('--') ? [] : [[k, resolved(v, properties)]])),
    )
    const name =
      `${e.tagName} ${String(e.properties.id ?? '')} ${[e.properties.className].flat().join(' ')}`.toLowerCase()
    const here: Inherited = {
      color: colorOf(style.color) ?? from.color,
      font: style['font-family'] ?? familyOf(style.font) ?? from.font,
      header: from.header || e.tagName === 'header' || /\b(header|navbar|masthead|topbar)\b/.test(name),
      menu: from.menu || e.tagName === 'nav' || e.properties.role === 'navigation' || MENU.test(name),
      properties,
    }
    countLooks(e, style, here, page.counted)
    const mark = logoOf(e, { name, style, ...here }, page.base)
    if (mark?.named) page.logos.unshift(mark.logo)
    else if (mark) page.logos.push(mark.logo)
    visit(e, here, page)
  }
}

/** What a link of a menu counts for, letters. */
const MENU_LINK = 0.1

/** Counts the colours and fonts of one element, by the letters that show them. */
function countLooks(
  e: Element,
  style: Record<string, string>,
  { color, font, menu }: Inherited,
  page: Counted,
): void {
  const background = colorOf(style['background-color'] ?? backgroundOf(style.background))
  const text = textOf(e).replace(/\s+/g, ' ').trim()
  const direct = e.children.reduce((s, c) => s + (c.type === 'text' ? c.value.trim().length : 0), 0)
  const button = background && buttonOf(e, style, text, background, color)
  if (button) count(page.buttons, button, 1, `${background} ${color} ${style['border-radius']}`)
  else if (e.tagName === 'a' && text) {
    // Links of menus count for little: what is asked is the colour of links in running words.
    if (color) count(page.links, color, menu ? MENU_LINK : text.length)
  } else if (background) {
    const whole = e.tagName === 'body' || e.tagName === 'html'
    count(page.backgrounds, background, whole ? PAGE_LETTERS : Math.max(1, Math.round(text.length / 20)))
  }
  if (direct && !button && e.tagName !== 'a' && color) count(page.texts, color, direct)
  if (direct && font) count(page.fonts, font, direct)
}

/** An element as a button, where it is drawn as one: filled, of few words, with room beside them. */
function buttonOf(
  e: Element,
  style: Record<string, string>,
  label: string,
  background: string,
  color: string | undefined,
): PageButton | null {
  const padding = paddingOf(style)
  const pressed =
    e.tagName === 'a' || e.tagName === 'button' || (e.tagName === 'input' && e.properties.type === 'submit')
  if (!pressed || !label || label.length > 40 || padding.left + padding.right < 8) return null
  return {
    background,
    color: color ?? '#ffffff',
    radius: Math.round(pxOf(style['border-radius']?.split(' ')[0]) ?? 0),
    padX: Math.round((padding.left + padding.right) / 2),
    padY: Math.round((padding.top + padding.bottom) / 2),
    label,
  }
}

const backgroundOf = (v: string | undefined): string | undefined =>
  v?.match(/#[0-9a-f]{3,8}\b|rgba?\([^()]*\)/i)?.[0] ??
  (v && /^[a-z]+$/i.test(v.trim()) ? v.trim() : undefined)

/** A letter size in a `font` shorthand, after which its families stand (CSS Fonts 4, 2.7). */
const SIZE =
  /^(?:[\d.]+(?:px|pt|em|rem|%|vw|vh|ch|ex)|xx-small|x-small|small|medium|large|x-large|xx-large|smaller|larger|(?:calc|clamp|min|max)\(.*\))$/i

/** The families of a `font` shorthand; undefined where it has none, as the system's fonts. */
function familyOf(font: string | undefined): string | undefined {
  // What stands within brackets is one word.
  const tight = (font ?? '')
    .split('/')
    .map((t) => t.trim())
    .join('/')
  const words = tight.match(/(?:[^\s()]|\([^()]*\))+/g) ?? []
  const at = words.findIndex((w) => SIZE.test(w.split('/')[0]!))
  return at >= 0 && at < words.length - 1 ? words.slice(at + 1).join(' ') : undefined
}
