import { replaceFields } from '../../text/fields'
import type { TextContext } from '../context'
import type { TableTile } from './schema'

const width = (s: string) => [...s].length
const pad = (s: string, to: number, align: 'left' | 'center' | 'right') => {
  const room = Math.max(0, to - width(s))
  const before = align === 'right' ? room : align === 'center' ? Math.floor(room / 2) : 0
  return ' '.repeat(before) + s + ' '.repeat(room - before)
}

/** A table as plain text: columns in line where a row fits, else every row as lines of "column: value". */
export function tableText(tile: TableTile, c: TextContext): string {
  const rows = tile.rows.map((r) =>
    tile.columns.map((_, i) =>
      replaceFields(r[i] ?? '', c.fields)
        .replace(/\s+/g, ' ')
        .trim(),
    ),
  )
  const widths = tile.columns.map((_, i) => Math.max(1, ...rows.map((r) => width(r[i]!))))
  const total = widths.reduce((a, b) => a + b, 0) + 2 * (widths.length - 1)
  const caption = replaceFields(tile.caption, c.fields).trim()
  const body = total <= c.columns ? inColumns() : inLines()
  return [caption, body].filter(Boolean).join('\n\n')

  function inColumns(): string {
    const line = (r: string[]) =>
      r
        .map((s, i) => pad(s, widths[i]!, tile.columns[i]!.align))
        .join('  ')
        .trimEnd()
    const rule = widths.map((w) => '-'.repeat(w)).join('  ')
    return (tile.headRow ? [line(rows[0]!), rule, ...rows.slice(1).map(line)] : rows.map(line)).join('\n')
  }

  function inLines(): string {
    const heads = tile.headRow ? rows[0]! : []
    return (
      rows
        .slice(tile.headRow ? 1 : 0)
        .map((r) =>
          r
            .map((s, i) => (heads[i] && s ? `${heads[i]}: ${s}` : s))
            .filter(Boolean)
            .join('\n'),
        )
        .join('\n\n') || heads.join('\n')
    )
  }
}
