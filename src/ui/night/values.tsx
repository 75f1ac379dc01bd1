'use client'
import type { Edit } from '@/core/email/edits'
import { bandGround, cellGround } from '@/core/email/ground'
import type { Tile, TileOf } from '@/core/email/tile'
import { buttonStyleOf } from '@/core/tiles/button/html'
import { byStyle } from '@/core/tiles/review/html'
import type { EmailWork } from '../bench/email-work'
import { MaybeColor } from '../compose/groups/parts'
import { Group } from '../parts/controls'

/** A colour of the night: what it is called, the own value, what is inherited, and how it is set. */
interface Value {
  label: string
  name: string
  own: string | undefined
  inherited: string
  edit: (value: string | undefined) => Edit
}

/** What is chosen, at night: its grounds, its words, its button. Each may be left to what is inherited. */
export function NightValues({ work }: { work: EmailWork }) {
  const { band } = work.selection
  if (!band || work.email.way !== 'bands') return null
  return (
    <Group title="Chosen, at night" className="w-[248px]">
      {valuesOf(work).map(({ label, name, own, inherited, edit }) => (
        <MaybeColor
          key={label}
          label={label}
          name={name}
          value={own}
          fallback={inherited}
          swatches={work.style.colors}
          onChange={(v) => work.apply('set a night colour', edit(v), `night-${band.id}-${label}`)}
        />
      ))}
    </Group>
  )
}

function valuesOf({ selection, style }: EmailWork): Value[] {
  const { band, cell, tile } = selection
  if (!band) return []
  const behind = bandGround(band, style)
  const values: Value[] = [
    {
      label: 'Band',
      name: 'Ground of the band at night',
      own: band.nightBackground,
      inherited: behind.night,
      edit: (nightBackground) => ({ name: 'setBand', what: { id: band.id, set: { nightBackground } } }),
    },
  ]
  if (cell)
    values.push({
      label: 'Cell',
      name: 'Ground of the cell at night',
      own: cell.nightBackground,
      inherited: cellGround(cell, behind).night,
      edit: (nightBackground) => ({ name: 'setCell', what: { id: cell.id, set: { nightBackground } } }),
    })
  const gradient = cell?.gradient ?? band.gradient
  if (gradient) {
    const whose = cell?.gradient ? 'cell' : 'band'
    values.push(
      ...gradient.stops.map((stop, i): Value => ({
        label: `Colour ${i + 1}`,
        name: `Colour ${i + 1} of the gradient of the ${whose} at night`,
        own: stop.nightColor,
        inherited: stop.color,
        edit: (nightColor) => {
          const stops = gradient.stops.map((s, k) => (k === i ? { ...s, nightColor } : s))
          return cell?.gradient
            ? { name: 'setCell', what: { id: cell.id, set: { gradient: { ...gradient, stops } } } }
            : { name: 'setBand', what: { id: band.id, set: { gradient: { ...band.gradient!, stops } } } }
        },
      })),
    )
  }
  return tile
    ? [...values, ...(tile.kind === 'button' ? ofButton : ofLetters)(tile, style.roles[band.role])]
    : values
}

type Look = EmailWork['style']['roles']['main']

const setTile = (tile: Tile, set: object): Edit =>
  ({ name: 'setTile', what: { id: tile.id, kind: tile.kind, set } }) as Edit

function ofButton(tile: Tile, look: Look): Value[] {
  const { style } = tile as TileOf<'button'>
  const shown = buttonStyleOf(tile as TileOf<'button'>, look)
  const put = (key: 'nightBackground' | 'nightColor') => (value: string | undefined) =>
    setTile(tile, { style: { ...style, [key]: value } })
  return [
    {
      label: 'Button',
      name: 'Ground of the button at night',
      own: style?.nightBackground,
      inherited: shown.nightBackground ?? shown.background,
      edit: put('nightBackground'),
    },
    {
      label: 'Its words',
      name: 'Words of the button at night',
      own: style?.nightColor,
      inherited: shown.nightColor ?? shown.color,
      edit: put('nightColor'),
    },
  ]
}

/** Kinds whose words are letters of the email with values of their own. */
const lettered = ['words', 'footer', 'menu', 'review', 'table'] as const

function ofLetters(tile: Tile, look: Look): Value[] {
  if (!lettered.some((kind) => kind === tile.kind)) return []
  const { style } = tile as TileOf<(typeof lettered)[number]>
  const inherited = { ...look.text[look.base], ...style }
  return [
    {
      label: 'Words',
      name: 'Colour of the words at night',
      own: style?.nightColor,
      inherited: inherited.nightColor ?? inherited.color,
      edit: (nightColor) => setTile(tile, { style: { ...style, nightColor } }),
    },
    ...(tile.kind === 'review' && tile.byStyle ? [ofName(tile, look)] : []),
  ]
}

/** The name beneath what somebody said, where it has letters of its own. */
function ofName(tile: TileOf<'review'>, look: Look): Value {
  const shown = byStyle(tile, look)
  return {
    label: 'The name',
    name: 'Colour of the name at night',
    own: tile.byStyle?.nightColor,
    inherited: shown.nightColor ?? shown.color,
    edit: (nightColor) => setTile(tile, { byStyle: { ...tile.byStyle, nightColor } }),
  }
}
