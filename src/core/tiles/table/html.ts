import type { Element, ElementContent } from 'hast'
import { classes, type TileContext } from '../context'
import { css, el, text } from '../../html/element'
import { letters, physical } from '../letters'
import type { RoleStyle } from '../../email/cascade'
import type { TextStyle } from '../../email/styles'
import { replaceFields } from '../../text/fields'
import { card, cardHead, scroll, scrollCell } from './rules'
import type { TableTile } from './schema'

/** The letters of a table: the role's paragraphs, then the tile's own values. */
export const tableStyle = (tile: Pick<TableTile, 'style'>, look: RoleStyle): TextStyle => ({
  ...look.text[look.base],
  ...tile.style,
})

/**
 * A table of data with header cells that know their scope (WHATWG HTML, 4.9.10), so that it is read aloud as
 * one. On narrow it scrolls in its place, or every row becomes a card whose cells bear their column's name.
 */
export function tableHtml(tile: TableTile, c: TileContext): ElementContent[] {
  const { style, names } = letters(tableStyle(tile, c.look), c)
  const cards = tile.compact === 'cards'
  const heads = tile.headRow ? tile.rows[0]! : []
  const cell = (words: string, row: number, column: number): Element => {
    const head = (tile.headRow && row === 0) || (tile.headColumn && column === 0)
    const spec = tile.columns[column]
    const zebra = tile.zebra && (row - (tile.headRow ? 1 : 0)) % 2 === 1 && row > 0 ? tile.zebra : undefined
    const ground = head ? (tile.headBackground ?? zebra) : zebra
    const named =
      cards && tile.headRow && row > 0 && !(tile.headColumn && column === 0) && (heads[column] ?? '').trim()
    return el(
      head ? 'th' : 'td',
      {
        scope: head ? (tile.headRow && row === 0 ? 'col' : 'row') : undefined,
        width: row === 0 && spec?.width ? `${spec.width}%` : undefined,
        className: classes(...names, cards ? card(c.rules) : scrollCell(c.rules)),
        ...(ground ? { bgColor: ground } : {}),
        style: css({
          padding: tile.space,
          'background-color': ground,
          'border-bottom': tile.edge && `${tile.edge.width}px ${tile.edge.style} ${tile.edge.color}`,
          ...style,
          ...(head ? { 'font-weight': 'bold', ...(tile.headColor ? { color: tile.headColor } : {}) } : {}),
          'text-align': physical(spec?.align ?? 'left', c),
          'vertical-align': 'top',
        }),
      },
      named
        ? el(
            'span',
            { className: classes(c.rules.show('inline')), style: 'display:none' },
            text(`${replaceFields(heads[column]!, c.fields)}: `),
          )
        : null,
      text(replaceFields(words, c.fields)),
    )
  }
  const row = (cells: string[], i: number) =>
    el(
      'tr',
      { className: classes(cards && tile.headRow && i === 0 && cardHead(c.rules)) },
      tile.columns.map((_, k) => cell(cells[k] ?? '', i, k)),
    )
  const table = el(
    'table',
    {
      cellPadding: '0',
      cellSpacing: '0',
      border: '0',
      width: '100%',
      style: 'width:100%;border-collapse:collapse',
    },
    tile.caption.trim()
      ? el(
          'caption',
          {
            className: classes(...names),
            style: css({ padding: `0 0 ${tile.space}px`, ...style, 'text-align': physical('left', c) }),
          },
          text(replaceFields(tile.caption, c.fields)),
        )
      : null,
    tile.headRow ? el('thead', null, row(tile.rows[0]!, 0)) : null,
    el(
      'tbody',
      null,
      tile.rows.slice(tile.headRow ? 1 : 0).map((r, i) => row(r, i + (tile.headRow ? 1 : 0))),
    ),
  )
  return [
    cards
      ? table
      : el(
          'div',
          {
            className: classes(scroll(c.rules)),
            tabIndex: 0,
            role: 'region',
            ariaLabel: replaceFields(tile.caption, c.fields).trim() || 'Table',
          },
          table,
        ),
  ]
}
