'use client'
import type { PanelsTile } from '@/core/tiles/panels/schema'
import { Choice, Group, Row, TextRow } from '../../parts/controls'
import { AccentRow, PartsGroup, ShownRows } from './interactive'
import { LinkRow, Tick, type TileProps } from './parts'

const fresh = (): PanelsTile['panels'][number] => ({ title: 'Another', text: '', label: '', link: '' })

export function PanelsGroups({ tile, style, band, state, onState, set }: TileProps<'panels'>) {
  const at = Math.min(state, tile.panels.length - 1)
  const panel = tile.panels[at]!
  const put = (patch: Partial<typeof panel>, merge?: string) =>
    set(
      'write the panel',
      { panels: tile.panels.map((p, i) => (i === at ? { ...p, ...patch } : p)) },
      merge && `panel${at}-${merge}`,
    )
  return (
    <>
      <PartsGroup
        title="Panels"
        parts={tile.panels}
        open={at}
        nameOf={(p) => p.title}
        make={fresh}
        most={10}
        onOpen={onState}
        onChange={(label, panels) => set(label, { panels })}
      >
        <Row label="As">
          <Choice
            label="Kind of panels"
            value={tile.as}
            options={[
              { value: 'reveal', label: 'titles that open' },
              { value: 'tabs', label: 'tabs' },
            ]}
            onChange={(as) => set('choose the kind of panels', { as })}
          />
        </Row>
        {tile.as === 'reveal' && (
          <Tick checked={tile.one} onChange={(one) => set('say how many are open', { one })}>
            Opening one closes the others
          </Tick>
        )}
        <Tick
          checked={tile.open === at}
          onChange={(on) => set('say which is open first', { open: on ? at : null })}
        >
          Open at first
        </Tick>
        <AccentRow tile={tile} role={band.role} style={style} set={set} />
      </PartsGroup>
      <Group title={panel.title || `Panel ${at + 1}`}>
        <TextRow plain label="Title" value={panel.title} onChange={(title) => put({ title }, 'title')} />
        <TextRow
          plain
          label="Words"
          lines={4}
          value={panel.text}
          onChange={(text) => put({ text }, 'text')}
        />
      </Group>
      <Group title="Picture and link">
        <ShownRows
          value={panel.shows ?? { picture: null, alt: null }}
          onChange={(_, shows, merge) => put({ shows }, merge)}
        />
        <TextRow plain label="Button" value={panel.label} onChange={(label) => put({ label }, 'label')} />
        <LinkRow value={panel.link} onChange={(link) => put({ link }, 'link')} />
      </Group>
    </>
  )
}
