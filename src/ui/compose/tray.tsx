'use client'
import type { Editor } from '@tiptap/react'
import { useEditorState } from '@tiptap/react'
import { AlignCenter, AlignLeft, AlignRight, ArrowDown, ArrowUp, Bold, Copy, Italic, Link2, List, ListOrdered, Strikethrough, Trash2, Underline, Unlink } from 'lucide-react'
import { useEffect, useId, useState, type ReactNode } from 'react'
import { contrast, wantedContrast } from '@/core/color/contrast'
import { withScheme } from '@/core/checks/links'
import { hasScheme } from '@/core/compile/link'
import { newTile } from '@/core/email/defaults'
import type { Edit } from '@/core/email/edits'
import { measureBand } from '@/core/email/measures'
import type { Band, Cell, Email } from '@/core/email/schema'
import type { HouseStyle, TextStyle } from '@/core/email/styles'
import { buttonLine, buttonStyleOf } from '@/core/tiles/button/html'
import { shownWidth } from '@/core/tiles/picture/html'
import type { PictureRef } from '@/core/tiles/picture/schema'
import type { Tile, TileKind } from '@/core/tiles/schema'
import { blockStyle } from '@/core/tiles/words/html'
import { call } from '../api'
import { Button, Choice, ColorField, cx, Group, IconButton, kb, NumberField, Row, SidesField, TextRow } from '../parts/controls'

export interface Selection { band: Band | null; cell: Cell | null; tile: Tile | null }

interface Props {
  email: Email
  style: HouseStyle
  selection: Selection
  editor: Editor | null
  apply: (label: string, edit: Edit, merge?: string) => void
  onSelect: (id: string | null) => void
  onEdit: () => void
  onMove: (way: 1 | -1) => void
  onRemove: () => void
  onAddBand: () => void
  right?: ReactNode
}

export const kindLabels: Record<TileKind, string> = { words: 'Words', picture: 'Picture', button: 'Button', divider: 'Divider', gap: 'Gap' }
const aligns = [{ value: 'left' as const, label: <AlignLeft size={13} />, name: 'Left' }, { value: 'center' as const, label: <AlignCenter size={13} />, name: 'Centre' }, { value: 'right' as const, label: <AlignRight size={13} />, name: 'Right' }]

/** Where the selected thing's properties are edited: its path, then its values in short groups. */
export function Tray(p: Props) {
  const { selection: { band, cell, tile }, apply } = p
  const add = (kind: TileKind) => {
    if (!band) return
    const target = cell ?? band.cells[0]!
    const made = newTile(kind)
    apply(`add ${kindLabels[kind].toLowerCase()}`, { name: 'addTile', what: { cell: target.id, at: tile ? target.items.findIndex((i) => i.id === tile.id) + 1 : target.items.length, tile: made } })
    p.onSelect(made.id)
  }
  const crumb = (text: string, id: string | null) => <><button type="button" className="hover:text-ink" onClick={() => p.onSelect(id)}>{text}</button><span aria-hidden className="text-grout">/</span></>
  return (
    <section aria-label="Tray" className="col-span-2 flex min-h-0 flex-col border-t-2 border-ink bg-paper">
      <div className="flex h-[31px] shrink-0 items-center gap-2 border-b border-grout px-3.5 text-xs text-soft">
        {band ? crumb('Email', null) : <b className="text-ink">Email</b>}
        {band && (tile ? crumb(band.name, band.id) : <b className="text-ink">{band.name}</b>)}
        {tile && band && <>{band.cells.length > 1 && <><span>Cell {Math.max(1, band.cells.findIndex((c) => c.id === cell?.id) + 1)} of {band.cells.length}</span><span aria-hidden className="text-grout">/</span></>}<b className="text-ink">{kindLabels[tile.kind]}</b></>}
        <span className="ml-auto flex items-center gap-0.5">
          {p.right}
          {band && (['words', 'picture', 'button', 'divider', 'gap'] as const).map((k) => <Button key={k} look="plain" onClick={() => add(k)}>+ {kindLabels[k]}</Button>)}
          <Button look="plain" onClick={p.onAddBand}>+ Band</Button>
          {band && (
            <>
              <span aria-hidden className="mx-1 h-4 w-px bg-grout" />
              <IconButton label={tile ? 'Move the tile up' : 'Move the band up'} keys="Alt ↑" onClick={() => p.onMove(-1)}><ArrowUp size={14} /></IconButton>
              <IconButton label={tile ? 'Move the tile down' : 'Move the band down'} keys="Alt ↓" onClick={() => p.onMove(1)}><ArrowDown size={14} /></IconButton>
              <IconButton label="Duplicate" keys="Ctrl D" onClick={() => apply('duplicate', tile ? { name: 'duplicateTile', what: { id: tile.id } } : { name: 'duplicateBand', what: { id: band.id } })}><Copy size={13} /></IconButton>
              <IconButton label="Delete" keys="Delete" onClick={p.onRemove} className="text-terra"><Trash2 size={13} /></IconButton>
            </>
          )}
        </span>
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto">
        {!band ? <EmailTray {...p} /> : !tile ? <BandTray {...p} band={band} /> : <TileTray key={tile.id} {...p} band={band} cell={cell!} tile={tile} />}
      </div>
    </section>
  )
}

