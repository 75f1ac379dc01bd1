/** A markup as one kind of reader takes it: the Word engine reads what stands in conditions for it, all others take those for comments. */
export type Audience = 'word' | 'others'

/** What a downlevel-hidden condition says to the Word engine (its documentation: "mso", versions of 2007 and later as 12 and more). */
const forWord = (condition: string): boolean => /\bmso\b/.test(condition) && !/!\s*mso/.test(condition)

/** @returns the markup without conditions: what each reader is left with */
export function seenBy(audience: Audience, html: string): string {
  return (
    html
      // Downlevel-revealed: everybody but the Word engine sees what stands between.
      .replace(
        /<!--\[if ([^\]]*)\]><!-->([\s\S]*?)<!--<!\[endif\]-->/g,
        (_, condition: string, inside: string) => (audience === 'others' || forWord(condition) ? inside : ''),
      )
      // Downlevel-hidden: a comment to everybody else.
      .replace(/<!--\[if ([^\]]*)\]>([\s\S]*?)<!\[endif\]-->/g, (_, condition: string, inside: string) =>
        audience === 'word' && forWord(condition) ? inside : '',
      )
      .replace(/<!--[\s\S]*?-->/g, '')
  )
}

/** Elements that have no end (WHATWG HTML, 13.1.2). */
const VOID = new Set([
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

/** What is open where something else ends, and what is never closed: nothing, in a markup that is whole. */
export function unbalanced(markup: string): string[] {
  const open: string[] = []
  const out: string[] = []
  for (const [, end, name, self] of markup.matchAll(
    /<(\/?)([a-z][a-z0-9:]*)(?:"[^"]*"|'[^']*'|[^'">])*?(\/?)>/gi,
  )) {
    const tag = name!.toLowerCase()
    if (VOID.has(tag) || self) continue
    if (!end) open.push(tag)
    else if (open.at(-1) === tag) open.pop()
    else out.push(`</${tag}> in <${open.at(-1) ?? 'nothing'}>`)
  }
  return [...out, ...open.map((tag) => `<${tag}> is never closed`)]
}

/** The words of a markup in their order, styles and scripts aside. */
export const wordsOf = (markup: string): string[] =>
  markup
    .replace(/<(style|script|title)\b[\s\S]*?<\/\1>/gi, ' ')
    .replace(/<[^>]*>/g, ' ')
    .split(/\s+/)
    .filter(Boolean)
