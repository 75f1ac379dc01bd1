import type { ElementContent } from 'hast'
import { css, el } from '../../html/element'
import type { TileContext } from '../context'
import { nameOf, shownState } from '../interactive/live'
import { looksOf, type Looks } from '../interactive/looks'
import { said } from '../interactive/pieces'
import { opening, panelContent, titleStyle } from './html'
import type { PanelsTile } from './schema'

/** Titles that open as `amp-accordion`; tabs as `amp-selector` whose choice hides the other panels (amp-bind). */
export function panelsAmp(tile: PanelsTile, c: TileContext): ElementContent[] {
  const looks = looksOf(tile, c)
  const open = shownState(tile, c, tile.as === 'tabs' ? (tile.open ?? 0) : tile.open)
  return (tile.as === 'tabs' ? tabs : reveal)(tile, looks, open, c)
}

function reveal(tile: PanelsTile, looks: Looks, open: number | null, c: TileContext): ElementContent[] {
  c.rules.custom('', '.ix-less,section[expanded] .ix-more', 'display:none')
  c.rules.custom('', 'section[expanded] .ix-less', 'display:inline')
  return [
    el(
      'amp-accordion',
      tile.one ? { 'expand-single-section': '' } : null,
      tile.panels.map((panel, i) =>
        el(
          'section',
          open === i ? { expanded: '' } : null,
          opening(
            said('h3', panel.title, looks.body, c, { ...titleStyle(looks, 'reveal'), background: 'none' }),
            {},
          ),
          el('div', { style: css({ padding: '8px 0 4px' }) }, panelContent(panel, looks, c)),
        ),
      ),
    ),
  ]
}

function tabs(tile: PanelsTile, looks: Looks, open: number | null, c: TileContext): ElementContent[] {
  const state = nameOf(tile).replace(/-/g, '_')
  return [
    el(
      'amp-selector',
      { role: 'tablist', className: ['ix-tabs'], on: `select:AMP.setState({${state}:event.targetOption})` },
      tile.panels.map((panel, i) => {
        const made = said('div', panel.title, looks.body, c, titleStyle(looks, 'tabs'), [
          `ix-tab-${looks.accent.slice(1)}`,
        ])
        c.rules.custom(
          '',
          `.ix-tab-${looks.accent.slice(1)}[selected]`,
          `border-bottom-color:${looks.accent}`,
        )
        return {
          ...made,
          properties: {
            option: String(i),
            role: 'tab',
            ...(open === i ? { selected: true } : {}),
            ...made.properties,
          },
        }
      }),
    ),
    ...tile.panels.map((panel, i) =>
      el(
        'div',
        {
          role: 'tabpanel',
          '[hidden]': `(${state}==null?'${open}':${state})!='${i}'`,
          ...(open === i ? {} : { hidden: true }),
          style: css({ padding: '14px 0 4px' }),
        },
        panelContent(panel, looks, c),
      ),
    ),
  ]
}
