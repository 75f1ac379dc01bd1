import { newId } from '@/core/email/defaults'
import type { Edit } from '@/core/email/edits'
import { UNSAID } from '@/core/motion/strip-edits'
import { motionDefaults, type Motion } from '@/core/motion/schema'
import type { PictureRef } from '@/core/picture/ref'
import { newTile } from '@/core/tiles'
import { call, formOf } from '../api'
import { filmFacts } from './engine'
import type { PictureTile } from './moving'

/** Where what is brought in goes: into a tile, or behind it. */
export interface Target {
  /** Null: behind what is selected. */
  tile: PictureTile | null
  cell: string
  at: number
  /** What the cell leaves, px. */
  available: number
}

/** How long each still of a set is shown to begin with, ms: as long as animations are drawn for (common practice, no source). */
const STILL = 100

const isFilm = (f: File): boolean => /^video\//.test(f.type) || /\.(mp4|m4v|mov|webm)$/i.test(f.name)

/** Takes in one moving picture, a set of stills, or a film. Throws an ApiProblem, or an Error in words. */
export async function bringIn(
  files: readonly File[],
  target: Target,
  signal: AbortSignal,
): Promise<{ edit: Edit; id: string }> {
  const film = files.find(isFilm)
  if (film) return put(target, await fromFilm(film, target, signal))
  const pictures: PictureRef[] = []
  for (const picture of files)
    pictures.push(await call('POST /api/pictures', { form: formOf({ picture }), signal }))
  const [first, ...others] = pictures
  if (!first)
    throw new Error('No file came. Choose a GIF, an animated PNG or WebP, several stills, or a film.')
  if (!others.length) return put(target, { picture: first, motion: undefined })
  const width = widthFor(target, first)
  const motion: Motion = {
    ...motionDefaults,
    made: {
      kind: 'strip',
      pictures,
      frames: pictures.map((p, of) => ({ of, page: 0, delay: p.moving ? UNSAID : STILL })),
    },
    height: Math.max(1, Math.round((width * first.height) / first.width)),
  }
  return put(target, { picture: first, motion })
}

const widthFor = ({ tile, available }: Target, picture: { width: number }): number =>
  tile?.picture ? Math.min(tile.width, available) : Math.min(available, picture.width)

/** A film's first three seconds in the slot, to begin with. */
async function fromFilm(file: File, target: Target, signal: AbortSignal): Promise<{ motion: Motion }> {
  const film = await call('POST /api/films', { form: formOf({ film: file }), signal })
  const { width, height, length } = await filmFacts(film.id)
  const shown = target.tile?.picture ? Math.min(target.tile.width, target.available) : target.available
  const ratio = target.tile?.picture ? target.tile.picture.height / target.tile.picture.width : height / width
  const whole = Math.round(shown * ratio)
  // The widest area of the slot's shape that lies within the film.
  const w = Math.min(1, (height * (shown / whole)) / width)
  return {
    motion: {
      ...motionDefaults,
      rate: 10,
      dither: 'pattern',
      made: {
        kind: 'film',
        film,
        width,
        height,
        clips: [{ from: 0, to: Math.round(Math.min(3000, length)), area: { x: 0.5, y: 0.5, w } }],
        captions: [],
        letters: { font: 'sans', size: 18, bold: true, color: '#ffffff', align: 'center' },
        plate: '#14181b',
        // Half as large as the slot allows: it invites, and hides little.
        mark: {
          style: 'disc',
          color: '#14181b',
          size: Math.max(16, Math.min(64, Math.round(Math.min(shown, whole) / 2))),
        },
        closing: null,
        beneath: null,
        address: '',
      },
      height: whole,
    },
  }
}

/** Puts it into the tile, whose link, alt text and size stay; or into a new one. */
function put(target: Target, set: { picture?: PictureRef; motion?: Motion }): { edit: Edit; id: string } {
  const { tile } = target
  const own = { ...set, standsFor: undefined, stillPicture: undefined, crop: undefined }
  if (tile)
    return { id: tile.id, edit: { name: 'setTile', what: { id: tile.id, kind: 'picture', set: own } } }
  const width = Math.min(target.available, set.picture?.width ?? target.available)
  const made = { ...newTile('picture'), ...set, width, id: newId() } as PictureTile
  return { id: made.id, edit: { name: 'addTile', what: { cell: target.cell, at: target.at, tile: made } } }
}
