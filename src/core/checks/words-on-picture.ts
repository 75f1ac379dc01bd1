import { luminance, wantedContrast } from '../color/contrast'
import { groundsOf, type Ground } from '../email/ground'
import { behaviourIds, behaviours } from '../night/behaviours'
import { luminanceOfTone, type PictureLook } from '../night/look'
import { definitionOf } from '../tiles'
import type { ColorPair } from '../tiles/definition'
import type { Check, Found } from './check'

/** Where words are hard to read on this share of a picture, they will not all stand on the rest (common practice, no source). */
const MUCH = 0.25

export const wordsOnPicture: Check = {
  name: 'words-on-picture',
  about:
    'Words over a picture are read on most of it, by day and under dark modes, which leave it as it is: WCAG 2.2 AA (1.4.3), measured in its pixels.',
  email: ({ email, style, looks }) => {
    const found: Found[] = []
    for (const band of email.bands)
      for (const [tile, ground] of groundsOf(band, style, email.behind)) {
        const look = ground.picture && looks(ground.picture.picture.id)
        if (!look) continue
        // What has a ground of its own does not stand on the picture.
        const pairs = definitionOf(tile)
          .pairs(tile, style.roles[band.role], ground)
          .filter((p) => !p.own)
        const leaves =
          !!email.behind && ground.picture!.picture.id === email.behind.picture.id && !!style.nightGround
        const said = worstOf(look, pairs, ground, leaves)
        if (said) found.push({ severity: 'mind', where: { band: band.id, tile: tile.id }, ...said })
      }
    return found
  },
}

type Pairs = readonly ColorPair[]

/** An ink as it is by day, by the email's own rules at night, and under each behaviour that recolours: pictures stay. @param leaves whether the picture goes at night */
function inksOf(pair: ColorPair, ground: Ground, leaves: boolean): { color: string; at: string | null }[] {
  const recolored = behaviourIds
    .map((id) => behaviours[id])
    .filter((b) => b.recolors)
    .map((b) => {
      const after = b.ground(ground.color, { picture: true }) ?? b.page
      const color = b.words(pair.color, { before: ground.color, after, picture: true }, { link: pair.link })
      return { color, at: b.label }
    })
  const written = leaves ? [] : [{ color: pair.night.color, at: 'At night' }]
  return [{ color: pair.color, at: null }, ...written, ...recolored]
}

/** What is read worst: by day before at night. */
function worstOf(
  look: PictureLook,
  pairs: Pairs,
  ground: Ground,
  leaves: boolean,
): Omit<Found, 'where' | 'severity'> | null {
  const lost = pairs
    .flatMap((p) =>
      inksOf(p, ground, leaves).map(({ color, at }) => {
        const wanted = wantedContrast(p.size, p.bold)
        return { color, at, wanted, share: lostOn(look, color, wanted) }
      }),
    )
    .filter(({ share }) => share >= MUCH)
    .sort((a, b) => Number(!!a.at) - Number(!!b.at) || b.share - a.share)[0]
  if (!lost) return null
  const { color, at, wanted, share } = lost
  const where = `${Math.round(100 * share)} % of the picture behind, contrast is under ${wanted}`
  const light = luminance(color) > 0.18 ? 'light' : 'dark'
  return at
    ? {
        stage: 'night',
        key: at,
        what: `${at}: on ${where}`,
        why: `The picture stays and the words become ${color}, but it is ${light} in many places. Give the cell a ground, which changes with the words, or a picture that is calmer there.`,
      }
    : {
        stage: 'compose',
        what: `On ${where}`,
        why: `${color} stands on a picture that is ${light} in many places. Give the cell a ground, take another ink, or a picture that is calmer there.`,
      }
}

/** The share of a picture on which an ink does not reach a contrast. */
function lostOn({ tones }: PictureLook, ink: string, wanted: number): number {
  const own = luminance(ink) + 0.05
  return tones.reduce((sum, share, tone) => {
    const ground = luminanceOfTone(tone) + 0.05
    return sum + (Math.max(own, ground) / Math.min(own, ground) < wanted ? share : 0)
  }, 0)
}
