import type { Element } from 'hast'
import { readStyle } from '../compile/stylesheet'
import { safeFonts, fontStacks, type SafeFont } from '../email/fonts'
import { readHex } from '../color/hex'
import type { Align, Sides } from '../email/styles'

/** What letters inherit from the elements around them, as far as it could be read; sizes in px. */
export interface Inherited {
  color?: string
  size?: number
  line?: number
  font?: SafeFont
  bold?: boolean
  italic?: boolean
  align?: Align
  background?: string
}

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
  const m = /^\s*(-?[\d.]+)\s*(px|pt|em|rem)?\s*$/i.exec(String(value ?? ''))
  if (!m) return undefined
  const n = parseFloat(m[1]!) * ({ pt: 4 / 3, em, rem: 16 }[m[2]?.toLowerCase() ?? ''] ?? 1)
  return Number.isFinite(n) ? n : undefined
}

const read = new WeakMap<Element, Record<string, string>>()

/**
 * The declarations of an element, a property each. They are read once, so the element may not be changed
 * after.
 */
export function styleOfElement(e: Element): Record<string, string> {
  const known = read.get(e)
  if (known) return known
  const style = Object.fromEntries(
    readStyle(String(e.properties.style ?? '')).map((d) => [d.property, d.value]),
  )
  read.set(e, style)
  return style
}

/**
 * Padding as written in the longhands and the shorthand (CSS Box Model Level 3, 4.2), px, each at least 0.
 */
export function paddingOf(style: Record<string, string>): Sides {
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

/**
 * The email-safe stack nearest to a `font-family`: the first family that one begins with or holds, else its
 * generic family.
 */
export function fontOf(value: string | undefined): SafeFont | undefined {
  if (!value) return undefined
  const families = value.split(',').map((f) =>
    f
      .trim()
      .replace(/^['"]|['"]$/g, '')
      .toLowerCase(),
  )
  const first = (f: string) =>
    safeFonts.find((s) => fontStacks[s].css.toLowerCase().split(',')[0]!.replace(/'/g, '') === f)
  const generic = { serif: 'serif', 'sans-serif': 'sans', monospace: 'mono' } as const
  for (const f of families) {
    const hit =
      first(f) ?? (f === 'helvetica' ? 'sans' : f === 'courier' ? 'mono' : generic[f as keyof typeof generic])
    if (hit) return hit
  }
  return undefined
}

/** What an element hands down to what it holds. */
export function handDown(e: Element, from: Inherited): Inherited {
  const s = styleOfElement(e)
  const size = pxOf(s['font-size'], from.size) ?? from.size
  const line =
    s['line-height'] === undefined
      ? from.line
      : pxOf(s['line-height'], size) !== undefined && /[a-z]/.test(s['line-height'])
        ? pxOf(s['line-height'], size)
        : Number(s['line-height'])
          ? Number(s['line-height']) * (size ?? 16)
          : from.line
  const weight = s['font-weight']
  const align =
    s['text-align'] ??
    (typeof e.properties.align === 'string'
      ? e.properties.align
      : e.tagName === 'center'
        ? 'center'
        : undefined)
  return {
    color:
      colorOf(s.color) ??
      (e.tagName === 'font' ? colorOf(String(e.properties.color ?? '')) : undefined) ??
      from.color,
    size,
    line,
    font: fontOf(s['font-family']) ?? from.font,
    bold: weight ? weight === 'bold' || Number(weight) >= 600 : from.bold,
    italic: s['font-style'] ? s['font-style'] === 'italic' : from.italic,
    align: align === 'left' || align === 'center' || align === 'right' ? align : from.align,
    background: groundOf(e) ?? from.background,
  }
}

/** An element's own ground. */
export function groundOf(e: Element): string | undefined {
  const s = styleOfElement(e)
  return (
    colorOf(s['background-color']) ??
    colorOf(s.background) ??
    colorOf(typeof e.properties.bgColor === 'string' ? e.properties.bgColor : undefined)
  )
}
