'use client'
import type { ReactNode } from 'react'
import type { Style } from '@/core/email/cascade'
import type { Letters } from '@/core/motion/letters-schema'
import type { Made, MadeKind, MadeOf } from '@/core/motion/schema'
import { Dropdown, fontOptions, Tick } from '../../compose/groups/parts'
import { Choice, ColorField, Group, NumberField, Row } from '../../parts/controls'

/** What the values of one kind of moving picture work with. */
export interface ValuesProps<K extends MadeKind> {
  made: MadeOf<K>
  style: Style
  /** Width and height of the slot, px. */
  slot: { width: number; height: number }
  /** Changes some of it. Changes with one `merge` key are one step. */
  put: (label: string, patch: Partial<MadeOf<K>>, merge?: string) => void
}
export type AnyValuesProps = Omit<ValuesProps<MadeKind>, 'made' | 'put'> & {
  made: Made
  put: (label: string, patch: Partial<Made>, merge?: string) => void
}

/** A whole number with its unit. */
export function Measure({
  label,
  unit,
  value,
  min,
  max,
  onChange,
}: {
  label: string
  unit: string
  value: number
  min?: number
  max?: number
  onChange: (v: number) => void
}) {
  return (
    <Row label={label}>
      <span className="flex items-center gap-1.5">
        <span className="w-16">
          <NumberField label={`${label}, ${unit}`} value={value} min={min} max={max} onChange={onChange} />
        </span>
        <span className="font-mono text-[11px] text-soft">{unit}</span>
      </span>
    </Row>
  )
}

/** A colour, or none. */
export function GroundRow({
  value,
  style,
  onChange,
}: {
  value: string
  style: Style
  onChange: (v: string) => void
}) {
  return (
    <>
      <Row label="Ground">
        <ColorField
          label="Ground"
          value={value === 'clear' ? '#ffffff' : value}
          swatches={style.colors}
          onChange={onChange}
        />
      </Row>
      <div className="pl-[76px]">
        <Tick checked={value === 'clear'} onChange={(on) => onChange(on ? 'clear' : '#ffffff')}>
          clear
        </Tick>
      </div>
    </>
  )
}

/** How the words of a moving picture are set. */
export function LettersGroup({
  letters,
  style,
  onChange,
  children,
}: {
  letters: Letters
  style: Style
  onChange: (letters: Letters, key: string) => void
  children?: ReactNode
}) {
  const put = (patch: Partial<Letters>) => onChange({ ...letters, ...patch }, Object.keys(patch)[0]!)
  return (
    <Group title="Letters">
      <Row label="Font">
        <Dropdown
          label="Font"
          value={letters.font}
          options={fontOptions(style) as { value: Letters['font']; label: string }[]}
          onChange={(font) => put({ font })}
        />
      </Row>
      <Measure
        label="Size"
        unit="px"
        value={letters.size}
        min={6}
        max={400}
        onChange={(size) => put({ size })}
      />
      <Row label="Colour">
        <ColorField
          label="Colour of the words"
          value={letters.color}
          swatches={style.colors}
          onChange={(color) => put({ color })}
        />
      </Row>
      <Row label="Place">
        <Choice
          label="Place of the lines"
          value={letters.align}
          options={[
            { value: 'start', label: 'start' },
            { value: 'center', label: 'middle' },
            { value: 'end', label: 'end' },
          ]}
          onChange={(align) => put({ align })}
        />
      </Row>
      <div className="flex gap-3 pl-[76px]">
        <Tick checked={letters.bold} onChange={(bold) => put({ bold })}>
          bold
        </Tick>
        <Tick checked={!!letters.italic} onChange={(italic) => put({ italic: italic || undefined })}>
          italic
        </Tick>
      </div>
      {children}
    </Group>
  )
}

/** How long something stays, and how long it takes to become the next. */
export function Times({
  made,
  put,
}: {
  made: { hold: number; turn: number }
  put: (label: string, patch: { hold?: number; turn?: number }, merge: string) => void
}) {
  const row = (label: string, value: number, key: 'hold' | 'turn', what: string) => (
    <Duration label={label} value={value} onChange={(v) => put(what, { [key]: v }, key)} />
  )
  return (
    <>
      {row('Stays', made.hold, 'hold', 'set how long each stays')}
      {row('Takes', made.turn, 'turn', 'set how long the change takes')}
    </>
  )
}

/** The letters of what is made, and the ground it stands on: the same for all that says something. */
export const LettersOf = ({
  made,
  style,
  put,
  children,
}: {
  made: { letters: Letters }
  style: Style
  put: (label: string, patch: { letters: Letters }, merge: string) => void
  children?: ReactNode
}) => (
  <LettersGroup
    letters={made.letters}
    style={style}
    onChange={(letters, key) => put('set the letters', { letters }, key)}
  >
    {children}
  </LettersGroup>
)

export const GroundOf = ({
  made,
  style,
  put,
}: {
  made: { ground: string }
  style: Style
  put: (label: string, patch: { ground: string }, merge: string) => void
}) => (
  <GroundRow
    value={made.ground}
    style={style}
    onChange={(ground) => put('set the ground', { ground }, 'ground')}
  />
)

/** How long one part of it takes, ms. */
export const Duration = ({
  label,
  value,
  onChange,
}: {
  label: string
  value: number
  onChange: (ms: number) => void
}) => <Measure label={label} unit="ms" value={value} min={20} max={30_000} onChange={onChange} />
