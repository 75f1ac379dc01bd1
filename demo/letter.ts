import type { Block, RichText } from '@/core/email/richtext'
import type { Tile } from '@/core/email/tile'
import { newTile } from '@/core/tiles'

/* Pieces of the letters that are written without a design. */

export const heading = (level: 1 | 2, text: string): Block => ({
  type: 'heading',
  attrs: { level, textAlign: null },
  content: [{ type: 'text', text }],
})
export const words = (id: string, ...content: Block[]): Tile =>
  ({ ...newTile('words'), id, text: { type: 'doc', content } satisfies RichText }) as Tile
