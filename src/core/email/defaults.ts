import type { Tile, TileKind } from '../tiles/schema'
import { textOf } from './richtext'
import { EMAIL_VERSION, type Band, type Cell, type Email } from './schema'
import { sides } from './styles'

/** Makes ids: short, unique within one document. Pass a counter's in tests for the same ids each time. */
export type NewId = () => string

let count = 0
/** An id that no other call gives, on any machine, with overwhelming likelihood. */
export const newId: NewId = () =>
  `${Date.now().toString(36)}${(count++ % 46656).toString(36).padStart(3, '0')}${Math.random().toString(36).slice(2, 7)}`

/** An email without bands. @param width px */
export const newEmail = (width = 600): Email => ({
  version: EMAIL_VERSION,
  way: 'bands',
  width,
  lang: 'en',
  dir: 'ltr',
  title: '',
  subject: '',
  preheader: '',
  styles: {},
  bands: [],
})

/** An empty cell. @param width outer width, px */
export const newCell = (width: number, id: NewId = newId): Cell => ({
  id: id(),
  width,
  padding: sides(0),
  align: 'left',
  valign: 'top',
  items: [],
})

/** A band of one empty cell. @param width the email's width, px */
export const newBand = (width: number, id: NewId = newId): Band => ({
  id: id(),
  name: 'New band',
  role: 'main',
  background: '#ffffff',
  padding: sides(24, 32),
  gap: 0,
  narrow: 'stack',
  show: 'all',
  cells: [newCell(width - 64, id)],
})

/** A tile of a kind with its first values. */
export function newTile(kind: TileKind, id: NewId = newId): Tile {
  const base = { id: id(), padding: sides(0), show: 'all' as const }
  switch (kind) {
    case 'words':
      return { ...base, kind, text: textOf('Write here'), align: 'left' }
    case 'picture':
      return { ...base, kind, picture: null, alt: null, link: '', width: 600, align: 'center' }
    case 'button':
      return {
        ...base,
        kind,
        label: 'Say what happens',
        link: '',
        align: 'left',
        fullNarrow: true,
        padding: sides(12, 0),
      }
    case 'divider':
      return { ...base, kind, color: '#cccccc', thickness: 1, padding: sides(12, 0) }
    case 'gap':
      return { ...base, kind, height: 24 }
    case 'menu':
      return {
        ...base,
        kind,
        items: [
          { label: 'First', link: '' },
          { label: 'Second', link: '' },
          { label: 'Third', link: '' },
        ],
        separator: '|',
        space: 10,
        align: 'center',
        compact: 'wrap',
      }
    case 'social':
      return {
        ...base,
        kind,
        icons: [],
        size: 32,
        gap: 12,
        color: '#ffffff',
        shape: 'circle',
        ground: '#444444',
        align: 'center',
        padding: sides(12, 0),
      }
    case 'table':
      return {
        ...base,
        kind,
        caption: '',
        columns: [{ align: 'left' }, { align: 'right' }],
        rows: [
          ['What', 'How much'],
          ['First row', '1'],
          ['Second row', '2'],
        ],
        headRow: true,
        headColumn: false,
        edge: { width: 1, style: 'solid', color: '#d5d5d5' },
        space: 8,
        compact: 'scroll',
      }
    case 'review':
      return {
        ...base,
        kind,
        text: 'What somebody said about it.',
        who: 'A name',
        about: '',
        stars: 5,
        starColor: '#b97d12',
        align: 'left',
      }
    case 'footer':
      return {
        ...base,
        kind,
        why: 'You get this letter because you asked for it.',
        unsubscribe: { label: 'Unsubscribe', link: '[[unsubscribe]]' },
        align: 'left',
      }
    case 'code':
      return { ...base, kind, html: '<p>Your own markup</p>', css: '' }
    case 'word':
      return { ...base, kind, word: '', others: '' }
  }
}
