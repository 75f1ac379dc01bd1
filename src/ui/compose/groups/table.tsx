'use client'
import { type TileOf } from '@/core/email/tile'
import { textLayers } from '@/core/email/cascade'
import { useState } from 'react'
import { tableStyle } from '@/core/tiles/table/html'
import type { RowLook } from '@/core/tiles/table/schema'
import { Button, Choice, fieldClass, Group, NumberField, Row, TextRow } from '../../parts/controls'
import { Dialog } from '../../parts/dialog'
import { aligns, EdgeRow, Letters, MaybeColor, setLetters, Tick, type TileProps } from './parts'

type Table = TileOf<'table'>

type Set = TileProps<'table'>['set']

export function TableGroups({ tile, email, house, style, band, ground, set }: TileProps<'table'>) {
  return (
    <>
      <DataGroup tile={tile} set={set} />
      <LookGroup tile={tile} ground={ground} style={style} set={set} />
      <RowLooks tile={tile} ground={ground} style={style} set={set} />
      <Letters
        shown={tableStyle(tile, style.roles[band.role])}
        own={tile.style}
        style={style}
        ground={ground}
        layers={textLayers(house, email.styles, band.role, style.roles[band.role].base)}
        onChange={setLetters(set)}
      />
    </>
  )
}

/** What stands in the table, and what its rows and columns are. */
function DataGroup({ tile, set }: { tile: Table; set: Set }) {
  const [open, setOpen] = useState(false)
  return (
    <Group title="Data">
      <Button look="main" onClick={() => setOpen(true)}>
        Edit {tile.rows.length} x {tile.columns.length} cells
      </Button>
      <TextRow
        plain
        label="Caption"
        value={tile.caption}
        onChange={(caption) => set('write the caption', { caption }, 'caption')}
      />
      <Row label="Heads">
        <div className="flex gap-3">
          <Tick checked={tile.headRow} onChange={(headRow) => set('name the columns', { headRow })}>
            first row
          </Tick>
          <Tick checked={tile.headColumn} onChange={(headColumn) => set('name the rows', { headColumn })}>
            column
          </Tick>
        </div>
      </Row>
      <Row label="Narrow">
        <Choice
          label="On narrow"
          value={tile.compact}
          options={[
            { value: 'scroll', label: 'scroll' },
            { value: 'cards', label: 'cards' },
            { value: 'whole', label: 'whole' },
          ]}
          onChange={(compact) => set('set the narrow form', { compact })}
        />
      </Row>
      <Row label="Inside">
        <div className="flex gap-1">
          <NumberField
            label="Space inside a cell, px"
            value={tile.space}
            max={40}
            onChange={(space) => set('set the space', { space }, 'space')}
          />
          <NumberField
            label="Space beside the words of a cell, px"
            value={tile.spaceBeside ?? tile.space}
            max={80}
            own={tile.spaceBeside !== undefined}
            onChange={(spaceBeside) => set('set the space', { spaceBeside }, 'beside')}
          />
        </div>
      </Row>
      <RowTicks tile={tile} set={set} />
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title="Cells of the table"
        about="Tab goes from cell to cell. A table copied from a spreadsheet can be pasted into the first cell."
        wide
      >
        <Grid tile={tile} set={set} />
      </Dialog>
    </Group>
  )
}

/** Which rows have the other ground, and which a line. */
function RowTicks({ tile, set }: { tile: Table; set: Set }) {
  return (
    <>
      {tile.zebra && (
        <Tick
          checked={!!tile.zebraFirst}
          onChange={(on) => set('set every other row', { zebraFirst: on || undefined })}
        >
          every other from the first
        </Tick>
      )}
      {tile.edge && (
        <Tick
          checked={!!tile.edgeBetween}
          onChange={(on) => set('set the line', { edgeBetween: on || undefined })}
        >
          lines only between rows
        </Tick>
      )}
    </>
  )
}

