import { plainOf, unspaced, type Block, type RichText } from '../email/richtext'

/**
 * The words of a tile that several cuts became, parted among them again: what each said last settles which blocks are its own. Null
 * for a cut whose words are gone.
 * @param was what each cut said when the tile was made of them
 */
export function partsOf(text: RichText, was: readonly (RichText | null)[]): (RichText | null)[] {
  const owners = was.flatMap((words, cut) =>
    (words?.content ?? []).map((block) => ({ cut, said: said(block) })),
  )
  const blocks = text.content
  const now = blocks.map(said)
  const parts: Block[][] = was.map(() => [])
  let head = 0
  while (head < now.length && head < owners.length && now[head] === owners[head]!.said) head++
  let tail = 0
  while (
    tail < now.length - head &&
    tail < owners.length - head &&
    now[now.length - 1 - tail] === owners[owners.length - 1 - tail]!.said
  )
    tail++
  const changed = owners.slice(head, owners.length - tail)
  const count = now.length - head - tail
  blocks.forEach((block, i) => {
    const k = i - head
    const owner =
      k < 0
        ? owners[i]!
        : k >= count
          ? owners[owners.length - (now.length - i)]!
          : // As many as there were are one for one; else all are of the first that changed, or follow what is before them.
            ((changed.length === count ? changed[k] : changed[0]) ?? owners[head - 1] ?? owners[head])
    parts[owner?.cut ?? 0]!.push(unspaced(block))
  })
  return parts.map((content) => (content.some(said) ? { type: 'doc', content } : null))
}

const said = (block: Block): string => plainOf({ type: 'doc', content: [block] }).trim()
