import type { Element, ElementContent } from 'hast'
import { css, el } from '../../html/element'
import { endWords, instantOf } from '../../motion/countdown/moment'
import type { TileContext } from '../context'
import { letters } from '../letters'
import { pictureHtml } from './html'
import type { PictureTile } from './schema'

/** Gives pictures the height that their shape asks for: those drawn when they are opened are known by no address. */
function sized(node: ElementContent, ratio: number): ElementContent {
  if (node.type !== 'element') return node
  const children = node.children.map((c) => sized(c, ratio))
  const { width, height } = node.properties
  return node.tagName === 'img' && height === undefined && width !== undefined
    ? { ...node, properties: { ...node.properties, height: Math.max(1, Math.round(Number(width) * ratio)) } }
    : ({ ...node, children } satisfies Element)
}

/**
 * A countdown to a moment: its picture, and beneath it the time that is left as the message is read (amp-timeago, the one timer AMP for Email
 * has). Null for any other picture.
 */
export function pictureAmp(tile: PictureTile, c: TileContext): ElementContent[] | null {
  const made = tile.motion?.made
  if (!tile.picture || made?.kind !== 'countdown') return null
  const picture = pictureHtml(tile, c).map((n) => sized(n, tile.picture!.height / tile.picture!.width))
  if (made.until.kind !== 'moment') return picture
  const s = c.look.text.small
  return [
    ...picture,
    el(
      'amp-timeago',
      {
        layout: 'fixed-height',
        height: s.line,
        datetime: new Date(instantOf(made.until)).toISOString(),
        locale: c.lang,
        style: css({ ...letters(s, c).style, margin: '6px 0 0' }),
      },
      endWords(made, c.lang),
    ),
  ]
}
