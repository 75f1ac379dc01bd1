import { plainOf, textOf, type Block, type Inline, type RichText } from '../email/richtext'
import type { DeckPiece } from './deck'

type Kind = DeckPiece['kind']
type Label = Kind | 'address'

/** What people write before a piece of copy to say what it is, in the languages that decks are written in here (common practice, no source). */
const LABELS: readonly [Label, readonly string[]][] = [
  [
    'subject',
    [
      'subject',
      'subject line',
      'sl',
      'betreff',
      'betreffzeile',
      'objet',
      'asunto',
      'oggetto',
      'onderwerp',
      'onderwerpregel',
      'temat',
      'assunto',
      'emne',
      'ämne',
      'الموضوع',
      'נושא',
    ],
  ],
  [
    'preheader',
    [
      'preheader',
      'pre-header',
      'preheader text',
      'preview',
      'preview text',
      'ph',
      'vorschautext',
      'vorschau',
      'pré-en-tête',
      'préheader',
      'pré-header',
      'texte d’aperçu',
      "texte d'aperçu",
      'preencabezado',
      'texto de vista previa',
      'anteprima',
      'voorvertoning',
      'podgląd',
      'pré-cabeçalho',
    ],
  ],
  [
    'heading',
    [
      'heading',
      'headline',
      'header',
      'head',
      'title',
      'h1',
      'h2',
      'h3',
      'subhead',
      'subheading',
      'sub-head',
      'sub-heading',
      'subheadline',
      'überschrift',
      'titel',
      'unterüberschrift',
      'schlagzeile',
      'titre',
      'sous-titre',
      'accroche',
      'título',
      'titular',
      'subtítulo',
      'titolo',
      'sottotitolo',
      'kop',
      'subkop',
      'nagłówek',
      'tytuł',
      'עותרת',
      'العنوان',
      'כותרת',
    ],
  ],
  [
    'link',
    [
      'cta',
      'cta 1',
      'cta 2',
      'cta 3',
      'cta text',
      'cta button',
      'call to action',
      'call-to-action',
      'button',
      'button text',
      'button 1',
      'button 2',
      'btn',
      'knopf',
      'schaltfläche',
      'bouton',
      'botón',
      'pulsante',
      'knop',
      'przycisk',
      'botão',
      'زر',
      'כפתור',
    ],
  ],
  [
    'words',
    [
      'body',
      'body copy',
      'copy',
      'text',
      'paragraph',
      'intro',
      'introduction',
      'description',
      'caption',
      'fließtext',
      'einleitung',
      'texte',
      'corps',
      'cuerpo',
      'texto',
      'testo',
      'tekst',
      'treść',
      'النص',
    ],
  ],
  [
    'picture',
    [
      'alt',
      'alt text',
      'alt-text',
      'alternative text',
      'bildtext',
      'bildbeschreibung',
      'texte alternatif',
      'texto alternativo',
      'testo alternativo',
      'alttext',
    ],
  ],
  [
    'address',
    [
      'url',
      'link',
      'links to',
      'cta link',
      'cta url',
      'button link',
      'button url',
      'lien',
      'enlace',
      'verweis',
      'href',
    ],
  ],
  [
    'note',
    [
      'image',
      'picture',
      'visual',
      'hero',
      'hero image',
      'bild',
      'visuel',
      'imagen',
      'designer note',
      'layout',
      'section',
      'module',
      'block',
      'from',
      'from name',
      'sender',
      'absender',
    ],
  ],
]
const kinds = new Map(LABELS.flatMap(([kind, names]) => names.map((n) => [n, kind] as const)))

const kindOf = (label: string) =>
  kinds.get(
    label
      .toLowerCase()
      .replace(/[*_\s]+/g, ' ')
      .trim(),
  )

/** A label is no longer than this. */
const LONGEST = 24

interface Labelled {
  kind: Label
  /** Where its words begin, and where they end. */
  from: number
  to: number
}

/** The label that a line begins with: `CTA: Book`, `[Button] Book`, `[CTA: Book]`, `Subject - Hello`; null where it begins with none. */
function labelOf(line: string): Labelled | null {
  const start = line.length - line.trimStart().length
  const closed = { '[': ']', '(': ')' }[line[start] ?? '']
  const end = closed ? line.indexOf(closed, start) : -1
  if (closed && end > start) {
    const inside = line.slice(start + 1, end)
    const colon = inside.indexOf(':')
    const kind = kindOf(colon < 0 ? inside : inside.slice(0, colon))
    if (!kind) return null
    if (colon >= 0) return { kind, from: start + 2 + colon, to: end }
    return { kind, from: end + (line[end + 1] === ':' ? 2 : 1), to: line.length }
  }
  for (const [sign, length] of [
    [':', 1],
    [' - ', 3],
    [' – ', 3],
    [' — ', 3],
    ['|', 1],
  ] as const) {
    const at = line.indexOf(sign, start)
    const kind = at > start && at - start <= LONGEST ? kindOf(line.slice(start, at)) : undefined
    if (kind) return { kind, from: at + length, to: line.length }
  }
  return null
}

