'use client'
import type { Edit } from '@/core/email/edits'
import { blockWidth, innerWidth, measureBand } from '@/core/email/measures'
import type { Condition } from '@/core/email/conditions'
import type { Style } from '@/core/email/cascade'
import type { Band, Cell, Email, GroundPicture, Row as CellRow } from '@/core/email/schema'
import { sides } from '@/core/email/styles'
import {
  Button,
  Choice,
  ColorField,
  Group,
  NumberField,
  Row,
  SidesField,
  TextRow,
} from '../../parts/controls'
import { aligns, EdgeRow, MaybeColor, Dropdown, PictureChooser, shows, Tick } from './parts'

interface Props {
  email: Email
  style: Style
  apply: (label: string, edit: Edit, merge?: string) => void
}

const tests: { value: Condition['test']; label: string }[] = [
  { value: 'is', label: 'is' },
  { value: 'is not', label: 'is not' },
  { value: 'filled', label: 'is filled' },
  { value: 'empty', label: 'is empty' },
]

export function BandGroups({ email, style, band, apply }: Props & { band: Band }) {
  const set = (label: string, what: Partial<Omit<Band, 'id' | 'cells'>>, merge?: string) =>
    apply(label, { name: 'setBand', what: { id: band.id, set: what } }, merge && `${merge}-${band.id}`)
  const picture = band.picture
  const put = (patch: Partial<GroundPicture>) =>
    picture && set('set the picture behind', { picture: { ...picture, ...patch } })
  const when = band.when
  return (
    <div className="grid h-full min-w-[1270px] grid-cols-[238px_238px_1fr_158px_158px_1.25fr]">
      <Group title="Band">
        <TextRow
          plain
          label="Name"
          value={band.name}
          onChange={(v) => set('rename the band', { name: v.slice(0, 80) }, 'name')}
        />
        <Row label="Role">
          <Dropdown
            label="Role"
            value={band.role}
            options={[
              { value: 'header', label: 'Head' },
              { value: 'main', label: 'Main' },
              { value: 'footer', label: 'Foot' },
              { value: 'notice', label: 'Notice' },
            ]}
            onChange={(role) => set('set the role', { role })}
          />
        </Row>
        <Row label="Shown on">
          <Choice
            label="Shown on"
            value={band.show}
            options={shows}
            onChange={(show) => set('set where it shows', { show })}
          />
        </Row>
        <Row label="Cells">
          <Choice
            label="Cells"
            value={String(band.cells.length)}
            options={['1', '2', '3', '4', '5'].map((v) => ({ value: v, label: v }))}
            onChange={(v) =>
              apply('set the cells', { name: 'setCells', what: { id: band.id, count: Number(v) } })
            }
          />
        </Row>
        {band.cells.length > 1 && (
          <Row label="Gap">
            <NumberField
              label="Gap between cells, px"
              value={band.gap}
              max={200}
              onChange={(gap) => set('set the gap', { gap }, 'gap')}
            />
          </Row>
        )}
      </Group>
      <Group title="Ground">
        <Row label="Band">
          <ColorField
            label="Ground of the band"
            value={band.background ?? band.bleed ?? style.ground}
            swatches={style.colors}
            own={band.background !== undefined}
            note="email"
            onClear={() => set('inherit the ground', { background: undefined })}
            onChange={(v) => set('set the ground', { background: v }, 'bg')}
          />
        </Row>
        <Row label="Whole row">
          <ColorField
            label="Ground over the whole window"
            value={band.bleed ?? style.ground}
            swatches={style.colors}
            own={band.bleed !== undefined}
            note="email"
            onClear={() => set('inherit the whole row', { bleed: undefined })}
            onChange={(v) => set('set the whole row', { bleed: v }, 'bleed')}
          />
        </Row>
        <MaybeColor
          label="Night"
          name="Ground of the band at night"
          value={band.nightBackground}
          fallback={band.background ?? style.ground}
          swatches={style.colors}
          onChange={(nightBackground) => set('set the ground at night', { nightBackground }, 'nbg')}
        />
        <MaybeColor
          label="Row, night"
          name="Ground over the whole window at night"
          value={band.nightBleed}
          fallback={band.bleed ?? style.ground}
          swatches={style.colors}
          onChange={(nightBleed) => set('set the whole row at night', { nightBleed }, 'nbleed')}
        />
      </Group>
      <Group title="Picture behind, card" className="overflow-y-auto">
        <PictureChooser
          label={picture ? 'Replace it' : 'Choose a file'}
          onChosen={(p) =>
            set('put a picture behind', {
              picture: { across: 'email', fit: 'cover', x: 'center', y: 'center', ...picture, picture: p },
            })
          }
          onClear={picture && (() => set('take the picture off', { picture: undefined }))}
        />
        {picture && (
          <>
            <Row label="Behind">
              <Choice
                label="Behind"
                value={picture.across}
                options={[
                  { value: 'email', label: 'email' },
                  { value: 'window', label: 'whole row' },
                ]}
                onChange={(across) => put({ across })}
              />
            </Row>
            <Row label="Fit">
              <Choice
                label="Fit"
                value={picture.fit}
                options={[
                  { value: 'cover', label: 'cover' },
                  { value: 'repeat', label: 'repeat' },
                  { value: 'once', label: 'once' },
                ]}
                onChange={(fit) => put({ fit })}
              />
            </Row>
            <Row label="Held">
              <Choice label="Held across" value={picture.x} options={aligns} onChange={(x) => put({ x })} />
            </Row>
            <Row label="">
              <Choice
                label="Held down"
                value={picture.y}
                options={[
                  { value: 'top', label: 'top' },
                  { value: 'center', label: 'middle' },
                  { value: 'bottom', label: 'bottom' },
                ]}
                onChange={(y) => put({ y })}
              />
            </Row>
          </>
        )}
        <Tick
          checked={!!band.card}
          onChange={(on) =>
            set(on ? 'make it a card' : 'no card', {
              card: on ? { radius: 8, around: sides(12, 12) } : undefined,
            })
          }
        >
          a card, {Math.round(blockWidth(band, email.width))} px wide
        </Tick>
        {band.card && (
          <>
            <Row label="Radius">
              <NumberField
                label="Radius, px"
                value={band.card.radius}
                max={60}
                onChange={(radius) => set('set the radius', { card: { ...band.card!, radius } }, 'radius')}
              />
            </Row>
            <EdgeRow
              label="Edge"
              value={band.card.edge}
              swatches={style.colors}
              onChange={(edge) => set('set the edge', { card: { ...band.card!, edge } }, 'edge')}
            />
            <SidesField
              label="Around the card"
              value={band.card.around}
              center="around"
              onChange={(around) =>
                set('set the space around', { card: { ...band.card!, around } }, 'around')
              }
            />
          </>
        )}
      </Group>
      <Group title="Space on wide">
        <SidesField
          label="Space on wide"
          value={band.padding}
          onChange={(padding) => set('set the space', { padding }, 'pad')}
          center={`${Math.round(innerWidth(band, email.width))} px`}
        />
      </Group>
      <Group title="Space on narrow">
        <SidesField
          label="Space on narrow"
          value={band.narrowPadding ?? band.padding}
          onChange={(narrowPadding) => set('set the space on narrow', { narrowPadding }, 'npad')}
          center={band.narrowPadding ? 'own' : 'as wide'}
        />
        {band.narrowPadding && (
          <Button onClick={() => set('narrow as wide', { narrowPadding: undefined })}>Space as wide</Button>
        )}
      </Group>
      <Group title="Narrow, recipients, language" className="overflow-y-auto">
        {band.cells.length > 1 && (
          <Row label="Narrow">
            <Choice
              label="Cells on narrow"
              value={band.narrow}
              options={[
                { value: 'stack', label: 'stack' },
                { value: 'keep', label: 'keep' },
                { value: 'reverse', label: 'swap' },
              ]}
              onChange={(narrow) => set('set the stacking', { narrow })}
            />
          </Row>
        )}
        <Tick
          checked={!!when}
          onChange={(on) =>
            set('set who sees it', { when: on ? { field: 'city', test: 'is', value: '' } : undefined })
          }
        >
          only for some recipients
        </Tick>
        {when && (
          <>
            <TextRow
              label="Field"
              value={when.field}
              invalid={!/^[a-z][a-z0-9_]{0,59}$/.test(when.field)}
              onChange={(field) =>
                /^[a-z][a-z0-9_]{0,59}$/.test(field) &&
                set('set who sees it', { when: { ...when, field } }, 'when')
              }
            />
            <Row label="">
              <Dropdown
                label="Comparison"
                value={when.test}
                options={tests}
                onChange={(test) => set('set who sees it', { when: { ...when, test } })}
              />
            </Row>
            {(when.test === 'is' || when.test === 'is not') && (
              <TextRow
                plain
                label="Value"
                value={when.value}
                onChange={(value) => set('set who sees it', { when: { ...when, value } }, 'whenv')}
              />
            )}
          </>
        )}
        <Row label="Runs">
          <Choice
            label="Direction"
            value={band.dir ?? 'as'}
            options={[
              { value: 'as', label: 'same', name: 'as the email' },
              { value: 'ltr', label: '→', name: 'left to right' },
              { value: 'rtl', label: '←', name: 'right to left' },
            ]}
            onChange={(v) => set('set the direction', { dir: v === 'as' ? undefined : v })}
          />
        </Row>
        <TextRow
          label="Language"
          value={band.lang ?? ''}
          placeholder={email.lang}
          onChange={(v) =>
            (v === '' || /^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*$/.test(v)) &&
            set('set the language', { lang: v || undefined }, 'lang')
          }
        />
      </Group>
    </div>
  )
}

