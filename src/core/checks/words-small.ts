import { eachTextBlock, markOf } from '../email/richtext'
import { placesOf } from '../email/walk'
import { blockStyle } from '../tiles/words/html'
import type { Check } from './check'

/** Body words under this are too small on a phone, px (common practice, no source). */
export const LEAST_SIZE = 14

export const wordsSmall: Check = {
  name: 'words-small',
  about: `Body words have at least ${LEAST_SIZE} px on narrow.`,
  run: ({ email, style }) =>
    [...placesOf(email)].flatMap(({ band, tile }) => {
      if (
        tile.kind !== 'words' ||
        tile.show === 'wide' ||
        band.show === 'wide' ||
        tile.base === 'small' ||
        (!tile.base && style.roles[band.role].base === 'small')
      )
        return []
      let least = Infinity
      eachTextBlock(tile.text, (b) => {
        const s = blockStyle(tile, b.type === 'heading' ? b.attrs.level : 0, style.roles[band.role])
        for (const run of b.content ?? [])
          if (run.type === 'text' && run.text.trim()) {
            const own = markOf(run, 'textStyle')?.attrs.fontSize
            least = Math.min(least, own ? parseInt(own) : (s.narrowSize ?? s.size))
          }
      })
      if (least >= LEAST_SIZE) return []
      return [
        {
          weight: 'mend' as const,
          stage: 'compose' as const,
          where: { band: band.id, tile: tile.id },
          what: `Words of ${least} px`,
          why: `Under ${LEAST_SIZE} px they are hard to read on a phone. Use ${LEAST_SIZE} or more; 16 reads well.`,
          fix:
            tile.style?.size !== undefined && tile.style.size < LEAST_SIZE
              ? {
                  label: 'Make them 16 px',
                  edit: {
                    name: 'setTile' as const,
                    what: {
                      id: tile.id,
                      set: { style: { ...tile.style, size: 16, line: Math.max(tile.style.line ?? 0, 24) } },
                    },
                  },
                }
              : undefined,
        },
      ]
    }),
}
