import type { RichText } from '../../email/richtext'
import { TITLE_SIZE } from '../typography'
import type { Cut } from '../plan'
import type { Building } from './building'

/** Longer than this, large words are no title, lines. */
const MOST_TITLE_LINES = 4
/** Bold words from this size on may be a title, px of the email. */
const BOLD_TITLE = 18
/** Titles of at least this share of the largest are of level 1. */
const LARGEST = 0.92
/** Words this much larger than the main text are a heading. */
const LARGER = 1.25
/** Least size of headings of the first and second level, px of the email. */
const LEVEL_1 = 26
const LEVEL_2 = 20

/**
 * Large or bold short words are a heading: its level, or null. The largest of the design are those of level
 * 1.
 */
export function titleLevel(b: Building, cut: Cut, size: number, bold: boolean, lines: number): 1 | 2 | null {
  // What was built before has the structure that the person left it with.
  if (
    cut.id in b.input.plan.built ||
    lines > MOST_TITLE_LINES ||
    !(size >= TITLE_SIZE || (bold && size >= BOLD_TITLE))
  )
    return null
  const most = Math.max(
    ...b.cuts.filter((c) => c.kind === 'words').map((c) => b.lettering.of(c, c.ground ?? '#ffffff').size),
  )
  return size >= LARGEST * most ? 1 : 2
}

/** Paragraphs as headings of a level. */
export const asHeading = (text: RichText, level: 1 | 2): RichText => ({
  type: 'doc',
  content: text.content.map((b) =>
    b.type === 'paragraph' && b.content?.length
      ? { type: 'heading', attrs: { level, textAlign: b.attrs?.textAlign }, content: b.content }
      : b,
  ),
})

/** All words with a line under them. */
export const underlined = (text: RichText): RichText => ({
  type: 'doc',
  content: text.content.map((b) =>
    b.type === 'paragraph' || b.type === 'heading'
      ? {
          ...b,
          content: b.content?.map((r) =>
            r.type === 'text' ? { ...r, marks: [...(r.marks ?? []), { type: 'underline' as const }] } : r,
          ),
        }
      : b,
  ),
})

/**
 * Paragraphs that the design sets plainly larger than the main text become headings: told only where the
 * design shows as many blocks as the text has paragraphs. @param sizes of the design's blocks, px
 */
export function shapeText(
  text: RichText,
  sizes: number[],
  main: number | undefined,
): { text: RichText; heading: number | undefined } {
  if (
    !main ||
    sizes.length !== text.content.length ||
    sizes.length < 2 ||
    text.content.some((b) => b.type !== 'paragraph')
  )
    return { text, heading: undefined }
  const heading = Math.max(...sizes)
  if (heading < LARGER * main) return { text, heading: undefined }
  return {
    heading,
    text: {
      type: 'doc',
      content: text.content.map((b, i) =>
        b.type === 'paragraph' && sizes[i]! >= LARGER * main
          ? {
              type: 'heading',
              attrs: {
                level: heading >= LEVEL_1 ? 1 : heading >= LEVEL_2 ? 2 : 3,
                textAlign: b.attrs?.textAlign,
              },
              content: b.content,
            }
          : b,
      ),
    },
  }
}