export function CellGroups({ email, style, band, cell, apply }: Props & { band: Band; cell: Cell }) {
  const set = (label: string, what: Partial<Omit<Cell, 'id' | 'items'>>, merge?: string) =>
    apply(label, { name: 'setCell', what: { id: cell.id, set: what } }, merge && `${merge}-${cell.id}`)
  const measure = measureBand(band, email.width).get(cell.id)
  const row = rowHolding(band, cell.id)
  const at = row.findIndex((c) => c.id === cell.id)
  const inner = nestedRow(band, cell.id)
  return (
    <div className="grid h-full min-w-[1150px] grid-cols-[1.15fr_1fr_1fr_1fr_168px_168px]">
      <Group title={`Cell ${at + 1} of ${row.length}`}>
        <Row label="Width">
          <NumberField
            label="Width of the cell, px"
            value={Math.round(measure?.outer ?? cell.width)}
            min={24}
            max={1200}
            onChange={(width) =>
              apply(
                'set the width',
                { name: 'setCellWidth', what: { id: cell.id, width } },
                `width-${cell.id}`,
              )
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
      <Group title="Ground">
        <MaybeColor
          label="Day"
          name="Ground of the cell"
          value={cell.background}
          fallback={band.background ?? style.ground}
          swatches={style.colors}
          onChange={(background) => set('set the ground', { background }, 'bg')}
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
      <Group title="On narrow" className="overflow-y-auto">
        {row.length > 1 ? (
          <Row label="Place">
            <Choice
              label="Place on narrow"
              value={String(cell.narrow?.place ?? 'as')}
              options={[
                { value: 'as', label: 'as is' },
                ...row.map((_, i) => ({ value: String(i + 1), label: String(i + 1) })),
              ]}
              onChange={(v) =>
                set('set the place on narrow', {
                  narrow: { ...cell.narrow, place: v === 'as' ? undefined : Number(v) },
                })
              }
            />
          </Row>
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
      </Group>
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

/** The row inside a cell that holds another cell; null where the band itself does. */
function nestedRow(row: { cells: readonly Cell[] }, id: string): CellRow | null {
  for (const c of row.cells)
    for (const item of c.items)
      if (item.kind === 'row') {
        if (item.cells.some((x) => x.id === id)) return item
        const deeper = nestedRow(item, id)
        if (deeper) return deeper
      }
  return null
}

/** The cells of the row that holds a cell. */
export function rowHolding(row: { cells: readonly Cell[] }, id: string): readonly Cell[] {
  if (row.cells.some((c) => c.id === id)) return row.cells
  for (const c of row.cells)
    for (const item of c.items)
      if (item.kind === 'row') {
        const found = rowHolding(item, id)
        if (found.length) return found
      }
  return []
}
