import { fromMarkdown } from 'mdast-util-from-markdown'
import { toString } from 'mdast-util-to-string'
import type { Nodes, PhrasingContent } from 'mdast'
import {
  emptyText,
  plainOf,
  textOf,
  type Block,
  type Inline,
  type Mark,
  type RichText,
} from '../email/richtext'
import { orderedCuts, type Cut, type CutPlan } from './plan'
import { setCut } from './edits'

/** A piece of a copy deck: what goes into one words cut or onto one button. */
export interface DeckPiece {
  text: string
  kind: 'heading' | 'words' | 'list' | 'link'
  /** With bold, italic and links, where they are asked for. */ rich: RichText
  link?: string
}

/**
 * Parts plain text: a blank line ends a piece; line ends inside one are joined, as they come from a box's
 * width.
 */
export function plainDeck(text: string): DeckPiece[] {
  return text
    .replace(/\r\n?/g, '\n')
    .split(/\n\s*\n/)
    .map((p) =>
      p
        .split('\n')
        .map((l) => l.trim())
        .filter(Boolean),
    )
    .filter((l) => l.length)
    .map((lines) => {
      const list = lines.length > 1 && lines.every((l) => /^([•·–*-]|\d{1,2}[.)])\s+/.test(l))
      const said = list
        ? lines.map((l) => l.replace(/^([•·–*-]|\d{1,2}[.)])\s+/, '')).join('\n')
        : lines.join(' ')
      return {
        text: said,
        kind: list ? 'list' : 'words',
        rich: list ? listOf(said.split('\n').map((t) => [{ type: 'text', text: t }])) : textOf(said),
      }
    })
}

const listOf = (items: Inline[][]): RichText => ({
  type: 'doc',
  content: [
    {
      type: 'bulletList',
      content: items.map((content) => ({ type: 'listItem', content: [{ type: 'paragraph', content }] })),
    },
  ],
})

/** Parts Markdown (CommonMark) at its blocks. A paragraph that is one link alone is a piece for a button. */
export function markdownDeck(source: string): DeckPiece[] {
  return fromMarkdown(source).children.flatMap((node): DeckPiece[] => {
    const text = toString(node).trim()
    if (!text || node.type === 'html' || node.type === 'thematicBreak' || node.type === 'definition')
      return []
    if (node.type === 'heading')
      return [
        {
          text,
          kind: 'heading',
          rich: doc({
            type: 'heading',
            attrs: { level: Math.min(3, node.depth) as 1 | 2 | 3, textAlign: null },
            content: inlines(node.children),
          }),
        },
      ]
    if (node.type === 'list') {
      const items = node.children.map((i) =>
        i.children.flatMap((c) => ('children' in c ? inlines(c.children as PhrasingContent[]) : [])),
      )
      const rich = listOf(items.map((i) => (i.length ? i : [{ type: 'text', text: ' ' }])))
      return [
        {
          text: items.map((i) => i.map((r) => (r.type === 'text' ? r.text : ' ')).join('')).join('\n'),
          kind: 'list',
          rich: node.ordered
            ? {
                ...rich,
                content: rich.content.map((b): Block =>
                  b.type === 'bulletList' ? { ...b, type: 'orderedList' } : b,
                ),
              }
            : rich,
        },
      ]
    }
    if (node.type !== 'paragraph') return [{ text, kind: 'words', rich: textOf(text) }]
    const only = node.children.length === 1 && node.children[0]!.type === 'link' ? node.children[0]! : null
    return [
      {
        text,
        kind: only ? 'link' : 'words',
        rich: doc({ type: 'paragraph', content: inlines(node.children) }),
        ...(only ? { link: only.url } : {}),
      },
    ]
  })
}

const doc = (block: Block): RichText =>
  'content' in block && (!block.content || block.content.length)
    ? { type: 'doc', content: [block] }
    : emptyText()

/** A line of several without the space where it meets its neighbours. */
const withinLines = (line: string, i: number, all: readonly string[]): string => {
  const begun = i ? line.trimStart() : line
  return i < all.length - 1 ? begun.trimEnd() : begun
}

