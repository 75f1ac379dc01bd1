import { lineWidth } from '../email/widths'
import { safeFont } from '../email/fonts'
import type { Check } from './check'

/**
 * Some readers draw the words of a picture that is off only as far as they fit in its place, and some draw none where they do not
 * fit (seen in WebKit).
 */
export const altLong: Check = {
  name: 'alt-long',
  about: 'The words of a picture fit in its place, for readers that show them there while pictures are off.',
  tile: ({ tile, look, style }) => {
    if (tile.kind !== 'picture' || !tile.picture || !tile.alt?.trim()) return []
    const s = look.text[look.base]
    const height = (tile.width * tile.picture.height) / tile.picture.width
    const lines = Math.max(1, Math.floor(height / s.line))
    const needed = lineWidth(tile.alt.trim(), safeFont(s.font, style.webFonts), s.size, s.bold) / tile.width
    if (needed <= lines) return []
    return [
      {
        severity: 'mind',
        stage: 'compose',
        what: `Alt text longer than its picture holds: ${Math.ceil(needed)} lines for ${lines}`,
        why: 'With pictures off some readers show it in the place of the picture, and cut it off there. Say it shorter, or in words beside the picture.',
      },
    ]
  },
}
