'use client'
import { Choice, ColorField, Group, NumberField, Row } from '../../parts/controls'
import { aligns, MaybeColor, Tick, type TileProps } from './parts'

type Props = Pick<TileProps<'divider'>, 'tile' | 'style' | 'set'>

export function DividerGroups(p: TileProps<'divider'>) {
  return (
    <>
      <LineGroup {...p} />
      <LengthGroup {...p} />
    </>
  )
}

/** Colour, thickness and form. */
function LineGroup({ tile, style, set }: Props) {
  return (
    <Group title="Line">
      <Row label="Colour">
        <ColorField
          label="Colour"
          value={tile.color}
          swatches={style.colors}
          onChange={(color) => set('set the colour', { color }, 'color')}
        />
      </Row>
      <Row label="Thickness">
        <NumberField
          label="Thickness, px"
          value={tile.thickness}
          min={1}
          max={40}
          onChange={(thickness) => set('set the thickness', { thickness }, 'thick')}
        />
      </Row>
      <Row label="Line">
        <Choice
          label="Line"
          value={tile.line ?? 'solid'}
          options={[
            { value: 'solid', label: '—', name: 'solid' },
            { value: 'dashed', label: '┄', name: 'dashed' },
            { value: 'dotted', label: '···', name: 'dotted' },
            { value: 'double', label: '=', name: 'double' },
          ]}
          onChange={(line) => set('set the line', { line: line === 'solid' ? undefined : line })}
        />
      </Row>
      <Tick
        checked={!!tile.invisible}
        onChange={(on) => set('hide the line', { invisible: on || undefined })}
      >
        Invisible: it only keeps room
      </Tick>
    </Group>
  )
}

/** How long it is and where it stands; its colour at night. */
function LengthGroup({ tile, style, set }: Props) {
  return (
    <Group title="Length">
      <Row label="Length">
        <div className="flex gap-1">
          <NumberField
            label="Length, %"
            value={tile.length ?? 100}
            min={1}
            max={100}
            onChange={(length) =>
              set('set the length', { length: length === 100 ? undefined : length }, 'length')
            }
          />
          <span className="self-center font-mono text-[11px] text-soft">%</span>
        </div>
      </Row>
      <Row label="Align">
        <Choice
          label="Alignment"
          value={tile.align ?? 'center'}
          options={aligns}
          onChange={(align) => set('align the line', { align })}
        />
      </Row>
      <MaybeColor
        label="Night"
        name="Colour at night"
        value={tile.nightColor}
        fallback={tile.color}
        swatches={style.colors}
        onChange={(nightColor) => set('set the colour at night', { nightColor }, 'night')}
      />
    </Group>
  )
}
