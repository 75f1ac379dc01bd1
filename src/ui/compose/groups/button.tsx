'use client'
import type { ReactNode } from 'react'
import { buttonLayers } from '@/core/email/cascade'
import type { ButtonStyle } from '@/core/email/styles'
import { buttonHeight, buttonStyleOf } from '@/core/tiles/button/html'
import { Choice, ColorField, Group, NumberField, Row, TextRow } from '../../parts/controls'
import { GradientRow } from '../../parts/gradient-field'
import {
  aligns,
  Contrast,
  fontOptions,
  LinkRow,
  MaybeColor,
  OwnValues,
  Dropdown,
  PictureChooser,
  Tick,
  type TileProps,
} from './parts'

const words: Record<keyof ButtonStyle, string> = {
  background: 'ground',
  gradient: 'gradient',
  color: 'words',
  font: 'font',
  size: 'size',
  bold: 'bold',
  radius: 'radius',
  padX: 'space beside',
  padY: 'space above',
  borderWidth: 'edge',
  borderColor: 'edge colour',
  spacing: 'spacing',
  capitals: 'capitals',
  hoverBackground: 'ground under a pointer',
  hoverColor: 'words under a pointer',
  nightBackground: 'night ground',
  nightColor: 'night words',
  nightBorder: 'night edge',
}

type Props = TileProps<'button'>
type Put = (patch: Partial<ButtonStyle>) => void

export function ButtonGroups({ tile, email, house, style, band, set }: TileProps<'button'>) {
  const s = buttonStyleOf(tile, style.roles[band.role])
  const own = tile.style ?? {}
  const put = (patch: Partial<ButtonStyle>) =>
    set('set the button', { style: { ...own, ...patch } }, `btn-${Object.keys(patch)[0]}`)
  const clear = (key: keyof ButtonStyle) =>
    set('inherit again', { style: Object.fromEntries(Object.entries(own).filter(([k]) => k !== key)) })
  const color = (label: string, name: string, key: 'background' | 'color') => (
    <Row label={label}>
      <ColorField
        label={name}
        value={s[key]}
        swatches={style.colors}
        own={own[key] !== undefined}
        onClear={() => clear(key)}
        onChange={(v) => put({ [key]: v })}
      />
    </Row>
  )
  const maybe = (
    label: string,
    name: string,
    key: 'hoverBackground' | 'hoverColor' | 'nightBackground' | 'nightColor',
    fallback: string,
  ) => (
    <MaybeColor
      label={label}
      name={name}
      value={own[key] ?? s[key]}
      fallback={fallback}
      swatches={style.colors}
      onChange={(v) => (v ? put({ [key]: v }) : clear(key))}
    />
  )
  return (
    <>
      <SaidGroup tile={tile} set={set} />
      <LookGroup color={color} s={s} own={own} put={put} style={style} clear={clear} />
      <ShapeGroup s={s} own={own} put={put} tile={tile} set={set} />
      <Group title="Pointer and night">
        {maybe('Over it', 'Ground under a pointer', 'hoverBackground', s.background)}
        {maybe('its words', 'Words under a pointer', 'hoverColor', s.color)}
        {maybe('Night', 'Ground at night', 'nightBackground', s.background)}
        {maybe('its words', 'Words at night', 'nightColor', s.color)}
        <OwnValues
          own={tile.style}
          layers={buttonLayers(house, email.styles, band.role, tile.variant ?? 'main')}
          words={words}
          onClear={clear}
        />
      </Group>
    </>
  )
}

/** Its size and corners. */
function ShapeGroup({
  s,
  own,
  put,
  tile,
  set,
}: {
  s: ButtonStyle
  own: Partial<ButtonStyle>
  put: Put
  tile: Props['tile']
  set: Props['set']
}) {
  return (
    <Group title="Shape">
      <Row label="Size">
        <NumberField
          label="Letter size, px"
          value={s.size}
          min={8}
          max={60}
          own={own.size !== undefined}
          onChange={(size) => put({ size })}
        />
      </Row>
      <Row label="Radius">
        <NumberField
          label="Radius, px"
          value={s.radius}
          max={60}
          own={own.radius !== undefined}
          onChange={(radius) => put({ radius })}
        />
      </Row>
      <InsideRow s={s} own={own} put={put} />
      <Row label="Narrow">
        <Choice
          label="Width on narrow"
          value={tile.fullNarrow ? 'full' : 'as'}
          options={[
            { value: 'as', label: 'as is' },
            { value: 'full', label: 'full' },
          ]}
          onChange={(v) => set('set the width on narrow', { fullNarrow: v === 'full' })}
        />
      </Row>
      <p className="font-mono text-[11px] text-soft">
        {buttonHeight(s)} px high{buttonHeight(s) < 44 ? ', 44 on narrow' : ''}
      </p>
    </Group>
  )
}

