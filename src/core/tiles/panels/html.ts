import type { Element, ElementContent } from 'hast'
import { css, el } from '../../html/element'
import type { TileContext } from '../context'
import { hidden, inputs, labelClasses, liveOr, nameOf, panelClass, shownState } from '../interactive/live'
import { looksOf, type Looks } from '../interactive/looks'
import { nightNames, paragraphs, pictureOf, pressLink, said } from '../interactive/pieces'
import type { PanelsTile } from './schema'

/** What a panel holds. */
export function panelContent(
  { text, shows, label, link }: PanelsTile['panels'][number],
  looks: Looks,
  c: TileContext,
): ElementContent[] {
  const picture = shows?.picture
  return [
    ...(picture
      ? [el('div', { style: css({ margin: '0 0 10px' }) }, pictureOf(picture, shows.alt, c.available, c))]
      : []),
    ...paragraphs(text, looks.body, c),
    ...pressLink(label, link, looks, c),
  ]
}

/** How the title of a panel looks. */
export const titleStyle = (looks: Looks, as: PanelsTile['as']) => ({
  'font-weight': 'bold',
  padding: as === 'tabs' ? '10px 14px' : '12px 0',
  display: as === 'tabs' ? 'inline-block' : 'block',
  cursor: 'pointer',
  margin: '0',
  ...(as === 'tabs'
    ? { 'border-bottom': `3px solid ${looks.line}` }
    : { 'border-top': `1px solid ${looks.line}` }),
})

/** The title of a panel that opens, with the sign that it does, and that of an open one, which is hidden until then. */
export function opening(made: Element, hiding: Record<string, string>): Element {
  const sign = el('span', { ariaHidden: 'true', style: css({ float: 'right', padding: '0 4px' }) }, [
    el('span', { className: ['ix-more'] }, '+'),
    el('span', { className: ['ix-less'], style: css(hiding) || undefined }, '\u2013'),
  ])
  return { ...made, children: [sign, ...made.children] }
}

function label(tile: PanelsTile, i: number, looks: Looks, c: TileContext): Element {
  const names =
    tile.as === 'tabs'
      ? labelClasses(c, i, {
          name: `ix-tab-${looks.accent.slice(1)}-`,
          declarations: `border-bottom-color:${looks.accent}!important`,
        })
      : []
  const title = said('label', tile.panels[i]!.title, looks.body, c, titleStyle(looks, tile.as), [
    ...names,
    ...nightNames(looks, c, 'line'),
  ])
  const made = tile.as === 'tabs' ? title : opening(title, { display: 'none' })
  return { ...made, properties: { htmlFor: [`${nameOf(tile)}-${i}`], ...made.properties } }
}

const bodyStyle = css({ padding: '8px 0 4px', display: 'none' })

/** Titles that open what stands beneath them: each input stands before its own. */
function reveal(tile: PanelsTile, looks: Looks, c: TileContext): ElementContent[] {
  c.rules.custom('', '.ix-i:checked+label+.ix-next', 'display:block!important')
  c.rules.custom('', '.ix-i:checked+label .ix-more', 'display:none!important')
  c.rules.custom('', '.ix-i:checked+label .ix-less', 'display:inline!important')
  c.rules.custom('', '.ix-i:focus-visible+label', 'outline:3px solid;outline-offset:-3px')
  const open = shownState(tile, c, tile.open)
  const all = inputs(tile, tile.panels.length, { type: tile.one ? 'radio' : 'checkbox', chosen: open })
  return tile.panels.flatMap((panel, i) => [
    all[i]!,
    label(tile, i, looks, c),
    el('div', { className: ['ix-next'], style: bodyStyle }, panelContent(panel, looks, c)),
  ])
}

function tabs(tile: PanelsTile, looks: Looks, c: TileContext): ElementContent[] {
  const open = shownState(tile, c, tile.open ?? 0)
  return [
    ...inputs(tile, tile.panels.length, { chosen: open }),
    el('div', { className: ['ix-b'] }, [
      el(
        'div',
        null,
        tile.panels.map((_, i) => label(tile, i, looks, c)),
      ),
      ...tile.panels.map((panel, i) =>
        el(
          'div',
          { className: [panelClass(c, i)], style: `${hidden};padding:14px 0 4px` },
          panelContent(panel, looks, c),
        ),
      ),
    ]),
  ]
}

/** Panels: opened by inputs, or all of them beneath each other. */
export function panelsHtml(tile: PanelsTile, c: TileContext): ElementContent[] {
  const looks = looksOf(tile, c)
  const still = tile.panels.flatMap((panel) => [
    said('p', panel.title, looks.body, c, { 'font-weight': 'bold', margin: '0 0 6px' }),
    ...panelContent(panel, looks, c),
  ])
  return liveOr(c, tile.as === 'tabs' ? tabs(tile, looks, c) : reveal(tile, looks, c), still)
}
