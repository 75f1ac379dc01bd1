'use client'
import dynamic from 'next/dynamic'
import { type Tile, type TileKind } from '@/core/email/tile'
import type { Editor } from '@tiptap/react'
import {
  ArrowDown,
  ArrowUp,
  BookmarkPlus,
  Columns2,
  Combine,
  Copy,
  Plus,
  SquareSplitVertical,
  Trash2,
} from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { useState, type ReactNode } from 'react'
import type { Style } from '@/core/email/cascade'
import type { Edit, SetTile } from '@/core/email/edits'
import { looksOf } from '@/core/email/content'
import { groundOf } from '@/core/email/ground'
import { measureBand } from '@/core/email/measures'
import type { Band, Cell, Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import type { BenchJob } from '../bench/types'
import { Button, Choice, Group, IconButton, SidesField } from '../parts/controls'
import { rowHolding } from '@/core/email/walk'
import { EmailGroups } from './groups/email'
import { addRow, addTile } from './adding'
import { hold } from '../bench/dragged-in'
import { groupColumns, KindGroups, kindLabel, offeredKinds } from './groups'
import type { OnSelection } from '../bench/on-selection'
import type { Selection } from '../bench/selection'
import type { ShownState } from '@/core/tiles/context'
import { shows, type AnyTileProps } from './groups/parts'

// What is selected has its groups brought when it first is.
const BandGroups = dynamic(() => import('./groups/band').then((m) => m.BandGroups), { ssr: false })
const CellGroups = dynamic(() => import('./groups/cell').then((m) => m.CellGroups), { ssr: false })

// Starters come when bands are added.
const BandsDialog = dynamic(() => import('../starters/bands-dialog').then((m) => m.BandsDialog), {
  ssr: false,
})
const KeepDialog = dynamic(() => import('../starters/keep-dialog').then((m) => m.KeepDialog), { ssr: false })

interface Props {
  email: Email
  job: BenchJob
  setHouse: (house: HouseStyle) => void
  /** Saves what waits. */
  flush: () => Promise<void>
  style: Style
  selection: Selection
  /** Bands or tiles that are selected beside that of the selection. */
  also: readonly string[]
  /** What can be made of what is selected. */
  reshape: OnSelection['reshape']
  onDuplicate: () => void
  editor: Editor | null
  apply: (label: string, edit: Edit | readonly Edit[], merge?: string) => void
  onSelect: (id: string | null) => void
  onEdit: () => void
  onMove: (way: 1 | -1) => void
  onRemove: () => void
  onAddBand: () => void
  /** The state of an interactive tile that is looked at. */
  shown: ShownState | undefined
  onShown: (shown: ShownState) => void
  right?: ReactNode
}

/** Where the selected thing's properties are edited: its path, then its values in short groups. */
export function Tray(p: Props) {
  const { band, cell, tile } = p.selection
  return (
    <section aria-label="Tray" className="col-span-2 flex min-h-0 flex-col border-t-2 border-ink bg-paper">
      <div className="flex h-[31px] shrink-0 items-center gap-2 border-b border-grout px-3.5 text-xs text-soft">
        <Path selection={p.selection} also={p.also} onSelect={p.onSelect} />
        <span className="ml-auto flex items-center gap-0.5">
          {p.right}
          {p.email.way === 'bands' && <Adding {...p} />}
          {band && (tile || !cell) && <Changing {...p} band={band} />}
        </span>
      </div>
      <div className="more-below min-h-0 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="Values">
        {!band ? (
          <EmailGroups {...p} />
        ) : tile ? (
          <TileTray key={tile.id} {...p} band={band} cell={cell!} tile={tile} />
        ) : cell ? (
          <CellGroups {...p} band={band} cell={cell} />
        ) : (
          <BandGroups {...p} band={band} />
        )}
      </div>
    </section>
  )
}

/** Which state of a tile is looked at: its own first one until another is chosen. */
const stateOf = ({ shown }: Pick<Props, 'shown'>, tile: Tile): number =>
  shown?.tile === tile.id ? shown.state : 0

/** What can be added to what is selected. */
function Adding(p: Props) {
  return (
    <>
      {p.selection.band && (
        <>
          {usual.map((k) => (
            <Button
              key={k}
              look="plain"
              title="Press, or drag it into a lens"
              draggable
              onDragStart={(e) => hold(e, { kind: k })}
              onClick={() => addTile(p, k)}
            >
              + {kindLabel(k)}
            </Button>
          ))}
          <MoreKinds onAdd={(k) => addTile(p, k)} onRow={() => addRow(p)} />
        </>
      )}
      <Button look="plain" onClick={p.onAddBand}>
        + Band
      </Button>
      <StarterBands {...p} />
    </>
  )
}

/** Bands from the starters or the client's shelf, behind the selected one. */
function StarterBands({ job, email, selection, apply, onSelect }: Props) {
  const [open, setOpen] = useState(false)
  const add = (bands: Band[], name: string) => {
    const at = selection.band
      ? email.bands.findIndex((b) => b.id === selection.band!.id) + 1
      : email.bands.length
    apply(`add ${name}`, { name: 'addBands', what: { bands, at } })
    onSelect(bands[0]?.id ?? null)
    setOpen(false)
  }
  return (
    <>
      <Button look="plain" onClick={() => setOpen(true)}>
        Starters and shelf
      </Button>
      {open && <BandsDialog job={job} width={email.width} onClose={() => setOpen(false)} onAdd={add} />}
    </>
  )
}

/** Keeps the selected band for the client, and ties it to what is kept. */
function KeepBand({ job, email, band, also, apply }: Props & { band: Band }) {
  const [open, setOpen] = useState(false)
  const bands = email.bands.filter((b) => b.id === band.id || also.includes(b.id))
  return (
    <>
      <IconButton label={`Keep the band for ${job.client.name}`} onClick={() => setOpen(true)}>
        <BookmarkPlus size={14} />
      </IconButton>
      {open && (
        <KeepDialog
          job={job}
          email={email}
          bands={bands}
          onClose={() => setOpen(false)}
          onKept={(part) =>
            apply('keep the bands', {
              name: 'replace',
              what: { email: { ...email, bands: email.bands.map((b) => tiedTo(b, part, bands.indexOf(b))) } },
            })
          }
        />
      )}
    </>
  )
}

const tiedTo = (band: Band, part: string, at: number): Band =>
  at < 0 ? band : { ...band, kept: { part, at } }

/** What can be done to the selected tile or band as a whole. */
function Changing(p: Props & { band: Band }) {
  const { onMove, onRemove } = p
  const { tile } = p.selection
  const what = (tile ? 'tile' : 'band') + (p.also.length ? 's' : '')
  return (
    <>
      <span aria-hidden className="mx-1 h-4 w-px bg-grout" />
      {!tile && <KeepBand {...p} />}
      <IconButton label={`Move the ${what} up`} keys="Alt ↑" onClick={() => onMove(-1)}>
        <ArrowUp size={14} />
      </IconButton>
      <IconButton label={`Move the ${what} down`} keys="Alt ↓" onClick={() => onMove(1)}>
        <ArrowDown size={14} />
      </IconButton>
      {p.reshape.merge && (
        <IconButton label="Make one band of these" onClick={p.reshape.merge}>
          <Combine size={13} />
        </IconButton>
      )}
      {tile && (
        <>
          <IconButton
            label="Split the band before this tile"
            disabled={!p.reshape.split}
            onClick={() => p.reshape.split?.()}
          >
            <SquareSplitVertical size={13} />
          </IconButton>
          <IconButton label="Put the tile into a row of cells" onClick={() => p.reshape.wrap?.()}>
            <Columns2 size={13} />
          </IconButton>
        </>
      )}
      <IconButton label="Duplicate" keys="Ctrl D" onClick={p.onDuplicate}>
        <Copy size={13} />
      </IconButton>
      <IconButton label="Delete" keys="Delete" onClick={onRemove} className="text-terra">
        <Trash2 size={13} />
      </IconButton>
    </>
  )
}

/** Where the selected thing stands: email, band, cell, tile; each step selects what it names. */
function Path({
  selection: { band, cell, tile },
  also,
  onSelect,
}: Pick<Props, 'selection' | 'also' | 'onSelect'>) {
  const row = band && cell ? rowHolding(band, cell.id) : []
  const steps: { text: string; id: string | null }[] = [{ text: 'Email', id: null }]
  if (band)
    steps.push({
      text: also.length && !tile ? `${also.length + 1} bands` : band.name || 'Band',
      id: band.id,
    })
  if (band && cell)
    steps.push({
      text: row.length > 1 ? `Cell ${row.findIndex((c) => c.id === cell.id) + 1} of ${row.length}` : 'Cell',
      id: cell.id,
    })
  if (tile) steps.push({ text: also.length ? `${also.length + 1} tiles` : kindLabel(tile.kind), id: tile.id })
  return (
    <nav aria-label="Path" className="flex min-w-0 items-center gap-2">
      {steps.map((s, i) =>
        i === steps.length - 1 ? (
          <b key={s.id ?? 'email'} className="truncate text-ink" aria-current="true">
            {s.text}
          </b>
        ) : (
          <span key={s.id ?? 'email'} className="flex shrink-0 gap-2">
            <button type="button" className="hover:text-ink" onClick={() => onSelect(s.id)}>
              {s.text}
            </button>
            <span aria-hidden className="text-grout">
              /
            </span>
          </span>
        ),
      )}
    </nav>
  )
}

/** Kinds that have a button of their own beside the menu of the others. */
const usual: readonly TileKind[] = ['words', 'picture', 'button']

function MoreKinds({ onAdd, onRow }: { onAdd: (k: TileKind) => void; onRow: () => void }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button look="plain">
          <Plus size={12} /> Other tile
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          onCloseAutoFocus={(e) => e.preventDefault()}
          side="top"
          sideOffset={4}
          className="z-50 grid grid-cols-3 border border-grout bg-paper p-1 text-[12.5px]"
        >
          {offeredKinds
            .filter((k) => !usual.includes(k))
            .map((k) => (
              <DropdownMenu.Item
                key={k}
                className="px-3 py-1.5 outline-none data-[highlighted]:bg-wash"
                onSelect={() => onAdd(k)}
              >
                {kindLabel(k)}
              </DropdownMenu.Item>
            ))}
          <DropdownMenu.Item className="px-3 py-1.5 outline-none data-[highlighted]:bg-wash" onSelect={onRow}>
            Row of cells
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

/** What every kind of tile has. */
const COMMON = new Set(['padding', 'show', 'narrow'])

/** Sets values of a tile, and those of its looks in all tiles that are selected beside it and have them. */
function settingTiles(tile: Tile, also: readonly string[], set: object): Edit[] {
  const of = (id: string, kind: TileKind | undefined, some: object): Edit => ({
    name: 'setTile',
    what: { id, kind, set: some } as SetTile,
  })
  const looks = Object.entries(looksOf(set))
  const own = Object.fromEntries(looks.filter(([key]) => !COMMON.has(key)))
  const common = Object.fromEntries(looks.filter(([key]) => COMMON.has(key)))
  return [
    of(tile.id, tile.kind, set),
    ...also.flatMap((id) => [of(id, tile.kind, own), of(id, undefined, common)]),
  ]
}

function TileTray(p: Props & { band: Band; cell: Cell; tile: Tile }) {
  const { tile, band, email, style, apply, cell, editor, onEdit, job } = p
  const set: AnyTileProps['set'] = (label, what, merge) =>
    apply(label, settingTiles(tile, p.also, what), merge && `${merge}-${tile.id}`)
  const content = measureBand(band, email.width).get(cell.id)?.content ?? email.width
  const available = content - tile.padding.left - tile.padding.right
  const ground = groundOf(email, style, tile.id).color
  return (
    <div
      className="grid h-full min-w-[1180px]"
      style={{ gridTemplateColumns: `${groupColumns(tile.kind)} 172px 172px` }}
    >
      <KindGroups
        tile={tile}
        band={band}
        cell={cell}
        email={email}
        house={job.client.house}
        style={style}
        ground={ground}
        available={available}
        state={stateOf(p, tile)}
        onState={(state) => p.onShown({ tile: tile.id, state })}
        set={set}
        editor={editor}
        onEdit={onEdit}
      />
      <Group title="Space">
        <SidesField
          label="Space"
          value={tile.padding}
          onChange={(padding) => set('set the space', { padding }, 'pad')}
          center={`${Math.round(available * 10) / 10} px`}
        />
        <Choice
          label="Shown on"
          value={tile.show}
          options={shows}
          onChange={(show) => set('set where it shows', { show })}
        />
      </Group>
      <Group title="Space on narrow">
        <SidesField
          label="Space on narrow"
          value={tile.narrow?.padding ?? tile.padding}
          onChange={(padding) =>
            set('set the space on narrow', { narrow: { ...tile.narrow, padding } }, 'npad')
          }
          center={tile.narrow?.padding ? 'own' : 'as wide'}
        />
        {tile.narrow?.padding && (
          <Button onClick={() => set('narrow as wide', { narrow: undefined })}>As wide</Button>
        )}
      </Group>
    </div>
  )
}
