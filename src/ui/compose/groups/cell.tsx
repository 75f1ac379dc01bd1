'use client'
import type { Edit } from '@/core/email/edits'
import { measureBand } from '@/core/email/measures'
import { nestedRow, rowHolding } from '@/core/email/walk'
import type { Style } from '@/core/email/cascade'
import type { Band, Cell, Email, Row as CellRow } from '@/core/email/schema'
import { Button, Choice, Group, NumberField, Row, SidesField } from '../../parts/controls'
import { GradientRow } from '../../parts/gradient-field'
import { aligns, EdgeRow, MaybeColor } from './parts'

interface Props {
  email: Email
  style: Style
  apply: (label: string, edit: Edit, merge?: string) => void
}
/** Sets values of a cell, as one step of the undo history. */
type SetCell = (label: string, what: Partial<Omit<Cell, 'id' | 'items'>>, merge?: string) => void
type Apply = Props['apply']

/** The tray of a cell. */
export function CellGroups({ email, style, band, cell, apply }: Props & { band: Band; cell: Cell }) {
  const set = (label: string, what: Partial<Omit<Cell, 'id' | 'items'>>, merge?: string) =>
    apply(label, { name: 'setCell', what: { id: cell.id, set: what } }, merge && `${merge}-${cell.id}`)
  const measure = measureBand(band, email.width).get(cell.id)
  const row = rowHolding(band, cell.id)
  const at = row.findIndex((c) => c.id === cell.id)
  const inner = nestedRow(band, cell.id)
  return (
    <div className="grid h-full min-w-[1150px] grid-cols-[1.15fr_1fr_1fr_1fr_168px_168px]">
      <CellGroup at={at} row={row} measure={measure} cell={cell} apply={apply} set={set} />
      <CellGround cell={cell} band={band} style={style} set={set} />
      <CellEdges cell={cell} style={style} set={set} />
      <CellOnNarrow row={row} cell={cell} set={set} at={at} apply={apply} inner={inner} />
      <Group title="Space inside">
        <SidesField
          label="Space inside"
          value={cell.padding}
          onChange={(padding) => set('set the space', { padding }, 'pad')}
        />
      </Group>
      <Group title="Inside on narrow">
        <SidesField
          label="Space inside on narrow"
          value={cell.narrow?.padding ?? cell.padding}
          center={cell.narrow?.padding ? 'own' : 'as wide'}
          onChange={(padding) =>
            set('set the space on narrow', { narrow: { ...cell.narrow, padding } }, 'npad')
          }
        />
      </Group>
    </div>
  )
}

/** Where the cell stands among its row, on narrow and on wide. */
function CellOnNarrow({
  row,
  cell,
  set,
  at,
  apply,
  inner,
}: {
  row: readonly Cell[]
  cell: Cell
  set: SetCell
  at: number
  apply: Apply
  inner: CellRow | null
}) {
  return (
    <Group title="On narrow" className="overflow-y-auto">
      {row.length > 1 ? (
        <OnceStacked count={row.length} cell={cell} set={set} />
      ) : (
        <p className="text-soft">The only cell: it fills the width.</p>
      )}
      {row.length > 1 && (
        <div className="flex gap-1">
          <Button
            disabled={at === 0}
            onClick={() => apply('move the cell', { name: 'moveCell', what: { id: cell.id, to: at - 1 } })}
          >
            Before
          </Button>
          <Button
            disabled={at === row.length - 1}
            onClick={() => apply('move the cell', { name: 'moveCell', what: { id: cell.id, to: at + 1 } })}
          >
            After
          </Button>
          <Button
            look="danger"
            onClick={() => apply('delete the cell', { name: 'removeCell', what: { id: cell.id } })}
          >
            Take out
          </Button>
        </div>
      )}
      <OfItsRow inner={inner} apply={apply} />
    </Group>
  )
}

/** Where a cell stands once its row is stacked, and whether it fills the width then. @param count cells of the row */
function OnceStacked({ count, cell, set }: { count: number; cell: Cell; set: SetCell }) {
  return (
    <>
      <Row label="Place">
        <Choice
          label="Place on narrow"
          value={String(cell.narrow?.place ?? 'as')}
          options={[
            { value: 'as', label: 'as is' },
            ...Array.from({ length: count }, (_, i) => ({ value: String(i + 1), label: String(i + 1) })),
          ]}
          onChange={(v) =>
            set('set the place on narrow', {
              narrow: { ...cell.narrow, place: v === 'as' ? undefined : Number(v) },
            })
          }
        />
      </Row>
      <Row label="Width">
        <Choice
          label="Width on narrow"
          value={cell.narrow?.keepsWidth ? 'own' : 'fills'}
          options={[
            { value: 'fills', label: 'fills' },
            { value: 'own', label: 'as wide' },
          ]}
          onChange={(v) =>
            set('set the width on narrow', {
              narrow: { ...cell.narrow, keepsWidth: v === 'own' ? true : undefined },
            })
          }
        />
      </Row>
    </>
  )
}