/** Grounds and lines. */
function LookGroup({
  tile,
  ground,
  style,
  set,
}: Pick<TileProps<'table'>, 'tile' | 'ground' | 'style' | 'set'>) {
  return (
    <Group title="Look">
      <MaybeColor
        label="Every other"
        name="Ground of every other row"
        value={tile.zebra}
        fallback={ground}
        swatches={style.colors}
        onChange={(zebra) => set('set every other row', { zebra }, 'zebra')}
      />
      <MaybeColor
        label="Head"
        name="Ground of the head"
        value={tile.headBackground}
        fallback={ground}
        swatches={style.colors}
        onChange={(headBackground) => set('set the head', { headBackground }, 'head')}
      />
      <MaybeColor
        label="its words"
        name="Words of the head"
        value={tile.headColor}
        fallback="#222222"
        swatches={style.colors}
        onChange={(headColor) => set('set the head', { headColor }, 'headcolor')}
      />
      <NightLook tile={tile} style={style} set={set} />
      <EdgeRow
        label="Line"
        value={tile.edge}
        swatches={style.colors}
        onChange={(edge) => set('set the line', { edge }, 'edge')}
      />
    </Group>
  )
}

type RowColor = [
  key: 'background' | 'color' | 'nightBackground' | 'nightColor',
  label: string,
  fallback: string,
]

/** Colours of a row that stands out; those of the night only where it has its own by day. */
const rowColors = (look: RowLook, ground: string, ink: string): RowColor[] => [
  ['background', 'Ground', ground],
  ['color', 'Words', ink],
  ...(look.background ? [['nightBackground', 'Ground, night', look.background] as RowColor] : []),
  ...(look.color ? [['nightColor', 'Words, night', look.color] as RowColor] : []),
]

/** Rows that stand out: a marked one, a total. */
function RowLooks({
  tile,
  ground,
  style,
  set,
}: Pick<TileProps<'table'>, 'tile' | 'ground' | 'style' | 'set'>) {
  const looks = tile.rowLooks ?? []
  const ink = tile.style?.color ?? '#222222'
  const put = (i: number, change: Partial<RowLook>, key?: string) =>
    set(
      'set a row',
      { rowLooks: looks.map((look, k) => (k === i ? { ...look, ...change } : look)) },
      key && `${key}-${i}`,
    )
  return (
    <Group title="Rows that stand out">
      {looks.map((look, i) => (
        <fieldset key={i} className="flex flex-col gap-1 border-t border-line pt-1">
          <legend className="sr-only">Row {look.row + 1}</legend>
          <Row label="Row">
            <div className="flex items-center gap-2">
              <NumberField
                label={`Number of row that stands out ${i + 1}`}
                value={look.row + 1}
                min={1}
                max={tile.rows.length}
                onChange={(row) => put(i, { row: row - 1 }, 'row')}
              />
              <Tick checked={!!look.bold} onChange={(on) => put(i, { bold: on || undefined })}>
                bold
              </Tick>
              <Button
                aria-label={`Row ${look.row + 1} as the others`}
                onClick={() =>
                  set('set a row', {
                    rowLooks: looks.length > 1 ? looks.filter((_, k) => k !== i) : undefined,
                  })
                }
              >
                Take out
              </Button>
            </div>
          </Row>
          {rowColors(look, ground, ink).map(([key, label, fallback]) => (
            <MaybeColor
              key={key}
              label={label}
              name={`${label}, row ${look.row + 1}`}
              value={look[key]}
              fallback={fallback}
              swatches={style.colors}
              onChange={(color) => put(i, { [key]: color }, key)}
            />
          ))}
        </fieldset>
      ))}
      <Button
        disabled={looks.length >= MOST.looks}
        onClick={() => set('mark a row', { rowLooks: [...looks, { row: tile.rows.length - 1, bold: true }] })}
      >
        Mark a row
      </Button>
    </Group>
  )
}

/** Its grounds and words at night, of those that it has by day. */
function NightLook({ tile, style, set }: Pick<TileProps<'table'>, 'tile' | 'style' | 'set'>) {
  return (
    <>
      {tile.zebra && (
        <MaybeColor
          label="Every other, night"
          name="Ground of every other row at night"
          value={tile.nightZebra}
          fallback={tile.zebra}
          swatches={style.colors}
          onChange={(nightZebra) => set('set every other row', { nightZebra }, 'nightzebra')}
        />
      )}
      {tile.headBackground && (
        <MaybeColor
          label="Head, night"
          name="Ground of the head at night"
          value={tile.nightHeadBackground}
          fallback={tile.headBackground}
          swatches={style.colors}
          onChange={(nightHeadBackground) => set('set the head', { nightHeadBackground }, 'nighthead')}
        />
      )}
      {tile.headColor && (
        <MaybeColor
          label="its words, night"
          name="Words of the head at night"
          value={tile.nightHeadColor}
          fallback={tile.headColor}
          swatches={style.colors}
          onChange={(nightHeadColor) => set('set the head', { nightHeadColor }, 'nightheadcolor')}
        />
      )}
    </>
  )
}

