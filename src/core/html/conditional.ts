import { tagsOf } from './tags'

/**
 * Conditional comments, as the Word engine reads them and no other reader does. Three forms exist (common
 * practice, no open standard): `<!--[if mso]> for it alone <![endif]-->`, `<!--[if !mso]><!--> for all others
 * <!--<![endif]-->`, and `<![if !mso]> … <![endif]>`, which HTML counts as bogus comments.
 */
export interface Segment {
  /** What the engine compares; null: no condition, for all readers. */
  condition: string | null
  markup: string
  /** Hidden segments stand inside a comment: all readers but the Word engine pass over them. */
  hidden: boolean
}

/** Throws a SyntaxError, naming the place, where conditions are left open, closed twice, or nested. */
export function segmentsOf(html: string): Segment[] {
  const out: Segment[] = []
  let at = 0
  let open: { condition: string; hidden: boolean; from: number; begin: number } | null = null
  const put = (condition: string | null, markup: string, hidden: boolean) => {
    if (markup || condition !== null) out.push({ condition, markup, hidden })
  }
  const token =
    /<!--\[if ([^\]<]*)\]>(<!-->|<!--|-->)?|<!\[if ([^\]<]*)\]>|(?:<!--)?<!\[endif\](?:-->|>)|<!--/g
  for (let m = token.exec(html); m; m = token.exec(html)) {
    if (m[0] === '<!--') {
      // An ordinary comment: nothing in it counts. Inside a hidden segment it ends that segment's own
      // comment.
      if (open?.hidden)
        throw new SyntaxError(
          `A comment stands inside the condition [if ${open.condition}] at ${m.index}; its end would end the condition too.`,
        )
      const end = html.indexOf('-->', m.index + 4)
      if (end < 0) throw new SyntaxError(`A comment begun at ${m.index} never ends.`)
      token.lastIndex = end + 3
      continue
    }
    if (/^<!--\[if|^<!\[if/.test(m[0])) {
      if (open)
        throw new SyntaxError(
          `[if ${m[1] ?? m[3]}] at ${m.index} begins inside [if ${open.condition}]; conditions do not nest.`,
        )
      put(null, html.slice(at, m.index), false)
      const condition = (m[1] ?? m[3])!.trim()
      evaluate(condition, true)
      open = {
        condition,
        hidden: m[1] !== undefined && m[2] === undefined,
        from: m.index + m[0].length,
        begin: m.index,
      }
    } else {
      if (!open) throw new SyntaxError(`[endif] at ${m.index} closes no condition.`)
      if (open.hidden !== /^<!\[endif\]-->$/.test(m[0]))
        throw new SyntaxError(
          `The condition [if ${open.condition}] at ${open.begin} is closed by ${m[0]}, which belongs to the other form.`,
        )
      put(open.condition, html.slice(open.from, m.index), open.hidden)
      open = null
    }
    at = m.index + m[0].length
  }
  if (open) throw new SyntaxError(`The condition [if ${open.condition}] at ${open.begin} is never closed.`)
  put(null, html.slice(at), false)
  return out
}

/** The version that the Word engine answers with: 16 for all programs since 2016 (from memory). */
const WORD_VERSION = 16

/**
 * Whether a condition holds. Grammar: `expr = term {("&" | "|") term}`, `term = "!" term | "(" expr ")" |
 * [gt|gte|lt|lte] name [version]`.
 * @param word for the Word engine; false for a reader that knows conditions but is not it
 */
export function evaluate(condition: string, word: boolean): boolean {
  const tokens = condition.match(/[!()&|]|[a-z]+|[\d.]+|\S/gi) ?? []
  let i = 0
  const fail = (): never => {
    throw new SyntaxError(`The condition [if ${condition}] cannot be read.`)
  }
  const term = (): boolean => {
    const t = tokens[i++]
    if (t === '!') return !term()
    if (t === '(') {
      const inner = expr()
      if (tokens[i++] !== ')') fail()
      return inner
    }
    if (!t || !/^[a-z]+$/i.test(t)) return fail()
    const compare = /^(gte?|lte?)$/.test(t) ? t : ''
    const name = compare ? tokens[i++] : t
    if (!name || !/^[a-z]+$/i.test(name)) return fail()
    const version = /^[\d.]+$/.test(tokens[i] ?? '') ? Number(tokens[i++]) : undefined
    if (compare && version === undefined) return fail()
    if (name.toLowerCase() === 'true') return true
    if (!word || name.toLowerCase() !== 'mso') return false
    if (version === undefined) return true
    return compare === 'gt'
      ? WORD_VERSION > version
      : compare === 'gte'
        ? WORD_VERSION >= version
        : compare === 'lt'
          ? WORD_VERSION < version
          : compare === 'lte'
            ? WORD_VERSION <= version
            : Math.floor(version) === WORD_VERSION
  }
  const expr = (): boolean => {
    let value = term()
    while (tokens[i] === '&' || tokens[i] === '|') {
      const and = tokens[i++] === '&'
      const next = term()
      value = and ? value && next : value || next
    }
    return value
  }
  const value = expr()
  if (i !== tokens.length) fail()
  return value
}

/** What one side sees of a document. Throws as `segmentsOf` does. */
export function branchOf(html: string, side: 'word' | 'others'): string {
  return segmentsOf(html)
    .map((s) =>
      s.condition === null
        ? s.markup
        : (side === 'word' ? evaluate(s.condition, true) : !s.hidden)
          ? s.markup
          : '',
    )
    .join('')
}

/** Elements that have no end tag (WHATWG HTML, 13.1.2). */
const empty = new Set([
  'area',
  'base',
  'br',
  'col',
  'embed',
  'hr',
  'img',
  'input',
  'link',
  'meta',
  'source',
  'track',
  'wbr',
])

/**
 * What is wrong with the nesting of tags in a markup, as the Word engine would trip over it: every start tag
 * needs its end tag in order. Empty elements and tags that close themselves need none.
 */
export function nestingErrors(markup: string): string[] {
  const errors: string[] = []
  const open: string[] = []
  for (const { name, closing, selfClosing } of tagsOf(markup)) {
    if (closing) {
      if (open.at(-1) === name) open.pop()
      else errors.push(`</${name}> closes ${open.length ? `<${open.at(-1)}>` : 'nothing'}`)
    } else if (!empty.has(name) && !selfClosing) open.push(name)
  }
  return [...errors, ...open.map((tag) => `<${tag}> is never closed`)]
}
