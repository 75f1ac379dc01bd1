'use client'
import { textLayers, type RoleStyle } from '@/core/email/cascade'
import type { TextStyle, TextStyleOverride } from '@/core/email/styles'
import { byStyle, reviewStyle, SPACE } from '@/core/tiles/review/html'
import { Choice, ColorField, Group, NumberField, Row, TextRow } from '../../parts/controls'
import { aligns, Dropdown, Letters, setLetters, type TileProps, MaybeColor } from './parts'

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
      <div className="min-h-0 overflow-y-auto border-r border-grout">
        <Group title="Stars" className="border-r-0! pb-1!">
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
          {tile.stars !== null && <StarColors tile={tile} colors={style.colors} set={set} />}
          <Row label="Align">
            <Choice
              label="Alignment"
              value={tile.align}
              options={aligns}
              onChange={(align) => set('align the review', { align })}
            />
          </Row>
        </Group>
        <SayerGroup tile={tile} look={style.roles[band.role]} colors={style.colors} set={set} />
      </div>
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

/** The letters of who said it. */
function SayerGroup({
  tile,
  look,
  colors,
  set,
}: Pick<TileProps<'review'>, 'tile' | 'set'> & {
  look: RoleStyle
  colors: TileProps<'review'>['style']['colors']
}) {
  const shown = byStyle(tile, look)
  const put = (key: string, more: TextStyleOverride) =>
    set(
      'set the letters of the name',
      // Until then its name is bold, and nothing else.
      { byStyle: { ...letters(shown), ...tile.byStyle, ...more } },
      `by-${key}`,
    )
  return (
    <Group title="The name" className="border-r-0! pt-1!">
      <Row label="Size, space">
        <span className="flex gap-1">
          <NumberField
            label="Size of the name"
            value={shown.size}
            min={8}
            max={120}
            own={tile.byStyle !== undefined}
            onChange={(size) => put('size', { size, line: Math.round((shown.line / shown.size) * size) })}
          />
          <NumberField
            label="Space above the name"
            value={tile.space ?? SPACE}
            max={200}
            own={tile.space !== undefined}
            onChange={(space) => set('set the space above the name', { space }, 'by-space')}
          />
        </span>
      </Row>
      <Row label="Weight">
        <Dropdown
          label="Weight of the name"
          value={tile.byStyle ? (shown.bold ? 'bold' : 'plain') : 'name'}
          options={[
            { value: 'name', label: 'its name bold' },
            { value: 'bold', label: 'all bold' },
            { value: 'plain', label: 'plain' },
          ]}
          onChange={(v) =>
            v === 'name'
              ? set('set the name in bold alone', { byStyle: undefined })
              : put('bold', { bold: v === 'bold' })
          }
        />
      </Row>
      <Row label="Colour">
        <ColorField
          label="Colour of the name"
          value={shown.color}
          swatches={colors}
          onChange={(color) => put('color', { color })}
        />
      </Row>
    </Group>
  )
}

/** What the name has of its own once it is styled: the rest it inherits. */
const letters = ({ font, size, line, color, bold, italic }: TextStyle): TextStyleOverride => ({
  ...{ font, size, line, color, bold },
  ...(italic ? { italic } : {}),
})

/** The colour of the stars, by day and at night. */
function StarColors({
  tile,
  colors,
  set,
}: Pick<TileProps<'review'>, 'tile' | 'set'> & { colors: TileProps<'review'>['style']['colors'] }) {
  return (
    <>
      <Row label="Colour">
        <ColorField
          label="Colour of the stars"
          value={tile.starColor}
          swatches={colors}
          onChange={(starColor) => set('set the colour of the stars', { starColor }, 'star')}
        />
      </Row>
      <MaybeColor
        label="At night"
        name="Colour of the stars at night"
        value={tile.nightStarColor}
        fallback={tile.starColor}
        swatches={colors}
        onChange={(nightStarColor) => set('set the colour of the stars', { nightStarColor }, 'nightstar')}
      />
    </>
  )
}
