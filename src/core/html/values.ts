import type { Element } from 'hast'
import { readHex } from '../color/hex'
import { readStyle } from './stylesheet'

const named: Record<string, string> = {
  white: '#ffffff',
  black: '#000000',
  red: '#ff0000',
  green: '#008000',
  blue: '#0000ff',
  gray: '#808080',
  grey: '#808080',
  silver: '#c0c0c0',
  navy: '#000080',
  orange: '#ffa500',
  yellow: '#ffff00',
  purple: '#800080',
  teal: '#008080',
  maroon: '#800000',
}

/**
 * A colour as #rrggbb, or undefined where it is none that a document holds: transparent, a gradient, a
 * variable.
 */
export function colorOf(value: string | undefined): string | undefined {
  const v = value?.trim().toLowerCase()
  if (!v) return undefined
  const rgb = /^rgba?\(\s*(\d+)[\s,]+(\d+)[\s,]+(\d+)(?:[\s,/]+([\d.]+%?))?\s*\)$/.exec(v)
  if (rgb)
    return rgb[4] !== undefined && parseFloat(rgb[4]) < 1
      ? undefined
      : `#${rgb
          .slice(1, 4)
          .map((n) => Math.min(255, Number(n)).toString(16).padStart(2, '0'))
          .join('')}`
  return named[v] ?? (/^#?([0-9a-f]{3}|[0-9a-f]{6})$/.test(v) ? (readHex(v) ?? undefined) : undefined)
}

/** A length in px; percentages and others are none. */
export function pxOf(value: unknown, em = 16): number | undefined {
  const m = /^(-?[\d.]+)\s*(px|pt|em|rem)?$/i.exec(String(value ?? '').trim())
  if (!m) return undefined
  const n = parseFloat(m[1]!) * ({ pt: 4 / 3, em, rem: 16 }[m[2]?.toLowerCase() ?? ''] ?? 1)
  return Number.isFinite(n) ? n : undefined
}

/** An edge as written in its shorthand (CSS Backgrounds 3, 3.4): px and colour; null where there is none. */
export function edgeOf(value: string | undefined): { width: number; color: string; line: string } | null {
  const words = (value ?? '').trim().split(/\s+/)
  const width = words.filter((w) => w.endsWith('px')).map((w) => pxOf(w))[0]
  const color = words.map(colorOf).find(Boolean)
  const line = words.find((w) => ['solid', 'dashed', 'dotted', 'double'].includes(w))
  return width && color && line ? { width, color, line } : null
}

/** Lengths that depend on the window (CSS Values 4, 10). */
const FUNCTION = /\b(?:min|max|clamp|calc)\(/i

const read = new WeakMap<Element, Record<string, string>>()

/**
 * The declarations of an element, a property each. They are read once, so the element may not be changed
 * after.
 */
export function styleOfElement(e: Element): Record<string, string> {
  const known = read.get(e)
  if (known) return known
  const style: Record<string, string> = {}
  for (const { property, value } of readStyle(String(e.properties.style ?? '')))
    // Documents hold settled lengths: a function after one is for readers that know it.
    if (!(property in style && FUNCTION.test(value))) style[property] = value
  read.set(e, style)
  return style
}

/**
 * Padding as written in the longhands and the shorthand (CSS Box Model Level 3, 4.2), px, each at least 0.
 */
export function paddingOf(
  style: Record<string, string>,
): Record<'top' | 'right' | 'bottom' | 'left', number> {
  const parts = (style.padding ?? '0')
    .trim()
    .split(/\s+/)
    .map((p) => pxOf(p) ?? 0)
  const [top, right = top!, bottom = top!, left = right!] = parts
  const side = (name: string, from: number | undefined) =>
    Math.max(0, Math.min(400, Math.round(pxOf(style[`padding-${name}`]) ?? from ?? 0)))
  return {
    top: side('top', top),
    right: side('right', right),
    bottom: side('bottom', bottom),
    left: side('left', left),
  }
}
