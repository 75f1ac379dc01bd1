'use client'
import { Plus } from 'lucide-react'
import type { ReactNode } from 'react'
import { answersAddress } from '@/core/interact/addresses'
import type { Tile } from '@/core/email/tile'
import { definitionOf } from '@/core/tiles'
import type { Role } from '@/core/email/styles'
import type { PictureRef } from '@/core/picture/ref'
import type { Sayings, Shown, Target } from '@/core/tiles/interactive/schema'
import { Button, Choice, ColorField, Group, Row, TextRow } from '../../parts/controls'
import type { Style } from '@/core/email/cascade'
import { LinkRow, PictureChooser, Tick } from './parts'
import { swap } from './order'

/** Parts of an interactive tile, of which one is open: added, put in another order and taken out here. */
export function PartsGroup<T>({
  title,
  parts,
  open,
  nameOf,
  make,
  most,
  onOpen,
  onChange,
  children,
}: {
  title: string
  parts: readonly T[]
  open: number
  nameOf: (part: T, i: number) => string
  make: () => T
  most: number
  onOpen: (i: number) => void
  onChange: (label: string, parts: T[]) => void
  children?: ReactNode
}) {
  const at = Math.min(open, parts.length - 1)
  return (
    <Group title={title}>
      <div className="flex flex-wrap gap-1" role="group" aria-label={title}>
        {parts.map((p, i) => (
          <Button
            key={i}
            look={i === at ? 'main' : 'line'}
            aria-pressed={i === at}
            className="max-w-full truncate px-1.5! py-0.5! text-[11px]!"
            onClick={() => onOpen(i)}
          >
            {nameOf(p, i) || i + 1}
          </Button>
        ))}
        {parts.length < most && (
          <Button
            className="px-1.5! py-0.5! text-[11px]!"
            aria-label="Another"
            onClick={() => {
              onChange('add a part', [...parts, make()])
              onOpen(parts.length)
            }}
          >
            <Plus size={12} />
          </Button>
        )}
      </div>
      {parts.length > 1 && <OrderButtons parts={parts} at={at} onOpen={onOpen} onChange={onChange} />}
      {children}
    </Group>
  )
}

/** Puts the open part before or after its neighbour, or takes it out. */
function OrderButtons<T>({
  parts,
  at,
  onOpen,
  onChange,
}: {
  parts: readonly T[]
  at: number
  onOpen: (i: number) => void
  onChange: (label: string, parts: T[]) => void
}) {
  const move = (to: number) => {
    onChange('change the order', swap([...parts], at, to))
    onOpen(to)
  }
  const takeOut = () => {
    onChange(
      'take a part out',
      parts.filter((_, i) => i !== at),
    )
    onOpen(Math.max(0, at - 1))
  }
  return (
    <div className="flex gap-1">
      <Button disabled={at === 0} onClick={() => move(at - 1)}>
        Before
      </Button>
      <Button disabled={at === parts.length - 1} onClick={() => move(at + 1)}>
        After
      </Button>
      <Button look="danger" onClick={takeOut}>
        Take out
      </Button>
    </div>
  )
}

/** The states of a tile as small steps: each is looked at, and written, where it stands. */
export function StateRow({
  tile,
  state,
  onState,
}: {
  tile: Tile
  state: number
  onState: (state: number) => void
}) {
  const states = definitionOf(tile).states(tile)
  return (
    <Choice
      label="State that is looked at"
      value={String(state)}
      options={states.map((label, i) => ({ value: String(i), label }))}
      onChange={(v) => onState(Number(v))}
    />
  )
}

/** A picture with what it says. */
export function ShownRows({
  label = 'Picture',
  value,
  onChange,
}: {
  label?: string
  value: Shown
  onChange: (label: string, value: Shown, merge?: string) => void
}) {
  return (
    <>
      <Row label={label}>
        <PictureChooser
          label={value.picture ? 'Replace' : 'Choose a file'}
          onChosen={(picture: PictureRef) => onChange('choose the picture', { ...value, picture })}
          {...(value.picture && {
            onClear: () => onChange('take the picture off', { ...value, picture: null }),
          })}
        />
      </Row>
      {value.picture && (
        <>
          <TextRow
            plain
            label="Alt text"
            value={value.alt ?? ''}
            placeholder={value.alt === '' ? 'Decoration' : 'What it shows'}
            onChange={(alt) => onChange('write the alt text', { ...value, alt: alt || null }, 'alt')}
          />
          <Tick
            checked={value.alt === ''}
            onChange={(on) => onChange('set the alt text', { ...value, alt: on ? '' : null })}
          >
            Only decoration
          </Tick>
        </>
      )}
    </>
  )
}

/** The accent of an interactive tile; the client's button's where it has none. */
export function AccentRow({
  tile: { accent: value },
  role,
  style,
  set,
}: {
  tile: { accent?: string | undefined }
  role: Role
  style: Style
  set: (label: string, what: { accent: string | undefined }, merge?: string) => void
}) {
  const inherited = style.roles[role].button.main.background
  const onChange = (accent: string | undefined) => set('set the accent', { accent }, 'accent')
  return (
    <Row label="Accent">
      <ColorField
        label="Accent"
        value={value ?? inherited}
        swatches={style.colors}
        own={value !== undefined}
        onClear={() => onChange(undefined)}
        onChange={onChange}
      />
    </Row>
  )
}

/** Where answers go, and where people answer whose reader shows no form. */
export function TargetGroup({
  id,
  target,
  onChange,
}: {
  /** Of the tile: what its form is called at the stand-in. */
  id: string
  target: Target
  onChange: (label: string, target: Target, merge?: string) => void
}) {
  const bad = target.action.trim() !== '' && !/^https:\/\//i.test(target.action.trim())
  return (
    <Group title="Where answers go">
      <TextRow
        label="Sent to"
        value={target.action}
        placeholder="https://"
        invalid={bad}
        onChange={(action) => onChange('say where answers go', { ...target, action }, 'action')}
      />
      {bad && <p className="text-[11.5px] text-terra">Readers send by https alone.</p>}
      {!target.action && (
        <Button
          onClick={() =>
            onChange('send to the stand-in', {
              action: answersAddress(id),
              page: target.page || answersAddress(id),
            })
          }
        >
          Send to the answers stand-in
        </Button>
      )}
      <LinkRow
        label="Page"
        value={target.page}
        onChange={(page) => onChange('say where people answer', { ...target, page }, 'page')}
      />
      <p className="text-[11.5px] text-soft">
        The page is for readers without forms: its links answer in one press.
      </p>
    </Group>
  )
}

/** What a form says. */
export function SayingsGroup({
  sayings,
  onChange,
}: {
  sayings: Sayings
  onChange: (label: string, sayings: Sayings, merge?: string) => void
}) {
  const row = (key: keyof Sayings, label: string, lines?: number) => (
    <TextRow
      plain
      label={label}
      value={sayings[key]}
      {...(lines ? { lines } : {})}
      onChange={(v) => onChange('write what it says', { ...sayings, [key]: v }, key)}
    />
  )
  return (
    <Group title="What it says">
      {row('send', 'Button')}
      {row('waiting', 'Waiting')}
      {row('thanks', 'Sent', 2)}
      {row('failed', 'Not sent', 2)}
    </Group>
  )
}
