import { remembered } from '../email/remember'
import { eachTextBlock } from '../email/richtext'
import type { Band } from '../email/schema'
import { tilesOf } from '../email/walk'
import type { Check, Found } from './check'

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
    'There is one heading 1, and headings go down one level at a time, so that people who listen can find their way (WHATWG HTML, 4.3.11).',
  email: ({ email }) => {
    const all = email.bands.flatMap((band) => headingsOf(band).map((h) => ({ ...h, band: band.id })))
    const first = all.findIndex((h) => h.level === 1)
    return all.flatMap((h, i): Found[] => {
      const where = { band: h.band, tile: h.tile }
      if (h.level === 1 && i > first)
        return [
          {
            severity: 'mind',
            stage: 'compose',
            where,
            key: `1-${i}`,
            what: 'A second heading 1',
            why: 'Heading 1 says what the whole email is about, so there is one. Use heading 2 here; its size can be set as you like.',
          },
        ]
      // Before the first there is nothing: where it is no heading 1, that is missing.
      const before = all[i - 1]?.level ?? 0
      if (h.level <= before + 1) return []
      return [
        {
          severity: 'mind',
          stage: 'compose',
          where,
          key: `${before}-${h.level}`,
          what: before
            ? `Heading ${h.level} after heading ${before}`
            : `The first heading is a heading ${h.level}`,
          why: `People who listen look for a heading ${before + 1} ${before ? 'in between' : 'first'}. Use that one; its size can be set as you like.`,
        },
      ]
    })
  },
}
