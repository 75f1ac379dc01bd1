import type { Email } from '../schema'
import * as band from './band'
import * as cell from './cell'
import * as email from './email'
import type { EditOf } from './reach'
import * as shape from './shape'
import * as tile from './tile'

export type { SetTile, TilePatch } from './tile'

/**
 * Every change of an email, as named pure functions `(email, what) => email`. An edit that names something
 * that is not there gives the email back unchanged, so that a late or repeated one does no harm.
 */
export const edits = {
  setEmail: email.setEmail,
  replace: email.replace,
  mute: email.mute,
  unmute: email.unmute,
  setBand: band.setBand,
  addBand: band.addBand,
  addBands: band.addBands,
  moveBand: band.moveBand,
  removeBand: band.removeBand,
  duplicateBand: band.duplicateBand,
  setBands: band.setBands,
  removeBands: band.removeBands,
  duplicateBands: band.duplicateBands,
  moveBands: band.moveBands,
  splitBand: shape.splitBand,
  mergeBands: shape.mergeBands,
  setCell: cell.setCell,
  setCellWidth: cell.setCellWidth,
  moveGutter: cell.moveGutter,
  setCells: cell.setCells,
  moveCell: cell.moveCell,
  removeCell: cell.removeCell,
  addRow: cell.addRow,
  setRow: cell.setRow,
  addTile: tile.addTile,
  setTile: tile.setTile,
  moveTile: tile.moveTile,
  removeTile: tile.removeTile,
  duplicateTile: tile.duplicateTile,
  replaceTile: tile.replaceTile,
  wrapTile: shape.wrapTile,
}

export type EditName = keyof typeof edits
/** An edit as a value: it can be stored, sent and applied. */
export type Edit = { [N in EditName]: { name: N; what: Parameters<(typeof edits)[N]>[1] } }[EditName]

/** Applies an edit. */
export const applyEdit = (email: Email, edit: Edit): Email =>
  (edits[edit.name] as EditOf<unknown>)(email, edit.what)
