'use client'
import { Choice, Group, Row, TextRow } from '../../parts/controls'
import { AccentRow, SayingsGroup, TargetGroup, StateRow } from './interactive'
import type { TileProps } from './parts'

export function RatingGroups({ tile, style, band, state, onState, set }: TileProps<'rating'>) {
  return (
    <>
      <Group title="Question">
        <StateRow tile={tile} state={state} onState={onState} />
        <TextRow
          plain
          label="Asks"
          lines={2}
          value={tile.question}
          onChange={(question) => set('write the question', { question }, 'question')}
        />
        <Row label="Scale">
          <Choice
            label="Scale"
            value={tile.scale}
            options={[
              { value: 'stars', label: 'stars' },
              { value: 'ten', label: '0–10' },
              { value: 'faces', label: 'faces' },
            ]}
            onChange={(scale) => set('choose the scale', { scale })}
          />
        </Row>
        <TextRow
          plain
          label="Lowest"
          value={tile.low}
          onChange={(low) => set('name the lowest', { low }, 'low')}
        />
        <TextRow
          plain
          label="Highest"
          value={tile.high}
          onChange={(high) => set('name the highest', { high }, 'high')}
        />
        <AccentRow tile={tile} role={band.role} style={style} set={set} />
      </Group>
      <TargetGroup
        id={tile.id}
        target={tile.target}
        onChange={(label, target, merge) => set(label, { target }, merge)}
      />
      <SayingsGroup
        sayings={tile.sayings}
        onChange={(label, sayings, merge) => set(label, { sayings }, merge)}
      />
    </>
  )
}
