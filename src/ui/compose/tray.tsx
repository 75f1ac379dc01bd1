'use client'
import dynamic from 'next/dynamic'
import { newTile } from '@/core/tiles'
import { type Tile, type TileKind } from '@/core/email/tile'
import type { Editor } from '@tiptap/react'
import { ArrowDown, ArrowUp, Copy, Plus, Trash2 } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'
import { toast } from 'sonner'
import type { Style } from '@/core/email/cascade'
import { newCell, newId } from '@/core/email/defaults'
import type { Edit, SetTile } from '@/core/email/edits'
import { groundOf } from '@/core/email/ground'
import { measureBand } from '@/core/email/measures'
import type { Band, Cell, Email, Row } from '@/core/email/schema'
import { sides, type HouseStyle } from '@/core/email/styles'
import type { BenchJob } from '../bench/types'
import { Button, Choice, Group, IconButton, SidesField } from '../parts/controls'
import { rowHolding } from '@/core/email/walk'
import { EmailGroups } from './groups/email'
import { beginning, groupColumns, KindGroups, kindLabel, offeredKinds } from './groups'
import type { Selection } from '../bench/selection'
import { shows, type AnyTileProps } from './groups/parts'

// What is selected has its groups brought when it first is.
const BandGroups = dynamic(() => import('./groups/band').then((m) => m.BandGroups), { ssr: false })
const CellGroups = dynamic(() => import('./groups/cell').then((m) => m.CellGroups), { ssr: false })

interface Props {
  email: Email
  job: BenchJob
  setHouse: (house: HouseStyle) => void
  /** Saves what waits. */
  flush: () => Promise<void>
  style: Style
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

/** Where something new is put: behind the selected tile, or at the end of the cell. */
function placeFor({ band, cell, tile }: Selection): { cell: string; at: number } | null {
  const target = cell ?? band?.cells[0]
  if (!target) return null
  return {
    cell: target.id,
    at: tile ? target.items.findIndex((i) => i.id === tile.id) + 1 : target.items.length,
  }
}

/** Adds a tile of a kind, and begins it with what its client has ready. */
function addTile({ selection, apply, onSelect }: Props, kind: TileKind): void {
  const place = placeFor(selection)
  if (!place) return
  const label = `add ${kindLabel(kind).toLowerCase()}`
  const tile = newTile(kind)
  apply(label, { name: 'addTile', what: { ...place, tile } })
  onSelect(tile.id)
  void beginning(tile)?.then(
    (set) => apply(label, { name: 'setTile', what: { id: tile.id, kind, set } as SetTile }, tile.id),
    (error: Error) => toast.error(error.message),
  )
  // The next key is meant for what was added, not for the button that added it.
  requestAnimationFrame(() =>
    document
      .querySelector<HTMLElement>('[aria-label="Wide lens"] [role=region]')
      ?.focus({ preventScroll: true }),
  )
}

/** Adds a row of two cells. */
function addRow({ selection, email, apply, onSelect }: Props): void {
  const place = placeFor(selection)
  if (!place) return
  const each = measureBand(selection.band!, email.width).get(place.cell)!.content / 2
  const row: Row = {
    id: newId(),
    kind: 'row',
    gap: 0,
    narrow: 'stack',
    cells: [newCell(each), newCell(each)].map((c) => ({ ...c, padding: sides(8) })),
  }
  apply('add a row of cells', { name: 'addRow', what: { ...place, row } })
  onSelect(row.cells[0]!.id)
}

/** Where the selected thing's properties are edited: its path, then its values in short groups. */
export function Tray(p: Props) {
  const { band, cell, tile } = p.selection
  return (
    <section aria-label="Tray" className="col-span-2 flex min-h-0 flex-col border-t-2 border-ink bg-paper">
      <div className="flex h-[31px] shrink-0 items-center gap-2 border-b border-grout px-3.5 text-xs text-soft">
        <Path selection={p.selection} onSelect={p.onSelect} />
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

/** What can be added to what is selected. */
function Adding(p: Props) {
  return (
    <>
      {p.selection.band && (
        <>
          {usual.map((k) => (
            <Button key={k} look="plain" onClick={() => addTile(p, k)}>
              + {kindLabel(k)}
            </Button>
          ))}
          <MoreKinds onAdd={(k) => addTile(p, k)} onRow={() => addRow(p)} />
        </>
      )}
      <Button look="plain" onClick={p.onAddBand}>
        + Band
      </Button>
    </>
  )
}

/** What can be done to the selected tile or band as a whole. */
function Changing({ selection: { tile }, band, apply, onMove, onRemove }: Props & { band: Band }) {
  const what = tile ? 'tile' : 'band'
  const duplicate = () =>
    apply(
      'duplicate',
      tile
        ? { name: 'duplicateTile', what: { id: tile.id } }
        : { name: 'duplicateBand', what: { id: band.id } },
    )
  return (
    <>
      <span aria-hidden className="mx-1 h-4 w-px bg-grout" />
      <IconButton label={`Move the ${what} up`} keys="Alt ↑" onClick={() => onMove(-1)}>
        <ArrowUp size={14} />
      </IconButton>
      <IconButton label={`Move the ${what} down`} keys="Alt ↓" onClick={() => onMove(1)}>
        <ArrowDown size={14} />
      </IconButton>
      <IconButton label="Duplicate" keys="Ctrl D" onClick={duplicate}>
        <Copy size={13} />
      </IconButton>
      <IconButton label="Delete" keys="Delete" onClick={onRemove} className="text-terra">
        <Trash2 size={13} />
      </IconButton>
    </>
  )
}

/** Where the selected thing stands: email, band, cell, tile; each step selects what it names. */
function Path({ selection: { band, cell, tile }, onSelect }: Pick<Props, 'selection' | 'onSelect'>) {
  const row = band && cell ? rowHolding(band, cell.id) : []
  const steps: { text: string; id: string | null }[] = [{ text: 'Email', id: null }]
  if (band) steps.push({ text: band.name || 'Band', id: band.id })
  if (band && cell)
    steps.push({
      text: row.length > 1 ? `Cell ${row.findIndex((c) => c.id === cell.id) + 1} of ${row.length}` : 'Cell',
      id: cell.id,
    })
  if (tile) steps.push({ text: kindLabel(tile.kind), id: tile.id })
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

function TileTray(p: Props & { band: Band; cell: Cell; tile: Tile }) {
  const { tile, band, email, style, apply, cell, editor, onEdit, job } = p
  const set: AnyTileProps['set'] = (label, what, merge) =>
    apply(
      label,
      { name: 'setTile', what: { id: tile.id, kind: tile.kind, set: what } as SetTile },
      merge && `${merge}-${tile.id}`,
    )
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
