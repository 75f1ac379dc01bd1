/**
 * `reading.ts` in a page: brought when it is first needed. Until then each function throws the promise of it, for which React
 * waits (Suspense) and which `whenRead` waits for elsewhere.
 */
import type * as reading from './reading'

type Reading = typeof reading

let known: Reading | undefined
let coming: Promise<unknown> | undefined

function now(): Reading {
  if (known) return known
  coming ??= import('./reading').then((there) => {
    known = there
  })
  throw coming
}

export const treeOf: Reading['treeOf'] = ((...a) => now().treeOf(...a)) as Reading['treeOf']
export const inlineDocument: Reading['inlineDocument'] = (html) => now().inlineDocument(html)
export const plainOfHtml: Reading['plainOfHtml'] = (html, link) => now().plainOfHtml(html, link)
export const mergedStyles: Reading['mergedStyles'] = (under, over) => now().mergedStyles(under, over)
export const readSheet: Reading['readSheet'] = (css) => now().readSheet(css)
export const scopeCode: Reading['scopeCode'] = (tile) => now().scopeCode(tile)
export const tagsOf: Reading['tagsOf'] = (html, how) => now().tagsOf(html, how)
