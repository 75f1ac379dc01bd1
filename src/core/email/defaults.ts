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
