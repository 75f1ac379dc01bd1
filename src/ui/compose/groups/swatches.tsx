'use client'
import type { SwatchesTile } from '@/core/tiles/swatches/schema'
import { ColorField, Group, Row, TextRow } from '../../parts/controls'
import { AccentRow, PartsGroup, ShownRows } from './interactive'
import { LinkRow, type TileProps } from './parts'

type Option = SwatchesTile['options'][number]

export function SwatchesGroups({ tile, style, band, state, onState, set }: TileProps<'swatches'>) {
  const at = Math.min(state, tile.options.length - 1)
  const option = tile.options[at]!
  const put = (label: string, patch: Partial<Option>, merge?: string) =>
    set(
      label,
      { options: tile.options.map((o, i) => (i === at ? { ...o, ...patch } : o)) },
      merge && `option${at}-${merge}`,
    )
  return (
    <>
      <PartsGroup<Option>
        title="Kinds"
        parts={tile.options}
        open={at}
        nameOf={(o) => o.name}
        make={() => ({
          name: 'Another',
          color: '#888888',
          shows: { picture: null, alt: null },
          price: '',
          link: '',
        })}
        most={12}
        onOpen={onState}
        onChange={(label, options) => set(label, { options })}
      >
        <TextRow
          plain
          label="Title"
          value={tile.title}
          onChange={(title) => set('write the title', { title }, 'title')}
        />
        <TextRow
          plain
          label="Button"
          value={tile.label}
          onChange={(label) => set('write the button', { label }, 'label')}
        />
        <AccentRow tile={tile} role={band.role} style={style} set={set} />
      </PartsGroup>
      <Group title={option.name || `Kind ${at + 1}`}>
        <TextRow
          plain
          label="Name"
          value={option.name}
          onChange={(name) => put('name the kind', { name }, 'name')}
        />
        <TextRow
          plain
          label="Price"
          value={option.price}
          onChange={(price) => put('set the price', { price }, 'price')}
        />
        <Row label="Swatch">
          <ColorField
            label="Colour of the swatch"
            value={option.color}
            swatches={style.colors}
            onChange={(color) => put('set the swatch', { color }, 'color')}
          />
        </Row>
        <LinkRow value={option.link} onChange={(link) => put('set the link', { link }, 'link')} />
      </Group>
      <Group title="What it looks like">
        <ShownRows value={option.shows} onChange={(label, shows, merge) => put(label, { shows }, merge)} />
      </Group>
    </>
  )
}