function EmailTray({ email, style, apply }: Props) {
  const set = (label: string, what: Partial<Email>, merge?: string) => apply(label, { name: 'setEmail', what }, merge)
  return (
    <div className="grid h-full grid-cols-[1.5fr_1fr_1fr]">
      <Group title="Inbox line">
        <TextRow plain label="Subject" value={email.subject} placeholder="At most about 50 characters" onChange={(v) => set('write the subject', { subject: v }, 'subject')} />
        <TextRow plain label="Preheader" value={email.preheader} placeholder="The line that follows the subject" onChange={(v) => set('write the preheader', { preheader: v }, 'preheader')} />
        <p className="font-mono text-[11px] text-soft">{[...email.subject].length} characters; a phone shows about 50</p>
      </Group>
      <Group title="Document">
        <TextRow plain label="Title" value={email.title} onChange={(v) => set('set the title', { title: v }, 'title')} />
        <TextRow label="Language" value={email.lang} onChange={(v) => /^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*$/.test(v) && set('set the language', { lang: v }, 'lang')} />
        <p className="font-mono text-[11px] text-soft">{email.width} px wide, {email.bands.length} bands</p>
      </Group>
      <Group title="Ground">
        <Row label="Behind"><ColorField label="Ground behind the email" value={style.ground} swatches={style.colors} own={email.styles.ground !== undefined} note="house" onClear={() => { const { ground: _, ...styles } = email.styles; set('inherit the ground', { styles }) }} onChange={(v) => set('set the ground', { styles: { ...email.styles, ground: v } }, 'ground')} /></Row>
        <Row label="Links"><ColorField label="Link colour" value={style.link} swatches={style.colors} own={email.styles.link !== undefined} note="house" onClear={() => { const { link: _, ...styles } = email.styles; set('inherit the link colour', { styles }) }} onChange={(v) => set('set the link colour', { styles: { ...email.styles, link: v } }, 'linkcolor')} /></Row>
      </Group>
    </div>
  )
}

function BandTray({ email, style, band, apply }: Props & { band: Band }) {
  const set = (label: string, what: Partial<Omit<Band, 'id' | 'cells'>>, merge?: string) => apply(label, { name: 'setBand', what: { id: band.id, set: what } }, merge)
  const inner = email.width - band.padding.left - band.padding.right
  return (
    <div className="grid h-full grid-cols-[1fr_1fr_200px_200px_0.8fr]">
      <Group title="Band">
        <TextRow plain label="Name" value={band.name} onChange={(v) => set('rename the band', { name: v.slice(0, 80) }, `name-${band.id}`)} />
        <Row label="Role"><Choice label="Role" value={band.role} options={[{ value: 'header', label: 'Head' }, { value: 'main', label: 'Main' }, { value: 'footer', label: 'Foot' }, { value: 'notice', label: 'Notice' }]} onChange={(role) => set('set the role', { role })} /></Row>
        <Row label="Shown on"><Choice label="Shown on" value={band.show} options={[{ value: 'all', label: 'all' }, { value: 'wide', label: 'wide' }, { value: 'narrow', label: 'narrow' }]} onChange={(show) => set('set where it shows', { show })} /></Row>
      </Group>
      <Group title="Ground">
        <Row label="Band"><ColorField label="Ground of the band" value={band.background ?? band.bleed ?? style.ground} swatches={style.colors} own={band.background !== undefined} note="email" onClear={() => set('inherit the ground', { background: undefined })} onChange={(v) => set('set the ground', { background: v }, `bg-${band.id}`)} /></Row>
        <Row label="Whole row"><ColorField label="Ground over the whole window" value={band.bleed ?? style.ground} swatches={style.colors} own={band.bleed !== undefined} note="email" onClear={() => set('inherit the whole row', { bleed: undefined })} onChange={(v) => set('set the whole row', { bleed: v }, `bleed-${band.id}`)} /></Row>
      </Group>
      <Group title="Space on wide"><SidesField label="Space on wide" value={band.padding} onChange={(padding) => set('set the space', { padding }, `pad-${band.id}`)} center={`${inner} px`} /></Group>
      <Group title="Space on narrow"><SidesField label="Space on narrow" value={band.narrowPadding ?? band.padding} onChange={(narrowPadding) => set('set the space on narrow', { narrowPadding }, `npad-${band.id}`)} center={band.narrowPadding ? 'own' : 'as wide'} /></Group>
      <Group title="Narrow">
        {band.cells.length > 1 ? <Choice label="Cells on narrow" value={band.narrow} options={[{ value: 'stack', label: 'stack' }, { value: 'keep', label: 'keep' }, { value: 'reverse', label: 'swap' }]} onChange={(narrow) => set('set the stacking', { narrow })} /> : <p className="text-soft">One cell: it fills the width.</p>}
        {band.narrowPadding && <Button onClick={() => set('narrow as wide', { narrowPadding: undefined })}>Space as wide</Button>}
      </Group>
    </div>
  )
}

