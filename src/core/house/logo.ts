import type { Element, ElementContent } from 'hast'
import { toHtml } from 'hast-util-to-html'
import { urlIn } from '../html/css-url'
import { elementsOf } from '../html/elements'

/** Inline SVG longer than this is a picture rather than a logo, characters. */
const LONGEST_SVG = 60_000

interface Where {
  /** Its tag, id and classes. */
  name: string
  style: Record<string, string>
  header: boolean
  /** Of the words there. */
  color: string | undefined
}

/**
 * A picture that may be the logo: one that is named as one, or stands in the header; as an element, drawn in the page, or behind something.
 * @param base address of the page
 */
export function logoOf(
  e: Element,
  { name, style, header, color }: Where,
  base?: string,
): { named: boolean; logo: { src: string; alt: string; why: string } } | null {
  const behind = urlIn(style['background-image'] ?? style.background ?? '')
  const title = titleOf(e)
  const alt = String(e.properties.alt ?? e.properties.ariaLabel ?? '').trim() || title
  const src =
    e.tagName === 'img' ? String(e.properties.src ?? '') : e.tagName === 'svg' ? drawnIn(e, color) : behind
  if (!src) return null
  const said = `${name} ${src.startsWith('data:') ? '' : src} ${alt}`.toLowerCase()
  const named = /logo|brand|wordmark/.test(said)
  if (!named && (!header || behind)) return null
  const address = base && !src.startsWith('data:') && URL.canParse(src, base) ? new URL(src, base).href : src
  if (/^javascript:/i.test(address)) return null
  return { named, logo: { src: address, alt, why: named ? 'named as one' : 'stands in the header' } }
}

const titleOf = (e: Element): string =>
  e.children
    .flatMap((c) =>
      c.type === 'element' && c.tagName === 'title'
        ? [
            c.children
              .map((t) => (t.type === 'text' ? t.value : ''))
              .join('')
              .trim(),
          ]
        : [],
    )
    .join(' ')

/** What of an inline drawing never goes along: what runs, what holds other markup, what loads. */
const UNSAFE = new Set(['script', 'foreignObject', 'iframe', 'use', 'image', 'animate', 'set', 'style', 'a'])

/** An inline drawing as an address of its own (RFC 2397). @param color of the words there, which stands for `currentColor` (CSS Color 4, 9.1) */
function drawnIn(svg: Element, color = '#000000'): string | undefined {
  const clean = (e: Element): Element => ({
    ...e,
    properties: Object.fromEntries(
      Object.entries(e.properties).flatMap(([k, v]) =>
        /^on/i.test(k) || k === 'className' || /href$/i.test(k)
          ? []
          : [[k, typeof v === 'string' ? v.replace(/currentcolor/gi, color) : v]],
      ),
    ),
    children: e.children.flatMap((c): ElementContent[] =>
      c.type === 'element' ? (UNSAFE.has(c.tagName) ? [] : [clean(c)]) : c.type === 'text' ? [c] : [],
    ),
  })
  const whole = clean(svg)
  // Of letters or of a drawing kept elsewhere nothing is left.
  if (![...elementsOf(whole)].some((e) => DRAWS.has(e.tagName))) return undefined
  const text = toHtml(
    { ...whole, properties: { xmlns: 'http://www.w3.org/2000/svg', ...whole.properties } },
    { space: 'svg', closeSelfClosing: true },
  )
  return text.length <= LONGEST_SVG ? `data:image/svg+xml,${encodeURIComponent(text)}` : undefined
}

const DRAWS = new Set(['path', 'rect', 'circle', 'ellipse', 'polygon', 'polyline', 'line'])
