import { eachTextBlock, markOf } from '../email/richtext'
import { blockStyle } from '../tiles/words/html'
import type { Check, TileScope } from './check'

/** Body words under this are too small on a phone, px (common practice, no source). */
export const LEAST_SIZE = 14

/** What words are set to in one press, px. */
const GOOD = { size: 16, line: 24 }

export const wordsSmall: Check = {
  name: 'words-small',
  about: `Body words have at least ${LEAST_SIZE} px on narrow.`,
  tile: (scope) => {
    const { tile } = scope
    const least = smallest(scope)
    if (tile.kind !== 'words' || least >= LEAST_SIZE) return []
    const own = tile.style
    return [
      {
        severity: 'mend',
        stage: 'compose',
        what: `Words of ${least} px`,
        why: `Under ${LEAST_SIZE} px they are hard to read on a phone. Use ${LEAST_SIZE} or more; 16 reads well.`,
        // What is inherited is mended where it is said.
        ...(own?.size !== undefined && own.size < LEAST_SIZE
          ? {
              fix: {
                label: `Make them ${GOOD.size} px`,
                edit: {
                  name: 'setTile',
                  what: {
                    id: tile.id,
                    kind: tile.kind,
                    set: { style: { ...own, size: GOOD.size, line: Math.max(own.line ?? 0, GOOD.line) } },
                  },
                },
              },
            }
          : {}),
      },
    ]
  },
}

/** The smallest words of a tile that a phone shows, px; small print does not count. */
function smallest({ tile, band, look }: TileScope): number {
  if (tile.kind !== 'words' || tile.show === 'wide' || band.show === 'wide') return Infinity
  if ((tile.base ?? look.base) === 'small') return Infinity
  let least = Infinity
  eachTextBlock(tile.text, (b) => {
    const s = blockStyle(tile, b.type === 'heading' ? b.attrs.level : 0, look)
    for (const run of b.content ?? []) {
      if (run.type !== 'text' || !run.text.trim()) continue
      const own = markOf(run, 'textStyle')?.attrs.fontSize
      least = Math.min(least, own ? parseInt(own) : (s.narrowSize ?? s.size))
    }
  })
  return least
}