function TileTray(p: Props & { band: Band; cell: Cell; tile: Tile }) {
  const { tile, band, email, apply, cell } = p
  const set: SetTile = (label, what, merge) => apply(label, { name: 'setTile', what: { id: tile.id, set: what } }, merge && `${merge}-${tile.id}`)
  const content = measureBand(band, email.width).get(cell.id)?.content ?? email.width
  const available = content - tile.padding.left - tile.padding.right
  return (
    <div className={cx('grid h-full', tile.kind === 'picture' ? 'grid-cols-[1.5fr_1fr_200px_0.9fr]' : tile.kind === 'button' ? 'grid-cols-[1.2fr_1fr_1fr_200px_0.7fr]' : tile.kind === 'words' ? 'grid-cols-[1.25fr_1fr_200px_200px_0.7fr]' : 'grid-cols-[1fr_200px_1fr]')}>
      {tile.kind === 'words' && <WordsGroups {...p} tile={tile} set={set} />}
      {tile.kind === 'picture' && <PictureGroups tile={tile} set={set} available={available} />}
      {tile.kind === 'button' && <ButtonGroups {...p} tile={tile} set={set} />}
      {tile.kind === 'divider' && <Group title="Line"><Row label="Colour"><ColorField label="Colour" value={tile.color} swatches={p.style.colors} onChange={(color) => set('set the colour', { color }, 'color')} /></Row><Row label="Thickness"><NumberField label="Thickness, px" value={tile.thickness} min={1} max={40} onChange={(thickness) => set('set the thickness', { thickness }, 'thick')} /></Row></Group>}
      {tile.kind === 'gap' && <Group title="Gap"><Row label="Height"><NumberField label="Height, px" value={tile.height} min={1} max={2000} onChange={(height) => set('set the height', { height }, 'height')} /></Row></Group>}
      <Group title="Space"><SidesField label="Space" value={tile.padding} onChange={(padding) => set('set the space', { padding }, 'pad')} center={`${Math.round(available * 10) / 10} px`} /></Group>
      {tile.kind === 'words' && <Group title="Space on narrow"><SidesField label="Space on narrow" value={tile.narrow?.padding ?? tile.padding} onChange={(padding) => set('set the space on narrow', { narrow: { ...tile.narrow, padding } }, 'npad')} center={tile.narrow?.padding ? 'own' : 'as wide'} /></Group>}
      <Group title="Shown on"><Choice label="Shown on" value={tile.show} options={[{ value: 'all', label: 'all' }, { value: 'wide', label: 'wide' }, { value: 'narrow', label: 'narrow' }]} onChange={(show) => set('set where it shows', { show })} /></Group>
    </div>
  )
}

type SetTile = (label: string, what: Record<string, unknown>, merge?: string) => void

