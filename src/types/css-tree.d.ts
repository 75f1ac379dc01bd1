/** The parts of the package without its dictionary of all properties, which nothing here asks. */
declare module 'css-tree/parser' {
  export { parse as default } from 'css-tree'
}
declare module 'css-tree/generator' {
  export { generate as default } from 'css-tree'
}
declare module 'css-tree/walker' {
  export { walk as default } from 'css-tree'
}
declare module 'css-tree/utils' {
  export { ident } from 'css-tree'
}
