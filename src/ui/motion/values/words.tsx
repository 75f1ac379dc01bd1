'use client'
import { Plus, X } from 'lucide-react'
import type { Headline } from '@/core/motion/made'
import { Dropdown, fontOptions } from '../../compose/groups/parts'
import { Button, ColorField, Group, IconButton, Row, TextRow } from '../../parts/controls'
import { Duration, GroundOf, LettersOf, Measure, Times, type ValuesProps } from './parts'

const changes: { value: Headline['change']; label: string }[] = [
  { value: 'cut', label: 'at once' },
  { value: 'fade', label: 'fade' },
  { value: 'slide', label: 'slide' },
  { value: 'type', label: 'typed' },
  { value: 'letters', label: 'letter by letter' },
]

/** A list of texts that can be added to. */
function Says({
  title,
  says,
  onChange,
}: {
  title: string
  says: readonly string[]
  onChange: (says: string[], key: string) => void
}) {
  return (
    <Group title={title}>
      {says.map((words, i) => (
        <div key={i} className="flex items-start gap-1">
          <div className="min-w-0 flex-1">
            <TextRow
              plain
              lines={2}
              label={String(i + 1)}
              value={words}
              onChange={(v) =>
                onChange(
                  says.map((w, k) => (k === i ? v : w)),
                  `says-${i}`,
                )
              }
            />
          </div>
          <IconButton
            label={`Take out line ${i + 1}`}
            disabled={says.length < 2}
            onClick={() =>
              onChange(
                says.filter((_, k) => k !== i),
                '',
              )
            }
          >
            <X size={13} />
          </IconButton>
        </div>
      ))}
      <Button disabled={says.length > 11} onClick={() => onChange([...says, ''], '')}>
        <Plus size={13} /> Another
      </Button>
    </Group>
  )
}

export function HeadlineValues({ made, style, put }: ValuesProps<'headline'>) {
  return (
    <>
      <Says title="Says" says={made.says} onChange={(says, key) => put('write the lines', { says }, key)} />
      <Group title="Change">
        <Row label="How">
          <Dropdown
            label="How it changes"
            value={made.change}
            options={changes}
            onChange={(change) => put('choose the change', { change })}
          />
        </Row>
        <Times made={made} put={put} />
        <GroundOf made={made} style={style} put={put} />
      </Group>
      <LettersOf made={made} style={style} put={put} />
    </>
  )
}

export function FacesValues({ made, style, put }: ValuesProps<'faces'>) {
  return (
    <>
      <Group title="Name">
        <TextRow
          plain
          label="Says"
          value={made.says}
          onChange={(says) => says && put('write the name', { says }, 'says')}
        />
        {made.faces.map((face, i) => (
          <Row key={i} label={`Face ${i + 1}`}>
            <span className="flex gap-1">
              <Dropdown
                label={`Face ${i + 1}`}
                value={face}
                options={fontOptions(style) as { value: typeof face; label: string }[]}
                onChange={(f) => put('choose a face', { faces: made.faces.map((x, k) => (k === i ? f : x)) })}
              />
              <IconButton
                label={`Take out face ${i + 1}`}
                disabled={made.faces.length < 3}
                onClick={() => put('take out a face', { faces: made.faces.filter((_, k) => k !== i) })}
              >
                <X size={13} />
              </IconButton>
            </span>
          </Row>
        ))}
        <Button
          disabled={made.faces.length > 11}
          onClick={() => put('add a face', { faces: [...made.faces, 'sans'] })}
        >
          <Plus size={13} /> Another face
        </Button>
      </Group>
      <Group title="Change">
        <Duration
          label="Each"
          value={made.each}
          onChange={(each) => put('set how long each is shown', { each }, 'each')}
        />
        <GroundOf made={made} style={style} put={put} />
      </Group>
      <LettersOf made={made} style={style} put={put} />
    </>
  )
}

export function NumberValues({ made, style, put }: ValuesProps<'number'>) {
  const factor = 10 ** made.decimals
  const number = (label: string, value: number, key: 'from' | 'to') => (
    <TextRow
      label={label}
      value={String(value)}
      onChange={(v) => {
        const n = Math.round(Number(v.replace(',', '.')) * factor) / factor
        if (v.trim() && Number.isFinite(n)) put('set the number', { [key]: n }, key)
      }}
    />
  )
  return (
    <>
      <Group title="Counts">
        {number('From', made.from, 'from')}
        {number('To', made.to, 'to')}
        <Measure
          label="Decimals"
          unit=""
          value={made.decimals}
          max={3}
          onChange={(decimals) => put('set the decimals', { decimals })}
        />
        <TextRow
          plain
          label="Before"
          value={made.before}
          onChange={(before) => put('write what stands before', { before }, 'before')}
        />
        <TextRow
          plain
          label="Behind"
          value={made.after}
          onChange={(after) => put('write what stands behind', { after }, 'after')}
        />
      </Group>
      <Group title="Change">
        <Duration
          label="Counts"
          value={made.count}
          onChange={(count) => put('set how long it counts', { count }, 'count')}
        />
        <Duration
          label="Stays"
          value={made.hold}
          onChange={(hold) => put('set how long it stays', { hold }, 'hold')}
        />
        <GroundOf made={made} style={style} put={put} />
      </Group>
      <LettersOf made={made} style={style} put={put} />
    </>
  )
}

type State = ValuesProps<'button'>['made']['states'][number]

function StateGroup({
  state,
  at,
  style,
  set,
  remove,
}: {
  state: State
  at: number
  style: ValuesProps<'button'>['style']
  set: (patch: Partial<State>, key: string) => void
  /** Null: it is the last one left. */
  remove: (() => void) | null
}) {
  return (
    <Group title={`State ${at + 1}`}>
      <TextRow plain label="Says" value={state.says} onChange={(says) => set({ says }, 'says')} />
      <Row label="Face">
        <ColorField
          label={`Face of state ${at + 1}`}
          value={state.face}
          swatches={style.colors}
          onChange={(face) => set({ face }, 'face')}
        />
      </Row>
      <Row label="Words">
        <ColorField
          label={`Words of state ${at + 1}`}
          value={state.ink}
          swatches={style.colors}
          onChange={(ink) => set({ ink }, 'ink')}
        />
      </Row>
      {remove && (
        <Button look="plain" onClick={remove}>
          Take out
        </Button>
      )}
    </Group>
  )
}

export function ButtonValues({ made, style, put }: ValuesProps<'button'>) {
  const { states } = made
  return (
    <>
      {states.map((state, i) => (
        <StateGroup
          key={i}
          state={state}
          at={i}
          style={style}
          set={(patch, key) =>
            put(
              'change the button',
              { states: states.map((s, k) => (k === i ? { ...s, ...patch } : s)) },
              `${key}-${i}`,
            )
          }
          remove={
            states.length > 1
              ? () => put('take out a state', { states: states.filter((_, k) => k !== i) })
              : null
          }
        />
      ))}
      <Group title="Change">
        <Button
          disabled={states.length > 5}
          onClick={() => put('add a state', { states: [...states, states[0]!] })}
        >
          <Plus size={13} /> Another state
        </Button>
        <Times made={made} put={put} />
        <Measure
          label="Radius"
          unit="px"
          value={made.radius}
          max={200}
          onChange={(radius) => put('set the radius', { radius }, 'radius')}
        />
        <GroundOf made={made} style={style} put={put} />
      </Group>
      <LettersOf made={made} style={style} put={put} />
    </>
  )
}
