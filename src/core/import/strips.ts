import { paddingOf, pxOf, styleOfElement } from '../html/values'
import type { Element, ElementContent } from 'hast'
import type { Sides } from '../email/styles'
import { boxButton } from './leaves'
import { handDown, ownGround, type Inherited } from './css'
import { plus } from './measures'
import { beside, cellsOfRow, heightOf, hidden, isData, isElement, layout, meaningful, rowsOf } from './source'
import type { Taking } from './taking'

/** A horizontal strip of the source: a row of columns or a single stretch, with what its wrappers gave it. */
export interface Strip {
  columns: Element[] | null
  /** Between columns, px. */ gap?: number
  content: ElementContent[]
  inherited: Inherited
  padding: Sides
}

/** An element parted into horizontal strips, from top to bottom. */
export function stripsOf(taking: Taking, node: Element, inherited: Inherited, padding: Sides): Strip[] {
  const own = handDown(node, inherited)
  const whole: Strip = { columns: null, content: [node], inherited, padding }
  // A button is one thing, however many boxes it is drawn with; so is space of a settled height.
  if (!meaningful(node.children).length) return heightOf(node) >= 1 ? [whole] : []
  if (node.tagName !== 'body' && boxButton(taking, node, own)) return [whole]
  if (node.tagName === 'table') {
    if (isData(node)) return [whole]
    const inside = plus(padding, paddingOf(styleOfElement(node)))
    const rows = rowsOf(node).filter((r) => !hidden(r))
    return rows.flatMap((r, i) =>
      rowStrips(taking, r, handDown(r, own), {
        ...inside,
        top: i ? 0 : inside.top,
        bottom: i < rows.length - 1 ? 0 : inside.bottom,
      }),
    )
  }
  const inside = plus(padding, paddingOf(styleOfElement(node)))
  const children = meaningful(node.children)
  const elements = children.filter(isElement)
  if (elements.length > 1 && elements.length === children.length && elements.every(beside)) {
    const filled = elements.filter((e) => meaningful(e.children).length || ownGround(e))
    const between = elements.find((e) => !filled.includes(e))
    if (filled.length > 1 && filled.length <= 5)
      return [
        {
          columns: filled,
          gap: Math.min(200, (between && pxOf(styleOfElement(between).width)) ?? 0),
          content: [],
          inherited: own,
          padding: inside,
        },
      ]
  }
  if (
    elements.length &&
    elements.length === children.length &&
    elements.every((e) => layout.has(e.tagName))
  ) {
    return elements.flatMap((e, i) =>
      stripsOf(taking, e, own, {
        ...inside,
        top: i ? 0 : inside.top,
        bottom: i < elements.length - 1 ? 0 : inside.bottom,
      }),
    )
  }
  return [{ columns: null, content: node.children, inherited: own, padding: inside }]
}

function rowStrips(taking: Taking, tr: Element, inherited: Inherited, padding: Sides): Strip[] {
  const all = cellsOfRow(tr)
  // An empty cell between others is the gap between them.
  const cells = all.length > 1 ? all.filter((c) => meaningful(c.children).length || ownGround(c)) : all
  if (cells.length === 1) return stripsOf(taking, cells[0]!, inherited, padding)
  if (!cells.length) return []
  if (cells.length > 5) {
    const table: Element = {
      type: 'element',
      tagName: 'table',
      properties: { role: 'presentation', width: '100%' },
      children: [tr],
    }
    taking.opaque.add(table)
    return [{ columns: null, content: [table], inherited, padding }]
  }
  const between = all
    .slice(all.indexOf(cells[0]!), all.indexOf(cells.at(-1)!))
    .filter((c) => !cells.includes(c))
  const gap = between.length
    ? (pxOf(styleOfElement(between[0]!).width) ?? pxOf(between[0]!.properties.width) ?? 0)
    : 0
  return [{ columns: cells, gap: Math.min(200, gap), content: [], inherited, padding }]
}
