import type { Element } from 'hast'
import type { SafeFont } from '../email/fonts'
import { plainOf } from '../email/gradient'
import { fontOf } from '../email/safe-fonts'
import type { Cell, GroundPicture } from '../email/schema'
import type { Align, Edge, Edges } from '../email/styles'
import { colorOf, edgeOf, pxOf, styleOfElement } from '../html/values'
import { urlIn } from '../html/css-url'
import { gradientOf } from './gradient'
import { clampInt } from './measures'

/** What letters inherit from the elements around them, as far as it could be read; sizes in px. */
export interface Inherited {
  color?: string
  size?: number
  line?: number
  font?: SafeFont
  bold?: boolean
  italic?: boolean
  /** Between letters, px. */
  spacing?: number
  capitals?: boolean
  align?: Align
  /** Whether the alignment is an attribute's or that of `<center>`: tables are put by it, but their words begin anew. */
  byAttribute?: boolean
  background?: string
  /** Whether what it stands in has a width of its own: it does not go across the window. */
  bounded?: boolean
}

/** Elements that are bold unless told (WHATWG HTML, 15.3.4, 15.3.7 and 15.3.11). */
const BOLD = /^(?:h[1-6]|b|strong|th)$/

/** What an element hands down to what it holds. */
export function handDown(e: Element, from: Inherited): Inherited {
  const s = styleOfElement(e)
  const size = pxOf(s['font-size'], from.size) ?? from.size
  const line =
    s['line-height'] === undefined
      ? from.line
      : s['line-height'] === 'normal'
        ? undefined
        : pxOf(s['line-height'], size) !== undefined && /[a-z]/.test(s['line-height'])
          ? pxOf(s['line-height'], size)
          : Number(s['line-height'])
            ? Number(s['line-height']) * (size ?? 16)
            : from.line
  const weight = s['font-weight']
  // A table's own alignment puts the table.
  const legacy =
    e.tagName === 'table' || typeof e.properties.align !== 'string'
      ? e.tagName === 'center'
        ? 'center'
        : undefined
      : e.properties.align
  const align = s['text-align'] ?? legacy
  const above = e.tagName === 'table' && from.byAttribute ? undefined : from.align
  return {
    color:
      colorOf(s.color) ??
      (e.tagName === 'font' ? colorOf(String(e.properties.color ?? '')) : undefined) ??
      from.color,
    size,
    line,
    font: fontOf(s['font-family']) ?? from.font,
    bold: weight
      ? weight === 'bold' || weight === 'bolder' || Number(weight) >= 600
      : BOLD.test(e.tagName) || from.bold,
    italic: s['font-style'] ? s['font-style'] === 'italic' : from.italic,
    spacing: s['letter-spacing'] ? (pxOf(s['letter-spacing'], size) ?? 0) : from.spacing,
    capitals: s['text-transform'] ? s['text-transform'] === 'uppercase' : from.capitals,
    align: align === 'left' || align === 'center' || align === 'right' ? align : above,
    byAttribute:
      align === undefined ? above !== undefined && from.byAttribute : s['text-align'] === undefined,
    background: ownGround(e) ?? from.background,
    bounded: from.bounded || (pxOf(s['max-width']) ?? pxOf(s.width) ?? pxOf(e.properties.width) ?? 0) >= 320,
  }
}

/** An element's own ground. */
export function ownGround(e: Element): string | undefined {
  const s = styleOfElement(e)
  return (
    colorOf(s['background-color']) ??
    colorOf(s.background) ??
    colorOf(typeof e.properties.bgColor === 'string' ? e.properties.bgColor : undefined) ??
    // Words are read on it, whatever else can be made of it.
    plainOf(undefined, gradientOf(e) ?? undefined)
  )
}

const edgeNames = ['top', 'right', 'bottom', 'left'] as const

/** The edges, the corners and the gradient that an element draws around what is in it, as a cell has them. Edges of tables made by attribute are none. */
export function frameOf(e: Element): Pick<Cell, 'edges' | 'gradient' | 'radius'> {
  const gradient = gradientOf(e)
  const s = styleOfElement(e)
  const edges: Edges = {}
  for (const name of edgeNames) {
    const said = s[`border-${name}`] ?? s.border
    const edge = edgeOf(said)
    if (edge)
      edges[name] = {
        width: clampInt(edge.width, 1, 20),
        style: edge.line as Edge['style'],
        color: edge.color,
      }
  }
  const radius = pxOf(s['border-radius']?.split(/[\s/]/)[0])
  return {
    ...(Object.keys(edges).length ? { edges } : {}),
    ...(gradient ? { gradient } : {}),
    ...(radius ? { radius: clampInt(radius, 0, 100) } : {}),
  }
}

/** Whether an element draws a box by edges alone: at both its sides. */
export const isFramed = (e: Element): boolean => {
  const { edges } = frameOf(e)
  return !!edges?.left && !!edges.right
}

/** The address of a picture behind an element. */
export function groundPictureOf(e: Element): string | undefined {
  const { background = '', 'background-image': image = '' } = styleOfElement(e)
  return urlIn(image || background)
}

/** How a picture lies behind an element. */
export function groundPlace(e: Element): Pick<GroundPicture, 'fit' | 'x' | 'y'> {
  const s = styleOfElement(e)
  const said = (...names: string[]) => names.map((n) => s[n] ?? '').join(' ')
  const at = said('background-position', 'background')
  const size = said('background-size', 'background')
  const repeat = said('background-repeat', 'background')
  return {
    fit: /\bcover\b/.test(size) ? 'cover' : /no-repeat/.test(repeat) ? 'once' : 'repeat',
    x: /\bleft\b/.test(at) ? 'left' : /\bright\b/.test(at) ? 'right' : 'center',
    y: /\btop\b/.test(at) ? 'top' : /\bbottom\b/.test(at) ? 'bottom' : 'center',
  }
}