function WordsGroups({ tile, band, style, editor, set, onEdit }: Props & { band: Band; tile: Extract<Tile, { kind: 'words' }>; set: SetTile }) {
  const shown = blockStyle(tile, 0, { style, role: band.role })
  const ground = band.background ?? style.ground
  const ratio = contrast(shown.color, ground), wanted = wantedContrast(shown.size, shown.bold)
  const own = tile.style ?? {}
  const put = (patch: Partial<TextStyle>) => set('set the letters', { style: { ...own, ...patch } }, `letters-${Object.keys(patch)[0]}`)
  const clear = (key: keyof TextStyle) => { const { [key]: _, ...rest } = own; set('inherit again', { style: rest }) }
  return (
    <>
      <Group title="Words">
        {editor ? <FormatBar editor={editor} swatches={style.colors} /> : <><Button onClick={onEdit}>Edit the words in place</Button><p className="text-[11.5px] text-soft">Or press Enter, or double-click them in a lens.</p></>}
        <Row label="Align"><Choice label="Alignment" value={tile.align} options={aligns} onChange={(align) => set('align the words', { align })} /></Row>
      </Group>
      <Group title="Letters">
        <Row label="Size / line"><div className="flex gap-1"><NumberField label="Letter size, px" value={shown.size} min={6} max={120} own={own.size !== undefined} onChange={(size) => put({ size, line: Math.max(shown.line, Math.round(size * 1.3)) })} /><NumberField label="Line height, px" value={shown.line} min={6} max={200} own={own.line !== undefined} onChange={(line) => put({ line })} />{(own.size !== undefined || own.line !== undefined) && <Button look="plain" className="px-1! text-[11px]!" onClick={() => { const { size: _s, line: _l, ...rest } = own; set('inherit again', { style: rest }) }}>inherit</Button>}</div></Row>
        <Row label="Colour"><ColorField label="Colour of the words" value={shown.color} swatches={style.colors} own={own.color !== undefined} note="house" onClear={() => clear('color')} onChange={(color) => put({ color })} /></Row>
        <Row label="Contrast"><span className={cx('font-mono', ratio < wanted ? 'text-terra' : 'text-verdigris')}>{(Math.floor(ratio * 100) / 100).toFixed(2)} {ratio < wanted ? `, wants ${wanted}` : 'good'}</span></Row>
      </Group>
    </>
  )
}

/** The look of the words under the cursor. */
function FormatBar({ editor, swatches }: { editor: Editor; swatches: HouseStyle['colors'] }) {
  const s = useEditorState({ editor, selector: ({ editor: e }) => ({ bold: e.isActive('bold'), italic: e.isActive('italic'), underline: e.isActive('underline'), strike: e.isActive('strike'), bullet: e.isActive('bulletList'), ordered: e.isActive('orderedList'), link: e.getAttributes('link').href as string | undefined, color: e.getAttributes('textStyle').color as string | undefined, size: e.getAttributes('textStyle').fontSize as string | undefined, level: e.isActive('heading') ? String(e.getAttributes('heading').level) : '0' }) })
  const [link, setLink] = useState<string | null>(null)
  const chain = () => editor.chain().focus()
  // Pressing a button must not take the selection out of the words.
  const keep = { onMouseDown: (e: { preventDefault: () => void }) => e.preventDefault() }
  useEffect(() => setLink(null), [s.link])
  const putLink = () => { const href = withScheme(link ?? s.link ?? ''); if (href) chain().extendMarkRange('link').setLink({ href }).run(); setLink(null) }
  return (
    <div className="flex flex-col gap-1.5">
      <div className="flex flex-wrap items-center gap-0.5" role="toolbar" aria-label="Look of the words">
        <IconButton {...keep} label="Bold" keys="Ctrl B" active={s.bold} onClick={() => chain().toggleBold().run()}><Bold size={13} /></IconButton>
        <IconButton {...keep} label="Italic" keys="Ctrl I" active={s.italic} onClick={() => chain().toggleItalic().run()}><Italic size={13} /></IconButton>
        <IconButton {...keep} label="Underline" keys="Ctrl U" active={s.underline} onClick={() => chain().toggleUnderline().run()}><Underline size={13} /></IconButton>
        <IconButton {...keep} label="Strike" active={s.strike} onClick={() => chain().toggleStrike().run()}><Strikethrough size={13} /></IconButton>
        <IconButton {...keep} label="List" active={s.bullet} onClick={() => chain().toggleBulletList().run()}><List size={13} /></IconButton>
        <IconButton {...keep} label="Numbered list" active={s.ordered} onClick={() => chain().toggleOrderedList().run()}><ListOrdered size={13} /></IconButton>
        {aligns.map((a) => <IconButton key={a.value} {...keep} label={`Align this paragraph: ${a.name.toLowerCase()}`} onClick={() => chain().setTextAlign(a.value).run()}>{a.label}</IconButton>)}
        <select aria-label="Kind of paragraph" value={s.level} className="ml-1 border border-grout bg-sheet px-1 py-[3px] text-xs" onChange={(e) => (e.target.value === '0' ? chain().setParagraph().run() : chain().setHeading({ level: Number(e.target.value) as 1 | 2 | 3 }).run())}>
          <option value="0">Paragraph</option><option value="1">Heading 1</option><option value="2">Heading 2</option><option value="3">Heading 3</option>
        </select>
      </div>
      <div className="grid grid-cols-[1fr_64px] gap-1.5">
        <ColorField label="Colour of the selected words" value={s.color ?? '#222222'} swatches={swatches} own={!!s.color} onClear={() => chain().unsetColor().run()} onChange={(v) => editor.chain().setColor(v).run()} />
        <NumberField label="Size of the selected words, px" value={s.size ? parseInt(s.size) : 16} min={8} max={120} own={!!s.size} onChange={(v) => editor.chain().setFontSize(`${v}px`).run()} />
      </div>
      <form className="flex gap-1" onSubmit={(e) => { e.preventDefault(); putLink() }}>
        <input aria-label="Link of the selected words" className="w-full min-w-0 border border-grout bg-sheet px-1.5 py-[3px] font-mono text-xs" placeholder="Link: https:// or [[unsubscribe]]" value={link ?? s.link ?? ''} onChange={(e) => setLink(e.target.value)} />
        <IconButton label="Set the link" type="submit"><Link2 size={13} /></IconButton>
        <IconButton {...keep} label="Take the link off" disabled={!s.link} onClick={() => chain().extendMarkRange('link').unsetLink().run()}><Unlink size={13} /></IconButton>
      </form>
    </div>
  )
}

