'use client'
import { Choice, Group, Row, TextRow } from '../../parts/controls'
import { ShownRows, StateRow } from './interactive'
import { LinkRow, type TileProps } from './parts'

export function SwapGroups({ tile, state, onState, set }: TileProps<'swap'>) {
  return (
    <>
      <Group title="Before">
        <ShownRows
          value={tile.first}
          onChange={(label, first, merge) => set(label, { first }, merge && 'first')}
        />
      </Group>
      <Group title="After">
        <ShownRows
          value={tile.second}
          onChange={(label, second, merge) => set(label, { second }, merge && 'second')}
        />
      </Group>
      <Group title="How">
        <StateRow tile={tile} state={state} onState={onState} />
        <Row label="Changes">
          <Choice
            label="How it changes"
            value={tile.how}
            options={[
              { value: 'hover', label: 'pointer', name: 'Under a pointer, or when pressed' },
              { value: 'press', label: 'press', name: 'When pressed' },
              { value: 'uncover', label: 'uncover', name: 'Piece by piece, as it is uncovered' },
            ]}
            onChange={(how) => set('say how it changes', { how })}
          />
        </Row>
        <TextRow
          plain
          label="Says"
          value={tile.hint}
          onChange={(hint) => set('say what to do', { hint }, 'hint')}
        />
        <LinkRow value={tile.link} onChange={(link) => set('set the link', { link }, 'link')} />
      </Group>
    </>
  )
}
