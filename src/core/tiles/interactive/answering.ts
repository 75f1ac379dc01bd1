import type { Element, ElementContent } from 'hast'
import type { TileBase } from '../../email/tile'
import { css, el, text } from '../../html/element'
import { replaceFields } from '../../text/fields'
import { hrefOf } from '../../text/link'
import type { TileContext } from '../context'
import { letters } from '../letters'
import { sentStates } from './answer'
import { nameOf } from './live'
import type { Looks } from './looks'
import { paragraphs, pressStyle } from './pieces'
import type { Sayings, Target } from './schema'

/** A tile that is answered. */
export interface Answered extends TileBase {
  target: Target
  sayings: Sayings
}

/** The state of a form that is looked at, beyond that in which it is filled in. */
export const sentState = (tile: Answered, c: TileContext): (typeof sentStates)[number] | null =>
  c.shown?.tile === tile.id ? (sentStates[c.shown.state - 1] ?? null) : null

/** What a form says in a state, as it is looked at in a lens. */
export const sentWords = ({ sayings }: Answered, state: (typeof sentStates)[number]): string =>
  ({ waiting: sayings.waiting, sent: sayings.thanks, 'not sent': sayings.failed })[state]

const button = (says: string, looks: Looks, c: TileContext): Element =>
  el(
    'button',
    { type: 'submit', style: css({ ...letters(looks.body, c).style, ...pressStyle(looks) }) },
    text(replaceFields(says, c.fields)),
  )

/** A form as HTML has it, for readers that send one. */
export function plainForm(tile: Answered, children: ElementContent[], looks: Looks, c: TileContext): Element {
  const state = sentState(tile, c)
  if (state) return el('div', null, paragraphs(sentWords(tile, state), looks.body, c))
  return el(
    'form',
    {
      action: hrefOf(tile.target.action || tile.target.page || '#', c.fields),
      method: 'post',
      target: '_blank',
    },
    children,
    button(tile.sayings.send, looks, c),
  )
}

/**
 * A form as AMP for Email has it: sent in place, with what it says meanwhile and afterwards (amp-form; templates are mustache).
 * @param result what is shown of the answer's own answer
 */
export function ampForm(
  tile: Answered,
  children: ElementContent[],
  looks: Looks,
  c: TileContext,
  result: ElementContent[] = [],
): Element {
  const template = (nodes: ElementContent[]) => el('template', { type: 'amp-mustache' }, nodes)
  return el(
    'form',
    { id: nameOf(tile), method: 'post', 'action-xhr': hrefOf(tile.target.action, c.fields) },
    el('div', { className: ['ix-ask'] }, children, button(tile.sayings.send, looks, c)),
    el('div', { submitting: '' }, paragraphs(tile.sayings.waiting, looks.body, c)),
    el(
      'div',
      { 'submit-success': '' },
      template([...paragraphs(tile.sayings.thanks, looks.body, c), ...result]),
    ),
    el('div', { 'submit-error': '' }, template(paragraphs(tile.sayings.failed, looks.body, c))),
  )
}
