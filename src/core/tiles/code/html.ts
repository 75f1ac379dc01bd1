import type { Element, ElementContent } from 'hast'
import { placePictures } from '../../html/pictures'
import { css } from '../../html/element'
import type { Declaration } from '../../html/stylesheet'
import { replaceFields, type FieldWriter } from '../../text/fields'
import { classes, type TileContext } from '../context'
import { liveOr } from '../interactive/live'
import { letters } from '../letters'
import type { CodeTile } from './schema'
import { mergedStyles, scopeCode } from '#reading'

/** Custom code in its cell. Fields in it come out as the destination writes them. */
export function codeHtml(tile: CodeTile, c: TileContext): ElementContent[] {
  const own = [scoped(tile, c)]
  if (!tile.still?.trim()) return own
  return liveOr(c, own, [scoped({ ...tile, id: `${tile.id}-still`, html: tile.still, css: '' }, c)])
}

function scoped(tile: CodeTile, c: TileContext): Element {
  const { tree, dynamics, raw } = scopeCode({
    ...tile,
    html: placePictures(tile.html, tile.pictures ?? {}, c.src),
    css: placePictures(tile.css, tile.pictures ?? {}, c.src),
  })
  dress(tree, c)
  const write = (d: Declaration) => `${d.property}:${d.value}!important`
  for (const r of dynamics) c.rules.custom(r.media, r.selector, r.declarations.map(write).join(';'))
  raw.forEach((r) => c.rules.verbatim(r))
  fillFields(tree, c.fields)
  return tree
}

/**
 * Cells have letters of size 0, so that pictures stand close: code begins with those of the role's
 * paragraphs.
 */
export function dress(tree: Element, c: TileContext): void {
  const { style, names } = letters(c.look.text[c.look.base], c)
  const own = (tree.properties.className as string[] | undefined) ?? []
  const all = classes(...own, ...names)
  if (all) tree.properties.className = all
  tree.properties.style = mergedStyles(css(style), String(tree.properties.style ?? ''))
}

function fillFields(node: Element, fields: FieldWriter): void {
  for (const [name, value] of Object.entries(node.properties))
    if (typeof value === 'string' && value.includes('[['))
      node.properties[name] = replaceFields(value, fields)
  for (const child of node.children) {
    if (child.type === 'text') child.value = replaceFields(child.value, fields)
    else if (child.type === 'element') fillFields(child, fields)
  }
}
