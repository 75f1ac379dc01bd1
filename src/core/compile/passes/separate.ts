import type { Element, ElementContent } from 'hast'

/** What a table whose borders are collapsed loses or shifts: corners, and edges of its cells. */
const EDGED = /(?:^|;)border(?!-collapse|-spacing)[a-z-]*:/

/**
 * Tables whose cells have edges or corners say that these are their own: web mails whose page has a sheet of a CSS framework collapse the borders of
 * all tables, and corners turn square (CSS Tables 3, 3.6; seen in a web mail with Bootstrap). A table that says so itself is left as it is.
 */
export const separated = (nodes: readonly ElementContent[]): ElementContent[] =>
  nodes.map((node) => {
    if (!('children' in node)) return node
    const children = separated(node.children as ElementContent[])
    const made = { ...node, children } as ElementContent
    if (made.type !== 'element' || made.tagName !== 'table' || !hasEdges(made)) return made
    const { style, ...rest } = made.properties
    if (typeof style === 'string' && style.includes('border-collapse')) return made
    return {
      ...made,
      properties: { ...rest, style: [style, 'border-collapse:separate'].filter(Boolean).join(';') },
    }
  })

const cellsOf = (table: Element): Element[] =>
  table.children.flatMap((row) =>
    row.type !== 'element'
      ? []
      : row.tagName === 'tr'
        ? row.children.filter((c): c is Element => c.type === 'element')
        : cellsOf(row),
  )

const hasEdges = (table: Element): boolean =>
  cellsOf(table).some(({ properties: { style } }) => typeof style === 'string' && EDGED.test(style))
