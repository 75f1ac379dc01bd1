import { produce, type Draft } from 'immer'
import type { Tile } from '../../tiles/schema'
import { newId } from '../defaults'
import type { Band, Cell, Email, Row } from '../schema'
import { cellsOf } from '../walk'

/**
 * Every change of an email, as named pure functions `(email, what) => email`. An edit that names something that is not there gives
 * the email back unchanged, so that a late or repeated one does no harm.
 */
type EditOf<W> = (email: Email, what: W) => Email

const find = <T extends { id: string }>(list: T[], id: string): T | undefined => list.find((x) => x.id === id)

function* draftCells(email: Draft<Email>): Generator<Draft<Cell>> {
  for (const band of email.bands) yield* cellsOf(band as Row & Band) as Generator<Draft<Cell>>
}
const cellWith = (email: Draft<Email>, tileId: string): [Draft<Cell>, number] | undefined => {
  for (const cell of draftCells(email)) {
    const at = cell.items.findIndex((i) => i.id === tileId)
    if (at >= 0) return [cell, at]
  }
  return undefined
}

/** Deep copies with new ids, so that a copy never shares an id with its model; copies belong to no cut. */
function fresh<T>(value: T): T {
  if (Array.isArray(value)) return value.map(fresh) as T
  if (value && typeof value === 'object') {
    const out: Record<string, unknown> = {}
    for (const [k, v] of Object.entries(value)) if (k !== 'cut') out[k] = k === 'id' && typeof v === 'string' && !('bytes' in value) ? newId() : fresh(v)
    return out as T
  }
  return value
}

/** Removes keys set to undefined, so that a cleared value is inherited again. */
function assign<T extends object>(target: T, patch: Partial<T>): void {
  for (const [k, v] of Object.entries(patch)) {
    if (v === undefined) delete (target as Record<string, unknown>)[k]
    else (target as Record<string, unknown>)[k] = v
  }
}

/** Sets values of the email itself: subject, preheader, title, language, own styles. */
const setEmail: EditOf<Partial<Omit<Email, 'version' | 'bands'>>> = (email, what) => produce(email, (d) => assign(d, what as Partial<Draft<Email>>))

/** Sets values of one band. */
const setBand: EditOf<{ id: string; set: Partial<Omit<Band, 'id' | 'cells'>> }> = (email, { id, set }) =>
  produce(email, (d) => { const b = find(d.bands, id); if (b) assign(b, set as Partial<Draft<Band>>) })

/** Puts a band in, at a place counted from 0. */
const addBand: EditOf<{ band: Band; at: number }> = (email, { band, at }) => produce(email, (d) => { d.bands.splice(Math.max(0, Math.min(at, d.bands.length)), 0, band as Draft<Band>) })

/** Moves a band to a place counted from 0, as it will stand afterwards. */
const moveBand: EditOf<{ id: string; to: number }> = (email, { id, to }) =>
  produce(email, (d) => {
    const from = d.bands.findIndex((b) => b.id === id)
    if (from < 0) return
    const [band] = d.bands.splice(from, 1)
    d.bands.splice(Math.max(0, Math.min(to, d.bands.length)), 0, band!)
  })

/** Takes a band out. */
const removeBand: EditOf<{ id: string }> = (email, { id }) => produce(email, (d) => { d.bands = d.bands.filter((b) => b.id !== id) })

/** Puts a copy of a band after it. */
const duplicateBand: EditOf<{ id: string }> = (email, { id }) => {
  const at = email.bands.findIndex((b) => b.id === id)
  return at < 0 ? email : addBand(email, { band: fresh(email.bands[at]!), at: at + 1 })
}

/** Sets values of one cell. */
const setCell: EditOf<{ id: string; set: Partial<Omit<Cell, 'id' | 'items'>> }> = (email, { id, set }) =>
  produce(email, (d) => { for (const c of draftCells(d)) if (c.id === id) return assign(c, set as Partial<Draft<Cell>>) })

/** Puts a tile into a cell, at a place counted from 0. */
const addTile: EditOf<{ cell: string; at: number; tile: Tile }> = (email, { cell, at, tile }) =>
  produce(email, (d) => { for (const c of draftCells(d)) if (c.id === cell) { c.items.splice(Math.max(0, Math.min(at, c.items.length)), 0, tile as Draft<Tile>); return } })

/** Sets values of one tile. */
const setTile: EditOf<{ id: string; set: Record<string, unknown> }> = (email, { id, set }) =>
  produce(email, (d) => { const at = cellWith(d, id); if (at) assign(at[0].items[at[1]]! as Record<string, unknown>, set) })

/** Moves a tile within its cell or to another cell. */
const moveTile: EditOf<{ id: string; cell: string; to: number }> = (email, { id, cell, to }) =>
  produce(email, (d) => {
    const from = cellWith(d, id)
    const target = [...draftCells(d)].find((c) => c.id === cell)
    if (!from || !target) return
    const [tile] = from[0].items.splice(from[1], 1)
    target.items.splice(Math.max(0, Math.min(to, target.items.length)), 0, tile!)
  })

/** Takes a tile out. */
const removeTile: EditOf<{ id: string }> = (email, { id }) => produce(email, (d) => { const at = cellWith(d, id); if (at) at[0].items.splice(at[1], 1) })

/** Puts a copy of a tile after it. */
const duplicateTile: EditOf<{ id: string }> = (email, { id }) =>
  produce(email, (d) => { const at = cellWith(d, id); if (at) at[0].items.splice(at[1] + 1, 0, fresh(at[0].items[at[1]]!)) })

export const edits = { setEmail, setBand, addBand, moveBand, removeBand, duplicateBand, setCell, addTile, setTile, moveTile, removeTile, duplicateTile }
export type EditName = keyof typeof edits

/** An edit as a value: it can be stored, sent and applied. */
export type Edit = { [N in EditName]: { name: N; what: Parameters<(typeof edits)[N]>[1] } }[EditName]

/** Applies an edit. */
export const applyEdit = (email: Email, edit: Edit): Email => (edits[edit.name] as EditOf<unknown>)(email, edit.what)
