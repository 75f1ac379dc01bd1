import { toast } from '../parts/toast'
import { groundOf } from '@/core/email/ground'
import { measureBand } from '@/core/email/measures'
import type { RoleStyle } from '@/core/email/cascade'
import { newId } from '@/core/email/defaults'
import type { Edit } from '@/core/email/edits'
import type { WebFont } from '@/core/email/fonts'
import type { Tile, TileOf } from '@/core/email/tile'
import { placeOf, type Place } from '@/core/email/walk'
import { placeOfButton, placeOfWords, type TakenPlace } from '@/core/tiles/in-place'
import { beginMotion } from '@/core/motion/begin'
import { drawnKinds, recipes } from '@/core/motion/recipes'
import type { Made } from '@/core/motion/schema'
import { newTile } from '@/core/tiles'
import type { EmailWork } from '../bench/email-work'
import { contentOf } from '../bench/measures'
import { widthOf, type PictureTile } from './moving'

/** What can be made of what is selected. */
export interface Recipe {
  kind: Exclude<Made['kind'], 'strip' | 'film'>
  label: string
}

const WORDS: readonly Made['kind'][] = ['headline', 'number', 'button', 'faces', 'countdown']

/** What can be made of a tile: of words what says something, of a picture everything. */
export function beginsFor(kind: string): Recipe[] {
  const all: Recipe[] = [
    ...drawnKinds
      .filter((k) => k !== 'strip')
      .map((k) => ({ kind: k as Recipe['kind'], label: recipes[k].label })),
    { kind: 'countdown', label: 'Countdown' },
  ]
  if (kind === 'picture') return all
  return kind === 'words' || kind === 'button' ? all.filter((r) => WORDS.includes(r.kind)) : []
}

/** Makes what is selected move: a picture keeps its tile; words give their place to a picture that says them. */
export function beginIn(work: EmailWork, kind: Recipe['kind']): void {
  const { email, style, selection } = work
  const place = selection.tile && placeOf(email, selection.tile.id)
  if (!place) return
  const { tile, band, cell } = place
  const ground = groundOf(email, style, tile.id)
  // As high as what it takes the place of, without the space around that.
  const wide = document.querySelector<HTMLIFrameElement>('[aria-label="Wide lens"] iframe')
  const at = contentOf(wide?.contentDocument, tile.id)
  const own = tile.kind === 'picture' ? tile : null
  const room =
    (measureBand(band, email.width).get(cell.id)?.content ?? email.width) -
    tile.padding.left -
    tile.padding.right
  const taken = takenPlace(tile, style.roles[band.role], {
    room: Math.round(room),
    ground: ground.color,
    fonts: style.webFonts,
  })
  const width = own ? widthOf(email, band, cell.id, own) : (taken?.width ?? Math.round(room))
  const words = taken?.words ?? own?.alt ?? ''
  const motion = beginMotion(kind, {
    style,
    role: band.role,
    ground: ground.color,
    night: ground.night,
    width,
    height: own?.picture
      ? (width * own.picture.height) / own.picture.width
      : Math.max(24, taken?.height ?? Math.round(at?.height ?? 90)),
    words,
    picture: own?.picture ?? null,
    ...(taken && { letters: taken.letters, button: taken.button }),
    lang: email.lang,
    soon: soon(),
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  })
  if (!motion) {
    toast.error('Choose a picture for the tile first: this is made of one.')
    return
  }
  if (own) {
    work.apply('make it move', { name: 'setTile', what: { id: own.id, kind: 'picture', set: { motion } } })
    return
  }
  const picture: PictureTile = {
    ...(newTile('picture') as PictureTile),
    id: tile.id,
    padding: taken?.rest ? { ...tile.padding, bottom: taken.under } : tile.padding,
    show: tile.show,
    ...('align' in tile && tile.align ? { align: tile.align } : {}),
    width,
    alt: words || null,
    link: tile.kind === 'button' ? tile.link : '',
    motion,
  }
  const replaced: Edit = { name: 'replaceTile', what: { id: tile.id, tile: picture } }
  work.apply('make it move', taken?.rest ? [replaced, restOf(place, taken)] : replaced)
}

/** What a moving picture takes the place of: a line of words, or a button. */
function takenPlace(
  tile: Tile,
  look: RoleStyle,
  around: { room: number; ground: string; fonts: readonly WebFont[] },
): TakenPlace | null {
  if (tile.kind === 'words') return placeOfWords(tile as TileOf<'words'>, look, around)
  return tile.kind === 'button' ? placeOfButton(tile as TileOf<'button'>, look, around) : null
}

/** The words that stay, as a tile beneath. */
function restOf({ tile, cell }: Place, { rest }: TakenPlace): Edit {
  const words = tile as TileOf<'words'>
  const below: TileOf<'words'> = {
    ...words,
    id: newId(),
    text: rest!,
    padding: { ...words.padding, top: 0 },
  }
  const at = cell.items.findIndex((i) => i.id === tile.id) + 1
  return { name: 'addTile', what: { cell: cell.id, at, tile: below } }
}

/** In a week, at the full hour. */
function soon(): string {
  const at = new Date(Date.now() + 7 * 86_400_000)
  at.setMinutes(0, 0, 0)
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
}