/** A link with what is wrong about it, mended on leaving the field. */
function LinkRow({ value, onChange }: { value: string; onChange: (v: string) => void }) {
  const wrong = value.trim() !== '' && !hasScheme(value)
  return (
    <>
      <TextRow label="Link" value={value} placeholder="https://" invalid={wrong} onChange={onChange} />
      {wrong && <p className="flex items-center gap-2 pl-[76px] text-[11.5px] text-terra">No scheme: it opens nowhere. <Button className="py-0!" onClick={() => onChange(withScheme(value))}>Make it {withScheme(value).slice(0, 28)}</Button></p>}
    </>
  )
}

/** Takes a picture from a file; link and alt text stay as they are. */
function PictureChooser({ label, onChosen }: { label: string; onChosen: (p: PictureRef) => void }) {
  const id = useId()
  const [problem, setProblem] = useState<string | null>(null)
  async function take(file: File) {
    const form = new FormData()
    form.set('picture', file)
    try { setProblem(null); onChosen(await call<PictureRef>('/api/pictures', { method: 'POST', form })) } catch (e) { setProblem((e as Error).message) }
  }
  return (
    <span>
      <label htmlFor={id} className="inline-flex border border-grout bg-sheet px-2.5 py-1 text-[12.5px] text-ink focus-within:outline-2 focus-within:outline-lapis hover:border-soft">{label}<input id={id} type="file" accept="image/png,image/jpeg,image/gif" className="sr-only" onChange={(e) => { const f = e.target.files?.[0]; if (f) void take(f); e.target.value = '' }} /></label>
      {problem && <span role="alert" className="mt-1 block text-[11.5px] text-terra">{problem}</span>}
    </span>
  )
}

