'use client'
import { textLayers } from '@/core/email/cascade'
import { menuStyle } from '@/core/tiles/menu/html'
import { Button, Choice, Group, NumberField, Row, TextRow } from '../../parts/controls'
import { aligns, Letters, LinkRow, setLetters, type TileProps } from './parts'

type Part = Pick<TileProps<'menu'>, 'tile' | 'set'>

export function MenuGroups({ tile, email, house, style, band, ground, set }: TileProps<'menu'>) {
  return (
    <>
      <LinksGroup tile={tile} set={set} />
      <RowGroup tile={tile} set={set} />
      <Letters
        shown={menuStyle(tile, style.roles[band.role])}
        own={tile.style}
        style={style}
        ground={ground}
        layers={textLayers(house, email.styles, band.role, style.roles[band.role].base)}
        onChange={setLetters(set)}
      />
    </>
  )
}

/** What the menu leads to. */
function LinksGroup({ tile, set }: Part) {
  const put = (i: number, patch: Partial<{ label: string; link: string }>) =>
    set(
      'write the menu',
      { items: tile.items.map((x, k) => (k === i ? { ...x, ...patch } : x)) },
      `item${i}-${Object.keys(patch)[0]}`,
    )
  return (
    <Group title="Links" className="overflow-y-auto">
      {tile.items.map((item, i) => (
        <div key={i} className="flex flex-col gap-1 border-b border-grout pb-1.5">
          <TextRow plain label={`Link ${i + 1}`} value={item.label} onChange={(label) => put(i, { label })} />
          <LinkRow label="leads to" value={item.link} onChange={(link) => put(i, { link })} />
          {tile.items.length > 1 && (
            <Button
              look="plain"
              className="self-end py-0! text-[11px]!"
              onClick={() => set('take a link out', { items: tile.items.filter((_, k) => k !== i) })}
            >
              take out
            </Button>
          )}
        </div>
      ))}
      {tile.items.length < 12 && (
        <Button onClick={() => set('add a link', { items: [...tile.items, { label: 'Another', link: '' }] })}>
          + Link
        </Button>
      )}
    </Group>
  )
}

/** How the links stand beside each other. */
function RowGroup({ tile, set }: Part) {
  return (
    <Group title="Row">
      <Row label="Align">
        <Choice
          label="Alignment"
          value={tile.align}
          options={aligns}
          onChange={(align) => set('align the menu', { align })}
        />
      </Row>
      <TextRow
        label="Between"
        value={tile.separator}
        onChange={(v) => set('set what stands between', { separator: v.slice(0, 4) }, 'sep')}
      />
      <Row label="Space">
        <NumberField
          label="Space on each side of a link, px"
          value={tile.space}
          max={60}
          onChange={(space) => set('set the space', { space }, 'space')}
        />
      </Row>
      {tile.compact === 'wrap' && (
        <Row label="On narrow">
          <NumberField
            label="Space on each side of a link on narrow, px"
            value={tile.narrowSpace ?? tile.space}
            max={60}
            own={tile.narrowSpace !== undefined}
            onChange={(narrowSpace) => set('set the space on narrow', { narrowSpace }, 'narrow-space')}
          />
        </Row>
      )}
      <Row label="Narrow">
        <Choice
          label="On narrow"
          value={tile.compact}
          options={[
            { value: 'wrap', label: 'wrap' },
            { value: 'column', label: 'column' },
          ]}
          onChange={(compact) => set('set the narrow form', { compact })}
        />
      </Row>
    </Group>
  )
}
