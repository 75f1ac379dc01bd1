'use client'
import { ArrowLeft, ArrowRight, Plus, X } from 'lucide-react'
import type { Drift, Story } from '@/core/motion/made'
import { Dropdown, PictureChooser } from '../../compose/groups/parts'
import { Button, ColorField, Group, IconButton, NumberField, Row, TextRow } from '../../parts/controls'
import { PlaceOf } from './place'
import { Duration, LettersOf, Measure, Times, type ValuesProps } from './parts'

const sceneMoves: { value: Story['scenes'][number]['move']; label: string }[] = [
  { value: 'none', label: 'stands still' },
  { value: 'closer', label: 'comes closer' },
  { value: 'away', label: 'goes away' },
  { value: 'left', label: 'goes left' },
  { value: 'right', label: 'goes right' },
]

type Scene = Story['scenes'][number]

function SceneGroup({
  scene,
  at: i,
  of,
  set,
  swap,
  remove,
}: {
  scene: Scene
  at: number
  of: number
  set: (patch: Partial<Scene>, key?: string) => void
  swap: (by: 1 | -1) => void
  remove: () => void
}) {
  return (
    <Group title={`Scene ${i + 1}`}>
      <div className="flex items-center gap-1">
        <img src={`/api/pictures/${scene.picture.id}?width=96`} alt="" className="h-10 w-16 object-cover" />
        <PictureChooser label="Another" onChosen={(picture) => set({ picture })} />
      </div>
      <TextRow
        plain
        label="Caption"
        value={scene.caption}
        onChange={(caption) => set({ caption }, 'caption')}
      />
      <Row label="Moves">
        <Dropdown
          label={`How scene ${i + 1} moves`}
          value={scene.move}
          options={sceneMoves}
          onChange={(move) => set({ move })}
        />
      </Row>
      <div className="flex">
        <IconButton label={`Scene ${i + 1} earlier`} disabled={!i} onClick={() => swap(-1)}>
          <ArrowLeft size={13} />
        </IconButton>
        <IconButton label={`Scene ${i + 1} later`} disabled={i === of - 1} onClick={() => swap(1)}>
          <ArrowRight size={13} />
        </IconButton>
        <IconButton label={`Take out scene ${i + 1}`} disabled={of < 2} onClick={remove}>
          <X size={13} />
        </IconButton>
      </div>
    </Group>
  )
}

export function StoryValues({ made, style, put }: ValuesProps<'story'>) {
  const { scenes } = made
  const set = (i: number, patch: Partial<Scene>, key?: string) =>
    put(
      'change a scene',
      { scenes: scenes.map((s, k) => (k === i ? { ...s, ...patch } : s)) },
      key && `${key}-${i}`,
    )
  const swap = (i: number, by: 1 | -1) => {
    const next = [...scenes]
    const [a, b] = [next[i]!, next[i + by]!]
    next[i] = b
    next[i + by] = a
    put('move a scene', { scenes: next })
  }
  return (
    <>
      {scenes.map((scene, i) => (
        <SceneGroup
          key={i}
          scene={scene}
          at={i}
          of={scenes.length}
          set={(patch, key) => set(i, patch, key)}
          swap={(by) => swap(i, by)}
          remove={() => put('take out a scene', { scenes: scenes.filter((_, k) => k !== i) })}
        />
      ))}
      <Group title="Change">
        <Button
          disabled={scenes.length > 11}
          onClick={() => put('add a scene', { scenes: [...scenes, { ...scenes.at(-1)!, caption: '' }] })}
        >
          <Plus size={13} /> Another scene
        </Button>
        <Times made={made} put={put} />
        <Row label="Plate">
          <ColorField
            label="Plate of the captions"
            value={made.plate}
            swatches={style.colors}
            onChange={(plate) => put('set the plate', { plate }, 'plate')}
          />
        </Row>
      </Group>
      <LettersOf made={made} style={style} put={put} />
    </>
  )
}

export function GlintValues({ made, style, put }: ValuesProps<'glint'>) {
  return (
    <Group title="Light">
      <Row label="Picture">
        <PictureChooser label="Another" onChosen={(picture) => put('choose the picture', { picture })} />
      </Row>
      <Row label="Colour">
        <ColorField
          label="Colour of the light"
          value={made.color}
          swatches={style.colors}
          onChange={(color) => put('set the light', { color }, 'color')}
        />
      </Row>
      <Measure
        label="Width"
        unit="%"
        value={made.width}
        min={5}
        max={100}
        onChange={(width) => put('set the width of the light', { width }, 'width')}
      />
      <Duration
        label="Passes"
        value={made.pass}
        onChange={(pass) => put('set how long it passes', { pass }, 'pass')}
      />
      <Duration
        label="Rests"
        value={made.rest}
        onChange={(rest) => put('set how long it rests', { rest }, 'rest')}
      />
    </Group>
  )
}

