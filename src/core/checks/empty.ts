import { plainOf } from '../email/richtext'
import { placesOf } from '../email/walk'
import type { Tile } from '../tiles/schema'
import type { Check } from './check'

export const empty: Check = {
  name: 'empty',
  about: 'Nothing was put in and left empty: words, pictures, buttons, menus, tables, code, or a plain text.',
  run: ({ email }) => [
    ...(email.way === 'plain' && !email.plain?.trim()
      ? [
          {
            weight: 'mend' as const,
            stage: 'compose' as const,
            where: {},
            what: 'No words written yet',
            why: 'The email is plain text only, and there is nothing in it. Write it, or go back to bands.',
          },
        ]
      : []),
    ...[...placesOf(email)].flatMap(({ band, tile }) => {
      const what = lacking(tile)
      return what
        ? [
            {
              weight: 'mend' as const,
              stage: 'compose' as const,
              where: { band: band.id, tile: tile.id },
              what,
              why: 'It leaves a hole in the email. Fill it, or take it out.',
            },
          ]
        : []
    }),
  ],
}

/** What a tile still lacks to be seen at all, or null. */
function lacking(tile: Tile): string | null {
  switch (tile.kind) {
    case 'words':
      return plainOf(tile.text) ? null : 'Words not written yet'
    case 'picture':
      return tile.picture ? null : 'No picture chosen'
    case 'button':
      return tile.label.trim() ? null : 'Button without words'
    case 'menu':
      return tile.items.some((i) => i.label.trim()) ? null : 'Menu without words'
    case 'social':
      return tile.icons.some((i) => i.picture) ? null : 'No icon chosen'
    case 'table':
      return tile.rows.some((r) => r.some((s) => s.trim())) ? null : 'Table without words'
    case 'review':
      return tile.text.trim() ? null : 'Review without words'
    case 'code':
      return tile.html.trim() ? null : 'Code not written yet'
    default:
      return null
  }
}
