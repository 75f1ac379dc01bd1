'use client'
import { textLayers } from '@/core/email/cascade'
import { reviewStyle } from '@/core/tiles/review/html'
import { Choice, ColorField, Group, Row, TextRow } from '../../parts/controls'
import { aligns, Letters, setLetters, type TileProps } from './parts'

export function ReviewGroups({ tile, email, house, style, band, ground, set }: TileProps<'review'>) {
  return (
    <>
      <Group title="Who said what">
        <TextRow
          plain
          label="Words"
          lines={3}
          value={tile.text}
          onChange={(text) => set('write the words', { text }, 'text')}
        />
        <TextRow plain label="Who" value={tile.who} onChange={(who) => set('say who', { who }, 'who')} />
        <TextRow
          plain
          label="Of whom"
          value={tile.about}
          placeholder="a place, a role"
          onChange={(about) => set('say of whom', { about }, 'about')}
        />
      </Group>
      <Group title="Stars">
        <Row label="Stars">
          <Choice
            label="Stars"
            value={tile.stars === null ? 'none' : String(tile.stars)}
            options={[
              { value: 'none', label: '–', name: 'No stars' },
              ...['1', '2', '3', '4', '5'].map((v) => ({ value: v, label: v })),
            ]}
            onChange={(v) => set('set the stars', { stars: v === 'none' ? null : Number(v) })}
          />
        </Row>
        <Row label="Colour">
          <ColorField
            label="Colour of the stars"
            value={tile.starColor}
            swatches={style.colors}
            onChange={(starColor) => set('set the colour of the stars', { starColor }, 'star')}
          />
        </Row>
        <Row label="Align">
          <Choice
            label="Alignment"
            value={tile.align}
            options={aligns}
            onChange={(align) => set('align the review', { align })}
          />
        </Row>
      </Group>
      <Letters
        shown={reviewStyle(tile, style.roles[band.role])}
        own={tile.style}
        style={style}
        ground={ground}
        layers={textLayers(house, email.styles, band.role, style.roles[band.role].base)}
        onChange={setLetters(set)}
      />
    </>
  )
}
