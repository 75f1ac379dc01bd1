import { colorDifference } from '../color/difference'
import { groundsOf, type Ground } from '../email/ground'
import type { Tile } from '../email/tile'
import { behaviours } from '../night/behaviours'
import { GONE, vanishes } from '../night/edges'
import { turnedOver } from '../night/lightness'
import type { PictureLook } from '../night/look'
import type { Check, Found, PictureLooks } from './check'

/** A border that differs no more from its ground melts into it; one that differs by more stands out (CIEDE2000; common practice, no source). */
const MELTS = 4
const STANDS_OUT = 12

export const pictureAtNight: Check = {
  name: 'picture-at-night',
  about:
    'Marks on clear ground are still seen at night, and no picture stands there as a light box, measured in its pixels.',
  email: ({ email, style, looks }) =>
    email.bands.flatMap((band) =>
      [...groundsOf(band, style, email.behind)].flatMap(([tile, ground]) =>
        // On a picture nobody can say by rule.
        ground.picture
          ? []
          : shownIn(tile)
              .flatMap((p) => said(p, ground, looks) ?? [])
              .slice(0, 1)
              .map((f) => ({ ...f, where: { band: band.id, tile: tile.id } })),
      ),
    ),
}

interface Shown {
  day: string
  /** By readers that know how. */
  night: string
}

/** The pictures of a tile, by day and at night. */
const shownIn = (tile: Tile): Shown[] =>
  tile.kind === 'picture' && tile.picture
    ? [{ day: tile.picture.id, night: (tile.nightPicture ?? tile.picture).id }]
    : tile.kind === 'marks'
      ? tile.marks.map(({ picture }) => ({ day: picture.id, night: picture.id }))
      : []

function said(shown: Shown, ground: Ground, looks: PictureLooks): Found | null {
  const day = looks(shown.day)
  const night = looks(shown.night)
  if (!day || !night) return null
  const turned = behaviours.fully.ground(ground.color, {}) ?? turnedOver(ground.color)
  const places = [
    { look: night, color: ground.night, where: 'at night' },
    // Readers that turn colours over know nothing of a picture for the night.
    { look: day, color: turned, where: 'where a reader turns colours over' },
  ]
  for (const { look, color, where } of places) {
    const gone = goneOf(look, color)
    if (gone > GONE && goneOf(day, ground.color) <= GONE)
      return {
        severity: 'mind',
        stage: 'night',
        key: where,
        what: `The mark goes lost ${where}: ${Math.round(100 * gone)} % of its edge`,
        why: `Its ink cannot be told from ${color}. In Night, an outline or a plate keeps it in one press, or give it a picture for the night.`,
      }
    if (look.box && melts(look.box, ground.color) && colorDifference(look.box, color) > STANDS_OUT)
      return {
        severity: 'mind',
        stage: 'night',
        key: where,
        what: `The picture is a ${look.box} box ${where}`,
        why: `Its own ground melts into the one behind by day, but that becomes ${color}. In Night it is cut free of its box in one press.`,
      }
  }
  return null
}

const goneOf = (look: PictureLook, ground: string): number => (look.clear ? vanishes(look, ground) : 0)

const melts = (box: string, ground: string): boolean => colorDifference(box, ground) < MELTS
