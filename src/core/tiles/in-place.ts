import { inkOn } from '../color/contrast'
import type { RoleStyle } from '../email/cascade'
import { plainOf, type RichText } from '../email/richtext'
import type { ButtonStyle } from '../email/styles'
import type { TileOf } from '../email/tile'
import { safeFont, type WebFont } from '../email/fonts'
import { lineWidth } from '../email/widths'
import { buttonHeight, buttonStyleOf } from './button/html'
import { blockStyle, spaceUnder } from './words/html'
import type { Letters } from '../motion/letters-schema'

/** What a moving picture takes the place of: how it says what stood there, and what stays. */
export interface TakenPlace {
  words: string
  letters: Letters
  /** px */
  width: number
  height: number
  /** Words that stay beneath it, and the space between, px. */
  rest: RichText | null
  under: number
  button?: ButtonStyle
}

const along = { left: 'start', center: 'center', right: 'end' } as const

/** The first block of words: a changing headline takes the line that it changes, set as it was. @param room px @param ground behind it */
export function placeOfWords(
  tile: TileOf<'words'>,
  look: RoleStyle,
  { room, ground, fonts }: { room: number; ground: string; fonts: readonly WebFont[] },
): TakenPlace {
  const [first, ...rest] = tile.text.content
  const level = first!.type === 'heading' ? first!.attrs.level : 0
  const s = blockStyle(tile, level, look)
  const words = plainOf({ type: 'doc', content: [first!] })
  const font = safeFont(s.font, fonts)
  const lines = words
    .split('\n')
    .reduce((sum, line) => sum + Math.max(1, Math.ceil(lineWidth(line, font, s.size, s.bold) / room)), 0)
  const align =
    (first!.type === 'heading' || first!.type === 'paragraph' ? first!.attrs?.textAlign : null) ?? tile.align
  const { size, bold, italic, spacing } = s
  return {
    words,
    letters: {
      font: s.font,
      size,
      bold,
      italic,
      spacing,
      color: inkOn(ground, s.color),
      align: along[align],
    },
    width: room,
    height: lines * s.line,
    rest: rest.length ? { type: 'doc', content: rest } : null,
    under: rest.length ? spaceUnder(first!, tile, s) : 0,
  }
}

/** A button, as wide and as high as it is drawn. */
export function placeOfButton(
  tile: TileOf<'button'>,
  look: RoleStyle,
  { room, fonts }: { room: number; fonts: readonly WebFont[] },
): TakenPlace {
  const button = buttonStyleOf(tile, look)
  const words = lineWidth(tile.label, safeFont(button.font, fonts), button.size, button.bold)
  const { font, size, bold, spacing, color } = button
  return {
    words: tile.label,
    letters: { font, size, bold, spacing, color, align: 'center' },
    width: Math.round(Math.min(room, words + 2 * (button.padX + (button.borderWidth ?? 0)))),
    height: buttonHeight(button),
    rest: null,
    under: 0,
    button,
  }
}
