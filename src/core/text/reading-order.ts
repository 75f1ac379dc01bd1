/** Letters that are written from the right (Unicode, Bidi_Class R and AL, of the scripts in use here). */
const FROM_RIGHT = /[\p{Script=Arabic}\p{Script=Hebrew}]/gu
const LETTERS = /\p{L}/gu

const count = (text: string, of: RegExp): number => text.match(of)?.length ?? 0

/** Whether words run from the right: most of their letters do. */
export const runsFromRight = (text: string): boolean =>
  2 * count(text.replace(/\p{P}|\p{N}/gu, ''), FROM_RIGHT) > count(text, LETTERS)

/**
 * Words that stand beside each other in the order in which they are read: from the right where the line runs so; those of the other direction that follow each
 * other keep theirs (Unicode Standard Annex 9, in short).
 * @param words as they stand, from the left
 */
export function inReadingOrder<W extends { text: string }>(words: readonly W[]): W[] {
  if (!runsFromRight(words.map((w) => w.text).join(' '))) return [...words]
  const out: W[] = []
  let other: W[] = []
  for (const word of [...words].reverse()) {
    if (count(word.text, LETTERS) && !count(word.text, FROM_RIGHT)) {
      other.unshift(word)
      continue
    }
    out.push(...other, word)
    other = []
  }
  return [...out, ...other]
}
