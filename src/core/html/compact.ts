/** Longest line that a message may have, bytes without its end (RFC 5322, section 2.1.1). */
export const MOST_LINE = 998

/** Elements in whose content white space counts, or is no markup at all. */
const kept = new Set(['pre', 'textarea', 'style', 'script', 'title'])

/** What stands around a field, as it is written and while a destination's own writing is awaited (private use characters). */
const fieldBegins = /\[\[|\ue000/y
const fieldEnds = /\]\]|\ue002/y

/** Bytes of a character in UTF-8, counted by its UTF-16 units (RFC 3629, section 3). */
const bytesOf = (unit: number): number =>
  unit < 0x80 ? 1 : unit < 0x800 ? 2 : unit >= 0xd800 && unit < 0xe000 ? 2 : 3

/** Bytes of a text in UTF-8. */
function utf8(text: string): number {
  let bytes = 0
  for (let i = 0; i < text.length; i++) bytes += bytesOf(text.charCodeAt(i))
  return bytes
}

/**
 * A markup whose lines are at most so long: an overlong one goes on in the next at a space between words or between
 * attributes, where a line end says the same; never within a field. What has no such space stays.
 * @param most bytes
 */
export function folded(html: string, most = MOST_LINE): string {
  const ends: number[] = []
  let bytes = 0
  /** The last space of the line that may become its end, and the bytes up to it. */
  let space = -1
  let before = 0
  let quote = ''
  let inTag = false
  /** Which element's content is being kept as it is. */
  let raw = ''
  let inField = false
  for (let i = 0; i < html.length; i++) {
    const c = html[i]!
    if (c === '\n') {
      bytes = 0
      space = -1
      inField = false
      continue
    }
    const edge = inField ? fieldEnds : fieldBegins
    edge.lastIndex = i
    if (edge.test(html)) inField = !inField
    if (inTag) {
      if (quote) quote = c === quote ? '' : quote
      else if (c === '"' || c === "'") quote = c
      else if (c === '>') inTag = false
    } else if (c === '<') {
      const name = /^<(\/?)([a-z][a-z0-9]*)/i.exec(html.slice(i, i + 12))
      const tag = name?.[2]!.toLowerCase() ?? ''
      if (raw ? tag === raw && name![1] : name) inTag = true
      if (raw && inTag) raw = ''
      else if (inTag && !name![1] && kept.has(tag)) raw = tag
    }
    if (c === ' ' && !quote && !inField && (inTag || !raw)) {
      space = i
      before = bytes
    }
    bytes += bytesOf(c.charCodeAt(0))
    if (bytes > most && space >= 0) {
      ends.push(space)
      bytes -= before + 1
      space = -1
    }
  }
  let out = ''
  let from = 0
  for (const end of ends) {
    out += `${html.slice(from, end)}\n`
    from = end + 1
  }
  return out + html.slice(from)
}

/** A comment for the Word engine, and how it ends. */
const [WORD, END] = ['<!--[if mso]>', '<![endif]-->']

/**
 * Comments for the Word engine that follow each other become one. Only those: the tail of `<!--<![endif]-->` looks like an end as well, and what
 * stands under another condition has to keep it.
 */
function joined(html: string): string {
  let out = ''
  let at = 0
  for (;;) {
    const begin = html.indexOf(WORD, at)
    const end = begin < 0 ? -1 : html.indexOf(END, begin)
    if (end < 0) return out + html.slice(at)
    out += html.slice(at, end)
    at = end + END.length
    for (;;) {
      const next = html[at] === '\n' ? at + 1 : at
      const over = html.startsWith(WORD, next) ? html.indexOf(END, next) : -1
      if (over < 0) break
      out += html.slice(next + WORD.length, over)
      at = over + END.length
    }
    out += END
  }
}

/**
 * A part of a compiled markup as it leaves: comments for the Word engine that follow each other become one, sheets are not
 * indented, and no line is longer than a message may have.
 */
export const compacted = (html: string): string =>
  folded(joined(html).replace(/<style>[^<]*<\/style>/g, (sheet) => sheet.replace(/\n +/g, '\n')))

/**
 * Parts that are compact already as one: where they meet, comments are joined, and only a line that became too long by that has all be
 * folded again.
 */
export function together(parts: readonly string[]): string {
  const html = joined(parts.join(''))
  const long = html.split('\n').some((l) => l.length * 3 > MOST_LINE && utf8(l) > MOST_LINE)
  return long ? folded(html) : html
}
