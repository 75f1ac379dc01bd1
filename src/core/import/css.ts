import type { Element } from 'hast'
import type { SafeFont } from '../email/fonts'
import { fontOf } from '../email/safe-fonts'
import type { Align } from '../email/styles'
import { colorOf, pxOf, styleOfElement } from '../html/values'

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
    background: ownGround(e) ?? from.background,
  }
}

/** An element's own ground. */
export function ownGround(e: Element): string | undefined {
  const s = styleOfElement(e)
  return (
    colorOf(s['background-color']) ??
    colorOf(s.background) ??
    colorOf(typeof e.properties.bgColor === 'string' ? e.properties.bgColor : undefined)
  )
}
