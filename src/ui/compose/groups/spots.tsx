'use client'
import type { SpotsTile } from '@/core/tiles/spots/schema'
import { Group, NumberField, Row, TextRow } from '../../parts/controls'
import { AccentRow, PartsGroup, ShownRows } from './interactive'
import { LinkRow, type TileProps } from './parts'

type Spot = SpotsTile['spots'][number]

export function SpotsGroups({ tile, style, band, state, onState, set }: TileProps<'spots'>) {
  const at = Math.min(state, tile.spots.length - 1)
  const spot = tile.spots[at]
  const put = (patch: Partial<Spot>, merge?: string) =>
    set(
      'set the place',
      { spots: tile.spots.map((s, i) => (i === at ? { ...s, ...patch } : s)) },
      merge && `spot${at}-${merge}`,
    )
  return (
    <>
      <Group title="Picture">
        <ShownRows value={tile.shows} onChange={(label, shows, merge) => set(label, { shows }, merge)} />
        <TextRow
          plain
          label="Says"
          value={tile.hint}
          onChange={(hint) => set('say what to do', { hint }, 'hint')}
        />
        <AccentRow tile={tile} role={band.role} style={style} set={set} />
      </Group>
      <PartsGroup<Spot>
        title="Places on it"
        parts={tile.spots}
        open={at}
        nameOf={(s, i) => `${i + 1} ${s.title}`}
        make={() => ({ x: 0.5, y: 0.5, title: 'A place', text: '', link: '' })}
        most={12}
        onOpen={onState}
        onChange={(label, spots) => set(label, { spots })}
      >
        {spot && (
          <>
            <Row label="Across">
              <NumberField
                label="Across, percent of the picture"
                value={Math.round(spot.x * 100)}
                max={100}
                onChange={(v) => put({ x: v / 100 }, 'x')}
              />
            </Row>
            <Row label="Down">
              <NumberField
                label="Down, percent of the picture"
                value={Math.round(spot.y * 100)}
                max={100}
                onChange={(v) => put({ y: v / 100 }, 'y')}
              />
            </Row>
          </>
        )}
      </PartsGroup>
      {spot && (
        <Group title={spot.title || `Place ${at + 1}`}>
          <TextRow plain label="Title" value={spot.title} onChange={(title) => put({ title }, 'title')} />
          <TextRow
            plain
            label="Words"
            lines={3}
            value={spot.text}
            onChange={(text) => put({ text }, 'text')}
          />
          <LinkRow value={spot.link} onChange={(link) => put({ link }, 'link')} />
        </Group>
      )}
    </>
  )
}
