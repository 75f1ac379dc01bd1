import type { Element, ElementContent } from 'hast'
import { css, el } from '../../html/element'
import type { TileContext } from '../context'
import { letters } from '../letters'
import { nameOf } from '../interactive/live'
import type { Looks } from '../interactive/looks'
import { said } from '../interactive/pieces'
import type { Asked, FormTile } from './schema'

const types = { text: 'text', email: 'email', number: 'number', date: 'date' } as const

/** What is written into, as wide as there is room. */
function written(asked: Asked, id: string, looks: Looks, c: TileContext): Element {
  const style = css({
    ...letters(looks.body, c).style,
    display: 'block',
    width: '100%',
    padding: '9px 10px',
    'box-sizing': 'border-box',
    border: `1px solid ${looks.edge}`,
    'border-radius': looks.radius || undefined,
    'background-color': '#ffffff',
    color: '#16191c',
  })
  const shared = { id, name: asked.name, ...(asked.required ? { required: true } : {}), style }
  if (asked.kind === 'lines') return el('textarea', { ...shared, rows: 4, maxLength: 2000 })
  return el('input', {
    type: types[asked.kind as keyof typeof types],
    ...shared,
    ...(asked.kind === 'text' && asked.pattern ? { pattern: asked.pattern, title: asked.title } : {}),
    ...(asked.kind === 'number' || asked.kind === 'date'
      ? { min: asked.least || undefined, max: asked.most || undefined }
      : {}),
  })
}

/** A box with its words; the whole line is pressed. */
function box(
  type: 'radio' | 'checkbox',
  asked: Asked,
  value: string,
  words: string,
  looks: Looks,
  c: TileContext,
  required: boolean,
): Element {
  const line = said('label', words, looks.body, c, { display: 'block', padding: '6px 0', cursor: 'pointer' })
  const input = el('input', {
    type,
    name: asked.name,
    value,
    ...(required ? { required: true } : {}),
    style: css({ margin: '0 8px 0 0', width: 18, height: 18, 'vertical-align': 'middle' }),
  })
  return { ...line, children: [input, ...line.children] }
}

/** One thing that is asked, with its label. */
export function field(tile: FormTile, i: number, looks: Looks, c: TileContext): Element {
  const asked = tile.asked[i]!
  const words = asked.label + (asked.required ? ' *' : '')
  const around = (tag: string, children: ElementContent[]) =>
    el(tag, { style: css({ margin: '0 0 14px', padding: '0', border: '0' }) }, children)
  if (asked.kind === 'consent')
    return around('div', [box('checkbox', asked, 'yes', words, looks, c, asked.required)])
  if (asked.kind === 'choice' || asked.kind === 'several') {
    const type = asked.kind === 'choice' ? 'radio' : 'checkbox'
    return around('fieldset', [
      said('legend', words, looks.body, c, { 'font-weight': 'bold', padding: '0' }),
      ...asked.options.map((o) =>
        box(type, asked, o, o, looks, c, asked.required && asked.kind === 'choice'),
      ),
    ])
  }
  const id = `${nameOf(tile)}-${asked.name}`
  const label = said('label', words, looks.body, c, {
    display: 'block',
    'font-weight': 'bold',
    margin: '0 0 4px',
  })
  return around('div', [
    { ...label, properties: { htmlFor: [id], ...label.properties } },
    written(asked, id, looks, c),
  ])
}

export const heading = (tile: FormTile, looks: Looks, c: TileContext): Element[] =>
  tile.title ? [said('p', tile.title, looks.body, c, { 'font-weight': 'bold' })] : []