/** The row inside a cell that the cell stands in. */
function OfItsRow({ inner, apply }: { inner: CellRow | null; apply: Apply }) {
  return (
    <>
      {inner && (
        <>
          <Row label="This row">
            <Choice
              label="Cells of this row"
              value={String(inner.cells.length)}
              options={['1', '2', '3', '4', '5'].map((v) => ({ value: v, label: v }))}
              onChange={(v) =>
                apply('set the cells', { name: 'setCells', what: { id: inner.id, count: Number(v) } })
              }
            />
          </Row>
          <Row label="Narrow">
            <Choice
              label="This row on narrow"
              value={inner.narrow}
              options={[
                { value: 'stack', label: 'stack' },
                { value: 'keep', label: 'keep' },
                { value: 'reverse', label: 'swap' },
              ]}
              onChange={(narrow) =>
                apply('set the stacking', { name: 'setRow', what: { id: inner.id, set: { narrow } } })
              }
            />
          </Row>
          <Button
            look="danger"
            onClick={() => apply('take the row out', { name: 'removeTile', what: { id: inner.id } })}
          >
            Take the whole row out
          </Button>
        </>
      )}
    </>
  )
}

/** The edges of the cell, side by side. */
function CellEdges({ cell, style, set }: { cell: Cell; style: Style; set: SetCell }) {
  return (
    <Group title="Edges" className="overflow-y-auto">
      {(['top', 'right', 'bottom', 'left'] as const).map((side) => (
        <EdgeRow
          key={side}
          label={side[0]!.toUpperCase() + side.slice(1)}
          value={cell.edges?.[side]}
          swatches={style.colors}
          onChange={(edge) => {
            const { [side]: _, ...rest } = cell.edges ?? {}
            set(
              'set an edge',
              { edges: edge ? { ...rest, [side]: edge } : Object.keys(rest).length ? rest : undefined },
              side,
            )
          }}
        />
      ))}
    </Group>
  )
}

/** The colours behind the cell. */
function CellGround({ cell, band, style, set }: { cell: Cell; band: Band; style: Style; set: SetCell }) {
  return (
    <Group title="Ground" className="overflow-y-auto">
      <MaybeColor
        label="Day"
        name="Ground of the cell"
        value={cell.background}
        fallback={band.background ?? style.ground}
        swatches={style.colors}
        onChange={(background) => set('set the ground', { background }, 'bg')}
      />
      <GradientRow
        label="Ground of the cell"
        value={cell.gradient}
        ground={cell.background ?? band.background ?? style.ground}
        swatches={style.colors}
        onChange={(gradient) =>
          set(gradient ? 'set the gradient' : 'a plain ground again', { gradient }, gradient && 'gradient')
        }
      />
      <MaybeColor
        label="Night"
        name="Ground of the cell at night"
        value={cell.nightBackground}
        fallback={cell.background ?? style.ground}
        swatches={style.colors}
        onChange={(nightBackground) => set('set the ground at night', { nightBackground }, 'nbg')}
      />
      <Row label="Radius">
        <NumberField
          label="Radius, px"
          value={cell.radius ?? 0}
          max={100}
          onChange={(radius) => set('set the radius', { radius: radius || undefined }, 'radius')}
        />
      </Row>
    </Group>
  )
}

/** How wide the cell is and how it is aligned. */
function CellGroup({
  at,
  row,
  measure,
  cell,
  apply,
  set,
}: {
  at: number
  row: readonly Cell[]
  measure: { outer: number; content: number } | undefined
  cell: Cell
  apply: Apply
  set: SetCell
}) {
  return (
    <Group title={`Cell ${at + 1} of ${row.length}`}>
      <Row label="Width">
        <NumberField
          label="Width of the cell, px"
          value={Math.round(measure?.outer ?? cell.width)}
          min={24}
          max={1200}
          onChange={(width) =>
            apply('set the width', { name: 'setCellWidth', what: { id: cell.id, width } }, `width-${cell.id}`)
          }
        />
      </Row>
      <p className="font-mono text-[11px] text-soft">
        {Math.round((measure?.content ?? 0) * 10) / 10} px inside; the others share the rest
      </p>
      <Row label="Align">
        <Choice
          label="Alignment"
          value={cell.align}
          options={aligns}
          onChange={(align) => set('align the cell', { align })}
        />
      </Row>
      <Row label="Down">
        <Choice
          label="Vertical alignment"
          value={cell.valign}
          options={[
            { value: 'top', label: 'top' },
            { value: 'middle', label: 'middle' },
            { value: 'bottom', label: 'bottom' },
          ]}
          onChange={(valign) => set('align the cell', { valign })}
        />
      </Row>
    </Group>
  )
}
