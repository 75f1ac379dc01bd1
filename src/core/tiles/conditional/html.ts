import type { ElementContent } from 'hast'
import { nestingErrors } from '../../html/conditional'
import type { TileContext } from '../context'
import { notWord, wordOnly } from '../../html/nodes'
import { replaceFields } from '../../text/fields'
import { dress } from '../code/html'
import { scopeCode } from '#reading'
import type { ConditionalTile } from './schema'

/**
 * What keeps a markup from standing in a condition: it would end it, or leave tags open in the rest of the
 * email.
 */
export function wordErrors(markup: string): string[] {
  if (/-->|<!--|<!\[/.test(markup)) return ['it holds a comment or a condition of its own']
  if (/<script\b/i.test(markup)) return ['it holds a script']
  return nestingErrors(markup)
}

/**
 * Markup for the Word engine inside a condition, and for all others outside. What is not well formed is left
 * out, since it would break what follows.
 */
export function conditionalHtml(tile: ConditionalTile, c: TileContext): ElementContent[] {
  const word =
    tile.word.trim() && !wordErrors(tile.word).length
      ? [wordOnly({ type: 'verbatim', value: replaceFields(tile.word, c.fields) })]
      : []
  if (!tile.others.trim()) return word
  const { tree } = scopeCode({ id: tile.id, html: replaceFields(tile.others, c.fields), css: '' })
  delete tree.properties.className
  dress(tree, c)
  return [...word, word.length ? notWord(tree) : tree]
}
