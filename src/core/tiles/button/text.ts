import { replaceFields, type FieldWriter } from '../../handover/fields'
import type { ButtonTile } from './schema'

/** A button as plain text: its words and where it leads. */
export const buttonText = (tile: ButtonTile, fields: FieldWriter): string =>
  `${replaceFields(tile.label, fields)}${tile.link.trim() ? ` <${replaceFields(tile.link, fields).trim()}>` : ''}`
