import type { Element, Root } from 'hast'
import { fromHtml } from 'hast-util-from-html'
import { elementsOf, inlineRules, readSheet } from '../html/stylesheet'
import { colorOf, paddingOf, pxOf, styleOfElement } from '../html/values'
import { safeFontFor } from '../email/safe-fonts'
import type { SafeFont } from '../email/fonts'

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
  fonts: (Found<string> & { safe: SafeFont })[]
  /** Pictures that may be the logo, the likeliest first: addresses or inline SVG. */
  logos: { src: string; alt: string; why: string }[]
}

const LEAST_TEXT = 1

/**
 * Reads the looks off a page: its rules are written into its elements by the cascade, then colours, fonts,
 * buttons and logo candidates are counted, by how much text or how many elements have them. Scripts are never
 * run.
 * @param sheets style sheets that came beside the page
 * @param base address of the page, for pictures named relatively
 */
export function pageStyle(html: string, sheets: readonly string[] = [], base?: string): PageStyle {
  const tree = fromHtml(html)
  const own: string[] = []
  for (const e of elementsOf(tree)) if (e.tagName === 'style') own.push(textOf(e))
  const css = [...sheets, ...own].join('\n')
  const variables = variablesOf(css)
  inlineRules(tree, readSheet(resolved(css, variables)).statics)
  const page: Counted = {
    backgrounds: new Map(),
    texts: new Map(),
    links: new Map(),
    fonts: new Map(),
    buttons: new Map(),
  }
  const logos: PageStyle['logos'] = []
  visit(tree, { color: undefined, font: undefined, header: false }, { counted: page, logos, variables, base })
  const top = <K>(m: Map<string, { value: K; count: number }>, most: number) =>
    [...m.values()]
      .filter((f) => f.count >= LEAST_TEXT)
      .sort((a, b) => b.count - a.count)
      .slice(0, most)
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
}

const count = <T>(m: Tally<T>, value: T, by: number, key = String(value)) => {
  const f = m.get(key)
  if (f) f.count += by
  else m.set(key, { value, count: by })
}
const textOf = (e: Element | Root): string =>
  e.children
    .map((c) =>
      c.type === 'text'
        ? c.value
        : c.type === 'element' && c.tagName !== 'script' && c.tagName !== 'style'
          ? textOf(c)
          : '',
    )
    .join('')

/** Custom properties set on the root (CSS Custom Properties Level 1), with what they come to. */
function variablesOf(css: string): Map<string, string> {
  const out = new Map<string, string>()
  for (const declaration of css.split(/[;{}]/)) {
    const colon = declaration.indexOf(':')
    const name = declaration.slice(0, Math.max(0, colon)).trim().split(/\s/).at(-1)!
    if (name.startsWith('--') && !out.has(name)) out.set(name, declaration.slice(colon + 1).trim())
  }
  return out
}
/** Longest value whose custom properties are put in, characters. */
const LONGEST_VALUE = 2000

function resolved(value: string, variables: ReadonlyMap<string, string>, depth = 0): string {
  // Each may hold many of the next.
  if (depth > 4 || value.length > LONGEST_VALUE || !value.includes('var(')) return value
  return resolved(
    value.replace(
      /var\(\s*(--[\w-]+)\s*(?:,([^()]*))?\)/g,
      (_, name: string, other?: string) => variables.get(name) ?? other ?? '',
    ),
    variables,
    depth + 1,
  )
}

/** What the visit of a page needs and gathers. */
interface Visit {
  counted: Counted
  logos: PageStyle['logos']
  variables: ReadonlyMap<string, string>
  base?: string
}

/** Elements whose words nobody reads on the page. */
const unread = new Set(['script', 'style', 'template', 'noscript', 'head'])

/** Letters that a page's own ground counts for: more than any part of it (common practice, no source). */
const PAGE_LETTERS = 1000

function visit(node: Element | Root, from: Inherited, page: Visit): void {
  for (const e of node.children) {
    if (e.type !== 'element' || unread.has(e.tagName)) continue
    const style = Object.fromEntries(
      Object.entries(styleOfElement(e)).map(([k, v]) => [k, resolved(v, page.variables)]),
    )
    const name =
      `${e.tagName} ${String(e.properties.id ?? '')} ${[e.properties.className].flat().join(' ')}`.toLowerCase()
    const here: Inherited = {
      color: colorOf(style.color) ?? from.color,
      font: style['font-family'] ?? from.font,
      header: from.header || e.tagName === 'header' || /\b(header|navbar|masthead|topbar)\b/.test(name),
    }
    countLooks(e, style, here, page.counted)
    logo(e, name, here.header, page.logos, page.base)
    visit(e, here, page)
  }
}

/** Counts the colours and fonts of one element, by the letters that show them. */
function countLooks(
  e: Element,
  style: Record<string, string>,
  { color, font }: Inherited,
  page: Counted,
): void {
  const background = colorOf(style['background-color'] ?? backgroundOf(style.background))
  const text = textOf(e).replace(/\s+/g, ' ').trim()
  const direct = e.children.reduce((s, c) => s + (c.type === 'text' ? c.value.trim().length : 0), 0)
  const button = background && buttonOf(e, style, text, background, color)
  if (button) count(page.buttons, button, 1, `${background} ${color} ${style['border-radius']}`)
  else if (e.tagName === 'a' && text) {
    if (color) count(page.links, color, text.length)
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

function logo(e: Element, name: string, header: boolean, logos: PageStyle['logos'], base?: string): void {
  if (e.tagName !== 'img') return
  const src = String(e.properties.src ?? '')
  if (!src) return
  const said = `${name} ${src} ${String(e.properties.alt ?? '')}`.toLowerCase()
  const why = /logo|brand|wordmark/.test(said) ? 'named as one' : header ? 'stands in the header' : null
  if (!why) return
  const address = base && URL.canParse(src, base) ? new URL(src, base).href : src
  if (/^javascript:/i.test(address)) return
  const found = { src: address, alt: String(e.properties.alt ?? ''), why }
  if (why === 'named as one') logos.unshift(found)
  else logos.push(found)
}
