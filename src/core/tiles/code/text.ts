import { plainOfHtml } from '../../compile/plain'
import { replaceFields } from '../../handover/fields'
import type { TextContext } from '../texts'
import type { CodeTile } from './schema'

/** The words of custom code. */
export const codeText = (tile: CodeTile, c: TextContext): string =>
  plainOfHtml(replaceFields(tile.html, c.fields), c.link)
