import { linked, type TextContext } from '../context'
import type { MarksTile } from './schema'

/** Marks as plain text: what each says and where it leads, one to a line. */
export const marksText = (tile: MarksTile, c: TextContext): string =>
  tile.marks
    .map((m) => linked(m.alt ?? '', m.link, c))
    .filter(Boolean)
    .join('\n')