/** The most columns and rows that a table may have, and rows that stand out. */
const MOST = { columns: 12, rows: 200, looks: 40 }

/**
 * A table with others' cells laid over it from a place on; it grows as needed. A spreadsheet copies cells parted by
 * tabs, rows by line ends.
 * @param r, c the place, from 0
 */
function pasted(
  { rows, columns }: Table,
  r: number,
  c: number,
  text: string,
): Pick<Table, 'rows' | 'columns'> {
  const cells = text
    .replace(/\r\n?/g, '\n')
    .replace(/\n$/, '')
    .split('\n')
    .map((l) => l.split('\t'))
  const wide = Math.min(MOST.columns, Math.max(columns.length, ...cells.map((l) => c + l.length)))
  const more = Math.max(0, Math.min(MOST.rows, r + cells.length) - rows.length)
  return {
    columns: Array.from({ length: wide }, (_, i) => columns[i] ?? { align: 'left' }),
    rows: [...rows, ...Array.from({ length: more }, (): string[] => [])].map((row, i) =>
      Array.from({ length: wide }, (_, k) => cells[i - r]?.[k - c] ?? row[k] ?? ''),
    ),
  }
}

function Grid({ tile, set }: { tile: Table; set: Set }) {
  const { rows, columns } = tile
  const write = (r: number, c: number, text: string) => {
    const written = rows.map((row, i) =>
      i === r ? columns.map((_, k) => (k === c ? text : (row[k] ?? ''))) : row,
    )
    set('write a cell', { rows: written }, `cell-${r}-${c}`)
  }
  return (
    <div className="flex flex-col gap-2">
      <table className="w-full border-collapse">
        <thead>
          <tr>
            {columns.map((col, c) => (
              <th key={c} scope="col" className="p-0.5">
                <Choice
                  label={`Alignment of column ${c + 1}`}
                  value={col.align}
                  options={aligns}
                  onChange={(align) =>
                    set('align a column', { columns: columns.map((x, k) => (k === c ? { ...x, align } : x)) })
                  }
                />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, r) => (
            <tr key={r}>
              {columns.map((_, c) => (
                <td key={c} className="p-0.5">
                  <input
                    aria-label={`Row ${r + 1}, column ${c + 1}`}
                    className={fieldClass}
                    value={row[c] ?? ''}
                    onChange={(e) => write(r, c, e.target.value)}
                    onPaste={(e) => {
                      const text = e.clipboardData.getData('text/plain')
                      if (/[\t\n]/.test(text.trim())) {
                        e.preventDefault()
                        set('paste cells', pasted(tile, r, c, text))
                      }
                    }}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <RowsAndColumns rows={rows} set={set} columns={columns} />
    </div>
  )
}

/** Adds rows and columns, or takes the last ones out. */
function RowsAndColumns({
  rows,
  set,
  columns,
}: {
  rows: Table['rows']
  set: Set
  columns: Table['columns']
}) {
  return (
    <div className="flex flex-wrap gap-1">
      <Button
        disabled={rows.length >= MOST.rows}
        onClick={() => set('add a row', { rows: [...rows, columns.map(() => '')] })}
      >
        + Row
      </Button>
      <Button
        disabled={columns.length >= MOST.columns}
        onClick={() =>
          set('add a column', {
            columns: [...columns, { align: 'left' }],
            rows: rows.map((x) => [...columns.map((_, k) => x[k] ?? ''), '']),
          })
        }
      >
        + Column
      </Button>
      <Button
        look="danger"
        disabled={rows.length < 2}
        onClick={() => set('take the last row out', { rows: rows.slice(0, -1) })}
      >
        Last row out
      </Button>
      <Button
        look="danger"
        disabled={columns.length < 2}
        onClick={() =>
          set('take the last column out', {
            columns: columns.slice(0, -1),
            rows: rows.map((x) => x.slice(0, columns.length - 1)),
          })
        }
      >
        Last column out
      </Button>
    </div>
  )
}