function PictureGroups({ tile, set, available }: { tile: Extract<Tile, { kind: 'picture' }>; set: SetTile; available: number }) {
  const shown = shownWidth(tile, available)
  const density = tile.picture ? tile.picture.width / shown : 0
  return (
    <>
      <Group title="Says and leads">
        <TextRow plain label="Alt text" lines={2} value={tile.alt ?? ''} placeholder={tile.alt === '' ? 'Decoration: readers pass over it' : 'What the picture says'} onChange={(v) => set('write the alt text', { alt: v === '' ? null : v }, 'alt')} />
        <LinkRow value={tile.link} onChange={(link) => set('set the link', { link }, 'link')} />
        <label className="flex items-center gap-1.5 pl-[76px] text-xs text-soft"><input type="checkbox" className="accent-lapis" checked={tile.alt === ''} onChange={(e) => set('mark as decoration', { alt: e.target.checked ? '' : null })} /> Only decoration</label>
      </Group>
      <Group title="Size">
        <Row label="Picture"><PictureChooser label={tile.picture ? 'Replace it' : 'Choose a file'} onChosen={(picture) => set(tile.picture ? 'replace the picture' : 'choose a picture', { picture, ...(tile.picture ? {} : { width: Math.min(available, picture.width / 2) }) })} /></Row>
        <Row label="Width"><NumberField label="Shown width, px" value={tile.width} min={1} max={2000} onChange={(width) => set('set the width', { width }, 'width')} /></Row>
        <Row label="Align"><Choice label="Alignment" value={tile.align} options={aligns} onChange={(align) => set('align the picture', { align })} /></Row>
        {tile.picture && <p className="font-mono text-[11px] leading-relaxed text-soft">shown {Math.round(shown * 10) / 10} of {Math.round(available * 10) / 10}, real {tile.picture.width} x {tile.picture.height}<br /><span className={density < 1.95 ? 'text-ochre' : ''}>{density.toFixed(2)}x</span>, {kb(tile.picture.bytes)} {tile.picture.type.slice(6).toUpperCase()}</p>}
      </Group>
    </>
  )
}

function ButtonGroups({ tile, style, set }: Props & { tile: Extract<Tile, { kind: 'button' }>; set: SetTile }) {
  const s = buttonStyleOf(tile, { style })
  const own = tile.style ?? {}
  const put = (patch: Partial<typeof s>) => set('set the button', { style: { ...own, ...patch } }, `btn-${Object.keys(patch)[0]}`)
  const clear = (key: keyof typeof s) => { const { [key]: _, ...rest } = own; set('inherit again', { style: rest }) }
  const ratio = contrast(s.color, s.background), wanted = wantedContrast(s.size, s.bold)
  return (
    <>
      <Group title="Words and link">
        <TextRow plain label="Words" value={tile.label} onChange={(label) => set('write the button', { label }, 'label')} />
        <LinkRow value={tile.link} onChange={(link) => set('set the link', { link }, 'link')} />
        <Row label="Align"><Choice label="Alignment" value={tile.align} options={aligns} onChange={(align) => set('align the button', { align })} /></Row>
      </Group>
      <Group title="Look">
        <Row label="Ground"><ColorField label="Ground of the button" value={s.background} swatches={style.colors} own={own.background !== undefined} note="house" onClear={() => clear('background')} onChange={(background) => put({ background })} /></Row>
        <Row label="Words"><ColorField label="Colour of the button's words" value={s.color} swatches={style.colors} own={own.color !== undefined} note="house" onClear={() => clear('color')} onChange={(color) => put({ color })} /></Row>
        <Row label="Contrast"><span className={cx('font-mono', ratio < wanted ? 'text-terra' : 'text-verdigris')}>{(Math.floor(ratio * 100) / 100).toFixed(2)}{ratio < wanted ? `, wants ${wanted}` : ' good'}</span></Row>
      </Group>
      <Group title="Shape">
        <Row label="Size"><NumberField label="Letter size, px" value={s.size} min={8} max={60} own={own.size !== undefined} onChange={(size) => put({ size })} /></Row>
        <Row label="Radius"><NumberField label="Radius, px" value={s.radius} max={60} own={own.radius !== undefined} onChange={(radius) => put({ radius })} /></Row>
        <Row label="Inside"><div className="flex gap-1"><NumberField label="Space left and right inside, px" value={s.padX} max={120} own={own.padX !== undefined} onChange={(padX) => put({ padX })} /><NumberField label="Space above and below inside, px" value={s.padY} max={60} own={own.padY !== undefined} onChange={(padY) => put({ padY })} /></div></Row>
        <Row label="Narrow"><Choice label="Width on narrow" value={tile.fullNarrow ? 'full' : 'as'} options={[{ value: 'as', label: 'as is' }, { value: 'full', label: 'full' }]} onChange={(v) => set('set the width on narrow', { fullNarrow: v === 'full' })} /></Row>
        <p className="sr-only">{buttonLine(s) + 2 * s.padY} px high</p>
      </Group>
    </>
  )
}
