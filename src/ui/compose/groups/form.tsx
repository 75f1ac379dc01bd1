'use client'
import { useState } from 'react'
import { askedKinds, type Asked } from '@/core/tiles/form/schema'
import { Group, Row, TextRow } from '../../parts/controls'
import { AccentRow, PartsGroup, SayingsGroup, TargetGroup, StateRow } from './interactive'
import { Dropdown, Tick, type TileProps } from './parts'

const labels: Record<Asked['kind'], string> = {
  text: 'a line of words',
  lines: 'some lines',
  email: 'an email address',
  number: 'a number',
  date: 'a date',
  choice: 'one of several',
  several: 'several of these',
  consent: 'a yes',
}

export function FormGroups({ tile, style, band, state, onState, set }: TileProps<'form'>) {
  const [open, setOpen] = useState(0)
  const at = Math.min(open, tile.asked.length - 1)
  const asked = tile.asked[at]!
  const fresh = (): Asked => {
    let n = tile.asked.length + 1
    while (tile.asked.some((a) => a.name === `answer${n}`)) n++
    return { kind: 'text', name: `answer${n}`, label: 'Another', required: false, options: [] }
  }
  const put = (patch: Partial<Asked>, merge?: string) =>
    set(
      'set what is asked',
      { asked: tile.asked.map((a, i) => (i === at ? { ...a, ...patch } : a)) },
      merge && `asked${at}-${merge}`,
    )
  return (
    <>
      <PartsGroup
        title="What is asked"
        parts={tile.asked}
        open={at}
        nameOf={(a) => a.label}
        make={fresh}
        most={20}
        onOpen={setOpen}
        onChange={(label, list) => set(label, { asked: list })}
      >
        <TextRow
          plain
          label="Title"
          value={tile.title}
          onChange={(title) => set('write the title', { title }, 'title')}
        />
        <Tick checked={tile.results} onChange={(results) => set('say what is shown after', { results })}>
          Show what all have chosen
        </Tick>
        <StateRow tile={tile} state={state} onState={onState} />
        <AccentRow tile={tile} role={band.role} style={style} set={set} />
      </PartsGroup>
      <AskedGroup asked={asked} put={put} />
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

/** One thing that is asked. */
function AskedGroup({ asked, put }: { asked: Asked; put: (patch: Partial<Asked>, merge?: string) => void }) {
  const choice = asked.kind === 'choice' || asked.kind === 'several'
  const bounds = asked.kind === 'number' || asked.kind === 'date'
  return (
    <Group title={asked.label || 'Question'}>
      <TextRow plain label="Asks" value={asked.label} onChange={(label) => put({ label }, 'label')} />
      <Row label="Wants">
        <Dropdown
          label="What is wanted"
          value={asked.kind}
          options={askedKinds.map((value) => ({ value, label: labels[value] }))}
          onChange={(kind) => put({ kind })}
        />
      </Row>
      <TextRow
        label="Sent as"
        value={asked.name}
        onChange={(name) => /^[A-Za-z][A-Za-z0-9_-]{0,39}$/.test(name) && put({ name }, 'name')}
      />
      <Tick checked={asked.required} onChange={(required) => put({ required })}>
        Has to be answered
      </Tick>
      {choice && (
        <TextRow
          plain
          label="Choices"
          lines={4}
          value={asked.options.join('\n')}
          onChange={(v) => put({ options: v.split('\n').slice(0, 20) }, 'options')}
        />
      )}
      {bounds && (
        <>
          <TextRow
            label="Least"
            value={asked.least ?? ''}
            onChange={(v) => put({ least: v || undefined }, 'least')}
          />
          <TextRow
            label="Most"
            value={asked.most ?? ''}
            onChange={(v) => put({ most: v || undefined }, 'most')}
          />
        </>
      )}
      {asked.kind === 'text' && (
        <>
          <TextRow
            label="Pattern"
            value={asked.pattern ?? ''}
            placeholder="[A-Z]{2}[0-9]{4}"
            onChange={(v) => put({ pattern: v || undefined }, 'pattern')}
          />
          {asked.pattern && (
            <TextRow
              plain
              label="In words"
              value={asked.title ?? ''}
              onChange={(title) => put({ title }, 'title')}
            />
          )}
        </>
      )}
    </Group>
  )
}
