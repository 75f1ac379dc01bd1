import type { Element, ElementContent } from 'hast'
import type { TileBase } from '../../email/tile'
import { css, el } from '../../html/element'
import { notWord, unconditional } from '../../html/nodes'
import type { TileContext } from '../context'

/** What ids and groups of a tile's inputs begin with. */
export const nameOf = ({ id }: Pick<TileBase, 'id'>): string => `i-${id.replace(/[^A-Za-z0-9_-]/g, '')}`

/**
 * Both versions of an interactive tile in one message: the static one stands there, and the live one takes its place only where
 * `:checked` counts, which a box that is checked from the start finds out (common practice, no source). A reader that takes
 * inputs or style sheets away, and the Word engine, keep the static one.
 */
export function liveOr(
  c: Pick<TileContext, 'rules'>,
  live: ElementContent[],
  still: ElementContent[],
): ElementContent[] {
  c.rules.custom(
    '',
    '.ix-on:checked~.ix-live',
    'display:block!important;max-height:none!important;overflow:visible!important',
  )
  c.rules.custom('', '.ix-on:checked~.ix-still', 'display:none!important')
  return [
    el(
      'div',
      null,
      notWord(
        el('input', {
          type: 'checkbox',
          checked: true,
          className: ['ix-on'],
          ariaHidden: 'true',
          tabIndex: -1,
          style: css({ display: 'none', 'max-height': 0 }),
        }),
        el(
          'div',
          {
            className: ['ix-live'],
            style: css({ display: 'none', 'max-height': 0, overflow: 'hidden', position: 'relative' }),
          },
          // It stands in a condition already: none of its own may end that one.
          unconditional(live),
        ),
      ),
      el('div', { className: ['ix-still'] }, still),
    ),
  ]
}

/** What hides an input from the eye alone: it keeps the focus, and is read aloud. */
export const unseen = css({ position: 'absolute', opacity: '0', width: 1, height: 1, margin: '0' })

/** Which of a tile's states is shown first: the one that is looked at in a lens, else its own. */
export const shownState = (
  tile: Pick<TileBase, 'id'>,
  c: Pick<TileContext, 'shown'>,
  own: number | null,
): number | null => (c.shown?.tile === tile.id ? c.shown.state : own)

export interface InputsOf {
  type?: 'radio' | 'checkbox'
  /** What the value is sent as; a group of its own where left out. */
  name?: string
  values?: readonly string[]
  chosen: number | null
  /** Their number is counted on from here, where a tile has several groups. */
  from?: number
}

/** Inputs that stand before all that they show, each with a class of its number. */
export function inputs(tile: Pick<TileBase, 'id'>, count: number, o: InputsOf): Element[] {
  const { type = 'radio', chosen, from = 0, values } = o
  const own = nameOf(tile)
  return Array.from({ length: count }, (_, i) =>
    el('input', {
      type,
      name: o.name ?? (type === 'radio' ? own : `${own}-${i}`),
      ...(values ? { value: values[i]! } : {}),
      id: `${own}-${from + i}`,
      className: ['ix-i', `ix-r${from + i}`],
      ...(chosen === i ? { checked: true } : {}),
      style: unseen,
    }),
  )
}

/** The class of what is seen only while an input is chosen. */
export function panelClass(c: Pick<TileContext, 'rules'>, i: number): string {
  c.rules.custom('', `.ix-r${i}:checked~.ix-b .ix-p${i}`, 'display:block!important')
  return `ix-p${i}`
}

/** Classes of a label: of its focus, and of what it looks like while chosen. */
export function labelClasses(
  c: Pick<TileContext, 'rules'>,
  i: number,
  chosen: { name: string; declarations: string },
): string[] {
  c.rules.custom('', `.ix-r${i}:focus-visible~.ix-b .ix-f${i}`, 'outline:3px solid;outline-offset:2px')
  c.rules.custom('', `.ix-r${i}:checked~.ix-b .${chosen.name}${i}`, chosen.declarations)
  return [`ix-f${i}`, `${chosen.name}${i}`]
}

/** What is hidden until an input is chosen. */
export const hidden = css({ display: 'none' })
