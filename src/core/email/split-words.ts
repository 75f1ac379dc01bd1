import type { Block, Inline, RichText } from './richtext'

/** How many characters a block says; a line break counts as one. */
const lengthOf = (b: Block): number =>
  b.type === 'paragraph' || b.type === 'heading'
    ? (b.content ?? []).reduce((n, i) => n + (i.type === 'text' ? i.text.length : 1), 0)
    : b.content.reduce(
        (n, part) =>
          n + (part.type === 'listItem' ? part.content : [part]).reduce((m, x) => m + lengthOf(x), 0),
        0,
      )

/** How many characters words say. */
export const lengthOfWords = (doc: RichText): number => doc.content.reduce((n, b) => n + lengthOf(b), 0)

/** Where between two characters words may be parted, with how much that parts: ends of blocks, line breaks, spaces. */
function placesIn(doc: RichText): { at: number; parts: 'block' | 'break' | 'space' }[] {
  const places: ReturnType<typeof placesIn> = []
  let at = 0
  for (const b of doc.content) {
    if (at) places.push({ at, parts: 'block' })
    if (b.type !== 'paragraph' && b.type !== 'heading') {
      at += lengthOf(b)
      continue
    }
    for (const i of b.content ?? []) {
      if (i.type === 'hardBreak') places.push({ at: at++, parts: 'break' })
      else {
        for (const m of i.text.matchAll(/\s+/g)) places.push({ at: at + m.index, parts: 'space' })
        at += i.text.length
      }
    }
  }
  return places
}

/** A block's end or a line's is taken where it is no further off than this share of all. */
const NEAR = { block: 0.14, break: 0.1, space: 1 }

/**
 * Words in two, near a share of their characters: at the end of a paragraph or a line where one is near, else between two
 * words; null where they are one word, or the share is none.
 * @param share of the first part, 0 to 1
 */
export function splitWords(doc: RichText, share: number): [RichText, RichText] | null {
  const length = lengthOfWords(doc)
  const wanted = share * length
  const off = (p: { at: number }) => Math.abs(p.at - wanted)
  const near = placesIn(doc).filter((p) => p.at > 0 && p.at < length && off(p) <= NEAR[p.parts] * length)
  for (const parts of ['block', 'break', 'space'] as const) {
    const [best] = near.filter((p) => p.parts === parts).sort((a, b) => off(a) - off(b))
    if (best) return partedAt(doc, best.at)
  }
  return null
}

function partedAt(doc: RichText, at: number): [RichText, RichText] | null {
  const [first, second]: [Block[], Block[]] = [[], []]
  let from = 0
  for (const b of doc.content) {
    const to = from + lengthOf(b)
    if (to <= at) first.push(b)
    else if (from >= at || (b.type !== 'paragraph' && b.type !== 'heading')) second.push(b)
    else {
      const [one, other] = inlinesAt(b.content ?? [], at - from)
      if (one.length) first.push({ ...b, content: one })
      if (other.length) second.push({ ...b, content: other })
    }
    from = to
  }
  return first.length && second.length
    ? [
        { type: 'doc', content: first },
        { type: 'doc', content: second },
      ]
    : null
}

/** @param at characters of the first part */
function inlinesAt(inlines: readonly Inline[], at: number): [Inline[], Inline[]] {
  const [first, second]: [Inline[], Inline[]] = [[], []]
  let from = 0
  for (const i of inlines) {
    const n = i.type === 'text' ? i.text.length : 1
    if (from + n <= at) first.push(i)
    else if (from >= at || i.type !== 'text') second.push(i)
    else {
      first.push({ ...i, text: i.text.slice(0, at - from) })
      second.push({ ...i, text: i.text.slice(at - from) })
    }
    from += n
  }
  return [trimmed(first, 'end'), trimmed(second, 'start')]
}

/** Without the space and the line break where words were parted. */
function trimmed(inlines: Inline[], side: 'start' | 'end'): Inline[] {
  const rest = [...inlines]
  for (;;) {
    const i = side === 'end' ? rest.at(-1) : rest[0]
    if (!i) return rest
    const text = i.type === 'text' ? (side === 'end' ? i.text.trimEnd() : i.text.trimStart()) : ''
    if (i.type === 'text' && text) {
      rest[side === 'end' ? rest.length - 1 : 0] = { ...i, text }
      return rest
    }
    if (side === 'end') rest.pop()
    else rest.shift()
  }
}