function inlines(nodes: readonly Nodes[], marks: Mark[] = []): Inline[] {
  return nodes.flatMap((n): Inline[] => {
    const withMark = (m: Mark) => inlines((n as { children: Nodes[] }).children, [...marks, m])
    switch (n.type) {
      // A line end inside a paragraph is a space (CommonMark 0.31, 6.8).
      case 'text': {
        const text = n.value.split('\n').map(withinLines).join(' ')
        return text ? [{ type: 'text', text, ...(marks.length ? { marks } : {}) }] : []
      }
      case 'inlineCode':
        return [{ type: 'text', text: n.value, ...(marks.length ? { marks } : {}) }]
      case 'strong':
        return withMark({ type: 'bold' })
      case 'emphasis':
        return withMark({ type: 'italic' })
      case 'delete':
        return withMark({ type: 'strike' })
      case 'link':
        return withMark({ type: 'link', attrs: { href: n.url.slice(0, 4000) } })
      case 'break':
        return [{ type: 'hardBreak' }]
      default:
        return 'children' in n ? inlines(n.children as Nodes[], marks) : []
    }
  })
}

/** Which piece goes to which cut. */
export type Deal = Record<string, number[]>

/**
 * Offers the pieces of a deck to the words cuts and buttons of a plan in reading order: a link goes to the
 * next button, everything else to the next words; where a cut further on says much the same already (its
 * words were read off the design), the piece goes there. What is left over at the end goes to the last one.
 */
export function deal(pieces: readonly DeckPiece[], plan: Pick<CutPlan, 'cuts' | 'order'>): Deal {
  const places = orderedCuts(plan).filter((c) => c.kind === 'words' || c.kind === 'button')
  const out: Deal = {}
  const give = (id: string, i: number) => {
    ;(out[id] ??= []).push(i)
  }
  let at = 0
  pieces.forEach((piece, i) => {
    const wanted = piece.kind === 'link' ? 'button' : 'words'
    const like = places.findIndex((c, k) => k >= at && c.kind === wanted && likeness(c, piece) >= LIKE)
    // A cut that a later piece is like is left to it, and none goes past it: what has no place before stays
    // open.
    const taken = places.findIndex(
      (c, k) => k >= at && pieces.slice(i + 1).some((p) => likeness(c, p) >= LIKE),
    )
    const found =
      like >= 0 ? like : places.findIndex((c, k) => k >= at && (taken < 0 || k < taken) && c.kind === wanted)
    if (found < 0 && taken >= 0) return
    if (found >= 0) {
      give(places[found]!.id, i)
      at = found + 1
      return
    }
    const last = places.findLast((c) => c.kind === wanted) ?? places.at(-1)
    if (last) give(last.id, i)
  })
  return out
}

/** From this share of words in common on, a cut and a piece are taken to say the same. */
const LIKE = 0.5

/** Words that a cut and a piece share, of all that either has: 0 to 1 (the Jaccard index). */
function likeness(cut: Cut, piece: DeckPiece): number {
  const wordsOf = (s: string) => new Set(s.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [])
  const a = wordsOf(cut.words ? plainOf(cut.words) : ''),
    b = wordsOf(piece.text)
  if (!a.size || !b.size) return 0
  const shared = [...a].filter((w) => b.has(w)).length
  return shared / (a.size + b.size - shared)
}

/**
 * Writes dealt pieces into their cuts.
 * @param formatted with bold, italic, links and lists; else the words alone
 */
export function takeDeck(
  plan: CutPlan,
  pieces: readonly DeckPiece[],
  dealt: Deal,
  formatted: boolean,
): CutPlan {
  return Object.entries(dealt).reduce((p, [id, list]) => {
    const chosen = list.map((i) => pieces[i]!).filter(Boolean)
    if (!chosen.length) return p
    const words = formatted
      ? { type: 'doc' as const, content: chosen.flatMap((c) => c.rich.content) }
      : textOf(chosen.map((c) => c.text).join('\n\n'))
    const link = chosen.find((c) => c.link)?.link
    return setCut(p, id, { words, ...(link ? { link } : {}) })
  }, plan)
}
