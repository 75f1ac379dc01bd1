'use client'
import { menuStyle } from '@/core/tiles/menu/html'
import { reviewStyle } from '@/core/tiles/review/html'
import { footerStyle, senderOf } from '@/core/tiles/footer/html'
import type { TextStyleOverride } from '@/core/email/styles'
import { Button, Choice, ColorField, Group, NumberField, Row, TextRow } from '../../parts/controls'
import { aligns, Letters, LinkRow, MaybeColor, Tick, type SetTile, type TileProps } from './parts'

export function DividerGroups({ tile, style, set }: TileProps<'divider'>) {
  return (
    <>
      <Group title="Line">
        <Row label="Colour"><ColorField label="Colour" value={tile.color} swatches={style.colors} onChange={(color) => set('set the colour', { color }, 'color')} /></Row>
        <Row label="Thickness"><NumberField label="Thickness, px" value={tile.thickness} min={1} max={40} onChange={(thickness) => set('set the thickness', { thickness }, 'thick')} /></Row>
        <Row label="Line"><Choice label="Line" value={tile.line ?? 'solid'} options={[{ value: 'solid', label: '—', name: 'solid' }, { value: 'dashed', label: '┄', name: 'dashed' }, { value: 'dotted', label: '···', name: 'dotted' }, { value: 'double', label: '=', name: 'double' }]} onChange={(line) => set('set the line', { line: line === 'solid' ? undefined : line })} /></Row>
        <Tick checked={!!tile.invisible} onChange={(on) => set('hide the line', { invisible: on || undefined })}>Invisible: it only keeps room</Tick>
      </Group>
      <Group title="Length">
        <Row label="Length"><div className="flex gap-1"><NumberField label="Length, %" value={tile.length ?? 100} min={1} max={100} onChange={(length) => set('set the length', { length: length === 100 ? undefined : length }, 'length')} /><span className="self-center font-mono text-[11px] text-soft">%</span></div></Row>
        <Row label="Align"><Choice label="Alignment" value={tile.align ?? 'center'} options={aligns} onChange={(align) => set('align the line', { align })} /></Row>
        <MaybeColor label="Night" name="Colour at night" value={tile.nightColor} fallback={tile.color} swatches={style.colors} onChange={(nightColor) => set('set the colour at night', { nightColor }, 'night')} />
      </Group>
    </>
  )
}

export function GapGroups({ tile, set }: TileProps<'gap'>) {
  return (
    <Group title="Gap">
      <Row label="Height"><NumberField label="Height, px" value={tile.height} min={1} max={2000} onChange={(height) => set('set the height', { height }, 'height')} /></Row>
      <Row label="On narrow"><div className="flex gap-1"><NumberField label="Height on narrow, px" value={tile.narrowHeight ?? tile.height} min={1} max={2000} own={tile.narrowHeight !== undefined} onChange={(narrowHeight) => set('set the height on narrow', { narrowHeight }, 'nheight')} />{tile.narrowHeight !== undefined && <Button look="plain" className="px-1! text-[11px]!" onClick={() => set('narrow as wide', { narrowHeight: undefined })}>as wide</Button>}</div></Row>
    </Group>
  )
}

/** Own letters of a tile, by its `style`. */
export const setLetters = (set: SetTile) => (label: string, style: TextStyleOverride | undefined, key: string) => set(label, { style }, `letters-${key}`)

export function MenuGroups({ tile, style, band, ground, set }: TileProps<'menu'>) {
  const put = (i: number, patch: Partial<{ label: string; link: string }>) => set('write the menu', { items: tile.items.map((x, k) => (k === i ? { ...x, ...patch } : x)) }, `item${i}-${Object.keys(patch)[0]}`)
  return (
    <>
      <Group title="Links" className="overflow-y-auto">
        {tile.items.map((item, i) => (
          <div key={i} className="flex flex-col gap-1 border-b border-grout pb-1.5">
            <TextRow plain label={`Link ${i + 1}`} value={item.label} onChange={(label) => put(i, { label })} />
            <LinkRow label="leads to" value={item.link} onChange={(link) => put(i, { link })} />
            {tile.items.length > 1 && <Button look="plain" className="self-end py-0! text-[11px]!" onClick={() => set('take a link out', { items: tile.items.filter((_, k) => k !== i) })}>take out</Button>}
          </div>
        ))}
        {tile.items.length < 12 && <Button onClick={() => set('add a link', { items: [...tile.items, { label: 'Another', link: '' }] })}>+ Link</Button>}
      </Group>
      <Group title="Row">
        <Row label="Align"><Choice label="Alignment" value={tile.align} options={aligns} onChange={(align) => set('align the menu', { align })} /></Row>
        <TextRow label="Between" value={tile.separator} onChange={(v) => set('set what stands between', { separator: v.slice(0, 4) }, 'sep')} />
        <Row label="Space"><NumberField label="Space on each side of a link, px" value={tile.space} max={60} onChange={(space) => set('set the space', { space }, 'space')} /></Row>
        <Row label="Narrow"><Choice label="On narrow" value={tile.compact} options={[{ value: 'wrap', label: 'wrap' }, { value: 'column', label: 'column' }]} onChange={(compact) => set('set the narrow form', { compact })} /></Row>
      </Group>
      <Letters shown={menuStyle(tile, style.roles[band.role])} own={tile.style} style={style} ground={ground} onChange={setLetters(set)} />
    </>
  )
}

