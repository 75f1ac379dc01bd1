import type { Element, ElementContent } from 'hast'
import { css, el, text } from '../../html/element'
import { wordOnly } from '../../html/nodes'
import { hrefOf } from '../../text/link'
import { replaceFields } from '../../text/fields'
import { classes, type TileContext } from '../context'
import { isPlain, physical, type Holder } from '../letters'
import { altLetters } from '../picture/html'
import type { Mark, MarksTile } from './schema'

/** Shown height of a mark, px. */
export const markHeight = ({ picture, width }: Mark): number =>
  Math.max(1, Math.round((width * picture.height) / picture.width))

/** Letters of size 0, so that marks stand as far apart as is said. */
export const marksHolder = (tile: MarksTile, c: TileContext): Holder => {
  const at = physical(tile.align, c)
  return {
    style: {
      'font-size': 0,
      'line-height': Math.max(0, ...tile.marks.map(markHeight)),
      ...(isPlain(at, c) ? {} : { 'text-align': at }),
    },
    names: [],
  }
}

/** Between marks for the Word engine, which knows no padding of what stands in a line. */
const wordGap = (px: number): ElementContent =>
  wordOnly(el('span', { style: css({ 'font-size': px * 2 }) }, '\u00a0'))

/** Marks in a row that wraps. Each has its size as attributes, so that it keeps it wherever styles are stripped. */
export const marksHtml = (tile: MarksTile, c: TileContext): ElementContent[] =>
  tile.marks.flatMap((mark, i): ElementContent[] => {
    const last = i === tile.marks.length - 1
    return [
      ...(i ? [...(tile.gap ? [wordGap(tile.gap)] : []), text(' ')] : []),
      markHtml(mark, last ? 0 : tile.gap, c),
    ]
  })

/** @param after space behind it, px */
function markHtml(mark: Mark, after: number, c: TileContext): Element {
  const alt = replaceFields(mark.alt ?? '', c.fields)
  const said = altLetters(alt, c)
  const space = after
    ? `0 ${c.dir === 'rtl' ? 0 : `${after}px`} 0 ${c.dir === 'rtl' ? `${after}px` : 0}`
    : undefined
  const linked = !!mark.link.trim()
  const img = el('img', {
    src: c.src(mark.picture),
    alt,
    width: mark.width,
    height: markHeight(mark),
    className: classes(...said.names),
    style: css({
      display: linked ? 'block' : 'inline-block',
      'vertical-align': linked ? undefined : 'middle',
      margin: linked ? undefined : space,
      ...said.style,
    }),
  })
  if (!linked) return img
  return el(
    'a',
    {
      href: hrefOf(mark.link, c.fields),
      style: css({
        display: 'inline-block',
        'vertical-align': 'middle',
        padding: space,
        'text-decoration': 'none',
      }),
    },
    img,
  )
}
