import type { Root, RootContent } from 'hast'
import { toHtml } from 'hast-util-to-html'

/** A tree that came from elsewhere as HTML text, its white space as it is. */
export const print = (node: RootContent | Root): string =>
  toHtml(node, {
    quote: '"',
    allowDangerousCharacters: true,
    characterReferences: { useNamedReferences: true, omitOptionalSemicolons: false },
  })
