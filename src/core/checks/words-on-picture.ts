import { luminance, wantedContrast } from '../color/contrast'
import { groundsOf } from '../email/ground'
import { luminanceOfTone, type PictureLook } from '../night/look'
import { definitionOf } from '../tiles'
import type { Check, Found } from './check'

/** Where words are hard to read on this share of a picture, they will not all stand on the rest (common practice, no source). */
const MUCH = 0.25

export const wordsOnPicture: Check = {
  name: 'words-on-picture',
  about: 'Words over a picture are read on most of it, by WCAG 2.2 AA (1.4.3), measured in its pixels.',
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
        const worst = pairs
          .map((p) => ({ ...p, wanted: wantedContrast(p.size, p.bold) }))
          .map((p) => ({ ...p, lost: lostOn(look, p.color, p.wanted) }))
          .sort((a, b) => b.lost - a.lost)[0]
        if (!worst || worst.lost < MUCH) continue
        found.push({
          severity: 'mind',
          stage: 'compose',
          where: { band: band.id, tile: tile.id },
          what: `On ${Math.round(100 * worst.lost)} % of the picture behind, contrast is under ${worst.wanted}`,
          why: `${worst.color} stands on a picture that is ${luminance(worst.color) > 0.18 ? 'light' : 'dark'} in many places. Give the cell a ground, take another ink, or a picture that is calmer there.`,
        })
      }
    return found
  },
}

/** The share of a picture on which an ink does not reach a contrast. */
function lostOn({ tones }: PictureLook, ink: string, wanted: number): number {
  const own = luminance(ink) + 0.05
  return tones.reduce((sum, share, tone) => {
    const ground = luminanceOfTone(tone) + 0.05
    return sum + (Math.max(own, ground) / Math.min(own, ground) < wanted ? share : 0)
  }, 0)
}
