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
import type { Email } from '../email/schema'
import { orderedCuts, type Cut, type CutPlan } from './plan'
import { setCut } from './edits'

/** A piece of a copy deck: what goes into one words cut, onto one button, to a picture as its alt text, or to the email itself. */
export interface DeckPiece {
  text: string
  /** `note`: said to who builds the email, not to who reads it. */
  kind: 'subject' | 'preheader' | 'heading' | 'words' | 'list' | 'link' | 'picture' | 'note'
  /** With bold, italic and links, where they are asked for. */ rich: RichText
  link?: string
  /** As it was written, where its lines were joined. */
  lines?: string[]
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
        ...(!list && lines.length > 1 ? { lines } : {}),
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

/** What is seen of the words of a cut before anything is read. */
export interface SeenWords {
  /** Height of its lines, design px. */
  height: number
  /** How many characters it holds, about. */
  room: number
}

/**
 * What a piece at a place is worth, and what it costs to leave either out. Found by hand on decks of the tests; the order of things weighs more than any one of them.
 */
const WORTH = {
  /** A button's words on a button; a heading's in large letters. */
  kind: 3,
  heading: 2,
  /** Words in letters of the body. */
  body: 1,
  /** Of another kind: other words on a button, a button's words among words. */
  wrong: -2.5,
  /** Small print. */
  small: -0.8,
  /** The place says the same already. */
  alike: 12,
  /** For each doubling of its room, or halving. */
  room: -0.7,
  /** Goes on where the piece before it stands. */
  goesOn: -0.6,
  noPlace: -2,
  noPiece: -0.3,
}
/** Letters are large, or small, from these parts of the usual ones. */
const LARGE = 1.3
const SMALL = 0.82

/**
 * Offers the pieces of a deck to the cuts of a plan: buttons' words to buttons, headings to large letters, paragraphs to the body, alt texts to pictures, all in
 * their order (an alignment of two sequences, as Needleman and Wunsch have it). A cut that says much the same already, since it was read, gets that piece. What
 * is for the email itself, or for who builds it, goes to none.
 * @param seen of words, by the id of their cut
 */
export function deal(
  pieces: readonly DeckPiece[],
  plan: Pick<CutPlan, 'cuts' | 'order'>,
  seen: ReadonlyMap<string, SeenWords> = new Map(),
): Deal {
  const places = orderedCuts(plan).filter((c) => c.kind === 'words' || c.kind === 'button')
  const said = pieces.flatMap((piece, i) =>
    ['subject', 'preheader', 'picture', 'note'].includes(piece.kind) ? [] : [{ piece, i }],
  )
  const heights = [...seen.values()].map((s) => s.height).sort((a, b) => a - b)
  const usual = heights[heights.length >> 1]
  const worth = said.map(({ piece }) => places.map((c) => worthOf(piece, c, seen.get(c.id), usual)))
  const out: Deal = {}
  for (const [piece, place] of aligned(
    worth,
    places.map((c) => c.kind === 'words' && !saysAny(c)),
  ))
    (out[places[place]!.id] ??= []).push(said[piece]!.i)
  return { ...out, ...altTexts(pieces, plan) }
}

/** Alt texts go to pictures in their order, first to those that have none. */
function altTexts(pieces: readonly DeckPiece[], plan: Pick<CutPlan, 'cuts' | 'order'>): Deal {
  const pictures = orderedCuts(plan)
    .filter((c) => c.kind === 'picture')
    .sort((a, b) => Number(!!a.alt) - Number(!!b.alt))
  const texts = pieces.flatMap((p, i) => (p.kind === 'picture' ? [i] : []))
  return Object.fromEntries(texts.slice(0, pictures.length).map((i, k) => [pictures[k]!.id, [i]]))
}

const saysAny = ({ words }: Cut): boolean => !!words && !!plainOf(words).trim()

function worthOf(piece: DeckPiece, cut: Cut, seen: SeenWords | undefined, usual: number | undefined): number {
  const like = likeness(cut, piece)
  if (like >= LIKE) return WORTH.alike * like
  // What says something else was read: it is no place for this.
  const other = saysAny(cut) ? -1 : 0
  if ((piece.kind === 'link') !== (cut.kind === 'button')) return other + WORTH.wrong
  if (cut.kind === 'button') return other + WORTH.kind
  const size = seen && usual ? seen.height / usual : null
  const fits = seen
    ? WORTH.room * Math.min(3, Math.abs(Math.log2(Math.max(1, piece.text.length) / seen.room)))
    : 0
  if (size === null) return other + fits + WORTH.body
  if (size <= SMALL) return other + fits + WORTH.small
  return (
    other +
    fits +
    (size >= LARGE === (piece.kind === 'heading')
      ? piece.kind === 'heading'
        ? WORTH.heading
        : WORTH.body
      : 0)
  )
}

/** What a piece is worth behind another at one place. */
const joined = (worth: number, before: number, takesMore: boolean): number =>
  Math.min(worth, before) >= LIKE * WORTH.alike
    ? worth
    : takesMore
      ? Math.min(worth, 0) + WORTH.goesOn
      : -Infinity

/**
 * The best assignment that keeps the order of both. Several pieces that follow each other may go to one place where that takes words.
 * @param worth of each piece at each place
 * @returns pairs of piece and place
 */
function aligned(worth: readonly (readonly number[])[], takesMore: readonly boolean[]): [number, number][] {
  const [n, m] = [worth.length, takesMore.length]
  // best[i][j]: of the first i pieces and the first j places; how it came about beside it.
  const best = Array.from({ length: n + 1 }, () => new Array<number>(m + 1).fill(-Infinity))
  const held = Array.from({ length: n + 1 }, () => new Array<number>(m + 1).fill(-Infinity))
  best[0]![0] = 0
  for (let i = 0; i <= n; i++)
    for (let j = 0; j <= m; j++) {
      const w = i && j ? worth[i - 1]![j - 1]! : 0
      if (i && j) {
        const begun = best[i - 1]![j - 1]! + w
        const goesOn = held[i - 1]![j]! + joined(w, worth[i - 2]?.[j - 1] ?? 0, takesMore[j - 1]!)
        held[i]![j] = Math.max(begun, goesOn)
      }
      best[i]![j] = Math.max(
        best[i]![j]!,
        held[i]![j]!,
        i ? best[i - 1]![j]! + WORTH.noPlace : -Infinity,
        j ? best[i]![j - 1]! + WORTH.noPiece : -Infinity,
      )
    }
  const pairs: [number, number][] = []
  let [i, j, inside] = [n, m, false]
  while (i > 0 || j > 0) {
    // Of two that are worth the same the earlier has its place.
    if (i && !inside && best[i]![j] === best[i - 1]![j]! + WORTH.noPlace) i--
    else if (i && j && (inside || best[i]![j] === held[i]![j])) {
      pairs.push([i - 1, j - 1])
      const w = worth[i - 1]![j - 1]!
      inside = held[i]![j]! !== best[i - 1]![j - 1]! + w
      i--
      if (!inside) j--
    } else j--
  }
  return pairs.reverse()
}

/** From this share of words in common on, a cut and a piece are taken to say the same. */
const LIKE = 0.5

/** Of a longer text a piece is a part where so many of its words stand in it, at least so many. */
const PART = { share: 0.8, words: 3 }

/** Words that a cut and a piece share, of all that either has (the Jaccard index), or of the piece's own where it is a part of more: 0 to 1. */
function likeness(cut: Cut, piece: DeckPiece): number {
  const wordsOf = (s: string) => new Set(s.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [])
  const a = wordsOf(cut.words ? plainOf(cut.words) : ''),
    b = wordsOf(piece.text)
  if (!a.size || !b.size) return 0
  const shared = [...a].filter((w) => b.has(w)).length
  const index = shared / (a.size + b.size - shared)
  const part = b.size >= PART.words ? shared / b.size : 0
  return part >= PART.share ? Math.max(index, part) : index
}

/** What of a deck is for the email itself. */
export const deckMeta = (pieces: readonly DeckPiece[]): Pick<Email, 'subject' | 'preheader'> | null => {
  const of = (kind: DeckPiece['kind'], most: number) =>
    (pieces.find((p) => p.kind === kind)?.text ?? '').replace(/\s+/g, ' ').trim().slice(0, most)
  const said = { subject: of('subject', 500), preheader: of('preheader', 500) }
  return said.subject || said.preheader ? said : null
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
    if (p.cuts.find((c) => c.id === id)?.kind === 'picture')
      return setCut(p, id, {
        alt: chosen
          .map((c) => c.text)
          .join(' ')
          .slice(0, 2000),
      })
    const words = formatted
      ? { type: 'doc' as const, content: chosen.flatMap((c) => c.rich.content) }
      : textOf(chosen.map((c) => c.text).join('\n\n'))
    const link = chosen.find((c) => c.link)?.link
    return setCut(p, id, { words, ...(link ? { link } : {}) })
  }, plan)
}
