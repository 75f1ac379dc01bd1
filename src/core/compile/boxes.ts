import type { Element, ElementContent, Properties } from 'hast'
import { gradientCss, gradientFill, plainOf } from '../email/gradient'
import type { Cell, EmailGround, GroundPicture } from '../email/schema'
import type { Edge, Edges, Gradient } from '../email/styles'
import { css, el, trim, type Declarations } from '../html/element'
import { ghost } from '../html/nodes'
import type { CompileContext } from '../tiles/context'
import type { Rules } from '../tiles/rules'

/**
 * How a box looks: its ground, its edges, its corners. The Word engine takes them from a ghost cell, since it
 * draws no `div` as a box.
 */
export interface Shell {
  style: Declarations
  names: (string | undefined | false)[]
  /** Attributes of the ghost cell. */
  word: Properties
}

/**
 * A layout table. Its attributes stand for readers that strip styles; what they say is not said again in CSS. Cells have
 * neither space nor borders between them.
 */
export const layout = (properties: Properties, rows: readonly ElementContent[]): Element =>
  el('table', { role: 'presentation', cellPadding: '0', cellSpacing: '0', ...properties }, [...rows])

/** The layout table of the Word engine around content that every reader sees. */
export const ghostTable = (properties: Properties, children: ElementContent[]): ElementContent =>
  ghost('table', { role: 'presentation', cellPadding: '0', cellSpacing: '0', ...properties }, [
    ghost('tr', {}, children),
  ])

const line = (e: Edge) => `${e.width}px ${e.style} ${e.color}`

/** Edges as they lie on screen, in the shortest form. */
export function edgeStyle(edges: Edges | undefined, dir: 'ltr' | 'rtl'): Record<string, string | undefined> {
  if (!edges) return {}
  const [left, right] = dir === 'rtl' ? [edges.right, edges.left] : [edges.left, edges.right]
  const sides = [edges.top, right, edges.bottom, left].map((e) => e && line(e))
  if (sides.every((s) => s === sides[0])) return { border: sides[0] }
  return {
    'border-top': sides[0],
    'border-right': sides[1],
    'border-bottom': sides[2],
    'border-left': sides[3],
  }
}

/** The shell of a card: an edge all around, and round corners. */
export function cardShell(
  card: { edge?: Edge; radius: number } | undefined,
  c: { dir: 'ltr' | 'rtl'; rules: Rules },
): Shell {
  if (!card) return { style: {}, names: [], word: {} }
  const { edge, radius } = card
  return {
    style: {
      ...edgeStyle(edge && { top: edge, right: edge, bottom: edge, left: edge }, c.dir),
      'border-radius': radius || undefined,
      overflow: radius ? 'hidden' : undefined,
      // A page's own sheet may count the edge as part of the width.
      'box-sizing': edge && 'content-box',
    },
    names: [edge?.nightColor && c.rules.nightEdge(edge.nightColor)],
    word: edge ? { style: `border:${line(edge)}` } : {},
  }
}

/** The plain ground of a cell as an attribute, for readers that strip styles. */
export function colored({ background, gradient }: Cell): Properties {
  const bgColor = plainOf(background, gradient)
  return bgColor ? { bgColor } : {}
}

/** The shell of a cell. */
export function cellShell(cell: Cell, c: { dir: 'ltr' | 'rtl'; rules: Rules }): Shell {
  const edges = edgeStyle(cell.edges, c.dir)
  const { top, right, bottom, left } = cell.edges ?? {}
  const night = [top, right, bottom, left].find((e) => e?.nightColor)?.nightColor
  return {
    style: {
      'background-color': plainOf(cell.background, cell.gradient),
      ...gradientStyle(cell.gradient),
      ...edges,
      'border-radius': cell.radius || undefined,
      overflow: cell.radius ? 'hidden' : undefined,
    },
    names: [
      cell.nightBackground && c.rules.nightGround(cell.nightBackground),
      cell.gradient && c.rules.nightGradient(cell.gradient, cell.nightBackground),
      night && c.rules.nightEdge(night),
    ],
    word: {
      ...colored(cell),
      ...(css(edges) ? { style: css(edges) } : {}),
    },
  }
}

const cssUrl = (address: string) =>
  `url('${address.replace(/['"\\\s()]/g, (ch) => `%${ch.charCodeAt(0).toString(16).padStart(2, '0')}`)}')`

export const gradientStyle = (g: Gradient | undefined): Declarations =>
  g ? { 'background-image': gradientCss(g) } : {}

/** A picture behind a box. Its colour stands for it with pictures off. */
export const pictureStyle = (p: EmailGround | undefined, src: CompileContext['src']): Declarations =>
  p
    ? {
        'background-image': cssUrl(src(p.picture)),
        'background-position': `${p.x} ${p.y}`,
        'background-repeat': p.fit === 'repeat' ? 'repeat' : 'no-repeat',
        'background-size': p.fit === 'cover' ? 'cover' : undefined,
      }
    : {}

const at = { left: '0', center: '0.5', right: '1', top: '0', bottom: '1' }

/** What lies behind a box besides its colour. */
export interface Fill {
  picture?: GroundPicture | undefined
  gradient?: Gradient | undefined
}

/**
 * Content on a picture or a gradient. The Word engine draws neither behind a cell: it gets a VML box that grows with its words,
 * filled so. @param width px; null: the whole window @param color behind the picture
 */
export function onFill(
  { picture: p, gradient }: Fill,
  width: number | null,
  color: string,
  content: ElementContent[],
  c: Pick<CompileContext, 'src'> & { rules: Rules },
): ElementContent[] {
  if (!p && !gradient) return content
  c.rules.vml()
  const fill = el('v:fill', p ? pictureFill(p, color, c) : gradientFill(gradient!))
  const box = {
    fill: 'true',
    stroke: 'false',
    style: width === null ? 'mso-width-percent:1000;' : `width:${trim(width)}px;`,
  }
  const words = ghost('v:textbox', { inset: '0,0,0,0', style: 'mso-fit-shape-to-text:true;' }, [
    el('div', null, content),
  ])
  return [ghost('v:rect', box, [words], [fill])]
}

function pictureFill(p: GroundPicture, color: string, c: Pick<CompileContext, 'src'>): Properties {
  const place = `${at[p.x]},${at[p.y]}`
  return {
    type: p.fit === 'repeat' ? 'tile' : 'frame',
    aspect: p.fit === 'cover' ? 'atleast' : undefined,
    ...(p.fit === 'repeat' ? {} : { origin: place, position: place }),
    src: c.src(p.picture),
    color,
  }
}
