import type { Cut } from './plan'
import type { TextBlock } from './reflow'
import { textsIn } from './layers'

/** Words inside a picture that a phone would show too small. */
export interface SmallWords {
  text: string
  /** Size on the phone, px. */ size: number
}

/** Least size of words on a phone, px (common practice, no source), and the phone's width, px. */
export const LEAST_SIZE = 14,
  PHONE = 375

/**
 * Words in a picture cut whose size, once the email is scaled down to a phone, is too small to read. The
 * cut's own widths count: a picture as wide as the email shrinks with it; one beside others stacks, and grows
 * to the phone's width at most. Where phones get a part of the design of its own, that part counts; the words
 * of a narrow design are not known.
 * @param emailWidth px
 */
export function smallWords(
  cut: Cut,
  texts: readonly TextBlock[],
  scale: number,
  emailWidth: number,
): SmallWords[] {
  if (cut.kind !== 'picture') return []
  if (cut.narrow?.of === 'narrow') return []
  const shown = cut.w / scale
  const onPhone = Math.min(
    1,
    PHONE / Math.max(1, shown > emailWidth * 0.98 ? emailWidth : Math.max(shown, PHONE)),
  )
  const part = cut.narrow ?? cut
  const zoom = cut.narrow ? PHONE / cut.narrow.w : onPhone / scale
  return textsIn(texts, part).flatMap((t) => {
    const size = t.size * zoom
    return size < LEAST_SIZE - 0.05
      ? [{ text: t.text.replace(/\s+/g, ' '), size: Math.round(size * 10) / 10 }]
      : []
  })
}
