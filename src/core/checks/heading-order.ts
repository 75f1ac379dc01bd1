import type { Block } from '../email/richtext'
import { placesOf } from '../email/walk'
import type { Check } from './check'

export const headingOrder: Check = {
  name: 'heading-order',
  about:
    'Headings go down one level at a time, so that people who listen can find their way (WHATWG HTML, 4.3.11).',
  run: ({ email }) => {
    let last = 0
    return [...placesOf(email)].flatMap(({ band, tile }) =>
      tile.kind !== 'words'
        ? []
        : tile.text.content.flatMap(function each(b: Block): {
            weight: 'mind'
            stage: 'compose'
            where: { band: string; tile: string }
            what: string
            why: string
          }[] {
            if (b.type === 'blockquote') return b.content.flatMap(each)
            if (b.type !== 'heading') return []
            const { level } = b.attrs
            const skips = last > 0 && level > last + 1
            const from = last
            last = level
            return skips
              ? [
                  {
                    weight: 'mind',
                    stage: 'compose',
                    where: { band: band.id, tile: tile.id },
                    what: `Heading ${level} after heading ${from}`,
                    why: `People who listen look for a heading ${from + 1} in between. Use that one; its size can be set as you like.`,
                  },
                ]
              : []
          }),
    )
  },
}
