import { replaceFields, type FieldWriter } from '../../handover/fields'
import type { PictureTile } from './schema'

/** A picture as plain text: what it says, and where it leads. */
export function pictureText(tile: PictureTile, fields: FieldWriter): string {
  const alt = replaceFields(tile.alt ?? '', fields).trim()
  const link = replaceFields(tile.link, fields).trim()
  return alt && link ? `${alt} <${link}>` : alt || (link ? `<${link}>` : '')
}