/** Space between the words and the edge. */
function InsideRow({ s, own, put }: { s: ButtonStyle; own: Partial<ButtonStyle>; put: Put }) {
  return (
    <Row label="Inside">
      <div className="flex gap-1">
        <NumberField
          label="Space left and right inside, px"
          value={s.padX}
          max={400}
          own={own.padX !== undefined}
          onChange={(padX) => put({ padX })}
        />
        <NumberField
          label="Space above and below inside, px"
          value={s.padY}
          max={60}
          own={own.padY !== undefined}
          onChange={(padY) => put({ padY })}
        />
      </div>
    </Row>
  )
}

/** Its colours, edge and font. */
function LookGroup({
  color,
  s,
  own,
  put,
  style,
  clear,
}: {
  color: (label: string, name: string, key: 'background' | 'color') => ReactNode
  s: ButtonStyle
  own: Partial<ButtonStyle>
  put: Put
  style: Props['style']
  clear: (key: keyof ButtonStyle) => void
}) {
  return (
    <Group title="Look" className="overflow-y-auto">
      {color('Ground', 'Ground of the button', 'background')}
      <GradientRow
        label="Ground of the button"
        value={s.gradient}
        ground={s.background}
        swatches={style.colors}
        // A ground of its own covers a gradient that it would inherit.
        onChange={(gradient) =>
          gradient ? put({ gradient }) : own.gradient ? clear('gradient') : put({ background: s.background })
        }
      />
      {color('Words', "Colour of the button's words", 'color')}
      <Contrast color={s.color} ground={s.background} size={s.size} bold={s.bold} />
      <Row label="Edge">
        <div className="flex gap-1">
          <NumberField
            label="Edge, px"
            value={s.borderWidth ?? 0}
            max={12}
            own={own.borderWidth !== undefined}
            onChange={(borderWidth) => put({ borderWidth })}
            className="w-12!"
          />
          <ColorField
            label="Colour of the edge"
            value={s.borderColor ?? s.color}
            swatches={style.colors}
            own={own.borderColor !== undefined}
            onClear={() => clear('borderColor')}
            onChange={(borderColor) => put({ borderColor })}
          />
        </div>
      </Row>
      <Row label="Font">
        <Dropdown
          label="Font"
          value={s.font}
          own={own.font !== undefined}
          options={fontOptions(style)}
          onChange={(font) => put({ font })}
        />
      </Row>
    </Group>
  )
}

/** A picture beside the words. */
function IconRows({ icon, set }: { icon: Props['tile']['icon']; set: Props['set'] }) {
  return (
    <>
      <Row label="Icon">
        <PictureChooser
          label={icon ? 'Replace' : 'A picture'}
          onChosen={(picture) =>
            set('add an icon', { icon: { side: 'before', width: 20, ...icon, picture } })
          }
          onClear={icon && (() => set('take the icon off', { icon: undefined }))}
        />
      </Row>
      {icon && (
        <div className="flex items-center gap-2 pl-[76px]">
          <NumberField
            label="Icon width, px"
            value={icon.width}
            min={4}
            max={80}
            className="w-14!"
            onChange={(width) => set('set the icon', { icon: { ...icon, width } }, 'icon')}
          />
          <Tick
            checked={icon.side === 'after'}
            onChange={(on) => set('set the icon', { icon: { ...icon, side: on ? 'after' : 'before' } })}
          >
            after the words
          </Tick>
        </div>
      )}
    </>
  )
}

/** What the button says and where it leads. */
function SaidGroup({ tile, set }: Pick<Props, 'tile' | 'set'>) {
  return (
    <Group title="Words and link">
      <TextRow
        plain
        label="Words"
        value={tile.label}
        onChange={(label) => set('write the button', { label }, 'label')}
      />
      <LinkRow value={tile.link} onChange={(link) => set('set the link', { link }, 'link')} />
      <Row label="Align">
        <Choice
          label="Alignment"
          value={tile.align}
          options={aligns}
          onChange={(align) => set('align the button', { align })}
        />
      </Row>
      <Row label="Kind">
        <Choice
          label="Which button"
          value={tile.variant ?? 'main'}
          options={[
            { value: 'main', label: 'main' },
            { value: 'second', label: 'second' },
            { value: 'quiet', label: 'quiet' },
          ]}
          onChange={(variant) =>
            set('set the kind of button', { variant: variant === 'main' ? undefined : variant })
          }
        />
      </Row>
      <IconRows icon={tile.icon} set={set} />
    </Group>
  )
}
