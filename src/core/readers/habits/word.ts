import type { Element, ElementContent } from 'hast'
import { addStyle, restyle, said, type Habit } from './habit'

/** What holds a box of its own in that engine; others are only words and lines. */
const boxes = new Set(['table', 'tbody', 'thead', 'tr', 'td', 'th', 'img', 'hr', 'v:rect', 'v:roundrect'])
const number = (value: unknown): number => parseFloat(String(value ?? '')) || 0

/** Padding and sizes count on cells and tables alone, `max-width` nowhere. */
const boxModel: Habit = {
  says: '',
  rests:
    'The Word engine’s box model (the open data set’s notes on padding, width and max-width; common practice).',
  weight: 0,
  element: (e) => {
    const inCell = boxes.has(e.tagName)
    restyle(e, (d) => {
      if (d.property === 'max-width' || d.property === 'min-width') return null
      if (/^display$/.test(d.property) && d.value !== 'none') return null
      if (!inCell && /^(?:padding|width$|height$)/.test(d.property)) return null
      return d
    })
    return undefined
  },
}

/** Pictures are as large as their attributes say. */
const pictures: Habit = {
  says: '',
  rests: 'The Word engine takes sizes of pictures from their attributes (common practice, no source).',
  weight: 0,
  element: (e) => {
    if (e.tagName !== 'img' || e.properties.width === undefined) return undefined
    const gone = e.properties.height === undefined ? /^width$/ : /^(?:width|height)$/
    restyle(e, (d) => (gone.test(d.property) ? null : d))
    return undefined
  },
}

/** Its own properties, where they change what is seen. */
const own: Habit = {
  says: '',
  rests: 'Properties of the Word engine (common practice, no source).',
  weight: 0,
  element: (e) => {
    restyle(e, (d) => {
      if (d.property === 'mso-hide' && d.value === 'all') return { ...d, property: 'display', value: 'none' }
      return d.property === 'mso-padding-alt' ? { ...d, property: 'padding' } : d
    })
    return undefined
  },
  sheet: (css) => css.replace(/mso-hide:\s*all/g, 'display:none!important'),
}

const strokeOf = ({ properties: p }: Element): string =>
  p.stroked === 'f' || p.stroked === 'false' || p.stroke === 'false' || p.stroke === 'f'
    ? ''
    : `border:${number(p.strokeWeight ?? p.strokeweight) || 1}px solid ${String(p.strokeColor ?? p.strokecolor ?? '#000000')}`

/** A fill as CSS. */
function fillOf(shape: Element): string {
  const fill = shape.children.find(
    (c): c is Element => c.type === 'element' && c.tagName === 'v:fill',
  )?.properties
  const plain = String(shape.properties.fillColor ?? shape.properties.fillcolor ?? fill?.color ?? '')
  const ground = plain ? `background-color:${plain}` : ''
  if (fill?.type === 'gradient') {
    const between = String(fill.colors ?? '')
      .split(';')
      .filter(Boolean)
      .map((s) => s.trim().split(/\s+/).reverse().join(' '))
    const stops = [`${String(fill.color)} 0%`, ...between, `${String(fill.color2)} 100%`].join(',')
    return `${ground};background-image:linear-gradient(${(360 - number(fill.angle)) % 360}deg,${stops})`
  }
  if (!fill?.src) return ground
  const size = fill.type === 'tile' ? '' : ';background-size:cover;background-repeat:no-repeat'
  return `${ground};background-image:url('${String(fill.src).replace(/'/g, '%27')}')${size}`
}

const textBoxOf = (shape: Element): ElementContent[] =>
  shape.children.flatMap((c): ElementContent[] => {
    if (c.type !== 'element') return [c]
    if (c.tagName === 'v:textbox') return c.children
    return c.tagName.startsWith('v:') || c.tagName.startsWith('w:') ? [] : [c]
  })

const drawn = {
  says: 'buttons and pictures behind are drawings',
  rests: 'VML (W3C Note of 1998: rect, roundrect, fill, textbox).',
  weight: 3,
}

/** Drawings, as the boxes they stand for: VML's rectangles, with fills, edges and rounded corners. */
const drawings: Habit = {
  ...drawn,
  element: (e, tell) => {
    // These are read by what they stand in.
    if (['v:fill', 'v:textbox', 'v:background'].includes(e.tagName)) return undefined
    if (e.tagName !== 'v:rect' && e.tagName !== 'v:roundrect')
      return /^(?:[vwo]:|xml$)/.test(e.tagName) ? textBoxOf(e) : undefined
    tell(drawn)
    return [boxOf(e)]
  },
}

function boxOf(e: Element): Element {
  const style = Object.fromEntries(said(e).map((d) => [d.property, d.value]))
  const [width, height] = [number(style.width), number(style.height)]
  const arc = (number(e.properties.arcsize) / 100) * Math.min(width, height || width)
  const declarations = [
    width ? `width:${width}px` : style['mso-width-percent'] ? 'width:100%' : '',
    height ? `height:${height}px` : '',
    e.tagName === 'v:roundrect' ? `border-radius:${Math.round(arc)}px` : '',
    height ? 'display:inline-flex;align-items:center;justify-content:center;text-align:center' : '',
    'box-sizing:border-box;text-decoration:none',
    strokeOf(e),
    fillOf(e),
  ]
  const { href } = e.properties
  return {
    type: 'element',
    tagName: href ? 'a' : 'div',
    properties: { ...(href ? { href } : {}), style: declarations.filter(Boolean).join(';') },
    children: textBoxOf(e),
  }
}

/** A picture behind the page is a drawing of its own, tiled. */
const behind: Habit = {
  says: '',
  rests: 'VML’s background (common practice, no source).',
  weight: 0,
  element: (e) => {
    if (e.tagName !== 'body') return undefined
    const drawn = e.children.find((c): c is Element => c.type === 'element' && c.tagName === 'v:background')
    if (!drawn) return undefined
    e.children = e.children.filter((c) => c !== drawn)
    addStyle(e, fillOf(drawn))
    return undefined
  },
}

/**
 * The Word engine, beyond what the data set says it lacks. The document that it is given is that of its own conditions
 * (`html/conditional`), where ghost tables are tables. Drawings come last: the boxes that stand for them are ours, not HTML that it reads.
 */
export const wordEngine: readonly Habit[] = [behind, boxModel, pictures, own, drawings]
