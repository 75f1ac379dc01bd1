import type { ElementContent } from 'hast'
import { css, el, text } from '../../html/element'
import type { PictureRef } from '../../picture/ref'
import { classes, type TileContext } from '../context'
import { inputs, liveOr, nameOf, shownState, unseen } from '../interactive/live'
import { looksOf } from '../interactive/looks'
import { heard, pictureOf, said, within } from '../interactive/pieces'
import type { SwapTile } from './schema'

/** Pieces that are uncovered one by one: across and down. */
export const PIECES = { across: 4, down: 2 } as const
const COUNT = PIECES.across * PIECES.down

/** Where a piece of the cover lies, %. */
export const pieceAt = (i: number): { left: number; top: number; width: number; height: number } => {
  const [width, height] = [100 / PIECES.across, 100 / PIECES.down]
  return {
    left: (i % PIECES.across) * width,
    top: Math.floor(i / PIECES.across) * height,
    width,
    height,
  }
}

/** One piece of a cover: the first picture, drawn so that only this part of it is seen. */
export const coverStyle = (i: number, picture: PictureRef, c: TileContext): string => {
  const at = pieceAt(i)
  const share = (n: number, of: number) => (of === 100 ? 0 : (n / (100 - of)) * 100)
  return css({
    position: 'absolute',
    left: `${at.left}%`,
    top: `${at.top}%`,
    width: `${at.width}%`,
    height: `${at.height}%`,
    'background-image': `url(${c.src(picture)})`,
    'background-size': `${PIECES.across * 100}% ${PIECES.down * 100}%`,
    'background-position': `${share(at.left, at.width)}% ${share(at.top, at.height)}%`,
    cursor: 'pointer',
  })
}

function uncovered(tile: SwapTile, first: PictureRef, second: PictureRef, c: TileContext): ElementContent[] {
  const open = shownState(tile, c, 0) === 1
  for (let i = 0; i < COUNT; i++) {
    c.rules.custom('', `.ix-r${i}:checked~.ix-b .ix-c${i}`, 'display:none!important')
    c.rules.custom('', `.ix-r${i}:focus-visible~.ix-b .ix-c${i}`, 'outline:3px solid;outline-offset:-3px')
    if (tile.how === 'uncover') c.rules.custom('', `.ix-r${i}:hover~.ix-b .ix-c${i}`, 'opacity:0.6')
  }
  const boxes = inputs(tile, COUNT, { type: 'checkbox', chosen: null }).map((box) =>
    open ? { ...box, properties: { ...box.properties, checked: true } } : box,
  )
  return [
    ...boxes,
    el('div', { className: ['ix-b'], style: css({ position: 'relative' }) }, [
      pictureOf(second, tile.second.alt, c.available, c),
      ...Array.from({ length: COUNT }, (_, i) =>
        el(
          'label',
          {
            htmlFor: [`${nameOf(tile)}-${i}`],
            className: [`ix-c${i}`],
            style: coverStyle(i, first, c),
          },
          heard(`${tile.first.alt ?? ''} ${i + 1}`, c),
        ),
      ),
    ]),
  ]
}

/** One over the other: the upper vanishes under a pointer or while its box is checked. */
function turned(tile: SwapTile, first: PictureRef, second: PictureRef, c: TileContext): ElementContent[] {
  const gone = 'opacity:0!important'
  if (tile.how === 'hover') c.rules.custom('', '.ix-b:hover .ix-top', gone)
  c.rules.custom('', '.ix-r0:checked~.ix-b .ix-top', gone)
  c.rules.custom('', '.ix-r0:focus-visible~.ix-b', 'outline:3px solid;outline-offset:2px')
  const box = el('input', {
    type: 'checkbox',
    id: `${nameOf(tile)}-0`,
    className: ['ix-i', 'ix-r0'],
    ...(shownState(tile, c, 0) === 1 ? { checked: true } : {}),
    style: unseen,
  })
  const top = el(
    'span',
    {
      className: classes('ix-top', c.ground.night !== c.ground.color && c.rules.nightGround(c.ground.night)),
      style: css({
        display: 'block',
        position: 'absolute',
        left: 0,
        top: 0,
        right: 0,
        bottom: 0,
        // With pictures off its words cover those of the other.
        'background-color': c.ground.color,
        transition: 'opacity 0.3s',
      }),
    },
    pictureOf(first, tile.first.alt, c.available, c),
  )
  const both = [pictureOf(second, tile.second.alt, c.available, c), top]
  return [
    box,
    el('div', { className: ['ix-b'], style: css({ position: 'relative' }) }, [
      el(
        'label',
        { htmlFor: [`${nameOf(tile)}-0`], style: css({ display: 'block', cursor: 'pointer' }) },
        both,
      ),
    ]),
  ]
}

/** The first gives way to the second; without that, both stand there. */
export function swapHtml(tile: SwapTile, c: TileContext): ElementContent[] {
  const [first, second] = [tile.first.picture, tile.second.picture]
  if (!first || !second) return []
  const looks = looksOf(tile, c)
  const hint = tile.hint ? [said('p', tile.hint, looks.small, c, { margin: '8px 0 0' })] : []
  const live = (tile.how === 'uncover' ? uncovered : turned)(tile, first, second, c)
  const gap = el('div', { style: css({ height: 12, 'font-size': 0 }) }, text('\u00a0'))
  return liveOr(
    c,
    [...live, ...within(tile.link, hint, c)],
    [
      ...within(tile.link, [pictureOf(first, tile.first.alt, c.available, c)], c),
      gap,
      ...within(tile.link, [pictureOf(second, tile.second.alt, c.available, c)], c),
    ],
  )
}
