import { remembered } from '../email/remember'
import { eachTextBlock } from '../email/richtext'
import type { Band } from '../email/schema'
import { tilesOf } from '../email/walk'
import type { Check } from './check'

const headingsOf = remembered((band: Band): { tile: string; level: number }[] =>
  [...tilesOf(band)].flatMap((tile) => {
    const out: { tile: string; level: number }[] = []
    if (tile.kind === 'words')
      eachTextBlock(tile.text, (b) => {
        if (b.type === 'heading') out.push({ tile: tile.id, level: b.attrs.level })
      })
    return out
  }),
)

export const headingOrder: Check = {
  name: 'heading-order',
  about:
    'Headings go down one level at a time, so that people who listen can find their way (WHATWG HTML, 4.3.11).',
  email: ({ email }) => {
    const all = email.bands.flatMap((band) => headingsOf(band).map((h) => ({ ...h, band: band.id })))
    return all.flatMap((h, i) => {
      const before = all[i - 1]?.level
      if (before === undefined || h.level <= before + 1) return []
      return [
        {
          severity: 'mind',
          stage: 'compose',
          where: { band: h.band, tile: h.tile },
          key: `${before}-${h.level}`,
          what: `Heading ${h.level} after heading ${before}`,
          why: `People who listen look for a heading ${before + 1} in between. Use that one; its size can be set as you like.`,
        },
      ]
    })
  },
}
