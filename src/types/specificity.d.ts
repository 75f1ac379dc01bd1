/** The part of the package that brings no parser of its own; it has no types of its own either. */
declare module '@bramus/specificity/core' {
  import type { Selector } from 'css-tree'
  export function calculateForAST(selector: Selector): { a: number; b: number; c: number }
}
