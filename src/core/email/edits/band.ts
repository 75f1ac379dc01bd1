import { produce, type Draft } from 'immer'
import type { Band, Email } from '../schema'
import { assign, find, fresh, type EditOf } from './reach'

/** Sets values of one band. */
export const setBand: EditOf<{ id: string; set: Partial<Omit<Band, 'id' | 'cells'>> }> = (
  email,
  { id, set },
) =>
  produce(email, (d) => {
    const b = find(d.bands, id)
    if (b) assign(b, set as Partial<Draft<Band>>)
  })

/** Puts a band in, at a place counted from 0. */
export const addBand: EditOf<{ band: Band; at: number }> = (email, { band, at }) =>
  produce(email, (d) => {
    d.bands.splice(Math.max(0, Math.min(at, d.bands.length)), 0, band as Draft<Band>)
  })

/** Puts several bands in, one behind the other, at a place counted from 0. */
export const addBands: EditOf<{ bands: readonly Band[]; at: number }> = (email, { bands, at }) =>
  produce(email, (d) => {
    d.bands.splice(Math.max(0, Math.min(at, d.bands.length)), 0, ...(bands as Draft<Band>[]))
  })

/** Moves a band to a place counted from 0, as it will stand afterwards. */
export const moveBand: EditOf<{ id: string; to: number }> = (email, { id, to }) =>
  produce(email, (d) => {
    const from = d.bands.findIndex((b) => b.id === id)
    if (from < 0) return
    const [band] = d.bands.splice(from, 1)
    d.bands.splice(Math.max(0, Math.min(to, d.bands.length)), 0, band!)
  })

/** Takes a band out. */
export const removeBand: EditOf<{ id: string }> = (email, { id }) =>
  produce(email, (d) => {
    d.bands = d.bands.filter((b) => b.id !== id)
  })

/** Puts a copy of a band after it. */
export const duplicateBand: EditOf<{ id: string }> = (email, { id }) => {
  const at = email.bands.findIndex((b) => b.id === id)
  return at < 0 ? email : addBand(email, { band: fresh(email.bands[at]!), at: at + 1 })
}

/** Several bands, in the order in which they stand. */
const ofIds = (email: Email, ids: readonly string[]): Band[] => email.bands.filter((b) => ids.includes(b.id))

/** Sets the same values of several bands. */
export const setBands: EditOf<{ ids: readonly string[]; set: Partial<Omit<Band, 'id' | 'cells'>> }> = (
  email,
  { ids, set },
) => ids.reduce((e, id) => setBand(e, { id, set }), email)

/** Takes several bands out. */
export const removeBands: EditOf<{ ids: readonly string[] }> = (email, { ids }) =>
  ofIds(email, ids).length ? { ...email, bands: email.bands.filter((b) => !ids.includes(b.id)) } : email

/** Puts copies of several bands after the last of them. */
export const duplicateBands: EditOf<{ ids: readonly string[] }> = (email, { ids }) => {
  const own = ofIds(email, ids)
  const last = own.at(-1)
  return last ? addBands(email, { bands: own.map(fresh), at: email.bands.indexOf(last) + 1 }) : email
}

/** Moves several bands, which stay in their order, together past the next one or the one before. */
export const moveBands: EditOf<{ ids: readonly string[]; way: 1 | -1 }> = (email, { ids, way }) => {
  const own = ofIds(email, ids)
  if (!own.length) return email
  const edge = email.bands.indexOf(way < 0 ? own[0]! : own.at(-1)!)
  const past = email.bands[edge + way]
  const rest = email.bands.filter((b) => !ids.includes(b.id))
  const at = past ? rest.indexOf(past) + (way < 0 ? 0 : 1) : way < 0 ? 0 : rest.length
  return { ...email, bands: rest.toSpliced(at, 0, ...own) }
}