const moves: { value: Drift['move']; label: string }[] = [
  { value: 'drift', label: 'drifts' },
  { value: 'turn', label: 'turns' },
  { value: 'pulse', label: 'pulses' },
  { value: 'appear', label: 'appears' },
  { value: 'phases', label: 'in its phases' },
]

type DriftProps = ValuesProps<'drift'>

/** What moves: another picture, or a part of the one that stays. */
function PieceChooser({ made, slot, put }: Pick<DriftProps, 'made' | 'slot' | 'put'>) {
  const own = made.piece.id === made.picture.id
  return (
    <div className="flex items-center gap-1">
      <img
        src={`/api/pictures/${made.piece.id}?width=96`}
        alt=""
        className="h-10 w-10 bg-ground object-contain"
      />
      <PictureChooser
        label="Another"
        onChosen={(piece) => {
          const w = Math.min(0.5, piece.width / 2 / slot.width)
          const h = (w * slot.width * piece.height) / piece.width / slot.height
          put('choose the piece', { piece, at: { ...made.at, w, h } })
        }}
      />
      {!own && (
        <Button look="plain" onClick={() => put('move a part of the picture', { piece: made.picture })}>
          A part of the picture
        </Button>
      )}
    </div>
  )
}

function PieceGroup({ made, style, slot, put }: DriftProps) {
  const own = made.piece.id === made.picture.id
  const place = (label: string, key: 'x' | 'y' | 'w' | 'h', side: number) => (
    <NumberField
      label={`${label} of the piece, px`}
      value={Math.round(made.at[key] * side)}
      min={key === 'w' || key === 'h' ? 1 : -2000}
      onChange={(v) => put('place the piece', { at: { ...made.at, [key]: v / side } }, key)}
    />
  )
  return (
    <>
      <Group title={own ? 'The part that moves' : 'The piece that moves'}>
        <PlaceOf
          picture={made.picture.id}
          slot={slot}
          at={made.at}
          own={own}
          onChange={(at) => put('place the piece', { at }, 'place')}
        />
        <PieceChooser made={made} slot={slot} put={put} />
      </Group>
      <Group title="Its place">
        <Row label="Left, top">
          <span className="flex gap-1">
            {place('Left', 'x', slot.width)}
            {place('Top', 'y', slot.height)}
          </span>
        </Row>
        <Row label="Size">
          <span className="flex gap-1">
            {place('Width', 'w', slot.width)}
            {place('Height', 'h', slot.height)}
          </span>
        </Row>
        <Row label="Behind it">
          {made.patch ? (
            <ColorField
              label="What lies behind the piece"
              value={made.patch}
              swatches={style.colors}
              own
              onClear={() => put('leave the picture behind the piece', { patch: null })}
              onChange={(patch) => put('set what lies behind the piece', { patch }, 'patch')}
            />
          ) : (
            <Button onClick={() => put('cover the place of the piece', { patch: '#ffffff' })}>
              Cover with a colour
            </Button>
          )}
        </Row>
      </Group>
    </>
  )
}

export function DriftValues(p: DriftProps) {
  const { made, style, put } = p
  return (
    <>
      <PieceGroup {...p} />
      <Group title="Moves">
        <Row label="How">
          <Dropdown
            label="How it moves"
            value={made.move}
            options={moves}
            onChange={(move) => put('choose the move', { move })}
          />
        </Row>
        <Duration
          label="Round"
          value={made.round}
          onChange={(round) => put('set how long a round is', { round }, 'round')}
        />
        {made.move !== 'appear' && (
          <Measure
            label="How far"
            unit="%"
            value={made.far}
            min={1}
            max={200}
            onChange={(far) => put('set how far it moves', { far }, 'far')}
          />
        )}
        {made.move === 'drift' && (
          <Measure
            label="Which way"
            unit="°"
            value={made.way}
            max={359}
            onChange={(way) => put('set which way it drifts', { way }, 'way')}
          />
        )}
        {made.move === 'phases' && (
          <Row label="Shade">
            <ColorField
              label="Shade"
              value={made.shade}
              swatches={style.colors}
              onChange={(shade) => put('set the shade', { shade }, 'shade')}
            />
          </Row>
        )}
      </Group>
    </>
  )
}