/** The address that words end in, in brackets, behind an arrow or alone, and where the words before it end. */
function addressAtEnd(text: string): { address: string; words: number } | null {
  const end = text.trimEnd()
  const at = Math.max(...[' ', '\n', '\t', '\u00a0'].map((space) => end.lastIndexOf(space))) + 1
  const address = end.slice(at).replace(/[()<>[\]\s]/g, '')
  if (!/^(?:https?:\/\/|mailto:|tel:|www\.)/i.test(address)) return null
  let words = at
  while (words > 0 && /[\s(<[|→–—>=-]/u.test(text[words - 1]!)) words--
  return { address, words }
}

/**
 * Pieces as their labels say what they are: subject, preheader, headings, paragraphs, buttons with their addresses, alt texts. A label may stand before
 * its words, or alone before the next piece. Without labels a piece stays what it was.
 */
export function labelled(pieces: readonly DeckPiece[]): DeckPiece[] {
  const out: DeckPiece[] = []
  let awaited: Label | null = null
  const take = (piece: DeckPiece, kind: Label | null) => {
    const address = addressAtEnd(piece.text)
    if (kind === 'address' || (kind === null && address?.words === 0 && out.at(-1)?.kind === 'link')) {
      const button = out.findLast((p) => p.kind === 'link')
      const to = piece.link ?? address?.address ?? piece.text.trim()
      if (button && !button.link) button.link = absolute(to)
      return
    }
    out.push(kind === 'link' ? buttonOf(piece, address) : { ...piece, kind: kind ?? piece.kind })
  }
  for (const piece of pieces.flatMap(byLines)) {
    const label = labelOf(piece.text)
    const alone = standsAlone(piece.text)
    if (!label && alone) {
      awaited = alone
      continue
    }
    if (label) {
      const rest =
        label.to < piece.text.length
          ? bare(piece, piece.text.slice(label.from, label.to).trim())
          : withoutStart(piece, label.from)
      awaited = null
      if (rest.text.trim()) take(rest, label.kind)
      else awaited = label.kind
      continue
    }
    take(piece, awaited)
    awaited = null
  }
  return out
}

/** The kind that a line which is nothing but a label announces. */
const standsAlone = (line: string): Label | undefined =>
  line.trim().length <= LONGEST ? kindOf(line.trim().replace(/:$/, '')) : undefined

const absolute = (address: string): string => (/^www\./i.test(address) ? `https://${address}` : address)

const bare = (piece: DeckPiece, text: string): DeckPiece => ({ ...piece, text, rich: textOf(text) })

function buttonOf(piece: DeckPiece, end: ReturnType<typeof addressAtEnd>): DeckPiece {
  const behind = end && end.words > 0 ? end : null
  const said = (behind ? piece.text.slice(0, behind.words) : piece.text).trim()
  const words = said.startsWith('[') && said.endsWith(']') ? said.slice(1, -1) : said
  const link = piece.link ?? linkIn(piece.rich) ?? (behind ? absolute(behind.address) : undefined)
  return { ...bare(piece, words), kind: 'link', ...(link ? { link } : {}) }
}

/** The address of the first link in words. */
function linkIn(rich: RichText): string | undefined {
  const inlines = rich.content.flatMap((b): Inline[] =>
    b.type === 'paragraph' || b.type === 'heading' ? (b.content ?? []) : [],
  )
  return inlines.flatMap((i) => i.marks ?? []).flatMap((m) => (m.type === 'link' ? [m.attrs.href] : []))[0]
}

/** A piece of several lines, of which some begin with a label, as one for each of these. */
function byLines(piece: DeckPiece): DeckPiece[] {
  const lines = piece.lines ?? piece.text.split('\n')
  if (lines.length < 2 || !lines.some((l) => labelOf(l) ?? standsAlone(l))) return [piece]
  const groups: string[][] = []
  let open = false
  for (const line of lines) {
    const alone = !!standsAlone(line)
    if (labelOf(line) || alone || !open) groups.push([line])
    else groups.at(-1)!.push(line)
    open = !alone
  }
  return groups.map((g): DeckPiece => ({ ...bare(piece, g.join(' ')), kind: 'words' }))
}

/** @param length characters that are taken off the start, marks and all */
function withoutStart(piece: DeckPiece, length: number): DeckPiece {
  let left = length
  const cutInlines = (inlines: readonly Inline[]): Inline[] =>
    inlines.flatMap((i): Inline[] => {
      if (left <= 0) return [i]
      const n = i.type === 'text' ? i.text.length : 1
      const off = Math.min(left, n)
      left -= off
      const rest = i.type === 'text' ? i.text.slice(off) : ''
      return i.type === 'text' && rest ? [{ ...i, text: rest }] : []
    })
  const content = piece.rich.content.map((b): Block =>
    b.type === 'paragraph' || b.type === 'heading' ? { ...b, content: cutInlines(b.content ?? []) } : b,
  )
  const text = piece.text.slice(length).trim()
  const rich: RichText = { type: 'doc', content }
  // What its marks say is kept where they can be told from the label.
  return plainOf(rich).trim() === text ? { ...piece, text, rich: trimmedStart(rich) } : bare(piece, text)
}

const trimmedStart = (rich: RichText): RichText => ({
  ...rich,
  content: rich.content.map((b, i): Block => {
    const [first, ...rest] = (b.type === 'paragraph' || b.type === 'heading' ? b.content : undefined) ?? []
    if (i || first?.type !== 'text') return b
    return { ...b, content: [{ ...first, text: first.text.trimStart() || ' ' }, ...rest] } as Block
  }),
})