export function ReviewGroups({ tile, style, band, ground, set }: TileProps<'review'>) {
  return (
    <>
      <Group title="Who said what">
        <TextRow plain label="Words" lines={3} value={tile.text} onChange={(text) => set('write the words', { text }, 'text')} />
        <TextRow plain label="Who" value={tile.who} onChange={(who) => set('say who', { who }, 'who')} />
        <TextRow plain label="Of whom" value={tile.about} placeholder="a place, a role" onChange={(about) => set('say of whom', { about }, 'about')} />
      </Group>
      <Group title="Stars">
        <Row label="Stars"><Choice label="Stars" value={tile.stars === null ? 'none' : String(tile.stars)} options={[{ value: 'none', label: 'none' }, ...['1', '2', '3', '4', '5'].map((v) => ({ value: v, label: v }))]} onChange={(v) => set('set the stars', { stars: v === 'none' ? null : Number(v) })} /></Row>
        <Row label="Colour"><ColorField label="Colour of the stars" value={tile.starColor} swatches={style.colors} onChange={(starColor) => set('set the colour of the stars', { starColor }, 'star')} /></Row>
        <Row label="Align"><Choice label="Alignment" value={tile.align} options={aligns} onChange={(align) => set('align the review', { align })} /></Row>
      </Group>
      <Letters shown={reviewStyle(tile, style.roles[band.role])} own={tile.style} style={style} ground={ground} onChange={setLetters(set)} />
    </>
  )
}

export function FooterGroups({ tile, style, band, ground, set }: TileProps<'footer'>) {
  const house = senderOf({}, style.footer)
  return (
    <>
      <Group title="Who and why">
        <TextRow plain label="Sender" value={tile.sender ?? ''} placeholder={house.sender || 'who sends'} onChange={(v) => set('name the sender', { sender: v || undefined }, 'sender')} />
        <TextRow plain label="Address" value={tile.address ?? ''} placeholder={house.address || 'postal address'} onChange={(v) => set('write the address', { address: v || undefined }, 'address')} />
        <TextRow plain label="Why" lines={2} value={tile.why} onChange={(why) => set('say why', { why }, 'why')} />
        <p className="text-[11px] text-soft">Left empty, sender and address are the house&apos;s.</p>
      </Group>
      <Group title="Ways out">
        <TextRow plain label="Words" value={tile.unsubscribe.label} onChange={(label) => set('write the way out', { unsubscribe: { ...tile.unsubscribe, label } }, 'unsub')} />
        <LinkRow value={tile.unsubscribe.link} onChange={(link) => set('set the link', { unsubscribe: { ...tile.unsubscribe, link } }, 'unsublink')} />
        <Tick checked={!!tile.preferences} onChange={(on) => set('set the preferences link', { preferences: on ? { label: 'Choose what we send', link: '' } : undefined })}>a link to preferences</Tick>
        {tile.preferences && <><TextRow plain label="Words" value={tile.preferences.label} onChange={(label) => set('write the preferences link', { preferences: { ...tile.preferences, label } }, 'pref')} /><LinkRow value={tile.preferences.link} onChange={(link) => set('set the link', { preferences: { ...tile.preferences, link } }, 'preflink')} /></>}
        <Row label="Align"><Choice label="Alignment" value={tile.align} options={aligns} onChange={(align) => set('align the footer', { align })} /></Row>
      </Group>
      <Letters shown={footerStyle(tile, style.roles[band.role])} own={tile.style} style={style} ground={ground} onChange={setLetters(set)} />
    </>
  )
}
