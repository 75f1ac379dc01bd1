import { plainOfHtml } from '#reading'
import { replaceFields } from '../../text/fields'
import type { TextContext } from '../context'
import type { CodeTile } from './schema'

/** The words of custom code. */
export const codeText = (tile: CodeTile, c: TextContext): string =>
  plainOfHtml(replaceFields(tile.html, c.fields), c.link)
