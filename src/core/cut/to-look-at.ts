import { isUnread, type Cut, type CutKind, type CutPlan } from './plan'

/** A cut that a person should look at, what of it, and what else it may be. */
export interface ToLookAt {
  cut: Cut
  what: 'unread' | 'said by a picture'
  /** What it says, as far as that is known. */
  text: string
  /** Kinds that it may be instead, the likeliest first. */
  instead: readonly CutKind[]
  /** How much there is to win, for the order: words that are not live. */
  worth: number
}

/** A picture that says at least so many words may be words. */
const WORDS = 3

const count = (text: string): number => text.match(/[\p{L}\p{N}]+/gu)?.length ?? 0

/**
 * What finding the parts left open, most to win first: words that could not be read and are built as the picture they are, and pictures that say so much that they may be words.
 * Locked cuts are decided.
 */
export function toLookAt({ cuts }: Pick<CutPlan, 'cuts'>): ToLookAt[] {
  // Before anything was read, that words are missing is no news.
  const read = cuts.some((c) => c.words)
  return cuts
    .filter((c) => !c.locked)
    .flatMap((cut): ToLookAt[] => {
      if (isUnread(cut) && read) return [{ cut, what: 'unread', text: '', instead: ['picture'], worth: 2 }]
      const text = cut.kind === 'picture' ? (cut.alt ?? '') : ''
      const words = count(text)
      return words >= WORDS && !cut.own
        ? [{ cut, what: 'said by a picture', text, instead: ['words', 'button'], worth: words }]
        : []
    })
    .sort((a, b) => b.worth - a.worth || a.cut.y - b.cut.y)
}
