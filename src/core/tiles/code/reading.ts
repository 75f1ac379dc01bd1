/**
 * What reads markup and style sheets that a person wrote: parsers of 60 KB. On the server they are at hand; a page brings them
 * with the first email that holds code (`reading-later.ts`). Imported as `#reading` (package.json, `imports`).
 */
export { fromHtml as treeOf } from 'hast-util-from-html'
export { inlineDocument } from '../../html/inline-document'
export { plainOfHtml } from '../../html/plain'
export { mergedStyles, readSheet } from '../../html/stylesheet'
export { scopeCode } from './scope'
export { tagsOf } from '../../html/tags'
