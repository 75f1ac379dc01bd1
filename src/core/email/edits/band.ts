import { produce, type Draft } from 'immer'
import type { Band } from '../schema'
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
